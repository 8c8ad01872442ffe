import { nameModel, type SetupReply, sayVerdict, swapThing } from '@exemplar/core'
import { useState } from 'react'
import { useMay } from '../../foundation/api/session.ts'
import { SelectField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Tag } from '../../foundation/parts/page-parts.tsx'
import { type Picked, ThingPicker } from '../../kit/entry/thing-picker.tsx'
import { ReadinessDifferences } from '../margin/readiness-differences.tsx'
import { useSwapQuery } from '../rig-api.ts'
import { toDraft } from '../setup-draft.ts'
import { useSetupChanges } from '../use-setup-changes.ts'
import { ChangedFigures } from './paired-stills.tsx'

/** Another thing in the place of one: what is judged otherwise, and what is left without a place. Nothing changes yet. */
export function SwapOne({
  setup,
  bookingId,
  onDone,
}: {
  setup: SetupReply
  bookingId: string | undefined
  onDone(): void
}) {
  const [unitId, setUnitId] = useState('')
  const [by, setBy] = useState<(Picked & { unitId: string }) | null>(null)
  // Only what was judged of this very choice: the figures of the one before are not its own.
  const { currentData: data } = useSwapQuery(
    { id: setup.id, bookingId, unitId, byUnitId: by?.unitId ?? '' },
    { skip: !unitId || !by },
  )
  const { save, latest, isLoading } = useSetupChanges(setup)
  const may = useMay()
  const things = setup.roles.flatMap((role) =>
    role.things.flatMap((it) => {
      const unit = setup.units.find((other) => other.id === it.unitId)
      const model = setup.models.find((other) => other.id === unit?.modelId)
      return unit && model ? [{ role, unit, model }] : []
    }),
  )
  const chosen = things.find((it) => it.unit.id === unitId)
  const carryOut = async () => {
    if (!by || !chosen) return
    const base = latest(setup)
    // What was stated of the one goes over to the other, end by end, as it was tried.
    const next = swapThing(toDraft(base), { unitId, byUnitId: by.unitId, ...(data ? { ends: data.ends } : {}) })
    if (await save(next, `${by.tag} is in the place of ${chosen.unit.tag}.`, base)) onDone()
  }
  return (
    <div className="grid gap-4 text-[13px]">
      <SelectField
        label="Instead of"
        value={unitId}
        onChange={(event) => {
          setUnitId(event.target.value)
          setBy(null)
        }}
      >
        <option value="">Choose a thing</option>
        {things.map(({ role, unit, model }) => (
          <option key={`${role.id}${unit.id}`} value={unit.id}>
            {unit.tag} {nameModel(model)}, {role.name}
          </option>
        ))}
      </SelectField>
      {chosen && (
        <ThingPicker
          key={unitId}
          wants={chosen.model.category}
          taken={new Set(things.map((it) => it.unit.id))}
          withStock={false}
          act={{ short: 'Try it', say: (tag) => `Try ${tag}` }}
          onPick={(picked) => 'unitId' in picked && setBy(picked)}
        />
      )}
      {data && by && chosen && (
        <>
          <p className="font-semibold" role="status">
            With {by.tag}: {sayVerdict(data)}
          </p>
          <ReadinessDifferences change={data.change} same="Nothing else is found." />
          <ChangedFigures figures={data.figures} />
          {data.orphans.length > 0 && (
            <div>
              <h3 className="font-semibold">Left without a place</h3>
              <ul>
                {data.orphans.map((it) => (
                  <li key={it.tag}>
                    <Tag>{it.tag}</Tag> {it.name}
                  </li>
                ))}
              </ul>
            </div>
          )}
          {may('change-setups') && (
            <Button look="act" className="w-fit" disabled={isLoading} onClick={carryOut}>
              Put {by.tag} in
            </Button>
          )}
        </>
      )}
    </div>
  )
}
