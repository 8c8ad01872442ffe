import {
  chmodSync,
  closeSync,
  copyFileSync,
  createReadStream,
  fsyncSync,
  mkdirSync,
  openSync,
  renameSync,
  rmSync,
} from 'node:fs'
import { open } from 'node:fs/promises'
import { dirname } from 'node:path'
import { Readable } from 'node:stream'

/** What backup and restore do to files, so that a disk that fails at any of it can be put in its place. */
export interface Disk {
  /** Writes a new file to its end and onto the disk. Throws where one of that name is there. Says how many bytes. */
  writeNew(file: string, bytes: Readable | Buffer): Promise<number>
  /** Copies a file onto the disk, over whatever is there. */
  copy(from: string, to: string): void
  /** Puts a file in the place of another at once, and makes that last through a loss of power. */
  replace(from: string, to: string): void
  remove(file: string): void
  makeFolder(folder: string): void
  read(file: string): Readable
}

export const realDisk: Disk = {
  async writeNew(file, bytes) {
    const handle = await open(file, 'wx', 0o600)
    let written = 0
    try {
      for await (const piece of bytes instanceof Readable ? bytes : [bytes]) {
        const chunk = piece as Buffer
        for (let at = 0; at < chunk.length; ) {
          const { bytesWritten } = await handle.write(chunk, at)
          at += bytesWritten
          written += bytesWritten
        }
      }
      await handle.sync()
    } finally {
      await handle.close()
    }
    return written
  },
  copy(from, to) {
    copyFileSync(from, to)
    chmodSync(to, 0o600)
    sync(to)
  },
  replace(from, to) {
    renameSync(from, to)
    syncFolder(dirname(to))
  },
  remove: (file) => rmSync(file, { recursive: true, force: true }),
  makeFolder: (folder) => void mkdirSync(folder, { recursive: true, mode: 0o700 }),
  read: (file) => createReadStream(file),
}

function sync(file: string): void {
  const handle = openSync(file, 'r+')
  try {
    fsyncSync(handle)
  } finally {
    closeSync(handle)
  }
}

/** A name lasts once its folder is on the disk; some file systems know no such thing, and lose nothing by it. */
function syncFolder(folder: string): void {
  try {
    const handle = openSync(folder, 'r')
    try {
      fsyncSync(handle)
    } finally {
      closeSync(handle)
    }
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException
    if (code !== 'EISDIR' && code !== 'EINVAL' && code !== 'EPERM' && code !== 'ENOTSUP') throw error
  }
}
