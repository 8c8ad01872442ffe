import { existsSync, readdirSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import type { AppContext } from '../../foundation/database/app-context.ts'

/**
 * At the start: takes away the files that a killed upload left, half written or without their record. What can be put back
 * from the history keeps its file.
 */
export function clearLeftFiles({ db, config }: AppContext): void {
  const folder = join(config.dataFolder, 'attachments')
  if (!existsSync(folder)) return
  const isNamed = db.$client
    .prepare(
      `SELECT EXISTS (SELECT 1 FROM attachments WHERE sha256 = @sha256)
        OR EXISTS (SELECT 1 FROM row_changes WHERE table_name = 'attachments' AND json_extract(before, '$.sha256') = @sha256)`,
    )
    .pluck()
  for (const name of readdirSync(folder)) {
    const [sha256 = '', ...rest] = name.split('.')
    const isKept = /^[0-9a-f]{64}$/.test(sha256) && rest.at(-1) !== 'partial' && isNamed.get({ sha256 }) === 1
    if (!isKept) rmSync(join(folder, name), { force: true })
  }
}
