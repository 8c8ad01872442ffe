import { z } from 'zod'

/** A second factor by time-based codes (RFC 6238), as it is kept with an account. */
export const secondFactorSchema = z.object({
  /** Base 32 (RFC 4648), as the device that makes the codes takes it. */
  secret: z.string(),
  /** Until the first code was typed it asks for none. */
  isOn: z.boolean(),
  /** The step of time whose code was used last: no code works twice. */
  lastStep: z.number().int(),
  /** Hashes of the codes for when the device is gone, each good once. */
  recovery: z.array(z.string()),
})
export type SecondFactor = z.infer<typeof secondFactorSchema>

/** What became of somebody at the door. */
export const SIGN_IN_OUTCOMES = ['in', 'confirmed', 'wrong', 'wrong-code', 'limited', 'switched-off'] as const
export type SignInOutcome = (typeof SIGN_IN_OUTCOMES)[number]
