import { z } from 'zod'
import { SHARING, type Sharing, useFiguresSchema } from '../../kit/worth/use-and-worth.ts'
import { tapeSchema } from '../../setups/setup/setup.ts'
import { amount } from '../../studio/people/secrecy.ts'
import { defineContract } from '../contract.ts'
import { namedSchema } from '../replies.ts'

export const figuresReplySchema = z.object({
  use: z.array(
    z.object({
      ...namedSchema.shape,
      ...useFiguresSchema.shape,
      reason: z.string(),
      resaleMinor: amount(z.number().nullable()),
      isRisk: z.boolean(),
    }),
  ),
  demand: z.array(
    z.object({
      ...namedSchema.shape,
      owned: z.number(),
      peak: z.number(),
      peakAt: z.number().nullable(),
      allAtOnce: z.number(),
    }),
  ),
  setups: z.array(
    z.object({
      id: z.string(),
      code: z.string(),
      tape: tapeSchema,
      name: z.string(),
      paidMinor: amount(z.number().nullable()),
      worthMinor: amount(z.number().nullable()),
      replacementMinor: amount(z.number().nullable()),
      /** Of how many things nobody knows what was paid, what they are worth, what they cost anew. */
      unknown: z.object({ paid: z.number(), worth: z.number(), anew: z.number() }),
      shared: z.number(),
    }),
  ),
  capacities: z.array(
    z.object({
      label: z.string(),
      pieces: z.number(),
      megabytes: z.number(),
      milliwattHours: z.number(),
      unknown: z.number(),
      unmeasured: z.number(),
    }),
  ),
})
export type FiguresReply = z.infer<typeof figuresReplySchema>

export const figuresQuery = z.object({
  sharing: z.enum(Object.keys(SHARING) as [Sharing, ...Sharing[]]).default('full'),
})

/** Routes of use, worth and demand over all things. */
export const figuresContract = defineContract('kit', {
  'get /kit-figures': {
    summary:
      'How often things are out and what that costs, what is wanted at once, what setups are worth, what holds how much',
    permission: 'see-studio',
    query: figuresQuery,
    reply: figuresReplySchema,
  },
})
