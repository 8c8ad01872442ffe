import { z } from 'zod'
import { idSchema } from '../identity.ts'

/** What can happen to a subject. Append-only: a change that turns out wrong is followed by another, never rewritten. */
export const EVENT_KINDS = [
  'created',
  'changed',
  'archived',
  'imported',
  'state-changed',
  'moved',
  'booked',
  'checked-out',
  'returned',
  'fault-reported',
  'fault-mended',
  'serviced',
  'charged',
  'used',
  'hit',
  'repaired',
  'measured',
  'used-up',
  'counted',
  'spent',
  'refunded',
  'attached',
  'restored',
  'access-changed',
  'reversed',
] as const
export type EventKind = (typeof EVENT_KINDS)[number]

export const SUBJECT_TYPES = [
  'studio',
  'person',
  'party',
  'place',
  'interface',
  'model',
  'unit',
  'stock',
  'setup',
  'booking',
  'fault',
  'entry',
  'budget',
  'shopping-line',
  'wish',
  'decision',
  'kit-plan',
  'attachment',
  'film',
  'saved-view',
  'stocktake',
  'service-plan',
  'incident',
  'repair',
  'snapshot',
] as const
export type SubjectType = (typeof SUBJECT_TYPES)[number]

export const eventSchema = z.object({
  id: z.number().int(),
  at: z.number().int(),
  personId: idSchema.nullable(),
  kind: z.enum(EVENT_KINDS),
  subjectType: z.enum(SUBJECT_TYPES),
  subjectId: idSchema,
  data: z.record(z.string(), z.unknown()),
})
export type StudioEvent = z.infer<typeof eventSchema>
