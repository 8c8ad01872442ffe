import { z } from 'zod'
import type { LifeState } from './unit.ts'

/** How safe a film lies: by drives that are there and apart, and not by lines that somebody wrote down. */
export const filmStandingSchema = z.enum(['unknown', 'gone', 'away', 'one', 'safe'])
export type FilmStanding = z.infer<typeof filmStandingSchema>

/** Drives that nobody will ever read again here. */
const GONE: ReadonlySet<LifeState> = new Set(['wished', 'ordered', 'sold', 'returned', 'lost', 'written-off'])
/** Drives that exist and cannot be read today. */
const AWAY: ReadonlySet<LifeState> = new Set(['lent', 'in-repair'])

/**
 * `unknown` without any copy, `gone` where every drive is lost or sold, `away` where all that is left is lent or in repair, `one`
 * where one drive alone is there. Two folders on one drive are one copy; a drive that is away is none to fall back on.
 */
export function judgeFilmCopies(
  copies: readonly { unitId: string }[],
  stateOf: (unitId: string) => LifeState | null,
): FilmStanding {
  const drives = [...new Set(copies.map((it) => it.unitId))].flatMap((id) => stateOf(id) ?? [])
  const left = drives.filter((it) => !GONE.has(it))
  const there = left.filter((it) => !AWAY.has(it))
  if (copies.length === 0) return 'unknown'
  if (left.length === 0) return 'gone'
  if (there.length === 0) return 'away'
  return there.length === 1 ? 'one' : 'safe'
}
