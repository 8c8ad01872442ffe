import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  type BipartiteGraph,
  findGuestHallSet,
  findHallSet,
  findMatching,
  type Matching,
  reverseEdges,
} from './matching.ts'

/** The best any matching can cover on one side, counted per priority, most important first: every choice is tried. */
function coverExhaustively(priorities: (number | null)[], edges: number[][]): number[] {
  const wanted = priorities.flatMap((priority, vertex) => (priority === null ? [] : [{ priority, vertex }]))
  let best: number[] = [0, 0, 0]
  const tryFrom = (at: number, used: Set<number>, covered: number[]): void => {
    const next = wanted[at]
    if (!next) {
      if (compare(covered, best) > 0) best = [...covered]
      return
    }
    tryFrom(at + 1, used, covered)
    for (const other of edges[next.vertex] ?? []) {
      if (used.has(other)) continue
      used.add(other)
      covered[next.priority] = (covered[next.priority] ?? 0) + 1
      tryFrom(at + 1, used, covered)
      covered[next.priority] = (covered[next.priority] ?? 0) - 1
      used.delete(other)
    }
  }
  tryFrom(0, new Set(), [0, 0, 0])
  return best
}

function compare(a: number[], b: number[]): number {
  for (let at = 0; at < a.length; at++) {
    if (a[at] !== b[at]) return (a[at] ?? 0) - (b[at] ?? 0)
  }
  return 0
}

function countCovered(priorities: (number | null)[], partners: number[]): number[] {
  const counts = [0, 0, 0]
  for (const [vertex, priority] of priorities.entries()) {
    if (priority !== null && partners[vertex] !== -1) counts[priority] = (counts[priority] ?? 0) + 1
  }
  return counts
}

function expectValid(graph: BipartiteGraph, { guestOfHost, hostOfGuest }: Matching): void {
  for (const [host, guest] of guestOfHost.entries()) {
    if (guest === -1) continue
    expect(graph.edges[host]).toContain(guest)
    expect(hostOfGuest[guest]).toBe(host)
  }
  expect(guestOfHost.filter((it) => it >= 0).length).toBe(hostOfGuest.filter((it) => it >= 0).length)
}

const priority = fc.constantFrom(null, 0, 0, 1, 2)
const graphs = fc
  .record({ hosts: fc.array(priority, { maxLength: 6 }), guests: fc.array(priority, { maxLength: 6 }) })
  .chain(({ hosts, guests }) =>
    fc.record({
      hosts: fc.constant(hosts),
      guests: fc.constant(guests),
      edges: fc.tuple(...hosts.map(() => fc.subarray(guests.map((_, index) => index)))),
    }),
  )

describe('matching against exhaustive search', () => {
  test('covers on each side what the best matching of that side alone covers', () => {
    fc.assert(
      fc.property(graphs, (graph) => {
        const matching = findMatching(graph)
        expectValid(graph, matching)
        expect(countCovered(graph.hosts, matching.guestOfHost)).toEqual(coverExhaustively(graph.hosts, graph.edges))
        expect(countCovered(graph.guests, matching.hostOfGuest)).toEqual(
          coverExhaustively(graph.guests, reverseEdges(graph)),
        )
      }),
      { numRuns: 2_000, seed: 20_261_124 },
    )
  })

  test('a Hall set proves every host that stays without', () => {
    fc.assert(
      fc.property(graphs, (graph) => {
        const matching = findMatching(graph)
        for (const [host, it] of graph.hosts.entries()) {
          if (it === null || matching.guestOfHost[host] !== -1) continue
          const hall = findHallSet(graph, matching, host)
          const reach = new Set(hall.wanting.flatMap((vertex) => graph.edges[vertex] ?? []))
          expect(hall.wanting).toContain(host)
          expect([...reach].sort()).toEqual([...hall.wanted].sort())
          expect(hall.wanted.length).toBeLessThan(hall.wanting.length)
        }
      }),
      { numRuns: 1_000, seed: 7 },
    )
  })

  test('a Hall set proves every guest that stays without', () => {
    const graph = { hosts: [null], guests: [0, 0], edges: [[0, 1]] }
    const matching = findMatching(graph)
    expect(findGuestHallSet(graph, matching, 1)).toEqual({ wanting: [0, 1], wanted: [0] })
  })

  test('one more vertex on the other side never covers less', () => {
    fc.assert(
      fc.property(graphs, fc.nat(), (graph, seed) => {
        const before = countCovered(graph.hosts, findMatching(graph).guestOfHost)
        const extra = graph.guests.length
        const edges = graph.edges.map((guests, host) => ((seed >> host) & 1 ? [...guests, extra] : guests))
        const after = countCovered(
          graph.hosts,
          findMatching({ ...graph, guests: [...graph.guests, null], edges }).guestOfHost,
        )
        expect(compare(after, before)).toBeGreaterThanOrEqual(0)
      }),
      { numRuns: 500, seed: 3 },
    )
  })

  test('a chain of ten thousand pushes through without running out of stack', () => {
    const n = 10_000
    const edges = Array.from({ length: n }, (_, index) => (index === n - 1 ? [0] : [index, index + 1]))
    const graph = { hosts: new Array(n).fill(0), guests: new Array(n).fill(null), edges }
    expect(findMatching(graph).guestOfHost.every((guest) => guest >= 0)).toBe(true)
  })
})
