import { z } from 'zod'
import { bundleSchema } from '../../kit/entry/bundle.ts'
import { defineContract } from '../contract.ts'

/** Routes of receiving a bundle. */
export const bundleContract = defineContract('kit', {
  'post /bundles': {
    summary: 'Take in one purchase as several things: its price is split, and what was not in the box is to be bought',
    permission: 'change-kit',
    body: bundleSchema,
    reply: z.object({
      tags: z.array(z.string()),
      missing: z.array(z.string()),
    }),
    status: 201,
  },
})
