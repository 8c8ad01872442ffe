import { z } from 'zod'
import { SUBJECT_TYPES } from '../../studio/history/event.ts'
import { pastRecord } from '../../studio/people/secrecy.ts'
import { defineContract } from '../contract.ts'

export const eventRowSchema = z.object({
  id: z.number(),
  at: z.number(),
  kind: z.string(),
  data: pastRecord(z.record(z.string(), z.unknown())),
  person: z.string().nullable(),
  changeId: z.number().nullable(),
  isUndone: z.boolean(),
  canUndo: z.boolean(),
})
export type EventRow = z.infer<typeof eventRowSchema>

export const changeRowSchema = z.object({
  id: z.number(),
  at: z.number(),
  personId: z.string().nullable(),
  person: z.string().nullable(),
  undoes: z.number().nullable(),
  events: z.array(
    z.object({
      kind: z.string(),
      subjectType: z.string(),
      subjectId: z.string(),
      name: z.string(),
      data: pastRecord(z.record(z.string(), z.unknown())),
    }),
  ),
  more: z.number(),
  isUndone: z.boolean(),
  canUndo: z.boolean(),
})
export type ChangeRow = z.infer<typeof changeRowSchema>

/** Routes of what happened, and taking it back. */
export const historyContract = defineContract('studio', {
  'get /events': {
    summary: 'What happened to one subject, by the time at which it did, newest first',
    permission: 'see-studio',
    query: z.object({ subjectType: z.enum(SUBJECT_TYPES), subjectId: z.string().max(64) }),
    reply: z.array(eventRowSchema),
  },
  'get /changes': {
    summary: 'What everybody changed, newest first, and what can be taken back',
    permission: 'see-studio',
    query: z.object({
      before: z.coerce.number().int().optional(),
      limit: z.coerce.number().int().min(1).max(100).default(40),
    }),
    reply: z.array(changeRowSchema),
  },
  'post /changes/:id/undo': {
    summary: 'Take a change back as a whole; anybody’s for managers, one’s own for others',
    permission: 'undo-own',
    reply: z.object({ changeId: z.number().nullable() }),
  },
  'get /changes/:id': {
    summary: 'Whether one change can still be taken back',
    permission: 'see-studio',
    reply: z.object({ id: z.number(), obstacle: z.string().nullable() }),
  },
})
