import { findDate, nameModel, type Repair, type TodayItem } from '@exemplar/core'
import { eq, isNull } from 'drizzle-orm'
import { loadStockRows } from '../availability/reference.ts'
import { listFixes } from '../bench/fixes.ts'
import type { ServedRow } from '../bench/service-lines.ts'
import { listSupplies } from '../bench/supplies.ts'
import { repairs } from '../schema/bench-tables.ts'
import { models, units } from '../schema/kit-tables.ts'
import type { TodayContext } from './today-context.ts'

/** A claim that runs out within so many days is told. */
const CLAIM_DAYS = 14

type RepairItem = TodayItem & { code: 'repair' }

/** Repairs that wait for somebody here. */
export function listRepairsToday({ db, today }: TodayContext): TodayItem[] {
  const rows = db
    .select({ repair: repairs, tag: units.tag, maker: models.maker, name: models.name })
    .from(repairs)
    .innerJoin(units, eq(units.id, repairs.unitId))
    .innerJoin(models, eq(models.id, units.modelId))
    .where(isNull(repairs.endedOn))
    .orderBy(units.tag)
    .all()
  return rows.flatMap(({ repair, tag, maker, name }): TodayItem[] => {
    const found = findWaiting(repair, today)
    if (!found) return []
    const level = found.what === 'try' || found.what === 'quote' ? 'advise' : 'warn'
    const { unitId } = repair
    const base = { key: `repair/${repair.id}`, section: 'before', code: 'repair' } as const
    return [{ ...base, level, unitId, tag, name: nameModel({ maker, name }), ...found }]
  })
}

function findWaiting(
  { stage, dueOn, claimBy }: Pick<Repair, 'stage' | 'dueOn' | 'claimBy'>,
  today: string,
): Pick<RepairItem, 'what' | 'on'> | null {
  if (stage === 'back') return { what: 'try', on: null }
  if (stage === 'asked' && claimBy !== null) {
    const left = Math.round((Date.parse(claimBy) - Date.parse(today)) / 86_400_000)
    if (left <= CLAIM_DAYS) return { what: 'claim', on: claimBy }
  }
  if (stage === 'quoted') return { what: 'quote', on: null }
  if (stage !== 'asked' && dueOn !== null && dueOn < today) return { what: 'late', on: dueOn }
  return null
}

/** What is held for the time being and was to be looked at by today. */
export function listRechecks({ db, today }: TodayContext, things: readonly ServedRow[]): TodayItem[] {
  return listFixes(things, loadStockRows(db), today).flatMap(({ unitId, tag, name, text, recheckOn, isDue }) => {
    if (!isDue || recheckOn === null) return []
    const base = { key: `recheck/${unitId}/${text}`, level: 'advise', section: 'before', code: 'recheck' } as const
    return [{ ...base, unitId, tag, name, text, recheckOn }]
  })
}

/** What is used up and runs short or out of date, by when it has to be ordered. */
export function listSuppliesToday({ db, settings, now, today, book }: TodayContext): TodayItem[] {
  return listSupplies(db, book, now, settings.zone).flatMap((it): TodayItem[] => {
    const isAtEnd = it.isExpired || it.expiresBefore !== null
    if (it.shortOn === null && !isAtEnd) return []
    const { tag, name, shortOn, missing, orderBy, isExpired, supply } = it
    const { source, secondSource, expiresOn } = supply
    const isPressing = it.isOrderDue || (shortOn !== null && shortOn <= findDate(now, settings.zone)) || isExpired
    return [
      {
        key: `supply/${it.stockId}`,
        level: isPressing ? 'warn' : 'advise',
        section: 'before',
        code: 'supply',
        tag,
        name,
        shortOn,
        missing,
        orderBy,
        source,
        secondSource,
        expiresOn: isAtEnd ? expiresOn : null,
        isExpired: expiresOn !== null && expiresOn < today,
      },
    ]
  })
}
