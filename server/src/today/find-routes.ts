import { isNull, sql } from 'drizzle-orm'
import { z } from 'zod'
import { bookings } from '../diary/tables.ts'
import { makePattern } from '../foundation/pattern.ts'
import { defineRoute } from '../foundation/route.ts'
import { listUnits } from '../kit/unit-list.ts'
import { setups } from '../setups/tables.ts'
import { people } from '../studio/tables.ts'

export const findRoutes = [
  defineRoute({
    method: 'get',
    path: '/find',
    room: 'today',
    summary: 'Things, setups, bookings and people whose name or tag holds the words',
    query: z.object({ q: z.string().min(1).max(80) }),
    handle: ({ query }, { db }) => {
      const pattern = makePattern(query.q)
      return {
        units: listUnits(db, { find: query.q, limit: 8 }).rows,
        setups: db
          .select({ id: setups.id, code: setups.code, name: setups.name, tape: setups.tape })
          .from(setups)
          .where(
            sql`${isNull(setups.archivedAt)} and (${setups.code} || ' ' || ${setups.name}) like ${pattern} escape '\\'`,
          )
          .limit(5)
          .all(),
        bookings: db
          .select({ id: bookings.id, title: bookings.title, startsAt: bookings.startsAt })
          .from(bookings)
          .where(sql`${bookings.title} like ${pattern} escape '\\'`)
          .orderBy(sql`${bookings.startsAt} desc`)
          .limit(5)
          .all(),
        people: db
          .select({ id: people.id, name: people.name })
          .from(people)
          .where(sql`${people.name} like ${pattern} escape '\\'`)
          .limit(5)
          .all(),
      }
    },
  }),
]
