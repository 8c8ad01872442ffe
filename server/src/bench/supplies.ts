import {
  addDays,
  type Category,
  findDate,
  judgeConsumption,
  nameModel,
  type Setup,
  type SupplyLine,
} from '@exemplar/core'
import { and, gte, inArray, lte, sum } from 'drizzle-orm'
import { type HoldBook, listItems, loadSetups } from '../availability/holds.ts'
import { loadEverySetup, loadKin, loadStockRows } from '../availability/reference.ts'
import type { Database } from '../foundation/database/database.ts'
import { isSession } from '../kit/worth/session-log.ts'
import { stockUses } from '../schema/bench-tables.ts'
import { bookings } from '../schema/diary-tables.ts'

/** So far back the log tells how much is used up a session, and so far ahead the diary how often. */
const DAYS_BACK = 180
export const DAYS_AHEAD = 365

/** What is used up by its nature; of anything else only where somebody says so. */
const USED_UP: readonly Category[] = ['cell', 'consumable', 'gel']

/** What is used up, with how long it lasts: what runs short first, then what expires, then by tag. */
export function listSupplies(db: Database, book: HoldBook, now: number, zone: string): SupplyLine[] {
  const today = findDate(now, zone)
  const rows = loadStockRows(db)
  const used = countUsedUp(db, addDays(today, -DAYS_BACK))
  // The log is asked only of what nobody said.
  const asksLog = rows.some(({ stock: it }) => it.supply.perUse === null && used.has(it.id))
  const past = asksLog ? listPast(db, now) : new Map<string, number>()
  const ahead = listAhead(db, book, now, zone)
  const lines = rows.flatMap(({ stock: it, model, place }): SupplyLine[] => {
    const usedUp = used.get(it.id) ?? 0
    const isUsedUp = USED_UP.includes(model.category) || it.supply.perUse !== null || usedUp > 0
    if (!isUsedUp && it.supply.expiresOn === null) return []
    const days = ahead.get(it.id) ?? []
    const sessions = past.get(it.id) ?? 0
    const standing = judgeConsumption(
      {
        quantity: it.quantity,
        reorderLevel: it.reorderLevel,
        saidPerUse: it.supply.perUse,
        usedUp,
        sessions,
        ahead: days,
        leadDays: it.supply.leadDays,
        expiresOn: it.supply.expiresOn,
      },
      today,
    )
    const { id, tag, quantity, reorderLevel, version, supply } = it
    const known = { stockId: id, tag, name: nameModel(model), place, quantity, reorderLevel, version, supply }
    return [{ ...known, sessionsAhead: days.length, usedUp, sessions, ...standing }]
  })
  const rank = (it: SupplyLine) => [it.shortOn ?? '9', it.expiresBefore ?? '9', it.tag].join(' ')
  return lines.sort((a, b) => (rank(a) < rank(b) ? -1 : 1))
}

function countUsedUp(db: Database, since: string): Map<string, number> {
  const rows = db
    .select({ stockId: stockUses.stockId, quantity: sum(stockUses.quantity).mapWith(Number) })
    .from(stockUses)
    .where(gte(stockUses.on, since))
    .groupBy(stockUses.stockId)
    .all()
  return new Map(rows.map((it) => [it.stockId, it.quantity]))
}

/** What of the counted things that a booking takes is used in it: what its setup has in case only lies there. */
function pickUsed(taken: Iterable<string>, setup: Pick<Setup, 'roles'> | undefined): Set<string> {
  const things = setup?.roles.flatMap((role) => role.things) ?? []
  const isInCase = (id: string) => {
    const own = things.filter((it) => it.stockId === id)
    return own.length > 0 && own.every((it) => it.isSpare)
  }
  return new Set([...taken].filter((id) => !isInCase(id)))
}

/** In how many sessions of that time each served. */
function listPast(db: Database, now: number): Map<string, number> {
  const rows = db
    .select()
    .from(bookings)
    .where(
      and(
        inArray(bookings.state, ['confirmed', 'out', 'back']),
        lte(bookings.holdStart, now),
        gte(bookings.holdStart, now - DAYS_BACK * 86_400_000),
      ),
    )
    .all()
    .filter((row) => isSession(row.kind))
  const setupOf = loadSetups(
    db,
    rows.flatMap((row) => row.setupId ?? []),
  )
  const kin = rows.length > 0 ? loadKin(db) : []
  const counts = new Map<string, number>()
  for (const row of rows) {
    const taken = listItems(row, setupOf, kin).flatMap((it) => (it.stockId && it.state !== 'left' ? [it.stockId] : []))
    for (const id of pickUsed(taken, setupOf.get(row.setupId ?? ''))) counts.set(id, (counts.get(id) ?? 0) + 1)
  }
  return counts
}

/** The days of the sessions ahead in which each serves; what is only kept ready uses nothing up. */
function listAhead(db: Database, book: HoldBook, now: number, zone: string): Map<string, string[]> {
  const setups = loadEverySetup(db)
  const days = new Map<string, string[]>()
  const holds = book.within({ start: now, end: now + DAYS_AHEAD * 86_400_000 })
  for (const { bookingId, interval, stock: held } of holds) {
    const row = book.rowOf(bookingId)
    if (!row || row.state === 'out' || interval.start < now || !isSession(row.kind)) continue
    for (const id of pickUsed(held.keys(), setups.get(row.setupId ?? '')))
      days.set(id, [...(days.get(id) ?? []), findDate(interval.start, zone)])
  }
  for (const own of days.values()) own.sort()
  return days
}
