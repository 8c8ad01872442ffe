import { addDays, countDays, findDate, findStartOfDay, type Wear } from '@exemplar/core'
import { isAnyOf } from '../availability/holdings.ts'
import { type HoldBook, loadHoldBook } from '../availability/holds.ts'
import type { Database } from '../foundation/database/database.ts'
import { isSession, listSessions } from '../kit/worth/session-log.ts'
import { unitUses } from '../schema/bench-tables.ts'

interface Use {
  day: string
  /** The instant at which it began; what was typed in counts at the end of its day. */
  at: number
  uses: number
  hours: number
}

/** What is known of the use of some things: the sessions in which they served, what was typed in, and what they are booked for. */
export interface UseLog {
  used: ReadonlyMap<string, readonly Use[]>
  ahead: ReadonlyMap<string, Wear['ahead']>
  /** What each is out for now, or booked for next. */
  next: ReadonlyMap<string, { title: string; day: string; isOut: boolean }>
}

export type TypedUse = Pick<typeof unitUses.$inferSelect, 'unitId' | 'on' | 'uses' | 'hours'>

/** So many things are asked for by name. */
const FEW = 50

const loadTyped = (db: Database, unitIds: readonly string[]): TypedUse[] =>
  db
    .select({ unitId: unitUses.unitId, on: unitUses.on, uses: unitUses.uses, hours: unitUses.hours })
    .from(unitUses)
    .where(unitIds.length <= FEW ? isAnyOf(unitUses.unitId, unitIds) : undefined)
    .all()

/** The first and the last instant of days, each worked out once. */
export function makeDays(zone: string): (day: string) => { start: number; end: number } {
  const known = new Map<string, { start: number; end: number }>()
  return (day) => {
    const it = known.get(day)
    if (it) return it
    const made = { start: findStartOfDay(day, zone), end: findStartOfDay(addDays(day, 1), zone) - 1 }
    known.set(day, made)
    return made
  }
}

/** So many days ahead of the diary are read, and so many days of the log tell the pace. */
const DAYS_AHEAD = 365
const DAYS_OF_PACE = 180
/** With fewer uses than that no pace is told. */
const LEAST_USES = 3

/** Reads in a fixed number of statements how some things were and will be used; as far ahead as a book that was read already, where there is one. */
export function loadUseLog(
  db: Database,
  unitIds: readonly string[],
  now: number,
  zone: string,
  known: { book?: HoldBook | null; typed?: readonly TypedUse[] } = {},
): UseLog {
  const { book = null, typed = loadTyped(db, unitIds) } = known
  const days = makeDays(zone)
  const used = new Map<string, Use[]>()
  const add = (id: string, use: Use) => {
    const all = used.get(id)
    if (all) all.push(use)
    else used.set(id, [use])
  }
  const wanted = new Set(unitIds)
  for (const { on, at, hours, unitIds: served } of listSessions(db, now, zone)) {
    for (const id of served) if (wanted.has(id)) add(id, { day: on, at, uses: 1, hours })
  }
  for (const { unitId, on, uses, hours } of typed) {
    if (wanted.has(unitId)) add(unitId, { day: on, at: days(on).end, uses, hours })
  }
  return {
    used,
    ...listAhead(book ?? loadHoldBook(db, { start: now, end: now + DAYS_AHEAD * 86_400_000 }, now), wanted, now, zone),
  }
}

function listAhead(
  book: HoldBook,
  wanted: ReadonlySet<string>,
  now: number,
  zone: string,
): Pick<UseLog, 'ahead' | 'next'> {
  const ahead = new Map<string, { day: string; hours: number }[]>()
  const next = new Map<string, { title: string; day: string; isOut: boolean }>()
  const holds = [...book.late(), ...book.within({ start: now, end: now + DAYS_AHEAD * 86_400_000 })]
  for (const { bookingId, title, interval, unitIds } of holds.sort((a, b) => a.interval.start - b.interval.start)) {
    const row = book.rowOf(bookingId)
    const isOut = row?.state === 'out'
    const day = findDate(interval.start, zone)
    // What is out now is in the log already, and what only keeps things ready is no use of them.
    const isUse = row !== undefined && !isOut && isSession(row.kind)
    const busy = interval.end - interval.start - (row ? (row.rigMinutes + row.strikeMinutes) * 60_000 : 0)
    for (const id of unitIds) {
      if (!wanted.has(id)) continue
      if (!next.has(id)) next.set(id, { title, day, isOut })
      if (!isUse) continue
      const known = ahead.get(id)
      const use = { day, hours: Math.max(0, busy) / 3_600_000 }
      if (known) known.push(use)
      else ahead.set(id, [use])
    }
  }
  return { ahead, next }
}

/** What of the log came after a service, and at which pace things go; `since` null takes all of it. */
export function reckonWear(
  log: UseLog,
  unitId: string,
  since: number | null,
  cameOn: string | null,
  today: string,
): Omit<Wear, 'cycles' | 'healthPercent'> {
  const all = log.used.get(unitId) ?? []
  const after = since === null ? all : all.filter((it) => it.at > since)
  const from = addDays(today, -DAYS_OF_PACE)
  const lately = all.filter((it) => it.day > from && it.day <= today)
  const days = Math.min(DAYS_OF_PACE, cameOn === null ? DAYS_OF_PACE : Math.max(1, countDays(cameOn, today)))
  const sum = (uses: readonly Use[], key: 'uses' | 'hours') => uses.reduce((total, it) => total + it[key], 0)
  const isEnough = sum(lately, 'uses') >= LEAST_USES
  return {
    uses: sum(after, 'uses'),
    hours: sum(after, 'hours'),
    ahead: log.ahead.get(unitId) ?? [],
    usesPerDay: isEnough ? sum(lately, 'uses') / days : null,
    hoursPerDay: isEnough ? sum(lately, 'hours') / days : null,
  }
}
