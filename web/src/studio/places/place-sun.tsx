import type { PlacePageReply } from '@exemplar/core'
import { useState } from 'react'
import { TextField } from '../../foundation/form/field.tsx'
import { Section, Waiting } from '../../foundation/parts/page-parts.tsx'
import { sayDay, sayTime, toWall } from '../../foundation/words/calendar-words.ts'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { usePlaceSunQuery } from '../studio-api.ts'

type Spans = readonly { start: number; end: number }[]

const hours = (minutes: number) => `${Math.floor(minutes / 60)} h ${String(Math.round(minutes % 60)).padStart(2, '0')}`

/** What the sun does at the windows of a room: on a day, and over the year. */
export function PlaceSun({ place }: { place: PlacePageReply }) {
  const [date, setDate] = useState('')
  const { data: sun, error, refetch } = usePlaceSunQuery({ id: place.id, date: date || undefined })
  const { zone } = useTimeWords()
  if (!sun) return <Waiting what="the sun" error={error} onRetry={refetch} />
  const say = (spans: Spans) =>
    spans.length === 0
      ? 'none'
      : spans.map((it) => `${sayTime(toWall(it.start, zone))} to ${sayTime(toWall(it.end, zone))}`).join(' and ')
  if (!sun.isKnown) {
    return (
      <Section title="Sun">
        <p className="py-2 text-[13px] text-quiet">
          Where on the earth the room is nobody wrote down: with its latitude and longitude it is told when the sun
          shines through which window.
        </p>
      </Section>
    )
  }
  return (
    <Section title="Sun">
      <div className="no-print max-w-44 py-2">
        <TextField label="Day" type="date" value={date || sun.date} onChange={(event) => setDate(event.target.value)} />
      </div>
      <dl className="grid grid-cols-[minmax(110px,150px)_1fr] gap-x-3 gap-y-1 text-[13px]">
        <dt className="font-semibold">Sun is up</dt>
        <dd className="figures">{say(sun.up)}</dd>
        <dt className="font-semibold">Usable daylight</dt>
        <dd className="figures">{say(sun.usable)}</dd>
        {sun.windows.map((it) => (
          <div key={it.id} className="contents">
            <dt className="font-semibold">
              {it.name}, {it.bearingDegrees}°
            </dt>
            <dd className="figures">direct sun: {say(it.direct)}</dd>
          </div>
        ))}
      </dl>
      <div className="mt-3 overflow-x-auto">
        <table className="figures text-[12px]">
          <caption className="text-left text-[12px] font-semibold">Over the year, on the 21st</caption>
          <thead>
            <tr>
              <th scope="col">Day</th>
              <th scope="col">Usable daylight</th>
              {sun.windows.map((it) => (
                <th key={it.id} scope="col">
                  Sun in {it.name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {sun.year.map((it) => (
              <tr key={it.date}>
                <th scope="row" className="border-rule font-normal">
                  {sayDay(it.date).slice(4)}
                </th>
                <td>{hours(it.usableMinutes)}</td>
                {it.windows.map((own) => (
                  <td key={own.id}>{hours(own.minutes)}</td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="mt-2 text-[12px] text-quiet">
        On a clear day, with nothing before the windows. Usable from 6° of the sun above the horizon on: common
        practice.
      </p>
    </Section>
  )
}
