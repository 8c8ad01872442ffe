import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'

/** The folder of this workspace, found upwards, so that sources and the one bundled file find the same. */
export const SERVER_FOLDER = findUpwards(import.meta.dirname)

function findUpwards(folder: string): string {
  if (existsSync(join(folder, 'migrations'))) return folder
  const above = dirname(folder)
  if (above === folder) throw new Error('The folder with the migrations was not found above the server’s own files.')
  return findUpwards(above)
}
