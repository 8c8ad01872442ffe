import {
  type Entry,
  type EntryChange,
  findCorrectionFault,
  findRefundFault,
  formatMoney,
  LONGEST_NAME,
} from '@exemplar/core'
import { and, desc, eq, gte, isNotNull, lt, ne, sum } from 'drizzle-orm'
import { refuseField } from '../foundation/base/problem.ts'
import { requireVersion, type Transaction, write } from '../foundation/database/app-context.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { units } from '../schema/kit-tables.ts'
import { entries } from '../schema/ledger-tables.ts'
import { parties } from '../schema/studio-tables.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'

/** What came back of an entry, one after the other, without one of them. */
function listRefunds(tx: Transaction, id: string, exceptId = '') {
  return tx
    .select()
    .from(entries)
    .where(and(eq(entries.refundOfId, id), ne(entries.id, exceptId)))
    .all()
}

const sayMoney = (tx: Transaction) => {
  const { currency } = loadStudio(tx)
  return (minor: number) => formatMoney(minor, currency)
}

function refuseFault(fault: ReturnType<typeof findRefundFault>): void {
  if (fault) throw refuseField(`/${fault.field}`, fault.sentence)
}

function requireKnown(tx: Transaction, { unitId, partyId }: Pick<Entry, 'unitId' | 'partyId'>): void {
  if (unitId && !tx.select().from(units).where(eq(units.id, unitId)).get()) {
    throw refuseField('/unitId', 'There is no such thing.')
  }
  if (partyId && !tx.select().from(parties).where(eq(parties.id, partyId)).get()) {
    throw refuseField('/partyId', 'There is no such vendor.')
  }
}

/** Money that came back stays of its entry, of the same thing and kind, and is never more than was paid. */
function requireCorrectable(tx: Transaction, before: Entry, after: EntryChange): void {
  if ((before.kind === 'refund') !== (after.kind === 'refund')) {
    throw refuseField('/kind', 'Money that came back stays money that came back, and nothing else becomes it.')
  }
  requireKnown(tx, after)
  const original = before.refundOfId && tx.select().from(entries).where(eq(entries.id, before.refundOfId)).get()
  if (!original) {
    refuseFault(findCorrectionFault(after, listRefunds(tx, before.id), sayMoney(tx)))
    return
  }
  if (after.unitId !== original.unitId) throw refuseField('/unitId', 'It is for the thing for which it was paid.')
  if (after.category !== original.category) throw refuseField('/category', 'It is of the kind for which it was paid.')
  refuseFault(findRefundFault(original, listRefunds(tx, original.id, before.id), after, sayMoney(tx)))
}

/** What hangs on an entry that changes follows it, so that both are always of one thing. */
function followOriginal(tx: Transaction, id: string, { unitId, category }: Pick<Entry, 'unitId' | 'category'>): void {
  for (const it of listRefunds(tx, id)) {
    if (it.unitId === unitId && it.category === category) continue
    tx.update(entries)
      .set({ unitId, category, version: it.version + 1 })
      .where(eq(entries.id, it.id))
      .run()
  }
}

/** What was paid, what came in, and what came back. */
export const entryRoutes = [
  defineRoute('get /ledger/entries', ({ query }, { db }) => {
    const rows = db
      .select({ entry: entries, tag: units.tag, party: parties.name })
      .from(entries)
      .leftJoin(units, eq(units.id, entries.unitId))
      .leftJoin(parties, eq(parties.id, entries.partyId))
      .where(and(gte(entries.date, `${query.year}-01-01`), lt(entries.date, `${query.year + 1}-01-01`)))
      .orderBy(desc(entries.date), desc(entries.id))
      .all()
    const back = new Map(
      db
        .select({ id: entries.refundOfId, net: sum(entries.netMinor), tax: sum(entries.taxMinor) })
        .from(entries)
        .where(isNotNull(entries.refundOfId))
        .groupBy(entries.refundOfId)
        .all()
        .map((it) => [it.id, it]),
    )
    return rows.map(({ entry, ...rest }) => ({
      ...{ ...entry, ...rest },
      backNetMinor: Number(back.get(entry.id)?.net ?? 0),
      backTaxMinor: Number(back.get(entry.id)?.tax ?? 0),
    }))
  }),
  defineRoute('post /ledger/entries', ({ body, actor }, app) =>
    write(app, actor, ({ tx, newId, log }) => {
      requireKnown(tx, body)
      const entry = tx
        .insert(entries)
        .values({ ...body, id: newId() })
        .returning()
        .get()
      log('spent', 'entry', entry.id, { after: entry })
      return entry
    }),
  ),
  defineRoute('put /ledger/entries/:id', ({ params, body, version, actor }, app) =>
    write(app, actor, ({ tx, log }) => {
      const id = params.id ?? ''
      const before = requireVersion(tx.select().from(entries).where(eq(entries.id, id)).get(), version, 'entry')
      requireCorrectable(tx, before, body)
      followOriginal(tx, id, body)
      log('changed', 'entry', id, { before, after: body })
      return tx
        .update(entries)
        .set({ ...body, version: before.version + 1 })
        .where(eq(entries.id, id))
        .returning()
        .get()
    }),
  ),
  defineRoute('post /ledger/entries/:id/refunds', ({ params, body, version, actor }, app) =>
    write(app, actor, ({ tx, newId, log }) => {
      const id = params.id ?? ''
      const original = requireVersion(tx.select().from(entries).where(eq(entries.id, id)).get(), version, 'entry')
      refuseFault(findRefundFault(original, listRefunds(tx, id), body, sayMoney(tx)))
      // It changes too: whoever would take an older correction of it back is told of what came back since.
      tx.update(entries)
        .set({ version: original.version + 1 })
        .where(eq(entries.id, id))
        .run()
      const refund = tx
        .insert(entries)
        .values({
          ...{ ...body, id: newId(), kind: 'refund', refundOfId: id },
          description: body.description ?? `Money back: ${original.description}`.slice(0, LONGEST_NAME).trim(),
          ...{ category: original.category, unitId: original.unitId },
          ...{ partyId: original.partyId, wishId: original.wishId },
        })
        .returning()
        .get()
      log('refunded', 'entry', refund.id, { after: refund })
      return refund
    }),
  ),
]
