import { findSinglePointsOfFailure, isKindOf, listSinglePoints } from '@exemplar/core'
import type { AppContext } from '../foundation/database/app-context.ts'
import { minuteOf, remember } from '../foundation/database/cache.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { makePresentContext } from './assessment-context.ts'
import { loadAssessments } from './assessment-store.ts'
import { listFree, loadShelf } from './free-store.ts'
import { loadAllSetups } from './setup-store.ts'

/** So many things of the store are looked at, over all setups. */
const MOST_LOOKED_AT = 5_000

export type SinglePointsReply = ReturnType<typeof computeSinglePoints>

/** Kept until something changes or the minute passes. */
export function loadSinglePoints(app: AppContext): SinglePointsReply {
  return remember(app.db, `single-points/${minuteOf(app.now())}`, () => computeSinglePoints(app))
}

/** What each setup would stop without, and over all of them what nothing could stand in for. Kept until something changes. */
function computeSinglePoints(app: AppContext) {
  const { db } = app
  const settings = loadStudio(db)
  const all = loadAllSetups(db, 'code')
  const requests = all.map((setup) => ({ setup, context: makePresentContext(app.now(), setup) }))
  const cases = loadAssessments(db, requests, settings)
  const used = cases.flatMap(({ input }) => [...input.holdings.models.values()].map((it) => it.category))
  const kinds = [...new Set(used)]
  const shelf = loadShelf(db, (model) => kinds.some((kind) => isKindOf(model.category, kind)), MOST_LOOKED_AT)
  const judged = all.map(({ id, code, tape, name }, at) => {
    const own = cases[at]
    return { id, code, tape, name, losses: own ? findSinglePointsOfFailure(own.input, listFree(shelf, own)) : [] }
  })
  return { points: listSinglePoints(judged), setups: judged }
}
