import { z } from 'zod'
import { idSchema, nameSchema, noteSchema, versionSchema } from '../studio/identity.ts'

/** Something to buy, and what it would cure. */
export const newShoppingLineSchema = z.object({
  item: nameSchema,
  quantity: z.number().int().min(1, 'Buy at least one.').max(10_000),
  reason: noteSchema,
  stockId: idSchema.nullable(),
  setupId: idSchema.nullable(),
})
export type NewShoppingLine = z.infer<typeof newShoppingLineSchema>

export const shoppingLineSchema = newShoppingLineSchema.extend({
  id: idSchema,
  version: versionSchema,
  boughtAt: z.number().int().nullable(),
})
export type ShoppingLine = z.infer<typeof shoppingLineSchema>
