import { findEvenness } from '../../../formulas/light/fall-off.ts'
import { findStops } from '../../../formulas/picture/exposure.ts'
import type { Purpose } from '../../../studio/policy/purpose.ts'
import { trim } from '../../../units/quantity.ts'
import { isItemOf } from '../../placed/placed-item.ts'
import { defineCheck, type Found } from '../check.ts'
import { plain } from '../finding-words.ts'
import { findRole, listAssignments } from '../ideas.ts'
import { isEmptyRole } from '../roles/empty-roles.ts'
import { factOf, type Scene } from '../scene.ts'
import { compareWithFace, computeSetLook, EVEN_STOPS } from './set-look.ts'

type BackgroundFinding =
  | { code: 'white-grey'; below: number; lacksLux: number; isMeasured: boolean; hasOwn: boolean }
  | { code: 'background-dim'; below: number; isMeasured: boolean }
  | { code: 'background-unlit'; isWanted: boolean }
  | { code: 'background-uneven'; spread: number; names: string[] }
  | { code: 'key-near'; backdropMm: number }
  | { code: 'key-eats'; what: string[] }
  | { code: 'no-separation'; reason: 'near' | 'dim' }

/** White looks white up to about here below the face; common practice, from memory. */
const WHITE_WITHIN_STOPS = 0.5
/** Darker than this below the face a background sinks into noise. Common practice, from memory. */
const DIM_FROM_STOPS = 3
/** Nearer to green or blue than this its light lies on skin and hair. Common practice, from memory. */
export const KEYED_FROM_MM = 1500
/** Nearer than this nothing but light parts somebody from what is behind them. Common practice, from memory. */
const SEPARATE_FROM_MM = 1000

/** What is filmed for these is a face before something that is seen; elsewhere a table, a hall or the day is. */
const FACED: readonly Purpose[] = ['talking-head', 'interview', 'panel', 'green-screen', 'live-stream', 'other']

const LAMPS = 'Walls, the day and lights of the house may add; a meter tells.'

/** What is behind whoever is filmed: white that goes grey, light that is lacking, green that comes off on people. */
export const backgroundLight = defineCheck<BackgroundFinding>({
  find: (scene) => [...judgeLevel(scene), ...judgeEvenness(scene), ...judgeKeying(scene), ...judgeSeparation(scene)],
  codes: {
    'white-grey': {
      say: ({ below, lacksLux, isMeasured, hasOwn }) =>
        plain(
          'The white behind would turn grey',
          `It gets ${trim(below, 1)} stops less than the face. ${hasOwn ? 'Its lamps give too little' : 'Nothing lights it by itself'}: ${trim(lacksLux, 0)} lx more make it even.${isMeasured ? '' : ` ${LAMPS}`}`,
        ),
      deciding: ({ below }) => [trim(below, 1)],
      ideas: (_, { scene, store }) => {
        const home = scene.setup.roles.find((it) => it.light?.job === 'background')
        return home
          ? listAssignments(findRole(scene, home.id) ?? home, store, ({ model }) => isLamp(model.category))
          : []
      },
      seeks: () => ({ categories: ['light'] }),
      isSmaller: (after, before) => after.below < before.below,
    },
    'background-dim': {
      say: ({ below, isMeasured }) =>
        plain(
          'The background sinks into the dark',
          `It gets ${trim(below, 1)} stops less than the face, where cameras show noise. Light it, bring it nearer, or say that it is dark on purpose.${isMeasured ? '' : ` ${LAMPS}`}`,
        ),
      deciding: ({ below }) => [trim(below, 1)],
      isSmaller: (after, before) => after.below < before.below,
    },
    'background-unlit': {
      say: ({ isWanted }) =>
        plain(
          'No lamp is for the background',
          `${isWanted ? 'It is to be lit, and nobody said by what' : 'Nobody said how it is to look, and nothing lights it by itself'}. Put a lamp into a role for it, measure what falls on it, or say that it is dark on purpose.`,
        ),
      deciding: ({ isWanted }) => [isWanted],
      seeks: () => ({ categories: ['light'] }),
    },
    'background-uneven': {
      say: ({ spread, names }) =>
        plain(
          'The background is lit unevenly',
          `${trim(spread, 1)} stops lie between ${names[0]} and ${names[1]}; within half a stop passes as one tone.`,
        ),
      deciding: ({ spread }) => [trim(spread, 2)],
      isSmaller: (after, before) => after.spread < before.spread,
    },
    'key-near': {
      say: ({ backdropMm }) =>
        plain(
          'The colour behind comes off on whoever is filmed',
          `They stand ${trim(backdropMm / 1000, 2)} m before it; from about ${trim(KEYED_FROM_MM / 1000, 1)} m on its light leaves skin and hair alone, further is better.`,
        ),
      deciding: ({ backdropMm }) => [backdropMm],
    },
    'key-eats': {
      say: ({ what }) =>
        plain(
          'Keying would take away what is worn or shown',
          `There is ${what.join(' and ')} in the picture: green goes with the screen, and what shines throws it back. Other clothes, or dull it, or another screen.`,
        ),
      deciding: ({ what }) => [...what].sort(),
    },
    'no-separation': {
      say: ({ reason }) =>
        plain(
          'Nothing parts them from the background',
          `${reason === 'near' ? 'It is near behind them' : 'It is dark behind them'}, and no lamp is there for rim or hair. One from behind, out of the picture, would.`,
        ),
      deciding: ({ reason }) => [reason],
      seeks: () => ({ categories: ['light'] }),
    },
  },
})

const isLamp = (category: Parameters<typeof isItemOf>[0]['category']) => isItemOf({ category }, 'light')

/** How much darker it is behind than at the face; null where that is not known. */
function findBelow(scene: Scene): { below: number; lacksLux: number; isMeasured: boolean } | null {
  const { background } = factOf(scene, computeSetLook)
  const faceLux = compareWithFace(scene)
  if (!background || faceLux === null) return null
  return {
    below: findStops(faceLux, background.lux),
    lacksLux: faceLux - background.lux,
    isMeasured: background.by === 'measured',
  }
}

function judgeLevel(scene: Scene): Found<BackgroundFinding>[] {
  const wanted = scene.setup.stage.background
  const { lamps, houseLights } = factOf(scene, computeSetLook)
  // Who said nothing of the background is told of it once they light a face before one.
  const { purposeKind } = scene.setup
  const isAsked = wanted !== null || (FACED.includes(purposeKind) && lamps.some((it) => it.job === 'key'))
  if (wanted === 'dark' || !isAsked) return []
  const there = findBelow(scene)
  const hasOwn = lamps.some((it) => it.job === 'background')
  const place = { about: ['background'], roleId: null }
  if (!there) {
    const { backgroundLux, daylight, windows } = scene.setup.stage
    const isByWindow = windows === 'relied' || windows === 'tamed'
    const mayBeLit =
      isByWindow || houseLights.some((it) => it.state !== 'off') || (daylight !== null && daylight !== 'none')
    const roles = scene.setup.roles.filter((it) => it.light?.job === 'background')
    // A role for it that is empty is told as that; empty on purpose it is an answer, unless it is to be lit.
    const isTold = roles.some((it) => isEmptyRole(it, scene) || (wanted === null && it.intentionallyEmpty))
    const isLit =
      hasOwn || backgroundLux !== null || mayBeLit || lamps.length === 0 || roles.some((it) => it.providedBy)
    return isLit || isTold
      ? []
      : [{ ...place, level: wanted === null ? 'advise' : 'warn', code: 'background-unlit', isWanted: wanted !== null }]
  }
  const { below, lacksLux, isMeasured } = there
  if (wanted === 'white') {
    // Only a meter knows what walls and the day add.
    const { face } = factOf(scene, computeSetLook)
    const level = isMeasured || face?.by === 'lamps' ? 'warn' : 'advise'
    return below > WHITE_WITHIN_STOPS
      ? [{ ...place, level, code: 'white-grey', below, lacksLux, isMeasured, hasOwn }]
      : []
  }
  return below > DIM_FROM_STOPS ? [{ ...place, level: 'advise', code: 'background-dim', below, isMeasured }] : []
}

function judgeEvenness({ setup: { stage } }: Scene): Found<BackgroundFinding>[] {
  if (stage.background !== 'white' && stage.background !== 'keyed') return []
  const spread = findEvenness(stage.readings.map((it) => it.lux))
  if (spread === null || spread <= EVEN_STOPS) return []
  const sorted = [...stage.readings].sort((a, b) => b.lux - a.lux)
  const names = [sorted[0]?.name ?? '', sorted.at(-1)?.name ?? '']
  return [{ about: ['evenness'], roleId: null, level: 'warn', code: 'background-uneven', spread, names }]
}

const EATEN = { green: 'something green or see-through', shiny: 'something that shines' } as const

function judgeKeying({ setup: { stage } }: Scene): Found<BackgroundFinding>[] {
  if (stage.background !== 'keyed') return []
  const { backdropMm, inPicture } = stage
  const what = (['green', 'shiny'] as const).filter((it) => inPicture.includes(it)).map((it) => EATEN[it])
  const found: Found<BackgroundFinding>[] = []
  if (backdropMm !== null && backdropMm < KEYED_FROM_MM)
    found.push({ about: ['key-near'], roleId: null, level: 'warn', code: 'key-near', backdropMm })
  if (what.length > 0) found.push({ about: ['key-eats'], roleId: null, level: 'warn', code: 'key-eats', what })
  return found
}

/** Recommended only where somebody is lit at all, and said what is behind them. */
function judgeSeparation(scene: Scene): Found<BackgroundFinding>[] {
  const { lamps } = factOf(scene, computeSetLook)
  const { background, backdropMm } = scene.setup.stage
  const hasKey = lamps.some((it) => it.job === 'key')
  if (!hasKey || background === 'white' || lamps.some((it) => it.job === 'separation')) return []
  const isDim = background === 'dark'
  const isNear = backdropMm !== null && backdropMm < SEPARATE_FROM_MM
  if (!isDim && !isNear) return []
  return [
    { about: ['separation'], roleId: null, level: 'advise', code: 'no-separation', reason: isNear ? 'near' : 'dim' },
  ]
}
