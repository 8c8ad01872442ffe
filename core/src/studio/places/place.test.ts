import { differenceCiede2000 } from 'culori'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { rankPlacesByColour } from './brand-colour.ts'
import { type NewPlace, NO_DETAILS, newPlaceSchema, type PlaceDetails } from './place.ts'
import { listMissed } from './place-change.ts'
import { isOpenUntil, judgePlace, spreadInMired } from './place-findings.ts'
import { sayPlaceFinding } from './place-words.ts'
import { checkRoomFit } from './room-fit.ts'
import { listLeadWays } from './socket-map.ts'

const FACTS = { today: '2026-11-24', bookingsAfterEnd: 0, massGrams: 0, unweighed: 0 }
const WORDS = { sayDay: (it: string) => it, sayLength: (mm: number) => `${mm} mm`, sayMass: (g: number) => `${g} g` }
const SIZE = { widthMm: 5000, depthMm: 4000, heightMm: 2600 }

function makePlace(details: Partial<PlaceDetails> = {}, part: Partial<NewPlace> = {}): NewPlace {
  return {
    name: 'Attic',
    kind: 'room',
    parentId: null,
    circuits: [],
    note: '',
    details: { ...NO_DETAILS, size: SIZE, ...details },
    ...part,
  }
}

const fixture = (part: object) => ({
  id: 'f',
  name: 'Fan',
  kind: 'noise' as const,
  kelvin: null,
  canSwitchOff: true,
  note: '',
  ...part,
})
const codes = (place: NewPlace, facts = FACTS) => judgePlace(place, facts).map((it) => `${it.level} ${it.code}`)

describe('what a place asks', () => {
  test('a room of unknown size, a bar of unknown rating and a socket without circuit are unknown, never fine', () => {
    expect(codes(makePlace({ size: null }))).toEqual(['unknown size-unknown'])
    const bar = { id: 'b', name: 'Bar', kind: 'bar' as const, heightMm: 2400, loadGrams: null }
    const socket = { id: 's', name: 'Left', circuitId: null, xMm: 0, yMm: 0, zMm: 300 }
    expect(codes(makePlace({ bars: [bar], sockets: [socket] }))).toEqual([
      'unknown socket-without-circuit',
      'unknown bar-unrated',
    ])
  })

  test('its last day still counts; what is booked after it stops', () => {
    const until = (accessUntil: string) => makePlace({ accessUntil })
    expect(isOpenUntil(until('2026-11-24'), '2026-11-24')).toBe(true)
    expect(isOpenUntil(until('2026-11-24'), '2026-11-25')).toBe(false)
    expect(codes(until('2026-11-24'))).toEqual(['advise access-ending'])
    expect(codes(until('2026-11-23'))).toEqual(['warn access-ended'])
    expect(codes(until('2026-12-20'), { ...FACTS, bookingsAfterEnd: 2 })).toEqual(['stop access-ending'])
    // Ninety days ahead is when it begins to be said.
    expect(codes(until('2027-02-22'))).toEqual(['advise access-ending'])
    expect(codes(until('2027-02-23'))).toEqual([])
  })

  test('noise and house lights go off and on again; heat keeps its distance', () => {
    expect(codes(makePlace({ fixtures: [fixture({}), fixture({ id: 'g', kind: 'heat', name: 'Pipe' })] }))).toEqual([
      'advise switch-off',
      'warn hot',
    ])
    expect(codes(makePlace({ fixtures: [fixture({ canSwitchOff: false })] }))).toEqual(['warn cannot-switch-off'])
  })

  // 3,200 K is 312.5 mired and 5,600 K is 178.6: 133.9 apart, what a full conversion gel is made for (from memory: 131).
  test('lights of differing colour are mixed light, by mired', () => {
    expect(spreadInMired([3200, 5600])).toBeCloseTo(133.93, 2)
    expect(spreadInMired([4000])).toBe(0)
    const lamps = (...kelvins: number[]) =>
      makePlace({
        fixtures: kelvins.map((kelvin, at) => fixture({ id: `l${at}`, name: `L${at}`, kind: 'light', kelvin })),
      })
    expect(codes(lamps(3200, 5600))).toContain('advise mixed-light')
    expect(codes(lamps(5000, 5250))).not.toContain('advise mixed-light')
  })

  test('a case that is too heavy stops; one with things never weighed cannot be told', () => {
    const bag = makePlace({ massLimitGrams: 9000 }, { kind: 'bag' })
    expect(codes(bag, { ...FACTS, massGrams: 9000 })).toEqual([])
    expect(codes(bag, { ...FACTS, massGrams: 9001, unweighed: 1 })).toEqual(['stop overweight'])
    expect(codes(bag, { ...FACTS, massGrams: 100, unweighed: 1 })).toEqual(['unknown mass-unknown'])
  })

  test('every finding has a sentence', () => {
    const full = makePlace({
      size: null,
      accessUntil: '2026-01-01',
      massLimitGrams: 1,
      fixtures: [
        fixture({ kind: 'light', kelvin: 3000, name: 'A' }),
        fixture({ id: 'b', kind: 'light', kelvin: 6000, name: 'B', canSwitchOff: false }),
        fixture({ id: 'c', kind: 'heat', name: 'C' }),
      ],
    })
    const found = judgePlace(full, { ...FACTS, bookingsAfterEnd: 3, massGrams: 5, unweighed: 1 })
    expect(found).toHaveLength(7)
    for (const it of found) expect(sayPlaceFinding(it, WORDS)).toMatch(/\.$/)
  })
})

describe('places as they are sent', () => {
  test('a socket lies in its room and on one of its circuits', () => {
    const socket = { id: 's', name: 'Left', circuitId: null, xMm: 5001, yMm: 0, zMm: 0 }
    const issue = (place: NewPlace) => newPlaceSchema.safeParse(place).error?.issues[0]
    expect(issue(makePlace({ sockets: [socket] }))?.message).toBe('This socket lies outside the room.')
    expect(issue(makePlace({ sockets: [{ ...socket, xMm: 5000, circuitId: 'nope' }] }))?.path.at(-1)).toBe('circuitId')
    expect(issue(makePlace({ sockets: [{ ...socket, xMm: 5000 }] }))).toBe(undefined)
  })
})

describe('the lead to a spot', () => {
  const socket = { id: 's', name: 'Low', circuitId: 'c', xMm: 1000, yMm: 4000, zMm: 300 }

  // By hand: 0.3 m down, 1 m and 2 m along the walls, 0.9 m up: 4.2 m; 15 % slack makes 4.83 m.
  test('goes down, square along the walls and up, with slack', () => {
    expect(listLeadWays([socket], { xMm: 2000, yMm: 2000, zMm: 900 }, 15)).toEqual([
      { socketId: 's', name: 'Low', circuitId: 'c', via: 'floor', wayMm: 4200, leadMm: 4830 },
    ])
  })

  // By hand: 2.6 m less 2.45 m, with 15 % slack 0.173 m; before, it went down to the floor and up again.
  test('[F7] straight from a ceiling socket to what hangs under it, overhead to what hangs beside it', () => {
    const ceiling = { ...socket, xMm: 2000, yMm: 2000, zMm: 2600 }
    const wayTo = (xMm: number, zMm: number) => listLeadWays([ceiling], { xMm, yMm: 2000, zMm }, 0)[0]
    expect(listLeadWays([ceiling], { xMm: 2000, yMm: 2000, zMm: 2450 }, 15)[0]).toMatchObject({
      via: 'straight',
      wayMm: 150,
      leadMm: 173,
    })
    expect(wayTo(3500, 2400)).toMatchObject({ via: 'overhead', wayMm: 1700 })
    // A table lamp across the room: nobody lets a lead hang through the air.
    expect(wayTo(3500, 900)).toMatchObject({ via: 'floor', wayMm: 5000 })
    // At the limit: 0.3 m aside is still right under it, a millimetre more is not.
    expect([wayTo(2300, 900)?.via, wayTo(2301, 900)?.via]).toEqual(['straight', 'floor'])
    expect([wayTo(3500, 2000)?.via, wayTo(3500, 1999)?.via]).toEqual(['overhead', 'floor'])
  })

  test('the nearest comes first, and no lead is shorter than the straight line', () => {
    const at = fc.integer({ min: 0, max: 20_000 })
    const spot = fc.record({ xMm: at, yMm: at, zMm: at })
    fc.assert(
      fc.property(fc.array(spot, { minLength: 1, maxLength: 8 }), spot, fc.nat(50), (sockets, to, slack) => {
        const ways = listLeadWays(
          sockets.map((it, n) => ({ ...it, id: `${n}`, name: `${n}`, circuitId: null })),
          to,
          slack,
        )
        for (const [n, way] of ways.entries()) {
          const from = sockets[Number(way.socketId)] ?? to
          const straight = Math.hypot(from.xMm - to.xMm, from.yMm - to.yMm, from.zMm - to.zMm)
          expect(way.leadMm).toBeGreaterThanOrEqual(Math.floor(straight))
          if (n > 0) expect(way.leadMm).toBeGreaterThanOrEqual(ways[n - 1]?.leadMm ?? 0)
        }
      }),
    )
  })
})

describe('what fits a room', () => {
  const desk = { widthMinMm: 1400, widthMaxMm: 2200, depthMm: 800, heightMm: 720 }
  const door = { id: 'd', name: 'Door', widthMm: 820, heightMm: 2000 }

  test('stands at any width the room allows, along either wall', () => {
    expect(checkRoomFit(desk, SIZE, [door], 0)).toEqual({ standsIn: true, widestMm: 2200, throughDoor: 'Door' })
    expect(checkRoomFit(desk, { ...SIZE, widthMm: 1500, depthMm: 900 }, [door], 0)).toMatchObject({
      standsIn: true,
      widestMm: 1500,
    })
    expect(checkRoomFit(desk, { ...SIZE, widthMm: 900, depthMm: 1600 }, [], 0)).toMatchObject({
      standsIn: true,
      widestMm: 1600,
    })
    expect(checkRoomFit(desk, { ...SIZE, widthMm: 1399, depthMm: 900 }, [], 0)).toMatchObject({
      standsIn: false,
      widestMm: null,
    })
    expect(checkRoomFit(desk, { ...SIZE, heightMm: 719 }, [], 0).standsIn).toBe(false)
  })

  test('equality passes a door, a millimetre less does not, and clearance counts on both sides', () => {
    const through = (widthMm: number, clearance: number) =>
      checkRoomFit(desk, null, [{ ...door, widthMm }], clearance).throughDoor
    expect([through(720, 0), through(719, 0), through(820, 50), through(819, 50)]).toEqual([
      'Door',
      false,
      'Door',
      false,
    ])
  })

  test('unknown stays unknown', () => {
    expect(checkRoomFit(desk, null, [], 50)).toEqual({ standsIn: null, widestMm: null, throughDoor: null })
  })

  test('a larger room never fits less', () => {
    const size = fc.record({
      widthMm: fc.integer({ min: 1, max: 9000 }),
      depthMm: fc.integer({ min: 1, max: 9000 }),
      heightMm: fc.integer({ min: 1, max: 4000 }),
    })
    fc.assert(
      fc.property(size, fc.nat(3000), (room, more) => {
        const before = checkRoomFit(desk, room, [], 0)
        const after = checkRoomFit(
          desk,
          { widthMm: room.widthMm + more, depthMm: room.depthMm + more, heightMm: room.heightMm + more },
          [],
          0,
        )
        if (before.standsIn) expect(after.standsIn).toBe(true)
        expect(after.widestMm ?? 0).toBeGreaterThanOrEqual(before.widestMm ?? 0)
      }),
    )
  })
})

describe('moving', () => {
  const circuit = { id: 'c', name: 'A', volts: 230, amps: 16, outlets: 2, outletInterface: 'mains-bs1363' }

  test('what the old place had and the new one has not is missed once, and not again when it is wished for', () => {
    const bar = { id: 'b', name: 'Bar', kind: 'bar' as const, heightMm: 2400, loadGrams: 25_000 }
    const high = { id: 's', name: 'Ceiling', circuitId: null, xMm: 0, yMm: 0, zMm: 2400 }
    const old = makePlace(
      { bars: [bar], sockets: [high] },
      { name: 'Old hall', circuits: [circuit, { ...circuit, id: 'd' }] },
    )
    const next = makePlace({}, { circuits: [circuit] })
    const missed = listMissed(old, next)
    expect(missed.map((it) => it.of)).toEqual(['bar', 'ceiling-socket', 'circuit'])
    const wishes = missed.map(({ text }, at) => ({ id: `${at}`, text, costMinor: null, isDone: false }))
    expect(listMissed(old, { ...next, details: { ...next.details, wishes } })).toEqual([])
    expect(listMissed(old, old)).toEqual([])
  })
})

describe('colours', () => {
  // Sharma, Wu and Dalal, The CIEDE2000 Color-Difference Formula, 2005, table 1, pairs 1, 7 and 17.
  test.each([
    [[50, 2.6772, -79.7751], [50, 0, -82.7485], 2.0425],
    [[50, 0, 0], [50, -1, 2], 2.3669],
    [[50, 2.5, 0], [73, 25, -18], 27.1492],
  ])('%j and %j are %f apart', ([l = 0, a = 0, b = 0], [l2 = 0, a2 = 0, b2 = 0], expected) => {
    const difference = differenceCiede2000()({ mode: 'lab65', l, a, b }, { mode: 'lab65', l: l2, a: a2, b: b2 })
    expect(difference).toBeCloseTo(expected, 3)
  })

  test('the nearest room comes first, those without colours last', () => {
    const room = (name: string, ...colours: string[]) => makePlace({ colours }, { name })
    const ranked = rankPlacesByColour(
      [room('None'), room('Red', '#aa2222'), room('Green', '#222222', '#4a7546')],
      '#4b7647',
    )
    expect(ranked.map((it) => it.place.name)).toEqual(['Green', 'Red', 'None'])
    expect(ranked[0]?.match?.difference).toBeLessThan(1)
    expect(ranked[2]?.match).toBe(null)
  })
})
