import { defineRoute } from '../foundation/http/route.ts'
import type { SinglePointsReply } from './single-points.ts'

export const resilienceRoutes = [
  defineRoute({
    method: 'get',
    path: '/resilience',
    permission: 'see-studio',
    room: 'setups',
    summary: 'What hangs on one thing: without which setups would stop, and what could stand in',
    handle: ({ connection }, app) => app.jobs.run<SinglePointsReply>('single-points', {}, connection.signal),
  }),
]
