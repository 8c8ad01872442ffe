import { type Category, isKindOf } from '../../kit/model/category.ts'
import type { Outcome, Wish } from './wish.ts'

/** Something that was bought and did not do what it was bought for, or only partly. */
export interface Regret {
  id: string
  name: string
  category: Category
  outcome: Outcome
}

type Told = Pick<Wish, 'id' | 'state' | 'outcome'> & { name: string; category: Category }

/** What was bought and regretted, the latest first. */
export function listRegrets(wishes: readonly Told[]): Regret[] {
  return wishes
    .flatMap(({ id, name, category, state, outcome }) =>
      state === 'here' && outcome !== null && outcome.answer !== 'yes' ? [{ id, name, category, outcome }] : [],
    )
    .sort((a, b) => (a.outcome.on < b.outcome.on ? 1 : -1))
}

/**
 * An earlier one of that kind that was regretted, where nobody said how this one was tried: once bitten, one tries before one buys. Null
 * where there is none, or it was tried.
 */
export function findUntried(
  { tried, category, id }: Pick<Wish, 'id' | 'tried'> & { category: Category },
  regrets: readonly Regret[],
): Regret | null {
  if (tried !== '') return null
  const isAlike = (it: Regret) => isKindOf(it.category, category) || isKindOf(category, it.category)
  return regrets.find((it) => it.id !== id && isAlike(it)) ?? null
}
