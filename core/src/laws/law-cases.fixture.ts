import { CATEGORY_CODES, type Category } from '../kit/model/category.ts'
import { STANDARD_INTERFACES } from '../kit/model/interface.ts'
import type { Model, NoneFact } from '../kit/model/model.ts'
import { SPEC_KEYS, SPECS, type SpecFacts, type SpecKey } from '../kit/model/spec.ts'
import { listUsualOf, STARTER_MODELS, type StarterModel } from '../kit/template/starter-models.ts'
import { makeModelFromTemplate } from '../kit/template/template.ts'
import type { TemplateFacts } from '../kit/template/template-facts.ts'
import { markUsual } from '../kit/template/usual-facts.ts'
import { EMPTY_UNIT, NO_SUPPLY, type Stock, type Unit } from '../kit/unit/unit.ts'
import type { AssessmentInput } from '../setups/placed/assessment-input.ts'
import { circuit, makeInput, makeRole } from '../setups/placed/studio.fixture.ts'
import { INTERFACES } from '../setups/placed/things.fixture.ts'
import { DEMAND_CODES } from '../setups/setup/demand.ts'
import { type Assignment, makeAssignment, type Role, SHOT_CODES } from '../setups/setup/setup.ts'

/** So many cases each law is tried on; a failing one is named by its number and is the same each time. */
export const CASES = 500

/** A seeded sequence (Park and Miller's minimal standard generator, 1988). */
export function makeDice(seed: number) {
  let state = (seed * 7_919 + 104_729) % 2_147_483_647
  const next = () => {
    state = (state * 48_271) % 2_147_483_647
    return (state - 1) / 2_147_483_646
  }
  return {
    next,
    upTo: (most: number) => Math.floor(next() * (most + 1)),
    pick: <T>(from: readonly T[]): T => from[Math.floor(next() * from.length)] as T,
    chance: (share: number) => next() < share,
  }
}
export type Dice = ReturnType<typeof makeDice>

/** Figures that are asked since the cases were made, and those that were asked then. */
const SINCE: readonly SpecKey[] = [
  'noiseDba',
  'leastLoadGrams',
  'widestApertureLong',
  'densityMostStops',
  'frontToBackMm',
  'colourTrusted',
  'grid',
  'stored',
  'smooths',
]
const FIRST = SPEC_KEYS.filter((it) => !SINCE.includes(it))

/** The same with every thing, model and role called otherwise. */
export const rename = (it: LawCase): LawCase => ({
  ...it,
  items: it.items.map((item, at) => ({
    ...item,
    tag: `ZZ-${99 - at}`,
    model: { ...item.model, name: `Other ${99 - at}` },
  })),
  roles: it.roles.map((role, at) => ({ ...role, name: `Role ${9 - at}` })),
})

/** One thing of a case, before it is said whether it is a unit or a counted piece. */
export interface CaseItem {
  id: string
  tag: string
  model: Model
  roleId: string
}

export interface LawCase {
  index: number
  /** Kinds and spec fields that this case is sure to have, so that every one is reached. */
  kind: Category
  spec: SpecKey
  items: CaseItem[]
  roles: Role[]
  rest: Partial<AssessmentInput>
  setup: Partial<AssessmentInput['setup']>
}

interface Sketch {
  category: Category
  facts: Partial<TemplateFacts>
  more: Record<string, number | string>
  /** What was answered by "it has none". */
  none?: readonly NoneFact[]
  /** Surely of the one maker of the cases. */
  isOfMaker?: true
  /** Figures of which only what is usual is known. */
  usual?: readonly string[]
}

const sketch = (category: Category, facts: Sketch['facts'] = {}, more: Sketch['more'] = {}): Sketch => ({
  category,
  facts,
  more,
})
const XLR = { endA: 'xlr-3', endB: 'xlr-3' }
const CAMERA = { mount: 'mount-x', battery: 'pack-a', milliwatts: 30_000, cardForm: 'sd', kilobitsPerSecond: 200_000 }

/** Things that work together, one of each in turn, so that sums and chains are judged and not only loose ends. */
const RIGS: readonly (readonly Sketch[])[] = [
  [],
  [
    sketch('camera', CAMERA, { sensorWidthMm: 36, sensorHeightMm: 24 }),
    sketch('lens', { mount: 'mount-x' }, { focalMinMm: 35, focalMaxMm: 35, imageCircleMm: 28 }),
    sketch('card', { capacityMegabytes: 32_000, cardMegabytesPerSecond: 60 }),
    sketch('pack', { battery: 'pack-a', energyMilliwattHours: 20_000 }),
    sketch('tripod', { loadGrams: 2_000 }, { heightMinMm: 600, heightMaxMm: 1_500 }),
  ],
  [
    sketch('dynamic-mic', {}, { sensitivityMvPerPa: 1.1 }),
    sketch('mic-stand', {}, { heightMinMm: 900, heightMaxMm: 1_600 }),
    sketch('cable', XLR),
    sketch('mixer', {}, { gainDb: 40, sends48: 'no' }),
  ],
  [sketch('dynamic-mic'), sketch('cable', XLR), sketch('mixer', {}, { sends48: 'no' })],
  [sketch('microphone', {}, { fedBy: '48 V' }), sketch('cable', XLR), sketch('mixer', {}, { sends48: 'no' })],
  [
    sketch('light', { inlet: 'iec-c7', milliwatts: 2_400_000, massGrams: 1_000 }),
    sketch('lead', { inlet: 'iec-c7' }),
    sketch('stand', { loadGrams: 4_000 }, { heightMinMm: 2_600, heightMaxMm: 3_200 }),
  ],
  [sketch('light', { inlet: 'iec-c13' }), sketch('lead', { inlet: 'iec-c13' }), sketch('stand', { loadGrams: 4_000 })],
  [
    sketch('camera', CAMERA, { sendsGbits: 12 }),
    sketch('action-camera'),
    sketch('switcher'),
    sketch('cable', { endA: 'hdmi-a', endB: 'hdmi-a' }, { carriesGbits: 10 }),
  ],
  [sketch('microphone', {}, { fedBy: '48 V' }), sketch('cable', XLR), sketch('mixer')],
  [
    sketch('camcorder', { cardForm: 'sd', kilobitsPerSecond: 400_000, cardMegabytesPerSecond: 90 }),
    sketch('card', { capacityMegabytes: 64_000, cardMegabytesPerSecond: 30 }),
  ],
  [
    sketch('light', { massGrams: 2_000 }),
    sketch('boom-arm', { loadGrams: 9_000, massGrams: 4_000 }, { reachMm: 2_000 }),
    sketch('stand', { loadGrams: 9_000, massGrams: 3_000 }, { legRadiusMm: 300 }),
  ],
  [
    sketch('practical', { inlet: 'iec-c7', milliwatts: 900_000 }),
    sketch('lead', { inlet: 'iec-c7' }, { mostAmps: 2.5 }),
    sketch('practical', { inlet: 'iec-c13', milliwatts: 2_000_000 }),
    sketch('lead', { inlet: 'iec-c13' }),
  ],
  [
    sketch('practical', { battery: 'pack-a', milliwatts: 350_000 }),
    sketch('pack', { battery: 'pack-a', energyMilliwattHours: 98_000 }, { mostAmps: 10, volts: 14.4 }),
  ],
  [
    sketch('practical', { battery: 'pack-a', milliwatts: 350_000 }),
    sketch('pack', { battery: 'pack-a', energyMilliwattHours: 98_000 }),
  ],
  [sketch('phone', { capacityMegabytes: 8_000 })],
  // A picture over a longer way than a cable without a booster carries it.
  [
    sketch('camera', { ...CAMERA, videoOut: 'hdmi-a' }),
    sketch('television'),
    sketch('cable', { endA: 'hdmi-a', endB: 'hdmi-a' }, { lengthMm: 40_000 }),
  ],
  // A charger that gives more than the pack takes; one of which nobody knows what it gives.
  [
    sketch('charger', { battery: 'pack-a' }, { chargeAmps: 4 }),
    sketch('pack', { battery: 'pack-a', energyMilliwattHours: 98_000 }, { chargeAmps: 2 }),
  ],
  [
    sketch('charger', { battery: 'pack-a' }),
    sketch('pack', { battery: 'pack-a', energyMilliwattHours: 98_000 }, { chargeAmps: 2 }),
  ],
  // A controller of one generation, lamps of another and of none.
  [
    { ...sketch('control-surface', {}, { generation: '1' }), isOfMaker: true },
    { ...sketch('panel', { inlet: 'iec-c7', milliwatts: 60_000 }, { generation: '2' }), isOfMaker: true },
    { ...sketch('panel', { inlet: 'iec-c7', milliwatts: 60_000 }), isOfMaker: true },
  ],
  // A bar that two stands bear together and neither alone.
  [
    sketch('practical', { massGrams: 2_000 }),
    sketch('light', { massGrams: 6_000 }),
    sketch('clamp', { mount: 'bar', loadGrams: 15_000, massGrams: 400 }),
    sketch('crossbar', { loadGrams: 12_000, massGrams: 2_000 }),
    sketch('stand', { loadGrams: 5_000, massGrams: 2_500 }),
    sketch('stand', { loadGrams: 5_000, massGrams: 2_500 }),
  ],
  // A bracket in nobody's hand, on nothing.
  [sketch('camera', { ...CAMERA, massGrams: 500 }), sketch('plate', { loadGrams: 3_000 })],
  [{ ...sketch('action-camera'), none: ['medium'] }],
  // A screen that could show something, and nothing to show.
  [sketch('television', { inlet: 'iec-c7', milliwatts: 90_000 }), sketch('lead', { inlet: 'iec-c7' })],
]

/** A common thing: as somebody looked its figures up, or with no more than what is usual. */
const sketchStarter = (it: StarterModel, dice: Dice): Sketch => ({
  ...sketch(it.category, it.facts, it.more),
  usual: dice.chance(0.3) ? listUsualOf(it) : [],
})

/** The case of a number: the same each time, and over all numbers every kind, starter model and spec field occurs. */
export function makeCase(index: number): LawCase {
  const dice = makeDice(index + 1)
  const kind = CATEGORY_CODES[index % CATEGORY_CODES.length] as Category
  const starter = STARTER_MODELS[index % STARTER_MODELS.length]
  const spec = FIRST[index % FIRST.length] as SpecKey
  // What came since is thrown with dice of its own, so that every case is as it was, and some have more in them.
  const since = makeDice(index + 1_000_003)
  const sureSince = index % 25 === 0 ? (SINCE[(index / 25) % SINCE.length] as SpecKey) : null
  const rig = RIGS[index % RIGS.length] ?? []
  const sketches: Sketch[] = [
    sketch(kind),
    ...(starter ? [sketchStarter(starter, dice)] : []),
    ...Array.from({ length: 2 + dice.upTo(6) }, () => {
      return sketchStarter(dice.pick(STARTER_MODELS), dice)
    }),
    ...rig,
  ]
  const roles = ['r0', 'r1', 'r2', 'r3'].map((id) => makeCaseRole(id, dice))
  const items = sketches.map(({ category, facts, more, none = [], usual = [], isOfMaker }, at): CaseItem => {
    const own = at >= sketches.length - rig.length ? more : { ...more, ...throwSpecs(dice, at === 0 ? spec : null) }
    const made = makeModelFromTemplate(category, dice.chance(0.5) || isOfMaker ? 'Maker' : '', `Model ${at}`, facts)
    const model = markUsual(made, usual)
    const massGrams = model.specs.massGrams ?? (dice.chance(0.6) ? 100 + dice.upTo(9_000) : null)
    return {
      id: `u${at}`,
      tag: `TAG-${at}`,
      model: {
        ...model,
        id: `m${at}`,
        version: 1,
        specs: {
          ...model.specs,
          massGrams,
          more: { ...own, ...throwSince(since, at === 0 ? sureSince : null) },
          none: [...none],
        },
      },
      // What makes a rig together stands together.
      roleId: at >= sketches.length - rig.length ? 'r0' : dice.pick(roles).id,
    }
  })
  return { index, kind, spec: sureSince ?? spec, items, roles, ...throwSetting(dice) }
}

function makeCaseRole(id: string, dice: Dice): Role {
  const measured = dice.chance(0.4)
  return makeRole(id, [], {
    importance: dice.pick(['essential', 'wanted', 'optional'] as const),
    position: measured
      ? {
          distanceMm: 300 + dice.upTo(8_000),
          sideDegrees: null,
          heightMm: 200 + dice.upTo(2_500),
          focalMm: dice.chance(0.5) ? 24 + dice.upTo(80) : null,
        }
      : null,
  })
}

function throwSpecs(dice: Dice, sure: SpecKey | null): Record<string, number | string> {
  const keys = [...(sure ? [sure] : []), ...Array.from({ length: dice.upTo(4) }, () => dice.pick(FIRST))]
  return Object.fromEntries(keys.map((key) => [key, throwValue(SPECS[key], dice)]))
}

function throwSince(dice: Dice, sure: SpecKey | null): Record<string, number | string> {
  const key = sure ?? dice.pick(SINCE)
  return sure || dice.chance(0.2) ? { [key]: throwValue(SPECS[key], dice) } : {}
}

function throwValue(facts: SpecFacts, dice: Dice): number | string {
  if (facts.kind === 'choice') return dice.pick(facts.options)
  if (facts.kind === 'text') return 'as it says'
  const [least, most] = facts.plausible
  return Math.round(least + dice.next() * (most - least))
}

function throwSetting(dice: Dice): Pick<LawCase, 'rest' | 'setup'> {
  return {
    rest: {
      circuit: dice.chance(0.7) ? { ...circuit, outlets: 1 + dice.upTo(5) } : null,
      roomSize: dice.chance(0.5) ? { widthMm: 4_000, depthMm: 3_000 + dice.upTo(4_000), heightMm: 2_600 } : null,
    },
    setup: {
      plannedMinutes: 10 + dice.upTo(300),
      speakers: dice.chance(0.4) ? dice.upTo(4) : null,
      shot: dice.chance(0.4) ? dice.pick(SHOT_CODES) : null,
      carriers: dice.chance(0.3) ? 1 : 0,
      demands: DEMAND_CODES.filter(() => dice.chance(0.25)),
    },
  }
}

/** What core is given for a case. `isStock` says which of its things are counted pieces instead of single ones. */
export function readCase(
  { items, roles, rest, setup }: LawCase,
  isStock: (item: CaseItem) => boolean = () => false,
): AssessmentInput {
  const units = new Map<string, Unit>()
  const stock = new Map<string, Stock>()
  for (const item of items) {
    const { id, tag, model } = item
    if (isStock(item)) {
      stock.set(id, {
        id,
        tag,
        modelId: model.id,
        quantity: 1,
        reorderLevel: 0,
        supply: NO_SUPPLY,
        placeId: null,
        version: 1,
      })
    } else units.set(id, { ...EMPTY_UNIT, id, tag, modelId: model.id, version: 1 })
  }
  const place = (item: CaseItem): Assignment =>
    makeAssignment(isStock(item) ? { stockId: item.id, quantity: 1 } : { unitId: item.id })
  const filled = roles.map((role) => ({
    ...role,
    things: items.filter((it) => it.roleId === role.id).map(place),
  }))
  const holdings = { units, stock, models: new Map(items.map((it) => [it.model.id, it.model])) }
  const input = makeInput(holdings, filled, {
    interfaces: new Map([...INTERFACES, ...STANDARD_INTERFACES.map((it) => [it.code, { ...it, version: 1 }] as const)]),
    freeStock: new Map([...stock.keys()].map((id) => [id, 1])),
    ...rest,
  })
  return { ...input, setup: { ...input.setup, ...setup } }
}

/** Every case, one after the other. */
export const listCases = (): LawCase[] => Array.from({ length: CASES }, (_, index) => makeCase(index))
