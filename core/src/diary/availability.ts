import { type Absence, findOwnAbsence, findParentAbsence, type Parent, type Standing } from '../kit/unit/absence.ts'
import type { Place } from '../studio/places/place.ts'
import { isOpenUntil } from '../studio/places/place-findings.ts'
import { type Interval, overlaps } from '../units/interval.ts'
import { findDate } from '../units/wall-time.ts'
import { countFreeStock, type Hold } from './collisions.ts'

/** An open fault that takes a thing out of use. */
export interface BlockingFault {
  id: string
  note: string
  reportedAt: number
}

/** What keeps things from being had: faults, other bookings, and what is still out from one that is over. */
export interface Calendar {
  zone: string
  /** The instant from which it is asked: what was due before that day and is not back, is not back. */
  now: number
  faults: ReadonlyMap<string, BlockingFault>
  otherHolds: readonly Hold[]
  lateHolds: readonly Hold[]
  /** By a thing's id what it goes with. */
  parents: ReadonlyMap<string, Parent>
}

/** What is asked after. */
export type Wanted =
  | { subject: 'unit'; unit: Standing }
  | { subject: 'stock'; id: string; have: number; wanted: number }
  | { subject: 'place'; place: Pick<Place, 'id' | 'details'> }
  | { subject: 'person'; id: string; hasLeft: boolean }

/**
 * Why something cannot be counted on through a whole interval; null where it can. The one answer to "is it free from then to
 * then": every list, dialog, search, sum and way out asks here. The reason that lies deepest is named: what the thing itself
 * is (repair, loan, a room that is closed), then what it goes with, then a fault, then another booking, then that it is still out from one that is over.
 */
export function findAbsence(wanted: Wanted, interval: Interval, calendar: Calendar): Absence | null {
  switch (wanted.subject) {
    case 'unit':
      return findAbsences([wanted.unit], interval, calendar).get(wanted.unit.id) ?? null
    case 'stock': {
      const free = countFree(wanted.id, wanted.have, interval, calendar)
      return free < wanted.wanted ? { reason: 'short', wanted: wanted.wanted, free } : null
    }
    case 'place':
      return (
        findClosure(wanted.place, interval, calendar.zone) ??
        describeBooking(findHold(interval, calendar, (hold) => hold.placeId === wanted.place.id))
      )
    case 'person':
      if (wanted.hasLeft) return { reason: 'left-team' }
      return describeBooking(findHold(interval, calendar, (hold) => hold.personIds.includes(wanted.id)))
    default:
      return wanted satisfies never
  }
}

/**
 * Pieces of a stock that nobody else holds through the whole interval. What is late may be out as long as the interval lasts.
 */
export function countFree(
  stockId: string,
  have: number,
  interval: Interval,
  { otherHolds, lateHolds }: Pick<Calendar, 'otherHolds' | 'lateHolds'>,
): number {
  const late = lateHolds.filter((hold) => !otherHolds.some((it) => it.bookingId === hold.bookingId))
  return countFreeStock(stockId, have, interval, [...otherHolds, ...late.map((hold) => ({ ...hold, interval }))])
}

/** The same for many units at once; those that can be counted on are not in the result. */
export function findAbsences(units: Iterable<Standing>, interval: Interval, calendar: Calendar): Map<string, Absence> {
  const bookedBy = new Map<string, Hold>()
  for (const hold of calendar.otherHolds) {
    if (!overlaps(hold.interval, interval)) continue
    for (const id of hold.unitIds) if (!bookedBy.has(id)) bookedBy.set(id, hold)
  }
  const { zone, now, faults, lateHolds, parents } = calendar
  const firstDay = findDate(interval.start, zone)
  const lastDay = findLastDay(interval, zone)
  const today = findDate(now, zone)
  const days = { first: firstDay, last: lastDay, today }
  const absences = new Map<string, Absence>()
  for (const unit of units) {
    const absence =
      findOwnAbsence(unit, firstDay, lastDay, today) ??
      findParentAbsence(unit.id, parents, days) ??
      describeFault(faults.get(unit.id), zone) ??
      describeBooking(bookedBy.get(unit.id)) ??
      describeLate(lateHolds.find((hold) => hold.unitIds.includes(unit.id)))
    if (absence) absences.set(unit.id, absence)
  }
  return absences
}

const findLastDay = ({ start, end }: Interval, zone: string) => findDate(Math.max(start, end - 1), zone)

/** Whether a place is ours no more on the last day of a stretch of time, buffers included. */
export function findClosure(place: Pick<Place, 'details'>, interval: Interval, zone: string): Absence | null {
  const { accessUntil: until, accessTerms: terms } = place.details
  return until === null || isOpenUntil(place, findLastDay(interval, zone)) ? null : { reason: 'closed', until, terms }
}

const findHold = (interval: Interval, { otherHolds }: Calendar, holdsIt: (hold: Hold) => boolean) =>
  otherHolds.find((it) => overlaps(it.interval, interval) && holdsIt(it))

function describeBooking(hold: Hold | undefined): Absence | null {
  if (!hold) return null
  const { start, end } = hold.interval
  return { reason: 'booked', bookingId: hold.bookingId, title: hold.title, start, end }
}

function describeFault(fault: BlockingFault | undefined, zone: string): Absence | null {
  if (!fault) return null
  return { reason: 'fault', faultId: fault.id, note: fault.note, since: findDate(fault.reportedAt, zone) }
}

function describeLate(hold: Hold | undefined): Absence | null {
  if (!hold) return null
  return { reason: 'late', bookingId: hold.bookingId, title: hold.title, since: hold.interval.end }
}
