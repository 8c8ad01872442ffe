import { type Category, isKindOf } from './category.ts'

/**
 * Kilobits a second that a kind of thing usually records at, where nobody wrote its own down; null where there is no usual
 * rate. Common practice, from memory: 100 Mbit/s of a camera, half of that of what fits into a pocket, some 220 Mbit/s of an
 * intermediate codec at 25 pictures a second, two channels of 24 bits at 48 kHz of a sound recorder.
 */
export function findUsualRate(category: Category): number | null {
  const own = USUAL.find(([kind]) => isKindOf(category, kind))
  return own ? own[1] : null
}

const USUAL: readonly (readonly [Category, number])[] = [
  ['phone', 50_000],
  ['action-camera', 100_000],
  ['external-recorder', 220_000],
  ['recorder', 2 * 24 * 48],
  ['camera', 100_000],
]
