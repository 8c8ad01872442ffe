import { findStopsOverDistance, POINT_FROM_WIDTHS } from '../../../formulas/light/fall-off.ts'
import { findApparentSize } from '../../../formulas/light/source.ts'
import { trim } from '../../../units/quantity.ts'
import { isItemOf, readPositive } from '../../placed/placed-item.ts'
import { LIGHT_JOBS } from '../../setup/stage.ts'
import { metres } from '../finding-words.ts'
import { type LookLine, sayLine, sayOpen } from '../look-line.ts'
import { factOf, type Scene } from '../scene.ts'
import { findDownTheWall, findSpill, isForFace, type LampLook, placeLamp, readEyeHeight } from './lamp-look.ts'
import { findAngleFromLens, findBlocking, findFaceShadow, findReflection, wearsSpectacles } from './lines-of-sight.ts'
import { computeSetLook, EVEN_STOPS } from './set-look.ts'

export function stops(figure: number): string {
  const said = trim(Math.abs(figure), 1)
  return `${said} ${said === '1' ? 'stop' : 'stops'}`
}
export const lux = (figure: number) => `${trim(figure, figure >= 10 ? 0 : 1)} lx`
export const percent = (share: number) => `${trim(share * 100, 1)} %`

const INVERSE = 'inverse square of a point source'
const NOT_A_POINT = `A soft source nearer than about ${POINT_FROM_WIDTHS} times its size falls off more slowly than a point.`

/** All that one lamp comes to. */
export function sayLamp(look: LampLook, scene: Scene): LookLine[] {
  return [
    sayJob(look),
    sayLevel(look),
    ...sayShare(look, scene),
    ...sayFromLens(look, scene),
    sayReserve(look),
    ...saySize(look),
    ...sayOtherSizes(look),
    ...sayRing(look, scene),
    ...sayFallOff(look, scene),
    ...sayShadow(look, scene),
    ...sayDownTheWall(look, scene),
    ...sayInSpectacles(look, scene),
    ...saySight(look, scene),
  ]
}

function sayJob({ job }: LampLook): LookLine {
  return job
    ? sayLine('job', 'What it is for', `${LIGHT_JOBS[job]}.`)
    : sayOpen('job', 'What it is for', ['whether it is the key, a fill, or for the background'])
}

function listWanting({ lamp, distanceMm, share, unmeasuredLoss, strays }: LampLook): string[] {
  return [
    ...(distanceMm === null ? ['how far it is from what it lights'] : []),
    ...(readPositive(lamp, 'luxAtOneMetre') === null ? [`how much light ${lamp.tag} gives`] : []),
    ...unmeasuredLoss.map((it) => `what ${it.tag} takes away`),
    ...strays.map((it) => `before which lamp ${it.tag} is`),
    ...(share === null ? ['its level on the setting card'] : []),
  ]
}

function sayLevel(look: LampLook): LookLine {
  const { lux: there, isMeasured, fullLux, share, distanceMm, lossStops, lamp, sharedBy } = look
  const label = 'Level where it falls'
  if (there !== null && isMeasured)
    return sayLine(
      'level',
      label,
      `${lux(there)}, measured${sharedBy === 1 ? '' : ` of all ${sharedBy} lamps of its role together, its share of it`}.`,
      {
        sums: sharedBy === 1 ? [] : [['share', `${trim(there * sharedBy, 1)} / ${sharedBy} = ${trim(there, 1)} lx`]],
        assumptions: ['Measured from this role alone, by whoever wrote it down.'],
        source: 'measured',
      },
    )
  const wanting = listWanting(look)
  if (there === null || share === null || distanceMm === null || lossStops === null) {
    const open = sayOpen('level', label, [...wanting, 'or measure it there'])
    return fullLux === null
      ? open
      : { ...open, says: `At most ${lux(fullLux)}; how much of it ${listIn(wanting)} tells.` }
  }
  const atOne = readPositive(lamp, 'luxAtOneMetre') ?? 0
  return sayLine('level', label, `${lux(there)} at ${metres(distanceMm)}.`, {
    sums: [
      [
        'lux',
        `${trim(atOne, 0)} / ${trim(distanceMm / 1000, 2)}²${share === 1 ? '' : ` · ${trim(share, 3)}`}${lossStops === 0 ? '' : ` / 2^${trim(lossStops, 1)}`} = ${trim(there, 1)} lx`,
      ],
    ],
    assumptions: [NOT_A_POINT, 'On its axis, at the output its maker or somebody with a meter gave for one metre.'],
    source: INVERSE,
  })
}

const listIn = (parts: readonly string[]) => parts.join(' and ')

/** What the face would miss without it. */
function sayShare(look: LampLook, scene: Scene): LookLine[] {
  const { lamps } = factOf(scene, computeSetLook)
  const forFace = lamps.filter(isForFace)
  if (!isForFace(look) || forFace.length < 2 || forFace.some((it) => it.lux === null)) return []
  const all = forFace.reduce((sum, it) => sum + (it.lux ?? 0), 0)
  const rest = all - (look.lux ?? 0)
  const adds = Math.log2(all / rest)
  return [
    sayLine('adds', 'What it adds', `${stops(adds)} to the light at the face.`, {
      sums: [['stops', `log₂(${trim(all, 0)} / ${trim(rest, 0)}) = ${trim(adds, 2)}`]],
      assumptions: ['Where all lamps for the face fall on the same side of it.'],
      source: 'definition',
    }),
  ]
}

/** How far off the axis, which is what makes it flat or shaped. */
function sayFromLens(look: LampLook, scene: Scene): LookLine[] {
  const angle = isForFace(look) ? findAngleFromLens(look, scene) : null
  if (angle === null) return []
  const looks = angle < 15 ? 'flat, and seen in eyes and spectacles' : angle < 60 ? 'shaped' : 'from the side'
  return [
    sayLine('from-lens', 'Off the lens', `${trim(angle, 0)}°: ${looks}.`, {
      sums: [['between lens and lamp', `${trim(angle, 1)}°, seen from the face`]],
      assumptions: ['By feel: common practice.'],
      source: 'geometry',
    }),
  ]
}

/** How hard it works, against what is lost on the way. */
function sayReserve(look: LampLook): LookLine {
  const { share, headroomStops, lossStops, unmeasuredLoss, strays } = look
  const label = 'In reserve'
  if (share === null || headroomStops === null) return sayOpen('reserve', label, ['its level on the setting card'])
  const reserve = share === 1 ? 'Nothing: it is at its full output' : `${stops(headroomStops)}, at ${percent(share)}`
  const lost =
    strays.length > 0
      ? `; before which lamp ${strays.map((it) => it.tag).join(', ')} is nobody said`
      : lossStops === null
        ? `; what ${unmeasuredLoss.map((it) => it.tag).join(', ')} takes away nobody wrote down`
        : lossStops === 0
          ? ''
          : `; ${stops(lossStops)} are lost on the way`
  return sayLine('reserve', label, `${reserve}${lost}.`, {
    sums: [['headroom', `−log₂(${trim(share, 3)}) = ${trim(headroomStops, 2)} stops`]],
    assumptions: ['The level is taken to be a share of the light, as most lamps show it.'],
    source: 'definition',
  })
}

/** How soft it is, beside how much room it takes. */
function saySize({ diameterMm, distanceMm, sourceOf, lamp }: LampLook): LookLine[] {
  if (diameterMm === null || distanceMm === null) {
    const wanting = [
      ...(diameterMm === null ? [`how large ${sourceOf.tag} is`] : []),
      ...(distanceMm === null ? ['how far it is from what it lights'] : []),
    ]
    return sourceOf === lamp && diameterMm === null ? [] : [sayOpen('size', 'Looks as large as', wanting)]
  }
  const angle = findApparentSize(diameterMm, distanceMm)
  const deep = readPositive(sourceOf, 'frontToBackMm')
  const bulk = `${trim(diameterMm / 10, 0)} cm across${deep === null ? '' : `, ${trim(deep / 10, 0)} cm deep`}`
  const isNear = distanceMm < diameterMm * POINT_FROM_WIDTHS
  return [
    sayLine(
      'size',
      'Looks as large as',
      `${trim(angle, 0)}° from there, the larger the softer; ${sourceOf.tag} is ${bulk}.`,
      {
        sums: [['angle', `2 · atan(${trim(diameterMm / 2, 0)} / ${trim(distanceMm, 0)}) = ${trim(angle, 1)}°`]],
        assumptions: isNear ? [NOT_A_POINT] : [],
        source: 'geometry',
      },
    ),
  ]
}

/** Across, as umbrellas, softboxes and reflectors are usually made. Common practice, from memory. */
export const USUAL_SIZES_MM = [450, 600, 900, 1_200, 1_500, 1_800]

/** What another umbrella, softbox or reflector would look like from the same place. */
function sayOtherSizes(look: LampLook): LookLine[] {
  const { distanceMm } = look
  if (!isForFace(look) || distanceMm === null) return []
  const angle = (mm: number) => trim(findApparentSize(mm, distanceMm), 0)
  const says = USUAL_SIZES_MM.map((mm) => `${trim(mm / 10, 0)} cm ${angle(mm)}°`).join(', ')
  return [
    sayLine('other-sizes', 'Other sizes there', `${says}.`, {
      sums: USUAL_SIZES_MM.map((mm) => [
        `${mm} mm`,
        `2 · atan(${trim(mm / 2, 0)} / ${trim(distanceMm, 0)}) = ${trim(findApparentSize(mm, distanceMm), 1)}°`,
      ]),
      assumptions: [
        'Across, as umbrellas, softboxes and reflectors are usually made: common practice. Of one that is used the whole front has to be lit.',
      ],
      source: 'geometry',
    }),
  ]
}

/** What a ring is praised for and what people outgrow it for, where it stands. */
function sayRing({ lamp, distanceMm }: LampLook, scene: Scene): LookLine[] {
  if (!isItemOf(lamp, 'ring-light')) return []
  const seen = wearsSpectacles(scene)
    ? 'Its ring is seen in the eyes, and in the spectacles that are worn'
    : 'Its ring is seen in the eyes, and in spectacles where somebody wears them'
  const nearer =
    distanceMm !== null && distanceMm > LEAN_MM ? findStopsOverDistance(distanceMm - LEAN_MM, distanceMm) : null
  const leaning =
    nearer === null
      ? 'How near they stay to it decides how steady the light is'
      : `Who leans ${trim(LEAN_MM / 10, 0)} cm nearer than ${metres(distanceMm ?? 0)} gets ${stops(nearer)} more`
  return [
    sayLine('ring', 'As a ring', `Round the lens it throws no shadow beside the nose. ${seen}. ${leaning}.`, {
      sums:
        nearer === null || distanceMm === null
          ? []
          : [['stops', `2 · log₂(${trim(distanceMm, 0)} / ${trim(distanceMm - LEAN_MM, 0)}) = ${trim(nearer, 2)}`]],
      assumptions: ['Whether one likes it is a matter of taste.'],
      source: INVERSE,
    }),
  ]
}

/** So far somebody leans who talks. Common practice, from memory. */
const LEAN_MM = 150

/** How much of the light for the face is left behind it. */
function sayFallOff(look: LampLook, { setup }: Scene): LookLine[] {
  const { backdropMm } = setup.stage
  const { distanceMm, sideDegrees } = look
  if (!isForFace(look) || backdropMm === null || distanceMm === null) return []
  const spill = findSpill({ ...look, lux: look.lux ?? 1 }, backdropMm)
  if (!spill) return [sayLine('fall-off', 'On the background', 'Nothing: it shines away from it.')]
  const lost = findStopsOverDistance(distanceMm, spill.distanceMm)
  return [
    sayLine('fall-off', 'On the background', `${stops(lost)} less than on the face.`, {
      sums: [
        ['way', `${trim(spill.distanceMm, 0)} mm to it, ${trim(distanceMm, 0)} mm to the face`],
        ['stops', `2 · log₂(${trim(spill.distanceMm, 0)} / ${trim(distanceMm, 0)}) = ${trim(lost, 2)}`],
      ],
      assumptions: [
        NOT_A_POINT,
        ...(sideDegrees === null ? ['To which side it stands nobody said: taken as straight from the lens.'] : []),
        'A flag or a grid takes more away.',
      ],
      source: INVERSE,
    }),
  ]
}

function sayShadow(look: LampLook, scene: Scene): LookLine[] {
  if (!isForFace(look) || scene.setup.stage.backdropMm === null) return []
  const shadow = findFaceShadow(look, scene)
  if (!shadow) {
    const place = placeLamp(look, scene.setup)
    if (place) return []
    const wanting = [
      ...(look.distanceMm === null ? ['how far it is from the face'] : []),
      ...(look.sideDegrees === null ? ['to which side it stands'] : []),
      ...(look.heightMm === null ? ['how high it is'] : []),
      ...(readEyeHeight(scene.setup) ? [] : ['whether they sit or stand']),
    ]
    return [sayOpen('shadow', 'Shadow behind', wanting.length > 0 ? wanting : ['a distance longer than it is high'])]
  }
  const { lowerMm, asideMm, isInPicture, cameras } = shadow
  const { isOnFloor } = shadow
  const where = [
    `${metres(Math.abs(lowerMm))} ${lowerMm < 0 ? 'higher' : 'lower'} than the head`,
    `${metres(asideMm)} to the side`,
  ].join(' and ')
  const seen =
    isInPicture === null ? '' : isInPicture ? `, in the picture of ${cameras.join(', ')}` : ', out of every picture'
  return [
    sayLine(
      'shadow',
      'Shadow behind',
      isOnFloor
        ? 'The head throws it on the floor, and none on what is behind.'
        : `The head throws one ${where}${seen}.`,
      {
        sums: [
          [
            'forward',
            `${trim(shadow.forwardMm, 0)} mm before the face, ${trim(scene.setup.stage.backdropMm, 0)} mm behind it`,
          ],
          [
            'lower',
            `${trim(shadow.aboveMm, 0)} · ${trim(scene.setup.stage.backdropMm / shadow.forwardMm, 2)} = ${trim(lowerMm, 0)} mm`,
          ],
          ['aside', `= ${trim(asideMm, 0)} mm`],
        ],
        assumptions: [
          'Of a large source the edge of the shadow is soft, and further off it is lost.',
          ...(shadow.isEyeMeasured ? [] : ['How high the eyes are is as usual, not measured.']),
        ],
        source: 'geometry',
      },
    ),
  ]
}

/** A lamp from above leaves the lower part of what is behind darker. */
function sayDownTheWall(look: LampLook, scene: Scene): LookLine[] {
  const wall = findDownTheWall(look, scene)
  if (!wall) return []
  const { stops: lost, topMm, lampMm, beforeMm } = wall
  const says =
    lost < 0.1
      ? 'As bright below as above.'
      : `${stops(lost)} less at the floor than at ${metres(topMm)}.${lost > EVEN_STOPS ? ' A lamp lower down, or further away, evens it.' : ''}`
  return [
    sayLine('down-the-wall', 'Down the background', says, {
      sums: [
        ['light', 'before / (before² + difference of heights²)^1.5'],
        ['stops', `lamp ${trim(lampMm, 0)} mm high, ${trim(beforeMm, 0)} mm before it = ${trim(lost, 2)}`],
      ],
      assumptions: ['From the floor to 2 m up, or to the lamp where that is lower.', NOT_A_POINT],
      source: 'inverse square and slant of a point source',
    }),
  ]
}

/** Only where somebody wears spectacles. */
function sayInSpectacles(look: LampLook, scene: Scene): LookLine[] {
  const reflection = findReflection(look, scene)
  if (reflection === null) return []
  const label = 'In spectacles'
  if (reflection === 'unknown') {
    return [
      sayOpen('spectacles', label, [
        ...(look.sideDegrees === null ? ['to which side it stands'] : []),
        ...(look.heightMm === null ? ['how high it is'] : []),
        ...(look.distanceMm === null ? ['how far it is'] : []),
        ...(readEyeHeight(scene.setup) ? [] : ['whether they sit or stand']),
      ]),
    ]
  }
  const { angle, limit, isSeen } = reflection
  return [
    sayLine(
      'spectacles',
      label,
      isSeen
        ? `Likely seen: it stands ${trim(angle, 0)}° from the lens, and clears from about ${trim(limit, 0)}°. Higher, or further to the side.`
        : `Likely clear: it stands ${trim(angle, 0)}° from the lens.`,
      {
        sums: [
          ['between lens and lamp', `${trim(angle, 1)}°`],
          ['clear from', `${reflection.base}° and half of what it looks as large as: ${trim(limit, 1)}°`],
        ],
        assumptions: [
          'Curved lenses throw back what is within about 30° of the way they look: a rule of thumb, common practice. Spectacles tipped down a little, or a head turned away, change it; look once before it counts.',
        ],
        source: 'common practice, from memory',
      },
    ),
  ]
}

function saySight(look: LampLook, scene: Scene): LookLine[] {
  return findBlocking(look, scene).map(({ tag, angle, limit }) =>
    sayLine(
      'between',
      'Camera before the light',
      `${tag} stands between it and the face: ${trim(angle, 0)}° apart. Lower the camera, or raise the lamp.`,
      {
        sums: [['apart', `${trim(angle, 1)}°, clear from ${trim(limit, 1)}°`]],
        assumptions: ['A camera with its lens is taken to be 15 cm to each side of its middle.'],
        source: 'geometry',
      },
    ),
  )
}
