import type { Category, WishUse } from '@exemplar/core'
import { CheckField } from '../../foundation/form/field.tsx'
import { TapeStrip } from '../../foundation/parts/tape.tsx'
import { useWishPlacesQuery } from './wish-api.ts'

const isOf = (use: WishUse, place: { id: string; roleId: string }) =>
  use.setupId === place.id && use.roleId === place.roleId

/** Where it would serve: the roles of its kind, empty ones, and those that have a thing whose place it may take or beside which it may stand. */
export function UseFields({
  category,
  uses,
  onChange,
}: {
  category: Category
  uses: readonly WishUse[]
  onChange(uses: WishUse[]): void
}) {
  const { data } = useWishPlacesQuery({ category })
  if (!data) return null
  const toggle = (place: { id: string; roleId: string }, use: Pick<WishUse, 'insteadOfId' | 'beside'>) => {
    const others = uses.filter((it) => !isOf(it, place))
    const same = uses.find((it) => isOf(it, place))
    const isOn = same && same.insteadOfId === use.insteadOfId && same.beside === use.beside
    onChange(isOn ? others : [...others, { setupId: place.id, roleId: place.roleId, powerModeId: null, ...use }])
  }
  const has = (place: { id: string; roleId: string }, use: Pick<WishUse, 'insteadOfId' | 'beside'>) =>
    uses.some((it) => isOf(it, place) && it.insteadOfId === use.insteadOfId && it.beside === use.beside)
  const suiting = data.filter((it) => it.suits)
  const others = data.filter((it) => !it.suits && !it.isEmpty)
  const list = (places: typeof data) => (
    <ul className="max-h-56 overflow-y-auto">
      {places.map((place) => {
        const beside = { label: 'beside what is there', use: { insteadOfId: null, beside: true } }
        const choices = place.isEmpty
          ? [{ label: 'nothing there yet', use: { insteadOfId: null, beside: false } }]
          : [
              ...place.things.map((it) => ({
                label: `in the place of ${it.tag}`,
                use: { insteadOfId: it.unitId, beside: false },
              })),
              beside,
            ]
        return (
          <li
            key={`${place.id} ${place.roleId}`}
            className="flex flex-wrap items-center gap-x-4 border-b border-rule py-1"
          >
            <span className="flex min-w-40 items-center gap-2 text-[13px]">
              <TapeStrip code={place.code} tape={place.tape} size="small" />
              {place.role}
            </span>
            {choices.map(({ label, use }) => (
              <CheckField
                key={label}
                label={label}
                aria-label={`${place.role} of ${place.code}: ${label}`}
                checked={has(place, use)}
                onChange={() => toggle(place, use)}
              />
            ))}
          </li>
        )
      })}
    </ul>
  )
  return (
    <fieldset>
      <legend className="text-[12px] font-semibold">Where it would serve</legend>
      {suiting.length > 0 ? (
        list(suiting)
      ) : (
        <p className="text-[13px] text-quiet">
          No role wants this kind by name. Beside what is there it may serve all the same, and without any place nothing
          is tried with it.
        </p>
      )}
      {others.length > 0 && (
        <details className="mt-1">
          <summary className="text-[13px]">Beside something else: a card for a camera, a lead for a lamp</summary>
          {list(others)}
        </details>
      )}
    </fieldset>
  )
}
