import type { Category } from '../../../kit/model/category.ts'
import { listInWords } from '../../../units/wording.ts'
import { SHOTS, type Shot } from '../../setup/setup.ts'
import { defineCheck } from '../check.ts'
import { plain } from '../finding-words.ts'
import { findMicrophonesOf } from './speakers.ts'

export type MicrophoneWay = 'worn' | 'boomed' | 'near'

export interface MicrophoneAdvice {
  way: MicrophoneWay
  why: 'moves' | 'wide' | 'close'
}

interface UnsuitedMicrophone {
  code: 'microphone-unsuited'
  tags: string[]
  keys: string[]
  advice: MicrophoneAdvice
  shot: Shot
}

/**
 * Which microphone suits: worn where somebody moves or the frame is so wide that a boom cannot come near; on a boom where
 * the frame is close; near on a stand where somebody alone sits still. Common practice.
 */
export function adviseMicrophone(shot: Shot, doesMove: boolean, isAlone: boolean): MicrophoneAdvice {
  if (doesMove) return { way: 'worn', why: 'moves' }
  if (shot === 'full' || shot === 'wide') return { way: 'worn', why: 'wide' }
  return { way: isAlone ? 'near' : 'boomed', why: 'close' }
}

const KINDS: Readonly<Record<MicrophoneWay, readonly Category[]>> = {
  worn: ['lavalier', 'wireless-set'],
  boomed: ['microphone', 'shotgun'],
  near: ['microphone', 'shotgun', 'dynamic-mic', 'usb-mic'],
}

/** Holds the microphones against how much of a person the picture shows. */
export const suitedMicrophone = defineCheck<UnsuitedMicrophone>({
  shownIn: 'signals',
  find(scene) {
    const { microphones, roleId } = findMicrophonesOf(scene)
    const { shot, demands, purposeKind } = scene.setup
    if (!shot || microphones.length === 0) return []
    const advice = adviseMicrophone(shot, purposeKind === 'walk-and-talk', demands.includes('alone'))
    if (microphones.some(({ category }) => KINDS[advice.way].some((kind) => kind === category))) return []
    const subject = { tags: microphones.map(({ tag }) => tag), keys: microphones.map(({ key }) => key) }
    return [{ about: [], level: 'advise', roleId, code: 'microphone-unsuited', ...subject, advice, shot }]
  },
  codes: {
    'microphone-unsuited': {
      say: (finding) => plain(sayAdvice(finding.advice), sayWhy(finding)),
      deciding: ({ advice, shot, keys }) => [advice.way, shot, ...keys],
    },
  },
})

/** The microphone that suits a picture, in a few words. */
export function sayAdvice({ way }: MicrophoneAdvice): string {
  return {
    worn: 'A worn microphone would suit this picture',
    boomed: 'A microphone on a boom would suit this picture',
    near: 'A microphone near the mouth would suit this picture',
  }[way]
}

function sayWhy({ tags, advice, shot }: UnsuitedMicrophone): string {
  const why = {
    moves: 'Whoever speaks moves about, and a boom would have to follow',
    wide: `The picture shows more than a face (${SHOTS[shot].toLowerCase()}), so a boom cannot come near`,
    close: `The picture is close (${SHOTS[shot].toLowerCase()}), so a boom gets near without being seen`,
  }[advice.why]
  return `${why}. Here it is ${listInWords(tags)}. Somebody who refuses a worn one decides.`
}
