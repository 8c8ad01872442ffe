import type { Category } from '../../../kit/model/category.ts'
import { listInWords, sayNumber } from '../../../units/wording.ts'
import { isConduit } from '../../joining/cycles.ts'
import { isItemOf, type PlacedItem, readFigure } from '../../placed/placed-item.ts'
import { defineCheck, type Found } from '../check.ts'
import { makeGauge } from '../finding-words.ts'
import { findRole, isOfKind, listAssignments, listStandInsFor } from '../ideas.ts'
import { factOf, type Scene } from '../scene.ts'
import { traceSignals } from '../signal/signals.ts'

type SpeakerFinding =
  | { code: 'microphones-short'; speakers: number; have: number; tags: string[] }
  | { code: 'sound-inputs-short'; speakers: number; have: number; tags: string[]; keys: string[] }

/** Ends that take a microphone. */
const SOUND: ReadonlySet<string> = new Set(['xlr-3', 'xlr-mini', 'trs-35', 'trs-63', 'trrs-35'])

/**
 * Holds how many people speak against microphones and inputs: each wants one of its own, and an input at what records or
 * mixes. A wireless set counts with its channels. Inputs that are fed by another device are not free for a microphone.
 */
export const speakers = defineCheck<SpeakerFinding>({
  shownIn: 'signals',
  find: (scene) => (scene.setup.speakers ? [...findMicrophones(scene), ...findInputs(scene)] : []),
  codes: {
    'microphones-short': {
      say: ({ speakers: voices, have }) => ({
        title: `${sayNumber(voices, 'person speaks', 'people speak')}, ${sayNumber(have, 'microphone')}`,
        text: 'Each voice wants a microphone of its own, with its lead and its stand or clip.',
        gauge: makeGauge(have, voices, `${have} of ${voices}`),
      }),
      deciding: ({ speakers: voices, have }) => [voices, have],
      ideas({ roleId, speakers: voices, have }, { scene, store }) {
        const role = findRole(scene, roleId)
        return [
          ...(role ? listAssignments(role, store, isOfKind('microphone')) : []),
          { kind: 'shop', item: 'Microphone', quantity: voices - have, stockId: null },
        ]
      },
      seeks: () => ({ categories: ['microphone'] }),
      isSmaller: (after, before) => after.have > before.have,
    },
    'sound-inputs-short': {
      say: ({ speakers: voices, have, tags }) => ({
        title: `${sayNumber(voices, 'voice')}, ${sayNumber(have, 'input')}`,
        text: `${listInWords(tags)} ${tags.length === 1 ? 'takes' : 'take'} ${sayNumber(have, 'microphone')} in all. A mixer or a second recorder has more.`,
        gauge: makeGauge(have, voices, `${have} of ${voices}`),
      }),
      deciding: ({ speakers: voices, have }) => [voices, have],
      ideas: ({ keys }, context) => listStandInsFor(keys, context),
      replaceable: ({ keys }) => keys,
      isSmaller: (after, before) => after.have > before.have,
    },
  },
})

/** Microphones, and the role in which one would be looked for first. */
export function findMicrophonesOf({ items, setup }: Scene): { microphones: PlacedItem[]; roleId: string | null } {
  const microphones = items.filter((it) => isItemOf(it, 'microphone'))
  const roleId = microphones[0]?.roleId ?? setup.roles.find((it) => it.group === 'sound')?.id ?? null
  return { microphones, roleId }
}

function findMicrophones(scene: Scene): Found<SpeakerFinding>[] {
  const wanted = scene.setup.speakers ?? 0
  const { microphones, roleId } = findMicrophonesOf(scene)
  const have = microphones.reduce((sum, it) => sum + countChannels(it), 0)
  if (have >= wanted) return []
  const tags = microphones.map(({ tag }) => tag)
  return [{ about: [], level: 'warn', roleId, code: 'microphones-short', speakers: wanted, have, tags }]
}

function findInputs(scene: Scene): Found<SpeakerFinding>[] {
  const wanted = scene.setup.speakers ?? 0
  const taking = scene.items
    .map((item) => ({ item, count: countFreeInputs(item, scene) }))
    .filter(({ count }) => count > 0)
  const have = taking.reduce((sum, { count }) => sum + count, 0)
  // With no input at all the microphones are unmet ends already, or talk straight into a phone or a computer.
  if (have === 0 || have >= wanted) return []
  const { roleId } = findMicrophonesOf(scene)
  const tags = taking.map(({ item }) => item.tag)
  const keys = taking.map(({ item }) => item.key)
  return [{ about: [], level: 'warn', roleId, code: 'sound-inputs-short', speakers: wanted, have, tags, keys }]
}

function countChannels(item: PlacedItem): number {
  return item.category === 'wireless-set' ? (readFigure(item, 'channels') ?? 1) : 1
}

const TAKES_NONE: readonly Category[] = ['preamp', 'speaker']

/** Inputs of a device for microphones, without those that another device feeds. */
function countFreeInputs(item: PlacedItem, scene: Scene): number {
  if (item.category === 'room' || isConduit(item) || isItemOf(item, 'microphone')) return 0
  if (TAKES_NONE.some((it) => it === item.category)) return 0
  const ports = item.ports.filter(
    (it) => it.side === 'host' && it.direction === 'in' && it.interfaces.some((code) => SOUND.has(code)),
  )
  const total = ports.reduce((sum, it) => sum + it.count, 0) + countMoreChannels(item, ports, scene)
  const fed = factOf(scene, traceSignals).chains.filter(({ from, to }) => {
    const sender = scene.itemOf.get(from.key)
    const isDevice = sender && sender.category !== 'room' && !isItemOf(sender, 'microphone')
    return to.key === item.key && isDevice && sender.category !== 'preamp' && hasSoundJoint(item, ports, scene)
  })
  return Math.max(0, total - fed.length)
}

/** One jack takes all channels of the set whose receiver is in it. */
function countMoreChannels(item: PlacedItem, ports: readonly { id: string }[], { joints, itemOf }: Scene): number {
  return joints
    .filter(({ host }) => host.key === item.key && ports.some((port) => port.id === host.portId))
    .reduce((sum, { guest }) => {
      const sender = itemOf.get(guest.key)
      return sum + (sender ? countChannels(sender) - 1 : 0)
    }, 0)
}

function hasSoundJoint(item: PlacedItem, ports: readonly { id: string }[], { joints }: Scene): boolean {
  return joints.some(({ host }) => host.key === item.key && ports.some((port) => port.id === host.portId))
}
