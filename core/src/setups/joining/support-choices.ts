import { z } from 'zod'
import type { Interface } from '../../kit/model/interface.ts'
import type { PlacedItem } from '../placed/placed-item.ts'
import type { Joint } from './completeness.ts'
import { type Crowd, describeCrowd, findJointCost } from './joint-costs.ts'
import { canJoin, couldJoin, listNodes } from './port-graph.ts'
import type { PortNode } from './port-node.ts'

const endSchema = z.object({
  key: z.string(),
  tag: z.string(),
  name: z.string(),
  portId: z.string(),
  /** How many of it there are. */
  count: z.number(),
})

/** What one thing stands on, as somebody stated it or as it is assumed, and on what else it could. */
export const supportChoiceSchema = z.object({
  rider: endSchema,
  on: endSchema.nullable(),
  standing: z.enum(['stated', 'assumed', 'open']),
  /** Why it is assumed so. */
  reasons: z.array(z.string()),
  /** Every end that it goes on, the likeliest first. */
  could: z.array(
    endSchema.extend({
      /** What is there now, and would have to go elsewhere. */
      heldBy: z.string().nullable(),
      /** It is known to bear less than that. */
      isTooWeak: z.boolean(),
    }),
  ),
})
export type SupportChoice = z.infer<typeof supportChoiceSchema>

interface Joined {
  items: readonly PlacedItem[]
  itemOf: ReadonlyMap<string, PlacedItem>
  joints: readonly Joint[]
  interfaces: ReadonlyMap<string, Interface>
}

const BEARS: ReadonlySet<Interface['kind']> = new Set(['carry', 'mount'])

/** What stands on what, thing by thing, with all that each could stand on instead. */
export function listSupportChoices(scene: Joined): SupportChoice[] {
  const nodes = listOnce(scene.items.flatMap(listNodes))
  const crowd = describeCrowd(nodes)
  const isBearing = ({ ports }: PortNode) =>
    ports.some((port) => port.interfaces.some((code) => BEARS.has(scene.interfaces.get(code)?.kind ?? 'signal')))
  const hosts = nodes.filter((it) => it.ports[0]?.side === 'host' && isBearing(it))
  return nodes
    .filter((it) => it.ports[0]?.side === 'guest' && isBearing(it))
    .flatMap((rider) => {
      const choice = describe(rider, hosts, scene, crowd)
      // An end that need not be used and is not, and that nothing here would take, is nobody's question.
      return choice.on || choice.could.length > 0 || rider.priority !== null ? [choice] : []
    })
}

/** Ends of one port are alike: one of them stands for all. */
function listOnce(nodes: readonly PortNode[]): PortNode[] {
  return [...new Map(nodes.map((node) => [nameOf(node), node])).values()]
}

const nameOf = ({ thing, ports }: PortNode) => `${thing.key}/${ports[0]?.id}`

function describe(rider: PortNode, hosts: readonly PortNode[], scene: Joined, crowd: Crowd): SupportChoice {
  const joint = scene.joints.find(({ guest }) => isAt(guest, rider))
  const host = joint && hosts.find((it) => isAt(joint.host, it))
  const cost = (it: PortNode) => findJointCost(it, rider, crowd, scene.interfaces)
  const could = hosts
    .filter((it) => couldJoin(it, rider, scene.interfaces))
    .map((it) => ({ it, cost: cost(it)?.cost ?? Number.POSITIVE_INFINITY }))
    .sort((a, b) => a.cost - b.cost)
  return {
    rider: describeEnd(rider, joint?.guest.portId),
    on: joint && host ? describeEnd(host, joint.host.portId) : null,
    standing: !joint ? 'open' : joint.isStated ? 'stated' : 'assumed',
    reasons: host && !joint?.isStated ? [...(cost(host)?.reasons ?? [])] : [],
    could: could.map(({ it }) => ({
      ...describeEnd(it),
      heldBy: findHolder(it, rider, scene),
      isTooWeak: !canJoin(it, rider, scene.interfaces),
    })),
  }
}

const isAt = ({ key, portId }: { key: string; portId: string }, { thing, ports }: PortNode) =>
  key === thing.key && ports.some((port) => port.id === portId)

function describeEnd({ thing: { key, tag, name }, ports }: PortNode, portId = ports[0]?.id ?? '') {
  return { key, tag, name, portId, count: ports[0]?.count ?? 1 }
}

/** Who else has the last place of an end. */
function findHolder(host: PortNode, rider: PortNode, { joints }: Joined): string | null {
  const others = joints.filter((it) => isAt(it.host, host) && !isAt(it.guest, rider))
  return others.length >= (host.ports[0]?.count ?? 1) ? (others[0]?.guest.tag ?? null) : null
}
