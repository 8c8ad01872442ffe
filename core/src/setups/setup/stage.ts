import { z } from 'zod'
import { idSchema, nameSchema } from '../../studio/identity.ts'
import { dateSchema } from '../../units/wall-time.ts'

/** How whoever is filmed is placed, and how high their eyes are where nobody measured it. Common practice, from memory. */
export const POSTURES = {
  seated: { label: 'Seated', eyeMm: 1200 },
  standing: { label: 'Standing', eyeMm: 1600 },
} as const
export type Posture = keyof typeof POSTURES
export const POSTURE_CODES = Object.keys(POSTURES) as [Posture, ...Posture[]]

/** What the background is to look like. */
export const BACKGROUNDS = {
  lit: 'Lit, and seen',
  white: 'White that stays white',
  keyed: 'Green or blue, to be keyed out',
  dark: 'Dark on purpose',
} as const
export type Background = keyof typeof BACKGROUNDS
export const BACKGROUND_CODES = Object.keys(BACKGROUNDS) as [Background, ...Background[]]

/**
 * Light of the day as it is usual, by exposure value at ISO 100: the rule that a sunny day is f/16 at one over the sensitivity
 * is 15. Common practice.
 */
export const DAYLIGHTS = {
  none: { label: 'None: lamps only', exposureValue: null },
  sun: { label: 'Full sun', exposureValue: 15 },
  hazy: { label: 'Hazy sun', exposureValue: 14 },
  bright: { label: 'Cloudy, bright', exposureValue: 13 },
  overcast: { label: 'Overcast, or open shade', exposureValue: 12 },
} as const
export type Daylight = keyof typeof DAYLIGHTS
export const DAYLIGHT_CODES = Object.keys(DAYLIGHTS) as [Daylight, ...Daylight[]]

/** Whether light of windows is part of the picture. */
export const WINDOW_WAYS = {
  relied: 'It is lit by the window',
  tamed: 'The window, behind cloth',
  shut: 'Shut out: any hour will do',
} as const
export type WindowWay = keyof typeof WINDOW_WAYS
export const WINDOW_WAY_CODES = Object.keys(WINDOW_WAYS) as [WindowWay, ...WindowWay[]]

/** How the camera moves while it records. */
export const MOVES = {
  still: 'It stands still',
  pan: 'It turns and tilts while it records',
  walk: 'Somebody walks with it',
  slide: 'It slides past',
} as const
export type Move = keyof typeof MOVES
export const MOVE_CODES = Object.keys(MOVES) as [Move, ...Move[]]

/** What is worn or shown that light and keying do not forgive. */
export const IN_PICTURE = {
  green: 'Green, or see-through to the screen',
  shiny: 'Shiny, silver or glass',
  lettered: 'Lettering',
} as const
export type InPicture = keyof typeof IN_PICTURE
export const IN_PICTURE_CODES = Object.keys(IN_PICTURE) as [InPicture, ...InPicture[]]

const lengthMm = z
  .number()
  .int()
  .min(1, 'A length is more than nothing.')
  .max(100_000, 'That is over 100 m.')
  .nullable()
const floorMm = z.number().int().min(0, 'A length is not negative.').max(100_000, 'That is over 100 m.').nullable()
const luxSchema = z.number().min(0.1, 'Light is more than nothing.').max(200_000, 'That is more than the sun gives.')

/** One point that somebody held a meter to. */
export const meterReadingSchema = z.object({ id: idSchema, name: nameSchema, lux: luxSchema })
export type MeterReading = z.infer<typeof meterReadingSchema>

/** Something in the picture that should not be seen, and what is done about it. */
export const eyesoreSchema = z.object({
  id: idSchema,
  what: nameSchema,
  cure: z.string().max(200, 'At most 200 characters.').default(''),
  /** The role of the camera that sees it; null for all of them. */
  roleId: idSchema.nullable().default(null),
})
export type Eyesore = z.infer<typeof eyesoreSchema>

/** White balance taken by a card, under lights as they were then. */
export const whiteBalanceSchema = z.object({
  kelvin: z.number().int().min(1000, 'White balance is at least 1,000 K.').max(20_000, 'At most 20,000 K.'),
  on: dateSchema,
  /** How all lights were set. */
  lights: z.string().max(64),
})
export type WhiteBalance = z.infer<typeof whiteBalanceSchema>

/** Who and what is before the lens and behind: what lies in no role. Null is what nobody said. */
export const stageSchema = z.object({
  posture: z.enum(POSTURE_CODES).nullable().default(null),
  /** Of the eyes above the floor, measured. */
  eyeMm: lengthMm.default(null),
  /** From whoever is filmed to what is behind them. */
  backdropMm: lengthMm.default(null),
  /** How far before the face something is held up, or lies. */
  productMm: lengthMm.default(null),
  background: z.enum(BACKGROUND_CODES).nullable().default(null),
  windows: z.enum(WINDOW_WAY_CODES).nullable().default(null),
  daylight: z.enum(DAYLIGHT_CODES).nullable().default(null),
  /** Measured at the face, and at the background, with everything on. */
  faceLux: luxSchema.nullable().default(null),
  backgroundLux: luxSchema.nullable().default(null),
  /** Points of the background, measured one by one. */
  readings: z.array(meterReadingSchema).max(24, 'At most 24 points.').default([]),
  /** Lights of the house by their id: whether they burn while it is filmed. */
  houseLights: z.record(z.string().max(64), z.enum(['on', 'off'])).default({}),
  move: z.enum(MOVE_CODES).nullable().default(null),
  inPicture: z.array(z.enum(IN_PICTURE_CODES)).max(IN_PICTURE_CODES.length).default([]),
  eyesores: z.array(eyesoreSchema).max(24, 'At most 24 of them.').default([]),
  whiteBalance: whiteBalanceSchema.nullable().default(null),
  /** By how many stops the key is to be above the fill; the look that was found good. */
  ratioStops: z.number().min(-3).max(8, 'At most eight stops.').nullable().default(null),
  /** Correcting colours afterwards, of each film; null where nobody said. */
  correctionMinutes: z.number().int().min(0).max(2_000, 'At most 2,000 minutes.').nullable().default(null),
  /** Of which room the next three are: said of one they say nothing of another. */
  inPlaceId: idSchema.nullable().default(null),
  /** Where in the room they are, from its left wall and its front wall, and which way they face: clockwise from the front wall. */
  fromLeftMm: floorMm.default(null),
  fromFrontMm: floorMm.default(null),
  facesDegrees: z.number().int().min(0).max(359, 'A direction is 0 to 359 degrees.').nullable().default(null),
  /** What leads the eye, in the words of who composed it. */
  composition: z.string().max(400, 'At most 400 characters.').default(''),
})
export type Stage = z.infer<typeof stageSchema>
export const NO_STAGE: Stage = stageSchema.parse({})

/** What a lamp is there for. */
export const LIGHT_JOBS = {
  key: 'Key',
  fill: 'Fill',
  separation: 'Parts them from the background',
  background: 'Lights the background',
  accent: 'Seen in the picture',
  work: 'Lights hands or a product',
} as const
export type LightJob = keyof typeof LIGHT_JOBS
export const LIGHT_JOB_CODES = Object.keys(LIGHT_JOBS) as [LightJob, ...LightJob[]]

/** What a role of light says of itself beyond where it stands and how it is set. */
export const roleLightSchema = z.object({
  job: z.enum(LIGHT_JOB_CODES).nullable().default(null),
  /** Measured where it falls, from this lamp alone. */
  lux: luxSchema.nullable().default(null),
  /** Lost on the way by bouncing or through cloth, in stops, beside what a modifier with a figure of its own takes. */
  lossStops: z
    .number()
    .min(0, 'Stops lost are not below nothing.')
    .max(10, 'At most ten stops.')
    .nullable()
    .default(null),
  /** By how much that tints it, in mired; above nothing is warmer. */
  tintMired: z.number().int().min(-300).max(300, 'Between 300 mired colder and warmer.').nullable().default(null),
  /** Its other colour is meant. */
  isColourMeant: z.boolean().default(false),
})
export type RoleLight = z.infer<typeof roleLightSchema>
export const NO_ROLE_LIGHT: RoleLight = roleLightSchema.parse({})

const JOB_WORDS: readonly (readonly [LightJob, RegExp])[] = [
  ['background', /\b(back(ground|drop)|screen|cyc(lorama)?|wall)\b/i],
  ['separation', /\b(rim|hair|kicker|edge|back ?light|separation)\b/i],
  ['fill', /\bfill\b/i],
  ['accent', /\b(accent|practical|fairy|string)\b/i],
  ['work', /\b(table|product|hands?|work)\b/i],
  ['key', /\b(key|main)\b/i],
]

/**
 * What a role of that name is likely there for: a suggestion for who fills in a form, and kept only once they save it. Nothing that
 * is judged reads a name.
 */
export const suggestLightJob = (name: string): LightJob | null =>
  JOB_WORDS.find(([, words]) => words.test(name))?.[0] ?? null
