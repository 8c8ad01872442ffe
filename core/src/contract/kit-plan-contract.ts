import { z } from 'zod'
import { CATEGORY_CODES, groupSchema } from '../kit/model/category.ts'
import { IMPORTANCES } from '../kit/model/port.ts'
import { kitOptionSchema, kitPlanChangeSchema, kitPlanSchema, newKitPlanSchema } from '../ledger/tier/kit-plan.ts'
import { kitsSchema } from '../ledger/tier/tiers.ts'
import { newWishSchema, WISH_STATE_CODES } from '../ledger/wish/wish.ts'
import { tapeSchema } from '../setups/setup/setup.ts'
import { idSchema } from '../studio/identity.ts'
import { amount } from '../studio/people/secrecy.ts'
import { defineContract } from './contract.ts'
import { versionedSchema } from './replies.ts'

const setupNameSchema = z.object({ id: z.string(), code: z.string(), tape: tapeSchema, name: z.string() })

/** A kit that is planned, with everything that its page names. */
const kitPlanPageSchema = z.object({
  ...kitPlanSchema.shape,
  setup: z.object({
    ...setupNameSchema.shape,
    roles: z.array(
      z.object({
        id: z.string(),
        name: z.string(),
        group: groupSchema,
        importance: z.enum(IMPORTANCES),
        wants: z.enum(CATEGORY_CODES).nullable(),
        /** Something stands in it. */
        isFilled: z.boolean(),
        /** Common things of its kind. */
        starters: z.array(z.string()),
      }),
    ),
  }),
  models: z.array(
    z.object({
      id: z.string(),
      version: z.number(),
      name: z.string(),
      category: z.enum(CATEGORY_CODES),
      /** Roles that it would fill, and those of which nobody knows whether it does what they ask. */
      fills: z.array(z.string()),
      perhaps: z.array(z.string()),
    }),
  ),
  /** No circuit was chosen for the setup, so an ordinary one of the country is reckoned with. */
  assumedCircuit: z.object({ volts: z.number(), amps: z.number() }).nullable(),
  /** Films published so far. */
  published: z.number(),
  /** What became of the kit that was taken on: what each wish costs at its latest price, and what was paid. */
  wishes: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      quantity: z.number(),
      state: z.enum(WISH_STATE_CODES),
      costMinor: amount(z.number().nullable()),
      paidMinor: amount(z.number()),
    }),
  ),
})
export type KitPlanPage = z.infer<typeof kitPlanPageSchema>

/** What of a kit is taken on: options with their roles, and things that are here. */
const takenSchema = z.object({
  tierId: idSchema,
  bought: z
    .array(
      z.object({
        optionId: idSchema,
        count: z.number().int().min(1).max(12),
        roleIds: z.array(idSchema).max(12),
        besideRoleIds: z.array(idSchema).max(40),
        powerModeIds: z.array(idSchema.nullable()).max(40).default([]),
      }),
    )
    .max(80),
  here: z
    .array(
      z.object({
        unitId: idSchema.nullable(),
        stockId: idSchema.nullable(),
        count: z.number().int().min(1).max(99),
        roleId: idSchema,
        powerModeId: idSchema.nullable().default(null),
      }),
    )
    .max(80),
})

/** Routes of kits for sums of money. */
export const kitPlanContract = defineContract('ledger', {
  'get /kit-plans': {
    summary: 'Kits that are planned, with the setup of each',
    permission: 'see-money',
    reply: z.array(
      z.object({
        id: z.string(),
        name: z.string(),
        setup: setupNameSchema,
        tiers: z.number(),
        options: z.number(),
        isTaken: z.boolean(),
      }),
    ),
  },
  'post /kit-plans': {
    summary: 'Plan a kit for a setup that is here, or for a new one of a purpose, which is made with it',
    permission: 'change-ledger',
    body: newKitPlanSchema,
    reply: kitPlanSchema,
    status: 201,
  },
  'get /kit-plans/:id': {
    summary: 'A planned kit: its sums of money, what it may be made of, and what became of it',
    permission: 'see-money',
    reply: kitPlanPageSchema,
  },
  'put /kit-plans/:id': {
    summary: 'Change a planned kit: its sums, what each role asks, prices and grades of its options',
    permission: 'change-ledger',
    body: kitPlanChangeSchema,
    reply: kitPlanSchema,
    isChange: true,
  },
  'delete /kit-plans/:id': {
    summary: 'Take a planned kit away; what was wished for by it stays',
    permission: 'change-ledger',
    reply: versionedSchema,
    isChange: true,
  },
  'post /kit-plans/:id/options': {
    summary: 'One more thing of which the kit may be made. What it is is told as of any new thing',
    permission: 'change-ledger',
    body: kitOptionSchema.omit({ id: true, modelId: true }).extend({ it: newWishSchema.shape.it }),
    reply: kitPlanSchema,
    isChange: true,
  },
  'get /kit-plans/:id/kits': {
    summary: 'A complete kit for each sum of money, side by side: proven best, or by how much it could be bettered',
    permission: 'see-money',
    reply: kitsSchema,
  },
  'post /kit-plans/:id/taken': {
    summary: 'Take the kit of one tier on: what is bought is wished for in its roles, what is here goes into them',
    permission: 'change-ledger',
    body: takenSchema,
    reply: kitPlanSchema,
    isChange: true,
  },
})
