import { z } from 'zod'
import { capacityRunSchema, newCapacityRunSchema } from '../bench/capacity.ts'
import { READING_OUTCOMES, type ReadingOutcome, readingSchema } from '../bench/reading.ts'
import { tagSchema } from '../kit/unit/unit.ts'
import { defineContract } from './contract.ts'

const outcomeSchema = z.enum(Object.keys(READING_OUTCOMES) as [ReadingOutcome, ...ReadingOutcome[]])

const newReadingSchema = z.object({
  deviceId: z.string().trim().min(1, 'Which device?').max(80),
  /** The device's own number of the reading: one that comes twice counts once. */
  number: z.string().trim().min(1, 'Which reading?').max(80),
  tag: tagSchema,
  /** When it was taken, milliseconds since 1970. */
  at: z.number().int(),
  reading: readingSchema,
})
export type NewReading = z.infer<typeof newReadingSchema>

export const readingsReplySchema = z.array(
  z.object({
    id: z.string(),
    deviceId: z.string(),
    number: z.string(),
    unitId: z.string(),
    tag: z.string(),
    name: z.string(),
    at: z.number(),
    told: readingSchema,
    outcome: outcomeSchema,
  }),
)
export type ReadingsReply = z.infer<typeof readingsReplySchema>

/** Routes of what was measured, by hand and by devices. */
export const readingContract = defineContract('bench', {
  'post /units/:id/capacity': {
    summary: 'Write down what a pack gave from full to empty',
    permission: 'bring-back',
    body: newCapacityRunSchema,
    reply: capacityRunSchema,
    status: 201,
  },
  'get /readings': {
    summary: 'What devices told last, and what became of it',
    permission: 'see-studio',
    reply: readingsReplySchema,
  },
  'post /readings': {
    summary: 'A reading of a charger or a smart socket; one that was told before counts once',
    permission: 'bring-back',
    body: newReadingSchema,
    reply: z.object({ outcome: outcomeSchema, isKnown: z.boolean() }),
    status: 201,
  },
})
