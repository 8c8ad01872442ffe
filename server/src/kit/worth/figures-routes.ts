import type { FiguresReply } from '@exemplar/core'
import { defineRoute } from '../../foundation/http/route.ts'

export const figuresRoutes = [
  defineRoute('get /kit-figures', ({ query, connection }, app) =>
    app.jobs.run<FiguresReply>('figures', query, connection.signal),
  ),
]
