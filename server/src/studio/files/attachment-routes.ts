import { createHash, randomUUID } from 'node:crypto'
import { createReadStream, existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { ATTACHMENT_TYPES, may, nameAttachment, type subjectSchema } from '@exemplar/core'
import { and, asc, count, eq, isNull, sql } from 'drizzle-orm'
import { fileTypeFromBuffer } from 'file-type'
import type { z } from 'zod'
import { listPhotos } from '../../availability/photos.ts'
import { ProblemError, refuseField, refuseMissing } from '../../foundation/base/problem.ts'
import {
  type Actor,
  type AppContext,
  requireVersion,
  type Transaction,
  write,
} from '../../foundation/database/app-context.ts'
import { defineRoute, RawReply } from '../../foundation/http/route.ts'
import { bookings } from '../../schema/diary-tables.ts'
import { units } from '../../schema/kit-tables.ts'
import { setups } from '../../schema/setups-tables.ts'
import { attachments, events, people, places } from '../../schema/studio-tables.ts'
import { makeThumbnail, openThumbnail, requireBearable } from './thumbnails.ts'

const TABLES = { unit: units, place: places, setup: setups, person: people, booking: bookings } as const

function requireSubject(tx: Transaction, { subjectType, subjectId }: z.infer<typeof subjectSchema>): void {
  const table = TABLES[subjectType]
  if (!tx.select({ id: table.id }).from(table).where(eq(table.id, subjectId)).get()) {
    throw refuseField('?subjectId', `There is no such ${subjectType}.`)
  }
}

/** Files lie under their checksum: no name that anybody sends ever becomes a path. */
export function fileOfAttachment(app: AppContext, sha256: string): string {
  return join(app.config.dataFolder, 'attachments', sha256)
}

async function keepFile(app: AppContext, bytes: Buffer): Promise<string> {
  const sha256 = createHash('sha256').update(bytes).digest('hex')
  const file = fileOfAttachment(app, sha256)
  if (existsSync(file)) return sha256
  app.disk.makeFolder(dirname(file))
  // Two who send the same photo at once write two files, of which the later takes the place of its like.
  const partial = `${file}.${randomUUID()}.partial`
  try {
    await app.disk.writeNew(partial, bytes)
    app.disk.replace(partial, file)
  } catch (error) {
    app.disk.remove(partial)
    throw error
  }
  return sha256
}

/** Whoever may change the kit takes away any; others what they attached themselves. */
function requireOwn(tx: Transaction, actor: Actor, attachmentId: string): void {
  if (may(actor.role, 'change-kit')) return
  const added = tx
    .select({ personId: events.personId })
    .from(events)
    .where(and(eq(events.kind, 'attached'), sql`json_extract(${events.data}, '$.attachmentId') = ${attachmentId}`))
    .get()
  if (added?.personId && added.personId === actor.personId) return
  const detail = 'Somebody else attached this. They can take it away, or a manager.'
  throw new ProblemError(403, 'Not allowed', detail)
}

/** How many files one thing, place or person may have. */
const MOST_FILES = 200

function requireRoom(tx: Transaction, { subjectType, subjectId }: z.infer<typeof subjectSchema>): void {
  const row = tx
    .select({ files: count() })
    .from(attachments)
    .where(
      and(
        eq(attachments.subjectType, subjectType),
        eq(attachments.subjectId, subjectId),
        isNull(attachments.archivedAt),
      ),
    )
    .get()
  if ((row?.files ?? 0) < MOST_FILES) return
  throw new ProblemError(422, 'Many files', `There are ${MOST_FILES} files here already. Take some away first.`)
}

export const attachmentRoutes = [
  defineRoute('get /attachments', ({ query }, { db }) =>
    db
      .select()
      .from(attachments)
      .where(
        and(
          eq(attachments.subjectType, query.subjectType),
          eq(attachments.subjectId, query.subjectId),
          isNull(attachments.archivedAt),
        ),
      )
      .orderBy(asc(attachments.addedAt))
      .all()
      .map(({ archivedAt: _, ...it }) => it),
  ),
  defineRoute('post /attachments', async ({ query, body, actor }, app) => {
    const bytes = body as unknown as Buffer
    const mime = (await fileTypeFromBuffer(bytes))?.mime ?? ''
    if (!(mime in ATTACHMENT_TYPES)) {
      throw new ProblemError(
        415,
        'Not that kind of file',
        'Attach a photo (JPEG, PNG, WebP) or a PDF. This file is neither, whatever its name says.',
      )
    }
    if (mime.startsWith('image/')) await requireBearable(bytes)
    if (mime.startsWith('image/') && (await makeThumbnail(bytes)) === null) {
      throw new ProblemError(
        415,
        'Not a whole picture',
        'This photo cannot be read to its end. Send it again, or save it anew as JPEG.',
      )
    }
    const sha256 = await keepFile(app, bytes)
    return write(app, actor, ({ tx, now, newId, log }) => {
      requireSubject(tx, query)
      requireRoom(tx, query)
      const { subjectType, subjectId } = query
      const row = tx
        .insert(attachments)
        .values({
          id: newId(),
          subjectType,
          subjectId,
          name: nameAttachment(query.name, mime),
          mime,
          bytes: bytes.length,
          sha256,
          addedAt: now,
        })
        .returning()
        .get()
      log('attached', subjectType, subjectId, { name: row.name, attachmentId: row.id })
      const { archivedAt: _, ...attachment } = row
      return attachment
    })
  }),
  defineRoute('get /photos', (_, { db }) => listPhotos(db)),
  defineRoute('get /attachments/:id/file', ({ params }, app) => {
    const row = app.db
      .select()
      .from(attachments)
      .where(eq(attachments.id, params.id ?? ''))
      .get()
    if (!row) throw refuseMissing('attachment')
    const file = fileOfAttachment(app, row.sha256)
    if (!existsSync(file))
      throw new ProblemError(404, 'Not here', 'The file of this attachment is missing. Restore a backup.')
    return new RawReply(row.mime, createReadStream(file), {
      'Content-Length': String(row.bytes),
      'Content-Disposition': `inline; filename*=UTF-8''${encodeURIComponent(row.name)}`,
      // What somebody attached is never a page of ours.
      'Content-Security-Policy': "default-src 'none'; sandbox",
    })
  }),
  defineRoute('get /attachments/:id/thumbnail', async ({ params }, app) => {
    const row = app.db
      .select()
      .from(attachments)
      .where(eq(attachments.id, params.id ?? ''))
      .get()
    const file = row && fileOfAttachment(app, row.sha256)
    const bytes = file && row.mime.startsWith('image/') && existsSync(file) ? await openThumbnail(file) : null
    if (!bytes) throw refuseMissing('photo')
    return new RawReply('image/webp', bytes, { 'Content-Security-Policy': "default-src 'none'; sandbox" })
  }),
  defineRoute('delete /attachments/:id', ({ params, version, actor }, app) =>
    write(app, actor, ({ tx, now, log }) => {
      const id = params.id ?? ''
      const row = tx.select().from(attachments).where(eq(attachments.id, id)).get()
      const before = requireVersion(row, version, 'attachment')
      requireOwn(tx, actor, id)
      const after = { archivedAt: now, version: before.version + 1 }
      tx.update(attachments).set(after).where(eq(attachments.id, id)).run()
      log('archived', 'attachment', id)
      return { id, version: after.version }
    }),
  ),
]
