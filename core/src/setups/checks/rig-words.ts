import { trim } from '../../units/quantity.ts'
import { listInWords } from '../../units/wording.ts'
import { FEATURES } from '../setup/provided.ts'
import type { RigTime } from '../timing/rig-minutes.ts'
import { type FindingWords, makeGauge, plain, type WorkingWords } from './finding-words.ts'
import type { CameraAngle, PictureFinding } from './picture/camera-angles.ts'
import type { CarriedLoad } from './rigging/carried-load.ts'
import type { HeightFinding } from './rigging/working-height.ts'
import type { DutyFinding } from './roles/shared-item.ts'

type RigFinding = PictureFinding | HeightFinding | DutyFinding | { code: 'carried-load'; working: CarriedLoad }

const kilograms = (grams: number) => `${trim(grams / 1000, 2)} kg`
const metres = (mm: number) => `${trim(mm / 1000, 2)} m`

export function sayRigFinding(finding: RigFinding): FindingWords {
  switch (finding.code) {
    case 'carried-load':
      return sayLoad(finding.working)
    case 'circle-small': {
      const { tag, lens, circleMm, fit } = finding
      return plain(
        `${lens} does not cover the sensor of ${tag}`,
        `Its image circle is ${trim(circleMm, 1)} mm. Dark corners, or cut to ${trim(fit.usedShare * 100, 0)} % of the width: everything ${trim(fit.extraCrop, 2)} times closer, with ${trim(fit.resolutionShare * 100, 0)} % of the picture points left. Choose a way to record that crops as much.`,
      )
    }
    case 'beyond-room':
      return plain(
        `${finding.tag} would stand outside the room`,
        `It is to be ${metres(finding.distanceMm)} away, and the longest side of the room is ${metres(finding.roomMm)}, half a metre of it behind the camera. A shorter lens, or another room.`,
      )
    case 'height-out-of-reach': {
      const { tag, carriers, wantedMm, lowestMm, highestMm } = finding
      const way =
        wantedMm > highestMm
          ? 'A taller stand, a riser or an arm would.'
          : 'A low stand, a clamp, or an adapter in the base of the stand would.'
      return plain(
        `${tag} does not get to ${metres(wantedMm)}`,
        `On ${listInWords(carriers)} it works between ${metres(lowestMm)} and ${metres(highestMm)}. ${way}`,
      )
    }
    case 'double-duty':
      return finding.isOneBody
        ? plain(
            `${finding.tag} cannot take two angles at once`,
            `${listInWords(finding.roles)} are both ${finding.name}. One after the other is fine; together they want two bodies.`,
          )
        : plain(
            `${finding.tag} does ${finding.roles.length} jobs`,
            `${listInWords(finding.roles)}. If it rings, runs flat or is carried off, all of them stop.`,
          )
    case 'given-lacking':
      return sayLacking(finding)
    default:
      return finding satisfies never
  }
}

function sayLacking({ role, by, tags, isUnknown }: DutyFinding & { code: 'given-lacking' }): FindingWords {
  if (by.kind === 'surface') {
    return plain(`${role} wants a room`, `“${by.name}” is to do it, and no room is chosen for this setup.`)
  }
  const what = FEATURES[by.feature].label.toLowerCase().replace(/^its/, 'the')
  if (tags.length === 0) return plain(`Nothing is ${role}`, `A feature is to do it, and nothing is in that role.`)
  return isUnknown
    ? plain(
        `Cannot tell whether ${listInWords(tags)} can be ${role}`,
        `Whether this holds is not recorded: ${what}. Write it down under “What it is”.`,
      )
    : plain(`${listInWords(tags)} cannot be ${role}`, `It would have to be so: ${what}. Put in a thing of its own.`)
}

function sayLoad({ tag, name, riders, totalGrams, ratedGrams, level }: CarriedLoad): FindingWords {
  const list = listInWords(riders.map((it) => it.tag))
  if (level === 'unknown') {
    const unknown = listInWords(riders.flatMap((it) => (it.massGrams === null ? it.tag : [])))
    return plain(
      `Cannot tell whether ${tag} bears what rides on it`,
      `The mass of ${unknown} is not recorded. Without it ${list} come to ${kilograms(totalGrams)} of ${kilograms(ratedGrams)}.`,
    )
  }
  return {
    title: `Too much rides on ${tag}`,
    text: `${name} holds ${kilograms(ratedGrams)}; ${list} together weigh ${kilograms(totalGrams)}. A competent rigger decides about anything overhead.`,
    gauge: makeGauge(totalGrams, ratedGrams, `${trim(totalGrams / 1000, 2)} of ${kilograms(ratedGrams)}`),
  }
}

export function sayRigWorking(working: CarriedLoad): WorkingWords {
  const { tag, riders, totalGrams, ratedGrams } = working
  return {
    title: `What ${tag} carries`,
    summary: `${trim(totalGrams / 1000, 2)} of ${kilograms(ratedGrams)}`,
    lines: [
      ...riders.map((it) => ({
        label: it.tag,
        sum: it.massGrams === null ? 'not recorded' : kilograms(it.massGrams),
      })),
      { label: 'together', sum: `${kilograms(totalGrams)}; good for ${kilograms(ratedGrams)}` },
    ],
    assumptions: [
      'A rider brings all that rides on it. Cards, cells, filters and gels without a recorded mass are left out.',
      'Cables hanging down, and the lever of an arm, are not in this sum.',
    ],
    source: 'Σ mass ≤ rating of the support',
  }
}

/** How the minutes until it records were worked out. */
export function sayRigTime({ steps, toRecordMinutes, fromNothingMinutes }: RigTime): WorkingWords {
  return {
    title: 'Minutes until it records',
    summary: `${toRecordMinutes} of ${fromNothingMinutes} min`,
    lines: [
      ...steps.map((it) => ({
        label: it.role,
        sum: `${it.rigMinutes} min${it.stays ? ', stays' : ''}${it.isTimed ? ', as timed' : ''}`,
      })),
      { label: 'all of it', sum: `${fromNothingMinutes} min` },
      { label: 'without what stays', sum: `${toRecordMinutes} min` },
    ],
    assumptions: [
      'One person, what each kind usually takes, until somebody writes down a role’s own minutes.',
      'Small things of one role count three in a minute; striking takes 60 % of rigging, rounded up.',
    ],
    source: 'common practice, from memory',
  }
}

/** How what a camera frames was worked out; null where a figure for it is missing. */
export function sayFraming({
  tag,
  activeWidthMm,
  focalMm,
  distanceMm,
  frameWidthMm,
}: CameraAngle): WorkingWords | null {
  if (activeWidthMm === null || focalMm === null || distanceMm === null || frameWidthMm === null) return null
  const sum = `${trim(activeWidthMm, 1)} · (${trim(distanceMm, 0)} − ${trim(focalMm, 1)}) / ${trim(focalMm, 1)}`
  return {
    title: `What ${tag} frames`,
    summary: metres(frameWidthMm),
    lines: [{ label: 'width', sum: `${sum} = ${trim(frameWidthMm, 0)} mm` }],
    assumptions: ['The distance is from the lens to what is focused; a tape to the front of the lens is close enough.'],
    source: 'thin lens: sensor width in use · (distance − focal length) / focal length',
  }
}
