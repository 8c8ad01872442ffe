import { MOST_REMARKS, nameModel } from '@exemplar/core'
import { eq } from 'drizzle-orm'
import { refuseField, refuseMissing } from '../foundation/base/problem.ts'
import { requireVersion, write } from '../foundation/database/app-context.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { models, units } from '../schema/kit-tables.ts'
import { shoppingLines } from '../schema/ledger-tables.ts'

/** So long may be what is on the list, and what is said of a thing. */
const LONGEST_ITEM = 120
const LONGEST_REMARK = 300

export const partRequestRoutes = [
  defineRoute('post /units/:id/part-requests', ({ params, body, version, actor }, app) =>
    write(app, actor, ({ tx, newId, log }) => {
      const id = params.id ?? ''
      const before = requireVersion(tx.select().from(units).where(eq(units.id, id)).get(), version, 'thing')
      if (before.remarks.length >= MOST_REMARKS) {
        throw refuseField('/part', `${MOST_REMARKS} things are said of it already. Remove one of them first.`)
      }
      const model = tx.select().from(models).where(eq(models.id, before.modelId)).get()
      if (!model) throw refuseMissing('model')
      const line = tx
        .insert(shoppingLines)
        .values({
          id: newId(),
          item: `${body.part} for ${nameModel(model)}`.slice(0, LONGEST_ITEM),
          quantity: 1,
          reason: [`A part of ${before.tag}.`, body.searched].filter(Boolean).join(' '),
          stockId: null,
          setupId: null,
          partOfId: model.id,
          group: null,
        })
        .returning()
        .get()
      log('created', 'shopping-line', line.id, { after: line })
      const text = `Worn: ${body.part}, asked for`.slice(0, LONGEST_REMARK)
      const remarks = [...before.remarks, { kind: 'weakness' as const, text, source: 'seen' as const }]
      const after = tx
        .update(units)
        .set({ remarks, version: before.version + 1 })
        .where(eq(units.id, id))
        .returning()
        .get()
      log('changed', 'unit', id, { before, after })
      return line
    }),
  ),
]
