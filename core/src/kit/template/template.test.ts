import { describe, expect, test } from 'vitest'
import { CATEGORIES, CATEGORY_CODES, GROUPS } from '../model/category.ts'
import { listFits } from '../model/fits.ts'
import { interfaceSchema, STANDARD_INTERFACES } from '../model/interface.ts'
import { newModelSchema } from '../model/model.ts'
import { makePort } from '../model/port.ts'
import { SPEC_KEYS } from '../model/spec.ts'
import { makeModelFromTemplate } from './template.ts'
import { ASKED_FACTS, ASKED_SPECS, NO_FACTS, type TemplateFacts } from './template-facts.ts'

const FULL: TemplateFacts = {
  mount: 'filter-77',
  frontMount: 'filter-77',
  battery: 'cell-aa',
  batteryCount: 2,
  inlet: 'iec-c7',
  milliwatts: 10_000,
  massGrams: 500,
  loadGrams: 4_000,
  energyMilliwattHours: 48_000,
  capacityMegabytes: 64_000,
  cardMegabytesPerSecond: 30,
  kilobitsPerSecond: 100_000,
  endA: 'hdmi-a',
  endB: 'hdmi-c',
  outlets: 4,
  plug: 'mains-cee7',
  videoOut: 'hdmi-c',
  videoIn: 'bnc',
  videoInputs: 3,
  soundIn: 'trs-63',
  soundInputs: 5,
  soundOut: 'xlr-mini',
  cardForm: 'micro-sd',
  holes: 'screen-100',
  widthMinMm: 1_400,
  widthMaxMm: 2_200,
  depthMm: 750,
  heightMm: 740,
}

const needsOf = (category: (typeof CATEGORY_CODES)[number], facts: Partial<TemplateFacts>) =>
  makeModelFromTemplate(category, '', 'x', facts)
    .ports.filter((port) => port.importance === 'essential')
    .map((port) => port.id)

describe('templates', () => {
  test.each(CATEGORY_CODES)('a %s is sound with nothing known and with everything known', (category) => {
    for (const facts of [{}, NO_FACTS, FULL]) {
      const result = newModelSchema.safeParse(makeModelFromTemplate(category, 'Maker', 'Model', facts))
      expect(result.error?.issues ?? []).toEqual([])
    }
    expect(GROUPS).toContain(CATEGORIES[category].group)
  })

  test('only facts that the template knows are asked for', () => {
    for (const facts of Object.values(ASKED_FACTS))
      for (const fact of facts) expect(Object.keys(NO_FACTS)).toContain(fact)
  })

  test('only specs that there are are asked for, none twice', () => {
    for (const specs of Object.values(ASKED_SPECS)) {
      for (const key of specs) expect(SPEC_KEYS).toContain(key)
      expect(new Set(specs).size).toBe(specs.length)
    }
  })

  // Common practice: what each of these cannot work without.
  test.each([
    ['camera', FULL, ['mount', 'foot', 'slot', 'inlet', 'bay']],
    ['lens', FULL, ['rear']],
    ['lens-adapter', FULL, ['rear', 'front']],
    ['light', { inlet: 'iec-c7' }, ['receiver', 'inlet']],
    ['microphone', {}, ['clip', 'out']],
    ['lead', {}, ['connector', 'plug']],
    ['strip', {}, ['plug']],
    ['cable', { endA: 'hdmi-a' }, ['from', 'to']],
    ['tripod', FULL, []],
    ['pack', FULL, []],
    ['card', FULL, []],
  ] as const)('a %s needs what it needs', (category, facts, needs) => {
    expect(needsOf(category, facts)).toEqual(needs)
  })

  test('each way of powering has its own ports, and its first is the mains where there is one', () => {
    const { powerModes } = makeModelFromTemplate('light', '', 'x', FULL)
    expect(powerModes.map((mode) => [mode.source, mode.portIds, mode.milliwatts])).toEqual([
      ['mains', ['inlet'], 10_000],
      ['cells', ['bay'], 10_000],
    ])
    expect(powerModes[1]?.label).toBe('2 cells')
  })

  test('an XLR cable has a socket at the microphone and a plug at the recorder; a video cable has two plugs', () => {
    const sides = (endA: string) =>
      makeModelFromTemplate('cable', '', 'x', { endA }).ports.map((port) => [port.side, port.direction])
    expect(sides('xlr-3')).toEqual([
      ['host', 'in'],
      ['guest', 'out'],
    ])
    expect(sides('hdmi-a')).toEqual([
      ['guest', 'in'],
      ['guest', 'out'],
    ])
  })

  test('a small card fits a full-size slot in its sleeve only, and the sleeve wants the card', () => {
    const small = { ...makeModelFromTemplate('card', '', 'small', { cardForm: 'micro-sd' }), id: 'small', version: 1 }
    const sleeve = { ...makeModelFromTemplate('card-sleeve', '', 'sleeve'), id: 'sleeve', version: 1 }
    const camera = {
      ...makeModelFromTemplate('camera', '', 'cam', { cardForm: 'sd', kilobitsPerSecond: 1 }),
      id: 'cam',
      version: 1,
    }
    const all = [small, sleeve, camera]
    const fitsAt = (model: (typeof all)[number], portId: string) =>
      listFits(model, all)
        .find((it) => it.port.id === portId)
        ?.fits.map((it) => it.modelId)
    expect(fitsAt(camera, 'slot')).toEqual(['sleeve'])
    expect(fitsAt(sleeve, 'inside')).toEqual(['small'])
    expect(needsOf('card-sleeve', {})).toEqual(['inside'])
  })

  test('a screen hangs on a plate with its holes that bears it', () => {
    const screen = (massGrams: number) => ({
      ...makeModelFromTemplate('monitor', '', `${massGrams}`, { holes: 'screen-100', massGrams }),
      id: `${massGrams}`,
      version: 1,
    })
    const plate = makeModelFromTemplate('plate', '', 'plate', { holes: 'screen-100', loadGrams: 8_000 })
    const fits = listFits({ ...plate, id: 'plate', version: 1 }, [screen(8_000), screen(8_001)])
    expect(fits.find((it) => it.port.id === 'holes')?.fits.map((it) => [it.modelId, it.isFine])).toEqual([
      ['8000', true],
      ['8001', false],
    ])
  })

  test('leads and strips end in the plug of the wall they are made for', () => {
    const plug = makeModelFromTemplate('lead', '', 'x', {}, { plugs: 'continental' }).ports.find(
      (port) => port.id === 'plug',
    )
    expect(plug?.interfaces).toEqual(['mains-cee7'])
  })
})

describe('models', () => {
  const model = makeModelFromTemplate('stand', '', 'Stand', {})

  test.each([
    [
      'two ports of one id',
      {
        ports: [
          makePort({ id: 'a', interfaces: 'shoe', side: 'host' }),
          makePort({ id: 'a', interfaces: 'shoe', side: 'host' }),
        ],
      },
    ],
    [
      'a way of powering that names no port',
      { powerModes: [{ id: 'm', label: 'Mains', source: 'mains', milliwatts: 1, portIds: ['inlet'] }] },
    ],
    [
      'an exclusive group with two sides',
      {
        ports: [
          makePort({ id: 'a', interfaces: 'shoe', side: 'host', exclusiveGroup: 'g' }),
          makePort({ id: 'b', interfaces: 'shoe', side: 'guest', exclusiveGroup: 'g' }),
        ],
      },
    ],
    ['no name', { name: ' ' }],
    ['a mass below nothing', { specs: { ...model.specs, massGrams: -1 } }],
  ])('with %s is refused in a sentence', (_, part) => {
    const { error } = newModelSchema.safeParse({ ...model, ...part })
    expect(error?.issues.length).toBeGreaterThan(0)
  })
})

test('the standard interfaces are sound, and each has a code of its own', () => {
  for (const it of STANDARD_INTERFACES) expect(interfaceSchema.safeParse(it).success).toBe(true)
  expect(new Set(STANDARD_INTERFACES.map((it) => it.code)).size).toBe(STANDARD_INTERFACES.length)
})

// Published: ISO 1222 tripod screws, ISO 518 accessory shoe, IEC 60320 couplers, BS 1363 plug.
test.each([
  ['thread-1-4', 'ISO 1222'],
  ['thread-3-8', 'ISO 1222'],
  ['shoe', 'ISO 518'],
  ['iec-c7', 'IEC 60320'],
  ['iec-c13', 'IEC 60320'],
  ['mains-bs1363', 'BS 1363'],
  ['xlr-3', 'IEC 61076-2-103'],
])('%s follows %s', (code, standard) => {
  expect(STANDARD_INTERFACES.find((it) => it.code === code)?.standard).toBe(standard)
})

describe('outside measures', () => {
  const measure = (facts: object) => makeModelFromTemplate('furniture', '', 'Table', facts).specs.footprint

  test('all three sides make a footprint; half a size makes none; a fixed width has one end', () => {
    expect(measure({ widthMinMm: 1400, widthMaxMm: 2200, depthMm: 750, heightMm: 740 })).toEqual({
      widthMinMm: 1400,
      widthMaxMm: 2200,
      depthMm: 750,
      heightMm: 740,
    })
    expect(measure({ widthMaxMm: 900, depthMm: 750, heightMm: 740 })).toMatchObject({
      widthMinMm: 900,
      widthMaxMm: 900,
    })
    expect(measure({ widthMinMm: 1400, depthMm: 750 })).toBe(null)
  })
})
