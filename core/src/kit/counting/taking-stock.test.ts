import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { priceBundle, splitAmount } from '../entry/bundle.ts'
import { scoreRecorded } from '../entry/recorded.ts'
import { listAtInterface, listFits } from '../model/fits.ts'
import { makePort } from '../model/port.ts'
import { makeModelFromTemplate } from '../template/template.ts'
import { listManyChanges, manyChangesSchema } from '../unit/change-many.ts'
import { listOpenDuties, reckonGift, sayDisclosure, sumGifts } from '../unit/gift.ts'
import { canGoWith, listMissingParts, listWithParts } from '../unit/kit-parts.ts'
import { ACQUISITION_CODES, EMPTY_UNIT, NO_PROVENANCE, type Unit, unitChangeSchema } from '../unit/unit.ts'
import { compareSnapshots, type SnapshotContents } from './snapshot.ts'
import { type Countable, compareStocktake } from './stocktake.ts'

const makeUnit = (id: string, part: Partial<Unit> = {}): Unit => ({
  ...EMPTY_UNIT,
  id,
  tag: id.toUpperCase(),
  modelId: 'm',
  version: 1,
  ...part,
})

describe('splitting the price of a bundle', () => {
  // Published: the largest remainder method (Hamilton); the worked example of 100 seats over 47, 16, 15.8, 12, 6.1, 3.1
  // thousand votes gives 47, 16, 16, 12, 6, 3.
  test('largest remainders, as in the worked example', () => {
    expect(splitAmount(100, [47_000, 16_000, 15_800, 12_000, 6_100, 3_100])).toEqual([47, 16, 16, 12, 6, 3])
  })

  test('adds up to the penny, never off by more than one, and more weight never gets less', () => {
    fc.assert(
      fc.property(fc.nat(10_000_000), fc.array(fc.nat(100_000), { minLength: 1, maxLength: 20 }), (minor, weights) => {
        const split = splitAmount(minor, weights)
        expect(split.reduce((sum, it) => sum + it, 0)).toBe(minor)
        const total = weights.reduce((sum, it) => sum + it, 0)
        for (const [at, share] of split.entries()) {
          const exact = total > 0 ? (minor * (weights[at] ?? 0)) / total : minor / weights.length
          expect(Math.abs(share - exact)).toBeLessThan(1)
        }
      }),
      { seed: 3 },
    )
  })

  test('what was not in the box carries nothing; what nobody priced counts alike', () => {
    const part = { category: 'light', maker: '', name: 'x', isThere: true, aloneMinor: null, quantity: 1 } as const
    expect(
      priceBundle({ priceMinor: 100, parts: [part, { ...part, isThere: false }, { ...part, quantity: 2 }] }),
    ).toEqual([[34], [], [33, 33]])
    expect(
      priceBundle({
        priceMinor: 100,
        parts: [
          { ...part, aloneMinor: 300 },
          { ...part, aloneMinor: 100 },
        ],
      }),
    ).toEqual([[75], [25]])
  })
})

describe('gifts and what is to be said of them', () => {
  test('value less tax less hours; it can cost more than it brings', () => {
    expect(reckonGift({ valueMinor: 50_000, taxBasisPoints: 2_000, hours: 8, hourMinor: 3_000 })).toEqual({
      taxMinor: 10_000,
      hoursMinor: 24_000,
      netMinor: 16_000,
    })
    expect(reckonGift({ valueMinor: 10_000, taxBasisPoints: 4_000, hours: 8, hourMinor: 3_000 }).netMinor).toBe(-18_000)
  })

  const say = (part: Partial<Unit>) =>
    sayDisclosure(makeUnit('a', part), { name: 'lamp', giver: 'Dace', on: '2026-11-24' })
  const code = (part: Partial<Unit['provenance']>) => ({ ...NO_PROVENANCE, interest: 'code FERN', ...part })
  test.each([
    [{ acquisition: 'gift' }, 'The lamp was given to us by Dace.'],
    [{ acquisition: 'loan-in' }, 'The lamp is lent to us by Dace.'],
    [{ acquisition: 'loan-in', state: 'returned' }, 'The lamp was lent to us by Dace.'],
    [{ acquisition: 'exchanged' }, 'The lamp came to us in exchange for something else, from Dace.'],
    [{ acquisition: 'bought-new' }, null],
    [
      { acquisition: 'bought-new', provenance: { ...NO_PROVENANCE, paidInFull: true } },
      'We bought the lamp ourselves. We paid its full price.',
    ],
    // A gift has no price that could be paid.
    [{ acquisition: 'gift', provenance: { ...NO_PROVENANCE, paidInFull: true } }, 'The lamp was given to us by Dace.'],
    [
      {
        acquisition: 'bought-new',
        provenance: { ...NO_PROVENANCE, viewerCode: { code: 'FERN', percent: 12.5, until: '2026-11-24' } },
      },
      'We bought the lamp ourselves. Viewers save 12.5 % with the code FERN.',
    ],
    [
      {
        acquisition: 'bought-new',
        provenance: { ...NO_PROVENANCE, viewerCode: { code: 'FERN', percent: null, until: '2026-11-23' } },
      },
      null,
    ],
    [
      { acquisition: 'bought-new', provenance: code({ interest: '5 % by our link', interestKind: 'we-earn' }) },
      'We bought the lamp ourselves. We earn from its sale: 5 % by our link.',
    ],
    // A code that is good for viewers is no earning, and what nobody said is not called one.
    [
      { acquisition: 'rented', provenance: code({ interestKind: 'viewers-save' }) },
      'We rent the lamp. Viewers save on it: code FERN.',
    ],
    [{ acquisition: 'personal', provenance: code({}) }, 'The lamp belongs to one of us. On its sale: code FERN.'],
    [{ acquisition: 'gift', provenance: code({ interestUntil: '2026-11-23' }) }, 'The lamp was given to us by Dace.'],
    [{ acquisition: 'venue', provenance: code({ interestUntil: '2026-11-23' }) }, null],
    [
      { acquisition: 'venue', provenance: code({ interestUntil: '2026-11-24' }) },
      'The lamp belongs to the venue. On its sale: code FERN.',
    ],
    [{ acquisition: 'gift', provenance: { ...NO_PROVENANCE, disclosure: 'Our own words.' } }, 'Our own words.'],
  ] as [Partial<Unit>, string | null][])('%j', (part, text) => expect(say(part)).toBe(text))

  test.each(ACQUISITION_CODES)(
    'with an interest in its sale, of a thing that is %s it is said how it came',
    (acquisition) => {
      const said = say({ acquisition, provenance: code({}) })
      expect(said).toMatch(/^(The lamp|We) .+\. On its sale: code FERN\.$/)
      expect(said).not.toMatch(/in full/)
    },
  )

  test('gifts add up by the year in which they were valued; what was bought is none', () => {
    const given = (valueOn: string | null, valueMinor: number | null, acquisition: Unit['acquisition'] = 'gift') =>
      makeUnit('g', { acquisition, acquiredOn: '2025-12-30', provenance: { ...NO_PROVENANCE, valueOn, valueMinor } })
    const units = [
      given('2026-01-02', 500),
      given(null, 200, 'sample'),
      given('2026-03-01', null),
      given('2026-03-01', 9, 'bought-new'),
    ]
    expect(sumGifts(units, null)).toEqual([
      { year: 2026, things: 2, valueMinor: 500, unknown: 1, taxMinor: null },
      { year: 2025, things: 1, valueMinor: 200, unknown: 0, taxMinor: null },
    ])
    // Thing by thing: 17.5 % of 4.99 is 0.87, and three of them 2.61.
    const three = ['a', 'b', 'c'].map(() => given('2026-01-02', 499))
    expect(sumGifts(three, 1_750)).toMatchObject([{ valueMinor: 1_497, taxMinor: 261 }])
  })

  test('open duties, the most pressing first, those without a day last, done ones never', () => {
    const duty = (dueOn: string | null, doneOn: string | null = null) => ({
      ...{ what: String(dueOn), dueOn },
      ...{ doneOn, filmId: null },
    })
    const duties = [duty(null), duty('2026-12-01'), duty('2026-11-01'), duty('2026-10-01', '2026-10-02')]
    const unit = makeUnit('a', { provenance: { ...NO_PROVENANCE, duties } })
    expect(listOpenDuties([unit], '2026-11-24').map((it) => it.dueOn)).toEqual(['2026-11-01', '2026-12-01', null])
  })
})

describe('what fits', () => {
  const model = (id: string, ...ports: ReturnType<typeof makePort>[]) => ({
    ...makeModelFromTemplate('other', '', id),
    id,
    version: 1,
    ports,
  })
  const stand = model(
    'stand',
    makePort({ id: 'carries', interfaces: 'spigot-16', side: 'host', rating: { quantity: 'loadGrams', value: 8_000 } }),
  )
  const heavy = model(
    'heavy',
    makePort({
      id: 'receiver',
      interfaces: 'spigot-16',
      side: 'guest',
      demand: { quantity: 'loadGrams', value: 9_000 },
    }),
  )
  const lamp = model('lamp', makePort({ id: 'receiver', interfaces: ['spigot-28', 'spigot-16'], side: 'guest' }))
  const strip = model('strip', makePort({ id: 'plug', interfaces: 'iec-c7', side: 'guest', carries: ['distribution'] }))
  const socket = model(
    'socket',
    makePort({ id: 'socket', interfaces: 'iec-c7', side: 'host', forbids: ['distribution'] }),
  )
  const all = [stand, heavy, lamp, strip, socket]

  test('the other side of the same interface, what is against it last and said', () => {
    expect(listFits(stand, all)[0]?.fits.map((it) => [it.modelId, it.why])).toEqual([
      ['lamp', null],
      ['heavy', 'rating'],
    ])
    expect(listFits(socket, all)[0]?.fits.map((it) => it.why)).toEqual(['forbidden'])
  })

  test('of one maker, another generation does not understand it; one that says several does', () => {
    const ofGeneration = (id: string, maker: string, generation: string) => ({
      ...model(id, makePort({ id: 'io', interfaces: 'usb-c', side: id === 'panel' ? 'host' : 'guest' })),
      maker,
      specs: { ...stand.specs, more: { generation } },
    })
    const panel = ofGeneration('panel', 'Dace', '2')
    const boxes = [
      ofGeneration('old', 'Dace', '1'),
      ofGeneration('both', 'dace', '1, 2'),
      ofGeneration('other', 'Nook', '1'),
    ]
    const fits = listFits(panel, boxes)[0]?.fits ?? []
    expect(fits.map((it) => [it.modelId, it.why])).toEqual([
      ['other', null],
      ['both', null],
      ['old', 'generation'],
    ])
  })

  test('it holds both ways round', () => {
    for (const a of all) {
      for (const { port, fits } of listFits(a, all)) {
        for (const fit of fits) {
          const b = all.find((it) => it.id === fit.modelId)
          const back = b ? listFits(b, all).flatMap((it) => it.fits) : []
          expect(back.some((it) => it.modelId === a.id && it.isFine === fit.isFine && it.portId === port.id)).toBe(true)
        }
      }
    }
  })

  test('an interface has those that receive and those that go in', () => {
    const { hosts, guests } = listAtInterface(all, { code: 'spigot-16' })
    expect([hosts.map((it) => it.modelId), guests.map((it) => it.modelId)]).toEqual([['stand'], ['heavy', 'lamp']])
  })
})

describe('what goes with what', () => {
  const units = [
    makeUnit('lamp'),
    makeUnit('lead', { parentId: 'lamp' }),
    makeUnit('shim', { parentId: 'lead' }),
    makeUnit('case', { parentId: 'lamp', bond: 'set' }),
  ]

  test('everything that goes with a thing, however deep, once', () => {
    expect(listWithParts('lamp', units)).toEqual(['lamp', 'lead', 'case', 'shim'])
    expect([
      canGoWith('lamp', 'shim', units),
      canGoWith('lamp', 'lamp', units),
      canGoWith('shim', 'lamp', units),
    ]).toEqual([false, false, true])
  })

  test('a part that is lost or unusable makes the thing incomplete; a member of the set does not', () => {
    const lost = units.map((it) => (it.id === 'lead' || it.id === 'case' ? { ...it, state: 'lost' as const } : it))
    expect(listMissingParts('lamp', lost, new Set()).map((it) => it.id)).toEqual(['lead'])
    const controlled = lost.map((it) => (it.id === 'case' ? { ...it, bond: 'controller' as const } : it))
    expect(listMissingParts('lamp', controlled, new Set()).map((it) => it.id)).toEqual(['lead', 'case'])
    expect(listMissingParts('lamp', units, new Set(['lead'])).map((it) => it.id)).toEqual(['lead'])
    expect(listMissingParts('lamp', units, new Set())).toEqual([])
  })
})

describe('counting', () => {
  const thing = (id: string, part: Partial<Countable> = {}): Countable => ({
    id,
    tag: id,
    name: id,
    placeId: 'a',
    quantity: null,
    isAway: false,
    ...part,
  })
  const things = [
    thing('CAM-1'),
    thing('CAM-2'),
    thing('LGT-1', { placeId: 'b' }),
    thing('OUT-1', { isAway: true }),
    thing('BAG-1', { quantity: 12 }),
  ]
  const seen = (...tags: (string | [string, number])[]) =>
    tags.map((it) => (typeof it === 'string' ? { tag: it, quantity: null } : { tag: it[0], quantity: it[1] }))
  const outcomes = (...tags: (string | [string, number])[]) =>
    compareStocktake(things, seen(...tags), new Set(['a'])).map((it) => [it.tag, it.outcome])

  test('what is missing, counted otherwise, unknown, from elsewhere, back early, here: in that order', () => {
    expect(outcomes('CAM-1', 'CAM-1', ['BAG-1', 12], ['BAG-1', 11], 'LGT-1', 'OUT-1', 'NEW-1')).toEqual([
      ['CAM-2', 'missing'],
      ['BAG-1', 'count-differs'],
      ['NEW-1', 'unknown-tag'],
      ['LGT-1', 'moved-here'],
      ['OUT-1', 'back-early'],
      ['CAM-1', 'here'],
    ])
  })

  test('what is away is not missing, and a place counts only its own', () => {
    expect(outcomes().map(([tag]) => tag)).toEqual(['BAG-1', 'CAM-1', 'CAM-2'])
    expect(compareStocktake(things, [], null).filter((it) => it.outcome === 'missing')).toHaveLength(4)
  })

  test('every thing and every scan is spoken of exactly once', () => {
    const tags = fc.constantFrom('CAM-1', 'CAM-2', 'LGT-1', 'OUT-1', 'BAG-1', 'ZZZ-1')
    fc.assert(
      fc.property(fc.array(tags, { maxLength: 12 }), (list) => {
        const lines = compareStocktake(things, seen(...list), new Set(['a']))
        expect(new Set(lines.map((it) => it.tag)).size).toBe(lines.length)
        for (const tag of list) expect(lines.some((it) => it.tag === tag)).toBe(true)
      }),
      { seed: 5 },
    )
  })
})

describe('then and now', () => {
  const contents = (part: Partial<SnapshotContents> = {}): SnapshotContents => ({
    things: [
      { id: 'u1', tag: 'CAM-01', name: 'Body', place: 'Store', state: 'In service', quantity: null, valueMinor: 5 },
    ],
    setups: [{ id: 's', code: 'IV', name: 'Interview', things: [{ id: 'u1', tag: 'CAM-01', role: 'A camera' }] }],
    ...part,
  })

  test('the same has no difference; turned round, what came went', () => {
    expect(compareSnapshots(contents(), contents())).toEqual({ came: [], went: [], changed: [], setups: [] })
    const later = contents({ things: [], setups: [] })
    expect(compareSnapshots(contents(), later).went).toEqual(compareSnapshots(later, contents()).came)
  })

  test('what moved, and what a setup gained and lost', () => {
    const [thing] = contents().things
    const later = contents({
      things: thing ? [{ ...thing, place: 'Loft' }] : [],
      setups: [{ id: 's', code: 'IV', name: 'Interview', things: [{ id: 'u2', tag: 'CAM-02', role: 'A camera' }] }],
    })
    const difference = compareSnapshots(contents(), later)
    expect(difference.changed[0]?.fields).toEqual([{ field: 'place', before: 'Store', after: 'Loft' }])
    expect(difference.setups).toEqual([
      { code: 'IV', name: 'Interview', change: 'changed', added: ['CAM-02 A camera'], removed: ['CAM-01 A camera'] },
    ])
  })
})

describe('what is recorded', () => {
  test('everything, nothing, and what is missing in the order in which it helps', () => {
    const full = makeModelFromTemplate('tripod', 'Sedge', 'T', { loadGrams: 8_000, massGrams: 3_000 })
    const unit = makeUnit('a', { serial: 'x', placeId: 'p', acquiredOn: '2025-01-01', priceMinor: 1 })
    expect(scoreRecorded(unit, full, true)).toEqual({ percent: 100, missing: [] })
    const bare = scoreRecorded(makeUnit('a'), makeModelFromTemplate('tripod', '', 'T'), false)
    expect([bare.percent, bare.missing[0]]).toEqual([0, 'identity'])
  })
})

describe('changes of many and of one', () => {
  test('a field that has the value already does not change; nothing at all is refused', () => {
    expect(listManyChanges(makeUnit('a'), { state: 'in-service', placeId: 'p' }).map((it) => it.field)).toEqual([
      'placeId',
    ])
    expect(manyChangesSchema.safeParse({}).success).toBe(false)
  })

  test('a change of one field speaks of no other', () => {
    expect(unitChangeSchema.parse({ note: 'x' })).toEqual({ note: 'x' })
    expect(unitChangeSchema.safeParse({ tag: 'no tag' }).success).toBe(false)
  })
})
