import { type ImportPlan, planInventoryImport, sayImportProblem } from '@exemplar/core'
import { z } from 'zod'
import type { Database } from '../foundation/database.ts'
import { type House, type Transaction, type Writer, write } from '../foundation/house.ts'
import { ProblemError } from '../foundation/problem.ts'
import { defineRoute } from '../foundation/route.ts'
import { loadStudio } from '../studio/studio-routes.ts'
import { places } from '../studio/tables.ts'
import { loadInterfaces } from './facts.ts'
import { interfaces, models, stock, units } from './tables.ts'

const importSchema = z.object({
  csv: z.string('Send the text of the file.').max(5_000_000, 'The file is larger than 5 MB. Split it.'),
  leaveOut: z.array(z.number().int()).max(20_000).default([]),
  corrections: z
    .array(z.object({ line: z.number().int(), column: z.string().max(40), value: z.string().max(2000) }))
    .max(20_000)
    .default([]),
})

function makePlan(
  db: Database | Transaction,
  { csv, leaveOut, corrections }: z.infer<typeof importSchema>,
): ImportPlan {
  const context = {
    tags: [...db.select({ tag: units.tag }).from(units).all(), ...db.select({ tag: stock.tag }).from(stock).all()].map(
      (row) => row.tag,
    ),
    places: db.select({ id: places.id, name: places.name }).from(places).all(),
    interfaces: [...loadInterfaces(db).values()],
    models: db.select().from(models).all(),
    currency: loadStudio(db).currency,
  }
  return planInventoryImport(csv, context, { leaveOut, corrections })
}

/** The report that a person reads: each line, what becomes of it, and every problem as a sentence. */
function report(plan: ImportPlan) {
  return {
    isClean: plan.isClean,
    fileProblems: plan.fileProblems.map(sayImportProblem),
    unknownColumns: plan.unknownColumns,
    counts: {
      things: plan.units.length,
      stock: plan.stock.length,
      models: plan.models.length,
      places: plan.places.length,
      bad: plan.lines.filter((line) => line.outcome === 'bad').length,
      leftOut: plan.lines.filter((line) => line.outcome === 'left-out').length,
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

function carryOut(plan: ImportPlan, { tx, newId, log }: Writer): void {
  const ids = new Map<string, string>()
  const resolve = (key: string): string => ids.get(key) ?? key
  for (const { key, name } of plan.places) {
    const id = newId()
    ids.set(key, id)
    tx.insert(places).values({ id, name, kind: 'store', parentId: null, circuits: [] }).run()
    log('imported', 'place', id, { name })
  }
  for (const { code, label, kind } of plan.interfaces) {
    const [hostName, guestName] = kind === 'mount' ? ['body', 'lens'] : ['bay', 'pack']
    tx.insert(interfaces).values({ code, label, kind, hostName, guestName, standard: null, viaCableOnly: false }).run()
    log('imported', 'interface', code, { label })
  }
  for (const { key, model } of plan.models) {
    const id = newId()
    ids.set(key, id)
    tx.insert(models)
      .values({ ...model, id })
      .run()
    log('imported', 'model', id, { after: model })
  }
  for (const { modelKey, placeKey, ...unit } of plan.units) {
    const row = { ...unit, id: newId(), modelId: resolve(modelKey), placeId: placeKey && resolve(placeKey) }
    tx.insert(units).values(row).run()
    log('imported', 'unit', row.id, { after: row })
  }
  for (const { modelKey, placeKey, ...counted } of plan.stock) {
    const row = { ...counted, id: newId(), modelId: resolve(modelKey), placeId: placeKey && resolve(placeKey) }
    tx.insert(stock).values(row).run()
    log('imported', 'stock', row.id, { after: row })
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
  return new ProblemError(422, 'Nothing was imported', detail, { errors, report: report(plan) })
}

export const importRoutes = [
  defineRoute({
    method: 'post',
    path: '/import/inventory/preview',
    permission: 'change-kit',
    room: 'kit',
    summary: 'Say what an inventory file would bring, line by line; writes nothing',
    body: importSchema,
    handle: ({ body }, house: House) => report(makePlan(house.db, body)),
  }),
  defineRoute({
    method: 'post',
    path: '/import/inventory',
    permission: 'change-kit',
    room: 'kit',
    summary: 'Import an inventory file: all lines, or nothing',
    body: importSchema,
    status: 201,
    handle: ({ body, actor }, house: House) =>
      write(house, actor, (writer) => {
        const plan = makePlan(writer.tx, body)
        if (!plan.isClean) throw refuseImport(plan)
        carryOut(plan, writer)
        return report(plan)
      }),
  }),
]
