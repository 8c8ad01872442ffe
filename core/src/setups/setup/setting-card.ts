import { z } from 'zod'
import { nameSchema } from '../../studio/identity.ts'

const lengthMm = z.number().int().min(0, 'A length is not negative.').max(200_000, 'That is over 200 m.').nullable()

/** Where a thing of a role stands, from whom or what it is aimed at. */
export const positionSchema = z.object({
  distanceMm: lengthMm.default(null),
  /** From the line between the camera and whom it films: 0 at the lens, to either side. */
  sideDegrees: z.number().int().min(-180).max(180).nullable().default(null),
  heightMm: lengthMm.default(null),
  /** The focal length in use, of a zoom. */
  focalMm: z.number().min(1).max(2000).nullable().default(null),
  /** Of a screen or a prompter: from the lens to the middle of what is read there. */
  fromLensMm: lengthMm.optional(),
  /** Of a camera: it hangs above and looks down. */
  looksDown: z.boolean().optional(),
})
export type Position = z.infer<typeof positionSchema>
export const NO_POSITION: Position = positionSchema.parse({})

export const settingSchema = z.object({
  name: nameSchema,
  value: z.string().trim().min(1, 'Write the value, as it would stand on tape.').max(80),
})
export type Setting = z.infer<typeof settingSchema>

/** What people set on the things of each group, for the card to begin with. */
export const USUAL_SETTINGS: Readonly<Record<string, readonly string[]>> = {
  camera: ['Aperture', 'Shutter', 'ISO', 'White balance', 'Frame rate', 'Resolution'],
  light: ['Level', 'Colour'],
  sound: ['Gain', 'Level'],
  support: ['Height'],
  power: [],
  media: [],
  set: ['Height'],
}

/** The same settings have the same print, in whichever order they were written. */
export function printSettings(settings: readonly Setting[]): string {
  return settings
    .map(({ name, value }) => `${name.trim().toLowerCase()}=${value.trim()}`)
    .sort()
    .join(';')
}

/** A measured place in words: `1.5 m away, 40° left, 1.9 m high, 35 mm`; empty where nothing was measured. */
export function sayPosition(
  position: Position | null | undefined,
  sayLength: (mm: number) => string = (mm) => `${mm / 1000} m`,
): string {
  if (!position) return ''
  const { distanceMm, sideDegrees, heightMm, focalMm, fromLensMm, looksDown } = position
  const side =
    sideDegrees === null
      ? ''
      : sideDegrees === 0
        ? 'at the lens'
        : `${Math.abs(sideDegrees)}° ${sideDegrees < 0 ? 'left' : 'right'}`
  return [
    distanceMm === null ? '' : `${sayLength(distanceMm)} away`,
    side,
    heightMm === null ? '' : `${sayLength(heightMm)} high`,
    focalMm === null ? '' : `${focalMm} mm`,
    looksDown ? 'looking down' : '',
    fromLensMm == null ? '' : `${sayLength(fromLensMm)} from the lens`,
  ]
    .filter(Boolean)
    .join(', ')
}
