import { SHARING, type Sharing } from '@exemplar/core'
import { z } from 'zod'
import { defineRoute } from '../../foundation/http/route.ts'
import type { KitFigures } from './kit-figures.ts'

const figuresQuery = z.object({ sharing: z.enum(Object.keys(SHARING) as [Sharing, ...Sharing[]]).default('full') })

export const figuresRoutes = [
  defineRoute({
    method: 'get',
    path: '/kit-figures',
    permission: 'see-studio',
    room: 'kit',
    summary:
      'How often things are out and what that costs, what is wanted at once, what setups are worth, what holds how much',
    query: figuresQuery,
    handle: ({ query, connection }, app) => app.jobs.run<KitFigures>('figures', query, connection.signal),
  }),
]
