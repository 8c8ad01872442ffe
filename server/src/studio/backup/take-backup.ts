import { createHash } from 'node:crypto'
import { createReadStream, existsSync, statSync } from 'node:fs'
import { join } from 'node:path'
import type { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import type { BackupRow } from '@exemplar/core'
import Sqlite from 'better-sqlite3'
import { makeArchive, toStream } from '../../foundation/base/archive.ts'
import type { HouseKey } from '../../foundation/base/house-key.ts'
import { ProblemError } from '../../foundation/base/problem.ts'
import type { Volume } from '../../foundation/base/volume.ts'
import { makeWorkFolder } from '../../foundation/base/work-folder.ts'
import type { AppContext } from '../../foundation/database/app-context.ts'
import { DATABASE_FILE, listMigrations } from '../../foundation/database/database.ts'
import { type BackupKind, nameBackup } from './backup-names.ts'
import { takeTurn } from './backup-turn.ts'
import { MANIFEST, type Manifest, SIGNATURE } from './manifest.ts'

/** What a backup is taken of. A connection of its own will do, while Exemplar goes on writing in another process. */
export interface BackupSource {
  client: Sqlite.Database
  dataFolder: string
  volume: Volume
  key: HouseKey
  now: number
}

export const sourceOf = (app: AppContext): BackupSource => ({
  client: app.db.$client,
  dataFolder: app.config.dataFolder,
  volume: app.volume,
  key: app.houseKey,
  now: app.now(),
})

/** Takes a backup when its turn comes; see `makeBackup`. */
export function takeBackup(source: BackupSource, kind: BackupKind): Promise<BackupRow> {
  return takeTurn(source.dataFolder, () => makeBackup(source, kind))
}

/**
 * Takes a consistent copy while writing goes on (SQLite's backup API), looks whether it is whole, and puts it with its
 * attachments, checksums, schema and the house's signature on the volume. Sessions stay out of it. For who has the turn.
 */
export async function makeBackup(source: BackupSource, kind: BackupKind): Promise<BackupRow> {
  const { client, dataFolder, volume, key, now } = source
  // Asked first: without a volume there is nothing to do.
  volume.list()
  const staging = makeWorkFolder(dataFolder, 'backup')
  try {
    const copy = join(staging.folder, DATABASE_FILE)
    await client.backup(copy)
    const { attachments, ...facts } = cleanCopy(copy)
    const paths = [DATABASE_FILE, ...attachments.map((it) => `attachments/${it}`)]
    const sources = paths.map((path) => ({ path, file: path === DATABASE_FILE ? copy : join(dataFolder, path) }))
    const present = sources.filter(({ file }) => existsSync(file))
    const files = []
    for (const { path, file } of present) files.push({ path, bytes: statSync(file).size, sha256: await hashFile(file) })
    const manifest: Manifest = {
      format: 'exemplar-backup',
      formatVersion: 2,
      houseId: key.id,
      takenAt: now,
      ...facts,
      files,
    }
    const kept = await volume.write(nameBackup(now, kind), zip(manifest, key, present))
    return { ...kept, takenAt: now, kind }
  } finally {
    staging.remove()
  }
}

/** What is of the moment: sessions, links, who came to the door. An earlier release may not have them all. */
const NOT_KEPT = ['sessions', 'invitations', 'sign_ins']
const hasTable = (client: Sqlite.Database, table: string) =>
  client.prepare("SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = ?").get(table) !== undefined

/** Takes sessions out of the copy, folds its journal in, and refuses one that is not whole. */
function cleanCopy(file: string) {
  const client = new Sqlite(file)
  try {
    client.pragma('journal_mode = DELETE')
    requireWhole(client)
    for (const table of NOT_KEPT) if (hasTable(client, table)) client.exec(`DELETE FROM ${table}`)
    const number = (query: string) => Number(client.prepare(query).pluck().get() ?? 0)
    return {
      schema: findSchema(client),
      lastChangeId: number('SELECT max(id) FROM changes'),
      lastChangeAt: number('SELECT max(at) FROM changes'),
      units: number('SELECT count(*) FROM units'),
      attachments: client.prepare('SELECT DISTINCT sha256 FROM attachments ORDER BY sha256').pluck().all() as string[],
    }
  } finally {
    client.close()
  }
}

export function requireWhole(client: Sqlite.Database): void {
  const said = client.pragma('integrity_check(1)', { simple: true })
  if (said !== 'ok') throw new ProblemError(422, 'Damaged', 'The database in this backup is damaged.')
}

function findSchema(client: Sqlite.Database): string {
  const newest = Number(client.prepare('SELECT max(created_at) FROM __drizzle_migrations').pluck().get())
  return listMigrations().find((it) => it.when === newest)?.tag ?? 'unknown'
}

function zip(manifest: Manifest, key: HouseKey, files: readonly { path: string; file: string }[]): Readable {
  const archive = makeArchive()
  const text = JSON.stringify(manifest, null, 2)
  archive.addBuffer(Buffer.from(text), MANIFEST)
  archive.addBuffer(Buffer.from(key.sign(text)), SIGNATURE)
  for (const { path, file } of files) archive.addFile(file, path)
  archive.end()
  return toStream(archive)
}

export async function hashFile(file: string): Promise<string> {
  const hash = createHash('sha256')
  await pipeline(createReadStream(file), hash)
  return hash.digest('hex')
}
