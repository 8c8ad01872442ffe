import { z } from 'zod'
import { CATEGORY_CODES } from '../kit/model/category.ts'
import { idSchema, nameSchema, versionSchema } from '../studio/identity.ts'
import { amount } from '../studio/people/secrecy.ts'
import { minorSchema } from '../units/money.ts'
import { dateSchema } from '../units/wall-time.ts'

export const ENTRY_KINDS = {
  purchase: 'Purchase',
  repair: 'Repair',
  service: 'Service',
  consumable: 'Consumable',
  sale: 'Sale',
} as const
export type EntryKind = keyof typeof ENTRY_KINDS
export const ENTRY_KIND_CODES = Object.keys(ENTRY_KINDS) as [EntryKind, ...EntryKind[]]

/** Money that went out, or came in for a sale. Net and tax are kept apart; both are positive. */
export const newEntrySchema = z.object({
  date: dateSchema,
  kind: z.enum(ENTRY_KIND_CODES),
  category: z.enum(CATEGORY_CODES),
  description: nameSchema,
  netMinor: amount(minorSchema.min(0, 'An amount is not negative; a sale is a kind of its own.')),
  taxMinor: amount(minorSchema.min(0, 'Tax is not negative.')),
  partyId: idSchema.nullable(),
  unitId: idSchema.nullable(),
})
export type NewEntry = z.infer<typeof newEntrySchema>

export const entrySchema = newEntrySchema.extend({
  id: idSchema,
  /** The wish that was paid by it. */
  wishId: idSchema.nullable(),
  version: versionSchema,
})
export type Entry = z.infer<typeof entrySchema>

export const budgetSchema = z.object({
  year: z.number().int().min(1990).max(2200),
  totalMinor: amount(minorSchema.min(0, 'A budget is not negative.')),
})
export type Budget = z.infer<typeof budgetSchema>
