import type { PlacedItem } from '../placed/placed-item.ts'
import type { PortNode } from './port-node.ts'

/**
 * Parts of a set that have no interface in common, so that nothing of one can join anything of another and each is judged
 * by itself. In the order of their first thing; within each part in the order of the set.
 */
export function splitIntoComponents(things: readonly PlacedItem[]): PlacedItem[][] {
  return split(things, listCodes)
}

/** Ends that have no interface in common: what is joined at one of them takes nothing from another. In their order. */
export function splitEnds(nodes: readonly PortNode[]): PortNode[][] {
  return split(nodes, (node) => node.codes)
}

const listCodes = ({ ports }: PlacedItem) => ports.flatMap((port) => port.interfaces)

/** Whatever shares a code, directly or over others, is in one part (union–find with path halving). */
function split<T>(items: readonly T[], listOf: (item: T) => readonly string[]): T[][] {
  const parent = items.map((_, at) => at)
  const find = (at: number): number => {
    let root = at
    while (parent[root] !== root) {
      parent[root] = parent[parent[root] ?? root] ?? root
      root = parent[root] ?? root
    }
    return root
  }
  const firstWith = new Map<string, number>()
  for (const [at, item] of items.entries()) {
    for (const code of listOf(item)) {
      const first = firstWith.get(code)
      if (first === undefined) {
        firstWith.set(code, at)
        continue
      }
      const [a, b] = [find(first), find(at)]
      if (a !== b) parent[Math.max(a, b)] = Math.min(a, b)
    }
  }
  const parts = new Map<number, T[]>()
  for (const [at, item] of items.entries()) {
    const root = find(at)
    const known = parts.get(root)
    if (known) known.push(item)
    else parts.set(root, [item])
  }
  return [...parts.values()]
}
