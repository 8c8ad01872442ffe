import { z } from 'zod'
import { REPAIR_CLAIM_CODES } from '../bench/repair.ts'
import { newChargesSchema } from '../kit/unit/charge.ts'
import {
  faultSchema,
  mendOrReplaceSchema,
  newFaultSchema,
  REPLACEMENT_REASONS,
  type ReplacementReason,
} from '../kit/unit/fault.ts'
import { noteSchema } from '../studio/identity.ts'
import { amount } from '../studio/people/secrecy.ts'
import { dateSchema } from '../units/wall-time.ts'
import { defineContract } from './contract.ts'
import { serveSchema, versionedSchema } from './replies.ts'
import { serviceLineSchema } from './service-contract.ts'

export const temporaryFixSchema = z.object({
  unitId: z.string(),
  tag: z.string(),
  name: z.string(),
  text: z.string(),
  recheckOn: z.string().nullable(),
  isDue: z.boolean(),
  isOnLamp: z.boolean(),
  heldBy: z.object({ tag: z.string(), name: z.string(), left: z.number() }).nullable(),
})
export type TemporaryFix = z.infer<typeof temporaryFixSchema>

export const benchReplySchema = z.object({
  today: z.string(),
  serviceNoticeDays: z.number(),
  services: z.array(serviceLineSchema),
  faults: z.array(
    z.object({
      ...faultSchema.shape,
      tag: z.string(),
      name: z.string(),
      usedIn: z.array(serveSchema),
      /** How many of its faults were reported within a year, this one among them; what only looks bad is none. */
      timesInYear: z.number(),
      days: z.number(),
      /** Uses since it was reported, and what getting along with it took, where somebody said how much each time. */
      usesSince: z.number(),
      lostMinutes: z.number().nullable(),
      advice: mendOrReplaceSchema,
      repairMinor: amount(z.number()),
      newMinor: amount(z.number().nullable()),
      /** Who pays by its papers, until when that can be claimed, and whether the papers say so for sure. */
      claim: z.enum(REPAIR_CLAIM_CODES),
      claimBy: z.string().nullable(),
      isClaimSure: z.boolean(),
      claimSteps: z.string(),
    }),
  ),
  /** What is held by tape and the like. */
  fixes: z.array(temporaryFixSchema),
  /** What is due for replacement, also what is kept all the same, with why. */
  replacements: z.array(
    z.object({
      unitId: z.string(),
      tag: z.string(),
      name: z.string(),
      why: z.enum(Object.keys(REPLACEMENT_REASONS) as [ReplacementReason, ...ReplacementReason[]]),
      note: z.string(),
      newMinor: amount(z.number().nullable()),
      keptBecause: z.string(),
      keptUntil: z.string().nullable(),
      /** Somebody said why, and that still holds. */
      isKept: z.boolean(),
      /** Another is on the shopping list. */
      isPlanned: z.boolean(),
    }),
  ),
  inRepair: z.array(
    z.object({
      unitId: z.string(),
      tag: z.string(),
      name: z.string(),
      dueOn: z.string().nullable(),
      note: z.string(),
      unitVersion: z.number(),
      usedIn: z.array(serveSchema),
    }),
  ),
})
export type BenchReply = z.infer<typeof benchReplySchema>

/** Routes of faults, services and repairs. */
export const benchContract = defineContract('bench', {
  'get /bench': {
    summary: 'What is due, what is broken, what is in repair',
    permission: 'see-studio',
    reply: benchReplySchema,
  },
  'post /units/:id/faults': {
    summary: 'Report a fault',
    permission: 'report-fault',
    body: newFaultSchema,
    reply: faultSchema,
    status: 201,
  },
  'post /faults/:id/mend': {
    summary: 'Close a fault',
    permission: 'mend',
    body: z.object({ note: noteSchema }),
    reply: faultSchema,
    isChange: true,
  },
  'post /units/:id/keep': {
    summary: 'Keep a thing that is due for replacement: why, and until when',
    permission: 'change-kit',
    body: z.object({
      because: z.string().trim().min(1, 'Say why it is kept.').max(300),
      until: dateSchema.nullable(),
    }),
    reply: versionedSchema,
    isChange: true,
  },
  'post /charges': {
    summary: 'Say what came off its charger, or was worked from',
    permission: 'bring-back',
    body: newChargesSchema,
    reply: z.object({ tags: z.array(z.string()) }),
    status: 201,
  },
})
