import { setImmediate } from 'node:timers/promises'
import {
  changesAnything,
  type ImportPlan,
  type importSchema,
  planInventorySteps,
  sayImportProblem,
} from '@exemplar/core'
import type { z } from 'zod'
import { ProblemError } from '../../foundation/base/problem.ts'
import { type Actor, type AppContext, type Transaction, write } from '../../foundation/database/app-context.ts'
import type { Database } from '../../foundation/database/database.ts'
import { loadImportContext } from './import-context.ts'
import { carryOut, rememberColumns } from './import-writing.ts'

export type ImportBody = z.infer<typeof importSchema>

/** So often a list is read again where something changed meanwhile. */
const MOST_ATTEMPTS = 5

/** So many lines are read before others get a turn. */
const LINES_AT_ONCE = 250

/** The report that a person reads: each line, what becomes of it, and every problem as a sentence. */
export function reportImport(plan: ImportPlan) {
  const count = (outcome: ImportPlan['lines'][number]['outcome']) =>
    plan.lines.filter((line) => line.outcome === outcome).length
  return {
    isClean: plan.isClean,
    fileProblems: plan.fileProblems.map(sayImportProblem),
    headings: plan.headings,
    columns: plan.columns,
    assumptions: plan.assumptions,
    counts: {
      things: plan.units.length,
      stock: plan.stock.length,
      models: plan.models.length,
      places: plan.places.length,
      updates: count('update'),
      same: count('same'),
      repeats: count('repeat'),
      bad: count('bad'),
      leftOut: count('left-out'),
    },
    lines: plan.lines.map(({ problems, ...line }) => ({
      ...line,
      problems: problems.map((problem) => ({
        column: problem.column,
        received: problem.received,
        text: sayImportProblem(problem),
      })),
    })),
  }
}

function refuseImport(plan: ImportPlan): ProblemError {
  const bad = plan.lines.filter((line) => line.outcome === 'bad')
  const [firstProblem] = plan.fileProblems
  const [firstLine] = bad
  const detail = firstProblem
    ? sayImportProblem(firstProblem)
    : firstLine?.problems[0]
      ? `Line ${firstLine.line}: ${sayImportProblem(firstLine.problems[0])}${bad.length > 1 ? ` And ${bad.length - 1} more lines.` : ''}`
      : 'Every line was left out, so there is nothing to bring in.'
  const errors = bad
    .slice(0, 50)
    .flatMap((line) =>
      line.problems.map((problem) => ({ pointer: `/csv/line/${line.line}`, message: sayImportProblem(problem) })),
    )
  return new ProblemError(422, 'Nothing was imported', detail, { errors, report: reportImport(plan) })
}

/** Reads the list in portions, so that others are answered meanwhile. Null where it was broken off. */
export async function readPlan(
  db: Database | Transaction,
  { csv, ...choices }: ImportBody,
  signal: AbortSignal,
  tell: (step: { done: number; total: number }) => void = () => {},
): Promise<ImportPlan | null> {
  const steps = planInventorySteps(csv, loadImportContext(db), choices)
  for (let line = 1; ; line++) {
    const step = steps.next()
    if (step.done) return step.value
    if (line % LINES_AT_ONCE !== 0) continue
    tell(step.value)
    await setImmediate()
    if (signal.aborted) return null
  }
}

const newestChange = ({ db }: AppContext) =>
  Number(db.$client.prepare('SELECT max(id) FROM changes').pluck().get() ?? 0)

/**
 * Reads and carries out. What was read counts only while nothing changed since; else it is read again. Breaking off
 * leaves nothing: up to the one transaction at the end nothing is written.
 */
export async function bringIn(
  app: AppContext,
  body: ImportBody,
  actor: Actor,
  signal: AbortSignal,
  tell: (step: { done: number; total: number }) => void,
) {
  for (let attempt = 1; ; attempt++) {
    const since = newestChange(app)
    const plan = await readPlan(app.db, body, signal, tell)
    if (plan === null || signal.aborted) return null
    if (newestChange(app) !== since) {
      if (attempt < MOST_ATTEMPTS) continue
      throw new ProblemError(
        503,
        'Nothing was imported',
        `Others changed the kit ${MOST_ATTEMPTS} times while the list was read. Try again when it is quieter.`,
      )
    }
    if (!plan.isClean) throw refuseImport(plan)
    // The same list again changes nothing, so it is no change either.
    if (changesAnything(plan)) {
      write(app, actor, (writer) => {
        carryOut(plan, writer)
        rememberColumns(plan, writer)
      })
    }
    return reportImport(plan)
  }
}
