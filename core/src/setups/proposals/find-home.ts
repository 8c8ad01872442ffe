import type { PlacedItem } from '../placed/placed-item.ts'

/** The role of the nearest thing it joins, through other new things where need be. */
export function findHome(
  start: string,
  things: readonly PlacedItem[],
  partnersOf: (key: string) => { key: string }[],
): string | null {
  const roleOf = new Map(things.map((it) => [it.key, it.roleId]))
  const seen = new Set([start])
  const queue = [start]
  for (let key = queue.shift(); key !== undefined; key = queue.shift()) {
    const roleId = key === start ? null : roleOf.get(key)
    if (roleId) return roleId
    for (const partner of partnersOf(key)) {
      if (seen.has(partner.key)) continue
      seen.add(partner.key)
      queue.push(partner.key)
    }
  }
  return null
}
