import { Readable } from 'node:stream'
import { ProblemError, translateConstraint } from '../../foundation/base/problem.ts'
import type { Actor, AppContext } from '../../foundation/database/app-context.ts'
import { defineRoute, RawReply } from '../../foundation/http/route.ts'
import { bringIn, type ImportBody, importSchema, readPlan, reportImport } from './bringing-in.ts'

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
  defineRoute({
    method: 'post',
    path: '/import/inventory/preview',
    permission: 'change-kit',
    room: 'kit',
    summary: 'Say what an inventory list would bring, line by line; writes nothing',
    body: importSchema,
    handle: async ({ body, connection }, { db }) => {
      const plan = await readPlan(db, body, connection.signal)
      return plan && reportImport(plan)
    },
  }),
  defineRoute({
    method: 'post',
    path: '/import/inventory',
    permission: 'change-kit',
    room: 'kit',
    summary: 'Import an inventory list: all lines, or nothing',
    body: importSchema,
    status: 201,
    handle: ({ body, actor, connection }, app) => bringIn(app, body, actor, connection.signal, () => {}),
  }),
  defineRoute({
    method: 'post',
    path: '/import/inventory/told',
    permission: 'change-kit',
    room: 'kit',
    summary: 'The same, telling how far it is; closing the connection breaks it off and leaves nothing',
    body: importSchema,
    handle: ({ body, actor, connection }, app) =>
      new RawReply('application/x-ndjson', Readable.from(tellImport(app, body, actor, connection.signal)), {
        'X-Accel-Buffering': 'no',
      }),
  }),
]
