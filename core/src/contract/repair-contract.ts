import { z } from 'zod'
import { newRepairSchema, repairChangeSchema, repairSchema } from '../bench/repair.ts'
import { contactSchema } from '../studio/people/person.ts'
import { contactList } from '../studio/people/secrecy.ts'
import { defineContract } from './contract.ts'

export const repairsReplySchema = z.object({
  today: z.string(),
  /** Those that go on, the one that was asked for first at the top, then those that ended within a year, the last first. */
  repairs: z.array(
    z.object({
      ...repairSchema.shape,
      tag: z.string(),
      name: z.string(),
      fault: z.string().nullable(),
      party: z.string().nullable(),
      contacts: contactList(z.array(contactSchema)),
      /** What to do for a claim, as its papers say. */
      claimSteps: z.string(),
    }),
  ),
})
export type RepairsReply = z.infer<typeof repairsReplySchema>

/** Routes of what is out to be mended. */
export const repairContract = defineContract('bench', {
  'get /repairs': {
    summary: 'What is asked for, sent, quoted or back to be tried, and what ended within a year',
    permission: 'see-studio',
    reply: repairsReplySchema,
  },
  'post /units/:id/repairs': {
    summary: 'Begin a repair: whom to ask, and who pays',
    permission: 'mend',
    body: newRepairSchema,
    reply: repairSchema,
    status: 201,
  },
  'put /repairs/:id': {
    summary: 'Say how far a repair has come: the thing leaves and comes back with it',
    permission: 'mend',
    body: repairChangeSchema,
    reply: repairSchema,
    isChange: true,
  },
})
