import { setImmediate } from 'node:timers/promises'
import {
  changesAnything,
  type ImportPlan,
  type importSchema,
  planInventorySteps,
  sayImportProblem,
} from '@exemplar/core'
import { eq, gt, max } from 'drizzle-orm'
import type { z } from 'zod'
import { ProblemError } from '../../foundation/base/problem.ts'
import { type Actor, type AppContext, type Transaction, write } from '../../foundation/database/app-context.ts'
import type { Database } from '../../foundation/database/database.ts'
import { stock, units } from '../../schema/kit-tables.ts'
import { changes, rowChanges } from '../../schema/studio-tables.ts'
import { loadImportContext } from './import-context.ts'
import { carryOut, rememberColumns } from './import-writing.ts'

export type ImportBody = z.infer<typeof importSchema>

/** So often a list is read again where something changed meanwhile. */
const MOST_ATTEMPTS = 4
/** A list of so many lines is read in one go, when others change things all the time: a fraction of a second. */
const MOST_IN_ONE_GO = 2_000

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

const newestChange = (db: Database | Transaction) =>
  Number(
    db
      .select({ id: max(changes.id) })
      .from(changes)
      .get()?.id ?? 0,
  )

/** What reading a list looks at: whatever happens to other rows meanwhile is no matter to it. */
const READ_TABLES = new Set(['units', 'stock', 'places', 'interfaces', 'models', 'column_maps', 'studio'])

interface ChangedRow {
  table: string
  key: Record<string, unknown>
}

function listChangedRows(db: Database | Transaction, since: number): ChangedRow[] {
  return db
    .selectDistinct({ table: rowChanges.table, key: rowChanges.key })
    .from(rowChanges)
    .where(gt(rowChanges.changeId, since))
    .all()
    .filter((it) => READ_TABLES.has(it.table))
}

/** Names what others changed, so that whoever brings in a list knows whom to wait for. */
function refuseMoved(db: Database, rows: readonly ChangedRow[]): ProblemError {
  const tagOf = ({ table, key: { id } }: ChangedRow) =>
    (table === 'units'
      ? db
          .select({ tag: units.tag })
          .from(units)
          .where(eq(units.id, String(id)))
          .get()?.tag
      : table === 'stock'
        ? db
            .select({ tag: stock.tag })
            .from(stock)
            .where(eq(stock.id, String(id)))
            .get()?.tag
        : undefined) ?? `one of the ${table.replace('_', ' ')}`
  const names = [...new Set(rows.map(tagOf))]
  const more = names.length > 4 ? ` and ${names.length - 4} more` : ''
  return new ProblemError(
    409,
    'Nothing was imported',
    `Others changed ${names.slice(0, 4).join(', ')}${more} each time the list was read. Try again when they are done, or in smaller lists.`,
    { report: { changed: names.slice(0, 50) } },
  )
}

/**
 * Reads and carries out. What was read counts while nothing that was read changed since; else it is read again, at the end
 * in one go that nobody can come between. Breaking off leaves nothing: up to the one transaction at the end nothing is
 * written.
 */
export async function bringIn(
  app: AppContext,
  body: ImportBody,
  actor: Actor,
  signal: AbortSignal,
  tell: (step: { done: number; total: number }) => void,
) {
  for (let attempt = 1; ; attempt++) {
    const since = newestChange(app.db)
    const plan = await readPlan(app.db, body, signal, tell)
    if (plan === null || signal.aborted) return null
    app.gate.requireOpen(actor.epoch)
    const moved = listChangedRows(app.db, since)
    if (moved.length === 0) return carryOutPlan(app, actor, plan)
    if (attempt < MOST_ATTEMPTS) continue
    if (plan.lines.length > MOST_IN_ONE_GO) throw refuseMoved(app.db, moved)
    return carryOutPlan(app, actor, readAtOnce(app.db, body))
  }
}

function carryOutPlan(app: AppContext, actor: Actor, plan: ImportPlan) {
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

/** Reads a list without giving anybody else a turn. */
function readAtOnce(db: Database, { csv, ...choices }: ImportBody): ImportPlan {
  const steps = planInventorySteps(csv, loadImportContext(db), choices)
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
  }
}
