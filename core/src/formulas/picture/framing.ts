import { z } from 'zod'
/**
 * What a lens on a sensor shows. Lengths in millimetres; distances from the lens, to the plane that is focused. A tape to
 * the front of the lens is close enough. Thin-lens geometry, as in every optics textbook.
 */

/** Diagonal of the 36 × 24 mm frame against which crop is counted. */
export const FULL_DIAGONAL_MM = Math.hypot(36, 24)

/** How much smaller a sensor is than 36 × 24 mm, by diagonal. */
export function findCropFactor(widthMm: number, heightMm: number): number {
  return FULL_DIAGONAL_MM / Math.hypot(widthMm, heightMm)
}

/** The angle of view across `widthMm` at infinity, in degrees. */
export function findAngleOfView(widthMm: number, focalMm: number): number {
  return (2 * Math.atan(widthMm / (2 * focalMm)) * 180) / Math.PI
}

/** The width that is framed at the focused distance; null nearer than the focal length. */
export function findFrameWidth(activeWidthMm: number, focalMm: number, distanceMm: number): number | null {
  return distanceMm > focalMm ? (activeWidthMm * (distanceMm - focalMm)) / focalMm : null
}

/** How far the camera has to stand to frame so much. */
export function findDistance(activeWidthMm: number, focalMm: number, frameWidthMm: number): number {
  return focalMm * (frameWidthMm / activeWidthMm + 1)
}

/** Which focal length frames so much from there. */
export function findFocalLength(activeWidthMm: number, distanceMm: number, frameWidthMm: number): number {
  return (distanceMm * activeWidthMm) / (frameWidthMm + activeWidthMm)
}

/**
 * The width that is seen at a distance, whatever is focused: focused at p it is d·b·(p − f)/(p·f), which is always less than d·b/f.
 * The larger is the cautious figure, as a change of focus brings no more in.
 */
export function findSeenWidth(activeWidthMm: number, focalMm: number, atMm: number): number {
  return (activeWidthMm * atMm) / focalMm
}

/** The shortest focal length that sees no more than a width there. */
export function findFocalLengthFilling(activeWidthMm: number, atMm: number, widthMm: number): number {
  return (activeWidthMm * atMm) / widthMm
}

/**
 * The width that fills the picture at the closest focus, which is counted from the sensor: m + 1/m = D/f − 2. Null where
 * nothing can be focused so near.
 */
export function findClosestWidth(activeWidthMm: number, focalMm: number, closestMm: number): number | null {
  const sum = closestMm / focalMm - 2
  if (sum < 2) return null
  const magnification = (sum - Math.sqrt(sum ** 2 - 4)) / 2
  return activeWidthMm / magnification
}

export const circleFitSchema = z.object({
  isCovered: z.boolean(),
  /** What is left of the sensor's width where only the part inside the circle is used. */
  usedShare: z.number(),
  /** What is left of the resolution then. */
  resolutionShare: z.number(),
  /** By how much a lens seems longer then. */
  extraCrop: z.number(),
})
export type CircleFit = z.infer<typeof circleFitSchema>

export const likeFramingSchema = z.object({
  tag: z.string(),
  name: z.string(),
  focalMm: z.number(),
  /** How much wider (above nothing) or tighter it frames than asked, in per cent of the focal length. */
  errorPercent: z.number(),
})
export type LikeFraming = z.infer<typeof likeFramingSchema>

/** A lens made for a small sensor on a larger one: the picture has dark corners, or is cut to what the circle covers. */
export function fitImageCircle(circleMm: number, widthMm: number, heightMm: number): CircleFit {
  const diagonal = Math.hypot(widthMm, heightMm)
  const usedShare = Math.min(1, circleMm / diagonal)
  return {
    isCovered: circleMm >= diagonal,
    usedShare,
    resolutionShare: usedShare ** 2,
    extraCrop: 1 / usedShare,
  }
}

export interface LensOffer {
  tag: string
  name: string
  focalMinMm: number
  focalMaxMm: number
}

/** The lens that frames on one body as another lens does on another, by the active widths of both; null without lenses. */
export function findLikeFraming(
  from: { activeWidthMm: number; focalMm: number },
  activeWidthMm: number,
  lenses: readonly LensOffer[],
): LikeFraming | null {
  const wanted = (from.focalMm * activeWidthMm) / from.activeWidthMm
  const offers = lenses.map(({ tag, name, focalMinMm, focalMaxMm }): LikeFraming => {
    const focalMm = Math.min(Math.max(wanted, focalMinMm), focalMaxMm)
    return { tag, name, focalMm, errorPercent: (wanted / focalMm - 1) * 100 }
  })
  const off = ({ errorPercent }: LikeFraming) => Math.abs(Math.log(1 + errorPercent / 100))
  return offers.sort((a, b) => off(a) - off(b) || (a.tag < b.tag ? -1 : 1))[0] ?? null
}
