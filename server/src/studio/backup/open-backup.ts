import { existsSync, mkdirSync, statfsSync, statSync } from 'node:fs'
import { join } from 'node:path'
import type { Readable } from 'node:stream'
import yauzl from 'yauzl'
import type { Disk } from '../../foundation/base/disk.ts'
import type { HouseKey } from '../../foundation/base/house-key.ts'
import { ProblemError, translateStorage } from '../../foundation/base/problem.ts'
import { makeWorkFolder } from '../../foundation/base/work-folder.ts'
import { DATABASE_FILE } from '../../foundation/database/database.ts'
import {
  BACKUP_PATHS,
  isOwnBackup,
  MANIFEST,
  type Manifest,
  readManifest,
  refuseBackup,
  SIGNATURE,
} from './manifest.ts'
import { hashFile } from './take-backup.ts'

/** A description of so many bytes names a hundred thousand files; a longer one is a trap for memory. */
const MOST_MANIFEST_BYTES = 20_000_000
/** Records and photos pack nowhere near as closely as this; what does is a trap for the disk. */
const MOST_UNPACKED_TIMES = 200
/** So much of the disk stays free whatever is unpacked. */
const SPARE_BYTES = 50_000_000

/** A backup that was unpacked and found whole: each file is what its checksum says. */
export interface OpenedBackup {
  manifest: Manifest
  /** This very house made it, and nobody changed it since. */
  isOwn: boolean
  folder: string
  close(): void
}

interface Opening {
  dataFolder: string
  disk: Disk
  key: HouseKey
}

/** Unpacks a backup beside the data and looks at every byte of it. Refuses with a sentence what is cut, damaged or a bomb. */
export async function openBackup(bytes: Readable, { dataFolder, disk, key }: Opening): Promise<OpenedBackup> {
  const { folder, remove: close } = makeWorkFolder(dataFolder, 'restore')
  try {
    const file = join(folder, 'backup.zip')
    await disk.writeNew(file, bytes)
    const { text, signature } = await unpack(file, folder, disk)
    disk.remove(file)
    const manifest = readManifest(text)
    await verify(manifest, folder)
    return { manifest, isOwn: isOwnBackup(key, text, signature), folder, close }
  } catch (error) {
    bytes.destroy()
    close()
    if (error instanceof ProblemError) throw error
    // A disk that is full says nothing about the backup.
    throw translateStorage(error) ?? refuseBackup('This backup is cut off or damaged. Nothing was changed.', error)
  }
}

async function unpack(file: string, folder: string, disk: Disk): Promise<{ text: string; signature: string | null }> {
  mkdirSync(join(folder, 'attachments'), { mode: 0o700 })
  const archive = await yauzl.openPromise(file)
  try {
    let text: string | null = null
    let signature: string | null = null
    let left = findRoom(file, folder)
    for await (const entry of archive.eachEntry()) {
      const { fileName, uncompressedSize } = entry
      left -= uncompressedSize
      if (left < 0) throw refuseBomb()
      const isText = fileName === MANIFEST || fileName === SIGNATURE
      if (isText && uncompressedSize > MOST_MANIFEST_BYTES) throw refuseBomb()
      // It breaks off where an entry turns out larger than it says.
      const stream = await archive.openReadStreamPromise(entry)
      if (fileName === MANIFEST) text = await readAll(stream)
      else if (fileName === SIGNATURE) signature = await readAll(stream)
      else if (BACKUP_PATHS.test(fileName)) await disk.writeNew(join(folder, fileName), stream)
      else throw refuseBackup('This file holds what no backup of Exemplar holds. Nothing was changed.')
    }
    if (text === null) throw refuseBackup('This is not a backup of Exemplar.')
    return { text, signature }
  } finally {
    archive.close()
  }
}

/** What the archive may hold unpacked: what fits the disk, and no more than a real one could. */
function findRoom(file: string, folder: string): number {
  const { bavail, bsize } = statfsSync(folder)
  const free = bavail * bsize - SPARE_BYTES
  const packed = statSync(file).size
  return Math.min(free, packed * MOST_UNPACKED_TIMES)
}

function refuseBomb(): ProblemError {
  return refuseBackup(
    `This archive unpacks to more than ${MOST_UNPACKED_TIMES} times its size, or to more than the disk has room for. Nothing was changed.`,
  )
}

async function readAll(stream: Readable): Promise<string> {
  const pieces: Buffer[] = []
  for await (const piece of stream) pieces.push(piece as Buffer)
  return Buffer.concat(pieces).toString('utf8')
}

async function verify(manifest: Manifest, folder: string): Promise<void> {
  for (const { path, bytes, sha256 } of manifest.files) {
    const file = join(folder, path)
    const isSame = existsSync(file) && statSync(file).size === bytes && (await hashFile(file)) === sha256
    if (!isSame)
      throw refuseBackup('A checksum of this backup is wrong: it was damaged or changed. Nothing was changed here.')
    const isNamed = path === DATABASE_FILE || path === `attachments/${sha256}`
    if (!isNamed) throw refuseBackup('An attachment of this backup is not what its name says. Nothing was changed.')
  }
}
