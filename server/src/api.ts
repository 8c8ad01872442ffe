import { benchRoutes } from './bench/bench-routes.ts'
import { bookingRoutes } from './diary/booking-routes.ts'
import type { Route } from './foundation/route.ts'
import { bundleRoutes } from './kit/bundle-routes.ts'
import { figuresRoutes } from './kit/figures-routes.ts'
import { importRoutes } from './kit/import-routes.ts'
import { interfaceRoutes } from './kit/interface-routes.ts'
import { kitFileRoutes } from './kit/kit-file-routes.ts'
import { manyRoutes } from './kit/many-routes.ts'
import { modelRoutes } from './kit/model-routes.ts'
import { scheduleRoutes } from './kit/schedule-routes.ts'
import { snapshotRoutes } from './kit/snapshot-routes.ts'
import { stockRoutes } from './kit/stock-routes.ts'
import { stocktakeRoutes } from './kit/stocktake-routes.ts'
import { systemRoutes } from './kit/system-routes.ts'
import { unitRoutes } from './kit/unit-routes.ts'
import { viewRoutes } from './kit/view-routes.ts'
import { ledgerRoutes } from './ledger/ledger-routes.ts'
import { orderRoutes } from './ledger/order-routes.ts'
import { cableRoutes } from './setups/cable-routes.ts'
import { cameraRoutes } from './setups/camera-routes.ts'
import { helpingRoutes } from './setups/helping-routes.ts'
import { minutesRoutes } from './setups/minutes-routes.ts'
import { resilienceRoutes } from './setups/resilience-routes.ts'
import { riderRoutes } from './setups/rider-routes.ts'
import { setupRoutes } from './setups/setup-routes.ts'
import { startRoutes } from './setups/start-routes.ts'
import { accessRoutes } from './studio/access-routes.ts'
import { attachmentRoutes } from './studio/attachment-routes.ts'
import { backupRoutes } from './studio/backup-routes.ts'
import { directoryRoutes } from './studio/directory-routes.ts'
import { filmRoutes } from './studio/film-routes.ts'
import { healthRoutes } from './studio/health-routes.ts'
import { historyRoutes } from './studio/history-routes.ts'
import { liveRoutes } from './studio/live-routes.ts'
import { studioRoutes } from './studio/studio-routes.ts'
import { findRoutes } from './today/find-routes.ts'
import { todayRoutes } from './today/today-routes.ts'

/** Every route of the API; the application, its description and the checks read this one list. */
export const routes: readonly Route[] = [
  ...healthRoutes,
  ...accessRoutes,
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
  ...startRoutes,
  ...riderRoutes,
  ...helpingRoutes,
  ...resilienceRoutes,
  ...bookingRoutes,
  ...benchRoutes,
  ...ledgerRoutes,
  ...orderRoutes,
  ...todayRoutes,
  ...findRoutes,
]
