import type { Interface } from '../../kit/model/interface.ts'
import type { Port } from '../../kit/model/port.ts'
import { listInWords } from '../../units/wording.ts'
import type { PlacedItem } from '../placed/placed-item.ts'
import { goesStraightIn } from './joint-costs.ts'
import { canPortsMeet, listForbidden } from './port-graph.ts'
import type { PortNode } from './port-node.ts'

interface Party {
  item: PlacedItem
  ends: readonly PortNode[]
}

/** How much closer to a joint a reason is: of several the closest is told. */
const REASONS = ['forbidden', 'direction', 'cable', 'side', 'none'] as const
type Reason = (typeof REASONS)[number]

/** Why no end of one thing goes with any end of another, in a sentence. */
export function explainNoJoint(a: Party, b: Party, interfaces: ReadonlyMap<string, Interface>): string {
  const isStraight = goesStraightIn(a.item, b.item) || goesStraightIn(b.item, a.item)
  const found = portsOf(a).flatMap((one) =>
    portsOf(b).map((other) => ({ one, other, reason: findReason(one, other, interfaces, isStraight) })),
  )
  const closest = REASONS.find((reason) => found.some((it) => it.reason === reason)) ?? 'none'
  const pair = found.find((it) => it.reason === closest)
  if (!pair) return `${a.item.tag} has nothing that ${b.item.tag} takes.`
  return SAY[closest]({ ...pair, a: a.item.tag, b: b.item.tag, own: listLabels(a, interfaces), interfaces })
}

const portsOf = ({ ends }: Party) => ends.flatMap((it) => it.ports)

const listLabels = (party: Party, interfaces: ReadonlyMap<string, Interface>) =>
  [...new Set(portsOf(party).flatMap((it) => it.interfaces))]
    .slice(0, 3)
    .map((code) => interfaces.get(code)?.label ?? code)

function findReason(one: Port, other: Port, interfaces: ReadonlyMap<string, Interface>, isStraight: boolean): Reason {
  const hasShared = one.interfaces.some((code) => other.interfaces.includes(code))
  if (!hasShared) return 'none'
  if (one.side === other.side) return 'side'
  if (!canPortsMeet({ ...one, direction: 'none' }, { ...other, direction: 'none' }, interfaces, isStraight))
    return 'cable'
  if (!canPortsMeet(one, other, interfaces, isStraight)) return 'direction'
  return listForbidden(one, other).length > 0 ? 'forbidden' : 'none'
}

interface Told {
  one: Port
  other: Port
  a: string
  b: string
  own: string[]
  interfaces: ReadonlyMap<string, Interface>
}

const findShared = ({ one, other, interfaces }: Told) => {
  const code = one.interfaces.find((it) => other.interfaces.includes(it)) ?? ''
  return interfaces.get(code) ?? { label: code, hostName: 'socket', guestName: 'plug' }
}

/** What feeds several things at once: a strip, and a reel that is in another. */
const DISTRIBUTES: ReadonlySet<string> = new Set(['distribution', 'reel'])

const SAY: Readonly<Record<Reason, (told: Told) => string>> = {
  forbidden: ({ one, other, a, b }) =>
    listForbidden(one, other).some((it) => DISTRIBUTES.has(it))
      ? `${a} and ${b} both feed several things: one is not plugged into the other, as the first would carry it all.`
      : `${a} and ${b} must not meet there: ${listInWords(listForbidden(one, other).map((it) => it.replaceAll('-', ' ')))} is on one of them.`,
  direction: ({ one, a, b }) =>
    one.direction === 'out' ? `${a} and ${b} both only give there.` : `${a} and ${b} both only take there.`,
  cable: ({ a, b, ...told }) =>
    `Between ${a} and ${b} a cable has to go: ${findShared({ ...told, a, b }).label} on both.`,
  side: ({ a, b, ...told }) => {
    const shared = findShared({ ...told, a, b })
    return `${a} and ${b} both have the ${told.one.side === 'host' ? shared.hostName : shared.guestName} of ${shared.label}: neither goes into the other.`
  },
  none: ({ a, b, own }) =>
    own.length > 0 ? `${b} takes none of what ${a} has: ${own.join(', ')}.` : `${a} has nothing that ${b} takes.`,
}
