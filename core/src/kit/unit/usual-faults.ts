import { type Category, isKindOf } from '../model/category.ts'
import type { NewFault } from './fault.ts'

/** A fault that such things have, to be reported by one tap. */
export interface UsualFault
  extends Pick<NewFault, 'note' | 'severity'>,
    Partial<Pick<NewFault, 'fails' | 'isNoisy' | 'isHazard'>> {}

const HOT: UsualFault = { note: 'Swollen, hot or leaking', severity: 'unusable', isHazard: true }
const SHOCK: UsualFault = {
  note: 'Damaged lead or plug, or it smells of burning',
  severity: 'unusable',
  isHazard: true,
}
const DEAD: UsualFault = { note: 'Does not come on', severity: 'unusable' }
const HUMS: UsualFault = { note: 'It hums or buzzes', severity: 'symptom', isNoisy: true, fails: 'sound' }
const SAGS: UsualFault = { note: 'It sags under its load', severity: 'usable', fails: 'load' }
const LOOSE: UsualFault = { note: 'It comes loose', severity: 'usable', fails: 'load' }
const CONTACT: UsualFault = { note: 'Bad contact: it drops out when moved', severity: 'usable' }

/** By kind, the narrower ones first. Common practice. */
const USUAL: readonly (readonly [Category, readonly UsualFault[]])[] = [
  ['pack', [HOT, { note: 'Empty long before its time', severity: 'symptom', fails: 'power' }, CONTACT]],
  ['camera', [DEAD, { note: 'The battery door does not hold', severity: 'nuisance' }, CONTACT, HOT]],
  ['light', [DEAD, HUMS, { note: 'It flickers', severity: 'symptom', fails: 'picture' }, SHOCK]],
  [
    'microphone',
    [{ note: 'It crackles', severity: 'symptom', fails: 'sound' }, { note: 'No sound', severity: 'unusable' }, HUMS],
  ],
  [
    'cable',
    [CONTACT, { note: 'Dead', severity: 'unusable' }, { note: 'The strain relief is torn', severity: 'symptom' }],
  ],
  ['lead', [SHOCK, CONTACT]],
  ['strip', [SHOCK, CONTACT]],
  ['reel', [SHOCK, CONTACT]],
  ['boom-arm', [SAGS, LOOSE]],
  ['arm', [SAGS, { note: 'It springs up or drifts: set its tension', severity: 'usable' }, LOOSE]],
  [
    'tripod',
    [
      { ...LOOSE, note: 'A leg comes loose' },
      { note: 'The head drifts', severity: 'usable', fails: 'load' },
    ],
  ],
  ['stand', [{ ...LOOSE, note: 'A knob slips' }, SAGS]],
  ['clamp', [{ ...LOOSE, note: 'It slips' }]],
  [
    'card',
    [
      { note: 'Errors on writing', severity: 'unusable' },
      { note: 'Slower than it was', severity: 'symptom' },
    ],
  ],
  [
    'drive',
    [
      { note: 'Errors on reading or writing', severity: 'unusable' },
      { note: 'It clicks', severity: 'symptom', isNoisy: true },
    ],
  ],
  [
    'monitor',
    [
      DEAD,
      { note: 'Dented, still works', severity: 'cosmetic' },
      { note: 'Its colours are off', severity: 'usable', fails: 'picture' },
    ],
  ],
  [
    'lens',
    [
      { note: 'Scratched glass', severity: 'usable', fails: 'picture' },
      { note: 'The hood is broken', severity: 'cosmetic' },
    ],
  ],
]

const ANY: readonly UsualFault[] = [DEAD, { note: 'Dented, still works', severity: 'cosmetic' }]

/** What things of a kind usually have. */
export function listUsualFaults(category: Category): readonly UsualFault[] {
  return USUAL.find(([kind]) => isKindOf(category, kind))?.[1] ?? ANY
}

/** What to do at once with something that can hurt somebody; local rules and who is licensed come first. */
export function sayHazard(category: Category): string {
  return isKindOf(category, 'pack') || category === 'cell'
    ? 'Do not charge it, open it or put it into a bag. Away from people, on something that does not burn, outdoors where you can. Hand it in where used cells are taken; local rules say where.'
    : 'Switch it off at the wall before you touch it, and put it where nobody takes it by mistake. Whoever is licensed for it tests it before it is used again; local rules say who that is.'
}
