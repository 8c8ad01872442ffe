import { statSync } from 'node:fs'
import { join } from 'node:path'
import { parentPort } from 'node:worker_threads'
import type { JobMessage, JobReady, JobReply } from './foundation/base/job-runner.ts'
import { ProblemError } from './foundation/base/problem.ts'
import type { AppContext } from './foundation/database/app-context.ts'
import { openReader } from './foundation/database/app-context.ts'
import { DATABASE_FILE } from './foundation/database/database.ts'
import { JOBS, type JobName } from './jobs.ts'

/** The thread in which long work is done, on a connection of its own that only reads. See job-runner.ts. */

interface Reader {
  app: AppContext
  /** Which file was opened: restoring a backup puts another one in its place. */
  inode: number
  /** What SQLite says changes whenever somebody else wrote. */
  dataVersion: unknown
}

/** The folder that was asked for last comes last; tests have one each. */
const readers = new Map<string, Reader>()
const MOST_READERS = 3

function findReader({ folder, fixedNow }: JobMessage): AppContext {
  const { ino } = statSync(join(folder, DATABASE_FILE))
  let reader = readers.get(folder)
  if (reader && reader.inode !== ino) {
    reader.app.db.$client.close()
    reader = undefined
  }
  reader ??= { app: openReader(folder, fixedNow), inode: ino, dataVersion: null }
  readers.delete(folder)
  readers.set(folder, reader)
  for (const [oldest, it] of readers) {
    if (readers.size <= MOST_READERS) break
    it.app.db.$client.close()
    readers.delete(oldest)
  }
  const dataVersion = reader.app.db.$client.pragma('data_version', { simple: true })
  if (dataVersion !== reader.dataVersion) reader.app.db.cache.clear()
  reader.dataVersion = dataVersion
  return reader.app
}

parentPort?.on('message', async (message: JobMessage) => {
  const reply = (it: JobReply) => parentPort?.postMessage(it)
  try {
    const result = await JOBS[message.name as JobName](findReader(message), message.params as never)
    reply({ id: message.id, result })
  } catch (error) {
    const problem =
      error instanceof ProblemError ? { status: error.status, title: error.title, message: error.message } : null
    reply({ id: message.id, error: String(error), problem })
  }
})
parentPort?.postMessage({ isReady: true } satisfies JobReady)
