import { type ChangeOver, computeStandingCost, planChangeOver } from '@exemplar/core'
import { and, desc, eq, inArray, isNotNull, lte, ne } from 'drizzle-orm'
import { requireBooking } from '../availability/bookings.ts'
import type { BookingRow } from '../availability/holds.ts'
import { refuseField } from '../foundation/base/problem.ts'
import type { AppContext } from '../foundation/database/app-context.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { bookings } from '../schema/diary-tables.ts'
import { places } from '../schema/studio-tables.ts'
import { loadOtherUse, loadRig, loadSessionsPerMonth } from './rig-store.ts'
import { loadSetup } from './setup-store.ts'

/** The steps from one setup to another, with where each new support is fetched. */
function changeOver(app: AppContext, fromId: string, toId: string): ChangeOver & { lies: Record<string, string> } {
  const before = loadRig(app, loadSetup(app, fromId))
  const after = loadRig(app, loadSetup(app, toId))
  const plan = planChangeOver(before.standing, after.standing, after.input.interfaces)
  const carriers = plan.steps.flatMap((it) => (it.kind === 'move' ? it.toKey : it.kind === 'rig' ? it.key : []))
  const homes = new Map(
    carriers.flatMap((key) => {
      const placeId = after.input.holdings.units.get(key)?.placeId
      return placeId ? [[key, placeId] as const] : []
    }),
  )
  const names = new Map(
    app.db
      .select({ id: places.id, name: places.name })
      .from(places)
      .where(inArray(places.id, [...new Set(homes.values())]))
      .all()
      .map((it) => [it.id, it.name]),
  )
  return { ...plan, lies: Object.fromEntries([...homes].map(([key, id]) => [key, names.get(id) ?? ''])) }
}

/** Minutes from the end of the one to the start of the next, buffers left out: so long the room is nobody's. */
function countGap(before: BookingRow, next: BookingRow): number {
  const end = before.holdEnd / MINUTE_MS - before.strikeMinutes
  const start = next.holdStart / MINUTE_MS + next.rigMinutes
  return Math.round(start - end)
}

const MINUTE_MS = 60_000

export const minutesRoutes = [
  defineRoute('get /setups/:id/minutes', ({ params }, app) => {
    const setup = loadSetup(app, params.id ?? '')
    const { time, floor, input } = loadRig(app, setup)
    const place = setup.placeId ? app.db.select().from(places).where(eq(places.id, setup.placeId)).get() : undefined
    const sessions = loadSessionsPerMonth(app, setup.id)
    const otherUse = loadOtherUse(app, setup.id, setup.placeId)
    const base = setup.variantOf ? loadSetup(app, setup.variantOf) : null
    return {
      time,
      floor,
      follows: input.policies.school('standing'),
      cost: computeStandingCost(time, sessions, otherUse),
      room: place ? { name: place.name, otherUses: place.details.otherUses, size: place.details.size } : null,
      base: base ? { name: base.name, floor: loadRig(app, base).floor } : null,
    }
  }),
  defineRoute('get /setups/:id/change-over', ({ params, query }, app) => {
    const id = params.id ?? ''
    if (query.fromId === id) throw refuseField('?fromId', 'Choose another setup to come from.')
    return { ...changeOver(app, query.fromId, id), changesPerMonth: loadSessionsPerMonth(app, id) }
  }),
  defineRoute('get /bookings/:id/change-over', ({ params }, app) => {
    const booking = requireBooking(app.db, params.id ?? '')
    if (!booking.setupId || !booking.placeId) return { before: null }
    const before = app.db
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
        ...changeOver(app, before.setupId, booking.setupId),
        from: { title: before.title, setupId: before.setupId, endsAt: before.endsAt },
        rigMinutes: booking.rigMinutes,
        gapMinutes: countGap(before, booking),
      },
    }
  }),
]
