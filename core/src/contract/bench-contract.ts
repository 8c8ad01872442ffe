import { z } from 'zod'
import { faultSchema, newFaultSchema } from '../bench/fault.ts'
import { newChargesSchema } from '../kit/unit/charge.ts'
import { noteSchema } from '../studio/identity.ts'
import { dateSchema } from '../units/wall-time.ts'
import { defineContract } from './contract.ts'
import { serveSchema, versionedSchema } from './replies.ts'

export const benchReplySchema = z.object({
  today: z.string(),
  serviceNoticeDays: z.number(),
  services: z.array(
    z.object({
      unitId: z.string(),
      tag: z.string(),
      name: z.string(),
      unitVersion: z.number(),
      serviceEveryDays: z.number().nullable(),
      lastServicedOn: z.string().nullable(),
      dueOn: z.string(),
      daysLeft: z.number(),
      isDue: z.boolean(),
    }),
  ),
  faults: z.array(z.object({ ...faultSchema.shape, tag: z.string(), name: z.string(), usedIn: z.array(serveSchema) })),
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
  'post /charges': {
    summary: 'Say what came off its charger, or was worked from',
    permission: 'bring-back',
    body: newChargesSchema,
    reply: z.object({ tags: z.array(z.string()) }),
    status: 201,
  },
  'post /units/:id/services': {
    summary: 'Record a service',
    permission: 'mend',
    body: z.object({ on: dateSchema, note: noteSchema }),
    reply: versionedSchema,
    isChange: true,
  },
})
