import {
  countSessionsPerMonth,
  type FloorSpace,
  findMonthsAround,
  judgeCarriedLoads,
  judgeCompleteness,
  listAllThings,
  measureFloor,
  measureMinutesPerMonth,
  type ReadinessInput,
  type RigTime,
  reckonRigTime,
  type Setup,
  type StandingRig,
} from '@exemplar/core'
import { and, eq, gt, lt, ne, type SQL } from 'drizzle-orm'
import type { House } from '../foundation/database/app-context.ts'
import { bookings } from '../schema/diary-tables.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { loadReadinessInput } from './assessing.ts'
import { makePresentOccasion } from './setup-routes.ts'

/** A setup as it stands today, with its things joined, its minutes and its floor. */
export interface Rig {
  input: ReadinessInput
  standing: StandingRig
  time: RigTime
  floor: FloorSpace
}

export function gatherRig(house: House, setup: Setup): Rig {
  const occasion = makePresentOccasion(house, setup)
  const { input } = loadReadinessInput(house.db, setup, occasion, loadStudio(house.db))
  const things = listAllThings(setup, input.holdings, input)
  const { joints } = judgeCompleteness(things, input.interfaces, setup.links)
  const { below } = judgeCarriedLoads(things, joints, input.interfaces)
  const time = reckonRigTime(setup, input.holdings, input.policies, below)
  const roles = new Set(time.steps.flatMap((it) => (it.stays ? it.roleId : [])))
  const stays = new Set(things.flatMap((it) => (it.roleId !== null && roles.has(it.roleId) ? it.key : [])))
  return {
    input,
    standing: { setup, things, joints, standing: roles },
    time,
    floor: measureFloor(things, below, input.holdings, stays),
  }
}

/** The holds of bookings in the months around now, those of a setup or of a place. */
function loadMonths({ db, now }: House, suits: SQL | undefined) {
  const { start, end } = findMonthsAround(now())
  return db
    .select({ start: bookings.holdStart, end: bookings.holdEnd, setupId: bookings.setupId })
    .from(bookings)
    .where(and(suits, ne(bookings.state, 'cancelled'), gt(bookings.holdEnd, start), lt(bookings.holdStart, end)))
    .all()
}

export function loadSessionsPerMonth(house: House, setupId: string): number {
  return countSessionsPerMonth(loadMonths(house, eq(bookings.setupId, setupId)), house.now())
}

/** Minutes in a month in which a room is wanted by somebody else than this setup. */
export function loadOtherUse(house: House, setupId: string, placeId: string | null): number {
  if (!placeId) return 0
  const others = loadMonths(house, eq(bookings.placeId, placeId)).filter((it) => it.setupId !== setupId)
  return measureMinutesPerMonth(others, house.now())
}
