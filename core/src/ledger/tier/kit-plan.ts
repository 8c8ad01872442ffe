import { z } from 'zod'
import { wantedAbilitySchema } from '../../kit/unit/ability.ts'
import { idSchema, nameSchema, versionSchema } from '../../studio/identity.ts'
import { amount } from '../../studio/people/secrecy.ts'
import { PURPOSE_CODES } from '../../studio/policy/purpose.ts'
import { minorSchema } from '../../units/money.ts'
import { dateSchema } from '../../units/wall-time.ts'
import { wishPriceSchema } from '../wish/wish.ts'

/** From what a kit is put together. */
export const KIT_BASES = {
  nothing: 'Everything is bought',
  house: 'What the setup has stays, and what lies free is used',
} as const
export type KitBase = keyof typeof KIT_BASES
const KIT_BASE_CODES = Object.keys(KIT_BASES) as [KitBase, ...KitBase[]]

/** How good something is, as the manager says; counted so many times where the best kit for the money is looked for. */
export const KIT_GRADES = { 1: 'Does the job', 2: 'Good', 3: 'One to keep' } as const
export type KitGrade = keyof typeof KIT_GRADES

/** Whether something comes into a kit. */
export const OPTION_USES = { may: 'May be chosen', must: 'In every kit', not: 'Left out' } as const
const OPTION_USE_CODES = Object.keys(OPTION_USES) as [keyof typeof OPTION_USES, ...(keyof typeof OPTION_USES)[]]

/** Something that might be bought for a kit. Nothing of it stands in the store. */
export const kitOptionSchema = z.object({
  id: idSchema,
  modelId: idSchema,
  /** So many pieces of it at most. */
  most: z.number().int().min(1, 'At least one.').max(12, 'At most 12.').default(1),
  /** Null where nobody knows its price: it is in no kit then. */
  price: wishPriceSchema.nullable().default(null),
  grade: z.union([z.literal(1), z.literal(2), z.literal(3)]).default(1),
  use: z.enum(OPTION_USE_CODES).default('may'),
})
export type KitOption = z.infer<typeof kitOptionSchema>

/** A sum of money for which there is to be a whole kit. */
export const tierSchema = z.object({
  id: idSchema,
  name: nameSchema,
  budgetMinor: amount(minorSchema.min(0, 'A budget is not negative.')),
  /** Its kit is taken on once so many films are published; null asks for none. */
  afterFilms: z.number().int().min(1, 'At least one.').max(999).nullable().default(null),
})
export type Tier = z.infer<typeof tierSchema>

/** What a role asks of whatever fills it, beside its kind. */
export const roleMustSchema = z.object({ roleId: idSchema, wants: z.array(wantedAbilitySchema).min(1).max(6) })
export type RoleMust = z.infer<typeof roleMustSchema>

const bodyFields = {
  name: nameSchema,
  base: z.enum(KIT_BASE_CODES).default('nothing'),
  /** Stills alone: without the roles of sound. */
  isStills: z.boolean().default(false),
  weighting: z.enum(['even', 'sound', 'light', 'lens', 'body']).default('even'),
  musts: z.array(roleMustSchema).max(40).default([]),
  tiers: z.array(tierSchema).max(5, 'At most five side by side.').default([]),
}

/** A kit to be put together for a setup that is here, or for a new one of a purpose. */
export const newKitPlanSchema = z
  .object({ name: nameSchema, setupId: idSchema.nullable(), purpose: z.enum(PURPOSE_CODES).nullable().default(null) })
  .refine(({ setupId, purpose }) => (setupId === null) !== (purpose === null || purpose === 'other'), {
    message: 'Say for which setup it is, or of which purpose a new one is.',
    path: ['setupId'],
  })

export const kitPlanChangeSchema = z.object({
  ...bodyFields,
  options: z.array(kitOptionSchema).max(80, 'At most 80 things to choose from.').default([]),
})
export type KitPlanChange = z.infer<typeof kitPlanChangeSchema>

export const kitPlanSchema = kitPlanChangeSchema.extend({
  id: idSchema,
  version: versionSchema,
  /** The setup of which the roles are filled. */
  setupId: idSchema,
  /** The tier of which the kit was taken on, and its wishes. */
  taken: z.object({ tierId: idSchema, on: dateSchema, wishIds: z.array(idSchema) }).nullable(),
})
export type KitPlan = z.infer<typeof kitPlanSchema>

/** Where one group takes more of a kit than this, somebody should look. Common practice, from memory. */
export const MOST_SHARE_PERCENT = 50

/** Films that are not published yet before a tier opens; nothing where it is open. */
export const countFilmsToGo = ({ afterFilms }: Pick<Tier, 'afterFilms'>, published: number): number =>
  Math.max(0, (afterFilms ?? 0) - published)
