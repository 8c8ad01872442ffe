import type { AppContext } from './database/app-context.ts'

const RUNS = ['all', 'get', 'run', 'iterate'] as const

/** Counts the statements that some work runs on the database, whoever prepared them. */
export async function countStatements(app: AppContext, work: () => unknown): Promise<number> {
  return (await listStatements(app, work)).length
}

/** The statements that some work runs on the database, as SQL, in their order. */
export async function listStatements({ db }: AppContext, work: () => unknown): Promise<string[]> {
  const prototype = Object.getPrototypeOf(db.$client.prepare('SELECT 1'))
  const own = RUNS.map((name) => [name, prototype[name]] as const)
  const statements: string[] = []
  for (const [name, run] of own) {
    prototype[name] = function (this: { source: string }, ...given: unknown[]) {
      statements.push(this.source)
      return run.apply(this, given)
    }
  }
  try {
    await work()
  } finally {
    for (const [name, run] of own) prototype[name] = run
  }
  return statements
}
