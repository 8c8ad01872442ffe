import { createHash } from 'node:crypto'
import { existsSync, readdirSync, statSync } from 'node:fs'
import { basename, join } from 'node:path'
import { type Readable, Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import type { Disk } from './disk.ts'
import { ProblemError, translateStorage } from './problem.ts'

/** Where backups lie: a folder, a mounted disk, or whatever else can keep files by name. */
export interface Volume {
  list(): { name: string; bytes: number }[]
  /**
   * Takes the bytes under the first of the names that is free: whole, read back and compared, or not at all. Only who has
   * the turn of backups writes here, so that no two take one name.
   */
  write(nameAt: (attempt: number) => string, bytes: Readable): Promise<{ name: string; bytes: number }>
  read(name: string): Readable
  remove(name: string): void
  /** Takes away what a process that was killed left half written. */
  clearPartials(): void
}

export const BACKUP_NAME = /^exemplar-[0-9]{8}-[0-9]{6}(?:-[a-z]+)?(?:-[0-9]{1,4})?\.zip$/
const PARTIAL_NAME = /^exemplar-[0-9a-z-]+\.zip\.partial$/

/** A folder as a volume. */
export function makeVolume(folder: string, disk: Disk): Volume {
  const fileOf = (name: string) => {
    if (!BACKUP_NAME.test(name) || basename(name) !== name) {
      throw new ProblemError(404, 'Not here', 'There is no backup of that name.')
    }
    return join(folder, name)
  }
  const requireThere = () => reach(() => disk.makeFolder(folder))
  return {
    list() {
      requireThere()
      return reach(() => readdirSync(folder))
        .filter((name) => BACKUP_NAME.test(name))
        .flatMap((name) => {
          const found = statSync(join(folder, name), { throwIfNoEntry: false })
          return found ? [{ name, bytes: found.size }] : []
        })
        .sort((a, b) => (a.name < b.name ? 1 : -1))
    },
    async write(nameAt, bytes) {
      requireThere()
      let attempt = 0
      while (existsSync(fileOf(nameAt(attempt)))) attempt++
      const name = nameAt(attempt)
      const file = fileOf(name)
      const partial = `${file}.partial`
      try {
        disk.remove(partial)
        const { hash, through } = hashAlong()
        bytes.once('error', (error) => through.destroy(error))
        const written = await disk.writeNew(partial, bytes.pipe(through))
        await requireKept(disk, partial, hash())
        disk.replace(partial, file)
        return { name, bytes: written }
      } catch (error) {
        bytes.destroy()
        removeQuietly(disk, partial)
        throw sayKept(error)
      }
    },
    read(name) {
      requireThere()
      const file = fileOf(name)
      if (!existsSync(file)) throw new ProblemError(404, 'Not here', 'There is no backup of that name.')
      return disk.read(file)
    },
    remove(name) {
      requireThere()
      reach(() => disk.remove(fileOf(name)))
    },
    clearPartials() {
      if (!existsSync(folder)) return
      for (const name of readdirSync(folder)) if (PARTIAL_NAME.test(name)) removeQuietly(disk, join(folder, name))
    },
  }
}

/** What lies there is what was sent: a disk that says it kept everything is not believed. */
async function requireKept(disk: Disk, file: string, sent: string): Promise<void> {
  const hash = createHash('sha256')
  await pipeline(disk.read(file), hash)
  if (hash.digest('hex') === sent) return
  const detail = 'The volume for backups did not keep what was written to it. Nothing was kept of this one.'
  throw new ProblemError(507, 'Not kept whole', detail)
}

function hashAlong() {
  const hash = createHash('sha256')
  const through = new Transform({
    transform(chunk, _encoding, done) {
      hash.update(chunk)
      done(null, chunk)
    },
  })
  return { through, hash: () => hash.digest('hex') }
}

function sayKept(error: unknown): unknown {
  if (error instanceof ProblemError) return error
  const problem = translateStorage(error)
  if (problem?.title !== 'The disk is full') return problem ?? error
  const detail = 'The volume for backups is full. Nothing was kept of this one; the older backups are whole.'
  return new ProblemError(507, 'Volume full', detail)
}

/** A volume that is not there says so in a sentence of its own. */
function reach<T>(work: () => T): T {
  try {
    return work()
  } catch (error) {
    if (error instanceof ProblemError) throw error
    const detail = 'The volume for backups cannot be reached. Plug it in and try again.'
    throw Object.assign(new ProblemError(507, 'Volume gone', detail), { cause: error })
  }
}

/** What cannot even be cleared away is cleared at the next start. */
function removeQuietly(disk: Disk, file: string): void {
  try {
    disk.remove(file)
  } catch {}
}
