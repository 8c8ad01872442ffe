import { createHash } from 'node:crypto'
import {
  copyFileSync,
  createReadStream,
  createWriteStream,
  existsSync,
  mkdirSync,
  mkdtempSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import Sqlite from 'better-sqlite3'
import yauzl from 'yauzl'
import { z } from 'zod'
import { makeArchive, toStream } from '../../foundation/base/archive.ts'
import { ProblemError } from '../../foundation/base/problem.ts'
import { BACKUP_NAME, type Volume } from '../../foundation/base/volume.ts'
import { type Actor, type AppContext, write } from '../../foundation/database/app-context.ts'
import { DATABASE_FILE, listMigrations, openDatabase } from '../../foundation/database/database.ts'

const manifestSchema = z.object({
  format: z.literal('exemplar-backup'),
  formatVersion: z.literal(1),
  takenAt: z.number().int(),
  /** The newest migration the database has seen. */
  schema: z.string(),
  lastChangeAt: z.number().int(),
  units: z.number().int(),
  files: z.array(z.object({ path: z.string(), bytes: z.number().int(), sha256: z.string() })),
})
export type Manifest = z.infer<typeof manifestSchema>

const MANIFEST = 'manifest.json'
const PATHS = /^(?:exemplar\.sqlite|attachments\/[0-9a-f]{64})$/

/** What a backup is taken of. A connection of its own will do, while Exemplar goes on writing in another process. */
export interface BackupSource {
  client: Sqlite.Database
  dataFolder: string
  volume: Volume
  now: number
}

export type BackupKind = 'hand' | 'auto' | 'before'

export interface Backup {
  name: string
  bytes: number
  takenAt: number
  kind: BackupKind | 'upload'
}

/**
 * Takes a consistent copy while writing goes on (SQLite's backup API), looks whether it is whole, and puts it with
 * its attachments, checksums and schema on the volume. Sessions stay out of it.
 */
export async function takeBackup({ client, dataFolder, volume, now }: BackupSource, kind: BackupKind): Promise<Backup> {
  // Asked first: without a volume there is nothing to do.
  volume.list()
  const staging = mkdtempSync(join(tmpdir(), 'exemplar-backup-'))
  try {
    const copy = join(staging, DATABASE_FILE)
    await client.backup(copy)
    const facts = cleanCopy(copy)
    const files = [DATABASE_FILE, ...facts.attachments.map((it) => `attachments/${it}`)]
    const sources = files.map((path) => ({ path, file: path === DATABASE_FILE ? copy : join(dataFolder, path) }))
    const present = sources.filter(({ file }) => existsSync(file))
    const listed = []
    for (const { path, file } of present)
      listed.push({ path, bytes: statSync(file).size, sha256: await hashFile(file) })
    const manifest: Manifest = {
      format: 'exemplar-backup',
      formatVersion: 1,
      takenAt: now,
      schema: facts.schema,
      lastChangeAt: facts.lastChangeAt,
      units: facts.units,
      files: listed,
    }
    const name = nameBackup(now, kind)
    await volume.write(name, zip(manifest, present))
    const bytes = volume.list().find((it) => it.name === name)?.bytes ?? 0
    return { name, bytes, takenAt: now, kind }
  } finally {
    rmSync(staging, { recursive: true, force: true })
  }
}

/** Takes sessions out of the copy, folds its journal in, and refuses one that is not whole. */
function cleanCopy(file: string) {
  const client = new Sqlite(file)
  try {
    client.pragma('journal_mode = DELETE')
    requireWhole(client)
    client.exec('DELETE FROM sessions; DELETE FROM invitations')
    const number = (query: string) => Number(client.prepare(query).pluck().get() ?? 0)
    return {
      schema: findSchema(client),
      lastChangeAt: number('SELECT max(at) FROM changes'),
      units: number('SELECT count(*) FROM units'),
      attachments: client.prepare('SELECT DISTINCT sha256 FROM attachments ORDER BY sha256').pluck().all() as string[],
    }
  } finally {
    client.close()
  }
}

function requireWhole(client: Sqlite.Database): void {
  const said = client.pragma('integrity_check(1)', { simple: true })
  if (said !== 'ok') throw new ProblemError(422, 'Damaged', 'The database in this backup is damaged.')
}

function findSchema(client: Sqlite.Database): string {
  const newest = Number(client.prepare('SELECT max(created_at) FROM __drizzle_migrations').pluck().get())
  return listMigrations().find((it) => it.when === newest)?.tag ?? 'unknown'
}

/** `exemplar-20261124-080000-auto.zip`, in UTC. */
function nameBackup(now: number, kind: BackupKind | 'upload'): string {
  const stamp = new Date(now).toISOString().slice(0, 19).replace(/[-:]/g, '').replace('T', '-')
  return `exemplar-${stamp}${kind === 'hand' ? '' : `-${kind}`}.zip`
}

export function listBackups(volume: Volume): Backup[] {
  return volume.list().map(({ name, bytes }) => {
    const [, y, mo, d, h, mi, s, kind] =
      /^exemplar-(\d{4})(\d\d)(\d\d)-(\d\d)(\d\d)(\d\d)(?:-([a-z]+))?\.zip$/.exec(name) ?? []
    const takenAt = Date.UTC(Number(y), Number(mo) - 1, Number(d), Number(h), Number(mi), Number(s))
    return { name, bytes, takenAt, kind: (kind ?? 'hand') as Backup['kind'] }
  })
}

function zip(manifest: Manifest, files: readonly { path: string; file: string }[]): Readable {
  const archive = makeArchive()
  archive.addBuffer(Buffer.from(JSON.stringify(manifest, null, 2)), MANIFEST)
  for (const { path, file } of files) archive.addFile(file, path)
  archive.end()
  return toStream(archive)
}

async function hashFile(file: string): Promise<string> {
  const hash = createHash('sha256')
  await pipeline(createReadStream(file), hash)
  return hash.digest('hex')
}

export interface OpenedBackup {
  manifest: Manifest
  folder: string
  close(): void
}

/** Unpacks a backup beside the data and looks at every byte of it. Refuses with a sentence what is cut or damaged. */
export async function openBackup(bytes: Readable): Promise<OpenedBackup> {
  const folder = mkdtempSync(join(tmpdir(), 'exemplar-restore-'))
  const close = () => rmSync(folder, { recursive: true, force: true })
  try {
    const file = join(folder, 'backup.zip')
    await pipeline(bytes, createWriteStream(file))
    const manifest = await unpack(file, folder)
    rmSync(file)
    await verify(manifest, folder)
    return { manifest, folder, close }
  } catch (error) {
    close()
    throw error instanceof ProblemError
      ? error
      : refuseBackup('This backup is cut off or damaged. Nothing was changed.', error)
  }
}

function refuseBackup(detail: string, cause?: unknown): ProblemError {
  const problem = new ProblemError(422, 'Not a whole backup', detail)
  problem.cause = cause
  return problem
}

async function unpack(file: string, folder: string): Promise<Manifest> {
  mkdirSync(join(folder, 'attachments'))
  const archive = await yauzl.openPromise(file)
  let manifest: Manifest | null = null
  for await (const entry of archive.eachEntry()) {
    const stream = await archive.openReadStreamPromise(entry)
    if (entry.fileName === MANIFEST) manifest = readManifest(await readAll(stream))
    else if (PATHS.test(entry.fileName)) await pipeline(stream, createWriteStream(join(folder, entry.fileName)))
    else throw refuseBackup('This file holds what no backup of Exemplar holds. Nothing was changed.')
  }
  if (!manifest) throw refuseBackup('This is not a backup of Exemplar.')
  return manifest
}

async function readAll(stream: Readable): Promise<string> {
  const pieces: Buffer[] = []
  for await (const piece of stream) pieces.push(piece as Buffer)
  return Buffer.concat(pieces).toString('utf8')
}

function readManifest(text: string): Manifest {
  const reading = manifestSchema.safeParse(JSON.parse(text))
  if (!reading.success) throw refuseBackup('The description in this backup cannot be read.')
  const { schema } = reading.data
  if (listMigrations().some((it) => it.tag === schema)) return reading.data
  throw refuseBackup('This backup was made by a newer Exemplar. Bring this one up to date first.')
}

async function verify(manifest: Manifest, folder: string): Promise<void> {
  if (!manifest.files.some((it) => it.path === DATABASE_FILE))
    throw refuseBackup('The database is missing in this backup.')
  for (const { path, bytes, sha256 } of manifest.files) {
    const file = join(folder, path)
    const isSame =
      PATHS.test(path) && existsSync(file) && statSync(file).size === bytes && (await hashFile(file)) === sha256
    if (!isSame)
      throw refuseBackup('A checksum of this backup is wrong: it was damaged or changed. Nothing was changed here.')
  }
  const client = new Sqlite(join(folder, DATABASE_FILE), { readonly: true })
  try {
    requireWhole(client)
  } finally {
    client.close()
  }
}

/** How many changes of now came after a backup was taken: what restoring it would lose. */
export function countLost(app: AppContext, manifest: Manifest): number {
  return Number(
    app.db.$client.prepare('SELECT count(*) FROM changes WHERE at > ?').pluck().get(manifest.lastChangeAt) ?? 0,
  )
}

/**
 * Puts an opened backup in the place of what is here, after a backup of that. Refuses to lose newer changes unless
 * their number was said. Everybody is signed out, as sessions are in no backup.
 */
export async function restoreBackup(
  app: AppContext,
  actor: Actor,
  { manifest, folder }: OpenedBackup,
  saidLost: number | 'all' | null,
): Promise<{ lost: number; safety: Backup }> {
  const lost = countLost(app, manifest)
  if (lost > 0 && saidLost !== lost && saidLost !== 'all') {
    const detail = `${lost} ${lost === 1 ? 'change was' : 'changes were'} made here since this backup, and would be lost. Say so to go on; a backup of them is made first.`
    throw new ProblemError(409, 'Newer data here', detail, { current: { lost } })
  }
  const { dataFolder } = app.config
  const safety = await takeBackup({ client: app.db.$client, dataFolder, volume: app.volume, now: app.now() }, 'before')
  swapIn(app, folder, manifest)
  write(app, { ...actor, personId: null }, ({ log }) =>
    log('restored', 'studio', 'studio', { takenAt: manifest.takenAt, lost }),
  )
  return { lost, safety }
}

/** Moves a database that cannot be opened out of the way; null where there is none, or it is whole. */
export function setAside(dataFolder: string, name: string): string | null {
  const file = join(dataFolder, name)
  if (!existsSync(file) || isReadable(file)) return null
  const aside = `${file}.damaged-${Date.now()}`
  renameSync(file, aside)
  for (const rest of ['-wal', '-shm']) rmSync(`${file}${rest}`, { force: true })
  return aside
}

function isReadable(file: string): boolean {
  try {
    const client = new Sqlite(file)
    const isWhole = client.pragma('quick_check(1)', { simple: true }) === 'ok'
    client.close()
    return isWhole
  } catch {
    return false
  }
}

/** Without a pause in between, so that nobody asks a closed database. */
function swapIn(app: AppContext, folder: string, manifest: Manifest): void {
  const { dataFolder } = app.config
  const target = join(dataFolder, DATABASE_FILE)
  const incoming = `${target}.incoming`
  copyFileSync(join(folder, DATABASE_FILE), incoming)
  mkdirSync(join(dataFolder, 'attachments'), { recursive: true })
  for (const { path } of manifest.files) {
    if (path !== DATABASE_FILE) copyFileSync(join(folder, path), join(dataFolder, path))
  }
  app.db.$client.close()
  for (const rest of ['-wal', '-shm']) rmSync(`${target}${rest}`, { force: true })
  renameSync(incoming, target)
  app.db = openDatabase(dataFolder)
}

/** Keeps what was uploaded as a backup among the others, once it was found whole. */
export async function keepUpload(
  { volume, now }: AppContext,
  bytes: Buffer,
  toStream: () => Readable,
): Promise<Backup> {
  const opened = await openBackup(toStream())
  opened.close()
  const name = nameBackup(now(), 'upload')
  if (!BACKUP_NAME.test(name)) throw new Error(`The name ${name} is no name of a backup.`)
  await volume.write(name, toStream())
  return { name, bytes: bytes.length, takenAt: opened.manifest.takenAt, kind: 'upload' }
}
