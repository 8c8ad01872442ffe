import { z } from 'zod'
import { type Category, isKindOf } from '../model/category.ts'
import type { Model } from '../model/model.ts'
import type { Port } from '../model/port.ts'

type Answer = 'yes' | 'no' | 'unknown'

interface Ability {
  /** "Holds". */
  label: string
  /** What is asked of it in figures; null where it is enough that it does. Kept in the unit that the specs are kept in. */
  figure: { label: string; unit: 'g' | 'mm' | 'lx' | 'inch' | 'GB' } | null
  ask(model: Model, least: number): Answer
  /** What to write down of a thing of which nobody knows. */
  unsaid: string
}

const PICTURE = ['hdmi-a', 'hdmi-c', 'hdmi-d', 'bnc'] as const
const SOUND = ['xlr-3', 'xlr-mini', 'trs-35', 'trrs-35', 'trs-63'] as const

/** What something may be wanted for, whatever it was bought for: an old television shows pictures, a tray holds a phone. */
export const ABILITIES = {
  'picture-in': {
    label: 'Takes a picture by cable',
    figure: null,
    unsaid: 'whether a picture goes in',
    ask: ({ ports, category }) => {
      if (ports.some((it) => takesIn(it, PICTURE) || it.id === 'video-in')) return 'yes'
      // USB-C takes pictures on some and on others not, and of what has no ends recorded nobody knows.
      const isUsb = ports.some((it) => takesIn(it, ['usb-c']))
      return isUsb || (ports.length === 0 && isAny(category, SHOWING)) ? 'unknown' : 'no'
    },
  },
  shows: {
    label: 'Shows a picture',
    figure: { label: 'At least, inches', unit: 'inch' },
    unsaid: 'how large its screen is',
    ask: ({ specs, category }, least) =>
      atLeast(specs.more.screenInches, least, isAny(category, SHOWING), isAny(category, SHOWING)),
  },
  'sound-in': {
    label: 'Takes sound by cable',
    figure: null,
    unsaid: 'whether sound goes in',
    ask: ({ ports }) => (ports.some((it) => takesIn(it, SOUND) || it.id === 'mic-in') ? 'yes' : 'no'),
  },
  records: {
    label: 'Records picture or sound',
    figure: null,
    unsaid: 'whether it records',
    ask: ({ recordingModes, category }) => {
      if (recordingModes.length > 0) return 'yes'
      return category !== 'webcam' && isAny(category, RECORDING) ? 'yes' : 'no'
    },
  },
  holds: {
    label: 'Holds a weight',
    figure: { label: 'At least', unit: 'g' },
    unsaid: 'how much it holds',
    ask: ({ ports, specs, category }, least) => {
      const loads = ports.flatMap((it) =>
        it.side === 'host' && it.rating?.quantity === 'loadGrams' ? [it.rating.value] : [],
      )
      const most = [...loads, ...(specs.more.takesGrams === undefined ? [] : [Number(specs.more.takesGrams)])]
      if (most.length > 0) return Math.max(...most) >= least ? 'yes' : 'no'
      return isAny(category, HOLDING) ? 'unknown' : 'no'
    },
  },
  'goes-up': {
    label: 'Goes up to a height',
    figure: { label: 'At least', unit: 'mm' },
    unsaid: 'how high it goes',
    ask: ({ specs, category }, least) => atLeast(specs.more.heightMaxMm, least, false, isAny(category, TALL)),
  },
  dims: {
    label: 'Can be dimmed',
    figure: null,
    unsaid: 'whether it can be dimmed',
    ask: ({ specs, category }) => {
      if (specs.more.dims !== undefined) return specs.more.dims === 'yes' ? 'yes' : 'no'
      return isKindOf(category, 'light') && category !== 'flash' ? 'unknown' : 'no'
    },
  },
  'sets-colour': {
    label: 'Its colour can be set',
    figure: null,
    unsaid: 'between which colours it goes',
    ask: ({ specs, category }) => {
      const { kelvinMin, kelvinMax } = specs.more
      if (typeof kelvinMin === 'number' && typeof kelvinMax === 'number') return kelvinMax > kelvinMin ? 'yes' : 'no'
      return isKindOf(category, 'light') && category !== 'flash' ? 'unknown' : 'no'
    },
  },
  lights: {
    label: 'Gives light',
    figure: { label: 'At 1 m at least, lx', unit: 'lx' },
    unsaid: 'how much light it gives',
    ask: ({ specs, category }, least) =>
      atLeast(specs.more.luxAtOneMetre, least, isKindOf(category, 'light'), isKindOf(category, 'light')),
  },
  'off-mains': {
    label: 'Runs without the mains',
    figure: null,
    unsaid: 'what it runs on',
    ask: ({ powerModes, specs, category }) => {
      if (specs.more.fedBy === 'own pack' || powerModes.some((it) => it.source !== 'mains')) return 'yes'
      if (powerModes.length > 0) return 'no'
      // A stand or a table wants no power at all.
      return isAny(category, POWERED) ? 'unknown' : 'yes'
    },
  },
  computes: {
    label: 'Runs programs',
    figure: { label: 'Working memory at least, GB', unit: 'GB' },
    unsaid: 'how much memory it has',
    ask: ({ specs, category }, least) =>
      atLeast(specs.more.memoryGigabytes, least, isAny(category, COMPUTING), isAny(category, COMPUTING)),
  },
  'takes-in': {
    label: 'Something fits into it',
    figure: { label: 'As long as', unit: 'mm' },
    unsaid: 'how long a thing fits in',
    ask: ({ specs, category }, least) => atLeast(specs.more.insideMm, least, false, isAny(category, ['case'])),
  },
} as const satisfies Record<string, Ability>
export type AbilityCode = keyof typeof ABILITIES
export const ABILITY_CODES = Object.keys(ABILITIES) as [AbilityCode, ...AbilityCode[]]

const SHOWING: readonly Category[] = ['monitor', 'television', 'tablet', 'phone', 'computer', 'external-recorder']
const RECORDING: readonly Category[] = ['camera', 'recorder', 'external-recorder', 'phone']
const HOLDING: readonly Category[] = ['stand', 'tripod', 'arm', 'clamp', 'head', 'furniture', 'household', 'boom-arm']
const TALL: readonly Category[] = ['stand', 'tripod', 'furniture']
const POWERED: readonly Category[] = [
  'camera',
  'light',
  'monitor',
  'television',
  'external-recorder',
  'recorder',
  'switcher',
  'capture',
  'speaker',
  'computer',
  'tablet',
  'audio-interface',
]
const COMPUTING: readonly Category[] = ['computer', 'tablet', 'phone']

const isAny = (category: Category, kinds: readonly Category[]) => kinds.some((it) => isKindOf(category, it))

const takesIn = ({ direction, interfaces }: Port, codes: readonly string[]) =>
  (direction === 'in' || direction === 'both') && interfaces.some((it) => codes.includes(it))

/** What is recorded against what is asked. Not recorded, it does where no figure is asked, and else nobody knows of what could. */
function atLeast(value: unknown, least: number, does: boolean, could: boolean): Answer {
  if (typeof value === 'number') return value >= least ? 'yes' : 'no'
  if (least === 0) return does ? 'yes' : could ? 'unknown' : 'no'
  return could ? 'unknown' : 'no'
}

/** One thing that something has to be able to do. */
export const wantedAbilitySchema = z
  .object({ code: z.enum(ABILITY_CODES), least: z.number().min(0).max(1e7).default(0) })
  .refine(({ code, least }) => ABILITIES[code].figure !== null || least === 0, {
    message: 'This is asked without a figure.',
    path: ['least'],
  })
export type WantedAbility = z.infer<typeof wantedAbilitySchema>

/** Whether something of a model does all that is asked; what it would have to be asked where nobody knows. */
export function judgeAbilities(model: Model, wanted: readonly WantedAbility[]): { answer: Answer; unsaid: string[] } {
  const answers = wanted.map(({ code, least }) => ({ code, answer: ABILITIES[code].ask(model, least) }))
  const unsaid = answers.filter((it) => it.answer === 'unknown').map(({ code }) => ABILITIES[code].unsaid)
  if (answers.some((it) => it.answer === 'no')) return { answer: 'no', unsaid: [] }
  return { answer: unsaid.length > 0 ? 'unknown' : 'yes', unsaid }
}

/** "holds a weight of at least 2 kg", after "it". */
export function sayAbility(
  { code, least }: WantedAbility,
  { sayLength, sayMass }: { sayLength(mm: number): string; sayMass(grams: number): string },
): string {
  const { label, figure }: Ability = ABILITIES[code]
  const does = label.charAt(0).toLowerCase() + label.slice(1)
  if (figure === null || least === 0) return does
  const says = {
    g: sayMass,
    mm: sayLength,
    lx: (n: number) => `${n} lx`,
    inch: (n: number) => `${n} inches`,
    GB: (n: number) => `${n} GB`,
  }
  return `${does}, at least ${says[figure.unit](least)}`
}
