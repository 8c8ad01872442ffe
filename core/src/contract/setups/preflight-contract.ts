import { z } from 'zod'
import { powerSourceSchema } from '../../kit/model/power-source.ts'
import { soundRouteSchema } from '../../setups/proposals/sound-route.ts'
import { startLineSchema } from '../../setups/timing/preflight.ts'
import { policyRefSchema } from '../../studio/policy/policy.ts'
import { defineContract } from '../contract.ts'
import { contextQuery, setupNameSchema } from '../replies.ts'

export const startReplySchema = z.object({
  setup: setupNameSchema,
  lines: z.array(startLineSchema),
  sources: z.array(
    z.object({
      tag: z.string(),
      name: z.string(),
      source: powerSourceSchema,
    }),
  ),
})
export type StartReply = z.infer<typeof startReplySchema>

export const soundRoutesReplySchema = z.object({
  follows: policyRefSchema,
  microphones: z.array(
    z.object({
      tag: z.string(),
      name: z.string(),
      routes: z.array(soundRouteSchema),
    }),
  ),
})
export type SoundRoutesReply = z.infer<typeof soundRoutesReplySchema>

/** Routes of preflight, programs and how a setup starts. */
export const preflightContract = defineContract('setups', {
  'get /setups/:id/start': {
    summary: 'What is done before it records: pairing, charging, cards, settings, and what each thing lives on',
    permission: 'see-studio',
    query: contextQuery,
    reply: startReplySchema,
  },
  'get /setups/:id/sound-routes': {
    summary:
      'For each microphone: straight into the camera, into a recorder, or both, with parts, failure points and minutes',
    permission: 'see-studio',
    query: contextQuery,
    reply: soundRoutesReplySchema,
  },
})
