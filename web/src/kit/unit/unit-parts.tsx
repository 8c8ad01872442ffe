import { BONDS, type Bond, type UnitReply } from '@exemplar/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { useChangeUnitMutation, useUnitsQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { SelectField, TextField } from '../../foundation/form/field.tsx'
import { useMeasures } from '../../foundation/form/measures.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Section, Tag } from '../../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'

const WITH: Readonly<Record<Bond, string>> = {
  part: 'A part of',
  controller: 'Controls',
  rider: 'Rides on',
  set: 'Moves with',
}

/** What goes with a thing, and what it goes with itself. */
export function UnitParts({ page }: { page: UnitReply }) {
  const [isAdding, setAdding] = useState(false)
  const [change] = useChangeUnitMutation()
  const run = useTold()
  const may = useMay()
  const { sayMass } = useMeasures()
  const { parent, parts, unit } = page
  const masses = [page.model.specs.massGrams, ...parts.map((it) => it.massGrams)]
  const known = masses.filter((it) => it !== null)
  const total = known.reduce((sum, it) => sum + it, 0)
  return (
    <Section
      title="Goes with it"
      aside={parts.length > 0 && `together ${known.length < masses.length ? 'at least ' : ''}${sayMass(total)}`}
    >
      {parent && (
        <p className="py-1.5 text-[13px]">
          {WITH[unit.bond]}{' '}
          <Link to={`/kit/${parent.id}`}>
            <Tag>{parent.tag}</Tag> {parent.name}
          </Link>
          {may('change-kit') && (
            <Button
              size="small"
              look="quiet"
              onClick={() =>
                run(
                  change({ id: unit.id, version: page.version, body: { parentId: null } }).unwrap(),
                  `${unit.tag} goes by itself now.`,
                )
              }
            >
              By itself from now on
            </Button>
          )}
        </p>
      )}
      <ul>
        {parts.map((it) => (
          <li key={it.id} className="flex items-center gap-2 border-b border-rule py-1.5 text-[13px]">
            <Tag>{it.tag}</Tag>
            <Link to={`/kit/${it.id}`} className="flex-1">
              {it.name}
            </Link>
            <span className="text-[12px] text-quiet">{BONDS[it.bond].toLowerCase()}</span>
            {it.isMissing && <Mark level="warn">missing: {it.state.toLowerCase()}</Mark>}
          </li>
        ))}
      </ul>
      {parts.length === 0 && !parent && (
        <p className="py-1.5 text-[13px] text-quiet">
          Nothing yet. A hood, a lead, a case: what goes with it is packed, lent and missed with it.
        </p>
      )}
      {may('change-kit') && (
        <Button size="small" className="mt-2" onClick={() => setAdding(true)}>
          Put something with it
        </Button>
      )}
      <SheetDialog open={isAdding} onClose={() => setAdding(false)} title={`What goes with ${unit.tag}?`}>
        <PartPicker page={page} onClose={() => setAdding(false)} />
      </SheetDialog>
    </Section>
  )
}

function PartPicker({ page, onClose }: { page: UnitReply; onClose(): void }) {
  const [find, setFind] = useState('')
  const [bond, setBond] = useState<Bond>('part')
  const { data } = useUnitsQuery({ ...(find.trim() ? { find: find.trim() } : {}), limit: 30 })
  const [change] = useChangeUnitMutation()
  const run = useTold()
  const known = new Set([page.unit.id, ...page.parts.map((it) => it.id)])
  return (
    <div className="grid gap-3">
      <TextField label="Find it" autoFocus value={find} onChange={(event) => setFind(event.target.value)} />
      <SelectField label="How it belongs" value={bond} onChange={(event) => setBond(event.target.value as Bond)}>
        {Object.entries(BONDS).map(([code, label]) => (
          <option key={code} value={code}>
            {label}
          </option>
        ))}
      </SelectField>
      <ul className="max-h-72 overflow-y-auto border-y border-rule">
        {data?.rows
          .filter((it) => !known.has(it.id))
          .map((it) => (
            <li key={it.id} className="flex items-center gap-2 border-b border-rule py-1.5 text-[13px]">
              <Tag>{it.tag}</Tag>
              <span className="flex-1">{it.name}</span>
              <Button
                size="small"
                onClick={async () => {
                  const body = { parentId: page.unit.id, bond }
                  const work = change({ id: it.id, version: it.version, body }).unwrap()
                  if (await run(work, `${it.tag} goes with ${page.unit.tag}.`)) onClose()
                }}
              >
                This one
              </Button>
            </li>
          ))}
      </ul>
    </div>
  )
}
