import { z } from 'zod'
import { cableAnswerSchema } from '../../setups/proposals/cable-finder.ts'
import { cableKindSchema } from '../../setups/proposals/cable-stock.ts'
import { idSchema } from '../../studio/identity.ts'
import { defineContract } from '../contract.ts'

const wayMm = z.coerce.number().int().min(0).max(1_000_000).optional()

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
      /** How long it has to be where that is known already, slack included. */
      neededMm: wayMm,
      /** Else the way as somebody measured it: up, along, down; the slack of the studio is added. */
      upMm: wayMm,
      alongMm: wayMm,
      downMm: wayMm,
    }),
    reply: cableAnswerSchema.extend({
      /** How long it has to be, slack included; null where nobody measured the way. */
      neededMm: z.number().nullable(),
      slackPercent: z.number(),
    }),
  },
})
