import type { Door, Size } from './place.ts'

/** Outside measures of a thing; a width that can be set has two ends. Millimetres. */
export interface Footprint {
  widthMinMm: number
  widthMaxMm: number
  depthMm: number
  heightMm: number
}

export interface RoomFit {
  /** Whether it stands in the room at its smallest, turned as it likes; null where the room's size is unknown. */
  standsIn: boolean | null
  /** The widest it can be set in that room; null where it does not stand there or nobody knows. */
  widestMm: number | null
  /** A door it can be carried through on its side, with clearance; null where no door is recorded. */
  throughDoor: string | false | null
}

/** Whether a thing fits a room and a way into it. Equality passes. */
export function checkRoomFit(
  { widthMinMm, widthMaxMm, depthMm, heightMm }: Footprint,
  size: Size | null,
  doors: readonly Door[],
  clearanceMm: number,
): RoomFit {
  const widestMm = size && heightMm <= size.heightMm ? findWidest(depthMm, widthMaxMm, size) : null
  const standsIn = size === null ? null : widestMm !== null && widestMm >= widthMinMm
  return {
    standsIn,
    widestMm: standsIn ? widestMm : null,
    throughDoor: doors.length ? findDoor([widthMinMm, depthMm, heightMm], doors, clearanceMm) : null,
  }
}

/** The widest setting along either wall. */
function findWidest(depthMm: number, widthMaxMm: number, { widthMm, depthMm: roomDepth }: Size): number | null {
  const along = depthMm <= roomDepth ? widthMm : 0
  const across = depthMm <= widthMm ? roomDepth : 0
  const widest = Math.min(widthMaxMm, Math.max(along, across))
  return widest > 0 ? widest : null
}

/** Carried so that its two smaller sides pass the opening: the smallest through the width, the next through the height. */
function findDoor(sides: readonly number[], doors: readonly Door[], clearanceMm: number): string | false {
  const [small = 0, middle = 0] = [...sides].sort((a, b) => a - b)
  const passes = ({ widthMm, heightMm }: Door) => small + 2 * clearanceMm <= widthMm && middle + clearanceMm <= heightMm
  return doors.find(passes)?.name ?? false
}
