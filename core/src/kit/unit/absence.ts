import { z } from 'zod'
import { LIFE_STATES, type LifeState, lifeStateSchema, type Unit } from './unit.ts'
/** Why a setup cannot count on a thing at some time. Dates are calendar days of the studio. */
export const absenceSchema = z.discriminatedUnion('reason', [
  z.object({
    reason: z.literal('state'),
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
])
export type Absence = z.infer<typeof absenceSchema>

/**
 * Absence that follows from the thing alone: its state of life, or a loan that ends before the last day it is needed.
 * A loan due on the day itself is still here on that day; a lent thing due back before the first day counts as here.
 * A repair's date is only hoped for, so a thing in repair is absent whatever its date says.
 */
export function findOwnAbsence(unit: Unit, firstDay: string, lastDay: string): Absence | null {
  if (!LIFE_STATES[unit.state].usable) {
    const isBack = unit.dueOn !== null && unit.dueOn < firstDay && canReturn(unit.state)
    return isBack ? null : { reason: 'state', state: unit.state, backOn: unit.dueOn }
  }
  if (isOnLoan(unit) && unit.dueOn !== null && unit.dueOn < lastDay) {
    return { reason: 'goes-back', dueOn: unit.dueOn, neededUntil: lastDay }
  }
  return null
}

export function isOnLoan(unit: Pick<Unit, 'acquisition'>): boolean {
  return unit.acquisition === 'loan-in' || unit.acquisition === 'rented'
}

function canReturn(state: LifeState): boolean {
  return state === 'lent' || state === 'ordered'
}
