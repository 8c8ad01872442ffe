import { formatMoney, KIT_GRADES, type KitPlanPage, OPTION_USES, PRICE_KINDS } from '@exemplar/core'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Section } from '../../foundation/parts/page-parts.tsx'

/** Everything that may be chosen, with what it costs and which roles it would fill. */
export function KitOptions({
  plan,
  currency,
  mayChange,
  onAdd,
  onChange,
}: {
  plan: KitPlanPage
  currency: string
  mayChange: boolean
  onAdd(): void
  onChange(optionId: string): void
}) {
  const nameOf = new Map(plan.setup.roles.map((it) => [it.id, it.name]))
  const called = (ids: readonly string[]) => ids.map((id) => nameOf.get(id)).join(', ')
  return (
    <Section title="To choose from" aside={String(plan.options.length)}>
      {plan.options.length > 0 && (
        <div className="overflow-x-auto">
          <table className="w-full text-[13px]">
            <thead>
              <tr className="text-left">
                <th scope="col" className="py-1 pr-3">
                  Thing
                </th>
                <th scope="col" className="py-1 pr-3">
                  Fills
                </th>
                <th scope="col" className="py-1 pr-3 text-right">
                  One, tax in
                </th>
                <th scope="col" className="hidden py-1 pr-3 text-right md:table-cell">
                  At most
                </th>
                <th scope="col" className="hidden py-1 pr-3 md:table-cell">
                  Grade
                </th>
                {mayChange && (
                  <th scope="col" className="no-print py-1">
                    <span className="sr-only">Change</span>
                  </th>
                )}
              </tr>
            </thead>
            <tbody>
              {plan.options.map((option) => {
                const model = plan.models.find((it) => it.id === option.modelId)
                const name = model?.name ?? 'a model that is gone'
                return (
                  <tr key={option.id} className="border-t border-rule align-top">
                    <th scope="row" className="border-b-0 py-1.5 pr-3 text-left font-semibold text-ink">
                      {name}
                      <span className="block font-normal text-quiet md:hidden">
                        at most {option.most}, {KIT_GRADES[option.grade].toLowerCase()}
                      </span>
                      {option.use !== 'may' && (
                        <span className="block font-normal text-quiet">{OPTION_USES[option.use].toLowerCase()}</span>
                      )}
                    </th>
                    <td className="py-1.5 pr-3">
                      {model && model.fills.length > 0 && called(model.fills)}
                      {model && model.perhaps.length > 0 && (
                        <span className="block">
                          <Mark level="unknown">
                            nobody knows whether it does what {called(model.perhaps)} asks: it is left out there
                          </Mark>
                        </span>
                      )}
                      {model && model.fills.length + model.perhaps.length === 0 && (
                        <span className="text-quiet">goes with others</span>
                      )}
                    </td>
                    <td className="py-1.5 pr-3 text-right font-mono whitespace-nowrap">
                      {option.price ? (
                        <>
                          {formatMoney(option.price.netMinor + option.price.taxMinor, currency, 'column')}
                          <span className="block font-body text-[12px] text-quiet">
                            {PRICE_KINDS[option.price.kind].toLowerCase()}
                          </span>
                        </>
                      ) : (
                        <Mark level="unknown">no price: in no kit</Mark>
                      )}
                    </td>
                    <td className="hidden py-1.5 pr-3 text-right font-mono md:table-cell">{option.most}</td>
                    <td className="hidden py-1.5 pr-3 md:table-cell">{KIT_GRADES[option.grade]}</td>
                    {mayChange && (
                      <td className="no-print py-1.5 text-right">
                        <Button size="small" aria-label={`Change ${name}`} onClick={() => onChange(option.id)}>
                          Change
                        </Button>
                      </td>
                    )}
                  </tr>
                )
              })}
            </tbody>
          </table>
        </div>
      )}
      {mayChange && (
        <Button className="no-print mt-3" onClick={onAdd}>
          Add a thing to choose from
        </Button>
      )}
    </Section>
  )
}
