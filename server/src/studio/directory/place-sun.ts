import { addDays, describeSunOf, findDate, findStartOfDay, type PlaceSun } from '@exemplar/core'
import { eq } from 'drizzle-orm'
import { refuseMissing } from '../../foundation/base/problem.ts'
import type { AppContext } from '../../foundation/database/app-context.ts'
import { places } from '../../schema/studio-tables.ts'
import { loadStudio } from '../settings/settings-routes.ts'

/** What the sun does at a place: on a day, and on the 21st of each month of its year. Days are those of the studio's zone. */
export function loadPlaceSun({ db, now }: AppContext, id: string, asked: string | undefined): PlaceSun {
  const place = db.select().from(places).where(eq(places.id, id)).get()
  if (!place) throw refuseMissing('place')
  const { zone } = loadStudio(db)
  const date = asked ?? findDate(now(), zone)
  const dayOf = (day: string) => ({ start: findStartOfDay(day, zone), end: findStartOfDay(addDays(day, 1), zone) })
  const year = date.slice(0, 4)
  const months = Array.from({ length: 12 }, (_, at) => `${year}-${String(at + 1).padStart(2, '0')}-21`)
  return describeSunOf(
    place.details,
    { date, span: dayOf(date) },
    months.map((day) => ({ date: day, span: dayOf(day) })),
  )
}
