import { LIFE_STATES, type LifeState } from '@exemplar/core'
import { Mark } from '../../foundation/parts/mark.tsx'

/** How a thing is, in one mark: its state of life, or the fault that stands open on it. */
export function UnitState({ state, fault }: { state: LifeState; fault: string | null }) {
  const { label, usable } = LIFE_STATES[state]
  if (!usable) return <Mark level="stop">{label.toLowerCase()}</Mark>
  if (fault) {
    return (
      <Mark level="warn">
        <span className="max-w-[22ch] truncate" title={fault}>
          {fault}
        </span>
      </Mark>
    )
  }
  return <Mark level="ok">{label.toLowerCase()}</Mark>
}
