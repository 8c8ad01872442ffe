import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { makeModelFromTemplate } from '../kit/template/template.ts'
import { EMPTY_UNIT, NO_SUPPLY, type Unit } from '../kit/unit/unit.ts'
import { makeAssignment } from '../setups/setup/setup.ts'
import { NO_DETAILS } from '../studio/places/place.ts'
import { overlaps } from '../units/interval.ts'
import { type Calendar, findAbsence, findAbsences, type Wanted } from './availability.ts'
import { findHoldInterval, newBookingSchema } from './booking.ts'
import { countFreeStock, findCollisions, findStockShortages, type Hold } from './collisions.ts'
import { buildPackSheet, listBookingItems, UNKNOWN_PLACE } from './pack-sheet.ts'

const hold = (bookingId: string, start: number, end: number, rest: Partial<Hold> = {}): Hold => ({
  bookingId,
  title: bookingId,
  interval: { start, end },
  unitIds: ['TRI'],
  stock: new Map(),
  placeId: null,
  personIds: [],
  ...rest,
})

describe('collisions', () => {
  test('two bookings that touch do not collide; a minute of overlap does', () => {
    expect(findCollisions([hold('a', 0, 10), hold('b', 10, 20)])).toEqual([])
    expect(findCollisions([hold('a', 0, 11), hold('b', 10, 20)])).toEqual([
      { subject: 'unit', subjectId: 'TRI', bookingIds: ['a', 'b'], interval: { start: 10, end: 11 } },
    ])
  })

  test('rooms and people collide too', () => {
    const rest = { unitIds: [], placeId: 'hall', personIds: ['bram'] }
    expect(findCollisions([hold('a', 0, 5, rest), hold('b', 3, 9, rest)]).map((it) => it.subject)).toEqual([
      'person',
      'place',
    ])
  })

  test('finds exactly the overlapping pairs', () => {
    const spans = fc.array(fc.tuple(fc.nat(50), fc.nat(12)), { maxLength: 12 })
    fc.assert(
      fc.property(spans, (list) => {
        const holds = list.map(([start, length], index) => hold(`b${index}`, start, start + length))
        const pairs = holds.flatMap((a, i) => holds.slice(i + 1).filter((b) => overlaps(a.interval, b.interval)))
        expect(findCollisions(holds)).toHaveLength(pairs.length)
      }),
    )
  })
})

describe('stock over time', () => {
  const bags = (id: string, start: number, end: number, n: number) =>
    hold(id, start, end, { unitIds: [], stock: new Map([['bag', n]]) })

  test('the peak counts, not the sum over the day', () => {
    expect(findStockShortages([bags('a', 0, 10, 4), bags('b', 10, 20, 4)], new Map([['bag', 6]]))).toEqual([])
    expect(findStockShortages([bags('a', 0, 11, 4), bags('b', 10, 20, 4)], new Map([['bag', 6]]))).toMatchObject([
      { wanted: 8, have: 6, at: 10, bookingIds: ['a', 'b'] },
    ])
  })

  test('what is free is what is left at the worst moment', () => {
    const holds = [bags('a', 0, 10, 2), bags('b', 5, 15, 3)]
    expect(countFreeStock('bag', 6, { start: 0, end: 20 }, holds)).toBe(1)
    expect(countFreeStock('bag', 6, { start: 10, end: 20 }, holds)).toBe(3)
    expect(countFreeStock('bag', 4, { start: 4, end: 6 }, holds)).toBe(0)
  })
})

describe('bookings', () => {
  const booking = {
    kind: 'shoot' as const,
    title: 'Winter talk',
    setupId: 's',
    unitIds: [],
    placeId: null,
    personIds: [],
    startsAt: '2026-03-29T00:30',
    endsAt: '2026-03-29T02:30',
    rigMinutes: 60,
    strikeMinutes: 45,
    state: 'confirmed' as const,
    note: '',
  }

  test('the hold has its buffers, over the night of the clock change too', () => {
    const { start, end } = findHoldInterval(booking, 'Europe/London')
    expect([new Date(start).toISOString(), new Date(end).toISOString()]).toEqual([
      '2026-03-28T23:30:00.000Z',
      '2026-03-29T02:15:00.000Z',
    ])
  })

  test.each([
    [{ endsAt: '2026-03-29T00:30' }, 'endsAt'],
    [{ startsAt: '2026-13-29T00:30' }, 'startsAt'],
    [{ setupId: null }, 'setupId'],
    [{ rigMinutes: -1 }, 'rigMinutes'],
    [{ title: '  ' }, 'title'],
  ])('refuses %j at its field', (part, field) => {
    const { error } = newBookingSchema.safeParse({ ...booking, ...part })
    expect(error?.issues.map((issue) => issue.path[0])).toContain(field)
  })
})

describe('what is not there', () => {
  const at = (wall: string) => Date.parse(`${wall}:00Z`)
  const thursday = { start: at('2026-11-26T09:00'), end: at('2026-11-26T12:00') }
  const unit = (part: Partial<Unit>): Unit => ({
    ...EMPTY_UNIT,
    id: 'u',
    tag: 'U-1',
    modelId: 'm',
    version: 1,
    ...part,
  })
  const calendar: Calendar = {
    zone: 'UTC',
    now: at('2026-11-24T09:00'),
    faults: new Map(),
    otherHolds: [],
    lateHolds: [],
    parents: new Map(),
  }
  const absence = (part: Partial<Unit>, rest: Partial<Calendar> = {}) =>
    findAbsences([unit(part)], thursday, { ...calendar, ...rest }).get('u')?.reason ?? null

  test.each<[Partial<Unit>, string | null]>([
    [{}, null],
    [{ state: 'in-repair' }, 'state'],
    [{ state: 'in-repair', dueOn: '2026-11-25' }, 'state'],
    [{ state: 'lent' }, 'state'],
    [{ state: 'lent', dueOn: '2026-11-25' }, null],
    [{ state: 'lent', dueOn: '2026-11-26' }, 'state'],
    [{ acquisition: 'loan-in', dueOn: '2026-11-25' }, 'goes-back'],
    [{ acquisition: 'loan-in', dueOn: '2026-11-26' }, null],
    [{ acquisition: 'bought-new', dueOn: '2026-11-25' }, null],
  ])('%j gives %s', (part, reason) => {
    expect(absence(part)).toBe(reason)
  })

  test.each([
    ['lent', null, 'with-parent'],
    ['lent', '2026-11-25', null],
    ['lent', '2026-11-26', 'with-parent'],
    // The lead of a lamp in repair is here.
    ['in-repair', null, null],
    ['lost', null, null],
    ['in-service', null, null],
  ] as const)('what goes with a thing that is %s, back on %s: %s', (state, dueOn, reason) => {
    const parent = unit({ id: 'p', tag: 'P-1', state, dueOn })
    expect(absence({ parentId: 'p' }, { parents: new Map([['u', parent]]) })).toBe(reason)
    // What goes with what goes with it is away as well.
    const parents = new Map([
      ['u', unit({ id: 'q', tag: 'Q-1' })],
      ['q', parent],
    ])
    expect(absence({ parentId: 'q' }, { parents })).toBe(reason)
  })

  test('what is still out from a booking that is over may not be back in time', () => {
    const late = [hold('bog', 0, thursday.start - 1, { unitIds: ['u'] })]
    const found = findAbsences([unit({})], thursday, { ...calendar, lateHolds: late })
    expect(found.get('u')).toEqual({ reason: 'late', bookingId: 'bog', title: 'bog', since: thursday.start - 1 })
  })

  test('a fault or another booking keeps it away, and touching bookings do not', () => {
    const taken = (start: number) => ({ otherHolds: [hold('b', start, thursday.end + 9, { unitIds: ['u'] })] })
    expect(absence({}, { faults: new Map([['u', { id: 'f', note: 'dead', reportedAt: 0 }]]) })).toBe('fault')
    expect(absence({}, taken(thursday.end - 1))).toBe('booked')
    expect(absence({}, taken(thursday.end))).toBe(null)
  })

  test('a lent or ordered thing that was due and is not back is not counted on, however long ago', () => {
    const overdue = { now: at('2026-11-26T08:00') }
    expect(absence({ state: 'lent', dueOn: '2026-11-25' }, overdue)).toBe('state')
    expect(absence({ state: 'ordered', dueOn: '2026-10-01' }, overdue)).toBe('state')
  })

  test('rooms, people and counted things are asked after in the same words', () => {
    const place = (accessUntil: string | null) => ({
      id: 'room',
      details: { ...NO_DETAILS, accessUntil, accessTerms: 'key at the gate' },
    })
    const asked = (wanted: Wanted, otherHolds: Hold[] = []) =>
      findAbsence(wanted, thursday, { ...calendar, otherHolds })
    expect(asked({ subject: 'place', place: place('2026-11-25') })).toEqual({
      reason: 'closed',
      until: '2026-11-25',
      terms: 'key at the gate',
    })
    // Its last day can still be used.
    expect(asked({ subject: 'place', place: place('2026-11-26') })).toBe(null)
    const other = hold('b', thursday.start, thursday.end, {
      placeId: 'room',
      personIds: ['ada'],
      stock: new Map([['bags', 3]]),
    })
    expect(asked({ subject: 'place', place: place(null) }, [other])).toMatchObject({ reason: 'booked', title: 'b' })
    expect(asked({ subject: 'person', id: 'ada', hasLeft: false }, [other])).toMatchObject({ reason: 'booked' })
    expect(asked({ subject: 'person', id: 'bo', hasLeft: true })).toEqual({ reason: 'left-team' })
    const bags = (wanted: number) => asked({ subject: 'stock', id: 'bags', have: 5, wanted }, [other])
    expect([bags(2), bags(3)]).toEqual([null, { reason: 'short', wanted: 3, free: 2 }])
  })
})

describe('the pack sheet', () => {
  test('what goes with a thing leaves with it, for its role, once, and not where it has a role of its own', () => {
    const roles = ['lamp', 'lead'].map((id) => ({
      id: `r-${id}`,
      group: 'light' as const,
      name: id,
      importance: 'essential' as const,
      wants: null,
      detail: '',
      intentionallyEmpty: false,
      things: [makeAssignment({ unitId: id })],
    }))
    const kin = [
      { id: 'lead', parentId: 'lamp' },
      { id: 'case', parentId: 'lamp' },
      { id: 'strap', parentId: 'case' },
      { id: 'hood', parentId: 'elsewhere' },
    ]
    const items = listBookingItems({ roles }, [], kin)
    expect(items.map((it) => [it.unitId, it.roleId])).toEqual([
      ['lamp', 'r-lamp'],
      ['lead', 'r-lead'],
      ['case', 'r-lamp'],
      ['strap', 'r-lamp'],
    ])
  })

  test('walks the places, counts pieces, adds up what is weighed', () => {
    const model = (id: string, massGrams: number | null) => ({
      ...makeModelFromTemplate('light', '', id, { massGrams }),
      id,
      version: 1,
    })
    const unit = (id: string, modelId: string, placeId: string | null): Unit => ({
      ...EMPTY_UNIT,
      id,
      tag: id,
      modelId,
      placeId,
      version: 1,
    })
    const holdings = {
      models: new Map([model('lamp', 2_000), model('rug', null), model('bag', 7_000)].map((it) => [it.id, it])),
      units: new Map(
        [unit('L2', 'lamp', 'case'), unit('L1', 'lamp', 'case'), unit('R1', 'rug', null)].map((it) => [it.id, it]),
      ),
      stock: new Map([
        [
          'B',
          {
            id: 'B',
            tag: 'B',
            modelId: 'bag',
            quantity: 9,
            reorderLevel: 0,
            supply: NO_SUPPLY,
            placeId: 'store',
            version: 1,
          },
        ],
      ]),
    }
    const roles = [
      {
        id: 'r',
        group: 'light' as const,
        name: 'Key',
        importance: 'essential' as const,
        wants: null,
        detail: '',
        intentionallyEmpty: false,
        things: [
          makeAssignment({ unitId: 'L2' }),
          makeAssignment({ unitId: 'L1' }),
          makeAssignment({ stockId: 'B', quantity: 3 }),
        ],
      },
    ]
    const items = listBookingItems({ roles }, ['R1', 'L1'])
    const sheet = buildPackSheet(
      items,
      holdings,
      new Map([
        ['case', { name: 'Case 3' }],
        ['store', { name: 'Store' }],
      ]),
      new Map([['r', 'Key']]),
    )
    expect(sheet.stops.map((stop) => [stop.place, stop.lines.map((line) => line.tag)])).toEqual([
      ['Case 3', ['L1', 'L2']],
      ['Store', ['B']],
      [UNKNOWN_PLACE, ['R1']],
    ])
    expect(sheet).toMatchObject({ pieces: 6, massGrams: 25_000, unweighed: 1 })
  })
})
