import {
  type AssessmentInput,
  computeCarriedLoads,
  computeFloorSpace,
  computeRigTime,
  countSessionsPerMonth,
  type FloorSpace,
  findMonthsAround,
  makeScene,
  measureMinutesPerMonth,
  type RigTime,
  type Setup,
  type StandingRig,
  type StandingThere,
} from '@exemplar/core'
import { and, eq, gt, lt, ne, type SQL } from 'drizzle-orm'
import type { AppContext } from '../foundation/database/app-context.ts'
import { bookings } from '../schema/diary-tables.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { makePresentContext } from './assessment-context.ts'
import { loadAssessment } from './assessment-store.ts'
import { loadAllSetups } from './setup-store.ts'

/** A setup as it stands today, with its things joined, its minutes and its floor. */
export interface Rig {
  input: AssessmentInput
  standing: StandingRig
  time: RigTime
  floor: FloorSpace
}

export function loadRig(app: AppContext, setup: Setup): Rig {
  const context = makePresentContext(app.now(), setup)
  return makeRig(setup, loadAssessment(app.db, { setup, context }, loadStudio(app.db)).input)
}

function makeRig(setup: Setup, input: AssessmentInput): Rig {
  const scene = makeScene(input)
  const { items: things, joints } = scene
  const { below } = computeCarriedLoads(scene)
  const time = computeRigTime(setup, input.holdings, input.policies, below)
  const roles = new Set(time.steps.flatMap((it) => (it.stays ? it.roleId : [])))
  const stays = new Set(things.flatMap((it) => (it.roleId !== null && roles.has(it.roleId) ? it.key : [])))
  return {
    input,
    standing: { setup, things, joints, standing: roles },
    time,
    floor: computeFloorSpace(things, below, stays),
  }
}

/** The holds of bookings in the months around now, those of a setup or of a place. */
function loadMonths({ db, now }: AppContext, suits: SQL | undefined) {
  const { start, end } = findMonthsAround(now())
  return db
    .select({ start: bookings.holdStart, end: bookings.holdEnd, setupId: bookings.setupId })
    .from(bookings)
    .where(and(suits, ne(bookings.state, 'cancelled'), gt(bookings.holdEnd, start), lt(bookings.holdStart, end)))
    .all()
}

export function loadSessionsPerMonth(app: AppContext, setupId: string): number {
  return countSessionsPerMonth(loadMonths(app, eq(bookings.setupId, setupId)), app.now())
}

/** Minutes in a month in which a room is wanted by somebody else than this setup. */
export function loadOtherUse(app: AppContext, setupId: string, placeId: string | null): number {
  if (!placeId) return 0
  const others = loadMonths(app, eq(bookings.placeId, placeId)).filter((it) => it.setupId !== setupId)
  return measureMinutesPerMonth(others, app.now())
}

/** What setups leave standing on the floor of a room between their sessions, other than the one that is booked. */
export function listStandingThere(app: AppContext, placeId: string, exceptSetupId: string | null): StandingThere[] {
  return loadAllSetups(app.db, 'code')
    .filter((it) => it.placeId === placeId && it.id !== exceptSetupId)
    .flatMap((setup): StandingThere[] => {
      const { time, floor } = loadRig(app, setup)
      const there = floor.things.filter((it) => it.stays)
      if (there.length === 0) return []
      return [
        {
          setupId: setup.id,
          code: setup.code,
          name: setup.name,
          tags: countEach(there.map((it) => it.tag)),
          squareMm: there.reduce((sum, it) => sum + (it.squareMm ?? 0), 0),
          unknown: there.flatMap((it) => (it.squareMm === null ? it.tag : [])),
          strikeMinutes: time.steps.reduce((sum, it) => sum + (it.stays ? it.strikeMinutes : 0), 0),
        },
      ]
    })
}

/** Each tag once, with how many of it where there are several: pieces of one stock have one. */
function countEach(tags: readonly string[]): string[] {
  return [...new Set(tags)].map((tag) => {
    const count = tags.filter((it) => it === tag).length
    return count > 1 ? `${count} × ${tag}` : tag
  })
}
