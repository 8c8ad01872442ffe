import { trim } from '../../../units/quantity.ts'
import type { WorkingWords } from '../finding-words.ts'
import type { CameraAngle } from './camera-angles.ts'

/** How what a camera frames was worked out; null where a figure for it is missing. */
export function sayFraming({
  tag,
  activeWidthMm,
  focalMm,
  distanceMm,
  frameWidthMm,
}: CameraAngle): WorkingWords | null {
  if (activeWidthMm === null || focalMm === null || distanceMm === null || frameWidthMm === null) return null
  const sum = `${trim(activeWidthMm, 1)} · (${trim(distanceMm, 0)} − ${trim(focalMm, 1)}) / ${trim(focalMm, 1)}`
  return {
    title: `What ${tag} frames`,
    summary: `${trim(frameWidthMm / 1000, 2)} m`,
    lines: [{ label: 'width', sum: `${sum} = ${trim(frameWidthMm, 0)} mm` }],
    assumptions: ['The distance is from the lens to what is focused; a tape to the front of the lens is close enough.'],
    source: 'thin lens: sensor width in use · (distance − focal length) / focal length',
  }
}
