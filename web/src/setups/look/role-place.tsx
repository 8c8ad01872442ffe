import { NO_POSITION, type Position, type Role, type Setting } from '@exemplar/core'
import { type ReactNode, useState } from 'react'
import { FigureField } from '../../foundation/form/figure-field.tsx'
import { MeasureField } from '../../foundation/form/measures.tsx'
import { Button } from '../../foundation/parts/button.tsx'

/** A role while it is being set: where its thing stands, and its card. */
export interface RoleDraft {
  draft: Role
  position: Position
  card: readonly Setting[]
  change(part: Partial<Role>): void
  place(part: Partial<Position>): void
  set(card: Setting[]): void
}

export function useRoleDraft(role: Role): RoleDraft {
  const [draft, setDraft] = useState(role)
  const position = draft.position ?? NO_POSITION
  const change = (part: Partial<Role>) => setDraft({ ...draft, ...part })
  return {
    draft,
    position,
    card: draft.settings ?? [],
    change,
    place: (part) => change({ position: { ...position, ...part } }),
    set: (settings) => change({ settings }),
  }
}

/** From what, to which side and how high. */
export function PlaceFields({ position, place, from, height }: RoleDraft & { from: string; height: string }) {
  return (
    <>
      <MeasureField
        measure="length"
        label={from}
        value={position.distanceMm}
        onChange={(distanceMm) => place({ distanceMm })}
      />
      <FigureField
        label="To the side, °"
        hint="0 at the lens, left below zero"
        least={-180}
        most={180}
        isWhole
        value={position.sideDegrees}
        onChange={(sideDegrees) => place({ sideDegrees })}
      />
      <MeasureField
        measure="length"
        label={height}
        value={position.heightMm}
        onChange={(heightMm) => place({ heightMm })}
      />
    </>
  )
}

/** The form around them, saved as a whole. */
export function SetForm({ onSave, foot, children }: { onSave(): void; foot?: ReactNode; children: ReactNode }) {
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        onSave()
      }}
    >
      <div className="grid grid-cols-2 gap-3 md:grid-cols-4">{children}</div>
      {foot}
      <Button look="act" type="submit" className="w-fit">
        Save
      </Button>
    </form>
  )
}
