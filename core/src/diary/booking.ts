import { z } from 'zod'
import { idSchema, nameSchema, noteSchema, versionSchema } from '../studio/identity.ts'
import { amount } from '../studio/people/secrecy.ts'
import type { Interval } from '../units/interval.ts'
import { minorSchema } from '../units/money.ts'
import { findInstant, wallTimeSchema } from '../units/wall-time.ts'

export const BOOKING_KINDS = {
  shoot: 'Shoot',
  'ready-kit': 'Ready kit',
  soft: 'Soft reservation',
  'other-use': 'Other use',
  'loan-out': 'Lent out',
  repair: 'Repair',
  blackout: 'Closed',
  let: 'Let to a client',
} as const
export type BookingKind = keyof typeof BOOKING_KINDS
export const BOOKING_KIND_CODES = Object.keys(BOOKING_KINDS) as [BookingKind, ...BookingKind[]]

export const BOOKING_STATES = ['pencilled', 'confirmed', 'out', 'back', 'cancelled'] as const
export type BookingState = (typeof BOOKING_STATES)[number]

/** The sky as forecasts tell it. */
export const SKIES = { clear: 'Clear', broken: 'Sun and clouds', overcast: 'Overcast' } as const
export type Sky = keyof typeof SKIES
export const SKY_CODES = Object.keys(SKIES) as [Sky, ...Sky[]]

const bufferSchema = z
  .number()
  .int()
  .min(0, 'A buffer is not negative.')
  .max(24 * 60, 'A buffer is at most a day.')

/** A year and its leap day. */
const MOST_DAYS = 366

/** Zod asks every refinement of an object, also where one of its fields is no day at all. */
function isLonger(startsAt: string, endsAt: string, days: number): boolean {
  const [start, end] = [Date.parse(`${startsAt}Z`), Date.parse(`${endsAt}Z`)]
  return end - start > days * 86_400_000
}

export const newBookingSchema = z
  .object({
    kind: z.enum(BOOKING_KIND_CODES),
    title: nameSchema,
    setupId: idSchema.nullable(),
    /** Loose things beside the setup. */
    unitIds: z.array(idSchema).max(300),
    placeId: idSchema.nullable(),
    personIds: z.array(idSchema).max(40),
    startsAt: wallTimeSchema,
    endsAt: wallTimeSchema,
    rigMinutes: bufferSchema,
    strikeMinutes: bufferSchema,
    state: z.enum(['pencilled', 'confirmed', 'cancelled']),
    note: noteSchema,
    /** The client it is let to, and for how much. */
    partyId: idSchema.nullable().default(null),
    feeMinor: amount(minorSchema.min(0).nullable().default(null)),
    /** Whoever comes wants the floor of the room: what stands there from day to day is in the way. */
    needsFloor: z.boolean().default(false),
    /** What the forecast says of the sky, looked up by hand; null where nobody did. */
    sky: z.enum(SKY_CODES).nullable().default(null),
  })
  .refine((it) => it.endsAt > it.startsAt, { path: ['endsAt'], message: 'It ends before it starts.' })
  .refine((it) => !isLonger(it.startsAt, it.endsAt, MOST_DAYS), {
    path: ['endsAt'],
    message: `A booking lasts at most ${MOST_DAYS} days. Make one for each year.`,
  })
  .refine((it) => it.setupId !== null || it.unitIds.length > 0 || it.placeId !== null, {
    path: ['setupId'],
    message: 'Book a setup, a thing or a room.',
  })
export type NewBooking = z.infer<typeof newBookingSchema>

export const ITEM_STATES = ['planned', 'out', 'back', 'missing', 'left'] as const
export type ItemState = (typeof ITEM_STATES)[number]
export const bookingStateSchema = z.enum(BOOKING_STATES)

export const bookingSchema = z.object({
  ...newBookingSchema.shape,
  id: idSchema,
  version: versionSchema,
  state: bookingStateSchema,
})
export type Booking = z.infer<typeof bookingSchema>

export const itemStateSchema = z.enum(ITEM_STATES)

/** One thing on the sheet of a booking, and what became of it. */
export interface BookingItem {
  unitId: string | null
  stockId: string | null
  roleId: string | null
  quantity: number
  state: ItemState
  note: string
}

/** What a booking holds: its own time with the buffers for rigging and striking, in UTC milliseconds. */
export function findHoldInterval(
  booking: Pick<NewBooking, 'startsAt' | 'endsAt' | 'rigMinutes' | 'strikeMinutes'>,
  zone: string,
): Interval {
  return {
    start: findInstant(booking.startsAt, zone).epochMs - booking.rigMinutes * 60_000,
    end: findInstant(booking.endsAt, zone).epochMs + booking.strikeMinutes * 60_000,
  }
}

/** Cancelled bookings and those that came back hold nothing any more. */
export function isHolding(state: BookingState): boolean {
  return state === 'pencilled' || state === 'confirmed' || state === 'out'
}
