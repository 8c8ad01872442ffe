import {
  findSafeShutter,
  findShutterAngle,
  findStopsBetween,
  isFlickerSafe,
} from '../../../formulas/picture/exposure.ts'
import {
  FULL_DIAGONAL_MM,
  findClosestWidth,
  findDistance,
  findFocalLength,
  findFrameWidth,
} from '../../../formulas/picture/framing.ts'
import { trim } from '../../../units/quantity.ts'
import { readPositive } from '../../placed/placed-item.ts'
import { SHOT_CODES, SHOTS } from '../../setup/setup.ts'
import { metres } from '../finding-words.ts'
import { type LookLine, sayLine, sayOpen } from '../look-line.ts'
import type { Scene } from '../scene.ts'
import { sayBackdrop } from './backdrop-line.ts'
import { findBothSharp, sayBothSharp } from './both-sharp.ts'
import { type CameraLook, FULL_WIDTH_MM } from './camera-look.ts'
import { SHOT_WIDTHS_MM } from './shot-widths.ts'

const mm = (figure: number) => `${trim(figure, 1)} mm`
const seconds = (time: number) => (time >= 1 ? `${trim(time, 1)} s` : `1/${trim(1 / time, 0)} s`)

const THIN_LENS = 'thin-lens geometry, as in every optics textbook'
const CONFUSION =
  'Sharp is what is drawn no larger than 0.030 mm on 36 × 24 mm, and as much smaller as the sensor in use is narrower: a convention.'
const FROM_LENS = 'Distances are from the lens; a tape to its front is close enough.'

/** All that one camera comes to, in the order in which one sets it up. */
export function sayCamera(look: CameraLook, scene: Scene): LookLine[] {
  return [
    sayEquivalent(look, scene),
    ...sayModes(look),
    sayFrame(look),
    ...sayShot(look, scene),
    ...sayRange(look),
    ...sayApertureEnds(look),
    saySharp(look),
    ...sayProduct(look, scene),
    sayBlur(look, scene),
    sayBackdrop(look, scene),
    ...sayClosest(look),
    sayShutter(look, scene),
  ]
}

/** What is missing of lens and sensor, in the order in which somebody would look. */
function listWanting({ activeWidthMm, focalMm, focalMinMm, lens, distanceMm, fNumber }: CameraLook, ...keys: string[]) {
  const glass = lens ? lens.tag : 'the lens'
  const wanting: Record<string, string | false> = {
    sensor: activeWidthMm === null && 'how wide the sensor is',
    focal:
      focalMm === null &&
      (focalMinMm === null ? `the focal length of ${glass}` : `at which focal length ${glass} is set`),
    distance: distanceMm === null && 'how far the camera is from whoever is filmed',
    aperture: fNumber === null && 'the aperture on the setting card',
  }
  return keys.flatMap((key) => wanting[key] || [])
}

function sayEquivalent(look: CameraLook, { itemOf }: Scene): LookLine {
  const { activeWidthMm, focalMm, focalMinMm, focalMaxMm, crop, unitId } = look
  const label = 'Focal length on a small sensor'
  if (crop === null || activeWidthMm === null || focalMinMm === null || focalMaxMm === null) {
    return sayOpen('equivalent', label, [
      ...listWanting(look, 'sensor'),
      ...(focalMinMm === null ? listWanting({ ...look, focalMm: null }, 'focal') : []),
    ])
  }
  const from = focalMm ?? focalMinMm
  const to = focalMm ?? focalMaxMm
  const range = (least: number, most: number) =>
    least === most ? `${trim(least, 0)} mm` : `${trim(least, 0)} to ${trim(most, 0)} mm`
  const camera = itemOf.get(unitId)
  const wide = camera ? readPositive(camera, 'sensorWidthMm') : null
  const high = camera ? readPositive(camera, 'sensorHeightMm') : null
  const byDiagonal = wide !== null && high !== null ? FULL_DIAGONAL_MM / Math.hypot(wide, high) : null
  return sayLine('equivalent', label, `${range(from, to)} frames as ${range(from * crop, to * crop)} on 36 × 24 mm.`, {
    sums: [
      ['crop', `${FULL_WIDTH_MM} / ${trim(activeWidthMm, 1)} = ${trim(crop, 2)}, by the width in use`],
      ['seems', `${trim(from, 1)} · ${trim(crop, 2)} = ${trim(from * crop, 1)} mm`],
      ...(byDiagonal === null
        ? []
        : [['stills', `43.27 / diagonal = ${trim(byDiagonal, 2)}, by the diagonal of the whole sensor`] as const]),
    ],
    assumptions: ['The lens stays what it is: depth and light are those of its own focal length and aperture.'],
    source: 'definition; by width, as moving pictures cut the height',
  })
}

/** What each way to record makes of the lens, where they differ. */
function sayModes({ modes, focalMm, focalMinMm }: CameraLook): LookLine[] {
  const focal = focalMm ?? focalMinMm
  if (focal === null || new Set(modes.map((it) => it.activeWidthMm)).size < 2) return []
  const each = modes.map(({ label, activeWidthMm, widestInRoomMm }) => {
    const crop = FULL_WIDTH_MM / activeWidthMm
    const most = widestInRoomMm === null ? '' : `, at most ${metres(widestInRoomMm)} across in this room`
    return `${label}: × ${trim(crop, 2)}, ${mm(focal)} as ${trim(focal * crop, 0)} mm${most}`
  })
  return [
    sayLine('modes', 'By way of recording', `${each.join('; ')}.`, {
      sums: modes.map((it) => [
        it.label,
        `${FULL_WIDTH_MM} / ${trim(it.activeWidthMm, 1)} = ${trim(FULL_WIDTH_MM / it.activeWidthMm, 2)}`,
      ]),
      source: 'definition',
    }),
  ]
}

function sayFrame(look: CameraLook): LookLine {
  const { frameWidthMm, activeWidthMm, focalMm, distanceMm } = look
  if (frameWidthMm === null || activeWidthMm === null || focalMm === null || distanceMm === null)
    return sayOpen('frame', 'What it frames', listWanting(look, 'sensor', 'focal', 'distance'))
  return sayLine('frame', 'What it frames', `${metres(frameWidthMm)} across at ${metres(distanceMm)}.`, {
    sums: [
      [
        'width',
        `${trim(activeWidthMm, 1)} · (${trim(distanceMm, 0)} − ${trim(focalMm, 1)}) / ${trim(focalMm, 1)} = ${trim(frameWidthMm, 0)} mm`,
      ],
    ],
    assumptions: [FROM_LENS],
    source: THIN_LENS,
  })
}

/** How far back, or with which lens, it takes in as much of a person as is wanted. */
function sayShot(look: CameraLook, { setup, roomSize }: Scene): LookLine[] {
  const { activeWidthMm, focalMm, focalMinMm, focalMaxMm, distanceMm } = look
  if (setup.shot === null || activeWidthMm === null) return []
  const wantedMm = SHOT_WIDTHS_MM[setup.shot]
  const focal = focalMm ?? focalMinMm
  const ways: string[] = []
  const sums: [string, string][] = []
  if (focal !== null) {
    const backMm = findDistance(activeWidthMm, focal, wantedMm)
    const longest = roomSize ? Math.max(roomSize.widthMm, roomSize.depthMm) : null
    const isBeyond = longest !== null && backMm + (setup.stage.backdropMm ?? 0) > longest
    ways.push(`with ${mm(focal)} from ${metres(backMm)}${isBeyond ? ', more than this room has' : ''}`)
    sums.push(['distance', `${trim(focal, 1)} · (${wantedMm} / ${trim(activeWidthMm, 1)} + 1) = ${trim(backMm, 0)} mm`])
  }
  if (distanceMm !== null) {
    const lensMm = findFocalLength(activeWidthMm, distanceMm, wantedMm)
    const has = focalMinMm !== null && focalMaxMm !== null && focalMinMm <= lensMm && lensMm <= focalMaxMm
    ways.push(`from where it stands with ${mm(lensMm)}${focalMinMm === null || has ? '' : ', which this lens has not'}`)
    sums.push([
      'focal length',
      `${trim(distanceMm, 0)} · ${trim(activeWidthMm, 1)} / (${wantedMm} + ${trim(activeWidthMm, 1)}) = ${trim(lensMm, 1)} mm`,
    ])
  }
  if (ways.length === 0) return []
  return [
    sayLine('shot', SHOTS[setup.shot], `About ${metres(wantedMm)} across: ${ways.join('; or ')}.`, {
      sums,
      assumptions: [
        'How wide such a picture is: common practice, in a picture of 16 to 9.',
        'In the room the way to the background counts too.',
      ],
      source: THIN_LENS,
    }),
  ]
}

/** What a lens takes in from where it stands, from end to end, and which sizes of a person that is. */
function sayRange({
  activeWidthMm,
  focalMinMm,
  focalMaxMm,
  distanceMm,
  apertureEnds,
  widestFNumber,
}: CameraLook): LookLine[] {
  if (activeWidthMm === null || focalMinMm === null || focalMaxMm === null || distanceMm === null) return []
  const widest = findFrameWidth(activeWidthMm, focalMinMm, distanceMm)
  const closest = findFrameWidth(activeWidthMm, focalMaxMm, distanceMm)
  if (widest === null || closest === null) return []
  const isZoom = focalMinMm !== focalMaxMm
  // What one lens frames is near enough to a size within a fifth of it.
  const [least, most] = isZoom ? [closest, widest] : [closest / NEAR_A_SIZE, widest * NEAR_A_SIZE]
  const sizes = SHOT_CODES.filter((it) => least <= SHOT_WIDTHS_MM[it] && SHOT_WIDTHS_MM[it] <= most)
  const aperture = apertureEnds
    ? `f/${trim(apertureEnds.short, 1)} to f/${trim(apertureEnds.long, 1)}`
    : widestFNumber === null
      ? 'its widest aperture not recorded'
      : `f/${trim(widestFNumber, 1)}`
  const takes = isZoom ? `${metres(closest)} to ${metres(widest)}` : metres(widest)
  const covers = sizes.length === 0 ? 'none of the usual sizes' : sizes.map((it) => SHOTS[it].toLowerCase()).join(', ')
  return [
    sayLine('range', 'From where it stands', `${takes} across at ${aperture}: ${covers}.`, {
      sums: [
        [
          'widest',
          `${trim(activeWidthMm, 1)} · (${trim(distanceMm, 0)} − ${trim(focalMinMm, 1)}) / ${trim(focalMinMm, 1)} = ${trim(widest, 0)} mm`,
        ],
        [
          'closest',
          `${trim(activeWidthMm, 1)} · (${trim(distanceMm, 0)} − ${trim(focalMaxMm, 1)}) / ${trim(focalMaxMm, 1)} = ${trim(closest, 0)} mm`,
        ],
      ],
      assumptions: [
        'How wide each size of a person is: common practice, in a picture of 16 to 9. A lens of one focal length counts for what is within a fifth of it.',
      ],
      source: THIN_LENS,
    }),
  ]
}

const NEAR_A_SIZE = 1.2

/** A zoom that gets darker as it gets longer. */
function sayApertureEnds({ apertureEnds, focalMm, widestFNumber }: CameraLook): LookLine[] {
  if (!apertureEnds) return []
  const { short, long } = apertureEnds
  const lost = widestFNumber === null ? null : findStopsBetween(short, widestFNumber)
  const whole = findStopsBetween(short, long)
  const here =
    focalMm === null || lost === null
      ? `up to ${trim(whole, 1)} stops less at its long end`
      : `${trim(lost, 1)} stops less at ${mm(focalMm)}`
  return [
    sayLine('aperture-lost', 'Light lost by zooming', `f/${trim(short, 1)} at its short end: ${here}.`, {
      sums: [['stops', `2 · log₂(${trim(long, 1)} / ${trim(short, 1)}) = ${trim(whole, 2)} at the long end`]],
      assumptions: [
        'Between its ends a zoom is taken to be as dark as at its long one: makers do not say where it steps.',
      ],
      source: 'f-numbers as marked; ISO 517 for the steps',
    }),
  ]
}

function saySharp(look: CameraLook): LookLine {
  const { sharp, focalMm, fNumber, distanceMm, confusionMm } = look
  const label = 'Sharp'
  if (!sharp || focalMm === null || fNumber === null || distanceMm === null || confusionMm === null)
    return sayOpen('sharp', label, listWanting(look, 'sensor', 'focal', 'aperture', 'distance'))
  const hyper = focalMm ** 2 / (fNumber * confusionMm) + focalMm
  const far = sharp.farMm === null ? 'as far as one sees' : metres(sharp.farMm)
  const deep = sharp.farMm === null ? '' : `, ${trim((sharp.farMm - sharp.nearMm) / 10, 0)} cm deep`
  return sayLine('sharp', label, `From ${metres(sharp.nearMm)} to ${far}${deep}, at f/${trim(fNumber, 1)}.`, {
    sums: [
      [
        'hyperfocal',
        `${trim(focalMm, 1)}² / (${trim(fNumber, 1)} · ${trim(confusionMm, 3)}) + ${trim(focalMm, 1)} = ${trim(hyper, 0)} mm`,
      ],
      ['near', `s · (H − f) / (H + s − 2f) = ${trim(sharp.nearMm, 0)} mm`],
      ['far', sharp.farMm === null ? 's ≥ H: to infinity' : `s · (H − f) / (H − s) = ${trim(sharp.farMm, 0)} mm`],
    ],
    assumptions: [CONFUSION, FROM_LENS],
    source: THIN_LENS,
  })
}

/** Something held up before the face, and the face. */
function sayProduct(look: CameraLook, { setup }: Scene): LookLine[] {
  const { productMm } = setup.stage
  const { sharp, focalMm, distanceMm, confusionMm } = look
  if (productMm === null) return []
  const label = 'What is held up, and the face'
  if (!sharp || focalMm === null || distanceMm === null || confusionMm === null)
    return [sayOpen('product', label, listWanting(look, 'sensor', 'focal', 'aperture', 'distance'))]
  const atMm = distanceMm - productMm
  if (atMm <= focalMm) return [sayLine('product', label, 'It would be held against the lens.')]
  const isSharp = sharp.nearMm <= atMm
  const both = isSharp ? null : findBothSharp(look, atMm)
  const way = sayBothSharp(both)
  return [
    sayLine(
      'product',
      label,
      isSharp
        ? `Both are sharp, ${trim(productMm / 10, 0)} cm apart.`
        : `Not both sharp with the focus on the face, ${trim(productMm / 10, 0)} cm apart. ${way}`,
      {
        sums: [
          ['held at', `${trim(distanceMm, 0)} − ${trim(productMm, 0)} = ${trim(atMm, 0)} mm`],
          ['sharp from', `${trim(sharp.nearMm, 0)} mm`],
        ],
        assumptions: [CONFUSION],
        source: THIN_LENS,
      },
    ),
  ]
}

function sayBlur(look: CameraLook, { setup }: Scene): LookLine {
  const { blurShare, sharp, toBackgroundMm, activeWidthMm, focalMm, fNumber, distanceMm } = look
  const label = 'Blur of the background'
  const isSet = activeWidthMm !== null && focalMm !== null && fNumber !== null && distanceMm !== null
  if (blurShare === null || toBackgroundMm === null || !isSet) {
    return sayOpen('blur', label, [
      ...listWanting(look, 'sensor', 'focal', 'aperture', 'distance'),
      ...(setup.stage.backdropMm === null ? ['how far the background is behind whoever is filmed'] : []),
    ])
  }
  const percent = trim(blurShare * 100, 2)
  const deep = sharp?.farMm == null ? 'sharp to infinity' : `${trim((sharp.farMm - sharp.nearMm) / 10, 0)} cm sharp`
  const isSeen = sharp !== null && (sharp.farMm === null || sharp.farMm >= toBackgroundMm)
  return sayLine(
    'blur',
    label,
    `A point of it is drawn ${percent} % of the width${isSeen ? ', which passes as sharp' : ''}; ${deep} at the face.`,
    {
      sums: [
        [
          'on the sensor',
          `${trim(focalMm, 1)}² · ${trim(toBackgroundMm - distanceMm, 0)} / (${trim(fNumber, 1)} · ${trim(toBackgroundMm, 0)} · ${trim(distanceMm - focalMm, 1)}) = ${trim(blurShare * activeWidthMm, 3)} mm`,
        ],
        ['of the width', `${trim(blurShare * activeWidthMm, 3)} / ${trim(activeWidthMm, 1)} = ${percent} %`],
      ],
      assumptions: [FROM_LENS, 'The blur grows with the square of the focal length.'],
      source: THIN_LENS,
    },
  )
}

/** The smallest that it can be brought to fill the picture with. */
function sayClosest({ closestMm, activeWidthMm, focalMm, focalMinMm, focalMaxMm }: CameraLook): LookLine[] {
  const focal = focalMm ?? (focalMinMm === focalMaxMm ? focalMinMm : null)
  if (closestMm === null || activeWidthMm === null || focal === null) return []
  const width = findClosestWidth(activeWidthMm, focal, closestMm)
  if (width === null) return []
  return [
    sayLine(
      'closest',
      'As close as it focuses',
      `${trim(width / 10, 1)} cm fill the width, at ${trim(closestMm / 10, 0)} cm.`,
      {
        sums: [
          ['size', `m + 1/m = ${trim(closestMm, 0)} / ${trim(focal, 1)} − 2, so m = ${trim(activeWidthMm / width, 3)}`],
          ['width', `${trim(activeWidthMm, 1)} / ${trim(activeWidthMm / width, 3)} = ${trim(width, 0)} mm`],
        ],
        assumptions: [
          'Closest focus is counted from the sensor, as makers do; a lens that gets shorter as it focuses near takes in a little more.',
        ],
        source: THIN_LENS,
      },
    ),
  ]
}

function sayShutter({ shutterSeconds, framesPerSecond }: CameraLook, { policies }: Scene): LookLine {
  const label = 'Shutter'
  if (shutterSeconds === null || framesPerSecond === null) {
    return sayOpen('shutter', label, [
      ...(shutterSeconds === null ? ['the shutter on the setting card'] : []),
      ...(framesPerSecond === null ? ['the frame rate on the setting card'] : []),
    ])
  }
  const { mainsHertz } = policies.settings
  const angle = findShutterAngle(shutterSeconds, framesPerSecond)
  if (angle > 361) {
    return sayLine(
      'shutter',
      label,
      `${seconds(shutterSeconds)} is longer than a frame at ${trim(framesPerSecond, 2)} a second.`,
    )
  }
  const isSafe = isFlickerSafe(shutterSeconds, mainsHertz)
  const safe = findSafeShutter(framesPerSecond, mainsHertz)
  const other =
    safe === null
      ? 'at this frame rate no time is'
      : `${seconds(safe)} is, at ${trim(findShutterAngle(safe, framesPerSecond), 0)}°`
  return sayLine(
    'shutter',
    label,
    `${trim(angle, 0)}°. ${isSafe ? `Safe under lamps that flicker with ${mainsHertz} Hz.` : `Not safe under lamps that flicker with ${mainsHertz} Hz: ${other}.`}`,
    {
      sums: [
        ['angle', `360 · ${trim(framesPerSecond, 2)} / ${trim(1 / shutterSeconds, 1)} = ${trim(angle, 0)}°`],
        [
          'pulses',
          `2 · ${mainsHertz} / ${trim(1 / shutterSeconds, 1)} = ${trim((2 * mainsHertz) / (1 / shutterSeconds), 2)}, whole is safe`,
        ],
      ],
      assumptions: [
        'About 180° is usual: common practice. Many lamps do not flicker with the mains at all; a test shot tells.',
      ],
      source: 'whole pulses of half a mains cycle',
    },
  )
}
