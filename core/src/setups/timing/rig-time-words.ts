import type { WorkingWords } from '../checks/finding-words.ts'
import type { RigTime } from './rig-minutes.ts'

/** How the minutes until it records were worked out. */
export function sayRigTime({ steps, toRecordMinutes, fromNothingMinutes, correctionMinutes }: RigTime): WorkingWords {
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
      ...(correctionMinutes ? [{ label: 'afterwards, colours', sum: `${correctionMinutes} min` }] : []),
    ],
    assumptions: [
      'One person, what each kind usually takes, until somebody writes down a role’s own minutes.',
      'Small things of one role count three in a minute; striking takes 60 % of rigging, rounded up.',
    ],
    source: 'common practice, from memory',
  }
}
