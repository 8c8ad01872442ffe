import { and, desc, eq, isNull, like, sql } from 'drizzle-orm'
import { units } from '../schema/kit-tables.ts'
import { attachments } from '../schema/studio-tables.ts'
import { isAnyOf } from './holdings.ts'
import type { Reader } from './reference.ts'

/**
 * By a thing's id the attachment that shows it: its own first photo, else that of another piece of its model. Of all things, or of
 * those that are asked for.
 */
export function listPhotos(db: Reader, wanted?: ReadonlyMap<string, unknown>): Record<string, string> {
  const photos = db
    .select({ id: attachments.id, unitId: attachments.subjectId })
    .from(attachments)
    .where(and(eq(attachments.subjectType, 'unit'), like(attachments.mime, 'image/%'), isNull(attachments.archivedAt)))
    .orderBy(desc(attachments.addedAt), desc(sql`rowid`))
    .all()
  // The one that was added first is seen last, and stays.
  const own = new Map(photos.map((it) => [it.unitId, it.id]))
  if (own.size === 0) return {}
  // Of a few things it is enough to look at these and at those that have a photo.
  const those = wanted ? isAnyOf(units.id, [...wanted.keys(), ...own.keys()]) : undefined
  const pieces = db
    .select({ id: units.id, modelId: units.modelId })
    .from(units)
    .where(and(those, isNull(units.archivedAt)))
    .all()
  const ofModel = new Map(pieces.flatMap(({ id, modelId }) => (own.has(id) ? [[modelId, own.get(id)] as const] : [])))
  return Object.fromEntries(
    pieces.flatMap(({ id, modelId }) => {
      const photo = wanted && !wanted.has(id) ? undefined : (own.get(id) ?? ofModel.get(modelId))
      return photo ? [[id, photo]] : []
    }),
  )
}
