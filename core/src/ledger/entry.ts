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
  rental: 'Rent',
  subscription: 'Subscription',
  delivery: 'Delivery or customs',
  sale: 'Sale',
  refund: 'Money back',
} as const
export type EntryKind = keyof typeof ENTRY_KINDS
export const ENTRY_KIND_CODES = Object.keys(ENTRY_KINDS) as [EntryKind, ...EntryKind[]]

/** Kinds by which money comes in. */
const COMES_IN: ReadonlySet<EntryKind> = new Set(['sale', 'refund'])
export const isIncome = ({ kind }: { kind: EntryKind }): boolean => COMES_IN.has(kind)
export const INCOME_KINDS = ENTRY_KIND_CODES.filter((kind) => isIncome({ kind }))

/** Kinds that are told by themselves; money that came back is told of the entry of which it is. */
export const TOLD_KIND_CODES = ENTRY_KIND_CODES.filter((it) => it !== 'refund') as [EntryKind, ...EntryKind[]]

/** Money that went out, or came in for a sale. Net and tax are kept apart; both are positive. */
export const newEntrySchema = z.object({
  date: dateSchema,
  kind: z.enum(TOLD_KIND_CODES, 'Money that came back is recorded at the entry of which it is.'),
  category: z.enum(CATEGORY_CODES),
  description: nameSchema,
  netMinor: amount(minorSchema.min(0, 'An amount is not negative; a sale is a kind of its own.')),
  taxMinor: amount(minorSchema.min(0, 'Tax is not negative.')),
  partyId: idSchema.nullable(),
  unitId: idSchema.nullable(),
})
export type NewEntry = z.infer<typeof newEntrySchema>

/** Money that came back of an entry: all of it, or a part. */
export const newRefundSchema = newEntrySchema.pick({ date: true, netMinor: true, taxMinor: true }).extend({
  /** Null says that of which entry it is. */
  description: nameSchema.nullable().default(null),
})
export type NewRefund = z.infer<typeof newRefundSchema>

export const entryChangeSchema = newEntrySchema.extend({ kind: z.enum(ENTRY_KIND_CODES) })

export type EntryChange = z.infer<typeof entryChangeSchema>

export const entrySchema = entryChangeSchema.extend({
  id: idSchema,
  /** The wish that was paid by it. */
  wishId: idSchema.nullable(),
  /** The entry of which it is money back. */
  refundOfId: idSchema.nullable(),
  version: versionSchema,
})
export type Entry = z.infer<typeof entrySchema>

export const budgetSchema = z.object({
  year: z.number().int().min(1990).max(2200),
  totalMinor: amount(minorSchema.min(0, 'A budget is not negative.')),
})
export type Budget = z.infer<typeof budgetSchema>
