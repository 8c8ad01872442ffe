import { createReadStream, createWriteStream, existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs'
import { rename } from 'node:fs/promises'
import { basename, join } from 'node:path'
import { type Readable, Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { setTimeout as pause } from 'node:timers/promises'
import { ProblemError } from './problem.ts'

/** Where backups lie: a folder, a mounted disk, or whatever else can keep files by name. */
export interface Volume {
  list(): { name: string; bytes: number }[]
  /** Takes the bytes under a name that is not there before all of them are. Leaves nothing behind when it fails. */
  write(name: string, bytes: Readable): Promise<void>
  read(name: string): Readable
  remove(name: string): void
  /** How the volume is pretended to behave; null for one that cannot be asked to pretend. */
  practice: FaultInjection | null
}

/** Faults to practise with: a volume that is full, slow or gone. */
export interface FaultInjection {
  state: 'fine' | 'full' | 'slow' | 'gone'
}

export const BACKUP_NAME = /^exemplar-[0-9]{8}-[0-9]{6}(?:-[a-z]+)?\.zip$/

/** A folder as a volume, with the faults that a drill can switch on. */
export function makeVolume(folder: string): Volume {
  const practice: FaultInjection = { state: 'fine' }
  const fileOf = (name: string) => {
    if (!BACKUP_NAME.test(name) || basename(name) !== name) {
      throw new ProblemError(404, 'Not here', 'There is no backup of that name.')
    }
    return join(folder, name)
  }
  const requireThere = () => {
    if (practice.state === 'gone') {
      throw new ProblemError(503, 'Volume gone', 'The volume for backups cannot be reached. Plug it in and try again.')
    }
    mkdirSync(folder, { recursive: true })
  }
  return {
    practice,
    list() {
      requireThere()
      return readdirSync(folder)
        .filter((name) => BACKUP_NAME.test(name))
        .map((name) => ({ name, bytes: statSync(join(folder, name)).size }))
        .sort((a, b) => (a.name < b.name ? 1 : -1))
    },
    async write(name, bytes) {
      requireThere()
      const file = fileOf(name)
      const partial = `${file}.partial`
      try {
        await pipeline(bytes, makeFaults(practice), createWriteStream(partial, { flush: true }))
        await rename(partial, file)
      } catch (error) {
        rmSync(partial, { force: true })
        if ((error as NodeJS.ErrnoException).code !== 'ENOSPC') throw error
        const detail = 'The volume for backups is full. Nothing was kept of this one; the older backups are whole.'
        throw new ProblemError(507, 'Volume full', detail)
      }
    },
    read(name) {
      requireThere()
      const file = fileOf(name)
      if (!existsSync(file)) throw new ProblemError(404, 'Not here', 'There is no backup of that name.')
      return createReadStream(file)
    },
    remove(name) {
      requireThere()
      rmSync(fileOf(name), { force: true })
    },
  }
}

/** Full after the first bytes, or late with each piece. */
function makeFaults(practice: FaultInjection): Transform {
  return new Transform({
    async transform(chunk, _encoding, done) {
      if (practice.state === 'full') {
        done(Object.assign(new Error('practice: no space left'), { code: 'ENOSPC' }))
        return
      }
      if (practice.state === 'slow') await pause(150)
      done(null, chunk)
    },
  })
}
