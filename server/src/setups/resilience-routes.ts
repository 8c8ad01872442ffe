import { defineRoute } from '../foundation/http/route.ts'
import type { SinglePointsReply } from './single-points.ts'

export const resilienceRoutes = [
  defineRoute('get /resilience', ({ connection }, app) =>
    app.jobs.run<SinglePointsReply>('single-points', {}, connection.signal),
  ),
]
