import { CATEGORIES } from '@exemplar/core'
import { useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { type UnitFilter, useUnitCountQuery, useUnitsQuery } from '../foundation/api.ts'
import { Button, ButtonLink } from '../foundation/button.tsx'
import { Empty, PageHead, Tag, Waiting } from '../foundation/page-parts.tsx'
import { useMay } from '../foundation/session.ts'
import { TapeStrip } from '../foundation/tape.tsx'
import { AddThingDialog } from './add-thing-dialog.tsx'
import { UnitSheet } from './unit-sheet.tsx'
import { UnitState } from './unit-state.tsx'

const VIEWS: { key: string; name: string; filter: UnitFilter }[] = [
  { key: 'all', name: 'Everything', filter: {} },
  { key: 'camera', name: 'Camera', filter: { group: 'camera' } },
  { key: 'light', name: 'Light', filter: { group: 'light' } },
  { key: 'sound', name: 'Sound', filter: { group: 'sound' } },
  { key: 'support', name: 'Support', filter: { group: 'support' } },
  { key: 'power', name: 'Power', filter: { group: 'power' } },
  { key: 'media', name: 'Media and cables', filter: { group: 'media' } },
  { key: 'in-none', name: 'In no setup', filter: { only: 'in-none' } },
  { key: 'faulty', name: 'Something wrong', filter: { only: 'faulty' } },
  { key: 'borrowed', name: 'Borrowed', filter: { only: 'borrowed' } },
]

export function KitPage() {
  const [params, setParams] = useSearchParams()
  const [text, setText] = useState('')
  const { data: count } = useUnitCountQuery()
  const may = useMay()
  const view = VIEWS.find((it) => it.key === params.get('view')) ?? VIEWS[0]
  const seen = params.get('see')
  const set = (name: string, value: string | null) =>
    setParams((old) => {
      const next = new URLSearchParams(old)
      if (value) next.set(name, value)
      else next.delete(name)
      return next
    })
  const filter: UnitFilter = { ...view?.filter, ...(text.trim() ? { find: text.trim() } : {}) }

  return (
    <>
      <PageHead title="Kit" aside={count && `${count.units} things of ${count.models} models`}>
        <ButtonLink to="/kit/stock">Stock</ButtonLink>
        <ButtonLink to="/kit/labels">Labels</ButtonLink>
        {may('change-kit') && <ButtonLink to="/kit/import">Import</ButtonLink>}
        {may('change-kit') && (
          <Button look="act" onClick={() => set('add', 'thing')}>
            Add a thing
          </Button>
        )}
      </PageHead>
      <div className="flex flex-wrap items-center gap-[7px] px-4 pt-3 pb-2 md:px-5">
        {VIEWS.map((it) => (
          <button
            type="button"
            key={it.key}
            aria-pressed={it === view}
            className="rounded-paper border border-rule-strong bg-sheet px-2 py-[3px] text-[12px] aria-pressed:border-ink aria-pressed:font-semibold aria-pressed:ring-1 aria-pressed:ring-ink"
            onClick={() => set('view', it.key === 'all' ? null : it.key)}
          >
            {it.name}
          </button>
        ))}
        <input
          type="search"
          aria-label="Find in this view"
          placeholder="Find in this view"
          value={text}
          onChange={(event) => setText(event.target.value)}
          className="h-7 min-w-40 border-b border-rule-strong bg-transparent px-1 text-[13px] placeholder:text-quiet"
        />
      </div>
      <div className={`grid flex-1 ${seen ? 'lg:grid-cols-[1fr_380px]' : ''}`}>
        <div className="min-w-0 overflow-x-auto px-4 pb-6 md:px-5">
          {count?.units === 0 ? (
            <Empty title="Nothing in the kit yet">
              <p>Walk round the room with this page open, or bring the list you have.</p>
              <p className="mt-3 flex gap-2">
                <Button look="act" onClick={() => set('add', 'thing')}>
                  Add the first thing
                </Button>
                <ButtonLink to="/kit/import">Import a list</ButtonLink>
              </p>
            </Empty>
          ) : (
            <table>
              <thead>
                <tr>
                  <th scope="col">Tag</th>
                  <th scope="col">Thing</th>
                  <th scope="col" className="hidden md:table-cell">
                    Kind
                  </th>
                  <th scope="col" className="hidden md:table-cell">
                    Serves
                  </th>
                  <th scope="col" className="hidden sm:table-cell">
                    Place
                  </th>
                  <th scope="col">State</th>
                </tr>
              </thead>
              <UnitRows key={JSON.stringify(filter)} filter={filter} seen={seen} onSee={(id) => set('see', id)} />
            </table>
          )}
        </div>
        {seen && <UnitSheet id={seen} onClose={() => set('see', null)} />}
      </div>
      <AddThingDialog open={params.get('add') === 'thing'} onClose={() => set('add', null)} />
    </>
  )
}

/** One page of rows, and the next below it once asked for: never the whole list at once. */
function UnitRows({ filter, seen, onSee }: { filter: UnitFilter; seen: string | null; onSee(id: string): void }) {
  const { data, error, refetch } = useUnitsQuery(filter)
  const [wantsMore, setWantsMore] = useState(false)
  if (!data) {
    return (
      <tbody>
        <tr>
          <td colSpan={6}>
            <Waiting what="the kit" error={error} onRetry={refetch} />
          </td>
        </tr>
      </tbody>
    )
  }
  return (
    <>
      <tbody>
        {data.rows.map((row) => (
          <tr key={row.id} className={row.id === seen ? 'bg-wash' : ''}>
            <td>
              <Tag>{row.tag}</Tag>
            </td>
            <td>
              <button
                type="button"
                className="hidden text-left font-medium hover:underline lg:block"
                onClick={() => onSee(row.id)}
              >
                {row.name}
              </button>
              <Link to={`/kit/${row.id}`} className="font-medium lg:hidden">
                {row.name}
              </Link>
            </td>
            <td className="hidden text-quiet md:table-cell">{CATEGORIES[row.category].label}</td>
            <td className="hidden md:table-cell">
              <span className="flex flex-wrap gap-1">
                {row.serves.map((it) => (
                  <Link key={it.id} to={`/setups/${it.id}`} title={it.role} className="inline-flex">
                    <TapeStrip code={it.code} tape={it.tape} size="small" />
                  </Link>
                ))}
              </span>
            </td>
            <td className="hidden text-quiet sm:table-cell">{row.place ?? 'not recorded'}</td>
            <td>
              <UnitState state={row.state} fault={row.fault} />
            </td>
          </tr>
        ))}
        {data.rows.length === 0 && !filter.after && (
          <tr>
            <td colSpan={6} className="py-6 text-quiet">
              Nothing here. Try another view or fewer words.
            </td>
          </tr>
        )}
        {data.next && !wantsMore && (
          <tr>
            <td colSpan={6}>
              <Button onClick={() => setWantsMore(true)}>Show more</Button>
            </td>
          </tr>
        )}
      </tbody>
      {data.next && wantsMore && <UnitRows filter={{ ...filter, after: data.next }} seen={seen} onSee={onSee} />}
    </>
  )
}
