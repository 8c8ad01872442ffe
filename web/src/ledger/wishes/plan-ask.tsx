import { WEIGHTINGS } from '@exemplar/core'
import { CheckField } from '../../foundation/form/field.tsx'
import { MoneyField } from '../../foundation/form/money-field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { TapeStrip } from '../../foundation/parts/tape.tsx'

export interface PlanAsk {
  budgets: (number | null)[]
  weighting: 'even' | 'sound' | 'light' | 'lens' | 'body'
  promised: string[]
}

const ORDER = ['now', 'in 3 months', 'in 6 months', 'in 9 months'] as const

/** What is planned with: money now and later, what is bought first, which setups have to run. */
export function PlanAskFields({
  ask,
  stopped,
  onChange,
}: {
  ask: PlanAsk
  /** Setups that do not run now. */
  stopped: readonly { id: string; code: string; tape: string; name: string }[]
  onChange(part: Partial<PlanAsk>): void
}) {
  const { budgets, weighting, promised } = ask
  return (
    <div className="no-print grid gap-3 py-3">
      <div className="flex flex-wrap items-end gap-3">
        {budgets.map((minor, at) => (
          <div key={ORDER[at]} className="w-36">
            <MoneyField
              label={`Money ${ORDER[at]}`}
              value={minor}
              onChange={(next) => onChange({ budgets: budgets.map((it, own) => (own === at ? next : it)) })}
            />
          </div>
        ))}
        {budgets.length < 4 && <Button onClick={() => onChange({ budgets: [...budgets, null] })}>Add a quarter</Button>}
        {budgets.length > 1 && (
          <Button onClick={() => onChange({ budgets: budgets.slice(0, -1) })}>Take the last off</Button>
        )}
      </div>
      <fieldset className="flex flex-wrap gap-x-5">
        <legend className="text-[12px] font-semibold">What counts more</legend>
        {Object.entries(WEIGHTINGS).map(([code, { label }]) => (
          <label key={code} className="flex min-h-7 items-center gap-1.5 text-[13px]">
            <input
              type="radio"
              name="weighting"
              className="size-4 accent-(--ink)"
              checked={weighting === code}
              onChange={() => onChange({ weighting: code as PlanAsk['weighting'] })}
            />
            {label}
          </label>
        ))}
      </fieldset>
      {stopped.length > 0 && (
        <fieldset className="flex flex-wrap gap-x-5">
          <legend className="text-[12px] font-semibold">Has to run, whatever else</legend>
          {stopped.map((it) => (
            <CheckField
              key={it.id}
              label={<TapeStrip code={it.code} tape={it.tape} size="small" />}
              aria-label={it.name}
              checked={promised.includes(it.id)}
              onChange={() =>
                onChange({
                  promised: promised.includes(it.id) ? promised.filter((id) => id !== it.id) : [...promised, it.id],
                })
              }
            />
          ))}
        </fieldset>
      )}
    </div>
  )
}
