import { mkdirSync, mkdtempSync, rmSync } from 'node:fs'
import { join } from 'node:path'

const folderOf = (dataFolder: string) => join(dataFolder, 'work')

/**
 * A folder for work under way, on the disk of the data: what is made there can be put in its place by a rename, and a
 * full system disk harms nobody. Gone when the work ends; what a kill leaves is cleared at the next start.
 */
export function makeWorkFolder(dataFolder: string, what: string): { folder: string; remove(): void } {
  mkdirSync(folderOf(dataFolder), { recursive: true, mode: 0o700 })
  const folder = mkdtempSync(join(folderOf(dataFolder), `${what}-`))
  return { folder, remove: () => rmSync(folder, { recursive: true, force: true }) }
}

/** At the start, while nobody else has the house: nothing there belongs to anybody any more. */
export function clearWorkFolder(dataFolder: string): void {
  rmSync(folderOf(dataFolder), { recursive: true, force: true })
}
