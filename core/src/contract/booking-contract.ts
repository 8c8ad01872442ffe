import { z } from 'zod'
import { bookingSchema, newBookingSchema } from '../diary/booking.ts'
import { packSheetSchema } from '../diary/pack-sheet.ts'
import { absenceSchema } from '../kit/unit/absence.ts'
import { saidFaultSchema } from '../kit/unit/fault.ts'
import { idSchema, noteSchema } from '../studio/identity.ts'
import { dateSchema } from '../units/wall-time.ts'
import { defineContract } from './contract.ts'

export const collisionRowSchema = z.object({
  subject: z.enum(['unit', 'place', 'person']),
  subjectId: z.string(),
  bookingIds: z.array(z.string()),
  label: z.string(),
  interval: z.object({
    start: z.number(),
    end: z.number(),
  }),
  bookings: z.array(
    z.object({
      id: z.string(),
      title: z.string(),
    }),
  ),
})
export type CollisionRow = z.infer<typeof collisionRowSchema>

export const diaryReplySchema = z.object({
  start: z.number(),
  end: z.number(),
  bookings: z.array(z.object({ ...bookingSchema.shape, holdStart: z.number(), holdEnd: z.number() })),
  collisions: z.array(collisionRowSchema),
})
export type DiaryReply = z.infer<typeof diaryReplySchema>

/** What a setup leaves standing in its room between two sessions. */
export const standingThereSchema = z.object({
  setupId: z.string(),
  code: z.string(),
  name: z.string(),
  tags: z.array(z.string()),
  /** Floor that they take, as far as it is recorded. */
  squareMm: z.number(),
  /** Tags of which it is not. */
  unknown: z.array(z.string()),
  /** Minutes to strike it. */
  strikeMinutes: z.number(),
})
export type StandingThere = z.infer<typeof standingThereSchema>

export const bookingCheckSchema = z.object({
  interval: z.object({
    start: z.number(),
    end: z.number(),
  }),
  movedMinutes: z.object({
    start: z.number(),
    end: z.number(),
  }),
  busy: z.array(
    z.object({
      personId: z.string(),
      title: z.string(),
    }),
  ),
  troubles: z.array(
    z.object({
      unitId: z.string(),
      tag: z.string(),
      name: z.string(),
      absence: absenceSchema,
      standIns: z.array(
        z.object({
          unitId: z.string(),
          tag: z.string(),
          name: z.string(),
          /** Which of its ends take the place of which. */
          ends: z.record(z.string(), z.string()),
        }),
      ),
    }),
  ),
  /** What stands in the room from day to day, where whoever comes wants its floor. */
  standing: z.array(standingThereSchema),
  /** Rooms, people and counted things that are not to be had then, with the reason. */
  clashes: z.array(
    z.object({
      subject: z.enum(['stock', 'place', 'person']),
      subjectId: z.string(),
      label: z.string(),
      absence: absenceSchema,
    }),
  ),
})
export type BookingCheck = z.infer<typeof bookingCheckSchema>

export const bookingReplySchema = z.object({
  ...bookingSchema.shape,
  setup: z
    .object({
      id: z.string(),
      code: z.string(),
      name: z.string(),
      tape: z.string(),
    })
    .nullable(),
  place: z.string().nullable(),
  people: z.array(z.string()),
  sheet: packSheetSchema,
})
export type BookingReply = z.infer<typeof bookingReplySchema>

export const pickSchema = z.object({ unitId: idSchema.nullable(), stockId: idSchema.nullable() })

export const takeOutSchema = z.object({
  /** What truly leaves; the rest of the list stays. */
  items: z.array(pickSchema).min(1, 'Tick at least one thing.').max(600),
  /** What is out on another booking was handed over, and is back there. */
  takeOver: z.boolean().default(false),
})
export type TakeOut = z.infer<typeof takeOutSchema>

export const bringBackSchema = z.object({
  items: z
    .array(
      pickSchema.extend({
        note: noteSchema.default(''),
        /** Null where nothing is wrong. */
        fault: saidFaultSchema.nullable().default(null),
      }),
    )
    .max(600),
  /** All that comes back has come: whatever is still out is missing. */
  isFinished: z.boolean(),
})

/** Routes of bookings, what goes out and comes back. */
export const bookingContract = defineContract('diary', {
  'get /bookings': {
    summary: 'Bookings of some days, with what collides among them',
    permission: 'see-studio',
    query: z.object({ from: dateSchema, days: z.coerce.number().int().min(1).max(92).default(14) }),
    reply: diaryReplySchema,
  },
  'post /bookings/check': {
    summary: 'What would stand in the way of a booking, and what is free instead; writes nothing',
    permission: 'book-pencilled',
    query: z.object({ except: z.string().max(64).optional() }),
    body: newBookingSchema,
    reply: bookingCheckSchema,
  },
  'post /bookings': {
    summary: 'Book a setup, things or a room',
    permission: 'book-pencilled',
    body: newBookingSchema,
    reply: bookingSchema,
    status: 201,
  },
  'get /bookings/:id': {
    summary: 'A booking with its pack sheet',
    permission: 'see-studio',
    reply: bookingReplySchema,
  },
  'get /bookings/:id/check': {
    summary: 'What stands in the way of a booking as it is',
    permission: 'see-studio',
    reply: bookingCheckSchema,
  },
  'put /bookings/:id': {
    summary: 'Change a booking that is not out yet',
    permission: 'book-pencilled',
    body: newBookingSchema,
    reply: bookingSchema,
    isChange: true,
  },
  'post /bookings/:id/take-out': {
    summary: 'Record what truly leaves',
    permission: 'take-out',
    body: takeOutSchema,
    reply: bookingSchema,
    isChange: true,
  },
  'post /bookings/:id/bring-back': {
    summary: 'Record what came back and what broke',
    permission: 'bring-back',
    body: bringBackSchema,
    reply: bookingSchema,
    isChange: true,
  },
})
