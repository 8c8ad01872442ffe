import { z } from 'zod'
import { capacityRunSchema } from '../bench/capacity.ts'
import { lifeMonthSchema } from '../bench/life.ts'
import { newServicePlanSchema, newServicesSchema, newUseSchema, servicePlanSchema } from '../bench/service-plan.ts'
import { defineContract } from './contract.ts'
import { versionedSchema } from './replies.ts'

/** One thing and one thing that is done to it, with when. */
export const serviceLineSchema = z.object({
  unitId: z.string(),
  tag: z.string(),
  name: z.string(),
  place: z.string().nullable(),
  /** Null is the thing's own interval. */
  planId: z.string().nullable(),
  plan: z.string(),
  everyDays: z.number().nullable(),
  everyUses: z.number().nullable(),
  everyHours: z.number().nullable(),
  everyCycles: z.number().nullable(),
  healthBelow: z.number().nullable(),
  minutes: z.number().nullable(),
  steps: z.string(),
  parts: z.string(),
  who: z.string(),
  lastOn: z.string().nullable(),
  /** Since then. */
  uses: z.number(),
  hours: z.number(),
  cycles: z.number(),
  healthPercent: z.number().nullable(),
  dueOn: z.string().nullable(),
  by: z.enum(['days', 'uses', 'hours', 'cycles', 'condition']).nullable(),
  isForecast: z.boolean(),
  daysLeft: z.number().nullable(),
  isDue: z.boolean(),
  isLate: z.boolean(),
  /** What it is booked for next: until then, or after it. */
  booked: z.object({ title: z.string(), day: z.string(), isOut: z.boolean() }).nullable(),
})
export type ServiceLine = z.infer<typeof serviceLineSchema>

export const servicesReplySchema = z.object({
  today: z.string(),
  serviceNoticeDays: z.number(),
  lines: z.array(serviceLineSchema),
  plans: z.array(z.object({ ...servicePlanSchema.shape, about: z.string(), things: z.number() })),
  /** Plans that usually go with the kinds that are here, and that nobody took on. */
  usual: z.array(newServicePlanSchema),
})
export type ServicesReply = z.infer<typeof servicesReplySchema>

/** Routes of what is done again and again. */
export const serviceContract = defineContract('bench', {
  'get /services': {
    summary: 'What is to be serviced, when and by what, and the plans behind it',
    permission: 'see-studio',
    reply: servicesReplySchema,
  },
  'get /units/:id/upkeep': {
    summary: 'What is done to one thing, when it was, and how much it was used',
    permission: 'see-studio',
    reply: z.object({
      lines: z.array(serviceLineSchema),
      done: z.array(
        z.object({ id: z.string(), on: z.string(), plan: z.string(), note: z.string(), person: z.string().nullable() }),
      ),
      life: z.array(lifeMonthSchema),
      /** How often it served here, and how often it failed of itself: what stands beside what is only heard of it. */
      record: z.object({ uses: z.number(), failures: z.number() }),
      /** What was measured of a pack, the last first. */
      runs: z.array(capacityRunSchema),
      uses: z.array(
        z.object({ id: z.string(), on: z.string(), uses: z.number(), hours: z.number(), note: z.string() }),
      ),
    }),
  },
  'post /service-plans': {
    summary: 'Make a plan of what is done again and again',
    permission: 'mend',
    body: newServicePlanSchema,
    reply: servicePlanSchema,
    status: 201,
  },
  'put /service-plans/:id': {
    summary: 'Change a plan',
    permission: 'mend',
    body: newServicePlanSchema,
    reply: servicePlanSchema,
    isChange: true,
  },
  'post /service-plans/:id/end': {
    summary: 'End a plan; what was done by it stays recorded',
    permission: 'mend',
    reply: versionedSchema,
    isChange: true,
  },
  'post /services': {
    summary: 'Record what was done, to several things at once',
    permission: 'mend',
    body: newServicesSchema,
    reply: z.object({ done: z.number() }),
    status: 201,
  },
  'post /units/:id/uses': {
    summary: 'Record uses and hours that no booking tells of',
    permission: 'bring-back',
    body: newUseSchema,
    reply: z.object({ id: z.string() }),
    status: 201,
  },
})
