import { z } from 'zod'
import { snapshotDifferenceSchema } from '../../kit/counting/snapshot.ts'
import { idSchema, nameSchema } from '../../studio/identity.ts'
import { defineContract } from '../contract.ts'
import { versionedSchema } from '../replies.ts'

export const snapshotRowSchema = z.object({
  id: z.string(),
  name: z.string(),
  takenAt: z.number(),
  things: z.number(),
  setups: z.number(),
  version: z.number(),
})
export type SnapshotRow = z.infer<typeof snapshotRowSchema>

/** Routes of the kit as it was on a day. */
export const snapshotContract = defineContract('kit', {
  'get /snapshots': {
    summary: 'Days of which the kit was kept as it was, the newest first',
    permission: 'see-studio',
    reply: z.array(snapshotRowSchema),
  },
  'get /snapshots/difference': {
    summary: 'What came, went and changed from one snapshot to another, or to now',
    permission: 'see-studio',
    query: z.object({ from: idSchema, to: idSchema.default('now') }),
    reply: z.object({ ...snapshotDifferenceSchema.shape, from: z.string(), to: z.string() }),
  },
  'post /snapshots': {
    summary: 'Keep the kit and the setups as they are now',
    permission: 'change-kit',
    body: z.object({ name: nameSchema }),
    reply: z.object({ id: z.string(), name: z.string(), version: z.number() }),
    status: 201,
  },
  'delete /snapshots/:id': {
    summary: 'Let a snapshot go',
    permission: 'change-kit',
    reply: versionedSchema,
    isChange: true,
  },
})
