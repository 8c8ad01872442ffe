import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { computeCardMinutes } from '../../../formulas/media/card-time.ts'
import { computeCircuitLimit } from '../../../formulas/power/circuit-limit.ts'
import { computeRuntimeMinutes, countPacks } from '../../../formulas/power/pack-runtime.ts'
import type { PlacedItem } from '../../placed/placed-item.ts'
import { makeThing } from '../../placed/things.fixture.ts'
import { computeCardTimes } from '../media/card-minutes.ts'
import { computeCircuitLoad } from '../power/circuit-load.ts'
import { computePackHours } from '../power/pack-hours.ts'

const pack = (key: string, energyMilliwattHours: number, healthPercent: number | null = null): PlacedItem =>
  makeThing({
    key,
    energyMilliwattHours,
    healthPercent,
    ports: [{ id: 'pack', interfaces: 'pack-a', side: 'guest', importance: 'optional' }],
  })

const device = (key: string, milliwatts: number, count = 1): PlacedItem =>
  makeThing({
    key,
    powerMode: { id: 'packs', label: 'Packs', source: 'packs', milliwatts, portIds: ['bay'] },
    ports: [{ id: 'bay', interfaces: 'pack-a', side: 'host', count }],
  })

const OPTIONS = { minutes: 90, sparePacks: 1, efficiencyPercent: 100 }

const isCard = (code: string) => code === 'sd' || code === 'micro-sd'

describe('packs for a session', () => {
  test('swapped whole: as many as a minute by minute count comes to', () => {
    const cases = fc.record({
      minutes: fc.integer({ min: 1, max: 600 }),
      atOnce: fc.integer({ min: 1, max: 4 }),
      runtime: fc.integer({ min: 1, max: 240 }),
    })
    fc.assert(
      fc.property(cases, ({ minutes, atOnce, runtime }) => {
        let packs = 0
        for (let minute = 0; minute < minutes; minute++) if (minute % runtime === 0) packs += atOnce
        expect(countPacks(minutes, atOnce, runtime)).toBe(packs)
      }),
    )
  })

  test('more energy, better health or less draw never shorten a run', () => {
    const whole = fc.integer({ min: 1, max: 500_000 })
    const percent = fc.integer({ min: 1, max: 100 })
    fc.assert(
      fc.property(whole, whole, percent, percent, (energy, draw, health, efficiency) => {
        const run = computeRuntimeMinutes(energy, 1, draw, health, efficiency)
        expect(computeRuntimeMinutes(energy + 1, 1, draw, health, efficiency)).toBeGreaterThan(run)
        expect(computeRuntimeMinutes(energy, 2, draw, health, efficiency)).toBeCloseTo(2 * run, 6)
        expect(computeRuntimeMinutes(energy, 1, draw + 1, health, efficiency)).toBeLessThan(run)
      }),
    )
  })

  test('the weakest pack decides, devices of one family add up, and the spare is counted once', () => {
    const [sum] = computePackHours(
      [pack('P1', 40_000, 100), pack('P2', 40_000, 50), device('A', 10_000), device('B', 20_000, 2)],
      OPTIONS,
    )
    // 20 Wh: A runs 120 minutes on one, B 120 minutes on two.
    expect(sum).toMatchObject({
      packMilliwattHours: 40_000,
      healthPercent: 50,
      needed: 3,
      wanted: 4,
      have: 2,
      level: 'stop',
    })
    expect(sum?.devices.map((it) => [it.tag, it.packs])).toEqual([
      ['A', 1],
      ['B', 2],
    ])
  })

  test('only the spare missing warns; nothing on packs, or no pack at all, is no sum', () => {
    expect(computePackHours([pack('P1', 40_000), device('A', 10_000)], OPTIONS)[0]?.level).toBe('warn')
    expect(computePackHours([pack('P1', 40_000), pack('P2', 40_000), device('A', 10_000)], OPTIONS)[0]?.level).toBe(
      'ok',
    )
    expect(computePackHours([pack('P1', 40_000)], OPTIONS)).toEqual([])
    expect(computePackHours([device('A', 10_000)], OPTIONS)).toEqual([])
  })
})

const slot = (key: string, demand: number | null, kilobitsPerSecond = 100_000): PlacedItem =>
  makeThing({
    key,
    recordingMode: { id: 'm', label: 'usual', kilobitsPerSecond },
    ports: [
      {
        id: 'slot',
        interfaces: 'sd',
        side: 'host',
        demand: demand === null ? null : { quantity: 'cardMegabytesPerSecond', value: demand },
      },
    ],
  })

const card = (key: string, capacityMegabytes: number, speed: number | null, roleId: string | null = null): PlacedItem =>
  makeThing({
    key,
    capacityMegabytes,
    roleId,
    ports: [
      {
        id: 'card',
        interfaces: 'sd',
        side: 'guest',
        importance: 'optional',
        rating: speed === null ? null : { quantity: 'cardMegabytesPerSecond', value: speed },
      },
    ],
  })

describe('minutes on the cards', () => {
  const options = { plannedMinutes: 60, headroomPercent: 0 }

  test('a larger card, a lighter mode or less headroom never hold less', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 2_000_000 }),
        fc.integer({ min: 64, max: 800_000 }),
        fc.integer({ min: 1, max: 50 }),
        (megabytes, rate, headroom) => {
          const minutes = computeCardMinutes(megabytes, rate, headroom)
          expect(computeCardMinutes(megabytes + 1, rate, headroom)).toBeGreaterThanOrEqual(minutes)
          expect(computeCardMinutes(megabytes, rate + 1, headroom)).toBeLessThanOrEqual(minutes)
          expect(computeCardMinutes(megabytes, rate, headroom - 1)).toBeGreaterThanOrEqual(minutes)
          // So many minutes fit, and one more would not.
          const usable = (megabytes * (100 - headroom)) / 100
          expect((minutes * rate * 60) / 8000).toBeLessThanOrEqual(usable + 1e-6)
          expect(((minutes + 1) * rate * 60) / 8000).toBeGreaterThan(usable - 1e-6)
        },
      ),
    )
  })

  test('[law 6] a loose card that two want alike goes to the first of them, whatever they are called', () => {
    const sums = (first: string, second: string) =>
      computeCardTimes([slot(first, 30), slot(second, 30), card('S', 45_000, 30)], options, isCard).map((it) => it.tag)
    expect(sums('A', 'B')).toEqual(['A'])
    expect(sums('B', 'A')).toEqual(['B'])
  })

  test('cards of a recorder’s own role are its own; loose ones go to whoever is shortest', () => {
    const sums = computeCardTimes(
      [
        slot('A', null),
        slot('B', null),
        card('A1', 45_000, null, 'A'),
        card('X', 22_500, null),
        card('Y', 45_000, null),
      ],
      options,
      isCard,
    )
    expect(sums.map((it) => [it.tag, it.minutes, it.cards.map((one) => one.tag)])).toEqual([
      ['A', 90, ['A1', 'X']],
      ['B', 60, ['Y']],
    ])
  })

  test('a card that is too slow does not count; one of unknown speed does', () => {
    expect(computeCardTimes([slot('A', 60), card('S', 45_000, 30, 'A')], options, isCard)).toEqual([])
    expect(computeCardTimes([slot('A', 60), card('S', 45_000, 60, 'A')], options, isCard)[0]?.level).toBe('ok')
    expect(computeCardTimes([slot('A', 60), card('S', 45_000, null, 'A')], options, isCard)[0]?.level).toBe('ok')
    expect(computeCardTimes([slot('A', null), card('S', 44_000, 10, 'A')], options, isCard)[0]?.level).toBe('stop')
  })

  const inForm = (thing: PlacedItem, form: string) => ({
    ...thing,
    ports: thing.ports.map((port) => ({ ...port, interfaces: [form] })),
  })

  test.each(['sd', 'micro-sd', 'cfexpress-b', 'studio-own'])(
    '[law 7] a card of the form %s holds as long as any other',
    (form) => {
      const sum = (plannedMinutes: number) =>
        computeCardTimes(
          [inForm(slot('A', 60), form), inForm(card('S', 45_000, 60, 'A'), form)],
          { ...options, plannedMinutes },
          (code) => code === form,
        )[0]
      expect([sum(60)?.minutes, sum(60)?.level, sum(61)?.level]).toEqual([60, 'ok', 'stop'])
    },
  )

  test('a card of another form does not count; in a sleeve that is there it does', () => {
    const small = inForm(card('S', 45_000, null, 'A'), 'micro-sd')
    const sleeve = makeThing({
      key: 'SLV',
      category: 'card-sleeve',
      ports: [
        { id: 'inside', interfaces: 'micro-sd', side: 'host' },
        { id: 'card', interfaces: 'sd', side: 'guest' },
      ],
    })
    expect(computeCardTimes([slot('A', null), small], options, isCard)).toEqual([])
    expect(computeCardTimes([slot('A', null), small, sleeve], options, isCard)[0]?.cards).toEqual([
      { tag: 'S', megabytes: 45_000 },
    ])
  })

  test('what records into a memory of its own counts that, and takes no card from anybody', () => {
    const phone = { ...slot('P', null), ports: [], capacityMegabytes: 45_000 }
    const sums = computeCardTimes([phone, slot('A', null), card('S', 45_000, null)], options, isCard)
    expect(sums.map((it) => [it.tag, it.cards.map((one) => one.tag)])).toEqual([
      ['P', ['P']],
      ['A', ['S']],
    ])
  })
})

describe('watts on a circuit', () => {
  test('a heavier load never gets a better verdict, and an allowance never a worse one', () => {
    const order = ['ok', 'warn', 'stop']
    const circuit = (amps: number) => ({
      id: 'c',
      name: 'c',
      volts: 230,
      amps,
      outlets: 1,
      outletInterface: 'mains-bs1363',
    })
    const load = (milliwatts: number) => [
      makeThing({ key: 'L', powerMode: { id: 'm', label: 'm', source: 'mains' as const, milliwatts, portIds: [] } }),
    ]
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 8_000_000 }),
        fc.integer({ min: 50, max: 100 }),
        fc.integer({ min: 1, max: 600 }),
        (milliwatts, percent, minutes) => {
          const at = (mw: number, amps = 10, share = percent) =>
            order.indexOf(
              computeCircuitLoad(load(mw), circuit(amps), { rule: 'whole', continuousPercent: share }, minutes).level,
            )
          expect(at(milliwatts + 1)).toBeGreaterThanOrEqual(at(milliwatts))
          expect(at(milliwatts, 16)).toBeLessThanOrEqual(at(milliwatts))
          expect(at(milliwatts, 10, 100)).toBeLessThanOrEqual(at(milliwatts))
        },
      ),
    )
  })

  test('limits are whole milliwatts for any volts and tenths of an ampere', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1000 }),
        fc.integer({ min: 5, max: 4000 }),
        fc.integer({ min: 50, max: 100 }),
        (volts, tenths, percent) => {
          expect(computeCircuitLimit(volts, tenths / 10, percent)).toBe(volts * tenths * percent)
        },
      ),
    )
  })
})
