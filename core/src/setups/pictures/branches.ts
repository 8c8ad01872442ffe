/** Everything that hangs together over joints, each group in the order of its first member. */
export function splitBranches(keys: readonly string[], joints: readonly { from: string; to: string }[]): string[][] {
  const neighbours = new Map<string, string[]>(keys.map((key) => [key, []]))
  for (const { from, to } of joints) {
    neighbours.get(from)?.push(to)
    neighbours.get(to)?.push(from)
  }
  const seen = new Set<string>()
  return keys.flatMap((start) => {
    if (seen.has(start)) return []
    const reached = new Set([start])
    for (const key of reached) for (const other of neighbours.get(key) ?? []) reached.add(other)
    for (const key of reached) seen.add(key)
    return [keys.filter((key) => reached.has(key))]
  })
}
