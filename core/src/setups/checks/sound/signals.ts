import { type Category, isKindOf } from '../../../kit/model/category.ts'
import type { Interface } from '../../../kit/model/interface.ts'
import type { FindingLevel } from '../../../studio/finding.ts'
import type { PolicyRef } from '../../../studio/policy/policy.ts'
import type { Joint } from '../../joining/completeness.ts'
import { isConduit } from '../../joining/cycles.ts'
import type { PlacedItem } from '../../placed/placed-item.ts'

/** One way of a signal from a device to the next, over the cables and adapters between. */
export interface SignalChain {
  from: { key: string; tag: string; name: string }
  via: string[]
  to: { key: string; tag: string; name: string }
}

/** Where a microphone ends up: what records it, and how many pieces are between. */
export interface SoundPath {
  tag: string
  name: string
  recordedAt: string[]
  /** Devices it reaches in all, those that only pass it on among them. */
  reaches: string[]
}

export interface Signals {
  chains: SignalChain[]
  sound: SoundPath[]
  /** Picture and sound are recorded apart, and somebody has to bring them together afterwards. */
  isDoubleSystem: boolean
}

const RECORDS: readonly Category[] = ['recorder', 'camera', 'external-recorder', 'computer', 'tablet']
/** A field recorder, a camera with its own sockets and a computer keep what they get; a mixer only passes it on. */
const doesRecord = ({ category }: PlacedItem) => category !== 'room' && RECORDS.some((kind) => isKindOf(category, kind))
const isMicrophone = ({ category }: PlacedItem) => category !== 'room' && isKindOf(category, 'microphone')

/** Follows every signal from its device to the next along the joints that were made. */
export function traceSignals(
  things: readonly PlacedItem[],
  joints: readonly Joint[],
  interfaces: ReadonlyMap<string, Interface>,
): Signals {
  const thingOf = new Map(things.map((it) => [it.key, it]))
  const ends = new Map<string, { portId: string; key: string }[]>()
  const note = (own: Joint['host'], other: Joint['host']) =>
    ends.set(own.key, [...(ends.get(own.key) ?? []), { portId: own.portId, key: other.key }])
  for (const { host, guest, interfaceCode } of joints) {
    if (interfaces.get(interfaceCode)?.kind !== 'signal') continue
    note(host, guest)
    note(guest, host)
  }
  const directionOf = (thing: PlacedItem, portId: string) => thing.ports.find((it) => it.id === portId)?.direction
  const follow = (key: string, cameFrom: string, via: string[]): { via: string[]; to: PlacedItem }[] => {
    const thing = thingOf.get(key)
    if (!thing || via.length > things.length) return []
    if (!isConduit(thing)) return [{ via, to: thing }]
    return (ends.get(key) ?? [])
      .filter((it) => it.key !== cameFrom)
      .flatMap((it) => follow(it.key, key, [...via, thing.tag]))
  }
  const chains = things
    .filter((it) => !isConduit(it))
    .flatMap((from) =>
      (ends.get(from.key) ?? [])
        .filter(({ portId }) => directionOf(from, portId) !== 'in')
        .flatMap(({ key }) => follow(key, from.key, []))
        .filter(({ to }) => to !== from)
        .map(({ via, to }): SignalChain => ({ from: name(from), via, to: name(to) })),
    )
  // What goes both ways is told once, from the first of the two.
  const told = chains.filter(
    (it, at) => !chains.slice(0, at).some((other) => other.from.key === it.to.key && isSameWay(other.via, it.via)),
  )
  const sound = things.filter(isMicrophone).map((it) => followSound(it, chains, thingOf))
  const isCamera = ({ category }: PlacedItem) => category !== 'room' && isKindOf(category, 'camera')
  const cameras = new Set(things.filter(isCamera).map((it) => it.tag))
  const recorders = sound.flatMap((it) => it.recordedAt)
  const isDoubleSystem = cameras.size > 0 && recorders.length > 0 && !recorders.some((it) => cameras.has(it))
  return { chains: told, sound, isDoubleSystem }
}

const name = ({ key, tag, name: called }: PlacedItem) => ({ key, tag, name: called })

const isSameWay = (a: readonly string[], b: readonly string[]) => [...a].reverse().join() === b.join()

function followSound(
  microphone: PlacedItem,
  chains: readonly SignalChain[],
  thingOf: ReadonlyMap<string, PlacedItem>,
): SoundPath {
  const seen = new Set([microphone.key])
  const queue = [microphone.key]
  for (let key = queue.shift(); key !== undefined; key = queue.shift()) {
    const thing = thingOf.get(key)
    // What records keeps the sound: whatever it sends on is its picture or its own mix.
    if (key !== microphone.key && thing && doesRecord(thing)) continue
    for (const { from, to } of chains) {
      if (from.key !== key || seen.has(to.key)) continue
      seen.add(to.key)
      queue.push(to.key)
    }
  }
  const reached = [...seen].slice(1).flatMap((key) => thingOf.get(key) ?? [])
  return {
    tag: microphone.tag,
    name: microphone.name,
    recordedAt: reached.filter(doesRecord).map((it) => it.tag),
    reaches: reached.map((it) => it.tag),
  }
}

export type SoundFinding = { key: string; level: FindingLevel; roleId: string | null } & (
  | { code: 'sound-unrecorded'; tag: string; name: string; reaches: string[] }
  | { code: 'sound-single'; recorder: string; microphones: string[] }
)

/**
 * A microphone that is plugged in and recorded nowhere is the classic loss. Where the studio records sound in two places,
 * one recorder for all of it is worth a word: a track at lower level on the same recorder guards against clipping alone.
 */
export function judgeSound(
  things: readonly PlacedItem[],
  { sound }: Signals,
  school: PolicyRef & { kind: 'school' },
): SoundFinding[] {
  const lost = sound
    .filter((it) => it.reaches.length > 0 && it.recordedAt.length === 0)
    .map(({ tag, name: called, reaches }): SoundFinding => {
      const roleId = things.find((it) => it.tag === tag)?.roleId ?? null
      return {
        key: `sound-unrecorded/${tag}`,
        level: 'warn',
        roleId,
        code: 'sound-unrecorded',
        tag,
        name: called,
        reaches,
      }
    })
  const recorders = [...new Set(sound.flatMap((it) => it.recordedAt))]
  const [only] = recorders
  if (school.way !== 'both' || !only || recorders.length > 1) return lost
  const microphones = sound.filter((it) => it.recordedAt.length > 0).map((it) => it.tag)
  const roleId = things.find((it) => it.tag === only)?.roleId ?? null
  return [...lost, { key: 'sound-single', level: 'advise', roleId, code: 'sound-single', recorder: only, microphones }]
}
