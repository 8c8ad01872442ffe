import { addDays, checkRoomFit, findDate, findStartOfDay, judgePlace, nameModel } from '@exemplar/core'
import { and, eq, gt, inArray, isNull, sql } from 'drizzle-orm'
import { refuseMissing } from '../../foundation/base/problem.ts'
import type { AppContext } from '../../foundation/database/app-context.ts'
import type { Database } from '../../foundation/database/database.ts'
import { bookings } from '../../schema/diary-tables.ts'
import { models, units } from '../../schema/kit-tables.ts'
import { places } from '../../schema/studio-tables.ts'
import { loadStudio } from '../settings/settings-routes.ts'

/** A place and everything inside it, however deep. */
function listInside(db: Database, id: string): string[] {
  const rows = db.$client
    .prepare(
      `WITH RECURSIVE inside(id) AS (VALUES (?) UNION SELECT p.id FROM places p JOIN inside i ON p.parent_id = i.id
        WHERE p.archived_at IS NULL) SELECT id FROM inside`,
    )
    .pluck()
    .all(id)
  return rows as string[]
}

/** A place with what lives in it, what it asks, what is booked there, and what of the furniture fits. */
export function loadPlacePage(app: AppContext, id: string) {
  const { db } = app
  const row = db.select().from(places).where(eq(places.id, id)).get()
  if (!row) throw refuseMissing('place')
  const { archivedAt: _, ...place } = row
  const settings = loadStudio(db)
  const today = findDate(app.now(), settings.zone)
  const living = db
    .select({ unit: units, model: models })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
    .where(and(inArray(units.placeId, listInside(db, id)), isNull(units.archivedAt)))
    .orderBy(units.tag)
    .all()
  const { accessUntil, size, doors } = place.details
  const closesAt = accessUntil ? findStartOfDay(addDays(accessUntil, 1), settings.zone) : null
  const ahead = db
    .select()
    .from(bookings)
    .where(
      and(
        eq(bookings.placeId, id),
        gt(bookings.holdEnd, app.now()),
        inArray(bookings.state, ['pencilled', 'confirmed', 'out']),
      ),
    )
    .orderBy(bookings.holdStart)
    .all()
  const findings = judgePlace(place, {
    today,
    bookingsAfterEnd: closesAt === null ? 0 : ahead.filter((it) => it.holdEnd > closesAt).length,
    massGrams: living.reduce((sum, it) => sum + (it.model.specs.massGrams ?? 0), 0),
    unweighed: living.filter((it) => it.model.specs.massGrams === null).length,
  })
  const shaped = db
    .select({ unit: units, model: models })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
    .where(and(isNull(units.archivedAt), sql`json_extract(${models.specs}, '$.footprint') is not null`))
    .all()
    .flatMap(({ unit, model }) => {
      const footprint = model.specs.footprint ?? null
      // A roll is carried on the shoulder and hangs: it stands nowhere.
      if (!footprint || model.category === 'backdrop') return []
      const fit = checkRoomFit(footprint, size, doors, settings.doorClearanceMm)
      return [{ unitId: unit.id, tag: unit.tag, name: nameModel(model), ...fit }]
    })
  return {
    ...place,
    findings,
    living: living.map(({ unit, model }) => ({
      unitId: unit.id,
      tag: unit.tag,
      name: nameModel(model),
      massGrams: model.specs.massGrams,
    })),
    inside: db
      .select({ id: places.id, name: places.name, kind: places.kind })
      .from(places)
      .where(and(eq(places.parentId, id), isNull(places.archivedAt)))
      .orderBy(places.name)
      .all(),
    ahead: ahead
      .slice(0, 20)
      .map(({ id: bookingId, title, startsAt, endsAt, kind }) => ({ id: bookingId, title, startsAt, endsAt, kind })),
    fits: place.kind === 'room' ? shaped : [],
  }
}
