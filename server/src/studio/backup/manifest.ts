import { z } from 'zod'
import type { HouseKey } from '../../foundation/base/house-key.ts'
import { ProblemError } from '../../foundation/base/problem.ts'
import { DATABASE_FILE, listMigrations } from '../../foundation/database/database.ts'

const fileSchema = z.object({ path: z.string(), bytes: z.number().int().min(0), sha256: z.string() })

const shared = {
  format: z.literal('exemplar-backup'),
  takenAt: z.number().int(),
  /** The newest migration the database has seen. */
  schema: z.string(),
  lastChangeAt: z.number().int(),
  units: z.number().int(),
  files: z.array(fileSchema).max(100_000),
}

const manifestSchema = z.union([
  z.object({ ...shared, formatVersion: z.literal(2), houseId: z.string(), lastChangeId: z.number().int() }),
  /** Before houses signed their backups: whose it is nobody can say. */
  z.object({ ...shared, formatVersion: z.literal(1) }),
])
/** What a backup says of itself: its files with their checksums, and whose it is. */
export type Manifest = z.infer<typeof manifestSchema>

export const MANIFEST = 'manifest.json'
/** The manifest's bytes signed by the house that made it. */
export const SIGNATURE = 'signature.txt'
export const BACKUP_PATHS = /^(?:exemplar\.sqlite|attachments\/[0-9a-f]{64})$/

export function refuseBackup(detail: string, cause?: unknown): ProblemError {
  return Object.assign(new ProblemError(422, 'Not a whole backup', detail), { cause })
}

/** Reads a manifest, and refuses in a sentence what is none or is from a newer Exemplar. */
export function readManifest(text: string): Manifest {
  const reading = manifestSchema.safeParse(JSON.parse(text))
  if (!reading.success) throw refuseBackup('The description in this backup cannot be read.')
  const { schema, files } = reading.data
  if (!listMigrations().some((it) => it.tag === schema)) {
    throw refuseBackup('This backup was made by a newer Exemplar. Bring this one up to date first.')
  }
  if (!files.some((it) => it.path === DATABASE_FILE)) throw refuseBackup('The database is missing in this backup.')
  if (files.some((it) => !BACKUP_PATHS.test(it.path)))
    throw refuseBackup('This file holds what no backup of Exemplar holds. Nothing was changed.')
  return reading.data
}

/** Whether this very house made it, and nobody changed it since. */
export function isOwnBackup(key: HouseKey, manifestText: string, signature: string | null): boolean {
  return signature !== null && key.hasSigned(manifestText, signature.trim())
}
