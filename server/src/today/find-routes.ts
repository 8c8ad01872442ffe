import { isNull, like, or, sql } from 'drizzle-orm'
import { z } from 'zod'
import { bookings } from '../diary/tables.ts'
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
      const pattern = `%${query.q.replace(/[\\%_]/g, '\\$&')}%`
      return {
        units: listUnits(db, { find: query.q, limit: 8 }).rows,
        setups: db
          .select({ id: setups.id, code: setups.code, name: setups.name, tape: setups.tape })
          .from(setups)
          .where(sql`${isNull(setups.archivedAt)} and ${or(like(setups.name, pattern), like(setups.code, pattern))}`)
          .limit(5)
          .all(),
        bookings: db
          .select({ id: bookings.id, title: bookings.title, startsAt: bookings.startsAt })
          .from(bookings)
          .where(like(bookings.title, pattern))
          .orderBy(sql`${bookings.startsAt} desc`)
          .limit(5)
          .all(),
        people: db
          .select({ id: people.id, name: people.name })
          .from(people)
          .where(like(people.name, pattern))
          .limit(5)
          .all(),
      }
    },
  }),
]
