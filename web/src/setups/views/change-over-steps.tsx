import type { ChangeOverReply } from '@exemplar/core'
import { type ChangeStep, formatMinutes } from '@exemplar/core'
import { Tag } from '../../foundation/parts/page-parts.tsx'

const PLATES = {
  same: 'the same fitting on both: by hand',
  other: 'another fitting: change the plate first',
  tools: 'to be screwed or clamped',
} as const

function sayStep(step: ChangeStep): string {
  switch (step.kind) {
    case 'strike':
      return 'take away'
    case 'rig':
      return 'set up'
    case 'move':
      return `${step.from ? `from ${step.from} ` : ''}to ${step.to}: ${PLATES[step.plate]}`
    case 'turn':
      return `set anew: ${step.to}`
    default:
      return step satisfies never
  }
}

/** The steps of a change-over with their minutes and where each new support lies. */
export function ChangeOverSteps({ plan }: { plan: ChangeOverReply }) {
  if (plan.steps.length === 0)
    return <p className="py-2 text-[13px] text-quiet">Nothing to move: it can stay as it is.</p>
  return (
    <ol className="text-[13px]">
      {plan.steps.map((step) => {
        const lies = plan.lies[step.kind === 'move' ? step.toKey : step.key]
        return (
          <li key={step.kind + step.key} className="grid grid-cols-[1fr_auto] gap-x-4 border-b border-rule py-1.5">
            <span>
              {step.count > 1 && `${step.count} × `}
              <Tag>{step.tag}</Tag> {step.name} <b className="font-semibold">{sayStep(step)}</b>
              <span className="text-quiet">
                {step.role && ` · ${step.role}`}
                {lies && ` · lies in ${lies}`}
              </span>
            </span>
            <span className="figures">{step.minutes} min</span>
          </li>
        )
      })}
      <li className="grid grid-cols-[1fr_auto] gap-x-4 py-1.5 font-semibold">
        <span>{plan.steps.length} steps</span>
        <span className="figures">{formatMinutes(plan.minutes)}</span>
      </li>
    </ol>
  )
}
