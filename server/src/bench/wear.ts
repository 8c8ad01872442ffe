import { addDays, countDays, findDate, findStartOfDay, type Wear } from '@exemplar/core'
import { type HoldBook, loadHoldBook } from '../availability/holds.ts'
import type { Database } from '../foundation/database/database.ts'
import { prepare } from '../foundation/database/statements.ts'

interface Use {
  day: string
  /** The instant, where it was out; what was typed in counts at the end of its day. */
  at: number
  uses: number
  hours: number
}

/** What is known of the use of some things: what they were out for, what was typed in, and what they are booked for. */
export interface UseLog {
  used: ReadonlyMap<string, readonly Use[]>
  ahead: ReadonlyMap<string, Wear['ahead']>
  /** What each is out for now, or booked for next. */
  next: ReadonlyMap<string, { title: string; day: string; isOut: boolean }>
}

interface LoggedUse {
  unitId: string
  /** When it went out; null of what was typed in, which has a day. */
  at: number | null
  start: number | null
  end: number | null
  day: string | null
  uses: number
  hours: number
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
  known: HoldBook | null = null,
): UseLog {
  const used = new Map<string, Use[]>()
  const add = (id: string, use: Use) => {
    const known = used.get(id)
    if (known) known.push(use)
    else used.set(id, [use])
  }
  // Each booking counts once, however often it was handed over; what was taken back never went out.
  const rows = prepare(
    db,
    `SELECT e.subject_id AS unitId, min(e.at) AS at, b.hold_start + b.rig_minutes * 60000 AS start,
       b.hold_end - b.strike_minutes * 60000 AS "end", NULL AS day, 1 AS uses, 0 AS hours
     FROM events e LEFT JOIN bookings b ON b.id = e.data ->> '$.bookingId'
     WHERE e.subject_type = 'unit' AND e.kind = 'checked-out' AND e.subject_id IN (SELECT value FROM json_each(?))
       AND NOT EXISTS (SELECT 1 FROM changes back WHERE back.undoes = e.change_id)
     GROUP BY e.subject_id, coalesce(b.id, e.id)
     UNION ALL
     SELECT unit_id, NULL, NULL, NULL, on_day, uses, hours FROM unit_uses WHERE unit_id IN (SELECT value FROM json_each(?))`,
  ).all(JSON.stringify(unitIds), JSON.stringify(unitIds)) as LoggedUse[]
  for (const { unitId, at, start, end, day, uses, hours } of rows) {
    if (day !== null) add(unitId, { day, at: findStartOfDay(addDays(day, 1), zone) - 1, uses, hours })
    else if (at !== null) {
      const booked = start === null || end === null ? 0 : Math.max(0, end - start) / 3_600_000
      add(unitId, { day: findDate(at, zone), at, uses, hours: booked })
    }
  }
  return {
    used,
    ...listAhead(
      known ?? loadHoldBook(db, { start: now, end: now + DAYS_AHEAD * 86_400_000 }, now),
      new Set(unitIds),
      now,
      zone,
    ),
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
    const isOut = book.rowOf(bookingId)?.state === 'out'
    const day = findDate(interval.start, zone)
    for (const id of unitIds) {
      if (!wanted.has(id)) continue
      if (!next.has(id)) next.set(id, { title, day, isOut })
      // What is out now is in the log already.
      if (isOut) continue
      const hours = (interval.end - interval.start) / 3_600_000
      const known = ahead.get(id)
      if (known) known.push({ day, hours })
      else ahead.set(id, [{ day, hours }])
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
): Wear {
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
