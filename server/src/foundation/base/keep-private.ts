import { chmodSync, existsSync, lstatSync, readdirSync } from 'node:fs'
import { join } from 'node:path'

/** Whatever this process makes from now on is its owner's alone: files 0600, folders 0700. */
export function makeFilesPrivate(): void {
  process.umask(0o077)
}

/**
 * Makes what an earlier release left readable for everybody private too. A volume that keeps no rights (a stick of FAT, a
 * share) refuses, and is left as it is: its own mount says who may read there.
 */
export function keepPrivate(folder: string): void {
  if (!existsSync(folder)) return
  setMode(folder, 0o700)
  for (const name of readdirSync(folder)) {
    const path = join(folder, name)
    const found = lstatSync(path, { throwIfNoEntry: false })
    if (found?.isDirectory()) keepPrivate(path)
    else if (found?.isFile() && (found.mode & 0o077) !== 0) setMode(path, 0o600)
  }
}

function setMode(path: string, mode: number): void {
  try {
    chmodSync(path, mode)
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException
    if (code !== 'EPERM' && code !== 'ENOTSUP' && code !== 'EROFS' && code !== 'ENOENT') throw error
  }
}
