import { formatLength, trim } from '../../../units/quantity.ts'
import type { WorkingWords } from '../finding-words.ts'
import type { CameraAngle } from './camera-angles.ts'

/** How what a camera frames was worked out, in millimetres as focal lengths are; null where a figure for it is missing. */
export function sayFraming(
  { tag, activeWidthMm, focalMm, distanceMm, frameWidthMm }: CameraAngle,
  system: 'metric' | 'imperial' = 'metric',
): WorkingWords | null {
  if (activeWidthMm === null || focalMm === null || distanceMm === null || frameWidthMm === null) return null
  const sum = `${trim(activeWidthMm, 1)} · (${trim(distanceMm, 0)} − ${trim(focalMm, 1)}) / ${trim(focalMm, 1)}`
  return {
    title: `What ${tag} frames`,
    summary: formatLength(frameWidthMm, system),
    lines: [
      {
        label: 'width',
        sum: `${sum} = ${trim(frameWidthMm, 0)} mm${system === 'imperial' ? `, which is ${formatLength(frameWidthMm, system)}` : ''}`,
      },
    ],
    assumptions: ['The distance is from the lens to what is focused; a tape to the front of the lens is close enough.'],
    source: 'thin lens: sensor width in use · (distance − focal length) / focal length',
  }
}
