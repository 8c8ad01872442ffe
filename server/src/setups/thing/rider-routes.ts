import { computeCarriedLoads, makeScene } from '@exemplar/core'
import { and, eq, isNull } from 'drizzle-orm'
import { defineRoute } from '../../foundation/http/route.ts'
import { setups, setupUnits } from '../../schema/setups-tables.ts'
import { loadStudio } from '../../studio/settings/settings-routes.ts'
import { makePresentContext } from '../assessment-context.ts'
import { loadAssessments } from '../assessment-store.ts'

export const riderRoutes = [
  defineRoute('get /units/:id/riders', ({ params }, app) => {
    const id = params.id ?? ''
    const rows = app.db
      .select({ setup: setups })
      .from(setupUnits)
      .innerJoin(setups, eq(setups.id, setupUnits.setupId))
      .where(and(eq(setupUnits.unitId, id), isNull(setups.archivedAt)))
      .orderBy(setups.code)
      .all()
    const requests = rows.map(({ setup }) => ({ setup, context: makePresentContext(app.now(), setup) }))
    return loadAssessments(app.db, requests, loadStudio(app.db)).flatMap(({ input }, at) => {
      const setup = rows[at]?.setup
      const scene = makeScene(input)
      const { above, loads } = computeCarriedLoads(scene)
      const riders = (above.get(id) ?? []).flatMap((key) => {
        const it = scene.itemOf.get(key)
        return it ? [{ tag: it.tag, name: it.name, massGrams: it.massGrams }] : []
      })
      const load = loads.find((it) => it.key === id)
      if (!setup || riders.length === 0) return []
      const { id: setupId, code, tape, name } = setup
      return [{ setup: { id: setupId, code, tape, name }, riders, ratedGrams: load?.ratedGrams ?? null }]
    })
  }),
]
