import { type ConnectPlan, isHelperKind, planConnections } from '@exemplar/core'
import { loadSolver } from '../foundation/base/solver.ts'
import type { AppContext } from '../foundation/database/app-context.ts'
import { loadCase } from './assessment-case.ts'
import { loadFreeStore } from './free-store.ts'

/** So many things of the store are looked at for one plan. */
const MOST_HELPERS = 1_000

/** What of the store would join everything in a setup, proven by the solver. */
export async function planConnectionsFor(
  app: AppContext,
  { id, bookingId }: { id: string; bookingId?: string },
): Promise<ConnectPlan> {
  const solve = await loadSolver()
  const loaded = loadCase(app, id, bookingId)
  const store = loadFreeStore(app.db, loaded, (model) => isHelperKind(model.category), MOST_HELPERS)
  return planConnections(loaded.input, store, solve)
}
