import { listInWords } from '../../../units/wording.ts'
import { defineCheck, type Found, ofItem } from '../check.ts'
import { plain } from '../finding-words.ts'
import { listCablesFor, SEEKS_CABLE } from '../ideas.ts'
import { factOf, type Scene } from '../scene.ts'
import { traceSignals } from '../signal/signals.ts'

type SoundFinding =
  | { code: 'sound-unrecorded'; tag: string; name: string; reaches: string[] }
  | { code: 'sound-single'; recorder: string; microphones: string[]; isChosen: boolean }

/**
 * A microphone that is plugged in and recorded nowhere is the classic loss. Where the studio records sound in two places,
 * one recorder for all of it is worth a word: a track at lower level on the same recorder guards against clipping alone.
 */
export const recordedSound = defineCheck<SoundFinding>({
  shownIn: 'signals',
  find: (scene) => [...listLost(scene), ...listSingle(scene)],
  codes: {
    'sound-unrecorded': {
      say: ({ tag, name, reaches }) =>
        plain(
          `Nothing records ${tag}`,
          `${name} goes to ${listInWords(reaches)}, and from there nowhere that keeps it. Record ten seconds and play them back.`,
        ),
      deciding: ({ reaches }) => reaches,
      ideas: ({ roleId }, context) => listCablesFor(roleId, context),
      seeks: () => SEEKS_CABLE,
    },
    'sound-single': {
      say: ({ recorder, microphones, isChosen }) => {
        const lost = `If it stops, ${listInWords(microphones)} ${microphones.length > 1 ? 'are' : 'is'} lost.`
        return plain(
          `All sound goes into ${recorder}`,
          isChosen
            ? `${lost} Your policy is to record in two places.`
            : `${lost} Whether one recording is enough is yours to say, under Policies: where is sound recorded?`,
        )
      },
      deciding: ({ recorder, microphones }) => [recorder, ...microphones],
    },
  },
})

function listLost(scene: Scene): Found<SoundFinding>[] {
  return factOf(scene, traceSignals).sound.flatMap(({ key, reaches, recordedAt }) => {
    const item = scene.itemOf.get(key)
    if (!item || reaches.length === 0 || recordedAt.length > 0) return []
    return [{ ...ofItem(item), code: 'sound-unrecorded', reaches }]
  })
}

function listSingle(scene: Scene): Found<SoundFinding>[] {
  const { sound } = factOf(scene, traceSignals)
  const [only, ...others] = new Set(sound.flatMap((it) => it.recordedAt))
  const { way, from } = scene.policies.school('sound-path')
  if (way !== 'both' || !only || others.length > 0) return []
  const microphones = sound.filter((it) => it.recordedAt.length > 0).map((it) => it.tag)
  const roleId = scene.items.find((it) => it.tag === only)?.roleId ?? null
  return [
    {
      about: [],
      level: 'advise',
      roleId,
      code: 'sound-single',
      recorder: only,
      microphones,
      isChosen: from !== 'default',
    },
  ]
}
