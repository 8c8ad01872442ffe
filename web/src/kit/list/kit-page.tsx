import { KIT_COLUMN_CODES, KIT_COLUMNS, type KitColumn, sayNumber, USUAL_COLUMNS } from '@exemplar/core'
import { useState } from 'react'
import { useSearchParams } from 'react-router'
import { useUnitCountQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { CheckField } from '../../foundation/form/field.tsx'
import { Button, ButtonLink } from '../../foundation/parts/button.tsx'
import { Empty, PageHead } from '../../foundation/parts/page-parts.tsx'
import { AddThingDialog } from '../entry/add-thing-dialog.tsx'
import { useKitViewsQuery } from '../kit-api.ts'
import { KitMenu } from '../kit-menu.tsx'
import { UnitSheet } from '../unit/unit-sheet.tsx'
import { ChangeManyDialog } from './change-many-dialog.tsx'
import { countFilters, KitFilterBar, readFilter, writeFilter } from './kit-filter-bar.tsx'
import { KitTable } from './kit-table.tsx'
import { KeepViewDialog, KitViewBar, USUAL_VIEWS, type View } from './kit-views.tsx'

export function KitPage() {
  const [params, setParams] = useSearchParams()
  const [isFiltering, setFiltering] = useState(false)
  const [isKeeping, setKeeping] = useState(false)
  const [isChanging, setChanging] = useState<'chosen' | 'all' | null>(null)
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set())
  const [isChoosing, setChoosing] = useState(false)
  const may = useMay()
  const { data: saved } = useKitViewsQuery()
  const { data: whole } = useUnitCountQuery({})
  const views: View[] = [
    ...USUAL_VIEWS,
    ...(saved ?? []).map((it) => ({ key: it.id, name: it.name, filter: it.filter, columns: it.columns, saved: it })),
  ]
  const view = views.find((it) => it.key === (params.get('view') ?? 'all'))
  const filter = { ...view?.filter, ...readFilter(params) }
  const { data: found } = useUnitCountQuery(filter)
  const columns = readColumns(params.get('columns')) ?? view?.columns ?? USUAL_COLUMNS
  const seen = params.get('see')
  const set = (name: string, value: string | null) =>
    setParams(
      (old) => {
        const next = new URLSearchParams(old)
        if (value) next.set(name, value)
        else next.delete(name)
        return next
      },
      // Every letter of a search would be a step back otherwise.
      { replace: name === 'find' },
    )
  const isFiltered = countFilters(filter) > 0 || filter.find !== undefined

  return (
    <>
      <PageHead
        title="Kit"
        aside={
          whole &&
          (isFiltered && found
            ? `${found.units} of ${sayNumber(whole.units, 'thing')}`
            : `${sayNumber(whole.units, 'thing')} of ${sayNumber(whole.models, 'model')}`)
        }
      >
        <ButtonLink to="/kit/stock">Stock</ButtonLink>
        <ButtonLink to="/kit/labels">Labels</ButtonLink>
        <KitMenu filter={filter} />
        {may('change-kit') && <ButtonLink to="/kit/import">Import</ButtonLink>}
        {may('change-kit') && (
          <Button look="act" onClick={() => set('add', 'thing')}>
            Add a thing
          </Button>
        )}
      </PageHead>
      <div className="flex flex-wrap items-center gap-[7px] px-4 pt-3 pb-2 md:px-5">
        <div className="flex w-full gap-[7px] overflow-x-auto p-0.5 whitespace-nowrap sm:w-auto sm:flex-wrap">
          <KitViewBar
            views={views}
            current={view}
            onChoose={(it) => setParams(new URLSearchParams(it.key === 'all' ? {} : { view: it.key }))}
          />
        </div>
        <input
          type="search"
          aria-label="Find in this view"
          placeholder="Find in this view"
          defaultValue={filter.find ?? ''}
          key={view?.key}
          onChange={(event) => set('find', event.target.value.trim() || null)}
          className="h-7 min-w-40 border-b border-rule-strong bg-transparent px-1 text-[13px] placeholder:text-quiet"
        />
        <Button size="small" aria-expanded={isFiltering} onClick={() => setFiltering(!isFiltering)}>
          Filters{countFilters(filter) > 0 ? ` (${countFilters(filter)})` : ''}
        </Button>
        {may('change-kit') && (
          <Button size="small" aria-pressed={isChoosing} onClick={() => setChoosing(!isChoosing)}>
            Change many
          </Button>
        )}
      </div>
      {isFiltering && (
        <>
          <KitFilterBar filter={filter} onChange={(next) => setParams(writeFilter({ ...next }, dropView(params)))} />
          <ColumnChoice
            columns={columns}
            onChange={(next) => set('columns', next.join(','))}
            onKeep={may('change-kit') ? () => setKeeping(true) : null}
          />
        </>
      )}
      {isChoosing && (
        <div className="flex flex-wrap items-center gap-3 border-y border-rule bg-wash px-4 py-2 text-[13px] md:px-5">
          <span role="status">{chosen.size} chosen</span>
          <Button size="small" look="act" disabled={chosen.size === 0} onClick={() => setChanging('chosen')}>
            Change the chosen
          </Button>
          <Button size="small" onClick={() => setChanging('all')}>
            Change all {found?.units ?? 0} in this view
          </Button>
          <Button size="small" look="quiet" disabled={chosen.size === 0} onClick={() => setChosen(new Set())}>
            Choose none
          </Button>
        </div>
      )}
      <div className={`grid flex-1 ${seen ? 'lg:grid-cols-[1fr_380px]' : ''}`}>
        <div className="min-w-0 overflow-x-auto px-4 pb-6 md:px-5">
          {whole?.units === 0 && !isFiltered ? (
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
            <KitTable
              key={JSON.stringify(filter)}
              filter={filter}
              columns={columns.filter((it) => it !== 'price' || may('see-money'))}
              seen={seen}
              onSee={(id) => set('see', id)}
              choosing={{
                isOn: isChoosing,
                chosen,
                onChoose(ids, isIn) {
                  const next = new Set(chosen)
                  for (const id of ids) {
                    if (isIn) next.add(id)
                    else next.delete(id)
                  }
                  setChosen(next)
                },
              }}
            />
          )}
        </div>
        {seen && <UnitSheet id={seen} onClose={() => set('see', null)} />}
      </div>
      <AddThingDialog open={params.get('add') === 'thing'} onClose={() => set('add', null)} />
      <KeepViewDialog open={isKeeping} filter={filter} columns={columns} onClose={() => setKeeping(false)} />
      <ChangeManyDialog
        open={isChanging !== null}
        ids={isChanging === 'all' ? null : [...chosen]}
        filter={filter}
        onClose={() => setChanging(null)}
        onDone={() => setChosen(new Set())}
      />
    </>
  )
}

/** A filter that is put together by hand is no named view any more. */
function dropView(params: URLSearchParams): URLSearchParams {
  const next = new URLSearchParams(params)
  next.delete('view')
  return next
}

function readColumns(text: string | null): KitColumn[] | null {
  if (text === null) return null
  const asked = text.split(',')
  return KIT_COLUMN_CODES.filter((it) => asked.includes(it))
}

function ColumnChoice({
  columns,
  onChange,
  onKeep,
}: {
  columns: readonly KitColumn[]
  onChange(columns: KitColumn[]): void
  onKeep: (() => void) | null
}) {
  return (
    <fieldset className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule px-4 py-2 md:px-5">
      <legend className="sr-only">Columns</legend>
      <span className="text-[12px] font-semibold">Columns</span>
      {KIT_COLUMN_CODES.map((code) => (
        <CheckField
          key={code}
          label={KIT_COLUMNS[code]}
          checked={columns.includes(code)}
          onChange={(event) =>
            onChange(KIT_COLUMN_CODES.filter((it) => (it === code ? event.target.checked : columns.includes(it))))
          }
        />
      ))}
      {onKeep && (
        <Button size="small" onClick={onKeep}>
          Keep this view …
        </Button>
      )}
    </fieldset>
  )
}
