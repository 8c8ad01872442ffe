import {
  type FloorSpace,
  judgeCarriedLoads,
  judgeCompleteness,
  listAllThings,
  measureFloor,
  type ReadinessInput,
  type RigTime,
  reckonRigTime,
  type Setup,
  type StandingRig,
} from '@exemplar/core'
import { and, eq, gt, isNotNull, lt, ne } from 'drizzle-orm'
import { bookings } from '../diary/tables.ts'
import type { Database } from '../foundation/database.ts'
import type { House } from '../foundation/house.ts'
import { loadStudio } from '../studio/studio-routes.ts'
import { loadReadinessInput } from './judging.ts'
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

const MONTH_MS = 30 * 86_400_000
const MONTHS_LOOKED_AT = 3

/** How often a setup is shot in a month: by the last three, or where there is nothing yet by the next one. */
export function countSessionsPerMonth({ db, now }: House, setupId: string): number {
  const between = (start: number, end: number) =>
    db
      .select({ id: bookings.id })
      .from(bookings)
      .where(
        and(
          eq(bookings.setupId, setupId),
          ne(bookings.state, 'cancelled'),
          gt(bookings.holdEnd, start),
          lt(bookings.holdStart, end),
        ),
      )
      .all().length
  const past = between(now() - MONTHS_LOOKED_AT * MONTH_MS, now()) / MONTHS_LOOKED_AT
  return past > 0 ? past : between(now(), now() + MONTH_MS)
}

/** Minutes in a month in which a room is wanted by somebody else than this setup, by the last and next six weeks. */
export function measureOtherUse(db: Database, now: number, setupId: string, placeId: string | null): number {
  if (!placeId) return 0
  const span = 1.5 * MONTH_MS
  const rows = db
    .select({ start: bookings.holdStart, end: bookings.holdEnd, setupId: bookings.setupId })
    .from(bookings)
    .where(
      and(
        eq(bookings.placeId, placeId),
        ne(bookings.state, 'cancelled'),
        isNotNull(bookings.placeId),
        gt(bookings.holdEnd, now - span),
        lt(bookings.holdStart, now + span),
      ),
    )
    .all()
  const minutes = rows.filter((it) => it.setupId !== setupId).reduce((sum, it) => sum + (it.end - it.start) / 60_000, 0)
  return Math.round((minutes * MONTH_MS) / (2 * span))
}
