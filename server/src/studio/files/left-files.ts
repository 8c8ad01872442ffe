import { existsSync, readdirSync, rmSync, statSync } from 'node:fs'
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
  const begunAt = Number(db.$client.prepare('SELECT coalesce(min(at), 9e15) FROM changes').pluck().get())
  for (const name of readdirSync(folder)) {
    const file = join(folder, name)
    const [sha256 = '', ...rest] = name.split('.')
    const isHalf = rest.at(-1) === 'partial' || !/^[0-9a-f]{64}$/.test(sha256)
    // What is older than these records belongs to others that were here before, and is nobody's to throw away.
    const isOurs = statSync(file).mtimeMs >= begunAt
    if (isHalf || (isOurs && isNamed.get({ sha256 }) !== 1)) rmSync(file, { force: true })
  }
}
