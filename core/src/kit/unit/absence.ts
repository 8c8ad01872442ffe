import { z } from 'zod'
import { LIFE_STATES, type LifeState, lifeStateSchema, type Unit } from './unit.ts'

/** Why a thing, a stock, a room or a person cannot be counted on at some time. Dates are calendar days of the studio. */
export const absenceSchema = z.discriminatedUnion('reason', [
  z.object({
    reason: z.literal('state'),
    state: lifeStateSchema,
    backOn: z.string().nullable(),
  }),
  z.object({
    reason: z.literal('with-parent'),
    /** What it goes with, and why that is away. */
    parentTag: z.string(),
    state: lifeStateSchema,
    backOn: z.string().nullable(),
  }),
  z.object({
    reason: z.literal('fault'),
    faultId: z.string(),
    note: z.string(),
    since: z.string(),
  }),
  z.object({
    reason: z.literal('goes-back'),
    dueOn: z.string(),
    neededUntil: z.string(),
  }),
  z.object({
    reason: z.literal('booked'),
    bookingId: z.string(),
    title: z.string(),
    start: z.number(),
    end: z.number(),
  }),
  z.object({
    reason: z.literal('late'),
    bookingId: z.string(),
    title: z.string(),
    since: z.number(),
  }),
  z.object({
    reason: z.literal('closed'),
    /** The last day on which the room may be used. */
    until: z.string(),
    terms: z.string(),
  }),
  z.object({
    reason: z.literal('short'),
    /** So many pieces are wanted, and so many of a stock are not held by anybody else. */
    wanted: z.number(),
    free: z.number(),
  }),
  z.object({ reason: z.literal('left-team') }),
])
export type Absence = z.infer<typeof absenceSchema>

/** What of a thing says whether it can be there. */
export type Standing = Pick<Unit, 'id' | 'state' | 'dueOn' | 'acquisition'>

/**
 * Absence that follows from the thing alone: its state of life, or a loan that ends before the last day it is needed.
 * A loan due on the day itself is still here on that day; a lent thing due back before the first day counts as here, unless
 * that day is over and it is not back. A repair's date is only hoped for, so a thing in repair is absent whatever its date says.
 */
export function findOwnAbsence(unit: Standing, firstDay: string, lastDay: string, today: string): Absence | null {
  if (!LIFE_STATES[unit.state].usable) {
    const { dueOn, state } = unit
    const isBack = dueOn !== null && dueOn < firstDay && dueOn >= today && canReturn(state)
    return isBack ? null : { reason: 'state', state: unit.state, backOn: unit.dueOn }
  }
  if (isOnLoan(unit) && unit.dueOn !== null && unit.dueOn < lastDay) {
    return { reason: 'goes-back', dueOn: unit.dueOn, neededUntil: lastDay }
  }
  return null
}

/** The thing with which another goes. */
export type Parent = Standing & Pick<Unit, 'tag'>

/** So many steps up at most: parts of parts of parts. */
const MOST_STEPS = 6

/**
 * Absence because what it goes with is lent: all that goes with a thing is lent with it, however it does. What is in repair or
 * lost takes nothing along: the lead of a lamp in repair is here. `parents` holds by a thing's id what it goes with.
 */
export function findParentAbsence(
  unitId: string,
  parents: ReadonlyMap<string, Parent>,
  days: { first: string; last: string; today: string },
): Absence | null {
  let parent = parents.get(unitId)
  for (let step = 0; parent && step < MOST_STEPS; step++) {
    const absence = parent.state === 'lent' ? findOwnAbsence(parent, days.first, days.last, days.today) : null
    if (absence?.reason === 'state') {
      return { reason: 'with-parent', parentTag: parent.tag, state: absence.state, backOn: absence.backOn }
    }
    parent = parents.get(parent.id)
  }
  return null
}

export function isOnLoan(unit: Pick<Unit, 'acquisition'>): boolean {
  return unit.acquisition === 'loan-in' || unit.acquisition === 'rented'
}

function canReturn(state: LifeState): boolean {
  return state === 'lent' || state === 'ordered'
}
