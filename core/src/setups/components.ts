import type { SetThing } from './thing.ts'

/**
 * Parts of a set that have no interface in common, so that nothing of one can join anything of another and each is judged
 * by itself. In the order of their first thing; within each part in the order of the set.
 */
export function splitIntoComponents(things: readonly SetThing[]): SetThing[][] {
  const parent = things.map((_, at) => at)
  const find = (at: number): number => {
    let root = at
    while (parent[root] !== root) root = parent[root] ?? root
    for (let step = at; step !== root; ) {
      const next = parent[step] ?? root
      parent[step] = root
      step = next
    }
    return root
  }
  const firstWith = new Map<string, number>()
  for (const [at, thing] of things.entries()) {
    for (const code of new Set(thing.ports.flatMap((port) => port.interfaces))) {
      const first = firstWith.get(code)
      if (first === undefined) firstWith.set(code, at)
      else {
        const [a, b] = [find(first), find(at)]
        parent[Math.max(a, b)] = Math.min(a, b)
      }
    }
  }
  const parts = new Map<number, SetThing[]>()
  for (const [at, thing] of things.entries()) {
    const root = find(at)
    const known = parts.get(root)
    if (known) known.push(thing)
    else parts.set(root, [thing])
  }
  return [...parts.values()]
}
