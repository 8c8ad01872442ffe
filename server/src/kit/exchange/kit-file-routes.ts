import {
  describeKitFile,
  KIT_LISTS,
  type KitFilePlan,
  type KitFileProblem,
  may,
  planKitImport,
  readKitFile,
  writeInventory,
  writeKitFile,
} from '@exemplar/core'
import { loadInterfaces } from '../../availability/reference.ts'
import { ProblemError } from '../../foundation/base/problem.ts'
import { type Transaction, write } from '../../foundation/database/app-context.ts'
import type { Database } from '../../foundation/database/database.ts'
import { requireShallow } from '../../foundation/http/json-body.ts'
import { defineRoute, RawReply } from '../../foundation/http/route.ts'
import { loadStudio } from '../../studio/settings/settings-routes.ts'
import { listUnitIds } from '../unit/unit-list.ts'
import { bringInKit, loadKitFile, loadKitHere, loadLive } from './kit-file-store.ts'

/** A file to keep, under a name of its own. */
function download(type: string, name: string, text: string): RawReply {
  return new RawReply(type, Buffer.from(text), { 'Content-Disposition': `attachment; filename="${name}"` })
}

function refuse(problems: readonly KitFileProblem[]): ProblemError {
  const [first] = problems
  const more = problems.length > 1 ? ` And ${problems.length - 1} more.` : ''
  const at = first?.pointer ? ` (${first.pointer})` : ''
  return new ProblemError(422, 'Nothing was imported', `${first?.message ?? ''}${at}${more}`, {
    errors: problems.slice(0, 50),
  })
}

function makePlan(db: Database | Transaction, bytes: unknown) {
  const text = (bytes as Buffer).toString('utf8')
  requireShallow(text)
  const reading = readKitFile(text)
  if ('problems' in reading) throw refuse(reading.problems)
  const plan = planKitImport(reading.kit, loadKitHere(db))
  if (plan.problems.length > 0) throw refuse(plan.problems)
  return { file: reading.kit, plan }
}

function report({ fresh, changed, unchanged }: KitFilePlan) {
  const count = (lists: KitFilePlan['fresh']) => Object.fromEntries(KIT_LISTS.map((list) => [list, lists[list].length]))
  return { fresh: count(fresh), changed: count(changed), unchanged }
}

export const kitFileRoutes = [
  defineRoute('get /export/kit.json', (_, { db }) =>
    download('application/json', 'kit.json', writeKitFile(loadKitFile(db, { withArchived: false }))),
  ),
  defineRoute('get /export/kit.schema.json', () => describeKitFile()),
  defineRoute('get /export/inventory.csv', ({ query, actor }, app) => {
    const { units, stock, models, places } = loadLive(app.db)
    const isFiltered = Object.values(query).some((it) => it !== undefined)
    const wanted = isFiltered ? new Set(listUnitIds(app, query)) : null
    const csv = writeInventory({
      units: wanted ? units.filter((it) => wanted.has(it.id)) : units,
      stock: wanted ? [] : stock,
      models: new Map(models.map((it) => [it.id, it])),
      places: new Map(places.map((it) => [it.id, it.name])),
      interfaces: loadInterfaces(app.db),
      currency: loadStudio(app.db).currency,
      withMoney: may(actor.role, 'see-money'),
    })
    return download('text/csv; charset=utf-8', 'inventory.csv', csv)
  }),
  defineRoute('post /import/kit-file/preview', ({ body }, { db }) => report(makePlan(db, body).plan)),
  defineRoute('post /import/kit-file', ({ body, actor }, app) => {
    const { file, plan } = makePlan(app.db, body)
    const isChange = KIT_LISTS.some((list) => plan.fresh[list].length + plan.changed[list].length > 0)
    if (isChange) write(app, actor, (writer) => bringInKit(file, plan, writer))
    return report(plan)
  }),
]
