import { z } from 'zod'
import { groupSchema } from '../../kit/model/category.ts'
import { amount } from '../../studio/people/secrecy.ts'
import { defineContract } from '../contract.ts'
import { namedSchema } from '../replies.ts'

export const scheduleRowSchema = z.object({
  id: z.string(),
  tag: z.string(),
  name: z.string(),
  kind: z.string(),
  group: groupSchema,
  serial: z.string().nullable(),
  acquisition: z.string(),
  isOthers: z.boolean(),
  acquiredOn: z.string().nullable(),
  place: z.string().nullable(),
  priceMinor: amount(z.number().nullable()),
  valueMinor: amount(z.number().nullable()),
  insuredMinor: amount(z.number().nullable()),
  warrantyUntil: z.string().nullable(),
  /** What another would cost; null where nobody said. */
  replacementMinor: amount(z.number().nullable()),
  /** What is left of what a pack held when it was new; null where nobody measured it. */
  healthPercent: z.number().nullable(),
})
export type ScheduleRow = z.infer<typeof scheduleRowSchema>

export const dutiesReplySchema = z.object({
  duties: z.array(z.object({ ...namedSchema.shape, what: z.string(), dueOn: z.string().nullable() })),
  /** What was promised and done, the latest first, with the film by which it was. */
  doneDuties: z.array(
    z.object({ ...namedSchema.shape, what: z.string(), doneOn: z.string(), film: z.string().nullable() }),
  ),
  disclosures: z.array(z.object({ ...namedSchema.shape, text: z.string(), until: z.string().nullable() })),
  gifts: z.array(
    z.object({
      year: z.number(),
      things: z.number(),
      valueMinor: amount(z.number().nullable()),
      /** Of so many nobody said what they are worth. */
      unknown: z.number(),
      /** What the tax on them comes to; null where the studio knows no rate. */
      taxMinor: amount(z.number().nullable()),
    }),
  ),
  goingBack: z.array(z.object({ ...namedSchema.shape, dueOn: z.string().nullable(), from: z.string().nullable() })),
})
export type DutiesReply = z.infer<typeof dutiesReplySchema>

/** Routes of the insurance schedule and what is owed for things. */
export const scheduleContract = defineContract('kit', {
  'get /kit-schedule': {
    summary: 'The kit for the insurer and the books: what, serial, since when, paid, worth, insured for',
    permission: 'see-money',
    reply: z.object({
      rows: z.array(scheduleRowSchema),
    }),
  },
  'get /kit-duties': {
    summary: 'What was promised for things, what is to be said of them, and what goes back when',
    permission: 'see-studio',
    reply: dutiesReplySchema,
  },
})
