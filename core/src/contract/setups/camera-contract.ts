import { z } from 'zod'
import { likeFramingSchema } from '../../formulas/picture/framing.ts'
import { cameraAngleSchema } from '../../setups/checks/picture/camera-angles.ts'
import { positionSchema } from '../../setups/setup/setting-card.ts'
import { defineContract } from '../contract.ts'
import { setupNameSchema } from '../replies.ts'

export const angleReplySchema = z.object({
  ...cameraAngleSchema.shape,
  alike: z.array(
    z.object({
      unitId: z.string(),
      tag: z.string(),
      like: likeFramingSchema.nullable(),
    }),
  ),
})
export type AngleReply = z.infer<typeof angleReplySchema>

export const lookReplySchema = z.object({
  ...setupNameSchema.shape,
  angles: z.array(angleReplySchema),
  backdrops: z.array(z.string()),
  lights: z.array(
    z.object({
      role: z.string(),
      detail: z.string(),
      position: positionSchema.nullable(),
      things: z.number(),
    }),
  ),
  moves: z.number(),
})
export type LookReply = z.infer<typeof lookReplySchema>

/** Routes of what each camera frames. */
export const cameraContract = defineContract('setups', {
  'get /cameras': {
    summary: 'Every angle of every setup: body, lens, what is framed, and how another body would frame alike',
    permission: 'see-studio',
    reply: z.array(z.object({ ...setupNameSchema.shape, angles: z.array(angleReplySchema) })),
  },
  'get /setups/:id/looks': {
    summary: 'A setup and its variants side by side: focal length, distance, framing, backdrop, light moves',
    permission: 'see-studio',
    reply: z.array(lookReplySchema),
  },
})
