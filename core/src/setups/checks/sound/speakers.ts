import { type Category, isKindOf } from '../../../kit/model/category.ts'
import type { FindingLevel } from '../../../studio/finding.ts'
import type { Joint } from '../../joining/completeness.ts'
import { isConduit } from '../../joining/cycles.ts'
import type { Holdings, PlacedItem } from '../../placed/placed-item.ts'
import type { NewSetup, Shot } from '../../setup/setup.ts'
import type { Signals } from './signals.ts'

export type MicrophoneWay = 'worn' | 'boomed' | 'near'

export interface MicrophoneAdvice {
  way: MicrophoneWay
  why: 'moves' | 'wide' | 'close'
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

export type SpeakerFinding = { key: string; level: FindingLevel; roleId: string | null } & (
  | { code: 'microphones-short'; speakers: number; have: number; tags: string[] }
  | { code: 'sound-inputs-short'; speakers: number; have: number; tags: string[] }
  | { code: 'microphone-unsuited'; tags: string[]; advice: MicrophoneAdvice; shot: Shot }
)

/** Ends that take a microphone. */
const SOUND: ReadonlySet<string> = new Set(['xlr-3', 'xlr-mini', 'trs-35', 'trs-63', 'trrs-35'])

/**
 * Holds how many people speak against microphones and inputs: each wants one of its own, and an input at what records or
 * mixes. A wireless set counts with its channels. Inputs that are fed by another device are not free for a microphone.
 */
export function judgeSpeakers(
  setup: Pick<NewSetup, 'speakers' | 'shot' | 'demands' | 'roles'>,
  things: readonly PlacedItem[],
  joints: readonly Joint[],
  signals: Signals,
  holdings: Holdings,
): SpeakerFinding[] {
  const microphones = things.filter(({ category }) => category !== 'room' && isKindOf(category, 'microphone'))
  const findings: SpeakerFinding[] = []
  const roleId = microphones[0]?.roleId ?? setup.roles.find((it) => it.group === 'sound')?.id ?? null
  const { speakers } = setup
  if (speakers) {
    const have = microphones.reduce((sum, it) => sum + countChannels(it, holdings), 0)
    const tags = microphones.map(({ tag }) => tag)
    if (have < speakers) {
      findings.push({
        key: 'microphones-short',
        level: 'warn',
        roleId,
        code: 'microphones-short',
        speakers,
        have,
        tags,
      })
    }
    const inputs = things.map((it) => ({ tag: it.tag, count: countFreeInputs(it, things, joints, signals) }))
    const taking = inputs.filter(({ count }) => count > 0)
    const inputCount = taking.reduce((sum, { count }) => sum + count, 0)
    // With no input at all the microphones are unmet ends already, or talk straight into a phone or a computer.
    if (inputCount > 0 && inputCount < speakers) {
      findings.push({
        key: 'sound-inputs-short',
        level: 'warn',
        roleId,
        code: 'sound-inputs-short',
        speakers,
        have: inputCount,
        tags: taking.map(({ tag }) => tag),
      })
    }
  }
  if (setup.shot && microphones.length > 0) {
    const doesMove = setup.demands.includes('steady-focus')
    const advice = adviseMicrophone(setup.shot, doesMove, setup.demands.includes('alone'))
    const suits = ({ category }: PlacedItem) => category !== 'room' && KINDS[advice.way].includes(category)
    if (!microphones.some(suits)) {
      const tags = microphones.map(({ tag }) => tag)
      const common = { key: 'microphone-unsuited', level: 'advise', roleId } as const
      findings.push({ ...common, code: 'microphone-unsuited', tags, advice, shot: setup.shot })
    }
  }
  return findings
}

function countChannels({ key, category }: PlacedItem, { units, models }: Holdings): number {
  const channels = models.get(units.get(key)?.modelId ?? '')?.specs.more.channels
  return category === 'wireless-set' && typeof channels === 'number' ? channels : 1
}

/** Inputs of a device for microphones, without those that another device feeds. */
function countFreeInputs(
  thing: PlacedItem,
  things: readonly PlacedItem[],
  joints: readonly Joint[],
  { chains }: Signals,
): number {
  if (thing.category === 'room' || isConduit(thing) || thing.category === 'preamp') return 0
  if (isKindOf(thing.category, 'microphone') || thing.category === 'speaker') return 0
  const ports = thing.ports.filter(
    (it) => it.side === 'host' && it.direction === 'in' && it.interfaces.some((code) => SOUND.has(code)),
  )
  const total = ports.reduce((sum, it) => sum + it.count, 0)
  const categoryOf = new Map(things.map((it) => [it.key, it.category]))
  const fed = chains.filter(({ from, to }) => {
    const category = categoryOf.get(from.key)
    const isDevice = category !== undefined && category !== 'room' && !isKindOf(category, 'microphone')
    return to.key === thing.key && isDevice && category !== 'preamp' && hasSoundJoint(thing, ports, joints)
  })
  return Math.max(0, total - fed.length)
}

function hasSoundJoint(thing: PlacedItem, ports: readonly { id: string }[], joints: readonly Joint[]): boolean {
  return joints.some(({ host }) => host.key === thing.key && ports.some((port) => port.id === host.portId))
}
