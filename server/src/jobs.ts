import { computeAllFigures } from './diary/stock-demand.ts'
import { warmSolver } from './foundation/base/solver.ts'
import type { AppContext } from './foundation/database/app-context.ts'
import { planKitsFor } from './ledger/kit-plan-store.ts'
import { listHindrancesFor, planUpgradeFor } from './ledger/upgrade-plan.ts'
import { loadWishes } from './ledger/wish-store.ts'
import { planConnectionsFor } from './setups/connection-plan.ts'
import { loadSinglePoints } from './setups/single-points.ts'

/** Long work by name: what it needs comes as plain values, and what comes of it goes back as plain values. */
export const JOBS = {
  figures: computeAllFigures,
  connections: planConnectionsFor,
  'single-points': (app: AppContext) => loadSinglePoints(app),
  wishes: (app: AppContext) => loadWishes(app),
  hindrances: (app: AppContext) => listHindrancesFor(app),
  'upgrade-plan': planUpgradeFor,
  kits: planKitsFor,
  /** Nothing that anybody waits for. */
  warm: warmSolver,
}
export type JobName = keyof typeof JOBS
