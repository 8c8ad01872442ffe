import fc from 'fast-check'
import { beforeAll, describe, expect, test } from 'vitest'
import type { Category } from '../../kit/model/category.ts'
import type { TemplateFacts } from '../../kit/template/template-facts.ts'
import { resolvePolicies } from '../../studio/policy/resolved-policies.ts'
import { DEFAULT_SETTINGS } from '../../studio/policy/settings.ts'
import { addVariableMutably, makeProgram, type SolveProgram } from '../../units/integer-program.ts'
import type { Store } from '../placed/store.ts'
import { makeInput, makeRole, makeStudio } from '../placed/studio.fixture.ts'
import type { Role } from '../setup/setup.ts'
import { assignAtLeastCost } from './assignment.ts'
import { chooseForRoles } from './choosing.ts'
import { loadTestSolver } from './solver.fixture.ts'

type Costs = readonly (readonly (number | null)[])[]

function costOf(costs: Costs, penalties: readonly number[], columns: readonly number[]): number {
  return columns.reduce(
    (sum, column, row) => sum + (column < 0 ? (penalties[row] ?? 0) : (costs[row]?.[column] ?? Number.NaN)),
    0,
  )
}

function tryAll(costs: Costs, penalties: readonly number[], row = 0, used: ReadonlySet<number> = new Set()): number {
  if (row === costs.length) return 0
  const without = (penalties[row] ?? 0) + tryAll(costs, penalties, row + 1, used)
  return (costs[row] ?? []).reduce((best: number, cost, column) => {
    if (cost === null || used.has(column)) return best
    return Math.min(best, cost + tryAll(costs, penalties, row + 1, new Set([...used, column])))
  }, without)
}

/** The same as an integer program, for sizes at which nobody tries all. */
function solveByProgram(costs: Costs, penalties: readonly number[], solve: SolveProgram): number {
  const program = makeProgram()
  const ofColumn = new Map<number, [number, number][]>()
  for (const [row, cells] of costs.entries()) {
    const terms: [number, number][] = [[addVariableMutably(program, penalties[row] ?? 0), 1]]
    for (const [column, cost] of cells.entries()) {
      if (cost === null) continue
      const variable = addVariableMutably(program, cost)
      terms.push([variable, 1])
      ofColumn.set(column, [...(ofColumn.get(column) ?? []), [variable, 1]])
    }
    program.rows.push({ terms, least: 1, most: 1 })
  }
  for (const terms of ofColumn.values()) program.rows.push({ terms, least: null, most: 1 })
  const result = solve(program)
  return result.status === 'optimal' ? Math.round(result.cost) : Number.NaN
}

const matrix = (rows: number, columns: number, most: number) =>
  fc.record({
    costs: fc.array(
      fc.array(fc.option(fc.integer({ min: 0, max: most }), { nil: null, freq: 4 }), {
        minLength: columns,
        maxLength: columns,
      }),
      { minLength: 1, maxLength: rows },
    ),
    penalties: fc.array(fc.integer({ min: 0, max: most }), { minLength: rows, maxLength: rows }),
  })

describe('assignment', () => {
  let solve: SolveProgram
  beforeAll(async () => {
    solve = await loadTestSolver()
  })

  test('2,000 small ones: no other assignment costs less, and no column serves twice', () => {
    let contested = 0
    fc.assert(
      fc.property(matrix(4, 4, 9), ({ costs, penalties }) => {
        const columns = assignAtLeastCost(costs, penalties)
        const used = columns.filter((it) => it >= 0)
        expect(new Set(used).size).toBe(used.length)
        expect(costOf(costs, penalties, columns)).toBe(tryAll(costs, penalties))
        const greedy = costs.reduce(
          (sum, row, at) => sum + Math.min(penalties[at] ?? 0, ...row.map((it) => it ?? 99)),
          0,
        )
        if (costOf(costs, penalties, columns) > greedy) contested++
      }),
      { numRuns: 2_000 },
    )
    // Where each row simply gets what it likes best, nothing was assigned.
    expect(contested).toBeGreaterThan(300)
  })

  test('larger ones: what the integer program costs', () => {
    fc.assert(
      fc.property(matrix(12, 40, 1_000), ({ costs, penalties }) => {
        expect(costOf(costs, penalties, assignAtLeastCost(costs, penalties))).toBe(
          solveByProgram(costs, penalties, solve),
        )
      }),
      { numRuns: 40 },
    )
  })

  test('nothing to give, nothing to ask', () => {
    expect(assignAtLeastCost([], [])).toEqual([])
    expect(assignAtLeastCost([[], []], [5, 5])).toEqual([-1, -1])
  })
})

type Things = Record<string, [Category, Partial<TemplateFacts>]>

function choose(
  roles: Role[],
  things: Things,
  rest: { used?: Record<string, number>; faulty?: string[]; system?: string } = {},
) {
  const studio = makeStudio(things)
  const settings = { ...DEFAULT_SETTINGS, schools: rest.system ? { system: rest.system } : {} }
  const input = makeInput(studio, roles, { policies: resolvePolicies(settings, null) })
  const pinned = new Set(roles.flatMap((role) => role.things.map((it) => it.unitId)))
  const store: Store = {
    units: [...studio.units.values()]
      .filter((unit) => !pinned.has(unit.id))
      .flatMap((unit) => {
        const model = studio.models.get(unit.modelId)
        return model ? [{ unit, model, usedBySetups: rest.used?.[unit.tag] ?? 0 }] : []
      }),
    stock: [],
    circuits: [],
  }
  const held = {
    ...input,
    holdings: {
      ...studio,
      models: new Map([...studio.models].filter(([id]) => [...pinned].some((tag) => id === `m-${tag}`))),
    },
  }
  const { choices, left } = chooseForRoles(held, store, new Set(rest.faulty))
  return { picks: Object.fromEntries(choices.map((it) => [it.roleId, it.tag])), choices, left }
}

const want = (id: string, wants: Category, rest: Partial<Role> = {}) => makeRole(id, [], { wants, ...rest })

describe('choose for me', () => {
  const body: [Category, Partial<TemplateFacts>] = ['camera', { mount: 'mount-x' }]

  test('what the fewest setups count on, and what is sound before what has a fault', () => {
    const things: Things = { A: body, B: body, C: body }
    expect(choose([want('cam', 'camera')], things, { used: { A: 2, B: 1, C: 3 } }).picks).toEqual({ cam: 'B' })
    expect(choose([want('cam', 'camera')], things, { faulty: ['A', 'B'] }).picks).toEqual({ cam: 'C' })
  })

  test('a weakness that the crew saw counts against it, hearsay does not', () => {
    const remark = (source: 'seen' | 'heard') => [{ kind: 'weakness' as const, text: 'hums', source }]
    const pick = (source: 'seen' | 'heard') => {
      const studio = makeStudio({ A: body, B: body })
      const input = makeInput(studio, [want('cam', 'camera')])
      const units = ['A', 'B'].flatMap((tag) => {
        const unit = studio.units.get(tag)
        const model = studio.models.get(`m-${tag}`)
        const remarks = tag === 'A' ? remark(source) : []
        return unit && model ? [{ unit: { ...unit, remarks }, model, usedBySetups: 0 }] : []
      })
      return chooseForRoles(input, { units, stock: [], circuits: [] }, new Set()).choices[0]?.tag
    }
    expect([pick('seen'), pick('heard')]).toEqual(['B', 'A'])
  })

  test('the lens that fits the body that stands, or the body that is chosen with it', () => {
    const things: Things = {
      Y: ['camera', { mount: 'mount-y' }],
      LX: ['lens', { mount: 'mount-x' }],
      LY: ['lens', { mount: 'mount-y' }],
    }
    expect(choose([makeRole('cam', ['Y']), want('lens', 'lens')], things).picks).toEqual({ lens: 'LY' })
    const { picks, choices } = choose([want('lens', 'lens'), want('cam', 'camera')], things)
    expect(picks).toEqual({ cam: 'Y', lens: 'LY' })
    expect(choices.find((it) => it.roleId === 'lens')?.reasons).toContain('fits')
  })

  /** Two free lamps, what is known of them, and one that stands. */
  function chooseLamp(
    facts: { colours: [a: number, b: number]; places: [a: string | null, b: string | null] },
    way = 'match',
  ) {
    const studio = makeStudio({ A: ['light', {}], B: ['light', {}], S: ['light', {}] })
    const set = (tag: string, kelvin: number) => {
      const model = studio.models.get(`m-${tag}`)
      const more = { kelvinMin: kelvin, kelvinMax: kelvin }
      if (model) studio.models.set(model.id, { ...model, specs: { ...model.specs, more } })
    }
    set('S', 5_600)
    set('A', facts.colours[0])
    set('B', facts.colours[1])
    const place = (id: string) => ({ id, name: id, kind: 'room' as const, parentId: null })
    const input = makeInput(studio, [makeRole('key', ['S']), want('fill', 'light')], {
      policies: resolvePolicies({ ...DEFAULT_SETTINGS, schools: { colour: way } }, null),
      where: { placeId: 'here', places: new Map([place('here'), place('store')].map((it) => [it.id, it])) },
    })
    const units = (['A', 'B'] as const).flatMap((tag, at) => {
      const unit = studio.units.get(tag)
      const model = studio.models.get(`m-${tag}`)
      return unit && model ? [{ unit: { ...unit, placeId: facts.places[at] ?? null }, model, usedBySetups: 0 }] : []
    })
    return chooseForRoles(input, { units, stock: [], circuits: [] }, new Set()).choices[0]
  }

  test('the lamp of the colour of those that stand, where all are to be alike', () => {
    const colours: [number, number] = [3_200, 5_600]
    expect(chooseLamp({ colours, places: [null, null] })).toMatchObject({
      tag: 'B',
      reasons: expect.arrayContaining(['same-colour']),
    })
    expect(chooseLamp({ colours, places: [null, null] }, 'mix')?.tag).toBe('A')
  })

  test('what is in the room already before what has to be fetched', () => {
    const colours: [number, number] = [5_600, 5_600]
    expect(chooseLamp({ colours, places: ['store', 'here'] })).toMatchObject({
      tag: 'B',
      reasons: expect.arrayContaining(['here-already']),
    })
    expect(chooseLamp({ colours, places: ['here', 'store'] })?.tag).toBe('A')
  })

  test('any one of a list, and nothing else of its kind', () => {
    const things: Things = { A: body, B: body, C: body }
    expect(choose([want('cam', 'camera', { anyOfUnitIds: ['C'] })], things).picks).toEqual({ cam: 'C' })
    expect(choose([want('cam', 'camera', { anyOfUnitIds: ['Z'] })], things).left[0]?.why).toBe('none-free')
  })

  test('where one model alone will do, no other of its kind is taken', () => {
    const things: Things = { A: body, B: body }
    expect(choose([want('cam', 'camera', { wantsModelId: 'm-B' })], things).picks).toEqual({ cam: 'B' })
    expect(choose([want('cam', 'camera', { wantsModelId: 'm-Z' })], things).left[0]?.why).toBe('none-free')
  })

  test('a narrower wish gets its kind though a wider one would like it too', () => {
    const things: Things = { T: ['tube', {}], P: ['panel', {}] }
    expect(choose([want('any', 'light'), want('tube', 'tube')], things).picks).toEqual({ any: 'P', tube: 'T' })
  })

  test('one maker where the school says so', () => {
    const things: Things = { A: body, B: body, L: ['light', {}] }
    // The fixture gives every thing the same maker, so the school changes nothing about who is free.
    expect(
      choose([makeRole('cam', ['A']), want('b', 'camera')], things, { system: 'one' }).choices[0]?.reasons,
    ).toEqual(['same-maker', 'unclaimed', 'sound'])
  })

  test('essential roles come before wanted ones, and what is left says who competes for what', () => {
    const things: Things = { A: body }
    const roles = [want('b', 'camera', { importance: 'wanted' }), want('a', 'camera')]
    const { picks, left } = choose(roles, things)
    expect(picks).toEqual({ a: 'A' })
    expect(left).toEqual([{ roleId: 'b', role: 'b', why: 'too-few', rivals: ['a'], supply: ['A'] }])
  })

  test('a kind of which nothing is free, a role that says nothing, and one left empty on purpose', () => {
    const roles = [want('mic', 'microphone'), makeRole('odd', []), want('fill', 'light', { intentionallyEmpty: true })]
    expect(choose(roles, {}).left.map((it) => [it.roleId, it.why])).toEqual([
      ['odd', 'says-nothing'],
      ['mic', 'none-free'],
    ])
  })
})
