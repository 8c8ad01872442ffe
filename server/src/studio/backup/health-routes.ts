import { statfsSync } from 'node:fs'
import { ProblemError } from '../../foundation/base/problem.ts'
import type { AppContext } from '../../foundation/database/app-context.ts'
import { defineRoute } from '../../foundation/http/route.ts'
import { listBackups } from './backup-names.ts'

const DAY = 86_400_000
/** Under so much free space writing may soon fail. */
const LITTLE_SPACE_BYTES = 200_000_000

interface HealthProblem {
  code: 'database' | 'disk' | 'backup' | 'volume'
  text: string
}

/** What ails the house, each with what to do. Says nothing about anybody, so that a watcher may ask without signing in. */
export function listHealthProblems(app: AppContext): HealthProblem[] {
  const problems: HealthProblem[] = []
  try {
    app.db.$client.prepare('SELECT 1 FROM studio').get()
  } catch {
    problems.push({
      code: 'database',
      text: 'The database does not answer. Restart; if that does not help, restore the newest backup.',
    })
  }
  const { bavail, bsize } = statfsSync(app.config.dataFolder)
  if (bavail * bsize < LITTLE_SPACE_BYTES) {
    problems.push({ code: 'disk', text: 'The disk with the data is almost full. Make room before writing fails.' })
  }
  try {
    const newest = listBackups(app.volume)[0]
    if (newest && app.now() - newest.takenAt > 3 * DAY) {
      problems.push({ code: 'backup', text: 'The newest backup is more than three days old. Take one now.' })
    }
  } catch {
    problems.push({ code: 'volume', text: 'The volume for backups cannot be reached. Plug it in.' })
  }
  return problems
}

export const healthRoutes = [
  defineRoute('get /health', (_, app) => {
    const problems = listHealthProblems(app)
    const reply = { ok: problems.length === 0, problems }
    if (!problems.some((it) => it.code === 'database')) return reply
    throw new ProblemError(503, 'Not well', problems.map((it) => it.text).join(' '), { report: reply })
  }),
]
