import { CATEGORIES, EMPTY_UNIT, isCounted, makeNextTag, NO_PROVENANCE, priceBundle, splitAmount } from '@exemplar/core'
import { eq, sql } from 'drizzle-orm'
import { refuseField } from '../../foundation/base/problem.ts'
import { type Writer, write } from '../../foundation/database/app-context.ts'
import { defineRoute } from '../../foundation/http/route.ts'
import { stock, units } from '../../schema/kit-tables.ts'
import { entries, shoppingLines } from '../../schema/ledger-tables.ts'
import { parties, places } from '../../schema/studio-tables.ts'
import { findOrMakeModel } from './entered-model.ts'
import { listTagsLike } from './unit-list.ts'

/** Counted things go into their stock; everything else becomes a thing of its own. */
function addToStock(
  { tx, newId, log }: Writer,
  modelId: string,
  prefix: string,
  quantity: number,
  placeId: string | null,
): string {
  const known = tx.select().from(stock).where(eq(stock.modelId, modelId)).get()
  if (known) {
    tx.update(stock)
      .set({ quantity: known.quantity + quantity, version: sql`${stock.version} + 1` })
      .where(eq(stock.id, known.id))
      .run()
    log('counted', 'stock', known.id, { before: known.quantity, after: known.quantity + quantity })
    return known.tag
  }
  const tag = makeNextTag(prefix, listTagsLike(tx, prefix))
  const id = newId()
  tx.insert(stock).values({ id, tag, modelId, quantity, reorderLevel: 0, placeId }).run()
  log('created', 'stock', id, { tag, quantity })
  return tag
}

export const bundleRoutes = [
  defineRoute('post /bundles', ({ body, actor }, app) =>
    write(app, actor, (writer) => {
      const { tx, newId, log } = writer
      if (body.partyId && !tx.select().from(parties).where(eq(parties.id, body.partyId)).get()) {
        throw refuseField('/partyId', 'There is no such vendor or lender.')
      }
      if (body.placeId && !tx.select().from(places).where(eq(places.id, body.placeId)).get()) {
        throw refuseField('/placeId', 'There is no such place.')
      }
      const prices = priceBundle(body)
      const taxes = splitAmount(body.taxMinor, prices.flat())
      const tags: string[] = []
      const missing: string[] = []
      let parentId: string | null = null
      for (const [index, part] of body.parts.entries()) {
        const { prefix } = CATEGORIES[part.category]
        if (!part.isThere) {
          const reason = `Not in the box of ${body.title}.`
          const line = { id: newId(), item: part.name, quantity: part.quantity, reason, stockId: null, setupId: null }
          tx.insert(shoppingLines)
            .values({ ...line, group: CATEGORIES[part.category].group })
            .run()
          log('created', 'shopping-line', line.id, { item: part.name })
          missing.push(part.name)
          continue
        }
        const modelId = findOrMakeModel(writer, { ...part, facts: {}, specs: {}, usual: [] })
        const own = prices[index] ?? []
        const ownTaxes = taxes.splice(0, own.length)
        const entry = (netMinor: number, taxMinor: number, unitId: string | null) => {
          if (netMinor + taxMinor === 0 || !body.acquisition.startsWith('bought')) return
          const row = {
            id: newId(),
            date: body.on,
            kind: 'purchase' as const,
            category: part.category,
            partyId: body.partyId,
            unitId,
          }
          tx.insert(entries)
            .values({ ...row, description: `${part.name} (${body.title})`.slice(0, 120), netMinor, taxMinor })
            .run()
          log('spent', 'entry', row.id, { description: part.name })
        }
        if (isCounted(part.category)) {
          tags.push(addToStock(writer, modelId, prefix, part.quantity, body.placeId))
          const sum = (of: number[]) => of.reduce((all, it) => all + it, 0)
          entry(sum(own), sum(ownTaxes), null)
          continue
        }
        for (const [piece, priceMinor] of own.entries()) {
          const tag = makeNextTag(prefix, listTagsLike(tx, prefix))
          const id = newId()
          tx.insert(units)
            .values({
              ...EMPTY_UNIT,
              id,
              tag,
              modelId,
              placeId: body.placeId,
              acquisition: index === 0 && piece === 0 ? body.acquisition : 'bundled',
              acquiredOn: body.on,
              priceMinor,
              partyId: body.partyId,
              parentId: body.staysTogether ? parentId : null,
              bond: 'part',
              provenance: { ...NO_PROVENANCE, taxMinor: ownTaxes[piece] ?? 0, reason: `Came with ${body.title}` },
            })
            .run()
          log('created', 'unit', id, { after: { tag }, bundle: body.title })
          entry(priceMinor, ownTaxes[piece] ?? 0, id)
          parentId ??= id
          tags.push(tag)
        }
      }
      return { tags, missing }
    }),
  ),
]
