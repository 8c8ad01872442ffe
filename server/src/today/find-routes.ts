import { FIND_ACTIONS, may } from '@exemplar/core'
import { defineRoute } from '../foundation/http/route.ts'
import { findAnything } from './find-index.ts'

const LIMIT = 20

export const findRoutes = [
  defineRoute('get /find', ({ query, actor }, app) => {
    const isAllowed = (id: string) => {
      const action = FIND_ACTIONS.find((it) => it.code === id)
      return action !== undefined && may(actor.role, action.permission)
    }
    const hits = findAnything(app, query.q, LIMIT * 2).filter((it) => it.kind !== 'action' || isAllowed(it.id))
    return {
      hits: hits.slice(0, LIMIT).map(({ key, kind, id, title, text, path }) => ({ key, kind, id, title, text, path })),
    }
  }),
]
