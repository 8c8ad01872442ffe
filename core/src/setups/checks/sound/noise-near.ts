import { computeSpeechLevel } from '../../../formulas/sound/microphone-level.ts'
import { trim } from '../../../units/quantity.ts'
import { isItemOf, type PlacedItem, readFigure } from '../../placed/placed-item.ts'
import { defineCheck, type Found, ofItem } from '../check.ts'
import { plain } from '../finding-words.ts'
import { findRole, listStandInsFor } from '../ideas.ts'
import type { Scene } from '../scene.ts'

type Noise =
  | {
      code: 'noise-near'
      itemKey: string
      tag: string
      name: string
      microphone: string
      noiseDba: number
      distanceMm: number
      isMeasured: boolean
      voiceDb: number
      atMicrophoneDb: number
      underDb: number
    }
  | {
      code: 'noise-fault'
      itemKey: string
      tag: string
      name: string
      faultId: string
      note: string
      microphones: string[]
    }

/** How far a voice is wanted above what hums beside it. Common practice. */
const WANTED_UNDER_DB = 40
/** Where nobody measured how far the mouth is, and how far what hums. */
const USUAL_MOUTH_MM = 300
const USUAL_AWAY_MM = 1000

/** Every microphone that is there. */
export const listMicrophones = (scene: Scene): PlacedItem[] => scene.items.filter((it) => isItemOf(it, 'microphone'))

/**
 * What hums, beside the microphones: by its recorded noise and its distance, or because somebody reported that it does.
 * By figures it is advice and no more: of most things nobody ever recorded how loud they are, and who listens hears it.
 */
export const noiseNear = defineCheck<Noise>({
  find: (scene) => {
    const microphones = listMicrophones(scene)
    if (microphones.length === 0) return []
    return scene.items.flatMap((item): Found<Noise>[] => [
      ...findLoud(item, microphones, scene),
      ...findReported(item, microphones, scene),
    ])
  },
  codes: {
    'noise-near': {
      say: (it) => {
        const { tag, name, microphone, noiseDba, distanceMm, isMeasured, voiceDb, atMicrophoneDb, underDb } = it
        const away = `${trim(distanceMm / 1000, 1)} m${isMeasured ? '' : ', as nobody measured it'}`
        return plain(
          `${tag} is heard in ${microphone}`,
          `${name} makes ${trim(noiseDba, 0)} dBA at 1 m: ${trim(atMicrophoneDb, 0)} from ${away}. A voice is ${trim(voiceDb, 0)} there, so ${trim(underDb, 0)} dB above it, and ${WANTED_UNDER_DB} are wanted. Twice as far is 6 dB; nearer to the mouth helps as much.`,
        )
      },
      sayPlainly: ({ tag, microphone }) =>
        `${tag} is heard in ${microphone}: put it further away, or take a quiet one.`,
      deciding: ({ noiseDba, distanceMm, voiceDb }) => [noiseDba, distanceMm, trim(voiceDb, 1)],
      // Only what is known to be quieter: of others nobody knows.
      ideas: ({ itemKey, noiseDba }, { scene, store }) =>
        listStandInsFor([itemKey], { scene, store: { ...store, units: store.units.filter(isQuieter(noiseDba)) } }),
      replaceable: ({ itemKey }) => [itemKey],
      isSmaller: (after, before) => after.underDb > before.underDb,
    },
    'noise-fault': {
      say: ({ tag, name, note, microphones }) =>
        plain(
          `${tag} is reported to be noisy`,
          `“${note}”, of ${name}. Keep it away from ${microphones.join(', ')}, listen before you record, or take another.`,
        ),
      deciding: ({ faultId, microphones }) => [faultId, ...microphones],
      ideas: ({ itemKey }, context) => listStandInsFor([itemKey], context),
      replaceable: ({ itemKey }) => [itemKey],
    },
  },
})

const isQuieter =
  (noiseDba: number) =>
  ({ model }: { model: PlacedItem['model'] }) => {
    const own = readFigure({ model }, 'noiseDba')
    return own !== null && own < noiseDba
  }

function findLoud(item: PlacedItem, microphones: readonly PlacedItem[], scene: Scene): Found<Noise>[] {
  const noiseDba = readFigure(item, 'noiseDba')
  if (noiseDba === null || isItemOf(item, 'microphone')) return []
  const measured = findRole(scene, item.roleId)?.position?.distanceMm || null
  const distanceMm = measured ?? USUAL_AWAY_MM
  const atMicrophoneDb = noiseDba - 20 * Math.log10(distanceMm / 1000)
  const heard = microphones
    .map((it) => {
      const mouthMm = findRole(scene, it.roleId)?.position?.distanceMm || USUAL_MOUTH_MM
      return { it, voiceDb: computeSpeechLevel(mouthMm) }
    })
    .filter(({ voiceDb }) => voiceDb - atMicrophoneDb < WANTED_UNDER_DB)
    .sort((a, b) => a.voiceDb - b.voiceDb)
  const [worst] = heard
  if (!worst) return []
  const { voiceDb } = worst
  const underDb = voiceDb - atMicrophoneDb
  const figures = { noiseDba, distanceMm, isMeasured: measured !== null, voiceDb, atMicrophoneDb, underDb }
  return [
    { ...ofItem(item), level: 'advise', code: 'noise-near', itemKey: item.key, microphone: worst.it.tag, ...figures },
  ]
}

function findReported(item: PlacedItem, microphones: readonly PlacedItem[], { faults }: Scene): Found<Noise>[] {
  // What hums itself has a fault, and is nothing to be kept away from itself.
  if (isItemOf(item, 'microphone')) return []
  const noisy = (faults?.get(item.unit?.id ?? '') ?? []).filter((it) => it.isNoisy)
  return noisy.map(({ id, note }) => ({
    ...ofItem(item),
    about: [item.key, id],
    level: 'warn',
    code: 'noise-fault',
    itemKey: item.key,
    faultId: id,
    note,
    microphones: microphones.map((it) => it.tag),
  }))
}
