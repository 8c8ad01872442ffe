/**
 * Light, aperture, shutter and sensitivity. Stops are factors of two.
 */

/** ISO 2720, for a flat receptor: 240 to 400, of which 250 is the usual constant. */
const FLAT_RECEPTOR = 250

/** The lux at the subject that a setting asks for: E = C · N² / (t · S). */
export function findWantedLux(fNumber: number, seconds: number, iso: number): number {
  return (FLAT_RECEPTOR * fNumber ** 2) / (seconds * iso)
}

/** Stops are compared with limits: what binary fractions leave over is no part of them. */
export const wholeStops = (stops: number): number => Number(stops.toFixed(9))

/** How many stops more `there` is than `wanted`; below nothing is less. */
export function findStops(there: number, wanted: number): number {
  return wholeStops(Math.log2(there / wanted))
}

/** Stops lost from one aperture to a smaller one, by the numbers as marked. */
export function findStopsBetween(widerFNumber: number, smallerFNumber: number): number {
  return wholeStops(2 * Math.log2(smallerFNumber / widerFNumber))
}

/** Lux on the ground by exposure value at ISO 100: E = 2.5 · 2^EV, which is what C = 250 gives. */
export function findLuxOfValue(exposureValue: number): number {
  return (FLAT_RECEPTOR / 100) * 2 ** exposureValue
}

/** The angle for which a shutter stays open within one frame. */
export function findShutterAngle(seconds: number, framesPerSecond: number): number {
  return 360 * framesPerSecond * seconds
}

/** Half a mains cycle is one pulse of an undamped lamp. */
const PULSES_PER_CYCLE = 2
/** A nominal time is a little off the exact one: 1/50 is as good as 180° at 25 frames. */
const NEARLY = 0.02

/** Whether an exposure takes in whole pulses of lamps on the mains, so that each frame is as bright as the next. */
export function isFlickerSafe(seconds: number, hertz: number): boolean {
  const pulses = seconds * PULSES_PER_CYCLE * hertz
  return pulses >= 1 - NEARLY && Math.abs(pulses - Math.round(pulses)) <= NEARLY * Math.round(pulses)
}

/** Shutter times that are flicker safe and no longer than a frame, the longest first. */
export function listSafeShutters(framesPerSecond: number, hertz: number): number[] {
  const pulse = 1 / (PULSES_PER_CYCLE * hertz)
  const most = Math.floor((1 + NEARLY) / framesPerSecond / pulse)
  return Array.from({ length: Math.max(most, 0) }, (_, at) => (most - at) * pulse)
}

/** The safe time nearest to twice the frame rate, in stops; null where a frame is shorter than a pulse. */
export function findSafeShutter(framesPerSecond: number, hertz: number): number | null {
  const wanted = 1 / (2 * framesPerSecond)
  const off = (seconds: number) => Math.abs(Math.log2(seconds / wanted))
  return listSafeShutters(framesPerSecond, hertz).sort((a, b) => off(a) - off(b))[0] ?? null
}
