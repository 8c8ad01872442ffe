import { z } from 'zod'
import { changeOverSchema } from '../../setups/timing/change-over.ts'
import { floorSpaceSchema } from '../../setups/timing/floor-space.ts'
import { rigTimeSchema, standingCostSchema } from '../../setups/timing/rig-minutes.ts'
import { idSchema } from '../../studio/identity.ts'
import { sizeSchema } from '../../studio/places/place.ts'
import { policyRefSchema } from '../../studio/policy/policy.ts'
import { defineContract } from '../contract.ts'

export const minutesReplySchema = z.object({
  time: rigTimeSchema,
  floor: floorSpaceSchema,
  follows: policyRefSchema,
  cost: standingCostSchema,
  room: z
    .object({
      name: z.string(),
      otherUses: z.string(),
      size: sizeSchema.nullable(),
    })
    .nullable(),
  base: z
    .object({
      name: z.string(),
      floor: floorSpaceSchema,
    })
    .nullable(),
})
export type MinutesReply = z.infer<typeof minutesReplySchema>

export const changeOverReplySchema = z.object({ ...changeOverSchema.shape, lies: z.record(z.string(), z.string()) })
export type ChangeOverReply = z.infer<typeof changeOverReplySchema>

/** Routes of rig time, floor space and change-over. */
export const rigTimeContract = defineContract('setups', {
  'get /setups/:id/minutes': {
    summary: 'Minutes until a setup can record, what staying rigged would save, and the floor that it takes',
    permission: 'see-studio',
    reply: minutesReplySchema,
  },
  'get /setups/:id/change-over': {
    summary: 'Every step from another setup to this one with its minutes, and what a second one of a thing would save',
    permission: 'see-studio',
    query: z.object({ fromId: idSchema }),
    reply: z.object({ ...changeOverReplySchema.shape, changesPerMonth: z.number() }),
  },
  'get /bookings/:id/change-over': {
    summary: 'The change-over from what is shot in the same room before',
    permission: 'see-studio',
    reply: z.object({
      before: z
        .object({
          ...changeOverReplySchema.shape,
          from: z.object({
            title: z.string(),
            setupId: z.string(),
            endsAt: z.string(),
          }),
          rigMinutes: z.number(),
          /** From the end of the one to the start of the next. */
          gapMinutes: z.number(),
        })
        .nullable(),
    }),
  },
})
