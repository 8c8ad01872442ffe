import { countShoots, listHindrances, type PlanReply, planUpgrade, type ReplyOf } from '@exemplar/core'
import { loadSolver } from '../foundation/base/solver.ts'
import type { AppContext } from '../foundation/database/app-context.ts'
import { loadWishCase, makeUpgradeCase, nameSetups } from './wish-store.ts'

/** A plan asks the solver dozens of times: the best, other sums, other weightings. */
const SECONDS_IN_ALL = 8

/** What to buy, as long work: for a thread of its own. */
export async function planUpgradeFor(
  app: AppContext,
  params: { budgets: number[]; weighting: string; promised: string[] },
): Promise<PlanReply> {
  const plan = planUpgrade(makeUpgradeCase(app, params), await loadSolver(SECONDS_IN_ALL))
  return { ...plan, names: nameSetups(loadWishCase(app).setups) }
}

/** What holds the work back, and which wishes would do away with it. */
export function listHindrancesFor(app: AppContext): ReplyOf<'get /ledger/hindrances'> {
  const { setups, cures, shoots: each } = loadWishCase(app)
  const shoots = countShoots(each, app.now(), 1)
  const held = cures.map((it) => {
    const curedBy = new Map<string, string[]>()
    for (const [wishId, { cured }] of it.alone) {
      for (const { key } of cured) curedBy.set(key, [...(curedBy.get(key) ?? []), wishId])
    }
    return { id: it.id, setupId: it.setupId, shoots: shoots.of(it.id)[0] ?? 0, findings: it.findings, curedBy }
  })
  return { basis: shoots.basis, hindrances: listHindrances(held), setups: nameSetups(setups) }
}
