import { miredOf, SEEN_FROM_MIRED } from '../../../formulas/light/colour.ts'
import { findEvenness } from '../../../formulas/light/fall-off.ts'
import { findLuxOfValue, findStops } from '../../../formulas/picture/exposure.ts'
import { trim } from '../../../units/quantity.ts'
import { isItemOf, listItemsOf, readFigure } from '../../placed/placed-item.ts'
import { printLights } from '../../setup/lights-print.ts'
import { BACKGROUNDS, DAYLIGHTS } from '../../setup/stage.ts'
import { type LookLine, sayLine, sayOpen } from '../look-line.ts'
import { listCameraLooks } from '../picture/camera-look.ts'
import { factOf, type Scene } from '../scene.ts'
import { listColours } from './colours.ts'
import { readExposure } from './exposure-look.ts'
import { lux, percent, stops } from './lamp-lines.ts'
import { isForFace, type LampLook } from './lamp-look.ts'
import { compareWithFace, computeSetLook, EVEN_STOPS, type LightLevel } from './set-look.ts'

const BY: Record<LightLevel['by'], string> = {
  measured: 'measured',
  lamps: 'from the lamps alone',
  daylight: 'as such daylight usually is',
}

/** What all lamps together come to: ratios, exposure, background, colours. */
export function saySet(scene: Scene): LookLine[] {
  const look = factOf(scene, computeSetLook)
  return [
    ...(look.lamps.length > 0 ? [sayRatio(scene), ...sayShares(look.lamps)] : []),
    ...sayFace(scene),
    ...sayBackground(scene),
    ...sayEvenness(scene),
    ...sayColours(scene),
    ...sayHouseLights(scene),
    ...sayWhite(scene),
    ...sayCorrection(scene),
  ]
}

/** Key to fill, each alone; the other convention beside it. */
function sayRatio(scene: Scene): LookLine {
  const { lamps, keyLux, fillLux } = factOf(scene, computeSetLook)
  const label = 'Key to fill'
  const of = (job: LampLook['job']) => lamps.filter((it) => it.job === job)
  const surface = scene.setup.roles.find((it) => it.light?.job === 'fill' && it.providedBy?.kind === 'surface')
  if (of('key').length === 0) return sayOpen('ratio', label, ['which lamp is the key'])
  if (of('fill').length === 0) {
    const by = surface?.providedBy?.kind === 'surface' ? surface.providedBy.name : findBounce(scene)
    return by
      ? sayOpen('ratio', label, [`what ${by} gives back: measure it at the face with the key shaded`])
      : sayLine('ratio', label, 'No fill: what walls and the day give back decides how dark the other side is.')
  }
  if (keyLux === null || fillLux === null) {
    const open = lamps.filter((it) => (it.job === 'key' || it.job === 'fill') && it.lux === null)
    return sayOpen(
      'ratio',
      label,
      open.map((it) => `the level of ${it.lamp.tag}`),
    )
  }
  const difference = findStops(keyLux, fillLux)
  const way = difference < 0 ? `the fill is ${stops(difference)} brighter than the key` : stops(difference)
  const { ratioStops } = scene.setup.stage
  const agreed = ratioStops === null ? '' : ` ${trim(ratioStops, 1)} agreed.`
  return sayLine('ratio', label, `${trim(keyLux / fillLux, 1)} to 1: ${way}. ${sayContrast(difference)}${agreed}`, {
    sums: [
      ['stops', `log₂(${trim(keyLux, 0)} / ${trim(fillLux, 0)}) = ${trim(difference, 2)}`],
      [
        'key and fill to fill',
        `(${trim(keyLux, 0)} + ${trim(fillLux, 0)}) / ${trim(fillLux, 0)} = ${trim((keyLux + fillLux) / fillLux, 1)} to 1`,
      ],
    ],
    assumptions: [
      'Each alone, where it falls. Where the fill reaches the side of the key too, the second figure holds.',
    ],
    source: 'definition',
  })
}

/** Colours are put right afterwards: in how many minutes, and by what. */
function sayCorrection({ setup, items }: Scene): LookLine[] {
  const { correctionMinutes } = setup.stage
  if (!correctionMinutes) return []
  const card = items.find((it) => isItemOf(it, 'colour-card'))
  const by = card ? `${card.tag} is filmed for it` : 'No colour card is in the setup to go by'
  return [sayLine('correction', 'Colours afterwards', `${correctionMinutes} min for each film. ${by}.`)]
}

/** A reflector or an umbrella that fills by itself. */
const findBounce = ({ setup, items }: Scene): string | null =>
  setup.roles
    .filter((it) => it.light?.job === 'fill')
    .flatMap((role) => listItemsOf(role, items))
    .find((it) => isItemOf(it, 'reflector') || isItemOf(it, 'umbrella'))?.tag ?? null

/** By feel: common practice, from memory. */
function sayContrast(difference: number): string {
  if (difference < 0.5) return 'Flat.'
  if (difference < 1.5) return 'Soft.'
  return difference < 2.5 ? 'Shaped.' : 'Contrasty.'
}

/** Two alike lamps that are set apart on purpose: what their levels alone make of it. */
function sayShares(lamps: readonly LampLook[]): LookLine[] {
  const pairs = lamps.flatMap((one, at) =>
    lamps.slice(at + 1).flatMap((other) => {
      const isAlike = one.lamp.model && one.lamp.model.id === other.lamp.model?.id
      const isSet = one.share !== null && other.share !== null && one.distanceMm === other.distanceMm
      return isAlike && isSet && one.share !== other.share ? [[one, other] as const] : []
    }),
  )
  return pairs.map(([one, other]) => {
    const [brighter, darker] = (one.share ?? 0) >= (other.share ?? 0) ? [one, other] : [other, one]
    const difference = findStops(brighter.share ?? 1, darker.share ?? 1)
    return sayLine(
      'pair',
      `${brighter.lamp.tag} and ${darker.lamp.tag}`,
      `${percent(brighter.share ?? 0)} and ${percent(darker.share ?? 0)} of the same lamp: ${stops(difference)} apart.`,
      {
        sums: [
          ['stops', `log₂(${trim(brighter.share ?? 0, 3)} / ${trim(darker.share ?? 0, 3)}) = ${trim(difference, 2)}`],
        ],
        assumptions: ['Twice the level is one stop, and looks no more than that.', 'From the same distance.'],
        source: 'definition',
      },
    )
  })
}

function sayFace(scene: Scene): LookLine[] {
  const { face, unknownAtFace } = factOf(scene, computeSetLook)
  const exposures = factOf(scene, readExposure)
  if (!face) {
    const { stage } = scene.setup
    const wanting = [
      ...unknownAtFace.map((it) => `the level of ${it.lamp.tag}`),
      ...(stage.daylight === null ? ['whether daylight falls on it'] : []),
      ...factOf(scene, computeSetLook).houseLights.flatMap((it) =>
        it.state === 'off' ? [] : [`what ${it.fixture.name} adds`],
      ),
    ]
    return [
      sayOpen('face', 'Light at the face', [
        ...(wanting.length > 0 ? wanting : ['what lights it']),
        'or measure it there with everything on',
      ]),
    ]
  }
  return [
    sayLine('face', 'Light at the face', `${lux(face.lux)}, ${BY[face.by]}.`, workFace(scene)),
    ...listOpenExposures(scene),
    ...exposures.map(({ camera, wantedLux, offStops, newIso, nd, filter }) => {
      const { fNumber, shutterSeconds, iso, tag } = camera
      const shutter = shutterSeconds === null ? 0 : 1 / shutterSeconds
      const is =
        Math.abs(offStops) < 0.5
          ? 'as wanted'
          : offStops > 0
            ? `${stops(offStops)} more than wanted`
            : `${stops(offStops)} less than wanted`
      const way = sayExposureWay(offStops, newIso, nd)
      return sayLine(
        'exposure',
        `Exposure of ${tag}`,
        `${is[0]?.toUpperCase()}${is.slice(1)}: ${lux(wantedLux)} wanted at the face.${way}`,
        {
          sums: [
            [
              'wanted',
              `250 · ${trim(fNumber ?? 0, 1)}² · ${trim(shutter, 0)} / ${trim(iso ?? 0, 0)} = ${trim(wantedLux, 1)} lx`,
            ],
            ...(filter === 0
              ? []
              : [
                  [
                    'through the filter',
                    `${trim(face.lux, 0)} / 2^${trim(filter, 1)} = ${trim(face.lux / 2 ** filter, 1)} lx`,
                  ] as const,
                ]),
            ['stops', `log₂(there / wanted) = ${trim(offStops, 2)}`],
            ['sensitivity', `${trim(iso ?? 0, 0)} / 2^${trim(offStops, 2)} = ${trim(newIso, 0)}`],
          ],
          assumptions: ['Incident light on a face, with a constant of 250; by eye and by meter half a stop is taste.'],
          source: 'ISO 2720: E = C · N² / (t · S)',
        },
      )
    }),
  ]
}

/** No camera goes lower. */
const LEAST_ISO = 50

function sayExposureWay(offStops: number, newIso: number, nd: boolean): string {
  if (offStops <= -0.5) return ` ISO ${trim(newIso, 0)} would do, with as much more noise.`
  if (offStops < 0.5) return ''
  if (newIso < LEAST_ISO) return ` No sensitivity is so low: a filter takes ${stops(offStops)} away.`
  return ` Sensitivity could come down to ISO ${trim(newIso, 0)}${nd ? `, or a filter takes ${stops(offStops)} away` : ''}.`
}

/** Cameras of which the exposure cannot be told yet, and what is missing. */
function listOpenExposures(scene: Scene): LookLine[] {
  const told = new Set(readTold(scene))
  return factOf(scene, listCameraLooks)
    .filter((it) => !told.has(it.unitId))
    .map(({ tag, fNumber, shutterSeconds, iso, filters, isFilterOpen }) =>
      sayOpen('exposure', `Exposure of ${tag}`, [
        ...(fNumber === null ? ['the aperture on the setting card'] : []),
        ...(shutterSeconds === null ? ['the shutter on the setting card'] : []),
        ...(iso === null ? ['the sensitivity on the setting card'] : []),
        ...(isFilterOpen
          ? [`which of ${filters.map((it) => it.tag).join(', ')} is before the lens`]
          : filters.flatMap((it) => (readFigure(it, 'densityStops') === null ? `what ${it.tag} takes away` : []))),
      ]),
    )
}

const readTold = (scene: Scene) => factOf(scene, readExposure).map(({ camera }) => camera.unitId)

function workFace(scene: Scene) {
  const { face, lamps } = factOf(scene, computeSetLook)
  const { daylight, faceLux } = scene.setup.stage
  const day = daylight === null ? null : DAYLIGHTS[daylight]
  if (face?.by === 'measured') return { source: `measured: ${lux(faceLux ?? 0)}, with everything on` }
  const each = lamps
    .filter((it) => isForFace(it) && it.lux !== null)
    .map((it) => [it.lamp.tag, `${trim(it.lux ?? 0, 1)} lx`] as const)
  const outside =
    day && day.exposureValue !== null
      ? [[day.label, `2.5 · 2^${day.exposureValue} = ${trim(findLuxOfValue(day.exposureValue), 0)} lx`] as const]
      : []
  return {
    sums: [...each, ...outside],
    assumptions: ['Walls give some of it back, which is not in it.'],
    source:
      outside.length > 0 ? 'exposure values at ISO 100, common practice; ISO 2720' : 'sum of the lamps for the face',
  }
}

function sayBackground(scene: Scene): LookLine[] {
  const { background, unknownAtBackground, lamps, face } = factOf(scene, computeSetLook)
  const { stage } = scene.setup
  const label = 'Light on the background'
  if (stage.background === null && stage.backdropMm === null && !background)
    return lamps.some(isForFace) ? [sayOpen('background', label, ['whether it is lit, or dark on purpose'])] : []
  const wanted = stage.background === null ? '' : ` Wanted: ${BACKGROUNDS[stage.background].toLowerCase()}.`
  if (!background) {
    const wanting = [
      ...(stage.backdropMm === null ? ['how far it is behind whoever is filmed'] : []),
      ...unknownAtBackground.map((it) => `the level of ${it.lamp.tag}`),
    ]
    return [sayOpen('background', label, [...wanting, wanting.length > 0 ? 'or measure it there' : 'measure it there'])]
  }
  const faceLux = compareWithFace(scene)
  if (faceLux === null) return [sayLine('background', label, `${lux(background.lux)}, ${BY[background.by]}.${wanted}`)]
  const below = findStops(faceLux, background.lux)
  const lacking = faceLux - background.lux
  const against =
    Math.abs(below) < 0.1
      ? 'as much as on the face'
      : below > 0
        ? `${stops(below)} less than on the face; ${lux(lacking)} more would make it even`
        : `${stops(below)} more than on the face`
  const own = lamps.filter((it) => it.job === 'background')
  return [
    sayLine('background', label, `${lux(background.lux)}, ${BY[background.by]}: ${against}.${wanted}`, {
      sums: [
        ['stops', `log₂(${trim(faceLux, 0)} / ${trim(background.lux, 0)}) = ${trim(below, 2)}`],
        ...(lacking > 0
          ? [['lacks', `${trim(faceLux, 0)} − ${trim(background.lux, 0)} = ${trim(lacking, 0)} lx`] as const]
          : []),
      ],
      assumptions: [
        own.length > 0
          ? 'Lamps for the background as they fall on it, and what is left of those for the face.'
          : 'No lamp is for the background: what is left there of those for the face.',
        ...(face?.by === 'measured' ? [] : ['Walls, the day and lights of the house add to both.']),
      ],
      source: 'inverse square of point sources',
    }),
  ]
}

function sayEvenness({ setup: { stage } }: Scene): LookLine[] {
  const { readings } = stage
  const spread = findEvenness(readings.map((it) => it.lux))
  if (spread === null) {
    return stage.background === 'keyed' || stage.background === 'white'
      ? [sayOpen('evenness', 'Evenness behind', ['two or more points of it, measured'])]
      : []
  }
  const sorted = [...readings].sort((a, b) => b.lux - a.lux)
  const [most] = sorted
  const least = sorted.at(-1)
  return [
    sayLine(
      'evenness',
      'Evenness behind',
      `${stops(spread)} between ${most?.name} and ${least?.name}: ${spread <= EVEN_STOPS ? 'even' : 'uneven for one white or a key'}.`,
      {
        sums: [['stops', `log₂(${trim(most?.lux ?? 0, 0)} / ${trim(least?.lux ?? 0, 0)}) = ${trim(spread, 2)}`]],
        assumptions: [`Within half a stop passes as even: common practice.`],
        source: 'definition',
      },
    ),
  ]
}

function sayColours(scene: Scene): LookLine[] {
  const { sources, odd, common, reference, blocking } = factOf(scene, listColours)
  const label = 'Colours of the light'
  if (sources.length === 0) return []
  const unknown = sources.filter((it) => it.kelvin === null && it.kelvinMin === null)
  const unset = sources.filter((it) => it.kelvin === null && it.kelvinMin !== null)
  const apart = odd.map(
    ({ source, mired }) =>
      `${source.label} is ${trim(Math.abs(mired), 0)} mired ${mired > 0 ? 'warmer' : 'cooler'}${source.isMeant ? ', as meant' : ''}`,
  )
  const all =
    common === null
      ? blocking.length > 0
        ? `No temperature that all reach: ${blocking.map((it) => it.label).join(', ')} ${blocking.length === 1 ? 'stands' : 'stand'} against it`
        : ''
      : common.kelvinMin === common.kelvinMax
        ? `All can be at ${trim(common.kelvinMin, 0)} K`
        : `All can be between ${trim(common.kelvinMin, 0)} and ${trim(common.kelvinMax, 0)} K`
  const parts = [
    reference === null
      ? ''
      : apart.length === 0
        ? `All at about ${trim(reference, 0)} K`
        : `Against ${trim(reference, 0)} K: ${apart.join('; ')}`,
    all,
    unset.length > 0
      ? `to what ${unset.map((it) => it.label).join(', ')} ${unset.length === 1 ? 'is' : 'are'} set nobody said`
      : '',
    unknown.length > 0
      ? `which colour ${unknown.map((it) => it.label).join(', ')} ${unknown.length === 1 ? 'has' : 'have'} nobody wrote down`
      : '',
  ].filter(Boolean)
  const white = scene.policies.school('white-balance')
  const isMixed = odd.some((it) => !it.source.isMeant)
  if (isMixed && white.way === 'camera')
    parts.push(
      'a camera that finds white by itself takes something between them, and another when one goes out of the picture',
    )
  const text = parts.map((it) => `${it[0]?.toUpperCase()}${it.slice(1)}.`).join(' ')
  if (reference === null && common === null && blocking.length === 0)
    return [{ ...sayOpen('colours', label, []), says: text }]
  return [
    sayLine('colours', label, text, {
      sums: sources.flatMap((it) =>
        it.kelvin === null
          ? []
          : [[it.label, `10⁶ / ${trim(it.kelvin, 0)} = ${trim(miredOf(it.kelvin), 0)} mired`] as const],
      ),
      assumptions: [
        `Less than about ${SEEN_FROM_MIRED} mired is hard to see: common practice.`,
        'What the key has is what the rest is held against.',
      ],
      source: 'mired: 10⁶ / K',
    }),
  ]
}

function sayWhite({ setup }: Scene): LookLine[] {
  const { whiteBalance } = setup.stage
  if (!whiteBalance) return []
  const isOld = whiteBalance.lights !== printLights(setup)
  const now = isOld ? 'Lights were changed since: take it again.' : 'All lights are as they were then.'
  return [sayLine('white-balance', 'White balance', `${trim(whiteBalance.kelvin, 0)} K by the card. ${now}`)]
}

function sayHouseLights(scene: Scene): LookLine[] {
  const { houseLights } = factOf(scene, computeSetLook)
  if (houseLights.length === 0) return []
  const each = houseLights.map(
    ({ fixture, state }) =>
      `${fixture.name}${fixture.kelvin === null ? ', colour not recorded' : `, ${fixture.kelvin} K`}: ${state ?? 'on or off nobody said'}`,
  )
  return [sayLine('house-lights', 'Lights of the house', `${each.join('; ')}.`)]
}
