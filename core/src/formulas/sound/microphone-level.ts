/** Normal vocal effort at one metre, dB SPL (ISO 9921). */
const SPEECH_DB_SPL = 60
/** 1 Pa, the level at which sensitivity is stated, dB SPL. */
const PASCAL_DB_SPL = 94
/** The line level that a recorder's preamp brings a microphone to: −10 dBV, common practice. */
export const LINE_DBV = -10

/** Speech at normal effort at a distance, dB SPL: 6 dB less with each doubling (point source). */
export function computeSpeechLevel(distanceMm: number): number {
  return SPEECH_DB_SPL - 20 * Math.log10(distanceMm / 1000)
}

/** The sensitivity of a microphone, mV/Pa, as dBV at 1 Pa. */
export function computeSensitivity(millivoltsPerPascal: number): number {
  return 20 * Math.log10(millivoltsPerPascal / 1000)
}

/** What a microphone gives out at a sound level, dBV. */
export function computeOutputLevel(sensitivityDbv: number, levelDbSpl: number): number {
  return sensitivityDbv + levelDbSpl - PASCAL_DB_SPL
}
