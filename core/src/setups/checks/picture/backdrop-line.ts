import { findFocalLengthFilling, findSeenWidth } from '../../../formulas/picture/framing.ts'
import { readFacts } from '../../../kit/template/known-facts.ts'
import { trim } from '../../../units/quantity.ts'
import type { PlacedItem } from '../../placed/placed-item.ts'
import { metres } from '../finding-words.ts'
import { type LookLine, sayLine, sayOpen } from '../look-line.ts'
import type { Scene } from '../scene.ts'
import { type CameraLook, listBackdrops } from './camera-look.ts'

/** Left over on both sides together, so that nobody has to aim: common practice. */
export const BACKDROP_MARGIN_PERCENT = 10
/** In whole per cent, so that equality passes. */
const withMargin = (mm: number) => (mm * (100 + BACKDROP_MARGIN_PERCENT)) / 100
const withoutMargin = (mm: number) => (mm * 100) / (100 + BACKDROP_MARGIN_PERCENT)

export interface BackdropFit {
  backdrop: PlacedItem
  haveMm: number
  /** What the picture takes in there, without and with what is left over. */
  seenMm: number
  wantedMm: number
  /** The shortest focal length for which it is wide enough, with what is left over. */
  shortestMm: number
}

/** How wide a backdrop is recorded to be. */
export function readWidth({ model }: PlacedItem): number | null {
  return (model && readFacts(model).widthMinMm) || null
}

/** Whether each backdrop that hangs there fills the picture of a camera; nothing where a figure is missing. */
export function fitBackdrops(look: CameraLook, scene: Scene): BackdropFit[] {
  const { activeWidthMm, focalMm, toBackgroundMm } = look
  if (activeWidthMm === null || focalMm === null || toBackgroundMm === null) return []
  const seenMm = findSeenWidth(activeWidthMm, focalMm, toBackgroundMm)
  return listBackdrops(scene).flatMap((backdrop): BackdropFit[] => {
    const haveMm = readWidth(backdrop)
    if (haveMm === null) return []
    const wantedMm = withMargin(seenMm)
    const shortestMm = findFocalLengthFilling(activeWidthMm, toBackgroundMm, withoutMargin(haveMm))
    return [{ backdrop, haveMm, seenMm, wantedMm, shortestMm }]
  })
}

export function sayBackdrop(look: CameraLook, scene: Scene): LookLine {
  const label = 'Width behind'
  const { activeWidthMm, focalMm, distanceMm, toBackgroundMm } = look
  const wanting = [
    ...(activeWidthMm === null ? ['how wide the sensor is'] : []),
    ...(focalMm === null ? ['the focal length'] : []),
    ...(distanceMm === null ? ['how far the camera is from whoever is filmed'] : []),
    ...(scene.setup.stage.backdropMm === null ? ['how far the background is behind whoever is filmed'] : []),
  ]
  if (activeWidthMm === null || focalMm === null || toBackgroundMm === null) return sayOpen('backdrop', label, wanting)
  const seenMm = findSeenWidth(activeWidthMm, focalMm, toBackgroundMm)
  const backdrops = listBackdrops(scene)
  const fits = fitBackdrops(look, scene)
  const unmeasured = backdrops.filter((it) => readWidth(it) === null)
  const each = fits.map(({ backdrop, haveMm, wantedMm, shortestMm }) =>
    haveMm >= wantedMm
      ? `${backdrop.tag} is ${metres(haveMm)} wide, which fills it`
      : haveMm >= seenMm
        ? `${backdrop.tag} is ${metres(haveMm)} wide, which fills it with little to spare`
        : `${backdrop.tag} is ${metres(haveMm)} wide and ends in the picture: it fills it from ${trim(shortestMm, 0)} mm on`,
  )
  const unknown = unmeasured.map((it) => `how wide ${it.tag} is nobody wrote down`)
  return sayLine(
    'backdrop',
    label,
    `The picture takes in ${metres(seenMm)} there. ${sayAll([...each, ...unknown])}`.trim(),
    {
      sums: [
        [
          'seen',
          `${trim(activeWidthMm, 1)} · ${trim(toBackgroundMm, 0)} / ${trim(focalMm, 1)} = ${trim(seenMm, 0)} mm`,
        ],
        ['wanted', `${trim(seenMm, 0)} · ${1 + BACKDROP_MARGIN_PERCENT / 100} = ${trim(withMargin(seenMm), 0)} mm`],
      ],
      assumptions: [
        'The wider of what is seen focused near and far, so that a change of focus brings no edge in.',
        'A tenth is left over for aiming: common practice. The backdrop is taken to hang square and in the middle.',
      ],
      source: 'thin-lens geometry, as in every optics textbook',
    },
  )
}

const sayAll = (parts: readonly string[]) => (parts.length === 0 ? '' : `${parts.join('; ')}.`)
