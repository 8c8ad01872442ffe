import { z } from 'zod'
import { thingWantSchema } from '../../setups/proposals/thing-wants.ts'
import { defineContract } from '../contract.ts'

/** Routes of what a thing wants before it works. */
export const thingWantContract = defineContract('setups', {
  'get /units/:id/wants': {
    summary: 'What a thing wants before it works, what of the kit would do, and what is to be bought',
    permission: 'see-studio',
    reply: z.array(thingWantSchema),
  },
})
