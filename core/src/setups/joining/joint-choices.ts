import { z } from 'zod'
import type { Interface } from '../../kit/model/interface.ts'
import { saySide } from '../../kit/model/port-words.ts'
import type { PlacedItem } from '../placed/placed-item.ts'
import type { Joint } from './completeness.ts'
import { carries, isBetween, joinOnce } from './cycles.ts'
import { type Crowd, describeCrowd, findJointCost } from './joint-costs.ts'
import { findPicture, pictureKindSchema } from './picture-kind.ts'
import { canJoin, couldJoin, listNodes } from './port-graph.ts'
import type { PortNode } from './port-node.ts'
import { explainNoJoint } from './why-not.ts'

const endSchema = z.object({
  key: z.string(),
  tag: z.string(),
  name: z.string(),
  portId: z.string(),
  /** How many of it there are. */
  count: z.number(),
})

/** One end of a thing: what is there, and what else could be. */
export const endChoiceSchema = z.object({
  end: endSchema,
  picture: pictureKindSchema,
  side: z.enum(['host', 'guest']),
  /** "SD card slot, for a card". */
  label: z.string(),
  /** Whether it has to be used. */
  isNeeded: z.boolean(),
  joined: z.array(
    endSchema.extend({
      standing: z.enum(['stated', 'assumed']),
      /** Why it is assumed so. */
      reasons: z.array(z.string()),
    }),
  ),
  /** Every end that goes there, the likeliest first. */
  could: z.array(
    endSchema.extend({
      /** What is there now, and would have to go elsewhere. */
      heldBy: z.string().nullable(),
      /** It is known to bear less than that. */
      isTooWeak: z.boolean(),
    }),
  ),
})
export type EndChoice = z.infer<typeof endChoiceSchema>

/** All that one thing joins and could join, and what of the rest it never could, with the reason. */
export const jointChoicesSchema = z.object({
  key: z.string(),
  tag: z.string(),
  name: z.string(),
  ends: z.array(endChoiceSchema),
  cannot: z.array(
    z.object({ key: z.string(), tag: z.string(), name: z.string(), picture: pictureKindSchema, why: z.string() }),
  ),
})
export type JointChoices = z.infer<typeof jointChoicesSchema>

interface Joined {
  items: readonly PlacedItem[]
  itemOf: ReadonlyMap<string, PlacedItem>
  joints: readonly Joint[]
  interfaces: ReadonlyMap<string, Interface>
}

/** Every end of one thing with all that could be joined there; null where the setup has no such thing. */
export function listJointChoices(scene: Joined, key: string): JointChoices | null {
  const item = scene.itemOf.get(key)
  if (!item) return null
  const all = listOnce(scene.items.flatMap(listNodes))
  const crowd = describeCrowd(all)
  const others = all.filter(({ thing }) => thing !== item)
  const own = all.filter(({ thing }) => thing === item)
  const ends = own.map((node) => describe(node, others, scene, crowd))
  return { key, tag: item.tag, name: item.name, ends, cannot: listCannot(item, own, others, ends, scene) }
}

/** Ends of one port are alike: one of them stands for all. */
function listOnce(nodes: readonly PortNode[]): PortNode[] {
  return [...new Map(nodes.map((node) => [`${node.thing.key}/${node.ports[0]?.id}`, node])).values()]
}

const pictureOf = ({ ports }: PortNode, interfaces: Joined['interfaces']) =>
  findPicture(ports[0]?.interfaces[0] ?? '', interfaces)

const isAt = ({ key, portId }: { key: string; portId: string }, { thing, ports }: PortNode) =>
  key === thing.key && ports.some((port) => port.id === portId)

const isHost = ({ ports }: PortNode) => ports[0]?.side === 'host'

function describe(node: PortNode, others: readonly PortNode[], scene: Joined, crowd: Crowd): EndChoice {
  const { interfaces } = scene
  const asPair = (other: PortNode): [PortNode, PortNode] => (isHost(node) ? [node, other] : [other, node])
  const costOf = (other: PortNode) => findJointCost(...asPair(other), crowd, interfaces)
  const [ownSide, otherSide] = isHost(node) ? (['host', 'guest'] as const) : (['guest', 'host'] as const)
  const joined = scene.joints.flatMap((joint) => {
    const other = isAt(joint[ownSide], node) && others.find((it) => isAt(joint[otherSide], it))
    if (!other) return []
    const reasons = joint.isStated ? [] : [...(costOf(other)?.reasons ?? [])]
    const standing = joint.isStated ? ('stated' as const) : ('assumed' as const)
    return [{ ...describeEnd(other, joint[otherSide].portId), standing, reasons }]
  })
  const could = others
    .filter((it) => isHost(it) !== isHost(node) && couldJoin(...asPair(it), interfaces))
    .filter((it) => findClash(...asPair(it), scene) === null)
    .filter((it) => !joined.some((end) => isAt(end, it)))
    .map((it) => ({ it, cost: costOf(it)?.cost ?? Number.POSITIVE_INFINITY }))
    .sort((a, b) => a.cost - b.cost)
  return {
    end: describeEnd(node),
    picture: pictureOf(node, interfaces),
    side: ownSide,
    label: labelOf(node, interfaces),
    isNeeded: node.priority !== null,
    joined,
    could: could.map(({ it }) => ({
      ...describeEnd(it),
      heldBy: findHolder(it, node, scene),
      isTooWeak: !canJoin(...asPair(it), interfaces),
    })),
  }
}

function labelOf({ ports: [port] }: PortNode, interfaces: Joined['interfaces']): string {
  if (!port) return ''
  const known = interfaces.get(port.interfaces[0] ?? '')
  const label = known ? saySide(known, port.side) : (port.interfaces[0] ?? '')
  const way = port.direction === 'in' ? ', signal in' : port.direction === 'out' ? ', signal out' : ''
  return `${port.count > 1 ? `${port.count} × ` : ''}${label}${way}`
}

function describeEnd({ thing: { key, tag, name }, ports }: PortNode, portId = ports[0]?.id ?? '') {
  return { key, tag, name, portId, count: ports[0]?.count ?? 1 }
}

/** Who else has the last place of an end. */
function findHolder(end: PortNode, own: PortNode, { joints }: Joined): string | null {
  const [at, from] = isHost(end) ? (['host', 'guest'] as const) : (['guest', 'host'] as const)
  const held = joints.filter((it) => isAt(it[at], end) && !isAt(it[from], own))
  return held.length >= (end.ports[0]?.count ?? 1) ? (held[0]?.[from].tag ?? null) : null
}

/** Things that have ends of a picture as this one has, none of which goes with any of its own. */
function listCannot(
  item: PlacedItem,
  own: readonly PortNode[],
  others: readonly PortNode[],
  ends: readonly EndChoice[],
  scene: Joined,
): JointChoices['cannot'] {
  const pictures = [...new Set(own.map((it) => pictureOf(it, scene.interfaces)))]
  const things = [...new Set(others.map(({ thing }) => thing))]
  return pictures.flatMap((picture) => {
    const isIn = (it: PortNode) => pictureOf(it, scene.interfaces) === picture
    const could = new Set(
      ends.filter((it) => it.picture === picture).flatMap((it) => [...it.could, ...it.joined].map(({ key }) => key)),
    )
    const mine = own.filter(isIn)
    return things.flatMap((thing) => {
      const theirs = others.filter((it) => it.thing === thing && isIn(it))
      if (theirs.length === 0 || could.has(thing.key)) return []
      const { key, tag, name } = thing
      const why =
        findAnyClash(mine, theirs, scene) ??
        explainNoJoint({ item, ends: mine }, { item: thing, ends: theirs }, scene.interfaces)
      return [{ key, tag, name, picture, why }]
    })
  })
}

/** Why two ends that would go into each other cannot, as long as what is said of others stands; null where nothing is against it. */
function findClash(host: PortNode, guest: PortNode, { joints, interfaces }: Joined): string | null {
  const [below, above] = [host.thing, guest.thing]
  const stated = joints.filter((it) => it.isStated)
  if (joinOnce(below, above)) {
    const isOther = ({ host: h, guest: g }: Joint) =>
      (h.key === below.key && g.key === above.key) || (h.key === above.key && g.key === below.key)
    const isThis = (it: Joint) => isAt(it.host, host) || isAt(it.guest, guest)
    if (stated.some((it) => isOther(it) && !isThis(it)))
      return `Its other end is in ${isBetween(above) ? below.tag : above.tag} already: both ends in one thing join nothing.`
  }
  if (!carries(host, guest, interfaces)) return null
  const reached = new Set([above.key])
  for (const key of reached) {
    for (const it of stated) {
      if (it.host.key === key && findPicture(it.interfaceCode, interfaces) === 'rig') reached.add(it.guest.key)
    }
  }
  return reached.has(below.key) ? `${below.tag} stands on ${above.tag} itself, as somebody said.` : null
}

function findAnyClash(own: readonly PortNode[], theirs: readonly PortNode[], scene: Joined): string | null {
  for (const a of own) {
    for (const b of theirs) {
      if (isHost(a) === isHost(b)) continue
      const [host, guest] = isHost(a) ? [a, b] : [b, a]
      const clash = couldJoin(host, guest, scene.interfaces) ? findClash(host, guest, scene) : null
      if (clash) return clash
    }
  }
  return null
}
