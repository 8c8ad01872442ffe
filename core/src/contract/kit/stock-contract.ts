import { z } from 'zod'
import { factsSchema, usualSchema } from '../../kit/entry/told.ts'
import { CATEGORY_CODES } from '../../kit/model/category.ts'
import { modelSchema } from '../../kit/model/model.ts'
import { moreSpecsSchema } from '../../kit/model/spec.ts'
import { NO_SUPPLY, newStockSchema, supplySchema } from '../../kit/unit/unit.ts'
import { idSchema, nameSchema } from '../../studio/identity.ts'
import { defineContract } from '../contract.ts'
import { keptStockSchema } from '../replies.ts'

export const stockRowSchema = z.object({
  ...keptStockSchema.shape,
  name: z.string(),
  category: modelSchema.shape.category,
  place: z.string().nullable(),
})
export type StockRow = z.infer<typeof stockRowSchema>

export const settingsSchema = newStockSchema
  .pick({ reorderLevel: true, placeId: true })
  .extend({ supply: supplySchema.optional() })

/** Routes of counted things. */
export const stockContract = defineContract('kit', {
  'get /stock': {
    summary: 'Counted things',
    permission: 'see-studio',
    reply: z.array(stockRowSchema),
  },
  'post /stock': {
    summary: 'Begin to count a kind of thing',
    permission: 'change-kit',
    body: z.object({
      category: z.enum(CATEGORY_CODES),
      maker: z.string().trim().max(120).default(''),
      name: nameSchema,
      quantity: newStockSchema.shape.quantity,
      reorderLevel: newStockSchema.shape.reorderLevel.default(0),
      placeId: idSchema.nullable().default(null),
      supply: supplySchema.default(NO_SUPPLY),
      facts: factsSchema.default({}),
      specs: moreSpecsSchema.default({}),
      usual: usualSchema,
    }),
    reply: keptStockSchema,
    status: 201,
  },
  'patch /stock/:id': {
    summary: 'Say where a stock lies and when more is to be bought',
    permission: 'change-kit',
    body: settingsSchema,
    reply: keptStockSchema,
    isChange: true,
  },
  'post /stock/:id/count': {
    summary: 'Count a stock anew',
    permission: 'count-stock',
    body: z.object({ quantity: z.number().int().min(0).max(100_000) }),
    reply: keptStockSchema,
    isChange: true,
  },
})
