import type { Category } from '../../kit/model/category.ts'
import { listNeeds, type SetupCures } from './cures.ts'
import { POINTS_OF_RUNNING, WEIGHTINGS } from './points.ts'
import type { ShootCount } from './shoots.ts'
import type { Wish } from './wish.ts'
import { costWish } from './wish-price.ts'

/** What a wish is worth by itself with what it needs, and what all of that costs. */
export interface WishScore {
  /** Shoots that nothing stops by it, and shoots that are better by it. */
  runs: number
  betters: number
  /** Points under each weighting, see `WEIGHTINGS`. */
  points: Record<string, number>
  /** With everything that it needs; null where a price of it is not known. */
  wholeMinor: number | null
}

/**
 * What a wish does: shoots of setups that nothing stops with it count ten points each, shoots of setups that it makes better as many as
 * the manager gave its defect, and only where nothing stops them. By the school that one is of, sound, light, lens or body counts more.
 */
export function scoreWish(
  wish: Pick<Wish, 'id' | 'severity' | 'defect'> & { category: Category },
  all: readonly Wish[],
  cures: readonly SetupCures[],
  shoots: ShootCount,
  today: string,
): WishScore {
  const sum = (id: string) => shoots.of(id).reduce((total, it) => total + it, 0)
  let runs = 0
  let betters = 0
  for (const { setupId, stops, alone } of cures) {
    const trial = alone.get(wish.id)
    if (!trial) continue
    if (stops > 0 && trial.stops === 0) runs += sum(setupId)
    if (wish.defect !== 'missing' && trial.stops === 0) betters += sum(setupId)
  }
  const points = runs * POINTS_OF_RUNNING + betters * wish.severity
  const needs = new Map(all.map((it) => [it.id, it.needsIds]))
  const whole = [wish.id, ...listNeeds(wish.id, needs)].flatMap((id) => all.find((it) => it.id === id) ?? [])
  const costs = whole.filter((it) => it.state !== 'here' && it.state !== 'ordered').map((it) => costWish(it, today))
  return {
    runs,
    betters,
    points: Object.fromEntries(
      Object.entries(WEIGHTINGS).map(([code, { weigh }]) => [code, points * weigh(wish.category)]),
    ),
    wholeMinor: costs.reduce<number | null>(
      (total, it) => (total === null || it === null ? null : total + it.totalMinor),
      0,
    ),
  }
}
