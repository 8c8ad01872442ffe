import { z } from 'zod'
import { lookSchema } from '../../setups/checks/plan/look.ts'
import { jointChoicesSchema } from '../../setups/joining/joint-choices.ts'
import { pictureChangeSchema } from '../../setups/pictures/compare-pictures.ts'
import { pictureSchema } from '../../setups/pictures/picture.ts'
import { idSchema } from '../../studio/identity.ts'
import { defineContract } from '../contract.ts'

const bookingQuery = z.object({ bookingId: z.string().max(64).optional() })

/** The three pictures of a setup. */
export const picturesReplySchema = z.object({ rig: pictureSchema, signals: pictureSchema, power: pictureSchema })
export type PicturesReply = z.infer<typeof picturesReplySchema>

/** What is otherwise in each of them. */
export const pictureChangesReplySchema = z.object({
  rig: pictureChangeSchema,
  signals: pictureChangeSchema,
  power: pictureChangeSchema,
})

export const pictureContract = defineContract('setups', {
  'get /setups/:id/pictures': {
    summary: 'What stands on what, where signals go and what feeds what, with the figures where they arise',
    permission: 'see-studio',
    query: bookingQuery,
    reply: picturesReplySchema,
  },
  'get /setups/:id/picture-and-light': {
    summary:
      'What each camera sees and each lamp gives, and what they come to together, with how each figure was worked out',
    permission: 'see-studio',
    query: bookingQuery,
    reply: lookSchema,
  },
  'get /setups/:id/joints': {
    summary: 'Every end of one thing of a setup: what is joined there, what could be, and what never could and why',
    permission: 'see-studio',
    query: bookingQuery.extend({ key: z.string().min(1).max(96) }),
    reply: jointChoicesSchema,
  },
  'get /setups/:id/picture-changes': {
    summary: 'What moved and what is new in the pictures of a setup, against another setup or another of its bookings',
    permission: 'see-studio',
    query: bookingQuery.extend({ otherId: idSchema, otherBookingId: z.string().max(64).optional() }),
    reply: pictureChangesReplySchema,
  },
})
