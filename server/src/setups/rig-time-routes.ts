import { type ChangeOver, idSchema, planChangeOver, reckonStandingCost } from '@exemplar/core'
import { and, desc, eq, inArray, isNotNull, lte, ne } from 'drizzle-orm'
import { z } from 'zod'
import { requireBooking } from '../diary/booking-check.ts'
import { refuseField } from '../foundation/base/problem.ts'
import type { House } from '../foundation/database/app-context.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { bookings } from '../schema/diary-tables.ts'
import { places } from '../schema/studio-tables.ts'
import { gatherRig, loadOtherUse, loadSessionsPerMonth } from './rig-store.ts'
import { loadSetup } from './setup-routes.ts'

const room = 'setups'

/** The steps from one setup to another, with where each new support is fetched. */
function changeOver(house: House, fromId: string, toId: string): ChangeOver & { lies: Record<string, string> } {
  const before = gatherRig(house, loadSetup(house, fromId))
  const after = gatherRig(house, loadSetup(house, toId))
  const plan = planChangeOver(before.standing, after.standing, after.input.interfaces)
  const carriers = plan.steps.flatMap((it) => (it.kind === 'move' ? it.toKey : it.kind === 'rig' ? it.key : []))
  const homes = new Map(
    carriers.flatMap((key) => {
      const placeId = after.input.holdings.units.get(key)?.placeId
      return placeId ? [[key, placeId] as const] : []
    }),
  )
  const names = new Map(
    house.db
      .select({ id: places.id, name: places.name })
      .from(places)
      .where(inArray(places.id, [...new Set(homes.values())]))
      .all()
      .map((it) => [it.id, it.name]),
  )
  return { ...plan, lies: Object.fromEntries([...homes].map(([key, id]) => [key, names.get(id) ?? ''])) }
}

export const minutesRoutes = [
  defineRoute({
    method: 'get',
    path: '/setups/:id/minutes',
    permission: 'see-studio',
    room,
    summary: 'Minutes until a setup can record, what staying rigged would save, and the floor that it takes',
    handle: ({ params }, house) => {
      const setup = loadSetup(house, params.id ?? '')
      const { time, floor, input } = gatherRig(house, setup)
      const place = setup.placeId ? house.db.select().from(places).where(eq(places.id, setup.placeId)).get() : undefined
      const sessions = loadSessionsPerMonth(house, setup.id)
      const otherUse = loadOtherUse(house, setup.id, setup.placeId)
      const base = setup.variantOf ? loadSetup(house, setup.variantOf) : null
      return {
        time,
        floor,
        follows: input.policies.school('standing'),
        cost: reckonStandingCost(time, sessions, otherUse),
        room: place ? { name: place.name, otherUses: place.details.otherUses, size: place.details.size } : null,
        base: base ? { name: base.name, floor: gatherRig(house, base).floor } : null,
      }
    },
  }),
  defineRoute({
    method: 'get',
    path: '/setups/:id/change-over',
    permission: 'see-studio',
    room,
    summary: 'Every step from another setup to this one with its minutes, and what a second one of a thing would save',
    query: z.object({ fromId: idSchema }),
    handle: ({ params, query }, house) => {
      const id = params.id ?? ''
      if (query.fromId === id) throw refuseField('?fromId', 'Choose another setup to come from.')
      return { ...changeOver(house, query.fromId, id), changesPerMonth: loadSessionsPerMonth(house, id) }
    },
  }),
  defineRoute({
    method: 'get',
    path: '/bookings/:id/change-over',
    permission: 'see-studio',
    room,
    summary: 'The change-over from what is shot in the same room before',
    handle: ({ params }, house) => {
      const booking = requireBooking(house.db, params.id ?? '')
      if (!booking.setupId || !booking.placeId) return { before: null }
      const before = house.db
        .select()
        .from(bookings)
        .where(
          and(
            eq(bookings.placeId, booking.placeId),
            isNotNull(bookings.setupId),
            ne(bookings.state, 'cancelled'),
            ne(bookings.id, booking.id),
            lte(bookings.holdEnd, booking.holdStart),
          ),
        )
        .orderBy(desc(bookings.holdEnd))
        .limit(1)
        .get()
      if (!before?.setupId || before.setupId === booking.setupId) return { before: null }
      return {
        before: {
          ...changeOver(house, before.setupId, booking.setupId),
          from: { title: before.title, setupId: before.setupId, endsAt: before.endsAt },
          rigMinutes: booking.rigMinutes,
        },
      }
    },
  }),
]
