import { CATEGORIES, isCounted, LONGEST_NAME, NO_PROVENANCE, priceBundle, splitAmount } from '@exemplar/core'
import { eq } from 'drizzle-orm'
import { refuseField } from '../../foundation/base/problem.ts'
import { write } from '../../foundation/database/app-context.ts'
import { defineRoute } from '../../foundation/http/route.ts'
import { entries, shoppingLines } from '../../schema/ledger-tables.ts'
import { parties, places } from '../../schema/studio-tables.ts'
import { addToStock, addUnits } from './adding.ts'
import { findOrMakeModel } from './entered-model.ts'

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
        const modelId = findOrMakeModel(writer, part, `/parts/${index}`)
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
            .values({ ...row, description: `${part.name} (${body.title})`.slice(0, LONGEST_NAME), netMinor, taxMinor })
            .run()
          log('spent', 'entry', row.id, { description: part.name })
        }
        if (isCounted(part.category)) {
          const { category, quantity } = part
          tags.push(addToStock(writer, { modelId, category, quantity, placeId: body.placeId }))
          const sum = (of: number[]) => of.reduce((all, it) => all + it, 0)
          entry(sum(own), sum(ownTaxes), null)
          continue
        }
        for (const [piece, priceMinor] of own.entries()) {
          const [unit] = addUnits(writer, {
            modelId,
            category: part.category,
            count: 1,
            placeId: body.placeId,
            acquisition: index === 0 && piece === 0 ? body.acquisition : 'bundled',
            acquiredOn: body.on,
            priceMinor,
            partyId: body.partyId,
            parentId: body.staysTogether ? parentId : null,
            // They came together and move together; the one works without the other.
            bond: 'set',
            provenance: { ...NO_PROVENANCE, taxMinor: ownTaxes[piece] ?? 0, reason: `Came with ${body.title}` },
          })
          if (!unit) continue
          const { id, tag } = unit
          entry(priceMinor, ownTaxes[piece] ?? 0, id)
          parentId ??= id
          tags.push(tag)
        }
      }
      return { tags, missing }
    }),
  ),
]
