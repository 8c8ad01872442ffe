import { z } from 'zod'
import { provenanceSchema } from '../kit/unit/unit.ts'
import { newEntrySchema } from '../ledger/entry.ts'
import { idSchema } from '../studio/identity.ts'
import { amount } from '../studio/people/secrecy.ts'
import { defineContract } from './contract.ts'
import { namedSchema, unitRowSchema } from './replies.ts'

export const saleRowSchema = z.object({
  ...namedSchema.shape,
  version: z.number(),
  provenance: provenanceSchema,
  /** What such things fetch at that age, by its price; null where that or its day is not recorded. */
  resaleMinor: amount(z.number().nullable()),
  /** Things of ours that go on, in or with nothing else once it is gone. */
  stranded: z.array(
    z.object({
      ...namedSchema.shape,
      isCounted: z.boolean(),
      /** It is here and can be sold with it. */
      canGo: z.boolean(),
      /** Of these nobody said what they take: it may serve there. */
      perhapsIn: z.array(z.string()),
    }),
  ),
  /** Setups in which it stands still. */
  usedIn: unitRowSchema.shape.usedIn,
})
export type SaleRow = z.infer<typeof saleRowSchema>

/** What a sale brought, and what went with it. */
export const soldSchema = newEntrySchema
  .pick({ netMinor: true, taxMinor: true, partyId: true })
  .extend({ on: newEntrySchema.shape.date, withIds: z.array(idSchema).max(40).default([]) })
export type Sold = z.infer<typeof soldSchema>

/** Routes of what is for sale. */
export const saleContract = defineContract('ledger', {
  'get /ledger/for-sale': {
    summary: 'What is for sale: what is asked, what it should fetch, what would be left without use',
    permission: 'see-money',
    reply: z.object({ rows: z.array(saleRowSchema) }),
  },
  'post /units/:id/sold': {
    summary: 'It is sold, with what goes with it: they leave the kit, and what it brought is recorded',
    permission: 'change-ledger',
    body: soldSchema,
    reply: z.object({ id: z.string(), version: z.number(), tags: z.array(z.string()) }),
    isChange: true,
  },
})
