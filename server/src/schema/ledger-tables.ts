import {
  type CalculatorCode,
  type Category,
  type Defect,
  type EntryKind,
  type Group,
  type KitPlan,
  kitPlanSchema,
  newDecisionSchema,
  newShoppingLineSchema,
  newWishSchema,
  type WhyThis,
  type WishState,
  wishChangeSchema,
  wishSchema,
} from '@exemplar/core'
import { type AnySQLiteColumn, index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { json } from './json-column.ts'
import { models, stock, units } from './kit-tables.ts'
import { setups } from './setups-tables.ts'
import { parties } from './studio-tables.ts'

export const entries = sqliteTable(
  'entries',
  {
    id: text('id').primaryKey(),
    date: text('date').notNull(),
    kind: text('kind').$type<EntryKind>().notNull(),
    category: text('category').$type<Category>().notNull(),
    description: text('description').notNull(),
    netMinor: integer('net_minor').notNull(),
    taxMinor: integer('tax_minor').notNull(),
    partyId: text('party_id').references(() => parties.id),
    unitId: text('unit_id').references(() => units.id),
    /** The wish that was paid by it. */
    wishId: text('wish_id').references((): AnySQLiteColumn => wishes.id),
    /** The entry of which it is money back. */
    refundOfId: text('refund_of_id').references((): AnySQLiteColumn => entries.id),
    version: integer('version').notNull().default(1),
  },
  (table) => [index('entries_date').on(table.date), index('entries_refund_of').on(table.refundOfId)],
)

export const budgets = sqliteTable('budgets', {
  year: integer('year').primaryKey(),
  totalMinor: integer('total_minor').notNull(),
  version: integer('version').notNull().default(1),
})

export const shoppingLines = sqliteTable('shopping_lines', {
  id: text('id').primaryKey(),
  item: text('item').notNull(),
  quantity: integer('quantity').notNull(),
  reason: text('reason').notNull(),
  stockId: text('stock_id').references(() => stock.id),
  setupId: text('setup_id').references(() => setups.id),
  partOfId: text('part_of_id').references(() => models.id),
  group: text('for_group').$type<Group>(),
  wants: json('wants', newShoppingLineSchema.shape.wants).notNull().default([]),
  noneBecause: text('none_because').notNull().default(''),
  price: json('price', newShoppingLineSchema.shape.price),
  boughtAt: integer('bought_at'),
  version: integer('version').notNull().default(1),
})

/** Something that might be bought, or was. */
export const wishes = sqliteTable('wishes', {
  id: text('id').primaryKey(),
  modelId: text('model_id')
    .notNull()
    .references(() => models.id),
  state: text('state').$type<WishState>().notNull().default('open'),
  quantity: integer('quantity').notNull(),
  defect: text('defect').$type<Defect>().notNull(),
  severity: integer('severity').$type<1 | 2 | 3>().notNull(),
  reason: text('reason').notNull(),
  uses: json('uses', newWishSchema.shape.uses).notNull(),
  prices: json('prices', newWishSchema.shape.prices).notNull(),
  discount: json('discount', newWishSchema.shape.discount),
  condition: text('condition').$type<'new' | 'used'>().notNull(),
  warrantyMonths: integer('warranty_months'),
  needsIds: json('needs_ids', newWishSchema.shape.needsIds).notNull(),
  insteadIds: json('instead_ids', newWishSchema.shape.insteadIds).notNull(),
  sells: json('sells', newWishSchema.shape.sells).notNull(),
  waitsFor: text('waits_for').notNull(),
  waitsUntil: text('waits_until'),
  meanwhile: text('meanwhile').notNull(),
  advice: text('advice').notNull(),
  because: text('because').$type<WhyThis>().notNull().default('unsaid'),
  tried: text('tried').notNull().default(''),
  reviewOn: text('review_on'),
  unitIds: json('unit_ids', wishSchema.shape.unitIds).notNull().default([]),
  arrivedOn: text('arrived_on'),
  outcome: json('outcome', wishChangeSchema.shape.outcome),
  version: integer('version').notNull().default(1),
})

/** Kits that are planned for sums of money. */
export const kitPlans = sqliteTable('kit_plans', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  setupId: text('setup_id')
    .notNull()
    .references(() => setups.id),
  base: text('base').$type<KitPlan['base']>().notNull().default('nothing'),
  isStills: integer('is_stills', { mode: 'boolean' }).notNull().default(false),
  weighting: text('weighting').$type<KitPlan['weighting']>().notNull().default('even'),
  musts: json('musts', kitPlanSchema.shape.musts).notNull(),
  tiers: json('tiers', kitPlanSchema.shape.tiers).notNull(),
  options: json('options', kitPlanSchema.shape.options).notNull(),
  taken: json('taken', kitPlanSchema.shape.taken),
  version: integer('version').notNull().default(1),
})

/** Questions about money that were decided, with the figures as they were. */
export const decisions = sqliteTable('decisions', {
  id: text('id').primaryKey(),
  calculator: text('calculator').$type<CalculatorCode>().notNull(),
  about: text('about').notNull(),
  figures: json('figures', newDecisionSchema.shape.figures).notNull(),
  way: text('way').notNull(),
  reason: text('reason').notNull(),
  on: text('decided_on').notNull(),
  version: integer('version').notNull().default(1),
})
