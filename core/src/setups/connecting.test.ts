import fc from 'fast-check'
import { beforeAll, describe, expect, test } from 'vitest'
import type { Category } from '../kit/category.ts'
import type { TemplateFacts } from '../kit/template-facts.ts'
import type { SolveProgram } from '../units/integer-program.ts'
import { buildConnectProgram, type Choice } from './connect-program.ts'
import { findBlocking, planConnections } from './connecting.ts'
import { type End, findBestJoining, listEnds } from './joining.fixture.ts'
import { thingOf } from './random-things.fixture.ts'
import { assessSetup } from './readiness.ts'
import { applyRemedy } from './remedy.ts'
import { loadTestSolver } from './solver.fixture.ts'
import { makeInput, makeRole, makeStudio } from './studio.fixture.ts'
import type { SetThing } from './thing.ts'
import { INTERFACES } from './things.fixture.ts'
import type { Store } from './ways-out.ts'

let solve: SolveProgram
beforeAll(async () => {
  solve = await loadTestSolver()
})

type Things = Record<string, [Category, Partial<TemplateFacts>]>

/** A setup of some things, with the rest of the studio free in the store. */
function plan(inSetup: string[], things: Things, rest: { used?: Record<string, number> } = {}) {
  const studio = makeStudio(things)
  const input = makeInput(
    studio,
    inSetup.map((tag) => makeRole(tag, [tag])),
  )
  const store: Store = {
    units: Object.keys(things)
      .filter((tag) => !inSetup.includes(tag))
      .flatMap((tag) => {
        const unit = studio.units.get(tag)
        const model = studio.models.get(`m-${tag}`)
        return unit && model ? [{ unit, model, usedBySetups: rest.used?.[tag] ?? 0 }] : []
      }),
    stock: [],
    circuits: [],
  }
  const result = planConnections(input, store, solve)
  const setup = result.remedies.reduce(applyRemedy, input.setup)
  return { ...result, tags: result.taken.map((it) => it.tag).sort(), after: assessSetup({ ...input, setup }) }
}

describe('connect for me', () => {
  const camera: [Category, Partial<TemplateFacts>] = ['camera', { mount: 'mount-x', massGrams: 900 }]
  const tripod: [Category, Partial<TemplateFacts>] = ['tripod', { loadGrams: 4_000 }]

  test('a camera that has its lens gets the tripod that fewest setups count on', () => {
    const { status, tags, after } = plan(
      ['C', 'L'],
      { C: camera, L: ['lens', { mount: 'mount-x' }], T1: tripod, T2: tripod },
      { used: { T1: 3 } },
    )
    expect([status, tags, after.counts.stop]).toEqual(['complete', ['T2'], 0])
  })

  test('a lens of another mount through an adapter; the bare adapter alone is never taken', () => {
    const things: Things = {
      C: camera,
      L: ['lens', { mount: 'mount-y' }],
      A: ['lens-adapter', { mount: 'mount-x', frontMount: 'mount-y' }],
      T: tripod,
    }
    expect(plan(['C', 'L'], things).tags).toEqual(['A', 'T'])
    const { status, tags, open } = plan(['C'], things)
    // A lens is nothing that is taken by itself: somebody has to want it first.
    expect([status, tags, open.map((it) => it.tag)]).toEqual(['partly', ['T'], ['C']])
    expect(open[0]?.proof).toEqual(['C'])
  })

  test('two lamps on two stands of unequal rating go the right way round, and a third would be named', () => {
    const lamp = (massGrams: number): [Category, Partial<TemplateFacts>] => ['light', { massGrams }]
    const things: Things = {
      K: lamp(9_000),
      F: lamp(3_000),
      S1: ['stand', { loadGrams: 10_000 }],
      S2: ['stand', { loadGrams: 4_000 }],
      G: lamp(9_000),
    }
    const two = plan(['F', 'K'], things)
    expect([two.status, two.taken.map((it) => [it.tag, it.joins])]).toEqual([
      'complete',
      [
        ['S1', ['K']],
        ['S2', ['F']],
      ],
    ])
    const three = plan(['F', 'G', 'K'], things)
    expect(three.status).toBe('partly')
    // Of the two heavy ones only one can stand: that is the whole proof.
    expect(three.open.map((it) => [...it.proof].sort())).toEqual([['G', 'K']])
  })

  test('a lead and, as the sockets are taken, a strip; a strip in a strip never', () => {
    const lamp: [Category, Partial<TemplateFacts>] = ['practical', { inlet: 'iec-c7', milliwatts: 20_000 }]
    const lead: [Category, Partial<TemplateFacts>] = ['lead', { inlet: 'iec-c7' }]
    const lamps = { A: lamp, B: lamp, C: lamp }
    const leads = { D1: lead, D2: lead, D3: lead }
    const { status, tags } = plan(['A', 'B', 'C'], { ...lamps, ...leads, S: ['strip', { outlets: 2 }] })
    expect([status, tags]).toEqual(['complete', ['D1', 'D2', 'D3', 'S']])
    const without = plan(['A', 'B', 'C'], { ...lamps, ...leads })
    expect([without.status, without.tags.length]).toEqual(['partly', 2])
  })

  test('another way to power is taken where that needs less than a lead', () => {
    const things: Things = {
      L: ['practical', { inlet: 'iec-c7', battery: 'pack-a', milliwatts: 20_000 }],
      P: ['pack', { battery: 'pack-a', energyMilliwattHours: 90_000 }],
      S: ['stand', {}],
    }
    const { status, remedies } = plan(['L'], things)
    expect([status, remedies.map((it) => it.kind)]).toEqual(['complete', ['power-mode', 'assign']])
  })

  test('the same question has the same answer, and nothing open asks nothing', () => {
    const things: Things = { C: ['action-camera', {}], T1: tripod, T2: tripod, T3: tripod }
    expect(plan(['C'], things).tags).toEqual(plan(['C'], things).tags)
    expect(plan(['C', 'T1'], things)).toMatchObject({ status: 'nothing-open', remedies: [] })
  })
})

const WEIGHT = { own: 1_000_000, helper: 1 }

/** What leaving out, adding and joining in every way comes to at best: open ends of what stands first, then the things. */
function solveExhaustively(own: readonly SetThing[], helpers: readonly SetThing[], costs: readonly number[]): number {
  let best = Number.POSITIVE_INFINITY
  for (let chosen = 0; chosen < 1 << helpers.length; chosen++) {
    const added = helpers.filter((_, at) => chosen & (1 << at))
    const isOwn = (end: End) => own.some((it) => it.key === end.thing.key) && end.isEssential
    const isMust = (end: End) => added.some((it) => it.key === end.thing.key) && end.isEssential
    const things = [...own, ...added]
    const ends = [...listEnds(things, 'host'), ...listEnds(things, 'guest')].filter(isOwn).length
    const met = findBestJoining(things, (end) => Number(isOwn(end)), isMust)
    if (met === null) continue
    const cost = costs.reduce((sum, it, at) => sum + (chosen & (1 << at) ? it : 0), 0)
    best = Math.min(best, (ends - met) * WEIGHT.own + cost * WEIGHT.helper)
  }
  return best
}

/** The same by the program: both steps in one, as their weights are far enough apart. */
function solveByProgram(own: readonly SetThing[], helpers: readonly SetThing[], costs: readonly number[]): number {
  const choices: Choice[] = [
    ...own.map((it) => ({ ways: [it], costs: [0], isHelper: false, alike: null })),
    ...helpers.map((it, at) => ({ ways: [it], costs: [costs[at] ?? 0], isHelper: true, alike: null })),
  ]
  const { program, wayOf, opens } = buildConnectProgram(choices, INTERFACES, null)
  for (const { variable } of opens) program.costs[variable] = WEIGHT.own
  for (const [at, [variable = -1]] of wayOf.entries()) program.costs[variable] = choices[at]?.costs[0] ?? 0
  const result = solve(program)
  return result.status === 'optimal' ? Math.round(result.cost) : Number.NaN
}

describe('the program against trying everything', () => {
  const cases = fc.record({
    own: fc.tuple(thingOf(0), thingOf(1)).chain((things) => fc.subarray(things, { minLength: 1 })),
    helpers: fc.tuple(thingOf(2), thingOf(3), thingOf(4)).chain((things) => fc.subarray(things)),
    costs: fc.tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 9 })),
  })

  test('2,000 random little stores: the same open ends and the same cost', () => {
    let withHelp = 0
    fc.assert(
      fc.property(cases, ({ own, helpers, costs }) => {
        const expected = solveExhaustively(own, helpers, costs)
        expect(solveByProgram(own, helpers, costs)).toBe(expected)
        if (expected % WEIGHT.own > 0) withHelp++
      }),
      { numRuns: 2_000 },
    )
    // Where nothing of the store ever helped, nothing would be proven about it.
    expect(withHelp).toBeGreaterThan(200)
  })

  test('what is named as blocking cannot be met together, and without any one of it the rest can', () => {
    let proofs = 0
    fc.assert(
      fc.property(cases, ({ own, helpers }) => {
        const choices: Choice[] = [
          ...own.map((it) => ({ ways: [it], costs: [0], isHelper: false, alike: null })),
          ...helpers.map((it) => ({ ways: [it], costs: [1], isHelper: true, alike: null })),
        ]
        const built = buildConnectProgram(choices, INTERFACES, null)
        const result = solve({
          ...built.program,
          costs: built.program.costs.map((_, at) => Number(built.opens.some((it) => it.variable === at))),
        })
        const values = result.status === 'optimal' ? result.values : []
        const isOpen = (it: (typeof built.opens)[number]) => (values[it.variable] ?? 0) > 0.5
        const target = built.opens.find(isOpen)
        if (!target) return
        const met = built.opens.filter((it) => !isOpen(it))
        const proof = findBlocking(built, target, met, solve)
        expect(proof.length).toBeGreaterThan(0)
        proofs++
        // The checker knows nothing of the program: it tries every choice of things and every way of joining.
        const canAllBeMet = (wanted: readonly (typeof proof)[number][]) => {
          const count = (end: End) =>
            wanted.filter((it) => it.thing.key === end.thing.key && it.ports[0]?.id === end.port.id).length
          const total = new Map(wanted.map((it) => [`${it.thing.key}/${it.ports[0]?.id}`, 0]))
          for (const it of wanted) {
            const key = `${it.thing.key}/${it.ports[0]?.id}`
            total.set(key, (total.get(key) ?? 0) + 1)
          }
          return [...Array(1 << helpers.length).keys()].some((chosen) => {
            const added = helpers.filter((_, at) => chosen & (1 << at))
            const isMust = (end: End) => added.some((it) => it.key === end.thing.key) && end.isEssential
            const worth = findBestJoining(
              [...own, ...added],
              // Of a port of two ends only as many count as are wanted: pieces of one port are alike.
              (end) => (count(end) > 0 && count(end) === end.port.count ? 1 : count(end) > 0 ? 0.5 : 0),
              isMust,
            )
            const wantedWorth = [...total].reduce((sum, [key, many]) => {
              const end = [...listEnds(own, 'host'), ...listEnds(own, 'guest')].find(
                (it) => `${it.thing.key}/${it.port.id}` === key,
              )
              return sum + (end && many === end.port.count ? many : 0.5 * many)
            }, 0)
            return worth !== null && worth >= wantedWorth
          })
        }
        expect(canAllBeMet(proof)).toBe(false)
        for (const left of proof) expect(canAllBeMet(proof.filter((it) => it !== left))).toBe(true)
      }),
      { numRuns: 300 },
    )
    expect(proofs).toBeGreaterThan(50)
  })
})
