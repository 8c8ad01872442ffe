import { defineRoute } from '../../foundation/http/route.ts'
import { listAble } from './able.ts'

export const ableRoutes = [defineRoute('get /able', ({ query }, { db, now }) => listAble(db, now(), query.wants))]
