import type { Category } from '../../kit/model/category.ts'
import { listNeeds, type SetupCures } from './cures.ts'
import { POINTS_OF_RUNNING, WEIGHTINGS } from './points.ts'
import type { ShootCount } from './shoots.ts'
import type { Wish } from './wish.ts'
import { costWish } from './wish-price.ts'

/** What a wish is worth by itself with what it needs or together with others, and what all of that costs. */
export interface WishScore {
  /** Shoots that nothing stops by it, and shoots that are better by it. */
  runs: number
  betters: number
  /** Other wishes with which it is worth this: what it needs apart. */
  withIds: string[]
  /** Points under each weighting, see `WEIGHTINGS`. */
  points: Record<string, number>
  /** With everything that it takes; null where a price of it is not known. */
  wholeMinor: number | null
}

type Ranked = Pick<Wish, 'id' | 'severity' | 'defect'> & { category: Category }

/**
 * What a wish does: shoots that nothing stops with it count ten points each, shoots that it makes better as many as the manager gave its
 * defect, and only where nothing stops them. Where it helps only together with others, what they do and cost together is told. By the
 * school that one is of, sound, light, lens or body counts more.
 */
export function scoreWish(
  wish: Ranked,
  all: readonly Wish[],
  cures: readonly SetupCures[],
  shoots: ShootCount,
  today: string,
): WishScore {
  const needs = new Map(all.map((it) => [it.id, it.needsIds]))
  const own = [wish.id, ...listNeeds(wish.id, needs)]
  const ways = [[], ...cures.flatMap((it) => it.sets.map((set) => set.wishIds)).filter((ids) => ids.includes(wish.id))]
  const scores = ways.map((ids) => {
    const withIds = ids.filter((id) => !own.includes(id))
    const whole = [...new Set([...own, ...ids])]
    return { ...countShootsBy(wish, new Set(whole), cures, shoots), withIds, wholeMinor: sumCosts(whole, all, today) }
  })
  const pointsOf = (it: (typeof scores)[number]) => it.runs * POINTS_OF_RUNNING + it.betters * wish.severity
  const worth = (it: (typeof scores)[number]) => (it.wholeMinor ? pointsOf(it) / it.wholeMinor : 0)
  const [best] = [...scores].sort((a, b) => worth(b) - worth(a) || pointsOf(b) - pointsOf(a))
  if (!best) throw new Error('A wish has one way at least.')
  return {
    ...best,
    points: Object.fromEntries(
      Object.entries(WEIGHTINGS).map(([code, { weigh }]) => [code, pointsOf(best) * weigh(wish.category)]),
    ),
  }
}

/** Shoots that run, and that are better, with these wishes and not without. */
function countShootsBy(wish: Ranked, ids: ReadonlySet<string>, cures: readonly SetupCures[], shoots: ShootCount) {
  let runs = 0
  let betters = 0
  for (const { id, stops, alone, sets } of cures) {
    const trial = alone.get(wish.id)
    if (!trial) continue
    const count = shoots.of(id).reduce((total, it) => total + it, 0)
    const isCured =
      stops > 0 && sets.some((set) => set.wishIds.includes(wish.id) && set.wishIds.every((it) => ids.has(it)))
    if (isCured) runs += count
    if (wish.defect !== 'missing' && (isCured || (stops === 0 && trial.stops === 0))) betters += count
  }
  return { runs, betters }
}

function sumCosts(ids: readonly string[], all: readonly Wish[], today: string): number | null {
  const open = ids.flatMap((id) => all.filter((it) => it.id === id && it.state !== 'here' && it.state !== 'ordered'))
  return open
    .map((it) => costWish(it, today))
    .reduce<number | null>((total, it) => (total === null || it === null ? null : total + it.totalMinor), 0)
}
