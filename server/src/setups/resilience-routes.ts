import { type Category, findSinglePointsOfFailure, isKindOf, listSinglePoints } from '@exemplar/core'
import { isNull } from 'drizzle-orm'
import type { AppContext } from '../foundation/database/app-context.ts'
import { minuteOf, remember } from '../foundation/database/cache.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { setups } from '../schema/setups-tables.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { loadAssessmentInput, loadFreeStore } from './assessing.ts'
import { makePresentContext } from './setup-routes.ts'

/** What each setup would stop without, and over all of them what nothing could stand in for. Kept until something changes. */
function loadResilience(app: AppContext) {
  const { db } = app
  const settings = loadStudio(db)
  const rows = db.select().from(setups).where(isNull(setups.archivedAt)).orderBy(setups.code).all()
  const judged = rows.map(({ archivedAt: _, ...setup }) => {
    const occasion = makePresentContext(app, setup)
    const { input, holds } = loadAssessmentInput(db, setup, occasion, settings)
    const kinds = new Set<Category>([...input.holdings.models.values()].map((it) => it.category))
    const suits = (model: { category: Category }) => [...kinds].some((kind) => isKindOf(model.category, kind))
    const store = loadFreeStore(db, input, suits, occasion, holds)
    return {
      id: setup.id,
      code: setup.code,
      tape: setup.tape,
      name: setup.name,
      losses: findSinglePointsOfFailure(input, store),
    }
  })
  return { points: listSinglePoints(judged), setups: judged }
}

export const resilienceRoutes = [
  defineRoute({
    method: 'get',
    path: '/resilience',
    permission: 'see-studio',
    room: 'setups',
    summary: 'What hangs on one thing: without which setups would stop, and what could stand in',
    handle: (_, app) => remember(app.db, `resilience/${minuteOf(app.now())}`, () => loadResilience(app)),
  }),
]
