import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { PlacedItem } from '../placed/placed-item.ts'
import { thingOf } from '../placed/random-things.fixture.ts'
import { INTERFACES } from '../placed/things.fixture.ts'
import { checkCompleteness } from './completeness.ts'
import { costOf, countFewestOpen, findLeastCost, keyOf, listEnds, mayJoin } from './joining.fixture.ts'

const someThings = fc
  .tuple(thingOf(0), thingOf(1), thingOf(2), thingOf(3))
  .chain((things) => fc.subarray(things, { minLength: 1 }))

describe('completeness against trying every way of joining', () => {
  test('2,000 random little sets: as few ends stay open as any way of joining can leave', () => {
    let withOpen = 0
    fc.assert(
      fc.property(someThings, (things) => {
        const { unmet } = checkCompleteness(things, INTERFACES)
        const open = unmet.reduce((sum, need) => sum + need.missing, 0)
        expect(open).toBe(countFewestOpen(things))
        if (open > 0) withOpen++
      }),
      { numRuns: 2_000 },
    )
    // A law that only ever saw complete sets would prove nothing.
    expect(withOpen).toBeGreaterThan(200)
  })

  test('2,000 random little sets: what is assumed is as likely as any way of joining that leaves as few open', () => {
    let withChoice = 0
    fc.assert(
      fc.property(someThings, (things) => {
        const { joints } = checkCompleteness(things, INTERFACES)
        const endOf = ({ key, portId }: { key: string; portId: string }, side: 'host' | 'guest') => {
          const end = listEnds(things, side).find(
            (it) => it.thing.key === key && it.ports.some((port) => port.id === portId),
          )
          if (!end) throw new Error(`No port ${key}/${portId}`)
          return end
        }
        const cost = joints.reduce(
          (sum, { host, guest }) => sum + (costOf(endOf(host, 'host'), endOf(guest, 'guest')) ?? 0),
          0,
        )
        expect(cost).toBe(findLeastCost(things))
        if (joints.length > 1) withChoice++
      }),
      { numRuns: 2_000 },
    )
    expect(withChoice).toBeGreaterThan(100)
  })

  test('every joint that is reported keeps the rules, and no end is used twice', () => {
    fc.assert(
      fc.property(someThings, (things) => {
        const uses = new Map<string, number>()
        for (const { host, guest } of checkCompleteness(things, INTERFACES).joints) {
          const endOf = ({ key, portId }: { key: string; portId: string }, side: 'host' | 'guest') => {
            const ends = listEnds(things, side).filter(
              (it) => it.thing.key === key && it.ports.some((port) => port.id === portId),
            )
            const [end] = ends
            if (!end) throw new Error(`No port ${key}/${portId}`)
            uses.set(keyOf(end), (uses.get(keyOf(end)) ?? 0) + 1)
            expect(uses.get(keyOf(end))).toBeLessThanOrEqual(ends.length)
            return end
          }
          expect(mayJoin(endOf(host, 'host'), endOf(guest, 'guest'))).toBe(true)
        }
      }),
      { numRuns: 500 },
    )
  })

  test('one more thing without needs of its own never opens an end that was met', () => {
    fc.assert(
      fc.property(someThings, thingOf(9), (things, extra) => {
        const harmless = { ...extra, ports: extra.ports.map((port) => ({ ...port, importance: 'optional' as const })) }
        const count = (list: PlacedItem[]) =>
          checkCompleteness(list, INTERFACES).unmet.reduce((sum, need) => sum + need.missing, 0)
        expect(count([...things, harmless])).toBeLessThanOrEqual(count(things))
      }),
      { numRuns: 500 },
    )
  })
})
