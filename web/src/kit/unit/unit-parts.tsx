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
import { useSetControllersMutation } from '../kit-api.ts'

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
  const { parent, parts, controls, unit } = page
  const [control] = useSetControllersMutation()
  const elsewhere = listElsewhere(page)
  const masses = [page.model.specs.massGrams, ...parts.filter((it) => !it.isElsewhere).map((it) => it.massGrams)]
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
      {controls.length > 0 && (
        <p className="py-1.5 text-[13px]">
          Controls{' '}
          {controls.map((it, at) => (
            <span key={it.id}>
              {at > 0 && ', '}
              <Link to={`/kit/${it.id}`}>
                <Tag>{it.tag}</Tag> {it.name}
              </Link>
            </span>
          ))}
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
            {it.isElsewhere && may('change-kit') && (
              <Button
                size="small"
                look="quiet"
                aria-label={`${it.tag} controls it no longer`}
                onClick={() =>
                  run(
                    control({
                      id: unit.id,
                      version: page.version,
                      unitIds: elsewhere.filter((id) => id !== it.id),
                    }).unwrap(),
                    `${it.tag} no longer controls ${unit.tag}.`,
                  )
                }
              >
                No longer
              </Button>
            )}
          </li>
        ))}
      </ul>
      {parts.length === 0 && !parent && controls.length === 0 && (
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

/** What controls a thing and goes with another, or by itself. */
const listElsewhere = ({ parts }: UnitReply) => parts.flatMap((it) => (it.isElsewhere ? it.id : []))

function PartPicker({ page, onClose }: { page: UnitReply; onClose(): void }) {
  const [find, setFind] = useState('')
  const [bond, setBond] = useState<Bond>('part')
  const { data } = useUnitsQuery({ ...(find.trim() ? { find: find.trim() } : {}), limit: 30 })
  const [change] = useChangeUnitMutation()
  const [control] = useSetControllersMutation()
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
                  // One controller runs several things: it stays where it is.
                  const isController = bond === 'controller'
                  const unitIds = [...listElsewhere(page), it.id]
                  const work = isController
                    ? control({ id: page.unit.id, version: page.version, unitIds }).unwrap()
                    : change({ id: it.id, version: it.version, body: { parentId: page.unit.id, bond } }).unwrap()
                  const said = isController
                    ? `${it.tag} controls ${page.unit.tag}.`
                    : `${it.tag} goes with ${page.unit.tag}.`
                  if (await run(work, said)) onClose()
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
