/** Half-open span of instants in UTC milliseconds: `start` belongs to it, `end` does not. */
export interface Interval {
  start: number
  end: number
}

/** Touching ends do not collide, and an empty interval holds nothing. */
export function overlaps(a: Interval, b: Interval): boolean {
  return intersect(a, b) !== null
}

export function intersect(a: Interval, b: Interval): Interval | null {
  const start = Math.max(a.start, b.start)
  const end = Math.min(a.end, b.end)
  return start < end ? { start, end } : null
}
