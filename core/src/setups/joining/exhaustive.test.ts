import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { PlacedItem } from '../placed/placed-item.ts'
import { thingOf } from '../placed/random-things.fixture.ts'
import { INTERFACES, makeThing } from '../placed/things.fixture.ts'
import { checkCompleteness } from './completeness.ts'
import { matchWithoutCycles } from './cycles.ts'
import { costOf, countFewestOpen, findLeastCost, keyOf, listEnds, mayJoin } from './joining.fixture.ts'
import { buildPortGraph } from './port-graph.ts'

const CODES = ['thread-1-4', 'thread-3-8', 'spigot-16']

const someThings = fc
  .tuple(thingOf(0), thingOf(1), thingOf(2), thingOf(3))
  .chain((things) => fc.subarray(things, { minLength: 1 }))

/** Brackets that could carry each other, on feet or not, with what some of them are for. */
const ringProne = fc
  .array(fc.tuple(fc.nat(2), fc.nat(2), fc.boolean()), { minLength: 2, maxLength: 5 })
  .map((sketches) =>
    sketches.map(([foot, top, hasFoot], at) =>
      makeThing({
        key: `T${at}`,
        category: 'arm',
        ports: [
          ...(hasFoot || at > 0
            ? [
                {
                  id: 'foot',
                  interfaces: CODES[foot] as string,
                  side: 'guest' as const,
                  importance: 'essential' as const,
                },
              ]
            : []),
          { id: 'top', interfaces: CODES[top] as string, side: 'host' as const, importance: 'optional' as const },
          { id: 'side', interfaces: CODES[foot] as string, side: 'host' as const, importance: 'optional' as const },
        ],
      }),
    ),
  )

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

  test('[V19] what is called proven without looking at every way leaves as few essential ends open as looking at them', () => {
    const found = { proven: 0, unproven: 0, wrong: 0 }
    fc.assert(
      fc.property(ringProne, (things) => {
        const built = buildPortGraph(things, INTERFACES)
        const countEssential = ({ matching }: ReturnType<typeof matchWithoutCycles>) =>
          built.hosts.filter((it, at) => it.priority === 0 && matching.guestOfHost[at] === -1).length +
          built.guests.filter((it, at) => it.priority === 0 && matching.hostOfGuest[at] === -1).length
        const best = matchWithoutCycles(built, INTERFACES)
        const hasty = matchWithoutCycles(built, INTERFACES, 0)
        expect(best.isProven).toBe(true)
        if (!hasty.isProven) found.unproven++
        else if (countEssential(hasty) > 0) found.proven++
        if (countEssential(hasty) > countEssential(best)) found.wrong++
        // Nobody is told "cannot" where there is a way.
        if (hasty.isProven) expect(countEssential(hasty)).toBe(countEssential(best))
      }),
      { numRuns: 1_000 },
    )
    // It has to have met both, and ways that were truly missed.
    expect(Math.min(found.proven, found.unproven, found.wrong), JSON.stringify(found)).toBeGreaterThan(0)
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
