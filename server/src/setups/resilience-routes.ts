import type { ResilienceReply } from '@exemplar/core'
import { defineRoute } from '../foundation/http/route.ts'

export const resilienceRoutes = [
  defineRoute('get /resilience', ({ connection }, app) =>
    app.jobs.run<ResilienceReply>('single-points', {}, connection.signal),
  ),
]
