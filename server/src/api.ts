import { benchRoutes } from './bench/bench-routes.ts'
import { incidentRoutes } from './bench/incident-routes.ts'
import { readingRoutes } from './bench/packs/reading-routes.ts'
import { reliabilityRoutes } from './bench/reliability-routes.ts'
import { repairRoutes } from './bench/repair-routes.ts'
import { serviceRoutes } from './bench/service-routes.ts'
import { supplyRoutes } from './bench/supply-routes.ts'
import { fillDemo } from './demo/fill-demo.ts'
import { bookingRoutes } from './diary/booking-routes.ts'
import type { Route } from './foundation/http/route.ts'
import { snapshotRoutes } from './kit/counting/snapshot-routes.ts'
import { stocktakeRoutes } from './kit/counting/stocktake-routes.ts'
import { kitFileRoutes } from './kit/exchange/kit-file-routes.ts'
import { importRoutes } from './kit/import/import-routes.ts'
import { interfaceRoutes } from './kit/model/connector-routes.ts'
import { modelRoutes } from './kit/model/model-routes.ts'
import { bundleRoutes } from './kit/unit/bundle-routes.ts'
import { manyRoutes } from './kit/unit/many-routes.ts'
import { stockRoutes } from './kit/unit/stock-routes.ts'
import { unitRoutes } from './kit/unit/unit-routes.ts'
import { viewRoutes } from './kit/unit/view-routes.ts'
import { figuresRoutes } from './kit/worth/figures-routes.ts'
import { scheduleRoutes } from './kit/worth/schedule-routes.ts'
import { decisionRoutes } from './ledger/decision-routes.ts'
import { entryRoutes } from './ledger/entry-routes.ts'
import { kitPlanRoutes } from './ledger/kit-plan-routes.ts'
import { ledgerRoutes } from './ledger/ledger-routes.ts'
import { orderRoutes } from './ledger/order-routes.ts'
import { partRequestRoutes } from './ledger/part-request-routes.ts'
import { saleRoutes } from './ledger/sale-routes.ts'
import { wishRoutes } from './ledger/wish-routes.ts'
import { cableRoutes } from './setups/cable-routes.ts'
import { cameraRoutes } from './setups/camera-routes.ts'
import { pictureRoutes } from './setups/picture-routes.ts'
import { startRoutes } from './setups/preflight-routes.ts'
import { helpingRoutes } from './setups/proposal-routes.ts'
import { resilienceRoutes } from './setups/resilience-routes.ts'
import { minutesRoutes } from './setups/rig-time-routes.ts'
import { setupRoutes } from './setups/setup-routes.ts'
import { systemRoutes } from './setups/system-routes.ts'
import { ableRoutes } from './setups/thing/able-routes.ts'
import { riderRoutes } from './setups/thing/rider-routes.ts'
import { wantRoutes } from './setups/thing/want-routes.ts'
import { exampleRoutes } from './start/example-routes.ts'
import { firstHourRoutes } from './start/first-hour-routes.ts'
import { accountRoutes } from './studio/access/account-routes.ts'
import { makeDoorRoutes } from './studio/access/door-routes.ts'
import { ownAccessRoutes } from './studio/access/own-access-routes.ts'
import { backupRoutes } from './studio/backup/backup-routes.ts'
import { healthRoutes } from './studio/backup/health-routes.ts'
import { directoryRoutes } from './studio/directory/directory-routes.ts'
import { filmRoutes } from './studio/directory/film-routes.ts'
import { attachmentRoutes } from './studio/files/attachment-routes.ts'
import { historyRoutes } from './studio/history/history-routes.ts'
import { liveRoutes } from './studio/history/live-routes.ts'
import { studioRoutes } from './studio/settings/settings-routes.ts'
import { findRoutes } from './today/find-routes.ts'
import { todayRoutes } from './today/today-routes.ts'

/** Every route of the API; the application, its description and the checks read this one list. */
export const routes: readonly Route[] = [
  ...healthRoutes,
  ...makeDoorRoutes({ fillDemo: (app) => fillDemo(app, { withAccounts: false }) }),
  ...ownAccessRoutes,
  ...accountRoutes,
  ...historyRoutes,
  ...liveRoutes,
  ...attachmentRoutes,
  ...backupRoutes,
  ...studioRoutes,
  ...directoryRoutes,
  ...filmRoutes,
  ...unitRoutes,
  ...manyRoutes,
  ...modelRoutes,
  ...interfaceRoutes,
  ...firstHourRoutes,
  ...exampleRoutes,
  ...stockRoutes,
  ...stocktakeRoutes,
  ...snapshotRoutes,
  ...bundleRoutes,
  ...viewRoutes,
  ...scheduleRoutes,
  ...figuresRoutes,
  ...systemRoutes,
  ...importRoutes,
  ...kitFileRoutes,
  ...setupRoutes,
  ...cableRoutes,
  ...cameraRoutes,
  ...minutesRoutes,
  ...pictureRoutes,
  ...startRoutes,
  ...riderRoutes,
  ...wantRoutes,
  ...ableRoutes,
  ...helpingRoutes,
  ...resilienceRoutes,
  ...bookingRoutes,
  ...benchRoutes,
  ...serviceRoutes,
  ...incidentRoutes,
  ...reliabilityRoutes,
  ...repairRoutes,
  ...readingRoutes,
  ...supplyRoutes,
  ...ledgerRoutes,
  ...entryRoutes,
  ...saleRoutes,
  ...partRequestRoutes,
  ...orderRoutes,
  ...wishRoutes,
  ...decisionRoutes,
  ...kitPlanRoutes,
  ...todayRoutes,
  ...findRoutes,
]
