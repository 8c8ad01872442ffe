import type { DrillFault } from '@exemplar/core'
import { useState } from 'react'
import { readProblem } from '../../foundation/api/problem.ts'
import { FormProblem, SelectField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Section } from '../../foundation/parts/page-parts.tsx'
import { useDrillMutation } from '../studio-api.ts'

const FAULTS: Record<DrillFault, string> = {
  full: 'full',
  short: 'keeping less than it says',
  unsure: 'failing when it has to make sure',
  slow: 'slow',
  gone: 'gone in the middle',
}

/** A drill: what comes of a backup on a volume that fails. The volume is pretended; the real one hears nothing of it. */
export function DrillPart() {
  const [fault, setFault] = useState<DrillFault>('full')
  const [drill, { data, error, isLoading }] = useDrillMutation()
  return (
    <Section title="A drill">
      <p className="mt-2 mb-3 text-[13px] text-quiet">
        See what you would be told. A backup is taken on a pretended volume that fails; nothing of it is kept, and your
        own backups are not touched.
      </p>
      <div className="grid max-w-[420px] gap-3">
        <SelectField
          label="Pretend that the volume is"
          value={fault}
          onChange={(event) => setFault(event.target.value as DrillFault)}
        >
          {(Object.keys(FAULTS) as DrillFault[]).map((it) => (
            <option key={it} value={it}>
              {FAULTS[it]}
            </option>
          ))}
        </SelectField>
        <Button className="w-fit" disabled={isLoading} onClick={() => drill(fault)}>
          {isLoading ? 'Trying …' : 'Try it'}
        </Button>
        <div aria-live="polite">
          {data && !isLoading && <Mark level={data.isKept ? 'ok' : 'warn'}>{data.said}</Mark>}
          <FormProblem text={error ? readProblem(error).detail : null} />
        </div>
      </div>
    </Section>
  )
}
