import { z } from 'zod'
import { studioSchema, studioSettingsSchema } from '../../studio/policy/settings.ts'
import { defineContract } from '../contract.ts'

/** Replies that the server composes for a page; the parts are core's own types. */
export const studioReplySchema = z.object({ ...studioSchema.shape, now: z.number() })
export type StudioReply = z.infer<typeof studioReplySchema>

/** Routes of the studio’s settings. */
export const settingsContract = defineContract('studio', {
  'get /studio': {
    summary: 'Settings of the studio, and what time Exemplar takes it to be',
    permission: 'signed-in',
    reply: studioReplySchema,
  },
  'put /studio': {
    summary: 'Change the settings',
    permission: 'change-settings',
    body: studioSettingsSchema,
    reply: studioSchema,
    isChange: true,
  },
})
