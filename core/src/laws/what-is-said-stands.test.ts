import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { checkCompleteness } from '../setups/joining/completeness.ts'
import { couldJoin, listNodes } from '../setups/joining/port-graph.ts'
import type { PlacedItem } from '../setups/placed/placed-item.ts'
import { thingOf } from '../setups/placed/random-things.fixture.ts'
import { INTERFACES } from '../setups/placed/things.fixture.ts'
import { addCableRun, type CableRun } from '../setups/setup/cable-run.ts'

/** Every joint that somebody could state about these things, an end of one place each. */
function listStatable(things: readonly PlacedItem[]): CableRun[] {
  const nodes = things.flatMap(listNodes)
  return nodes.flatMap((host) =>
    nodes.flatMap((guest): CableRun[] => {
      const [h, g] = [host.ports[0], guest.ports[0]]
      if (h?.side !== 'host' || g?.side !== 'guest' || h.count > 1 || g.count > 1) return []
      if (host.ports.length > 1 || guest.ports.length > 1 || !couldJoin(host, guest, INTERFACES)) return []
      const end = (key: string, portId: string) => ({ unitId: key, portId })
      return [{ from: end(guest.thing.key, g.id), via: [], to: end(host.thing.key, h.id), neededMm: null }]
    }),
  )
}

const isThere = (things: readonly PlacedItem[], { from, to }: CableRun) =>
  [from, to].every((end) => things.some((it) => it.key === end.unitId))

/** Whether the joints hold a stated one, marked as that. */
function holds(things: readonly PlacedItem[], links: readonly CableRun[], stated: CableRun): boolean {
  const whole = links.filter((it) => isThere(things, it))
  return checkCompleteness(things, INTERFACES, whole).joints.some(
    ({ host, guest, isStated }) =>
      isStated &&
      guest.key === stated.from.unitId &&
      guest.portId === stated.from.portId &&
      host.key === stated.to.unitId &&
      host.portId === stated.to.portId,
  )
}

describe('[law 8] what is said stands', () => {
  test('2,000 random edit sequences: a stated joint is never moved while its two things are there', () => {
    let withStated = 0
    const edits = fc.array(fc.tuple(fc.nat(5), fc.nat()), { minLength: 1, maxLength: 5 })
    fc.assert(
      fc.property(fc.tuple(...[0, 1, 2, 3, 4, 5].map(thingOf)), edits, fc.nat(), (all, steps, first) => {
        let there: PlacedItem[] = all.slice(0, 4)
        const options = listStatable(there)
        const stated = options[first % Math.max(1, options.length)]
        if (!stated) return
        withStated++
        let links: CableRun[] = [stated]
        expect(holds(there, links, stated)).toBe(true)
        for (const [at, pick] of steps) {
          const thing = all[at] as PlacedItem
          const isOfIt = [stated.from.unitId, stated.to.unitId].includes(thing.key)
          // Things come and go, and other joints are stated beside it.
          if (!isOfIt) there = there.includes(thing) ? there.filter((it) => it !== thing) : [...there, thing]
          const others = listStatable(there).filter((it) => !closesRing(it, links))
          const other = others[pick % Math.max(1, others.length)]
          const isFree =
            other && ![other.from, other.to].some((end) => isSame(end, stated.from) || isSame(end, stated.to))
          if (isFree && pick % 2 === 0) links = addCableRun(links, other, () => 1)
          expect(holds(there, links, stated)).toBe(true)
        }
      }),
      { numRuns: 2_000 },
    )
    expect(withStated).toBeGreaterThan(500)
  })
})

const isSame = (a: CableRun['from'], b: CableRun['from']) => a.unitId === b.unitId && a.portId === b.portId

/** Whether its two things are connected already: what is stated in a ring contradicts itself. */
function closesRing({ from, to }: CableRun, links: readonly CableRun[]): boolean {
  const reached = new Set([from.unitId])
  for (let size = 0; size !== reached.size; ) {
    size = reached.size
    for (const link of links) {
      const ends = [link.from.unitId, link.to.unitId]
      if (ends.some((it) => reached.has(it))) for (const it of ends) reached.add(it)
    }
  }
  return reached.has(to.unitId)
}
