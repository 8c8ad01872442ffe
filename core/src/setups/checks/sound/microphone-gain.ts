import { z } from 'zod'
import {
  computeOutputLevel,
  computeSensitivity,
  computeSpeechLevel,
  LINE_DBV,
} from '../../../formulas/sound/microphone-level.ts'
import { findingLevelSchema } from '../../../studio/finding.ts'
import { trim } from '../../../units/quantity.ts'
import { listInWords } from '../../../units/wording.ts'
import { type PlacedItem, readFigure } from '../../placed/placed-item.ts'
import { defineCheck, defineSum, type Found, ofItem } from '../check.ts'
import { makeGauge, plain, type WorkingWords } from '../finding-words.ts'
import { listStandInsFor } from '../ideas.ts'
import { factOf, type Scene } from '../scene.ts'
import { type FedMicrophone, listFedMicrophones } from './microphone-way.ts'
/** The gain that a voice wants on its way from a microphone to where it is recorded, against what there is. */
export const microphoneGainSchema = z.object({
  formula: z.literal('microphone-gain'),
  key: z.string(),
  tag: z.string(),
  name: z.string(),
  /** Boosters on the way, with what each adds. */
  boosters: z.array(
    z.object({
      tag: z.string(),
      gainDb: z.number(),
    }),
  ),
  input: z.object({
    key: z.string(),
    tag: z.string(),
    gainDb: z.number(),
  }),
  distanceMm: z.number(),
  /** Whether somebody measured the distance. */
  isMeasured: z.boolean(),
  speechDbSpl: z.number(),
  sensitivityDbv: z.number(),
  outputDbv: z.number(),
  wantedDb: z.number(),
  haveDb: z.number(),
  level: findingLevelSchema,
})
export type MicrophoneGain = z.infer<typeof microphoneGainSchema>
type GainFinding =
  | { code: 'gain-short'; working: MicrophoneGain }
  | { code: 'gain-unknown'; tag: string; name: string; lacks: string[] }

/** What inputs have at least. Common practice. */
const USUAL_GAIN_DB = 40

/** Where nobody measured how far the mouth is. */
const USUAL_DISTANCE_MM = 300

/**
 * Follows each microphone through its boosters to the first input and sums the gain: speech at its distance, turned into
 * volts by the sensitivity (mV/Pa), brought to line level.
 */
export const microphoneGain = defineCheck<GainFinding>({
  shownIn: 'signals',
  find: (scene) => [
    ...factOf(scene, computeGains)
      .filter((it) => it.level !== 'ok')
      .map((working): Found<GainFinding> => {
        const roleId = scene.itemOf.get(working.key)?.roleId ?? null
        return { about: [working.key], roleId, level: working.level, code: 'gain-short', working }
      }),
    ...factOf(scene, listFedMicrophones).flatMap((it) => findUnknown(it, scene)),
  ],
  codes: {
    'gain-short': {
      say({ working: { tag, input, wantedDb, haveDb } }) {
        const short = trim(wantedDb - haveDb, 0)
        return {
          title: `${tag} is too quiet for ${input.tag}`,
          text: `A voice wants ${trim(wantedDb, 0)} dB of gain from there and gets ${trim(haveDb, 0)}. Half the distance is 6 dB; a booster of ${short} dB or more helps, and wants 48 V.`,
          gauge: makeGauge(haveDb, wantedDb, `${trim(haveDb, 0)} of ${trim(wantedDb, 0)} dB`),
        }
      },
      sayPlainly: ({ working: { tag, input } }) =>
        `${tag} is too quiet for ${input.tag}: go nearer, or put a booster between.`,
      deciding: ({ working: { wantedDb, haveDb, input } }) => [trim(wantedDb, 1), trim(haveDb, 1), input.key],
      ideas: ({ working }, context) => listStandInsFor([working.key, working.input.key], context),
      replaceable: ({ working }) => [working.key, working.input.key],
      isSmaller: (after, before) => lacksOf(after.working) < lacksOf(before.working),
    },
    'gain-unknown': {
      say: ({ tag, lacks }) =>
        plain(
          `Cannot tell whether ${tag} is loud enough`,
          `Microphones of this kind are quiet, and this is not recorded: ${listInWords(lacks)}.`,
        ),
      deciding: ({ lacks }) => lacks,
    },
  },
})

const lacksOf = ({ wantedDb, haveDb }: MicrophoneGain) => wantedDb - haveDb

export const gainSum = defineSum<MicrophoneGain>({
  formula: 'microphone-gain',
  list: (scene) => factOf(scene, computeGains),
  say: sayGain,
  follows: () => [],
})

/** The gain on every way of which all figures are recorded. */
export function computeGains(scene: Scene): MicrophoneGain[] {
  return factOf(scene, listFedMicrophones).flatMap((it) => sumGain(it, scene) ?? [])
}

/** Quiet by nature: of these one has to know. Of others the usual input has enough, unless it is known to have little. */
function findUnknown({ item, boosters, input }: FedMicrophone, scene: Scene): Found<GainFinding>[] {
  if (factOf(scene, computeGains).some((it) => it.key === item.key)) return []
  const gainDb = readFigure(input, 'gainDb')
  const isDoubtful = gainDb !== null && gainDb < USUAL_GAIN_DB
  if (item.category !== 'dynamic-mic' && !isDoubtful) return []
  const lacks = [
    ...(readFigure(item, 'sensitivityMvPerPa') === null ? [`sensitivity of ${item.tag}`] : []),
    ...[...boosters, input].flatMap((it) => (readFigure(it, 'gainDb') === null ? [`gain of ${it.tag}`] : [])),
  ]
  return [{ ...ofItem(item), level: 'unknown', code: 'gain-unknown', lacks }]
}

function sumGain({ item, boosters, input }: FedMicrophone, { setup }: Scene): MicrophoneGain | null {
  const sensitivity = readFigure(item, 'sensitivityMvPerPa')
  const added = boosters.flatMap((it) => readGain(it) ?? [])
  const own = readGain(input)
  if (sensitivity === null || !own || added.length < boosters.length) return null
  const measured = setup.roles.find((it) => it.id === item.roleId)?.position?.distanceMm || null
  const distanceMm = measured ?? USUAL_DISTANCE_MM
  const speechDbSpl = computeSpeechLevel(distanceMm)
  const sensitivityDbv = computeSensitivity(sensitivity)
  const outputDbv = computeOutputLevel(sensitivityDbv, speechDbSpl)
  const wantedDb = LINE_DBV - outputDbv
  const haveDb = added.reduce((sum, it) => sum + it.gainDb, own.gainDb)
  return {
    formula: 'microphone-gain',
    key: item.key,
    tag: item.tag,
    name: item.name,
    boosters: added.map(({ tag, gainDb }) => ({ tag, gainDb })),
    input: own,
    distanceMm,
    isMeasured: measured !== null,
    speechDbSpl,
    sensitivityDbv,
    outputDbv,
    wantedDb,
    haveDb,
    level: haveDb >= wantedDb ? 'ok' : 'warn',
  }
}

function readGain(item: PlacedItem): { key: string; tag: string; gainDb: number } | null {
  const gainDb = readFigure(item, 'gainDb')
  return gainDb === null ? null : { key: item.key, tag: item.tag, gainDb }
}

function sayGain(working: MicrophoneGain): WorkingWords {
  const { tag, boosters, input, speechDbSpl, sensitivityDbv, outputDbv, wantedDb, haveDb, distanceMm } = working
  const distance = `${trim(distanceMm / 1000, 2)} m`
  return {
    title: `Gain for ${tag}`,
    summary: `${trim(haveDb, 0)} dB, ${trim(wantedDb, 0)} wanted`,
    lines: [
      {
        label: 'speech',
        sum: `60 − 20 · log₁₀(${trim(distanceMm / 1000, 2)}) = ${trim(speechDbSpl, 1)} dB SPL at ${distance}`,
      },
      {
        label: tag,
        sum: `${trim(sensitivityDbv, 1)} dBV/Pa + (${trim(speechDbSpl, 1)} − 94) = ${trim(outputDbv, 1)} dBV`,
      },
      { label: 'wanted', sum: `${LINE_DBV} − (${trim(outputDbv, 1)}) = ${trim(wantedDb, 1)} dB` },
      ...boosters.map((it) => ({ label: it.tag, sum: `+${trim(it.gainDb, 0)} dB` })),
      { label: input.tag, sum: `+${trim(input.gainDb, 0)} dB` },
      { label: 'together', sum: `${trim(haveDb, 0)} dB` },
    ],
    assumptions: [
      working.isMeasured
        ? 'The distance is the one in the role.'
        : `Nobody measured the distance: ${distance} is taken.`,
      'Speech at normal effort, brought to line level of −10 dBV (common practice).',
    ],
    source: 'ISO 9921 for speech; 94 dB SPL = 1 Pa',
  }
}
