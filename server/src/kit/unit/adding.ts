import { CATEGORIES, type Category, EMPTY_UNIT, MOST_COUNTED, makeNextTag } from '@exemplar/core'
import { and, eq, isNull, sql } from 'drizzle-orm'
import { refuseField } from '../../foundation/base/problem.ts'
import type { Writer } from '../../foundation/database/app-context.ts'
import { stock, units } from '../../schema/kit-tables.ts'
import { listTagsLike } from './unit-list.ts'

type NewUnitRow = Omit<typeof units.$inferInsert, 'id' | 'tag' | 'modelId'>

/** The next tag of a kind that nothing has. */
export function takeTag({ tx }: Writer, category: Category): string {
  const { prefix } = CATEGORIES[category]
  return makeNextTag(prefix, listTagsLike(tx, prefix))
}

/** Adds so many things of one model, each with a tag of its own where none is given. */
export function addUnits(
  writer: Writer,
  {
    modelId,
    category,
    count,
    tag,
    ...own
  }: { modelId: string; category: Category; count: number; tag?: string | null } & Partial<NewUnitRow>,
): (typeof units.$inferSelect)[] {
  const { tx, newId, log } = writer
  return Array.from({ length: count }, () => {
    const row = tx
      .insert(units)
      .values({ ...EMPTY_UNIT, ...own, id: newId(), tag: tag ?? takeTag(writer, category), modelId })
      .returning()
      .get()
    log('created', 'unit', row.id, { after: row })
    return row
  })
}

/** Refuses a count that would be more than any shelf holds. */
export function requireCountable(quantity: number): void {
  if (quantity <= MOST_COUNTED) return
  const detail = `With these there would be ${quantity} of one kind; Exemplar counts at most ${MOST_COUNTED}.`
  throw refuseField('/quantity', detail)
}

/** Puts counted things to the stock of their model, or begins one; gives back its tag. */
export function addToStock(
  writer: Writer,
  {
    modelId,
    category,
    quantity,
    placeId,
  }: { modelId: string; category: Category; quantity: number; placeId: string | null },
): string {
  const { tx, newId, log } = writer
  const known = tx
    .select()
    .from(stock)
    .where(and(eq(stock.modelId, modelId), isNull(stock.archivedAt)))
    .get()
  if (known) {
    requireCountable(known.quantity + quantity)
    tx.update(stock)
      .set({ quantity: known.quantity + quantity, version: sql`${stock.version} + 1` })
      .where(eq(stock.id, known.id))
      .run()
    log('counted', 'stock', known.id, { before: known.quantity, after: known.quantity + quantity })
    return known.tag
  }
  const row = { id: newId(), tag: takeTag(writer, category), modelId, quantity, reorderLevel: 0, placeId }
  tx.insert(stock).values(row).run()
  log('created', 'stock', row.id, { after: row })
  return row.tag
}
