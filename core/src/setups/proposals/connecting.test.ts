import fc from 'fast-check'
import { beforeAll, describe, expect, test } from 'vitest'
import type { Category } from '../../kit/model/category.ts'
import type { TemplateFacts } from '../../kit/template/template-facts.ts'
import type { SolveProgram } from '../../units/integer-program.ts'
import { countFewestOpen, keyOf, listMusts, mayHold, visitJoinings } from '../joining/joining.fixture.ts'
import type { PlacedItem } from '../placed/placed-item.ts'
import { thingOf } from '../placed/random-things.fixture.ts'
import type { Store } from '../placed/store.ts'
import { makeInput, makeRole, makeStudio } from '../placed/studio.fixture.ts'
import { INTERFACES } from '../placed/things.fixture.ts'
import { applyRemedy } from '../setup/remedy.ts'
import { assessSetup } from '../verdict/readiness.ts'
import { findBlocking } from './blocking.ts'
import { buildConnectProgram, type Choice, foldAlike, type ProgramEnd } from './connect-program.ts'
import { planConnections } from './connecting.ts'
import { loadTestSolver } from './solver.fixture.ts'

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

  test('a stand that bears the arm but not the arm with its lamp is left for one that does', () => {
    const things: Things = {
      L: ['light', { massGrams: 3_000 }],
      B: ['boom-arm', { massGrams: 1_200, loadGrams: 3_500 }],
      S1: ['stand', { loadGrams: 4_000, massGrams: 2_000 }],
      S2: ['stand', { loadGrams: 10_000, massGrams: 6_000 }],
    }
    // The lighter one is wanted less elsewhere, and would be taken were it not for the lamp on the arm.
    const strong = plan(['L', 'B'], things, { used: { S2: 2 } })
    expect([strong.tags, strong.after.counts.stop]).toEqual([['S2'], 0])
    // Where there is no stronger one, what there is is taken, and the load is found.
    const { S2: _, ...weak } = things
    const only = plan(['L', 'B'], weak)
    const stops = only.after.findings.filter((it) => it.level === 'stop')
    expect([only.tags, stops.map((it) => it.code)]).toEqual([['S1'], ['carried-load']])
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

const WEIGHT = { open: 1_000_000, piece: 1 }

/** Every choice of some of these. */
function listSubsets<T>(all: readonly T[]): T[][] {
  return Array.from({ length: 1 << all.length }, (_, chosen) => all.filter((__, at) => chosen & (1 << at)))
}

interface Helper {
  thing: PlacedItem
  cost: number
}

/** A piece that stands, in each way in which it can be powered; the second way costs something. */
type Standing = readonly [now: PlacedItem, ...others: PlacedItem[]]
const WAY_COST = 3

const costOfWay = (own: Standing, way: PlacedItem) => (way === own[0] ? 0 : WAY_COST)

/** One way of each. */
function listWays(all: readonly Standing[]): PlacedItem[][] {
  return all.reduce<PlacedItem[][]>((lists, ways) => lists.flatMap((list) => ways.map((way) => [...list, way])), [[]])
}

/** What leaving out, adding, powering and joining in every way comes to at best: open ends of what stands first, then the cost. */
function solveExhaustively(own: readonly Standing[], helpers: readonly Helper[]): number {
  return Math.min(
    ...listWays(own).flatMap((ways) =>
      listSubsets(helpers).map((added) => {
        const open = countFewestOpen(
          ways,
          added.map((it) => it.thing),
          mayHold,
        )
        const switching = ways.reduce((sum, way, at) => sum + costOfWay(own[at] ?? [way], way), 0)
        const cost = added.reduce((sum, it) => sum + it.cost, switching)
        return open === null ? Number.POSITIVE_INFINITY : open * WEIGHT.open + cost * WEIGHT.piece
      }),
    ),
  )
}

const standing = (ways: Standing): Choice => ({
  ways,
  costs: ways.map((it) => costOfWay(ways, it)),
  isHelper: false,
  count: 1,
})
const helping = ({ thing, cost }: Helper): Choice => ({ ways: [thing], costs: [cost], isHelper: true, count: 1 })

/** The program of some things and of classes of alike helpers, with both steps in one, as their weights are far apart. */
function buildProgram(own: readonly Standing[], classes: readonly (readonly Helper[])[]) {
  const choices = [
    ...own.map(standing),
    ...foldAlike(
      own.map(standing),
      classes.map((it) => it.map(helping)),
      INTERFACES,
    ).flat(),
  ]
  const built = buildConnectProgram(choices, INTERFACES, null)
  for (const { variable } of built.opens) built.program.costs[variable] = WEIGHT.open
  for (const [at, ways] of built.wayOf.entries()) {
    for (const [way, variable] of ways.entries()) built.program.costs[variable] = choices[at]?.costs[way] ?? 0
  }
  return built
}

describe('the program against trying everything', () => {
  const cost = fc.integer({ min: 1, max: 9 })
  const cases = fc
    .record({
      own: fc.tuple(thingOf(0), thingOf(1)).chain((things) => fc.subarray(things, { minLength: 1 })),
      other: fc.option(thingOf(0), { freq: 2 }),
      kinds: fc.tuple(thingOf(2), thingOf(3)).chain((things) => fc.subarray(things)),
      costs: fc.tuple(cost, cost),
      copies: fc.constantFrom(1, 1, 2),
    })
    .map(({ own, other, kinds, costs, copies }) => ({
      // The first may be powered in another way, with other ends.
      own: own.map((thing, at): Standing => (at === 0 && other ? [thing, { ...other, key: thing.key }] : [thing])),
      // The first kind may be there twice, so that pieces that are alike are counted together.
      classes: kinds.map((thing, at) =>
        Array.from({ length: at === 0 ? copies : 1 }, (_, n): Helper => {
          const key = `${thing.key}.${n}`
          return { thing: { ...thing, key, tag: key }, cost: costs[at] ?? 1 }
        }),
      ),
    }))

  test('2,000 random little stores: the same open ends and the same cost', () => {
    let withHelp = 0
    fc.assert(
      fc.property(cases, ({ own, classes }) => {
        const expected = solveExhaustively(own, classes.flat())
        const result = solve(buildProgram(own, classes).program)
        expect(result.status === 'optimal' && Math.round(result.cost)).toBe(expected)
        if (expected % WEIGHT.open > 0) withHelp++
      }),
      { numRuns: 2_000 },
    )
    // Where nothing of the store ever helped, nothing would be proven about it.
    expect(withHelp).toBeGreaterThan(150)
  })

  test('a piece more in the store never leaves more open, and one less never fewer', () => {
    fc.assert(
      fc.property(cases, ({ own, classes }) => {
        const openWith = (of: typeof classes) => {
          const built = buildProgram(own, of)
          const costs = built.program.costs.map((_, at) => Number(built.opens.some((it) => it.variable === at)))
          const result = solve({ ...built.program, costs })
          return result.status === 'optimal' ? Math.round(result.cost) : Number.NaN
        }
        const fewer = classes.map((it, at) => (at === 0 ? it.slice(1) : it)).filter((it) => it.length > 0)
        expect(openWith(classes)).toBeLessThanOrEqual(openWith(fewer))
      }),
      { numRuns: 300 },
    )
  })

  test('what is named as blocking cannot be met together, and without any one of it the rest can', () => {
    let proofs = 0
    fc.assert(
      fc.property(cases, ({ own, classes }) => {
        const built = buildProgram(own, classes)
        const result = solve(built.program)
        const values = result.status === 'optimal' ? result.values : []
        const openOf = ({ variable }: ProgramEnd) => Math.round(values[variable] ?? 0)
        const target = built.opens.find((end) => openOf(end) > 0)
        if (!target) return
        const others = built.opens.filter((end) => end !== target).map((end) => ({ end, open: openOf(end) }))
        const asked = [{ end: target, open: openOf(target) - 1 }, ...others]
        const proof = findBlocking(built, asked, solve)
        expect(proof).toContain(target.node)
        proofs++
        // The checker knows nothing of the program: it tries every choice of things and every way of joining.
        const wanted = asked
          .filter(({ end }) => proof.includes(end.node))
          .map(({ end, open }) => ({
            key: keyOf(end.node),
            count: end.many - open,
            thing: end.node.thing,
          }))
        const canAllBeMet = (ends: typeof wanted) =>
          listWays(own).some((ways) =>
            listSubsets(classes.flat()).some((added) => {
              const things = added.map((it) => it.thing)
              const musts = listMusts(things)
              return visitJoinings(
                [...ways, ...things],
                (met) => {
                  const has = (key: string, count: number) => (met.get(key) ?? 0) >= count
                  // What a thing wants in one way is not asked of it in another.
                  return (
                    musts.every(({ key, count }) => has(key, count)) &&
                    ends.every(({ key, count, thing }) => !ways.includes(thing) || has(key, count))
                  )
                },
                mayHold,
              )
            }),
          )
        expect(canAllBeMet(wanted)).toBe(false)
        for (const left of wanted) expect(canAllBeMet(wanted.filter((it) => it !== left))).toBe(true)
      }),
      { numRuns: 300 },
    )
    expect(proofs).toBeGreaterThan(50)
  })
})
