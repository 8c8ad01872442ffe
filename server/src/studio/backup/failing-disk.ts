import { once } from 'node:events'
import { createWriteStream } from 'node:fs'
import { Readable, Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { setTimeout as pause } from 'node:timers/promises'
import type { Disk } from '../../foundation/base/disk.ts'

/** How a pretended disk fails: it is full, keeps less than it says, fails when it has to make sure, is slow, or is gone. */
export const DISK_FAULTS = ['full', 'short', 'unsure', 'slow', 'gone'] as const
export type DiskFault = (typeof DISK_FAULTS)[number]

const SLOW_MS = 150

/**
 * A disk in front of a real one that fails from a moment on: from its step number `from` (0 for the first), a step being
 * one piece written or one file touched. For drills and tests; nothing of the house is ever kept on one.
 */
export function makeFailingDisk(disk: Disk, fault: DiskFault, from = 0): Disk {
  let step = 0
  const isTime = () => step++ >= from
  const touch = () => {
    if (!isTime() || fault === 'slow' || fault === 'short') return
    throw makeError(fault)
  }
  const pass = async (file: string, bytes: Readable | Buffer) => {
    let isShort = false
    let written = 0
    const through = new Transform({
      async transform(chunk: Buffer, _encoding, done) {
        const isNow = isTime()
        if (isNow && fault === 'slow') await pause(SLOW_MS)
        if (isNow && fault === 'short') isShort = true
        if (isNow && (fault === 'full' || fault === 'gone')) return done(makeError(fault))
        const kept = isShort ? chunk.subarray(0, chunk.length >> 1) : chunk
        // It says that it took all of it.
        written += chunk.length
        done(null, kept)
      },
    })
    const source = bytes instanceof Readable ? bytes : Readable.from([bytes])
    // Opened before anything fails, as a real one is: a file that is opened after the failure is never cleared away.
    const target = createWriteStream(file, { flags: 'wx', mode: 0o600 })
    await once(target, 'open')
    await pipeline(source, through, target)
    if (fault === 'unsure' && isTime()) throw makeError(fault)
    return written
  }
  return {
    writeNew: pass,
    copy(...files) {
      touch()
      disk.copy(...files)
    },
    replace(...files) {
      touch()
      disk.replace(...files)
    },
    remove: (file) => disk.remove(file),
    makeFolder(folder) {
      if (fault === 'gone' && step >= from) throw makeError(fault)
      disk.makeFolder(folder)
    },
    read: (file) => disk.read(file),
  }
}

function makeError(fault: DiskFault): Error {
  const code = fault === 'full' ? 'ENOSPC' : fault === 'gone' ? 'ENODEV' : 'EIO'
  return Object.assign(new Error(`pretended: ${fault}`), { code })
}
