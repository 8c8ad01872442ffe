import { z } from 'zod'
import type { Joint } from '../../joining/completeness.ts'
import { isConduit } from '../../joining/cycles.ts'
import { isItemOf, type PlacedItem } from '../../placed/placed-item.ts'
import type { Scene } from '../scene.ts'
import { findKeeping } from './keeping.ts'
/** One way of a signal from a device to the next, over the cables and adapters between. */
export const signalChainSchema = z.object({
  from: z.object({
    key: z.string(),
    tag: z.string(),
    name: z.string(),
  }),
  via: z.array(z.string()),
  to: z.object({
    key: z.string(),
    tag: z.string(),
    name: z.string(),
  }),
})
export type SignalChain = z.infer<typeof signalChainSchema>

/** Where a microphone ends up: what records it, and how many pieces are between. */
export const soundPathSchema = z.object({
  key: z.string(),
  tag: z.string(),
  name: z.string(),
  recordedAt: z.array(z.string()),
  /** Devices it reaches in all, those that only pass it on among them. */
  reaches: z.array(z.string()),
})
export type SoundPath = z.infer<typeof soundPathSchema>

export const signalsSchema = z.object({
  chains: z.array(signalChainSchema),
  sound: z.array(soundPathSchema),
  /** No device records both: picture and sound are recorded apart, and somebody has to bring them together afterwards. */
  isDoubleSystem: z.boolean(),
})
export type Signals = z.infer<typeof signalsSchema>

/** Follows every signal from its device to the next along the joints that were made. */
export function traceSignals(scene: Scene): Signals {
  const { items: things, itemOf: thingOf, joints, interfaces } = scene
  const ends = new Map<string, { portId: string; key: string; at: string }[]>()
  const note = (own: Joint['host'], other: Joint['host']) => {
    const end = { portId: own.portId, key: other.key, at: other.portId }
    const known = ends.get(own.key)
    if (known) known.push(end)
    else ends.set(own.key, [end])
  }
  for (const { host, guest, interfaceCode } of joints) {
    if (interfaces.get(interfaceCode)?.kind !== 'signal') continue
    note(host, guest)
    note(guest, host)
  }
  const directionOf = (thing: PlacedItem, portId: string) => thing.ports.find((it) => it.id === portId)?.direction
  const follow = (key: string, at: string, cameFrom: string, via: string[]): { via: string[]; to: PlacedItem }[] => {
    const thing = thingOf.get(key)
    if (!thing || via.length > things.length) return []
    // Nothing goes in where a device only gives.
    if (!isConduit(thing)) return directionOf(thing, at) === 'out' ? [] : [{ via, to: thing }]
    return (ends.get(key) ?? [])
      .filter((it) => it.key !== cameFrom)
      .flatMap((it) => follow(it.key, it.at, key, [...via, thing.tag]))
  }
  const chains = things
    .filter((it) => !isConduit(it))
    .flatMap((from) =>
      (ends.get(from.key) ?? [])
        .filter(({ portId }) => directionOf(from, portId) !== 'in')
        .flatMap(({ key, at }) => follow(key, at, from.key, []))
        .filter(({ to }) => to !== from)
        .map(({ via, to }): SignalChain => ({ from: name(from), via, to: name(to) })),
    )
  // What goes both ways is told once, from the first of the two.
  const told = chains.filter(
    (it, at) =>
      !chains
        .slice(0, at)
        .some((other) => other.from.key === it.to.key && other.to.key === it.from.key && isSameWay(other.via, it.via)),
  )
  const sound = things.filter((it) => isItemOf(it, 'microphone')).map((it) => followSound(it, chains, scene))
  const pictures = listPicturePlaces(things, chains, scene)
  const recorders = sound.flatMap((it) => it.recordedAt)
  const isDoubleSystem = pictures.size > 0 && recorders.length > 0 && !recorders.some((it) => pictures.has(it))
  return { chains: told, sound, isDoubleSystem }
}

/** Tags of all that keeps the picture of some camera: itself, or what its picture reaches. */
function listPicturePlaces(
  things: readonly PlacedItem[],
  chains: readonly SignalChain[],
  scene: Scene,
): ReadonlySet<string> {
  const cameras = things.filter((it) => isItemOf(it, 'camera'))
  const reached = cameras.flatMap((it) => [it, ...listReached(it, chains, scene)])
  return new Set(reached.filter((it) => findKeeping(it, scene) !== 'no').map((it) => it.tag))
}

const name = ({ key, tag, name: called }: PlacedItem) => ({ key, tag, name: called })

const isSameWay = (a: readonly string[], b: readonly string[]) => [...a].reverse().join() === b.join()

/**
 * Whatever a signal reaches from a thing, however many devices pass it on, the nearest first. What records passes it on as
 * well: sound that a recorder sends into a camera is in both.
 */
export function listReached(from: PlacedItem, chains: readonly SignalChain[], { itemOf }: Scene): PlacedItem[] {
  const seen = new Set([from.key])
  const queue = [from.key]
  for (let key = queue.shift(); key !== undefined; key = queue.shift()) {
    for (const { from: sender, to } of chains) {
      if (sender.key !== key || seen.has(to.key)) continue
      seen.add(to.key)
      queue.push(to.key)
    }
  }
  return [...seen].slice(1).flatMap((key) => itemOf.get(key) ?? [])
}

function followSound(microphone: PlacedItem, chains: readonly SignalChain[], scene: Scene): SoundPath {
  const reached = listReached(microphone, chains, scene)
  return {
    key: microphone.key,
    tag: microphone.tag,
    name: microphone.name,
    recordedAt: reached.filter((it) => findKeeping(it, scene) !== 'no').map((it) => it.tag),
    reaches: reached.map((it) => it.tag),
  }
}
