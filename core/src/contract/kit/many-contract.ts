import { z } from 'zod'
import { manySchema } from '../../kit/unit/change-many.ts'
import { defineContract } from '../contract.ts'

export const manyReplySchema = z.object({
  changed: z.number(),
  unchanged: z.number(),
  obstacles: z.number(),
  lines: z.array(
    z.object({
      id: z.string(),
      tag: z.string(),
      name: z.string(),
      changes: z.array(
        z.object({
          field: z.string(),
          before: z.string(),
          after: z.string(),
        }),
      ),
      obstacle: z.string().nullable(),
    }),
  ),
})
export type ManyReply = z.infer<typeof manyReplySchema>

/** Routes of changing many things at once. */
export const manyContract = defineContract('kit', {
  'post /units/change-many/preview': {
    summary: 'Say what a change of many things would do to each; writes nothing',
    permission: 'change-kit',
    body: manySchema,
    reply: manyReplySchema,
  },
  'post /units/change-many': {
    summary: 'Change many things at once, as one change to be taken back',
    permission: 'change-kit',
    body: manySchema,
    reply: manyReplySchema,
  },
})
