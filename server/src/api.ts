import { benchRoutes } from './bench/bench-routes.ts'
import { bookingRoutes } from './diary/booking-routes.ts'
import { defineRoute, type Route } from './foundation/route.ts'
import { importRoutes } from './kit/import-routes.ts'
import { unitRoutes } from './kit/unit-routes.ts'
import { ledgerRoutes } from './ledger/ledger-routes.ts'
import { setupRoutes } from './setups/setup-routes.ts'
import { directoryRoutes } from './studio/directory-routes.ts'
import { studioRoutes } from './studio/studio-routes.ts'
import { findRoutes } from './today/find-routes.ts'
import { todayRoutes } from './today/today-routes.ts'

const healthRoute = defineRoute({
  method: 'get',
  path: '/health',
  room: 'studio',
  summary: 'Whether the database answers',
  handle: (_, { db }) => ({ ok: db.$client.prepare('select 1').pluck().get() === 1 }),
})

/** Every route of the API; the application, its description and the checks read this one list. */
export const routes: readonly Route[] = [
  healthRoute,
  ...studioRoutes,
  ...directoryRoutes,
  ...unitRoutes,
  ...importRoutes,
  ...setupRoutes,
  ...bookingRoutes,
  ...benchRoutes,
  ...ledgerRoutes,
  ...todayRoutes,
  ...findRoutes,
]
