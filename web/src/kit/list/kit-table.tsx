import { CATEGORIES, formatMoney, KIT_COLUMNS, type KitColumn, type UnitRow } from '@exemplar/core'
import { type ReactNode, useCallback, useMemo } from 'react'
import { Link } from 'react-router'
import { type UnitFilter, useStudioQuery, useUnitPagesInfiniteQuery } from '../../foundation/api/api.ts'
import { useMeasures } from '../../foundation/form/measures.tsx'
import { Tag, Waiting } from '../../foundation/parts/page-parts.tsx'
import { TapeStrip } from '../../foundation/parts/tape.tsx'
import { type RowPlace, VirtualRows } from '../../foundation/parts/virtual-rows.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { UnitState } from '../unit/unit-state.tsx'

/** From which width on a column is shown; the state is on a phone too. */
const WIDTHS: Readonly<Record<KitColumn, string>> = {
  kind: 'hidden md:table-cell',
  usedIn: 'hidden md:table-cell',
  place: 'hidden sm:table-cell',
  state: '',
  serial: 'hidden md:table-cell',
  maker: 'hidden lg:table-cell',
  mass: 'hidden md:table-cell text-right',
  acquired: 'hidden md:table-cell',
  price: 'hidden md:table-cell text-right',
  used: 'hidden lg:table-cell',
  complete: 'hidden lg:table-cell',
}

interface Choosing {
  isOn: boolean
  chosen: ReadonlySet<string>
  onChoose(ids: string[], isIn: boolean): void
}

interface KitTableProps {
  filter: UnitFilter
  columns: readonly KitColumn[]
  seen: string | null
  choosing: Choosing
  onSee(id: string): void
}

export function KitTable(props: KitTableProps) {
  const { columns, choosing } = props
  return (
    <table>
      <thead>
        <tr>
          {choosing.isOn && (
            <th scope="col" className="w-8">
              <span className="sr-only">Choose</span>
            </th>
          )}
          <th scope="col">Tag</th>
          <th scope="col">Thing</th>
          {columns.map((column) => (
            <th key={column} scope="col" className={WIDTHS[column]}>
              {KIT_COLUMNS[column]}
            </th>
          ))}
        </tr>
      </thead>
      <UnitRows {...props} />
    </table>
  )
}

/** Rows as far as they are loaded, and more as one comes near the end; only those in sight are in the page. */
function UnitRows(props: KitTableProps) {
  const { filter, columns, seen, choosing } = props
  const { data, error, refetch, fetchNextPage, hasNextPage, isFetchingNextPage } = useUnitPagesInfiniteQuery(filter)
  const rows = useMemo(() => data?.pages.flatMap((page) => page.rows) ?? [], [data])
  const span = columns.length + 2 + Number(choosing.isOn)
  const loadMore = useCallback(() => {
    if (hasNextPage && !isFetchingNextPage) fetchNextPage()
  }, [hasNextPage, isFetchingNextPage, fetchNextPage])
  if (!data)
    return (
      <Notice span={span}>
        <Waiting what="the kit" error={error} onRetry={refetch} />
      </Notice>
    )
  const isNear = data.pages[0]?.isNear
  return (
    <>
      {isNear && <Notice span={span}>Nothing has exactly “{filter.find}”. This is near it:</Notice>}
      {rows.length === 0 && <Notice span={span}>Nothing here. Try another view or fewer words.</Notice>}
      <VirtualRows rows={rows} rowHeight={ROW_HEIGHT} span={span} onEnd={loadMore}>
        {(row, place) => <Row key={row.id} row={row} place={place} isSeen={row.id === seen} {...props} />}
      </VirtualRows>
    </>
  )
}

const ROW_HEIGHT = 37

function Notice({ span, children }: { span: number; children: ReactNode }) {
  return (
    <tbody>
      <tr>
        <td colSpan={span} className="py-4 text-quiet">
          {children}
        </td>
      </tr>
    </tbody>
  )
}

function Row({
  row,
  place,
  isSeen,
  columns,
  choosing,
  onSee,
}: KitTableProps & { row: UnitRow; place: RowPlace; isSeen: boolean }) {
  return (
    <tr {...place} className={isSeen ? 'bg-wash' : ''}>
      {choosing.isOn && (
        <td>
          <input
            type="checkbox"
            className="size-4 accent-(--ink)"
            aria-label={`Choose ${row.tag}`}
            checked={choosing.chosen.has(row.id)}
            onChange={(event) => choosing.onChoose([row.id], event.target.checked)}
          />
        </td>
      )}
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
        {row.nickname && <span className="block text-[12px] text-quiet">“{row.nickname}”</span>}
        {/* Where it is stands in no column of a phone, and is what a phone is asked for. */}
        {columns.includes('place') && row.place && (
          <span className="block text-[12px] text-quiet sm:hidden">{row.place}</span>
        )}
      </td>
      {columns.map((column) => (
        <td
          key={column}
          className={`${WIDTHS[column]} ${column === 'state' || column === 'usedIn' ? '' : 'text-quiet'}`}
        >
          <Cell row={row} column={column} />
        </td>
      ))}
    </tr>
  )
}

const UNKNOWN = 'not recorded'

function Cell({ row, column }: { row: UnitRow; column: KitColumn }): ReactNode {
  const { data: studio } = useStudioQuery()
  const { sayMass } = useMeasures()
  const words = useTimeWords()
  switch (column) {
    case 'kind':
      return CATEGORIES[row.category].label
    case 'usedIn':
      return (
        <span className="flex flex-wrap gap-1">
          {row.usedIn.map((it) => (
            <Link key={it.id} to={`/setups/${it.id}`} title={it.role} className="inline-flex">
              <TapeStrip code={it.code} tape={it.tape} size="small" />
            </Link>
          ))}
        </span>
      )
    case 'place':
      return (
        <>
          {row.place ?? UNKNOWN}
          {!row.isAtHome && <span className="block text-[12px]">not where it lives</span>}
        </>
      )
    case 'state':
      return <UnitState state={row.state} fault={row.fault} />
    case 'serial':
      return row.serial ?? '–'
    case 'maker':
      return row.maker || UNKNOWN
    case 'mass':
      return <span className="figures">{row.massGrams === null ? '–' : sayMass(row.massGrams)}</span>
    case 'acquired':
      return row.acquiredOn ?? '–'
    case 'price':
      return (
        <span className="figures">
          {row.priceMinor === null ? '–' : formatMoney(row.priceMinor, studio?.currency ?? 'GBP', 'column')}
        </span>
      )
    case 'used':
      return row.lastOutAt === null ? 'never' : words.sayInstant(row.lastOutAt)
    case 'complete':
      return sayRecorded(row)
    default:
      return column satisfies never
  }
}

/** Which of the five things that are asked first are known. */
function sayRecorded(row: UnitRow): string {
  const missing = [
    row.maker === '' && 'maker',
    row.place === null && 'place',
    row.massGrams === null && 'mass',
    row.serial === null && 'serial',
    row.acquiredOn === null && 'since when',
  ].filter((it) => it !== false)
  return missing.length === 0 ? 'complete' : `no ${missing.join(', no ')}`
}
