import { trim } from '../../../units/quantity.ts'
import { listInWords } from '../../../units/wording.ts'
import { SHOTS } from '../../setup/setup.ts'
import { type FindingWords, makeGauge, plain, type WorkingWords } from '../finding-words.ts'
import { type FeedFinding, LINE_DBV, type MicrophoneGain } from './microphone-gain.ts'
import type { RateFinding } from './signal-rate.ts'
import type { MicrophoneAdvice, SpeakerFinding } from './speakers.ts'

type SoundFinding = FeedFinding | RateFinding | SpeakerFinding | { code: 'gain-short'; working: MicrophoneGain }

const count = (number: number, one: string, many: string) => `${number} ${number === 1 ? one : many}`

export function saySoundFinding(finding: SoundFinding): FindingWords {
  switch (finding.code) {
    case 'gain-short': {
      const { tag, input, wantedDb, haveDb } = finding.working
      const short = trim(wantedDb - haveDb, 0)
      return {
        title: `${tag} is too quiet for ${input.tag}`,
        text: `A voice wants ${trim(wantedDb, 0)} dB of gain from there and gets ${trim(haveDb, 0)}. Half the distance is 6 dB; a booster of ${short} dB or more helps, and wants 48 V.`,
        gauge: makeGauge(haveDb, wantedDb, `${trim(haveDb, 0)} of ${trim(wantedDb, 0)} dB`),
      }
    }
    case 'feed-missing':
      return plain(
        `${finding.input} does not feed ${finding.tag}`,
        `${finding.name} wants ${finding.feed} from the input, and ${finding.input} sends none. Use an input that does, or a feed between them.`,
      )
    case 'feed-unknown':
      return plain(
        `Cannot tell whether ${finding.input} feeds ${finding.tag}`,
        `${finding.name} wants ${finding.feed}. Whether ${finding.input} sends it is not recorded; there is a switch or a menu for it.`,
      )
    case 'gain-unknown':
      return plain(
        `Cannot tell whether ${finding.tag} is loud enough`,
        `Microphones of this kind are quiet, and this is not recorded: ${listInWords(finding.lacks)}.`,
      )
    case 'link-slow':
      return finding.level === 'unknown'
        ? plain(
            `Cannot tell whether ${listInWords(finding.tags)} ${finding.tags.length === 1 ? 'carries' : 'carry'} the picture`,
            `${finding.from} sends ${trim(finding.wantedGbits, 1)} Gbit/s to ${finding.to}, and what they carry is not recorded. It is printed on the cable or its box.`,
          )
        : {
            title: `${listInWords(finding.tags)} ${finding.tags.length === 1 ? 'is' : 'are'} too slow for ${finding.from}`,
            text: `It sends ${trim(finding.wantedGbits, 1)} Gbit/s to ${finding.to}: with this cable the picture fails, or comes smaller.`,
            gauge: makeGauge(
              finding.haveGbits ?? 0,
              finding.wantedGbits,
              `${trim(finding.haveGbits ?? 0, 1)} of ${trim(finding.wantedGbits, 1)} Gbit/s`,
            ),
          }
    case 'microphones-short':
      return {
        title: `${count(finding.speakers, 'person speaks', 'people speak')}, ${count(finding.have, 'microphone', 'microphones')}`,
        text: 'Each voice wants a microphone of its own, with its lead and its stand or clip.',
        gauge: makeGauge(finding.have, finding.speakers, `${finding.have} of ${finding.speakers}`),
      }
    case 'sound-inputs-short':
      return {
        title: `${count(finding.speakers, 'voice', 'voices')}, ${count(finding.have, 'input', 'inputs')}`,
        text: `${listInWords(finding.tags)} ${finding.tags.length === 1 ? 'takes' : 'take'} ${count(finding.have, 'microphone', 'microphones')} in all. A mixer or a second recorder has more.`,
        gauge: makeGauge(finding.have, finding.speakers, `${finding.have} of ${finding.speakers}`),
      }
    case 'microphone-unsuited':
      return plain(sayAdvice(finding.advice), sayWhy(finding))
    default:
      return finding satisfies never
  }
}

/** The microphone that suits a picture, in a few words. */
export function sayAdvice({ way }: MicrophoneAdvice): string {
  return {
    worn: 'A worn microphone would suit this picture',
    boomed: 'A microphone on a boom would suit this picture',
    near: 'A microphone near the mouth would suit this picture',
  }[way]
}

function sayWhy({ tags, advice, shot }: SpeakerFinding & { code: 'microphone-unsuited' }): string {
  const why = {
    moves: 'Whoever speaks moves about, and a boom would have to follow',
    wide: `The picture shows more than a face (${SHOTS[shot].toLowerCase()}), so a boom cannot come near`,
    close: `The picture is close (${SHOTS[shot].toLowerCase()}), so a boom gets near without being seen`,
  }[advice.why]
  return `${why}. Here it is ${listInWords(tags)}. Somebody who refuses a worn one decides.`
}

export function saySoundWorking(working: MicrophoneGain): WorkingWords {
  const { tag, boosters, input, speechDbSpl, sensitivityDbv, outputDbv, wantedDb, haveDb, distanceMm } = working
  const distance = `${trim(distanceMm / 1000, 2)} m`
  return {
    title: `Gain for ${tag}`,
    summary: `${trim(haveDb, 0)} of ${trim(wantedDb, 0)} dB`,
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
