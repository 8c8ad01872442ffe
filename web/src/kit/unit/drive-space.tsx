import { formatData, readQuantity, saySpaceWorking, type Unit, type UnitReply } from '@exemplar/core'
import { useState } from 'react'
import { useChangeUnitMutation } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { TextField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Gauge } from '../../foundation/parts/gauge.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Section } from '../../foundation/parts/page-parts.tsx'
import { WorkingPaper } from '../../foundation/parts/working-paper.tsx'
import { sayDayWithYear } from '../../foundation/words/calendar-words.ts'
import { useTimeWords } from '../../foundation/words/time-words.ts'

/** How full a drive is, when it will be full at the pace until now, and a line to write down what is used today. */
export function DriveSpace({ page }: { page: UnitReply }) {
  const { unit, model, space } = page
  const capacity = model.specs.capacityMegabytes
  const working = space && saySpaceWorking(space, sayDayWithYear)
  if (capacity === null || !['drive', 'nas', 'computer'].includes(model.category)) return null
  return (
    <Section title="How full it is" aside={formatData(capacity)}>
      {!space && <p className="py-1.5 text-[13px] text-quiet">Nobody has read it off yet.</p>}
      {space && (
        <div className="py-1.5 text-[13px]">
          <Gauge
            share={Math.min(1, space.usedMegabytes / capacity)}
            limitShare={1}
            text={`${formatData(space.usedMegabytes)} used, ${formatData(space.freeMegabytes)} free`}
            tone={space.level}
          />
          <p className="mt-1">
            {space.freeMegabytes === 0 ? (
              <Mark level={space.level}>full: what comes next has no room</Mark>
            ) : space.daysLeft !== null && space.fullOn ? (
              <Mark level={space.level}>
                full about {sayDayWithYear(space.fullOn)}, in {space.monthsLeft}{' '}
                {space.monthsLeft === 1 ? 'month' : 'months'}
              </Mark>
            ) : (
              <span className="text-quiet">
                {space.perDayMegabytes === null
                  ? 'When it will be full can be told from a second reading, two weeks after the first.'
                  : 'It does not fill.'}
              </span>
            )}
          </p>
          {space.perMonthMegabytes !== null && space.perMonthMegabytes > 0 && (
            <p className="text-[12px] text-quiet">
              {formatData(space.perMonthMegabytes)} a month between the first and the last reading.
            </p>
          )}
          {working && <WorkingPaper words={working} />}
        </div>
      )}
      <ReadOff unit={unit} version={page.version} capacity={capacity} />
    </Section>
  )
}

function ReadOff({ unit, version, capacity }: { unit: Unit; version: number; capacity: number }) {
  const [text, setText] = useState('')
  const [change, { isLoading }] = useChangeUnitMutation()
  const run = useTold()
  const may = useMay()
  const { today } = useTimeWords()
  if (!may('change-kit')) return null
  const reading = text.trim() ? readQuantity(text, 'data') : null
  const problem = !reading
    ? undefined
    : !reading.ok
      ? 'Write it as 1.4 TB or 900 GB.'
      : reading.value > capacity
        ? `It holds ${formatData(capacity)} at most.`
        : undefined
  return (
    <form
      className="flex items-end gap-2"
      onSubmit={async (event) => {
        event.preventDefault()
        if (!reading?.ok || problem) return
        const fills = [...unit.fills.filter((it) => it.on !== today), { on: today, usedMegabytes: reading.value }]
        // The first reading is kept, as the pace is reckoned from it.
        const kept = fills.length > 60 ? [...fills.slice(0, 1), ...fills.slice(-59)] : fills
        const text = `${formatData(reading.value)} used on ${unit.tag}.`
        if (await run(change({ id: unit.id, version, body: { fills: kept } }).unwrap(), text)) setText('')
      }}
    >
      <TextField
        label="Used today"
        placeholder="1.4 TB"
        value={text}
        problem={problem}
        onChange={(event) => setText(event.target.value)}
      />
      <Button type="submit" disabled={isLoading || !reading?.ok || problem !== undefined}>
        Write it down
      </Button>
    </form>
  )
}
