import { READING_OUTCOMES, type ReadingsReply } from '@exemplar/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { useStudioQuery, useThingsQuery } from '../foundation/api/api.ts'
import { readProblem } from '../foundation/api/problem.ts'
import { useMay } from '../foundation/api/session.ts'
import { SelectField, TextField } from '../foundation/form/field.tsx'
import { Button } from '../foundation/parts/button.tsx'
import { Mark } from '../foundation/parts/mark.tsx'
import { PageHead, Section, Tag, Waiting } from '../foundation/parts/page-parts.tsx'
import { useTimeWords } from '../foundation/words/time-words.ts'
import { useReadingsQuery, useSendReadingMutation } from './reading-api.ts'
import { BEHAVIOURS, type Behaviour, simulateCharger, simulateSocket } from './stand-ins.ts'

const LEVELS = { taken: 'ok', late: 'advise', unplugged: 'advise', absurd: 'warn' } as const

/** What devices told and what became of it, and the simulated ones that ship with this. */
export function ReadingsPage() {
  const { data, error, refetch } = useReadingsQuery()
  const may = useMay()
  if (!data) return <Waiting what="the readings" error={error} onRetry={refetch} />
  return (
    <>
      <PageHead title="Readings" aside="what chargers and sockets told" />
      <div className="grid gap-x-10 px-4 pb-8 md:px-5 lg:grid-cols-[minmax(0,1fr)_minmax(0,24rem)]">
        <Section title="The last hundred" aside={String(data.length)}>
          {data.length === 0 && (
            <p className="py-3 text-[13px] text-quiet">
              None so far. A device tells by POST /api/readings; a simulated charger and socket stand beside this.
            </p>
          )}
          <ul>
            {data.map((it) => (
              <ReadingLine key={it.id} reading={it} />
            ))}
          </ul>
        </Section>
        {may('bring-back') && <StandIns />}
      </div>
    </>
  )
}

function ReadingLine({
  reading: { tag, name, unitId, at, told, outcome, deviceId },
}: {
  reading: ReadingsReply[number]
}) {
  const words = useTimeWords()
  return (
    <li className="border-b border-rule py-2 text-[13px]">
      <Link to={`/kit/${unitId}`}>
        <Tag>{tag}</Tag> {name}
      </Link>{' '}
      <span className="text-quiet">
        {words.sayInstant(at)} · {deviceId}
      </span>
      <span className="block">{sayTold(told)}</span>
      <Mark level={LEVELS[outcome]}>{READING_OUTCOMES[outcome]}</Mark>
    </li>
  )
}

function sayTold(told: ReadingsReply[number]['told']): string {
  if (told.kind === 'socket')
    return `Draws ${told.milliwatts / 1000} W, on for ${Math.round((told.onSeconds / 3600) * 10) / 10} h since it was plugged in`
  const gave = told.milliwattHours === null ? '' : `, gave ${Math.round(told.milliwattHours / 100) / 10} Wh`
  const cycles = told.cycles === null ? '' : `, ${told.cycles} charges`
  return `${{ charging: 'Charging', full: 'Full', unplugged: 'Taken out', refused: 'Refused by the charger' }[told.state]}${gave}${cycles}`
}

/** The simulated devices: they send what real ones would, and behave badly where that is asked of them. */
function StandIns() {
  const { data: studio } = useStudioQuery()
  const { data: packs } = useThingsQuery({ find: '', category: 'pack' })
  const { data: lamps } = useThingsQuery({ find: '', category: 'light' })
  const [send] = useSendReadingMutation()
  const [device, setDevice] = useState<'charger' | 'socket'>('charger')
  const [tag, setTag] = useState('')
  const [behaviour, setBehaviour] = useState<Behaviour>('well')
  const [wattHours, setWattHours] = useState('')
  const [hours, setHours] = useState('1')
  const [watts, setWatts] = useState('60')
  const [told, setTold] = useState<readonly string[]>([])
  const [sent, setSent] = useState(0)
  const things = (device === 'charger' ? packs : lamps)?.units ?? []
  const read = (text: string) => (/^\d{1,5}([.,]\d{0,2})?$/.test(text.trim()) ? Number(text.replace(',', '.')) : null)
  const [gave, on, draws] = [wattHours.trim() === '' ? null : read(wattHours), read(hours), read(watts)]
  const isRead = device === 'charger' ? wattHours.trim() === '' || gave !== null : on !== null && draws !== null
  const run = async () => {
    if (!tag || !studio || !isRead) return
    // Each a second after the one before, by the clock of the studio.
    const now = studio.now + sent * 1000
    setSent(sent + 1)
    const number = crypto.randomUUID()
    const plugged = { tag, ratedMilliwattHours: gave === null ? null : gave * 1000, healthPercent: null, cycles: null }
    const readings =
      device === 'charger'
        ? simulateCharger(plugged, behaviour, now, number)
        : simulateSocket(tag, { milliwatts: (draws ?? 0) * 1000, hours: on ?? 0 }, behaviour, now, number)
    const lines: string[] = []
    for (const body of readings) {
      const line = await send(body)
        .unwrap()
        .then(({ outcome, isKnown }) => (isKnown ? 'Told before: counted once' : READING_OUTCOMES[outcome]))
        .catch((problem: unknown) => readProblem(problem).detail)
      lines.push(line)
    }
    setTold(lines)
  }
  return (
    <Section title="Simulated devices">
      <form
        className="mt-2 grid gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          run()
        }}
      >
        <SelectField
          label="Device"
          value={device}
          onChange={(event) => {
            setDevice(event.target.value === 'socket' ? 'socket' : 'charger')
            setTag('')
          }}
        >
          <option value="charger">Charger that measures</option>
          <option value="socket">Socket that measures</option>
        </SelectField>
        <SelectField label="What is in it" value={tag} onChange={(event) => setTag(event.target.value)}>
          <option value="">Nothing</option>
          {things.map((it) => (
            <option key={it.id} value={it.tag}>
              {it.tag} {it.name}
            </option>
          ))}
        </SelectField>
        {device === 'charger' ? (
          <TextField
            label="It holds, Wh"
            hint="Blank: 50"
            inputMode="decimal"
            value={wattHours}
            unread={isRead ? undefined : 'Write a number.'}
            onChange={(event) => setWattHours(event.target.value)}
          />
        ) : (
          <>
            <TextField
              label="It draws, W"
              inputMode="decimal"
              value={watts}
              unread={draws === null ? 'Write a number.' : undefined}
              onChange={(event) => setWatts(event.target.value)}
            />
            <TextField
              label="On for, hours"
              inputMode="decimal"
              value={hours}
              unread={on === null ? 'Write a number.' : undefined}
              onChange={(event) => setHours(event.target.value)}
            />
          </>
        )}
        <SelectField
          label="How it behaves"
          value={behaviour}
          onChange={(event) => setBehaviour(event.target.value as Behaviour)}
        >
          {Object.entries(BEHAVIOURS).map(([code, label]) => (
            <option key={code} value={code}>
              {label}
            </option>
          ))}
        </SelectField>
        <Button look="act" type="submit" className="w-fit" disabled={!tag || !isRead}>
          Let it tell
        </Button>
      </form>
      <p role="status" className="mt-2 text-[13px]">
        {told.join(' · ')}
      </p>
    </Section>
  )
}
