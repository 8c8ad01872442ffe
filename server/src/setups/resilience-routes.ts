import { defineRoute } from '../foundation/http/route.ts'
import type { SinglePointsReply } from './single-points.ts'

export const resilienceRoutes = [
  defineRoute({
    method: 'get',
    path: '/resilience',
    permission: 'see-studio',
    room: 'setups',
    summary: 'Single points of failure: without which setups would stop, and what could stand in',
    handle: ({ connection }, app) => app.jobs.run<SinglePointsReply>('single-points', {}, connection.signal),
  }),
]
