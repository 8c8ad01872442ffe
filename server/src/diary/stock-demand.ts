import {
  countLackingStock,
  type FiguresReply,
  findPeakDemand,
  type Model,
  nameModel,
  type Sharing,
} from '@exemplar/core'
import { eq, isNull } from 'drizzle-orm'
import { isAnyOf } from '../availability/holdings.ts'
import { loadHolds } from '../availability/holds.ts'
import type { AppContext } from '../foundation/database/app-context.ts'
import { loadLive } from '../kit/exchange/kit-file-store.ts'
import { computeFigures } from '../kit/worth/kit-figures.ts'
import { bookings } from '../schema/diary-tables.ts'
import { setupStock, setups } from '../schema/setups-tables.ts'
import { makePresentContext } from '../setups/assessment-context.ts'
import { loadAssessments } from '../setups/assessment-store.ts'
import { loadAllSetups } from '../setups/setup-store.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'

const AHEAD_MS = 90 * 86_400_000

type Live = Pick<ReturnType<typeof loadLive>, 'units' | 'stock' | 'models'>

/** Every figure over all things at once, and what is wanted of what is counted. */
export const computeAllFigures = (app: AppContext, params: { sharing: Sharing }): FiguresReply => ({
  ...computeFigures(app, params),
  demand: listDemand(app, loadLive(app.db)),
})

/** What is wanted of each stock at once: by what is booked, and if all setups stood at the same time. */
function listDemand(app: AppContext, live: Live): FiguresReply['demand'] {
  const { db } = app
  const { stock, models } = live
  const now = app.now()
  const holds = loadHolds(db, { start: now, end: now + AHEAD_MS })
  const standing = new Map<string, number>()
  const rows = db
    .select({ stockId: setupStock.stockId, quantity: setupStock.quantity })
    .from(setupStock)
    .innerJoin(setups, eq(setups.id, setupStock.setupId))
    .where(isNull(setups.archivedAt))
    .all()
  for (const { stockId, quantity } of rows) standing.set(stockId, (standing.get(stockId) ?? 0) + quantity)
  const modelOf = new Map(models.map((it) => [it.id, it]))
  const lacking = loadLacking(app, live, modelOf)
  const setupOf = new Map(
    db
      .select({ id: bookings.id, setupId: bookings.setupId })
      .from(bookings)
      .where(
        isAnyOf(
          bookings.id,
          holds.map((it) => it.bookingId),
        ),
      )
      .all()
      .map((it) => [it.id, it.setupId]),
  )
  return stock.map((it) => {
    const model = modelOf.get(it.modelId)
    // What a setup wants and has not is wanted all the same.
    const lackingIn = (setupId: string) => lacking.get(setupId)?.get(it.id) ?? 0
    const peak = findPeakDemand(
      holds.map((hold) => ({
        ...hold.interval,
        quantity: (hold.stock.get(it.id) ?? 0) + lackingIn(setupOf.get(hold.bookingId) ?? ''),
      })),
    )
    const allAtOnce = [...lacking.keys()].reduce((sum, id) => sum + lackingIn(id), standing.get(it.id) ?? 0)
    return {
      id: it.id,
      tag: it.tag,
      name: model ? nameModel(model) : '',
      owned: it.quantity,
      peak: peak.quantity,
      peakAt: peak.at,
      allAtOnce,
    }
  })
}

/** How many pieces of what is counted each setup wants beyond what stands in it, by the setup and the stock. */
function loadLacking(
  app: AppContext,
  { units, stock }: Live,
  modelOf: ReadonlyMap<string, Model>,
): Map<string, ReadonlyMap<string, number>> {
  const all = loadAllSetups(app.db, 'code')
  const requests = all.map((setup) => ({ setup, context: makePresentContext(app.now(), setup) }))
  const kinds = stock.flatMap(({ id, modelId }) => {
    const model = modelOf.get(modelId)
    return model ? [{ id, model }] : []
  })
  const ofUnits = new Set(units.map((it) => it.modelId))
  const singles = [...modelOf.values()].filter((it) => ofUnits.has(it.id))
  const cases = loadAssessments(app.db, requests, loadStudio(app.db))
  return new Map(cases.map(({ input }, at) => [all[at]?.id ?? '', countLackingStock(input, kinds, singles)]))
}
