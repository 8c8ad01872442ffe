import { type Interface, listAtInterface, type NewInterface, STANDARD_INTERFACES } from '@exemplar/core'
import { eq, isNull, sql } from 'drizzle-orm'
import { ProblemError, refuseField, refuseMissing } from '../../foundation/base/problem.ts'
import { requireVersion, type Transaction, type Writer, write } from '../../foundation/database/app-context.ts'
import { defineRoute } from '../../foundation/http/route.ts'
import { interfaces, models } from '../../schema/kit-tables.ts'

const STANDARD: ReadonlySet<string> = new Set(STANDARD_INTERFACES.map((it) => it.code))

function requireOwnLabel(tx: Transaction, label: string, code: string | null): void {
  const twin = tx.select().from(interfaces).where(sql`lower(${interfaces.label}) = ${label.toLowerCase()}`).get()
  if (twin && twin.code !== code) throw refuseField('/label', `“${twin.label}” is there already.`, 409)
}

/** Adds a connector of the studio's own under a code made of its name. */
export function addInterface({ tx, log }: Pick<Writer, 'tx' | 'log'>, body: NewInterface): Interface {
  requireOwnLabel(tx, body.label, null)
  const stem = body.label
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40)
  const base = `${body.kind}-${stem || 'own'}`
  let code = base
  for (let n = 2; tx.select().from(interfaces).where(eq(interfaces.code, code)).get(); n++) code = `${base}-${n}`
  const row = tx
    .insert(interfaces)
    .values({ ...body, code })
    .returning()
    .get()
  log('created', 'interface', code, { after: row })
  return row
}

export const interfaceRoutes = [
  defineRoute('get /interfaces', (_, { db }) =>
    db
      .select()
      .from(interfaces)
      .orderBy(interfaces.kind, interfaces.label)
      .all()
      .map((it) => ({ ...it, isStandard: STANDARD.has(it.code) })),
  ),
  defineRoute('get /interfaces/:code/fits', ({ params }, { db }) => {
    const row = db
      .select()
      .from(interfaces)
      .where(eq(interfaces.code, params.code ?? ''))
      .get()
    if (!row) throw refuseMissing('interface')
    return {
      interface: row,
      ...listAtInterface(db.select().from(models).where(isNull(models.archivedAt)).all(), row),
    }
  }),
  defineRoute('post /interfaces', ({ body, actor }, app) => write(app, actor, (writer) => addInterface(writer, body))),
  defineRoute('put /interfaces/:code', ({ params, body, version, actor }, app) =>
    write(app, actor, ({ tx, log }) => {
      const code = params.code ?? ''
      const row = tx.select().from(interfaces).where(eq(interfaces.code, code)).get()
      const before = requireVersion(row, version, 'interface')
      if (STANDARD.has(code))
        throw new ProblemError(409, 'A standard', 'This is as its standard has it. Add one of your own.')
      requireOwnLabel(tx, body.label, code)
      log('changed', 'interface', code, { before, after: body })
      return tx
        .update(interfaces)
        .set({ ...body, version: before.version + 1 })
        .where(eq(interfaces.code, code))
        .returning()
        .get()
    }),
  ),
]
