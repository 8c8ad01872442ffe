import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { PortSketch } from '../../../kit/model/port.ts'
import { checkCompleteness } from '../../joining/completeness.ts'
import { costOf, listEnds, mayJoin } from '../../joining/joining.fixture.ts'
import type { PlacedItem } from '../../placed/placed-item.ts'
import { makeInput, makeRole, makeStudio } from '../../placed/studio.fixture.ts'
import { INTERFACES, makeThing } from '../../placed/things.fixture.ts'
import { assessSetup } from '../../verdict/readiness.ts'
import { makeSceneOf } from '../scene.fixture.ts'
import { computeCarriedLoads } from './carried-load.ts'

const foot: PortSketch = { id: 'foot', interfaces: 'spigot-16', side: 'guest' }
const top = (value: number): PortSketch => ({
  id: 'top',
  interfaces: 'spigot-16',
  side: 'host',
  importance: 'optional',
  rating: { quantity: 'loadGrams', value },
})
const stand = (key: string, holds: number) =>
  makeThing({ key, category: 'stand', massGrams: 2_000, ports: [top(holds)] })
const arm = (key: string, massGrams: number, holds: number) =>
  makeThing({ key, category: 'arm', massGrams, ports: [foot, top(holds)] })
const lamp = (key: string, massGrams: number | null) => makeThing({ key, category: 'light', massGrams, ports: [foot] })

const loads = (...things: PlacedItem[]) => {
  return computeCarriedLoads(makeSceneOf(things)).loads.map((it) => [it.tag, it.totalGrams, it.level])
}

describe('what rides on a support', () => {
  test('a rider brings all that rides on it, and what is exactly the rating holds', () => {
    expect(loads(stand('STD', 8_000), arm('ARM', 1_000, 7_000), lamp('LGT', 7_000))).toEqual([['STD', 8_000, 'ok']])
  })

  test('one gram more is too much, though each joint by itself is fine', () => {
    const things = [stand('STD', 8_000), arm('ARM', 1_001, 7_000), lamp('LGT', 7_000)]
    expect(checkCompleteness(things, INTERFACES).unmet).toEqual([])
    expect(loads(...things)).toEqual([['STD', 8_001, 'stop']])
  })

  test('a mass that nobody recorded is no mass of nothing', () => {
    expect(loads(stand('STD', 8_000), arm('ARM', 1_000, 7_000), lamp('LGT', null))).toEqual([['STD', 1_000, 'unknown']])
  })

  test('a table bears so much in all, at its edge and on its top together', () => {
    const rating = { quantity: 'loadGrams' as const, value: 20_000 }
    const end = { side: 'host' as const, importance: 'optional' as const, rating }
    const table = makeThing({
      key: 'TAB',
      category: 'table',
      massGrams: 30_000,
      ports: [
        { id: 'top', interfaces: 'spigot-16', count: 8, ...end },
        { id: 'edge', interfaces: 'thread-1-4', count: 4, ...end },
      ],
    })
    const on = (key: string, interfaces: string, massGrams: number) =>
      makeThing({ key, category: 'practical', massGrams, ports: [{ id: 'foot', interfaces, side: 'guest' }] })
    const rest = [table, on('A1', 'spigot-16', 9_000), on('A2', 'thread-1-4', 9_000)]
    expect(loads(...rest, on('A3', 'spigot-16', 2_000))).toEqual([['TAB', 20_000, 'ok']])
    expect(loads(...rest, on('A3', 'spigot-16', 2_001))).toEqual([['TAB', 20_001, 'stop']])
  })

  test('what rides on one thing of several on a table, and nobody weighed, is no mass of nothing', () => {
    const end = { side: 'host' as const, importance: 'optional' as const }
    const rating = { quantity: 'loadGrams' as const, value: 20_000 }
    const table = makeThing({
      key: 'TAB',
      category: 'table',
      massGrams: 30_000,
      ports: [{ id: 'top', interfaces: 'thread-1-4', count: 8, ...end, rating }],
    })
    const box = (key: string) =>
      makeThing({
        key,
        category: 'speaker',
        massGrams: 4_000,
        ports: [
          { id: 'foot', interfaces: 'thread-1-4', side: 'guest' },
          { id: 'top', interfaces: 'spigot-16', ...end },
        ],
      })
    // Whichever of the two carries it, and in whichever order they came.
    for (const things of [
      [box('A'), box('B'), lamp('L', null)],
      [lamp('L', null), box('B'), box('A')],
    ]) {
      expect(loads(table, ...things)).toEqual([['TAB', 8_000, 'unknown']])
    }
    expect(loads(table, box('A'), box('B'), lamp('L', 12_000))).toEqual([['TAB', 20_000, 'ok']])
    expect(loads(table, box('A'), box('B'), lamp('L', 12_001))).toEqual([['TAB', 20_001, 'stop']])
  })

  test('two arms and two lamps go where they are borne, whichever way they come', () => {
    const heavy = lamp('L1', 5_000)
    const light = lamp('L2', 1_000)
    const stands = [stand('S1', 3_000), stand('S2', 8_000)]
    for (const things of [
      [heavy, light, arm('A1', 1_000, 6_000), arm('A2', 1_000, 6_000), ...stands],
      [light, heavy, ...[...stands].reverse(), arm('A1', 1_000, 6_000), arm('A2', 1_000, 6_000)],
    ]) {
      expect(loads(...things).map(([, , level]) => level)).toEqual(['ok', 'ok'])
    }
  })

  /** Whether any of the likeliest ways of joining everything overloads nothing, by trying all. */
  function canBeBorne(things: readonly PlacedItem[]): boolean {
    const hosts = listEnds(things, 'host')
    const guests = listEnds(things, 'guest')
    let best = { cost: Number.POSITIVE_INFINITY, isBorne: false }
    const tryFrom = (at: number, carrierOf: ReadonlyMap<PlacedItem, number>, cost: number): void => {
      const guest = guests[at]
      if (!guest) {
        const heaviest = findHeaviest(carrierOf)
        if (heaviest === Number.POSITIVE_INFINITY || cost > best.cost) return
        best = { cost, isBorne: heaviest <= 0 || (cost === best.cost && best.isBorne) }
        return
      }
      for (const [index, host] of hosts.entries()) {
        if ([...carrierOf.values()].includes(index) || !mayJoin(host, guest)) continue
        tryFrom(at + 1, new Map([...carrierOf, [guest.thing, index]]), cost + (costOf(host, guest) ?? 0))
      }
    }
    /** Grams above the rating of whatever bears most too much; infinite in a ring. */
    const findHeaviest = (carrierOf: ReadonlyMap<PlacedItem, number>): number => {
      const weigh = (thing: PlacedItem, depth: number): number => {
        if (depth > things.length) return Number.POSITIVE_INFINITY
        const riders = [...carrierOf].filter(([, index]) => hosts[index]?.thing === thing).map(([it]) => it)
        return riders.reduce((sum, it) => sum + weigh(it, depth + 1), thing.massGrams ?? 0)
      }
      return Math.max(
        0,
        ...[...carrierOf].map(([it, index]) => weigh(it, 0) - (hosts[index]?.ports[0]?.rating?.value ?? 0)),
      )
    }
    tryFrom(0, new Map(), 0)
    return best.isBorne
  }

  test('2,000 random rigs: what any way of joining bears is found to be borne', () => {
    const grams = fc.constantFrom(500, 1_000, 2_000, 3_000, 5_000)
    const rig = fc.tuple(
      fc.array(
        grams.map((it) => it * 2),
        { minLength: 1, maxLength: 3 },
      ),
      fc.array(fc.tuple(grams, grams), { maxLength: 2 }),
      fc.array(grams, { minLength: 1, maxLength: 3 }),
    )
    fc.assert(
      fc.property(rig, ([holds, arms, lamps]) => {
        const things = [
          ...holds.map((it, at) => stand(`S${at}`, it)),
          ...arms.map(([mass, it], at) => arm(`A${at}`, mass, it)),
          ...lamps.map((it, at) => lamp(`L${at}`, it)),
        ]
        const { unmet } = checkCompleteness(things, INTERFACES)
        // An arm on which nothing hangs is there in case, and weighs on nothing.
        fc.pre(unmet.length === 0 && makeSceneOf(things).inCase.length === 0)
        const isFine = loads(...things).every(([, , level]) => level === 'ok')
        expect(isFine).toBe(canBeBorne(things))
      }),
      { numRuns: 2_000, seed: 20261125 },
    )
  })

  test('an overload is a stop of the setup, with the sum to open; a stronger stand ends it', () => {
    const studio = makeStudio({
      STD: ['stand', { loadGrams: 4_000, massGrams: 2_000 }],
      BOM: ['boom-arm', { loadGrams: 4_000, massGrams: 1_200 }],
      LGT: ['light', { massGrams: 3_000 }],
    })
    const input = makeInput(studio, [makeRole('Key', ['LGT', 'BOM', 'STD'])])
    const found = assessSetup(input).findings.filter((it) => it.code === 'carried-load')
    expect(found).toMatchObject([{ level: 'stop', working: { tag: 'STD', totalGrams: 4_200, ratedGrams: 4_000 } }])
  })
})
