import {
  type Absence,
  type BlockingFault,
  findAbsences,
  findBlockingFault,
  type Interval,
  type Unit,
} from '@exemplar/core'
import { and, eq, isNull } from 'drizzle-orm'
import { faults } from '../schema/bench-tables.ts'
import { isAnyOf, type Reader } from './holdings.ts'
import type { HoldBook } from './holds.ts'

/** The time for which things are asked after, and for which booking. */
export interface Stay {
  interval: Interval
  exceptBookingId: string | null
  /** Whether what other bookings hold is away. */
  countsBookings: boolean
}

/** The fault that takes each of these units out of use, where one does: one statement. */
export function loadBlockingFaults(db: Reader, unitIds: readonly string[]): Map<string, BlockingFault> {
  if (unitIds.length === 0) return new Map()
  const open = db
    .select()
    .from(faults)
    .where(and(isAnyOf(faults.unitId, unitIds), isNull(faults.mendedAt), eq(faults.severity, 'unusable')))
    .all()
  const byUnit = new Map<string, typeof open>()
  for (const it of open) byUnit.set(it.unitId, [...(byUnit.get(it.unitId) ?? []), it])
  return new Map(
    [...byUnit].flatMap(([unitId, own]) => {
      const fault = findBlockingFault(own)
      return fault ? [[unitId, fault] as const] : []
    }),
  )
}

/** Why each of these units cannot be counted on through a stay; those that can are not in the result. */
export function listAbsences(
  wanted: readonly Unit[],
  { interval, exceptBookingId, countsBookings }: Stay,
  zone: string,
  blocking: ReadonlyMap<string, BlockingFault>,
  book: HoldBook,
): Map<string, Absence> {
  const others = countsBookings ? book.within(interval, exceptBookingId) : []
  return findAbsences(wanted, interval, zone, blocking, others, book.late(exceptBookingId))
}
