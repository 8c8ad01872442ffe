import { z } from 'zod'
import { minorSchema } from '../../units/money.ts'
import { dateSchema } from '../../units/wall-time.ts'
import { idSchema, nameSchema, noteSchema, versionSchema } from '../identity.ts'
import { amount } from '../people/secrecy.ts'

export const PLACE_KINDS = ['room', 'store', 'shelf', 'case', 'bag'] as const
export type PlaceKind = (typeof PLACE_KINDS)[number]
export const placeKindSchema = z.enum(PLACE_KINDS)

/** A mains circuit of a room: what its breaker lets through and where it can be reached. */
export const circuitSchema = z.object({
  id: idSchema,
  name: nameSchema,
  volts: z.number().int().min(1, 'A circuit has a voltage.').max(1000),
  amps: z.number().min(0.5, 'A circuit carries at least half an ampere.').max(400),
  outlets: z.number().int().min(0).max(200),
  outletInterface: idSchema,
})
export type Circuit = z.infer<typeof circuitSchema>

const lengthSchema = z.number().int().min(1, 'A length is more than nothing.').max(200_000, 'That is over 200 m.')
const heightSchema = z.number().int().min(0).max(200_000, 'That is over 200 m.')
const shortText = z.string().max(200, 'At most 200 characters.')

/** Width, depth and height of the inside, in millimetres. */
export const sizeSchema = z.object({ widthMm: lengthSchema, depthMm: lengthSchema, heightMm: lengthSchema })
export type Size = z.infer<typeof sizeSchema>

/** The walls of a room, the front one being that from which depths are measured. */
export const WALLS = {
  front: 'the front wall',
  left: 'the left wall',
  back: 'the back wall',
  right: 'the right wall',
} as const
export type Wall = keyof typeof WALLS
export const WALL_CODES = Object.keys(WALLS) as [Wall, ...Wall[]]
export const wallSchema = z.enum(WALL_CODES)

/** In which wall it is, and how far its nearer end is along it: from the left of the front and back walls, from the front of the others. */
const inWallFields = { wall: wallSchema.nullable().optional(), fromMm: heightSchema.nullable().optional() }

export const doorSchema = z.object({
  id: idSchema,
  name: nameSchema,
  widthMm: lengthSchema,
  heightMm: lengthSchema,
  ...inWallFields,
})
export type Door = z.infer<typeof doorSchema>

/** Bearing: where one looks out through it, in degrees from north by east. */
export const windowSchema = z.object({
  id: idSchema,
  name: nameSchema,
  bearingDegrees: z.number().int().min(0).max(359, 'A bearing is 0 to 359 degrees, north by east.'),
  widthMm: lengthSchema,
  heightMm: lengthSchema,
  ...inWallFields,
})
export type Window = z.infer<typeof windowSchema>

/** A socket in the plan of the room: from the left along the width, from the front along the depth, above the floor. */
export const socketSchema = z.object({
  id: idSchema,
  name: nameSchema,
  circuitId: idSchema.nullable(),
  xMm: heightSchema,
  yMm: heightSchema,
  zMm: heightSchema,
})
export type Socket = z.infer<typeof socketSchema>

export const barSchema = z.object({
  id: idSchema,
  name: nameSchema,
  kind: z.enum(['bar', 'clip']),
  heightMm: lengthSchema,
  /** What it bears; null where nobody knows, which is never taken as enough. */
  loadGrams: z.number().int().min(1).max(5_000_000).nullable(),
})
export type Bar = z.infer<typeof barSchema>

export const FIXTURE_KINDS = {
  light: 'Light of the house',
  noise: 'Makes noise',
  heat: 'Gets hot',
  obstacle: 'In the way',
} as const
export type FixtureKind = keyof typeof FIXTURE_KINDS
export const FIXTURE_KIND_CODES = Object.keys(FIXTURE_KINDS) as [FixtureKind, ...FixtureKind[]]
export const fixtureSchema = z.object({
  id: idSchema,
  name: nameSchema,
  kind: z.enum(FIXTURE_KIND_CODES),
  /** Colour temperature of a light, in kelvin. */
  kelvin: z.number().int().min(1000, 'Kelvin of lamps lie between 1,000 and 20,000.').max(20_000).nullable(),
  canSwitchOff: z.boolean(),
  note: shortText,
  /** Where in the plan; absent where nobody said. */
  xMm: heightSchema.nullable().optional(),
  yMm: heightSchema.nullable().optional(),
})
export type Fixture = z.infer<typeof fixtureSchema>

/** Something a place should have and has not, often because the last place had it. */
export const placeWishSchema = z.object({
  id: idSchema,
  text: nameSchema,
  costMinor: amount(minorSchema.min(0).nullable()),
  isDone: z.boolean(),
})
export type PlaceWish = z.infer<typeof placeWishSchema>

export const colourSchema = z.string().regex(/^#[0-9a-f]{6}$/i, 'Write a colour as #rrggbb.')

/** Degrees north and east; south and west below nothing. */
export const spotSchema = z.object({
  latitude: z.number().min(-90, 'A latitude is -90 to 90.').max(90, 'A latitude is -90 to 90.'),
  longitude: z.number().min(-180, 'A longitude is -180 to 180.').max(180, 'A longitude is -180 to 180.'),
})

/** What is known of a place beyond its name; all of it may be unknown. */
export const placeDetailsSchema = z.object({
  size: sizeSchema.nullable().default(null),
  doors: z.array(doorSchema).max(20).default([]),
  windows: z.array(windowSchema).max(40).default([]),
  sockets: z.array(socketSchema).max(100).default([]),
  bars: z.array(barSchema).max(60).default([]),
  fixtures: z.array(fixtureSchema).max(60).default([]),
  wishes: z.array(placeWishSchema).max(60).default([]),
  colours: z.array(colourSchema).max(8).default([]),
  /** Where on the earth, for the sun on its windows; null where nobody said. */
  position: spotSchema.nullable().default(null),
  /** What else happens there: "potting on Mondays". */
  otherUses: shortText.default(''),
  /** On which terms it may be used. */
  accessTerms: shortText.default(''),
  /** The last day on which it may be used; null without end. */
  accessUntil: dateSchema.nullable().default(null),
  /** What a shelf, case or bag bears. */
  massLimitGrams: z.number().int().min(1).max(5_000_000).nullable().default(null),
})
export type PlaceDetails = z.infer<typeof placeDetailsSchema>
export const NO_DETAILS: PlaceDetails = placeDetailsSchema.parse({})

export const newPlaceSchema = z
  .object({
    name: nameSchema,
    kind: z.enum(PLACE_KINDS),
    parentId: idSchema.nullable(),
    circuits: z.array(circuitSchema).max(40),
    note: noteSchema,
    details: placeDetailsSchema.default(NO_DETAILS),
  })
  .superRefine(({ circuits, details }, context) => {
    for (const [at, socket] of details.sockets.entries()) {
      const path = ['details', 'sockets', at]
      if (socket.circuitId && !circuits.some((it) => it.id === socket.circuitId)) {
        context.addIssue({ code: 'custom', path: [...path, 'circuitId'], message: 'That circuit is not in this room.' })
      }
      const { size } = details
      if (size && (socket.xMm > size.widthMm || socket.yMm > size.depthMm || socket.zMm > size.heightMm)) {
        context.addIssue({ code: 'custom', path: [...path, 'xMm'], message: 'This socket lies outside the room.' })
      }
    }
    const { size } = details
    for (const list of ['doors', 'windows'] as const) {
      for (const [at, { wall, fromMm, widthMm }] of details[list].entries()) {
        const lengthMm = size && wall && (wall === 'front' || wall === 'back' ? size.widthMm : size.depthMm)
        if (lengthMm && fromMm != null && fromMm + widthMm > lengthMm)
          context.addIssue({
            code: 'custom',
            path: ['details', list, at, 'fromMm'],
            message: 'It reaches beyond its wall.',
          })
      }
    }
    for (const [at, { xMm, yMm }] of details.fixtures.entries()) {
      if (size && ((xMm ?? 0) > size.widthMm || (yMm ?? 0) > size.depthMm))
        context.addIssue({
          code: 'custom',
          path: ['details', 'fixtures', at, 'xMm'],
          message: 'This lies outside the room.',
        })
    }
  })
export type NewPlace = z.infer<typeof newPlaceSchema>
export const placeSchema = newPlaceSchema.safeExtend({ id: idSchema, version: versionSchema })
export type Place = z.infer<typeof placeSchema>
