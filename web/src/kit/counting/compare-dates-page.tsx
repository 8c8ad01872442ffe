import { formatMoney, sayNumber, sumKnown } from '@exemplar/core'
import { useState } from 'react'
import { useStudioQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { SelectField, TextField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Empty, PageHead, Section, Tag, Waiting } from '../../foundation/parts/page-parts.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import {
  useDropSnapshotMutation,
  useSnapshotDifferenceQuery,
  useSnapshotsQuery,
  useTakeSnapshotMutation,
} from '../kit-api.ts'

/** The kit and the setups as they were on a day, and what is different since. */
export function ThenPage() {
  const { data, error, refetch } = useSnapshotsQuery()
  const [name, setName] = useState('')
  const [from, setFrom] = useState('')
  const [to, setTo] = useState('now')
  const [take] = useTakeSnapshotMutation()
  const [drop] = useDropSnapshotMutation()
  const run = useTold()
  const may = useMay()
  const words = useTimeWords()
  if (!data) return <Waiting what="the snapshots" error={error} onRetry={refetch} />
  const chosen = from || data[0]?.id || ''
  return (
    <>
      <PageHead title="Compare dates" aside="what you had, and what is different since" />
      <div className="px-4 pt-3 pb-8 md:px-5">
        {may('change-kit') && (
          <form
            className="flex max-w-[460px] items-end gap-3"
            onSubmit={async (event) => {
              event.preventDefault()
              if (name.trim() && (await run(take({ name: name.trim() }).unwrap(), `“${name.trim()}” is kept.`)))
                setName('')
            }}
          >
            <div className="flex-1">
              <TextField
                label="Keep the kit as it is now, as"
                placeholder="Before the move"
                value={name}
                onChange={(event) => setName(event.target.value)}
              />
            </div>
            <Button look="act" type="submit" className="h-9">
              Keep it
            </Button>
          </form>
        )}
        {data.length === 0 ? (
          <Empty title="Nothing was kept yet">
            Keep the kit before a move, a purchase or the end of the year. Later you see what came, what went and what
            changed, with the setups.
          </Empty>
        ) : (
          <>
            <Section title="Kept">
              <ul>
                {data.map((it) => (
                  <li key={it.id} className="flex flex-wrap items-center gap-3 border-b border-rule py-1.5 text-[13px]">
                    <span className="font-medium">{it.name}</span>
                    <span className="flex-1 text-quiet">
                      {words.sayInstant(it.takenAt)}, {sayNumber(it.things, 'thing')}, {sayNumber(it.setups, 'setup')}
                    </span>
                    {may('change-kit') && (
                      <Button
                        size="small"
                        look="quiet"
                        onClick={() => run(drop({ id: it.id, version: it.version }).unwrap(), `“${it.name}” is gone.`)}
                      >
                        Let it go
                      </Button>
                    )}
                  </li>
                ))}
              </ul>
            </Section>
            <div className="mt-5 flex max-w-[640px] flex-wrap gap-3">
              <SelectField label="From" value={chosen} onChange={(event) => setFrom(event.target.value)}>
                {data.map((it) => (
                  <option key={it.id} value={it.id}>
                    {it.name}
                  </option>
                ))}
              </SelectField>
              <SelectField label="To" value={to} onChange={(event) => setTo(event.target.value)}>
                <option value="now">Now</option>
                {data.map((it) => (
                  <option key={it.id} value={it.id}>
                    {it.name}
                  </option>
                ))}
              </SelectField>
            </div>
            <Difference from={chosen} to={to} />
          </>
        )}
      </div>
    </>
  )
}

function Difference({ from, to }: { from: string; to: string }) {
  const { data, error, refetch } = useSnapshotDifferenceQuery({ from, to })
  const { data: studio } = useStudioQuery()
  const may = useMay()
  if (!data) return <Waiting what="the difference" error={error} onRetry={refetch} />
  const { came, went, changed, setups } = data
  const isSame = came.length + went.length + changed.length + setups.length === 0
  const say = (list: typeof came) => {
    const { sum, unknown } = sumKnown(list.map((it) => it.valueMinor))
    if (!may('see-money') || unknown === list.length) return undefined
    const known = formatMoney(sum, studio?.currency ?? 'GBP')
    return unknown > 0 ? `${known}, without ${unknown} that nobody valued` : known
  }
  return (
    <div aria-live="polite">
      {isSame && <p className="mt-4">Nothing is different.</p>}
      {[
        { title: 'Came', list: came },
        { title: 'Went', list: went },
      ].map(
        ({ title, list }) =>
          list.length > 0 && (
            <Section key={title} title={`${title}: ${list.length}`} aside={say(list)}>
              <ul>
                {list.map((it) => (
                  <li key={it.id} className="flex gap-3 border-b border-rule py-1.5 text-[13px]">
                    <Tag>{it.tag}</Tag> {it.name}
                    {title === 'Went' && <span className="text-quiet">{it.state.toLowerCase()}</span>}
                  </li>
                ))}
              </ul>
            </Section>
          ),
      )}
      {changed.length > 0 && (
        <Section title={`Changed: ${changed.length}`}>
          <ul>
            {changed.map(({ thing, fields }) => (
              <li key={thing.id} className="flex flex-wrap gap-3 border-b border-rule py-1.5 text-[13px]">
                <Tag>{thing.tag}</Tag>
                <span className="min-w-40">{thing.name}</span>
                <span className="text-quiet">
                  {fields.map((it) => `${it.field}: ${it.before} → ${it.after}`).join(', ')}
                </span>
              </li>
            ))}
          </ul>
        </Section>
      )}
      {setups.length > 0 && (
        <Section title={`Setups: ${setups.length}`}>
          <ul>
            {setups.map((it) => (
              <li key={it.code + it.name} className="border-b border-rule py-1.5 text-[13px]">
                <b>{it.name}</b> {it.change === 'changed' ? '' : it.change}
                {it.added.length > 0 && <span className="block text-quiet">more: {it.added.join(', ')}</span>}
                {it.removed.length > 0 && <span className="block text-quiet">less: {it.removed.join(', ')}</span>}
              </li>
            ))}
          </ul>
        </Section>
      )}
    </div>
  )
}
