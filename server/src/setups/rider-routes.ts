import { checkCompleteness, computeCarriedLoads, listPlacedItems } from '@exemplar/core'
import { and, eq, isNull } from 'drizzle-orm'
import { loadHoldings, loadInterfaces } from '../availability/holdings.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { setups, setupUnits } from '../schema/setups-tables.ts'

export const riderRoutes = [
  defineRoute({
    method: 'get',
    path: '/units/:id/riders',
    permission: 'see-studio',
    room: 'setups',
    summary: 'What rides on a thing in each setup, and would be left without a place if it went away',
    handle: ({ params }, { db }) => {
      const id = params.id ?? ''
      const rows = db
        .select({ setup: setups })
        .from(setupUnits)
        .innerJoin(setups, eq(setups.id, setupUnits.setupId))
        .where(and(eq(setupUnits.unitId, id), isNull(setups.archivedAt)))
        .orderBy(setups.code)
        .all()
      const interfaces = loadInterfaces(db)
      return rows.flatMap(({ setup }) => {
        const assigned = setup.roles.flatMap((role) => role.things)
        const holdings = loadHoldings(
          db,
          assigned.flatMap((it) => it.unitId ?? []),
          assigned.flatMap((it) => it.stockId ?? []),
        )
        const things = listPlacedItems(setup, holdings, null)
        const { joints } = checkCompleteness(things, interfaces, setup.links)
        const { above, loads } = computeCarriedLoads(things, joints, interfaces)
        const riders = (above.get(id) ?? []).flatMap((key) => {
          const it = things.find((thing) => thing.key === key)
          return it ? [{ tag: it.tag, name: it.name, massGrams: it.massGrams }] : []
        })
        const tag = things.find((it) => it.key === id)?.tag
        const load = loads.find((it) => it.tag === tag)
        const { id: setupId, code, tape, name } = setup
        return riders.length > 0
          ? [{ setup: { id: setupId, code, tape, name }, riders, ratedGrams: load?.ratedGrams ?? null }]
          : []
      })
    },
  }),
]
