import { z } from 'zod'
import { cableAnswerSchema } from '../../setups/proposals/cable-finder.ts'
import { cableKindSchema } from '../../setups/proposals/cable-stock.ts'
import { idSchema } from '../../studio/identity.ts'
import { defineContract } from '../contract.ts'

/** Routes of cables that reach. */
export const cableContract = defineContract('setups', {
  'get /cable-stock': {
    summary: 'Cables, leads and adapters by their ends: how many there are and how many are spare',
    permission: 'see-studio',
    reply: z.array(cableKindSchema),
  },
  'get /cable-ways': {
    summary: 'Which free cables and adapters join two ends, over so long a way, or what to buy',
    permission: 'see-studio',
    query: z.object({
      fromUnitId: idSchema,
      fromPortId: idSchema,
      toUnitId: idSchema,
      toPortId: idSchema,
      neededMm: z.coerce.number().int().min(0).max(1_000_000).optional(),
    }),
    reply: cableAnswerSchema,
  },
})
