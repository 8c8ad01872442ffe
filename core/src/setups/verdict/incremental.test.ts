import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { Category } from '../../kit/model/category.ts'
import type { TemplateFacts } from '../../kit/template/template-facts.ts'
import { checkCompleteness } from '../joining/completeness.ts'
import { splitIntoComponents } from '../joining/components.ts'
import { thingOf } from '../placed/random-things.fixture.ts'
import { makeInput, makeRole, makeStudio } from '../placed/studio.fixture.ts'
import { INTERFACES } from '../placed/things.fixture.ts'
import { addCableRun, type CableRun } from '../setup/cable-run.ts'
import type { NewSetup } from '../setup/setup.ts'
import { makeAssignment } from '../setup/setup.ts'
import { makeJudge } from './incremental.ts'
import { assessSetup } from './readiness.ts'

const KINDS: [Category, Partial<TemplateFacts>][] = [
  [
    'camera',
    {
      mount: 'mount-x',
      battery: 'pack-a',
      milliwatts: 10_000,
      cardForm: 'sd',
      kilobitsPerSecond: 100_000,
      massGrams: 700,
    },
  ],
  ['lens', { mount: 'mount-x', massGrams: 400 }],
  ['tripod', { loadGrams: 3_000, massGrams: 2_000 }],
  ['pack', { battery: 'pack-a', energyMilliwattHours: 20_000, massGrams: 200 }],
  ['card', { capacityMegabytes: 64_000, cardMegabytesPerSecond: 30 }],
  ['light', { inlet: 'iec-c7', battery: 'pack-a', milliwatts: 60_000, massGrams: 3_000 }],
  ['stand', { loadGrams: 4_000 }],
  ['boom-arm', { loadGrams: 3_500, massGrams: 900 }],
  ['lead', { inlet: 'iec-c7' }],
  ['strip', { outlets: 3 }],
  ['shotgun', {}],
  ['recorder', { battery: 'cell-aa', batteryCount: 2 }],
  ['cable', { endA: 'xlr-3', endB: 'xlr-3' }],
  ['mic-stand', {}],
]
const TAGS = KINDS.flatMap((_, kind) => [0, 1].map((n) => `T${kind}-${n}`))
const studio = makeStudio(Object.fromEntries(TAGS.map((tag, at) => [tag, KINDS[at >> 1] ?? ['other', {}]])))
const ROLES = ['A', 'B', 'C', 'D']

type Edit =
  | { kind: 'put' | 'take'; tag: string; role: number }
  | { kind: 'power'; tag: string; mode: string | null }
  | { kind: 'importance'; role: number; importance: 'essential' | 'wanted' | 'optional' }
  | { kind: 'minutes'; minutes: number }
  | { kind: 'state'; tag: string; other: string }
  | { kind: 'unstate'; at: number }

const edit: fc.Arbitrary<Edit> = fc.oneof(
  {
    weight: 6,
    arbitrary: fc.record({ kind: fc.constant('put' as const), tag: fc.constantFrom(...TAGS), role: fc.nat(3) }),
  },
  {
    weight: 2,
    arbitrary: fc.record({ kind: fc.constant('take' as const), tag: fc.constantFrom(...TAGS), role: fc.nat(3) }),
  },
  fc.record({
    kind: fc.constant('power' as const),
    tag: fc.constantFrom(...TAGS),
    mode: fc.constantFrom('mains', 'packs', null),
  }),
  fc.record({
    kind: fc.constant('importance' as const),
    role: fc.nat(3),
    importance: fc.constantFrom('essential' as const, 'wanted' as const, 'optional' as const),
  }),
  fc.record({ kind: fc.constant('minutes' as const), minutes: fc.integer({ min: 10, max: 300 }) }),
  {
    weight: 3,
    arbitrary: fc.record({
      kind: fc.constant('state' as const),
      tag: fc.constantFrom(...TAGS),
      other: fc.constantFrom(...TAGS),
    }),
  },
  fc.record({ kind: fc.constant('unstate' as const), at: fc.nat(5) }),
)

/** The first way in which two things could be joined; null where there is none. */
function findLink(tag: string, other: string): CableRun | null {
  const portsOf = (it: string) => studio.models.get(`m-${it}`)?.ports ?? []
  for (const from of portsOf(tag)) {
    const to = portsOf(other).find(
      (it) => it.side !== from.side && it.interfaces.some((code) => from.interfaces.includes(code)),
    )
    if (to)
      return { from: { unitId: tag, portId: from.id }, via: [], to: { unitId: other, portId: to.id }, neededMm: null }
  }
  return null
}

function apply(setup: NewSetup, it: Edit): NewSetup {
  const withRole = (index: number, change: (role: NewSetup['roles'][number]) => NewSetup['roles'][number]) => ({
    ...setup,
    roles: setup.roles.map((role, at) => (at === index ? change(role) : role)),
  })
  switch (it.kind) {
    case 'put':
      if (setup.roles.some((role) => role.things.some((thing) => thing.unitId === it.tag))) return setup
      return withRole(it.role, (role) => ({ ...role, things: [...role.things, makeAssignment({ unitId: it.tag })] }))
    case 'take':
      return {
        ...setup,
        roles: setup.roles.map((role) => ({ ...role, things: role.things.filter((thing) => thing.unitId !== it.tag) })),
      }
    case 'power':
      return {
        ...setup,
        roles: setup.roles.map((role) => ({
          ...role,
          things: role.things.map((thing) => (thing.unitId === it.tag ? { ...thing, powerModeId: it.mode } : thing)),
        })),
      }
    case 'importance':
      return withRole(it.role, (role) => ({ ...role, importance: it.importance }))
    case 'minutes':
      return { ...setup, plannedMinutes: it.minutes }
    case 'state': {
      const link = it.tag === it.other ? null : findLink(it.tag, it.other)
      return link ? { ...setup, links: addCableRun(setup.links, link, () => 1) } : setup
    }
    case 'unstate':
      return { ...setup, links: setup.links.filter((_, at) => at !== it.at) }
    default:
      return it satisfies never
  }
}

describe('judging while a setup is changed', () => {
  test('300 random edit sequences: after each edit the same as judged from scratch', () => {
    fc.assert(
      fc.property(fc.array(edit, { minLength: 5, maxLength: 30 }), (edits) => {
        const judge = makeJudge()
        const input = makeInput(
          studio,
          ROLES.map((id) => makeRole(id, [])),
        )
        let setup = input.setup
        for (const it of edits) {
          setup = apply(setup, it)
          expect(judge.assess({ ...input, setup })).toEqual(assessSetup({ ...input, setup }))
        }
      }),
      { numRuns: 300, seed: 20261125 },
    )
  })

  test('parts that have nothing in common judged one by one are the whole', () => {
    const set = fc.tuple(...[0, 1, 2, 3, 4].map(thingOf))
    fc.assert(
      fc.property(set, (things) => {
        const parts = splitIntoComponents(things)
        expect(
          parts
            .flat()
            .map((it) => it.key)
            .sort(),
        ).toEqual(things.map((it) => it.key).sort())
        const whole = checkCompleteness(things, INTERFACES)
        const bits = parts.map((part) => checkCompleteness(part, INTERFACES))
        expect(whole.joints).toEqual(bits.flatMap((it) => it.joints))
        for (const [at, part] of parts.entries()) {
          const others = parts.filter((_, index) => index !== at).flat()
          const codes = new Set(part.flatMap((it) => it.ports.flatMap((port) => port.interfaces)))
          expect(others.some((it) => it.ports.some((port) => port.interfaces.some((code) => codes.has(code))))).toBe(
            false,
          )
        }
      }),
      { numRuns: 300, seed: 20261125 },
    )
  })
})
