/**
 * Those of what failed for which nothing that works is left to stand in, where each stands in for one: the fewest possible, as
 * one that could take several places moves on to another where that helps (augmenting paths).
 */
export function listUncovered<Id, Need extends { standIns: readonly Id[] }>(
  failed: readonly Need[],
  works: (standIn: Id) => boolean,
): Need[] {
  const heldBy = new Map<Id, Need>()
  const seek = (need: Need, seen: Set<Id>): boolean =>
    need.standIns.some((it) => {
      if (seen.has(it) || !works(it)) return false
      seen.add(it)
      const holder = heldBy.get(it)
      if (holder && !seek(holder, seen)) return false
      heldBy.set(it, need)
      return true
    })
  return failed.filter((it) => !seek(it, new Set()))
}
