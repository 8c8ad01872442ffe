import type { AppContext } from './database/app-context.ts'

const RUNS = ['all', 'get', 'run', 'iterate'] as const

/** Counts the statements that some work runs on the database, whoever prepared them. */
export async function countStatements({ db }: AppContext, work: () => unknown): Promise<number> {
  const prototype = Object.getPrototypeOf(db.$client.prepare('SELECT 1'))
  const own = RUNS.map((name) => [name, prototype[name]] as const)
  let count = 0
  for (const [name, run] of own) {
    prototype[name] = function (this: unknown, ...given: unknown[]) {
      count++
      return run.apply(this, given)
    }
  }
  try {
    await work()
  } finally {
    for (const [name, run] of own) prototype[name] = run
  }
  return count
}
