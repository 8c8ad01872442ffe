/** A shoot of a setup, by when it begins; `id` is that of the setup at such a time. */
export interface PlannedShoot {
  id: string
  start: number
}

/** How many shoots each setup has in each quarter, and where they were counted. */
export interface ShootCount {
  /** `ahead`: booked. `behind`: none is booked, so as many as in the time before. `none`: neither, so one for each setup. */
  basis: 'ahead' | 'behind' | 'none'
  of(id: string): number[]
}

/** Days of one quarter. */
export const QUARTER_DAYS = 91
/** With one budget so many quarters are looked at together. */
export const QUARTERS_AT_ONCE = 2
const DAY = 86_400_000

/**
 * Shoots of each setup by periods that follow each other from now on. Where nothing is booked ahead, the same stretch of time before
 * stands for it; where that is empty too, each setup counts one.
 */
export function countShoots(shoots: readonly PlannedShoot[], now: number, periods: number): ShootCount {
  const days = periods === 1 ? QUARTER_DAYS * QUARTERS_AT_ONCE : QUARTER_DAYS
  const length = days * DAY
  const count = (from: number) => {
    const counts = new Map<string, number[]>()
    for (const { id, start } of shoots) {
      const at = Math.floor((start - from) / length)
      if (at < 0 || at >= periods) continue
      const own = counts.get(id) ?? Array.from({ length: periods }, () => 0)
      own[at] = (own[at] ?? 0) + 1
      counts.set(id, own)
    }
    return counts
  }
  const ahead = count(now)
  const nothing = Array.from({ length: periods }, () => 0)
  if (ahead.size > 0) return { basis: 'ahead', of: (id) => ahead.get(id) ?? nothing }
  const behind = count(now - length * periods)
  if (behind.size > 0) return { basis: 'behind', of: (id) => behind.get(id) ?? nothing }
  return { basis: 'none', of: () => Array.from({ length: periods }, () => 1) }
}

/**
 * Shoots of one setup that come to the same: one group for each list of what is found of it at that time, in the order of their days.
 * The first has the id of the setup.
 */
export function groupShoots<T extends { setupId: string; start: number; found: readonly string[] }>(
  shoots: readonly T[],
): { id: string; setupId: string; first: T; starts: number[] }[] {
  const groups = new Map<string, { id: string; setupId: string; first: T; starts: number[] }>()
  const counts = new Map<string, number>()
  for (const it of [...shoots].sort((a, b) => a.start - b.start)) {
    const key = JSON.stringify([it.setupId, [...it.found].sort()])
    const known = groups.get(key)
    if (known) {
      known.starts.push(it.start)
      continue
    }
    const nth = counts.get(it.setupId) ?? 0
    counts.set(it.setupId, nth + 1)
    const id = nth === 0 ? it.setupId : `${it.setupId}~${nth + 1}`
    groups.set(key, { id, setupId: it.setupId, first: it, starts: [it.start] })
  }
  return [...groups.values()]
}
