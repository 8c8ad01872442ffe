import { z } from 'zod'
import { choosingSchema } from '../../setups/proposals/choosing.ts'
import { connectPlanSchema } from '../../setups/proposals/connecting.ts'
import { factFieldSchema, roleFieldSchema, stageFieldSchema } from '../../setups/setup/setup-difference.ts'
import { readinessChangeSchema, workingChangeSchema } from '../../setups/verdict/assessment-change.ts'
import { findingLevelSchema } from '../../studio/finding.ts'
import { idSchema } from '../../studio/identity.ts'
import { defineContract } from '../contract.ts'
import { contextQuery } from '../replies.ts'

export const swapReplySchema = z.object({
  /** Which of its ends take the place of which. */
  ends: z.record(z.string(), z.string()),
  counts: z.record(findingLevelSchema, z.number()),
  change: readinessChangeSchema,
  figures: z.array(workingChangeSchema),
  orphans: z.array(
    z.object({
      tag: z.string(),
      name: z.string(),
    }),
  ),
})
export type SwapReply = z.infer<typeof swapReplySchema>

export const namedDifferenceSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.enum(['role-added', 'role-gone']),
    role: z.string(),
    things: z.array(z.string()),
  }),
  z.object({
    kind: z.literal('things'),
    role: z.string(),
    gone: z.array(z.string()),
    added: z.array(z.string()),
  }),
  z.object({
    kind: z.literal('role-changed'),
    role: z.string(),
    fields: z.array(roleFieldSchema),
  }),
  z.object({ kind: z.literal('stage'), fields: z.array(stageFieldSchema) }),
  z.object({
    kind: z.literal('fact'),
    field: factFieldSchema,
    before: z.string(),
    after: z.string(),
  }),
])
export type NamedDifference = z.infer<typeof namedDifferenceSchema>

/** Routes of what Exemplar proposes for a setup. */
export const proposalContract = defineContract('setups', {
  'get /setups/:id/connect': {
    summary: 'What of the store would join everything in a setup, proven best, or what cannot be met and why',
    permission: 'see-studio',
    query: contextQuery,
    reply: connectPlanSchema,
  },
  'get /setups/:id/choose': {
    summary: 'Which free things would fill the empty roles of a setup best, and why',
    permission: 'see-studio',
    query: contextQuery,
    reply: choosingSchema,
  },
  'get /setups/:id/without': {
    summary: 'What would be found without one of its things, and what would be gone',
    permission: 'see-studio',
    query: contextQuery.extend({ unitId: idSchema }),
    reply: z.object({
      counts: z.record(findingLevelSchema, z.number()),
      change: readinessChangeSchema,
      empties: z.array(z.string()),
      figures: z.array(workingChangeSchema),
    }),
  },
  'get /setups/:id/swap': {
    summary: 'What would be found with another thing in the place of one, and what would be left without a place',
    permission: 'see-studio',
    query: contextQuery.extend({ unitId: idSchema, byUnitId: idSchema }),
    reply: swapReplySchema,
  },
  'get /setups/:id/difference': {
    summary: 'What is otherwise in another setup: roles, things, room and time',
    permission: 'see-studio',
    query: z.object({ otherId: idSchema }),
    reply: z.object({
      differences: z.array(namedDifferenceSchema),
    }),
  },
})
