import { Readable } from 'node:stream'
import { ProblemError, translateConstraint } from '../../foundation/base/problem.ts'
import type { Actor, AppContext } from '../../foundation/database/app-context.ts'
import { defineRoute, RawReply } from '../../foundation/http/route.ts'
import { bringIn, type ImportBody, readPlan, reportImport } from './bringing-in.ts'

/** How far it is, line by line of JSON, and at the end the report or why nothing came of it. */
async function* tellImport(app: AppContext, body: ImportBody, actor: Actor, signal: AbortSignal) {
  const steps: { done: number; total: number }[] = []
  const say = (line: object) => `${JSON.stringify(line)}\n`
  let wake = () => {}
  const work = bringIn(app, body, actor, signal, (step) => {
    steps.push(step)
    wake()
  })
  let isOver = false
  const over = work
    .catch(() => {})
    .finally(() => {
      isOver = true
      wake()
    })
  while (!isOver) {
    await Promise.race([
      over,
      new Promise<void>((resolve) => {
        wake = resolve
      }),
    ])
    const last = steps.pop()
    steps.length = 0
    if (last) yield say(last)
  }
  try {
    const result = await work
    if (result) yield say({ report: result, changeId: actor.changeId })
  } catch (error) {
    const problem = error instanceof ProblemError ? error : translateConstraint(error)
    if (!problem) throw error
    yield say({ problem: problem.toBody() })
  }
}

export const importRoutes = [
  defineRoute('post /import/inventory/preview', async ({ body, connection }, { db }) => {
    const plan = await readPlan(db, body, connection.signal)
    return plan && reportImport(plan)
  }),
  defineRoute('post /import/inventory', ({ body, actor, connection }, app) =>
    bringIn(app, body, actor, connection.signal, () => {}),
  ),
  defineRoute(
    'post /import/inventory/told',
    ({ body, actor, connection }, app) =>
      new RawReply('application/x-ndjson', Readable.from(tellImport(app, body, actor, connection.signal)), {
        'X-Accel-Buffering': 'no',
      }),
  ),
]
