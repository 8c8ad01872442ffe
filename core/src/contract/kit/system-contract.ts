import { z } from 'zod'
import {
  bodyPointsSchema,
  conformitySchema,
  headWeightSchema,
  makerMixSchema,
  portabilitySchema,
  systemShareSchema,
} from '../../kit/model/one-system.ts'
import { idSchema } from '../../studio/identity.ts'
import { policyRefSchema } from '../../studio/policy/policy.ts'
import { defineContract } from '../contract.ts'

export const systemsReplySchema = z.object({
  systems: z.array(systemShareSchema),
  follows: policyRefSchema,
  plates: z.array(
    z.object({
      code: z.string(),
      label: z.string(),
    }),
  ),
  plate: z.string(),
  conformity: conformitySchema,
  portability: z.array(portabilitySchema),
  bodies: z.array(bodyPointsSchema),
  mixes: z.array(makerMixSchema),
  modifiers: z.array(headWeightSchema),
})
export type SystemsReply = z.infer<typeof systemsReplySchema>

/** Routes of mounts and systems. */
export const systemContract = defineContract('kit', {
  'get /systems': {
    summary:
      'Mounts, packs and plates as families: what hangs on each, what leaving it costs, what fits how many devices',
    permission: 'see-studio',
    query: z.object({ plate: idSchema.optional(), eachMinor: z.coerce.number().int().min(0).max(1e9).optional() }),
    reply: systemsReplySchema,
  },
})
