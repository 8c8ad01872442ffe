import { describe, expect, test } from 'vitest'
import { CATEGORY_CODES, type Category } from '../model/category.ts'
import { STANDARD_INTERFACES } from '../model/interface.ts'
import { newModelSchema } from '../model/model.ts'
import { changeFacts } from './changed-facts.ts'
import { readFacts } from './known-facts.ts'
import { answerFact } from './needed-facts.ts'
import { makeModelFromTemplate } from './template.ts'
import { ASKED_FACTS, type FactKey, NO_END, NO_FACTS, type TemplateFacts } from './template-facts.ts'

/** Two answers to each question, told apart from what is usual and from each other. */
const ANSWERS: { [Key in FactKey]: readonly [NonNullable<TemplateFacts[Key]>, NonNullable<TemplateFacts[Key]>] } = {
  mount: ['filter-77', 'filter-82'],
  frontMount: ['filter-62', 'filter-67'],
  battery: ['cell-9v', 'cell-aaa'],
  batteryCount: [3, 4],
  inlet: ['iec-c5', 'iec-c19'],
  milliwatts: [61_000, 62_000],
  massGrams: [511, 512],
  loadGrams: [4_100, 4_200],
  energyMilliwattHours: [48_100, 48_200],
  capacityMegabytes: [64_100, 64_200],
  cardMegabytesPerSecond: [31, 61],
  kilobitsPerSecond: [101_000, 102_000],
  endA: ['hdmi-c', 'hdmi-d'],
  endB: ['bnc', 'rj45'],
  outlets: [5, 7],
  plug: ['mains-nema5', 'mains-cee7'],
  videoOut: ['hdmi-c', NO_END],
  videoIn: ['bnc', NO_END],
  videoInputs: [3, 6],
  soundIn: ['trs-63', NO_END],
  soundInputs: [3, 8],
  soundOut: ['xlr-mini', NO_END],
  cardForm: ['micro-sd', 'cfexpress-b'],
  holes: ['screen-75', 'screen-100'],
  widthMinMm: [1_400, 1_410],
  widthMaxMm: [2_200, 2_210],
  depthMm: [750, 760],
  heightMm: [740, 745],
}
const PLUGS = { plugs: 'british' } as const
const asked = (kind: Category): readonly FactKey[] => ASKED_FACTS[kind] ?? ['massGrams']
const EACH = CATEGORY_CODES.flatMap((kind) => asked(kind).map((fact) => [kind, fact] as const))
const answer = (fact: FactKey, which: 0 | 1) => ({ [fact]: ANSWERS[fact][which] }) as Partial<TemplateFacts>

describe('law 12: what is typed is kept', () => {
  test.each(EACH)('%s: %s told alone is read back, in a model that is sound', (kind, fact) => {
    for (const which of [0, 1] as const) {
      const model = makeModelFromTemplate(kind, '', 'x', answer(fact, which))
      expect(newModelSchema.safeParse(model).error?.issues ?? []).toEqual([])
      expect(readFacts(model)[fact]).toBe(ANSWERS[fact][which])
    }
  })

  test.each(CATEGORY_CODES)('%s: all that is asked, told together, is read back', (kind) => {
    const facts = Object.assign({}, ...asked(kind).map((fact) => answer(fact, 0)))
    expect(readFacts(makeModelFromTemplate(kind, '', 'x', facts))).toMatchObject(facts)
  })

  test.each(EACH)('%s: %s told anew replaces what was told, and nothing else', (kind, fact) => {
    const rest = asked(kind).filter((it) => it !== fact)
    const facts = Object.assign({}, ...asked(kind).map((it) => answer(it, 0)))
    const changed = changeFacts(makeModelFromTemplate(kind, '', 'x', facts), answer(fact, 1), PLUGS)
    expect(newModelSchema.safeParse(changed).error?.issues ?? []).toEqual([])
    const read = readFacts(changed)
    expect(read[fact]).toBe(ANSWERS[fact][1])
    for (const other of rest) expect([other, read[other]]).toEqual([other, ANSWERS[other][0]])
  })

  // A cable of which one end is told is taken to have two alike, so that one of them alone cannot be taken back.
  const alone = EACH.filter(([, fact]) => fact !== 'endA' && fact !== 'endB')
  test.each(alone)('%s: %s taken back is open again', (kind, fact) => {
    const told = makeModelFromTemplate(kind, '', 'x', answer(fact, 0))
    const without = makeModelFromTemplate(kind, '', 'x', {})
    expect(readFacts(changeFacts(told, { [fact]: null }, PLUGS))[fact]).toBe(readFacts(without)[fact])
  })

  test('every question is asked of some kind', () => {
    const all = new Set(EACH.map(([, fact]) => fact))
    expect(Object.keys(NO_FACTS).filter((it) => !all.has(it as FactKey))).toEqual([])
  })
})

describe('what has no place yet', () => {
  test('watts and how many packs, told before what feeds it, are there when that is told', () => {
    const lamp = makeModelFromTemplate('panel', '', 'x', { milliwatts: 60_000, batteryCount: 2 })
    expect(lamp.powerModes).toEqual([])
    const fed = answerFact(lamp, 'power', { kind: 'interface', code: 'cell-aa' })
    expect(fed.powerModes.map((it) => [it.label, it.milliwatts])).toEqual([['2 cells', 60_000]])
  })

  test('the speed that a slot asks for, told before its card, is asked of the card', () => {
    const body = makeModelFromTemplate('camera', '', 'x', { cardMegabytesPerSecond: 60 })
    const slot = answerFact(body, 'medium', { kind: 'interface', code: 'sd' }).ports.find((it) => it.id === 'slot')
    expect(slot?.demand?.value).toBe(60)
  })

  test('two sides of a table make no footprint, and are kept until the third is told', () => {
    const table = makeModelFromTemplate('table', '', 'x', { widthMinMm: 1_400, depthMm: 700 })
    expect(table.specs.footprint).toBeNull()
    const whole = changeFacts(table, { heightMm: 740 }, PLUGS)
    expect(whole.specs.footprint).toEqual({ widthMinMm: 1_400, widthMaxMm: 1_400, depthMm: 700, heightMm: 740 })
    expect(whole.specs.told).toBeUndefined()
  })
})

describe('what was changed by hand', () => {
  const body = makeModelFromTemplate('camera', '', 'x', { mount: 'filter-77', battery: 'cell-aa', massGrams: 600 })

  test('an end of one’s own, a way of powering of one’s own and a taken-away end stay', () => {
    const own = { ...body, ports: [...body.ports.filter((it) => it.id !== 'shoe'), { ...body.ports[0], id: 'own' }] }
    const changed = changeFacts(own as typeof body, { massGrams: 650, mount: 'filter-82' }, PLUGS)
    expect(changed.ports.map((it) => it.id)).toEqual(own.ports.map((it) => it.id))
    expect(changed.ports.find((it) => it.id === 'mount')?.interfaces).toEqual(['filter-82'])
    expect(changed.specs.massGrams).toBe(650)
  })

  test('ways that draw differently stay different while something else changes', () => {
    const both = makeModelFromTemplate('panel', '', 'x', { inlet: 'iec-c7', battery: 'cell-aa', milliwatts: 60_000 })
    const [mains, packs] = both.powerModes
    const model = { ...both, powerModes: [mains, { ...packs, milliwatts: 40_000 }] } as typeof both
    expect(readFacts(model).milliwatts).toBeNull()
    const changed = changeFacts(model, { massGrams: 900 }, PLUGS)
    expect(changed.powerModes.map((it) => it.milliwatts)).toEqual([60_000, 40_000])
  })

  test('another kind takes the ends of that kind, and keeps what both are asked', () => {
    const lamp = changeFacts(body, {}, { ...PLUGS, category: 'panel' })
    expect(lamp.ports.map((it) => it.id)).toContain('receiver')
    expect(lamp.ports.map((it) => it.id)).not.toContain('video-out')
    expect(readFacts(lamp)).toMatchObject({ battery: 'cell-aa', massGrams: 600 })
  })
})

test('every connector that an answer here names is one', () => {
  const known = new Set(STANDARD_INTERFACES.map((it) => it.code))
  const codes = Object.values(ANSWERS)
    .flat()
    .filter((it) => typeof it === 'string' && it !== NO_END)
  expect(codes.filter((it) => !known.has(String(it)))).toEqual([])
})
