import { type Absence, findOwnAbsence } from '../kit/unit/absence.ts'
import type { Unit } from '../kit/unit/unit.ts'
import { type Interval, overlaps } from '../units/interval.ts'
import { findDate } from '../units/wall-time.ts'
import type { Hold } from './collisions.ts'

/** An open fault that takes a thing out of use. */
export interface BlockingFault {
  id: string
  note: string
  reportedAt: number
}

/**
 * Why each unit cannot be counted on through an interval; units that can are not in the result. The reason that lies
 * deepest is named: what the thing itself is (repair, loan), then a fault, then another booking, then that it is still
 * out from one that is over.
 */
export function findAbsences(
  units: Iterable<Unit>,
  interval: Interval,
  zone: string,
  faults: ReadonlyMap<string, BlockingFault>,
  otherHolds: readonly Hold[],
  lateHolds: readonly Hold[] = [],
): Map<string, Absence> {
  const firstDay = findDate(interval.start, zone)
  const lastDay = findDate(Math.max(interval.start, interval.end - 1), zone)
  const bookedBy = new Map<string, Hold>()
  for (const hold of otherHolds) {
    if (!overlaps(hold.interval, interval)) continue
    for (const id of hold.unitIds) if (!bookedBy.has(id)) bookedBy.set(id, hold)
  }
  const absences = new Map<string, Absence>()
  for (const unit of units) {
    const absence =
      findOwnAbsence(unit, firstDay, lastDay) ??
      describeFault(faults.get(unit.id), zone) ??
      describeBooking(bookedBy.get(unit.id)) ??
      describeLate(lateHolds.find((hold) => hold.unitIds.includes(unit.id)))
    if (absence) absences.set(unit.id, absence)
  }
  return absences
}

function describeFault(fault: BlockingFault | undefined, zone: string): Absence | null {
  if (!fault) return null
  return { reason: 'fault', faultId: fault.id, note: fault.note, since: findDate(fault.reportedAt, zone) }
}

function describeLate(hold: Hold | undefined): Absence | null {
  if (!hold) return null
  return { reason: 'late', bookingId: hold.bookingId, title: hold.title, since: hold.interval.end }
}

function describeBooking(hold: Hold | undefined): Absence | null {
  if (!hold) return null
  const { start, end } = hold.interval
  return { reason: 'booked', bookingId: hold.bookingId, title: hold.title, start, end }
}
