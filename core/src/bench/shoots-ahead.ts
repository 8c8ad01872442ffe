import type { Category } from '../kit/model/category.ts'
import type { SinglePointOfFailure } from '../setups/proposals/resilience.ts'
import { type Need, reckonReady, type ShootAhead } from './outlook.ts'
import type { FailureRates, ReliabilityRecord } from './reliability.ts'

/** What a setup stops without. */
export interface SetupNeeds {
  id: string
  losses: readonly SinglePointOfFailure[]
  covered: readonly SinglePointOfFailure[]
}

/** A booking, and what it holds. */
export interface BookedShoot {
  id: string
  start: number
  end: number
  isPast: boolean
  setup: { id: string } | null
  unitIds: readonly string[]
}

/** The bookings of setups with what each stops without, and how likely each thing in it fails at a use. */
export interface Hanging {
  shoots: ShootAhead[]
  failsOf: Map<string, number>
}

/**
 * What each of some bookings stops without. What could stand in there stands in no more while another booking holds it; a thing
 * that serves in two roles is one thing. What nothing is recorded of (counted things) fails as its kind does. Null where too
 * little was logged for any figure.
 */
export function listHanging(
  bookings: readonly BookedShoot[],
  setups: readonly SetupNeeds[],
  records: readonly Pick<ReliabilityRecord, 'unitId' | 'modelId' | 'category'>[],
  rates: FailureRates,
): Hanging | null {
  const recordOf = new Map(records.map((it) => [it.unitId, it]))
  const needsOf = new Map(setups.map((it) => [it.id, mergeNeeds(it)]))
  const failsOf = new Map<string, number>()
  const learn = (id: string, modelId: string, category: Category): boolean => {
    if (failsOf.has(id)) return true
    const rate = rates.rateOf(modelId, category)
    if (rate) failsOf.set(id, 1 - reckonReady(rate.perUse))
    return rate !== null
  }
  const shoots: ShootAhead[] = []
  for (const { id, start, end, isPast, setup, unitIds } of bookings) {
    const needs = needsOf.get(setup?.id ?? '')
    if (!needs || !setup) continue
    const others = isPast ? [] : bookings.filter((it) => it.id !== id && !it.isPast && it.start < end && it.end > start)
    const busy = new Set(others.flatMap((it) => it.unitIds))
    const own = new Set(unitIds)
    const free = needs.map((it) => ({ ...it, standIns: it.standIns.filter((one) => own.has(one) || !busy.has(one)) }))
    shoots.push({ id, setupId: setup.id, start, end, needs: free })
    for (const need of free) {
      const record = recordOf.get(need.unitId)
      if (!record) continue
      for (const it of [need.unitId, ...need.standIns]) {
        const known = recordOf.get(it)
        if (!learn(it, known?.modelId ?? '', known?.category ?? record.category)) return null
      }
    }
  }
  return { shoots, failsOf }
}

function mergeNeeds({ losses, covered }: SetupNeeds): Need[] {
  const needs = new Map<string, Need>()
  for (const { unitId, standIns } of [...losses, ...covered]) {
    // One that serves in two roles is replaced by what could take its place in either: by what both name.
    const ids = standIns.map((it) => it.unitId)
    const known = needs.get(unitId)
    needs.set(unitId, { unitId, standIns: known ? known.standIns.filter((it) => ids.includes(it)) : ids })
  }
  return [...needs.values()]
}
