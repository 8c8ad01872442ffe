import type { Interface } from '../../kit/model/interface.ts'
import { IMPORTANCES, type Port } from '../../kit/model/port.ts'
import { isItemOf, type PlacedItem, readChoice } from '../placed/placed-item.ts'
import { isBorne } from './bearing.ts'
import type { PortNode } from './port-node.ts'
import { findUsualCarrier } from './usual-carriers.ts'

/** What of a whole set of ends decides about single joints. */
export interface Crowd {
  hasSwitcher: boolean
  hasBooster: boolean
  /** What sound is meant to go into first: the desk, else the recorder; null where there is neither. */
  soundInto: 'mixer' | 'recorder' | null
}

/** The same crowd each time for what decides alike, so that what hangs on it can be kept by it. */
export function describeCrowd(nodes: readonly PortNode[]): Crowd {
  const kinds = new Set(nodes.map(({ thing }) => thing.category))
  const hasSwitcher = kinds.has('switcher')
  const hasBooster = kinds.has('preamp')
  const soundInto = kinds.has('mixer') ? 'mixer' : kinds.has('recorder') ? 'recorder' : null
  const name = `${hasSwitcher} ${hasBooster} ${soundInto}`
  const known = CROWDS.get(name)
  if (known) return known
  const crowd = { hasSwitcher, hasBooster, soundInto } as const
  CROWDS.set(name, crowd)
  return crowd
}

const CROWDS = new Map<string, Crowd>()

/** One ground on which a joint is less likely to be meant, said as what is odd about it. */
export interface CostRow {
  code: string
  /** Null for what nobody does unless it is said. */
  cost: number | null
  reason: string
  applies(host: PortNode, guest: PortNode, crowd: Crowd): boolean
}

/**
 * How unlikely a joint is, ground by ground; what applies adds up. A role outweighs what usually carries what, and a wrong
 * way of the signal outweighs a role.
 */
export const COST_ROWS: readonly CostRow[] = [
  {
    code: 'other-role',
    cost: 20,
    reason: 'They are of two roles, and nobody said that one serves the other.',
    applies: (host, guest) => !isSameRole(host.thing, guest.thing),
  },
  {
    code: 'in-a-row',
    cost: 80,
    reason: 'One cable after another: no device is left for it.',
    applies: ({ thing: a }, { thing: b }) =>
      CONDUITS.has(a.category) && CONDUITS.has(b.category) && !(a.category === 'preamp' && isMicrophone(b)),
  },
  {
    code: 'no-booster',
    cost: 30,
    reason: 'It does not go through the booster that is there for it.',
    applies: (host, { thing }, { hasBooster }) =>
      hasBooster && thing.category === 'dynamic-mic' && host.thing.category !== 'preamp' && isSignalOut(thing, host),
  },
  {
    code: 'boosts-condenser',
    cost: 60,
    reason: 'A microphone that is fed with 48 V wants no booster, and goes into one.',
    applies: (host, { thing }) =>
      host.thing.category === 'preamp' && isMicrophone(thing) && readChoice(thing, 'fedBy') === '48 V',
  },
  {
    code: 'into-the-transmitter',
    cost: null,
    reason: 'A transmitter takes a microphone that somebody wears or holds, and no set that sends itself.',
    applies: (host, { thing }) =>
      host.thing.category === 'wireless-set' && (thing.category === 'camera-mic' || thing.category === 'wireless-set'),
  },
  {
    code: 'camera-data',
    cost: 40,
    reason: 'A camera gives its picture at its picture socket; its data socket is for a computer that drives it.',
    applies: ({ thing, ports }) => thing.category === 'camera' && ports.some((it) => it.id === 'usb'),
  },
  {
    code: 'past-the-switcher',
    cost: 6,
    reason: 'It goes past the switcher.',
    applies: (host, guest, { hasSwitcher }) =>
      hasSwitcher &&
      host.thing.category !== 'switcher' &&
      isInputOf(PICTURE, host) &&
      !isSameRole(host.thing, guest.thing),
  },
  {
    code: 'past-the-desk',
    cost: 6,
    reason: 'It goes past the desk or the recorder.',
    applies: (host, guest, { soundInto }) =>
      soundInto !== null &&
      host.thing.category !== soundInto &&
      isInputOf(SOUND, host) &&
      !isSameRole(host.thing, guest.thing),
  },
]

const PICTURE: ReadonlySet<string> = new Set(['hdmi-a', 'hdmi-c', 'hdmi-d', 'bnc'])
const SOUND: ReadonlySet<string> = new Set(['xlr-3', 'xlr-mini', 'trs-35', 'trs-63'])

const isInputOf = (codes: ReadonlySet<string>, { ports }: PortNode) =>
  ports.some((it) => it.direction === 'in' && it.interfaces.some((code) => codes.has(code)))

/** Ends that need not be used, and are where there is something for them: an arm holds to the table, cloth hangs from its bar. */
const USED_WHERE_THERE: ReadonlySet<string> = new Set(['table-edge', 'cross-bar'])

/**
 * What an end is worth beyond what has to be met: in a switched show the picture of a camera goes before a screen that somebody
 * only wants. Not a need of its own, so that it is told by the check of the show and not as an open end. Null for all others.
 */
export function findPull({ thing, ports }: PortNode, { hasSwitcher }: Crowd): number | null {
  const isForThat = ports.some((it) => it.side === 'guest' && it.interfaces.some((code) => USED_WHERE_THERE.has(code)))
  if (isForThat) return IMPORTANCES.indexOf('optional')
  const isPicture = ports.some((it) => it.direction === 'out' && it.interfaces.some((code) => PICTURE.has(code)))
  if (!hasSwitcher || !isPicture || !isItemOf(thing, 'camera')) return null
  return IMPORTANCES.indexOf(thing.roleImportance)
}

const CONDUITS: ReadonlySet<string> = new Set([
  'cable',
  'cable-adapter',
  'lead',
  'strip',
  'reel',
  'lens-adapter',
  'preamp',
])

/** What goes into a socket by a lead of its own, so that no cable stands between. */
const OWN_LEADS: ReadonlySet<string> = new Set([
  'lavalier',
  'headset',
  'camera-mic',
  'wireless-set',
  'input-unit',
  'headphones',
])

/**
 * Whether one end goes straight into another that devices only meet over a cable: one of them is a cable, or what is plugged in
 * has a lead of its own. Its own sockets are as those of any other device.
 */
export const goesStraightIn = (host: PlacedItem, guest: PlacedItem) =>
  CONDUITS.has(host.category) || CONDUITS.has(guest.category) || OWN_LEADS.has(guest.category)

const isMicrophone = (thing: PlacedItem) => isItemOf(thing, 'microphone')

const isSignalOut = (thing: PlacedItem, host: PortNode) =>
  thing.ports.some((it) => it.direction === 'out') && host.ports.some((it) => it.direction !== 'none')

/** Things of one role belong together, and those of a role that serves the other. */
function isSameRole(one: PlacedItem, other: PlacedItem): boolean {
  if (one.roleId === null || other.roleId === null) return false
  return one.roleId === other.roleId || one.goesWith === other.roleId || other.goesWith === one.roleId
}

/** Of carriers that are as likely, one that is known to hold goes before one that nobody rated, and that before one that does not. */
const UNRATED = 1
const TOO_WEAK = 2

export interface JointCost {
  /** How unlikely it is, ratings aside. */
  plausibility: number
  /** With the ratings, which decide only between what is as likely. */
  cost: number
  reasons: readonly string[]
}

/** Ratings of a whole rig weigh less than any difference in likelihood. */
const SHARE = 256

/** How unlikely it is that two ends are meant for each other; null for what nobody does. */
export function findJointCost(
  host: PortNode,
  guest: PortNode,
  crowd: Crowd,
  interfaces: ReadonlyMap<string, Interface>,
): JointCost | null {
  const rows = COST_ROWS.filter((row) => row.applies(host, guest, crowd))
  const carrier = doesBear(host, guest, interfaces) ? findUsualCarrier(guest.thing, host.thing.category) : null
  let plausibility = carrier ? carrier.cost : 0
  for (const { cost } of rows) plausibility = plausibility === null || cost === null ? null : plausibility + cost
  if (plausibility === null) return null
  return {
    plausibility,
    cost: plausibility * SHARE + rate(host, guest),
    reasons: [...(carrier ? [carrier.reason] : []), ...rows.map((row) => row.reason)],
  }
}

/** Whether one end bears the other, rather than being fed, filled or signalled to by it. */
function doesBear(host: PortNode, guest: PortNode, interfaces: ReadonlyMap<string, Interface>): boolean {
  return host.ports.some((h) =>
    guest.ports.some((g) =>
      h.interfaces.some((code) => {
        const kind = interfaces.get(code)?.kind
        return (kind === 'carry' || kind === 'mount') && g.interfaces.includes(code)
      }),
    ),
  )
}

function rate(host: PortNode, guest: PortNode): number {
  let worst = 0
  for (const h of host.ports) {
    for (const g of guest.ports) worst = Math.max(worst, rateAs(h, g, host.thing, guest.thing))
  }
  return worst
}

function rateAs(host: Port, guest: Port, carrier: PlacedItem, rider: PlacedItem): number {
  if (!isWithinRating(host, guest) || !isWithinRating(guest, host)) return TOO_WEAK
  if (host.rating?.quantity === 'loadGrams') {
    if (rider.massGrams === null) return UNRATED
    return rider.massGrams > host.rating.value ? TOO_WEAK : 0
  }
  if (host.rating === null && host.interfaces.some((it) => guest.interfaces.includes(it))) {
    return isBorne(carrier, host, rider, guest) ? UNRATED : 0
  }
  return 0
}

/** A demand is met by a rating that reaches it. A rating that nobody recorded does not part them: it is reported. */
export function isWithinRating(demanding: Port, offering: Port): boolean {
  const { demand } = demanding
  if (!demand || offering.rating?.quantity !== demand.quantity) return true
  return offering.rating.value >= demand.value
}
