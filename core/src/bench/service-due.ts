import type { Unit } from '../kit/unit/unit.ts'
import { addDays, countDays } from '../units/wall-time.ts'
import type { ServicePlan } from './service-plan.ts'

/** How much something was used since it was serviced last, and how much it will be. */
export interface Wear {
  uses: number
  hours: number
  /** Charges since then, and what is left of its energy in per cent; null where nobody measured it. */
  cycles: number
  healthPercent: number | null
  /** What is booked, in the order of its days. */
  ahead: readonly { day: string; hours: number }[]
  /** From the log; null where too little is logged to tell. */
  usesPerDay: number | null
  hoursPerDay: number | null
}

export const NO_WEAR: Wear = {
  uses: 0,
  hours: 0,
  cycles: 0,
  healthPercent: null,
  ahead: [],
  usesPerDay: null,
  hoursPerDay: null,
}

export type DueBy = 'days' | 'uses' | 'hours' | 'cycles' | 'condition'

export interface ServiceDue {
  /** Null where there is nothing to tell it by: no day to count from, or no use in sight. */
  dueOn: string | null
  by: DueBy | null
  /** The day is told from the diary and the log, and not from the calendar alone. */
  isForecast: boolean
  /** Negative when it is past. */
  daysLeft: number | null
  isDue: boolean
  /** Past its days of grace. */
  isLate: boolean
}

const MOST_DAYS_AHEAD = 3650

type Intervals = Pick<ServicePlan, 'everyDays' | 'everyUses' | 'everyHours'> &
  Partial<Pick<ServicePlan, 'everyCycles' | 'healthBelow' | 'graceDays'>>

/**
 * When a plan wants a thing serviced next: by days, uses, hours, charges or its condition, whichever comes first. Days count from the last service, or from
 * the day the thing came. What is reached is due; a forecast rounds its days up. Charges and condition are due when they are reached,
 * and are not forecast. What was measured
 * before it was serviced last says nothing more: its `healthPercent` is null then.
 */
export function computeServiceDue(plan: Intervals, from: string | null, wear: Wear, today: string): ServiceDue {
  const ways = [
    { by: 'days' as const, dueOn: plan.everyDays === null || from === null ? null : addDays(from, plan.everyDays) },
    { by: 'uses' as const, dueOn: findDayReached(plan.everyUses, wear.uses, wear.usesPerDay, wear, () => 1, today) },
    {
      by: 'hours' as const,
      dueOn: findDayReached(plan.everyHours, wear.hours, wear.hoursPerDay, wear, (it) => it.hours, today),
    },
    { by: 'cycles' as const, dueOn: hasReached(plan.everyCycles, wear.cycles) ? today : null },
    { by: 'condition' as const, dueOn: isWorn(plan.healthBelow, wear.healthPercent) ? today : null },
  ].flatMap(({ by, dueOn }) => (dueOn === null ? [] : [{ by, dueOn }]))
  const first = ways.reduce<(typeof ways)[number] | null>(
    (best, it) => (best && best.dueOn <= it.dueOn ? best : it),
    null,
  )
  if (!first) return { dueOn: null, by: null, isForecast: false, daysLeft: null, isDue: false, isLate: false }
  const daysLeft = countDays(today, first.dueOn)
  return {
    ...first,
    isForecast: first.by !== 'days' && daysLeft > 0,
    daysLeft,
    isDue: daysLeft <= 0,
    isLate: daysLeft < -(plan.graceDays ?? 0),
  }
}

const hasReached = (limit: number | null | undefined, already: number) =>
  limit !== null && limit !== undefined && already >= limit

const isWorn = (limit: number | null | undefined, health: number | null) =>
  limit !== null && limit !== undefined && health !== null && health <= limit

/** The day on which so many uses or hours are reached: today where they are, else by what is booked, then at the pace of the log. */
function findDayReached(
  limit: number | null,
  already: number,
  perDay: number | null,
  { ahead }: Wear,
  amountOf: (it: Wear['ahead'][number]) => number,
  today: string,
): string | null {
  if (limit === null) return null
  if (already >= limit) return today
  let reached = already
  for (const it of ahead) {
    reached += amountOf(it)
    if (reached >= limit) return it.day
  }
  const days = perDay === null ? Number.POSITIVE_INFINITY : Math.ceil((limit - reached) / perDay)
  // So far ahead nobody knows.
  if (!(days <= MOST_DAYS_AHEAD)) return null
  const from = ahead.at(-1)?.day ?? today
  return addDays(from > today ? from : today, days)
}

/**
 * When a thing wants its next service by its own interval, counted from the last one, or from the day it came where none is
 * recorded. Null where no interval is set or there is no day to count from.
 */
export function findServiceDue(
  unit: Pick<Unit, 'serviceEveryDays' | 'lastServicedOn' | 'acquiredOn'>,
  today: string,
): { dueOn: string; daysLeft: number; isDue: boolean } | null {
  if (unit.serviceEveryDays === null) return null
  const plan = { everyDays: unit.serviceEveryDays, everyUses: null, everyHours: null }
  const { dueOn, daysLeft, isDue } = computeServiceDue(plan, unit.lastServicedOn ?? unit.acquiredOn, NO_WEAR, today)
  return dueOn === null || daysLeft === null ? null : { dueOn, daysLeft, isDue }
}
