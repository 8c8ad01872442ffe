import { defineRoute } from '../../foundation/http/route.ts'
import type { KitFigures } from './kit-figures.ts'

export const figuresRoutes = [
  defineRoute('get /kit-figures', ({ query, connection }, app) =>
    app.jobs.run<KitFigures>('figures', query, connection.signal),
  ),
]
