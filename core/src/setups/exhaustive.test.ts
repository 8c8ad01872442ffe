import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { makePort, PortSketch } from '../kit/port.ts'
import { judgeCompleteness } from './completeness.ts'
import type { SetThing } from './thing.ts'
import { INTERFACES, makeThing } from './things.fixture.ts'

/** One end of one thing, and whether it has to be met. */
interface End {
  thing: SetThing
  port: ReturnType<typeof makePort>
  isEssential: boolean
}

function listEnds(things: readonly SetThing[], side: 'host' | 'guest'): End[] {
  return things.flatMap((thing) =>
    thing.ports
      .filter((port) => port.side === side)
      .flatMap((port) =>
        Array.from({ length: port.count }, () => ({ thing, port, isEssential: port.importance === 'essential' })),
      ),
  )
}

/** The rules of joining once more, as plainly as they can be written, to check the graph that the judging builds. */
function mayJoin({ thing: a, port: host }: End, { thing: b, port: guest }: End): boolean {
  const isConduit = ['cable', 'lead', 'strip', 'lens-adapter'].some(
    (category) => category === a.category || category === b.category,
  )
  const meets = host.interfaces.some(
    (code) => guest.interfaces.includes(code) && (isConduit || !INTERFACES.get(code)?.viaCableOnly),
  )
  const bothOut = host.direction === 'out' && guest.direction === 'out'
  const bothIn = host.direction === 'in' && guest.direction === 'in'
  const isForbidden =
    host.forbids.some((it) => guest.carries.includes(it)) || guest.forbids.some((it) => host.carries.includes(it))
  const isTooHeavy = host.rating?.quantity === 'loadGrams' && b.massGrams !== null && b.massGrams > host.rating.value
  const isTooSlow =
    host.demand !== null && guest.rating?.quantity === host.demand.quantity && guest.rating.value < host.demand.value
  return a !== b && meets && !bothOut && !bothIn && !isForbidden && !isTooHeavy && !isTooSlow
}

/** The fewest essential ends that any way of joining leaves open, found by trying every way. */
function countOpenExhaustively(things: readonly SetThing[]): number {
  const hosts = listEnds(things, 'host')
  const guests = listEnds(things, 'guest')
  const essentials = [...hosts, ...guests].filter((end) => end.isEssential).length
  let best = 0
  const tryFrom = (at: number, used: ReadonlySet<number>, met: number): void => {
    best = Math.max(best, met)
    const host = hosts[at]
    if (!host) return
    tryFrom(at + 1, used, met)
    for (const [index, guest] of guests.entries()) {
      if (used.has(index) || !mayJoin(host, guest)) continue
      tryFrom(at + 1, new Set([...used, index]), met + Number(host.isEssential) + Number(guest.isEssential))
    }
  }
  tryFrom(0, new Set(), 0)
  return essentials - best
}

const rating = fc.option(
  fc.record({ quantity: fc.constant('loadGrams' as const), value: fc.constantFrom(1_000, 3_000, 9_000) }),
  { nil: null },
)

const portOf = (index: number) =>
  fc.record({
    id: fc.constant(`p${index}`),
    interfaces: fc.subarray(['mount-x', 'spigot-16', 'xlr-3'], { minLength: 1, maxLength: 2 }),
    side: fc.constantFrom('host' as const, 'guest' as const),
    direction: fc.constantFrom('in' as const, 'out' as const, 'none' as const),
    count: fc.constantFrom(1, 1, 2),
    importance: fc.constantFrom('essential' as const, 'essential' as const, 'optional' as const),
    carries: fc.constantFrom<string[]>([], [], ['distribution']),
    forbids: fc.constantFrom<string[]>([], [], ['distribution']),
  })

const thingOf = (index: number) =>
  fc
    .record({
      category: fc.constantFrom('camera' as const, 'light' as const, 'cable' as const, 'stand' as const),
      massGrams: fc.constantFrom(null, 900, 3_000, 8_000),
      rating,
      ports: fc.tuple(portOf(0), portOf(1)).chain((ports) => fc.subarray(ports, { minLength: 1 })),
    })
    .map(({ ports, rating: value, ...rest }) => {
      const sketches = ports.map((port): PortSketch => (port.side === 'host' ? { ...port, rating: value } : port))
      return makeThing({ key: `T${index}`, ...rest, ports: sketches })
    })

const someThings = fc
  .tuple(thingOf(0), thingOf(1), thingOf(2), thingOf(3))
  .chain((things) => fc.subarray(things, { minLength: 1 }))

describe('completeness against trying every way of joining', () => {
  test('2,000 random little sets: as few ends stay open as any way of joining can leave', () => {
    let withOpen = 0
    fc.assert(
      fc.property(someThings, (things) => {
        const { unmet } = judgeCompleteness(things, INTERFACES)
        const open = unmet.reduce((sum, need) => sum + need.missing, 0)
        expect(open).toBe(countOpenExhaustively(things))
        if (open > 0) withOpen++
      }),
      { numRuns: 2_000 },
    )
    // A law that only ever saw complete sets would prove nothing.
    expect(withOpen).toBeGreaterThan(200)
  })

  test('every joint that is reported keeps the rules, and no end is used twice', () => {
    fc.assert(
      fc.property(someThings, (things) => {
        const uses = new Map<string, number>()
        for (const { host, guest } of judgeCompleteness(things, INTERFACES).joints) {
          const endOf = ({ key, portId }: { key: string; portId: string }) => {
            const thing = things.find((it) => it.key === key)
            const port = thing?.ports.find((it) => it.id === portId)
            if (!thing || !port) throw new Error(`No port ${key}/${portId}`)
            uses.set(`${key}/${portId}`, (uses.get(`${key}/${portId}`) ?? 0) + 1)
            expect(uses.get(`${key}/${portId}`)).toBeLessThanOrEqual(port.count)
            return { thing, port, isEssential: false }
          }
          expect(mayJoin(endOf(host), endOf(guest))).toBe(true)
        }
      }),
      { numRuns: 500 },
    )
  })

  test('one more thing without needs of its own never opens an end that was met', () => {
    fc.assert(
      fc.property(someThings, thingOf(9), (things, extra) => {
        const harmless = { ...extra, ports: extra.ports.map((port) => ({ ...port, importance: 'optional' as const })) }
        const count = (list: SetThing[]) =>
          judgeCompleteness(list, INTERFACES).unmet.reduce((sum, need) => sum + need.missing, 0)
        expect(count([...things, harmless])).toBeLessThanOrEqual(count(things))
      }),
      { numRuns: 500 },
    )
  })
})
