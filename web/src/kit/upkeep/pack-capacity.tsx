import { type CapacityRun, judgePack, reckonRun, type UnitReply } from '@exemplar/core'
import { useState } from 'react'
import { readProblem } from '../../foundation/api/problem.ts'
import { useMay } from '../../foundation/api/session.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { TextField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { sayDayWithYear } from '../../foundation/words/calendar-words.ts'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { FadePicture } from './fade-picture.tsx'
import { useMeasureCapacityMutation } from './service-api.ts'

/** What a pack gave when it was measured, how it fades, and when it is at its end. */
export function PackCapacity({ page: { unit, model }, runs }: { page: UnitReply; runs: readonly CapacityRun[] }) {
  const [isOpen, setOpen] = useState(false)
  const may = useMay()
  const rated = model.specs.energyMilliwattHours
  const standing = judgePack(runs, rated)
  const share = (it: CapacityRun) => (rated ? `${Math.round((100 * it.milliwattHours) / rated)} %` : '')
  return (
    <div className="border-b border-rule py-2 text-[13px]">
      <p className="font-semibold">Measured</p>
      {runs.length === 0 && (
        <p className="text-quiet">
          Never: run it from full to empty at a known draw, and write down how long it lasted.
        </p>
      )}
      {runs.length > 0 && rated === null && (
        <p className="text-quiet">What it is rated for is not recorded: how much of it is left, nobody can tell.</p>
      )}
      {standing.isSpent && (
        <Mark level="warn">at {standing.healthPercent} % of its energy it is at its end (80 %, common practice)</Mark>
      )}
      <p>{sayEnd(standing)}</p>
      {standing.fade && rated !== null && <FadePicture runs={runs} rated={rated} fade={standing.fade} />}
      {runs.length > 0 && (
        <table className="mt-1">
          <thead>
            <tr>
              <th scope="col">On</th>
              <th scope="col" className="text-right">
                Gave
              </th>
              <th scope="col" className="text-right">
                Of its rating
              </th>
              <th scope="col" className="text-right">
                Charges
              </th>
            </tr>
          </thead>
          <tbody>
            {runs.slice(0, 12).map((it) => (
              <tr key={it.id}>
                <td>
                  {sayDayWithYear(it.on)}
                  {it.source === 'charger' && <span className="text-quiet">, told by a charger</span>}
                </td>
                <td className="figures text-right">{Math.round(it.milliwattHours / 100) / 10} Wh</td>
                <td className="figures text-right">{share(it)}</td>
                <td className="figures text-right">{it.cycles ?? '–'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {may('bring-back') && (
        <Button size="small" className="mt-2" onClick={() => setOpen(true)}>
          It was run down
        </Button>
      )}
      <SheetDialog open={isOpen} onClose={() => setOpen(false)} title={`${unit.tag}, from full to empty`}>
        <RunForm unitId={unit.id} tag={unit.tag} onClose={() => setOpen(false)} />
      </SheetDialog>
    </div>
  )
}

function sayEnd({ fade, cycles, endOn, endFrom, endUntil, isSpent }: ReturnType<typeof judgePack>): string {
  if (isSpent) return ''
  if (!fade) return 'Three measurements with their charges tell how it fades.'
  if (fade.endCycles === null) return 'So far it does not fade.'
  const at = `At ${fade.endCycles} charges it is reckoned to be at its end${cycles === null ? '' : `, ${cycles} are counted`}`
  const isNear = fade.endLow === null || (cycles !== null && fade.endLow <= cycles)
  const between = `between ${isNear ? 'now' : fade.endLow} and ${fade.endHigh ?? 'nobody knows how many'} with 90 % of certainty`
  const when = endOn
    ? ` At its pace that is ${sayDayWithYear(endOn)}${endFrom && endUntil ? `, from ${isNear ? 'now' : sayDayWithYear(endFrom)} to ${sayDayWithYear(endUntil)}` : ''}.`
    : ''
  return `${at}, ${between}.${when}`
}

function RunForm({ unitId, tag, onClose }: { unitId: string; tag: string; onClose(): void }) {
  const { today } = useTimeWords()
  const [draft, setDraft] = useState({ on: today, watts: '', minutes: '', wattHours: '', cycles: '', note: '' })
  const [measure, measuring] = useMeasureCapacityMutation()
  const problem = measuring.error ? readProblem(measuring.error) : null
  const run = useTold()
  const read = (text: string) => {
    const value = text.trim().replace(',', '.')
    return value === '' ? null : /^\d{1,6}(\.\d{0,2})?$/.test(value) ? Number(value) : Number.NaN
  }
  const [watts, minutes, wattHours, cycles] = [draft.watts, draft.minutes, draft.wattHours, draft.cycles].map(read)
  const isWrong = (value: number | null | undefined) => Number.isNaN(value ?? 0)
  const bad = 'Write a number.'
  const milliwattHours =
    wattHours !== null && wattHours !== undefined
      ? Math.round(wattHours * 1000)
      : watts && minutes
        ? reckonRun(watts * 1000, minutes)
        : null
  const set = (part: Partial<typeof draft>) => setDraft({ ...draft, ...part })
  const isReady = milliwattHours !== null && milliwattHours > 0 && ![watts, minutes, wattHours, cycles].some(isWrong)
  return (
    <form
      className="grid gap-3"
      onSubmit={async (event) => {
        event.preventDefault()
        if (!isReady || milliwattHours === null) return
        const body = { on: draft.on, milliwattHours, cycles: cycles ?? null, note: draft.note.trim() }
        if (await run(measure({ unitId, body }).unwrap(), `${tag} was measured.`)) onClose()
      }}
    >
      <TextField
        label="It ran something that draws, W"
        inputMode="decimal"
        autoFocus
        value={draft.watts}
        unread={isWrong(watts) ? bad : undefined}
        onChange={(event) => set({ watts: event.target.value })}
      />
      <TextField
        label="For so many minutes, from full to empty"
        inputMode="decimal"
        value={draft.minutes}
        unread={isWrong(minutes) ? bad : undefined}
        onChange={(event) => set({ minutes: event.target.value })}
      />
      <TextField
        label="Or it gave, Wh"
        hint="As a charger that measures says"
        inputMode="decimal"
        value={draft.wattHours}
        unread={isWrong(wattHours) ? bad : undefined}
        problem={problem?.fields.milliwattHours}
        onChange={(event) => set({ wattHours: event.target.value })}
      />
      <TextField
        label="Charges it had by then"
        hint="Blank where nobody counted"
        inputMode="numeric"
        value={draft.cycles}
        unread={isWrong(cycles) ? bad : undefined}
        problem={problem?.fields.cycles}
        onChange={(event) => set({ cycles: event.target.value })}
      />
      <TextField
        label="On"
        type="date"
        max={today}
        value={draft.on}
        problem={problem?.fields.on}
        onChange={(event) => set({ on: event.target.value })}
      />
      {milliwattHours !== null && isReady && (
        <p className="text-[13px]">That is {Math.round(milliwattHours / 100) / 10} Wh.</p>
      )}
      {!wattHours && (
        <p className="text-[13px] text-quiet">Only a whole run counts: from full until it switched off.</p>
      )}
      <Button look="act" type="submit" className="w-fit" disabled={!isReady || !draft.on}>
        Write it down
      </Button>
    </form>
  )
}
