import { useState } from 'react'
import { TextField } from '../../foundation/form/field.tsx'
import type { DetailsProps } from './place-size-fields.tsx'

/** Who else uses a place, on which terms and until when it may be used, and the colours of its walls. */
export function AccessFields({ details, problem, onChange }: DetailsProps & { problem: Record<string, string> }) {
  const [colours, setColours] = useState(details.colours.join(' '))
  return (
    <div className="grid grid-cols-1 gap-3 md:grid-cols-2">
      <TextField
        label="Other uses"
        placeholder="Potting on Mondays"
        maxLength={200}
        value={details.otherUses}
        onChange={(event) => onChange({ otherUses: event.target.value })}
      />
      <TextField
        label="On which terms it may be used"
        maxLength={200}
        value={details.accessTerms}
        onChange={(event) => onChange({ accessTerms: event.target.value })}
      />
      <TextField
        label="Last day it may be used"
        type="date"
        hint="Bookings after it are stopped."
        value={details.accessUntil ?? ''}
        problem={problem.accessUntil}
        onChange={(event) => onChange({ accessUntil: event.target.value || null })}
      />
      <TextField
        label="Its colours, as #rrggbb"
        placeholder="#e9e4d8 #4a7546"
        value={colours}
        problem={/^(#[0-9a-f]{6}\s*)*$/i.test(colours.trim()) ? undefined : 'Write each colour as #rrggbb.'}
        onChange={(event) => {
          setColours(event.target.value)
          const list = event.target.value.split(/[\s,]+/).filter((it) => /^#[0-9a-f]{6}$/i.test(it))
          onChange({ colours: list })
        }}
      />
    </div>
  )
}
