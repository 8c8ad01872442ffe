import { describe, expect, test } from 'vitest'
import { NO_SUPPLY } from '../../kit/unit/unit.ts'
import { resolvePolicies } from '../../studio/policy/resolved-policies.ts'
import { DEFAULT_SETTINGS } from '../../studio/policy/settings.ts'
import type { CameraAngle } from '../checks/picture/camera-angles.ts'
import { sayFraming } from '../checks/picture/framing-words.ts'
import { computeCarriedLoads } from '../checks/rigging/carried-load.ts'
import { makeSceneOf } from '../checks/scene.fixture.ts'
import { checkCompleteness } from '../joining/completeness.ts'
import { listPlacedItems } from '../placed/placed-item.ts'
import { makeInput, makeRole, makeStudio } from '../placed/studio.fixture.ts'
import { INTERFACES } from '../placed/things.fixture.ts'
import { NO_POSITION, sayPosition } from '../setup/setting-card.ts'
import { makeAssignment, type NewSetup, type Role } from '../setup/setup.ts'
import { NO_STAGE } from '../setup/stage.ts'
import { planChangeOver, type StandingRig } from './change-over.ts'
import { computeFloorSpace } from './floor-space.ts'
import { computeRigTime, computeStandingCost, findRigMinutes } from './rig-minutes.ts'
import { sayRigTime } from './rig-time-words.ts'
import { countSessionsPerMonth, measureMinutesPerMonth } from './room-utilisation.ts'

const PLATE = {
  code: 'plate-own',
  label: 'Own plate',
  kind: 'carry' as const,
  hostName: 'clamp',
  guestName: 'plate',
  standard: null,
  viaCableOnly: false,
  version: 1,
}
const interfaces = new Map([...INTERFACES, [PLATE.code, PLATE]])

/** A camera that goes onto an arm or a tripod, by a plate where it is said. */
function makeKit(platesOn: readonly string[] = []) {
  const studio = makeStudio({
    CAM: ['camera', { mount: 'mount-x', massGrams: 700 }],
    LEN: ['lens', { mount: 'mount-x', massGrams: 300 }],
    ARM: ['arm', { loadGrams: 3_000, massGrams: 2_000 }],
    TRI: ['tripod', { loadGrams: 5_000, massGrams: 2_500 }],
    LGT: ['light', { massGrams: 1_000 }],
    STD: ['stand', { loadGrams: 4_000, massGrams: 1_900 }],
  })
  for (const tag of platesOn) {
    const model = studio.models.get(`m-${tag}`)
    if (!model) continue
    const ports = model.ports.map((port) =>
      port.interfaces.includes('thread-1-4') ? { ...port, interfaces: [PLATE.code, ...port.interfaces] } : port,
    )
    studio.models.set(`m-${tag}`, { ...model, ports })
  }
  return studio
}

function stand(studio: ReturnType<typeof makeKit>, roles: Role[], standing: string[] = []): StandingRig {
  const { setup } = makeInput(studio, roles)
  const things = listPlacedItems(setup, studio, null)
  return { setup, things, joints: checkCompleteness(things, interfaces).joints, standing: new Set(standing) }
}

const policies = (way: string, overrides: Partial<NewSetup['overrides']['schools']> = {}) =>
  resolvePolicies({ ...DEFAULT_SETTINGS, schools: { standing: way, ...overrides } }, null)

describe('minutes until it records', () => {
  const studio = makeKit()
  const roles = [
    makeRole('A', ['CAM', 'LEN'], { wants: 'camera' }),
    makeRole('S', ['TRI'], { group: 'support', wants: 'tripod' }),
    makeRole('K', ['LGT', 'STD'], { group: 'light', wants: 'light' }),
  ]
  const time = (way: string, rest: Partial<Role> = {}, below?: Map<string, string[]>) =>
    computeRigTime(
      { roles: roles.map((it) => (it.id === 'K' ? { ...it, ...rest } : it)), stage: NO_STAGE },
      studio,
      policies(way),
      below,
    )

  test('everything struck each time: the sum of what each kind usually takes', () => {
    const all = ['camera', 'lens', 'tripod', 'light', 'stand'] as const
    const sum = all.reduce((minutes, kind) => minutes + findRigMinutes(kind), 0)
    expect(time('packed')).toMatchObject({ toRecordMinutes: sum, fromNothingMinutes: sum })
    expect(time('standing').toRecordMinutes).toBe(0)
  })

  test('half standing keeps key and camera, and what carries them', () => {
    const staying = (below?: Map<string, string[]>) =>
      time('half', {}, below)
        .steps.filter((it) => it.stays)
        .map((it) => it.role)
        .sort()
    expect(staying()).toEqual(['A', 'K'])
    expect(staying(new Map([['CAM', ['TRI']]]))).toEqual(['A', 'K', 'S'])
  })

  test('what somebody timed and said of a role goes before policy and usual', () => {
    const { steps } = time('standing', { rigMinutes: 11, stays: false })
    expect(steps[0]).toMatchObject({ role: 'K', rigMinutes: 11, isTimed: true, isSaid: true, stays: false })
    expect(steps.find((it) => it.role === 'A')).toMatchObject({ isTimed: false, isSaid: false, stays: true })
  })

  test('what would save most comes first', () => {
    const saved = time('packed').steps.map((it) => it.rigMinutes + it.strikeMinutes)
    expect(saved).toEqual([...saved].sort((a, b) => b - a))
  })

  test('a month of it: rigging and striking by sessions, and the room while something stays', () => {
    const half = time('half')
    const cost = computeStandingCost(half, 4, 600)
    expect(cost.packingMinutes).toBe((half.toRecordMinutes + half.strikeMinutes) * 4)
    expect(cost.packingAllMinutes).toBeGreaterThan(cost.packingMinutes)
    expect(cost.inTheWayMinutes).toBe(600)
    expect(computeStandingCost(time('packed'), 4, 600).inTheWayMinutes).toBe(0)
  })
})

describe('a month of bookings', () => {
  const DAY = 86_400_000
  const now = 1_000 * DAY
  const at = (day: number, hours = 2) => ({ start: now + day * DAY, end: now + day * DAY + hours * 3_600_000 })

  test('sessions of the last three months, or of the next one where there was none', () => {
    expect(countSessionsPerMonth([at(-80), at(-40), at(-10), at(5)], now)).toBe(1)
    expect(countSessionsPerMonth([at(5), at(20), at(40)], now)).toBe(2)
    expect(countSessionsPerMonth([at(-100)], now)).toBe(0)
  })

  test('minutes of six weeks to either side, and of what reaches beyond only the part within', () => {
    expect(measureMinutesPerMonth([at(-10, 3), at(10, 3)], now)).toBe(120)
    // From the 44th day for two days: one of them is within.
    expect(measureMinutesPerMonth([at(44, 48), at(60)], now)).toBe(480)
  })
})

test('minutes and framing open: every role with its minutes, the formula with its numbers', () => {
  const studio = makeKit()
  const time = computeRigTime(
    { roles: [makeRole('A', ['CAM', 'LEN']), makeRole('S', ['TRI'])], stage: NO_STAGE },
    studio,
    policies('packed'),
  )
  expect(sayRigTime(time).lines.map((it) => it.label)).toEqual(['A', 'S', 'all of it', 'without what stays'])
  const angle = { tag: 'CAM', activeWidthMm: 36, focalMm: 50, distanceMm: 2_050, frameWidthMm: 1_440 } as CameraAngle
  expect(sayFraming(angle)?.lines[0]?.sum).toBe('36 · (2,050 − 50) / 50 = 1,440 mm')
  expect(sayFraming({ ...angle, distanceMm: null })).toBeNull()
})

describe('from one setup to another', () => {
  const overhead = (studio: ReturnType<typeof makeKit>) => stand(studio, [makeRole('Top', ['CAM', 'LEN', 'ARM'])])
  const talking = (studio: ReturnType<typeof makeKit>, rest: Partial<Role> = {}) =>
    stand(studio, [makeRole('A', ['CAM', 'LEN', 'TRI'], rest)])

  test('a camera goes from the arm to the tripod: screwed, or by hand where both take the same plate', () => {
    const screwed = makeKit()
    const steps = planChangeOver(overhead(screwed), talking(screwed), interfaces).steps
    expect(steps.map((it) => [it.tag, it.kind])).toEqual([
      ['ARM', 'strike'],
      ['CAM', 'move'],
      ['TRI', 'rig'],
    ])
    expect(steps[1]).toMatchObject({ from: 'ARM', to: 'TRI', plate: 'tools', minutes: findRigMinutes('camera') })
    const plated = makeKit(['CAM', 'ARM', 'TRI'])
    const move = planChangeOver(overhead(plated), talking(plated), interfaces).steps[1]
    expect(move).toMatchObject({ plate: 'same', minutes: 1 })
    const oneSided = makeKit(['CAM', 'TRI'])
    expect(planChangeOver(overhead(oneSided), talking(oneSided), interfaces).steps[1]).toMatchObject({ plate: 'other' })
  })

  test('the same setup wants nothing; one that is only turned says to where', () => {
    const studio = makeKit()
    expect(planChangeOver(talking(studio), talking(studio), interfaces)).toMatchObject({ steps: [], minutes: 0 })
    const turned = talking(studio, {
      position: { distanceMm: 1_500, sideDegrees: 30, heightMm: null, focalMm: null },
    })
    const { steps, worthTwice } = planChangeOver(talking(studio), turned, interfaces)
    expect(steps[0]).toMatchObject({ kind: 'turn', to: '1.5 m away, 30° right' })
    expect(worthTwice.map((it) => it.tag)).toContain('CAM')
  })

  test('what stays standing is neither struck nor rigged', () => {
    const studio = makeKit()
    const lit = stand(studio, [makeRole('K', ['LGT', 'STD'])], ['K'])
    expect(planChangeOver(lit, talking(studio), interfaces).steps.map((it) => it.tag)).toEqual(['CAM', 'LEN', 'TRI'])
  })

  test('minutes are the sum of the steps, and pieces of one stock are one step', () => {
    const studio = makeKit()
    const model = studio.models.get('m-STD')
    if (!model) throw new Error('no model')
    studio.stock.set('BAG', {
      id: 'BAG',
      tag: 'BAG',
      modelId: 'm-BAG',
      quantity: 9,
      reorderLevel: 0,
      supply: NO_SUPPLY,
      placeId: null,
      version: 1,
    })
    studio.models.set('m-BAG', { ...model, id: 'm-BAG', category: 'sandbag', ports: [] })
    const bags = makeRole('Bags', [])
    const weighted = stand(studio, [{ ...bags, things: [makeAssignment({ stockId: 'BAG', quantity: 3 })] }])
    const plan = planChangeOver(stand(studio, []), weighted, interfaces)
    expect(plan.steps).toMatchObject([{ tag: 'BAG', count: 3, kind: 'rig' }])
    expect(plan.minutes).toBe(plan.steps.reduce((sum, it) => sum + it.minutes, 0))
  })
})

test('a measured place in words', () => {
  const place = { distanceMm: 1_500, sideDegrees: -40, heightMm: 1_900, focalMm: 35 }
  expect(sayPosition(place)).toBe('1.5 m away, 40° left, 1.9 m high, 35 mm')
  expect(sayPosition({ ...NO_POSITION, sideDegrees: 0 })).toBe('at the lens')
  expect([sayPosition(NO_POSITION), sayPosition(null)]).toEqual(['', ''])
})

describe('what stands on the floor', () => {
  test('a circle for legs, width by depth for furniture, nothing for what rides on something', () => {
    const studio = makeKit()
    const withSpecs = (tag: string, more: object) => {
      const model = studio.models.get(`m-${tag}`)
      if (model) studio.models.set(`m-${tag}`, { ...model, specs: { ...model.specs, more } })
    }
    withSpecs('TRI', { legRadiusMm: 500 })
    const { things, joints } = stand(studio, [makeRole('A', ['CAM', 'LEN', 'TRI', 'LGT', 'STD'])])
    const { below } = computeCarriedLoads(makeSceneOf(things, { joints: [...joints] }))
    const floor = computeFloorSpace(things, below)
    expect(floor.things.map((it) => it.tag)).toEqual(['TRI', 'STD'])
    expect(floor.feet).toBe(6)
    // A circle of half a metre: 0.785 m².
    expect(floor.squareMm / 1_000_000).toBeCloseTo(0.785, 3)
    expect(floor.unknown).toEqual(['STD'])
  })
})
