import { z } from 'zod'
import { CATEGORY_CODES, isKindOf } from '../kit/model/category.ts'
import type { Model } from '../kit/model/model.ts'
import type { Unit } from '../kit/unit/unit.ts'
import { idSchema, nameSchema, noteSchema, versionSchema } from '../studio/identity.ts'
import { dateSchema } from '../units/wall-time.ts'

/** For what a plan is: all things of a kind, all of a model, or one. */
export const planSubjectSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('category'), category: z.enum(CATEGORY_CODES) }),
  z.object({ kind: z.literal('model'), modelId: idSchema }),
  z.object({ kind: z.literal('unit'), unitId: idSchema }),
])
export type PlanSubject = z.infer<typeof planSubjectSchema>

const every = (most: number) => z.number().int().min(1, 'At least 1.').max(most, `At most ${most}.`).nullable()

const planFields = z.object({
  name: nameSchema,
  subject: planSubjectSchema,
  /** Whichever comes first; what is null does not count. */
  everyDays: every(3650),
  everyUses: every(10_000),
  everyHours: every(100_000),
  /** Charges of a pack, or of what has one inside. */
  everyCycles: every(5_000).default(null),
  /** As soon as so much of its energy is left, in per cent. */
  healthBelow: every(99).default(null),
  /** So many days after it is due it is late. */
  graceDays: z.number().int().min(0).max(365).default(0),
  minutes: z.number().int().min(0).max(1440).nullable().default(null),
  steps: noteSchema.default(''),
  parts: z.string().trim().max(300).default(''),
  /** Who does it: somebody of the team, a workshop, a licensed electrician. */
  who: z.string().trim().max(120).default(''),
})

/** What is done to a thing again and again, and how often. */
export const newServicePlanSchema = planFields.refine(
  (it) => [it.everyDays, it.everyUses, it.everyHours, it.everyCycles, it.healthBelow].some((way) => way !== null),
  { message: 'Say how often: in days, uses, hours or charges, or at which health.', path: ['everyDays'] },
)
export type NewServicePlan = z.infer<typeof newServicePlanSchema>

export const servicePlanSchema = planFields.extend({
  id: idSchema,
  version: versionSchema,
  archivedAt: z.number().int().nullable(),
})
export type ServicePlan = z.infer<typeof servicePlanSchema>

/** Whether a plan is for a thing. */
export function isPlanFor(
  { subject }: Pick<ServicePlan, 'subject'>,
  unit: Pick<Unit, 'id' | 'modelId'>,
  model: Pick<Model, 'category'>,
): boolean {
  switch (subject.kind) {
    case 'category':
      return isKindOf(model.category, subject.category)
    case 'model':
      return unit.modelId === subject.modelId
    case 'unit':
      return unit.id === subject.unitId
    default:
      return subject satisfies never
  }
}

/** Several services done on one day; one without a plan is of the thing's own interval. */
export const newServicesSchema = z.object({
  items: z
    .array(z.object({ unitId: idSchema, planId: idSchema.nullable() }))
    .min(1, 'What was done?')
    .max(200),
  on: dateSchema,
  /** What was found: a colour still true, a spring retightened, a value of a safety test. */
  note: noteSchema,
})
export type NewServices = z.infer<typeof newServicesSchema>

/** Uses and hours that no booking tells of. */
export const newUseSchema = z
  .object({
    on: dateSchema,
    uses: z.number().int().min(0).max(1000),
    hours: z.number().min(0).max(10_000),
    note: noteSchema.default(''),
  })
  .refine((it) => it.uses > 0 || it.hours > 0, { message: 'Say how many uses or how many hours.', path: ['uses'] })
export type NewUse = z.infer<typeof newUseSchema>
