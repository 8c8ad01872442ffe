import { listInWords } from '../../../units/wording.ts'
import { carries } from '../../joining/cycles.ts'
import { describeCrowd, findJointCost } from '../../joining/joint-costs.ts'
import { couldJoin, listNodes } from '../../joining/port-graph.ts'
import type { PortNode } from '../../joining/port-node.ts'
import type { PlacedItem } from '../../placed/placed-item.ts'
import type { CableRun } from '../../setup/cable-run.ts'
import { defineCheck, type Found } from '../check.ts'
import { kilograms, plain } from '../finding-words.ts'
import type { Scene } from '../scene.ts'

interface JointUnsure {
  code: 'joint-unsure'
  /** What stands on what as it is assumed: the other way round is as likely. */
  joints: { rider: string; on: string; link: CableRun }[]
  /** What would bear too much the other way round. */
  weak: { tag: string; wouldBearGrams: number; ratedGrams: number }
}

/**
 * Two things that could as well change places, one of which would then be too heavy for what it is on. Ratings say which way
 * round it has to be, and nobody said that it is so.
 */
export const unsureJoints = defineCheck<JointUnsure>({
  shownIn: 'rig',
  find: listUnsure,
  codes: {
    'joint-unsure': {
      couldStop: true,
      say: ({ joints, weak }) =>
        plain(
          `${listInWords(joints.map(({ rider, on }) => `${rider} on ${on}`))}: is that so?`,
          `The other way round is as likely, and ${weak.tag} would bear ${kilograms(weak.wouldBearGrams)} of ${kilograms(weak.ratedGrams)}.`,
        ),
      deciding: ({ joints, weak }) => [
        ...joints.flatMap(({ link }) => [link.from.unitId, link.to.unitId]),
        weak.wouldBearGrams,
        weak.ratedGrams,
      ],
      ideas: ({ joints }) => [
        {
          kind: 'state-joints',
          links: joints.map((it) => it.link),
          label: listInWords(joints.map(({ rider, on }) => `${rider} on ${on}`)),
        },
      ],
    },
  },
})

/** A joint that is assumed, with its two ends. */
interface Assumed {
  host: PortNode
  rider: PortNode
  /** What the end that carries is good for, and what is on it. Grams. */
  rating: number | null
  mass: number
}

function listUnsure(scene: Scene): Found<JointUnsure>[] {
  const massOf = measureAbove(scene)
  const assumed = listAssumed(scene, massOf)
  if (assumed.length < 2 || !assumed.some(({ rating }) => rating !== null)) return []
  const crowd = describeCrowd(scene.items.flatMap(listNodes))
  const plausibility = (host: PortNode, rider: PortNode) =>
    findJointCost(host, rider, crowd, scene.interfaces)?.plausibility ?? Number.POSITIVE_INFINITY
  const told = new Set<Assumed>()
  const found: Found<JointUnsure>[] = []
  for (const [one, other] of listWeakPairs(assumed)) {
    // One exchange is enough to ask for; what it answers is asked no second time.
    if (told.has(one) || told.has(other)) continue
    // Two ends of one thing that change places leave everything as it is.
    if (one.host.thing === other.host.thing || one.rider.thing === other.rider.thing) continue
    const weak = findWeak(one, other)
    if (!weak || !canExchange(one, other, scene)) continue
    const now = plausibility(one.host, one.rider) + plausibility(other.host, other.rider)
    if (plausibility(one.host, other.rider) + plausibility(other.host, one.rider) > now) continue
    told.add(one).add(other)
    // The heavier is told first, in whichever order they stand in the setup.
    found.push(isFirst(other, one) ? describe(other, one, weak) : describe(one, other, weak))
  }
  return found
}

/** Those of which one would be too heavy where the other is, each with every one after it. */
function* listWeakPairs(assumed: readonly Assumed[]): Generator<[Assumed, Assumed]> {
  for (const [at, one] of assumed.entries()) {
    for (let next = at + 1; next < assumed.length; next++) {
      const other = assumed[next]
      if (other && (isTooWeak(one, other) || isTooWeak(other, one))) yield [one, other]
    }
  }
}

const isTooWeak = ({ rating }: Assumed, { mass }: Assumed) => rating !== null && mass > rating

/** Whether it is the heavier; of equals what it is decides. */
function isFirst(a: Assumed, b: Assumed): boolean {
  const more = a.mass - b.mass
  const rank = ({ rider: { thing } }: Assumed) => thing.model?.id ?? thing.key
  return more === 0 ? rank(a) < rank(b) : more > 0
}

function listAssumed({ joints, itemOf, interfaces }: Scene, massOf: (key: string) => number): Assumed[] {
  const findEnd = ({ key, portId }: { key: string; portId: string }) => {
    const thing = itemOf.get(key)
    return thing && listNodes(thing).find(({ ports }) => ports.some((port) => port.id === portId))
  }
  return joints.flatMap(({ host, guest, isStated, interfaceCode }): Assumed[] => {
    const kind = interfaces.get(interfaceCode)?.kind ?? 'carry'
    if (isStated || kind === 'signal' || kind === 'mains') return []
    const [below, rider] = [findEnd(host), findEnd(guest)]
    if (!below || !rider || !carries(below, rider, interfaces)) return []
    return [{ host: below, rider, rating: findRating(below), mass: massOf(rider.thing.key) }]
  })
}

const findRating = ({ ports }: PortNode) =>
  ports.find((it) => it.rating?.quantity === 'loadGrams')?.rating?.value ?? null

/** What a thing weighs with all that rides on it, as far as it is known. */
function measureAbove({ joints, itemOf, interfaces }: Scene): (key: string) => number {
  const ridersOf = new Map<string, string[]>()
  for (const { host, guest, interfaceCode } of joints) {
    const kind = interfaces.get(interfaceCode)?.kind ?? 'carry'
    if (kind === 'signal' || kind === 'mains') continue
    ridersOf.set(host.key, [...(ridersOf.get(host.key) ?? []), guest.key])
  }
  const known = new Map<string, number>()
  const measure = (key: string, path: readonly string[]): number => {
    const before = known.get(key)
    if (before !== undefined || path.includes(key)) return before ?? 0
    const riders = (ridersOf.get(key) ?? []).map((it) => measure(it, [...path, key]))
    const grams = riders.reduce((sum, it) => sum + it, itemOf.get(key)?.massGrams ?? 0)
    known.set(key, grams)
    return grams
  }
  return (key) => measure(key, [])
}

/** The end that would bear more than it is rated for if two things changed places; null where both would hold. */
function findWeak(one: Assumed, other: Assumed) {
  for (const [{ host, rating }, { mass }] of [[one, other] as const, [other, one] as const]) {
    if (rating !== null && mass > rating) return { tag: host.thing.tag, wouldBearGrams: mass, ratedGrams: rating }
  }
  return null
}

/** Whether two things could change places: each fits where the other is, and neither would stand on itself. */
function canExchange(one: Assumed, other: Assumed, scene: Scene): boolean {
  const isAbove = (thing: PlacedItem, carrier: PlacedItem): boolean =>
    thing === carrier ||
    scene.joints.some(({ host, guest }) => {
      const rider = scene.itemOf.get(guest.key)
      return host.key === carrier.key && rider !== undefined && isAbove(thing, rider)
    })
  return (
    couldJoin(one.host, other.rider, scene.interfaces) &&
    couldJoin(other.host, one.rider, scene.interfaces) &&
    !isAbove(one.host.thing, other.rider.thing) &&
    !isAbove(other.host.thing, one.rider.thing)
  )
}

function describe(one: Assumed, other: Assumed, weak: JointUnsure['weak']): Found<JointUnsure> {
  const joints = [one, other].map(({ host, rider }) => ({
    rider: rider.thing.tag,
    on: host.thing.tag,
    link: { from: endOf(rider), via: [], to: endOf(host), neededMm: null },
  }))
  const keys = [one, other].map((it) => it.rider.thing).sort(byRank)
  return {
    about: keys.map((it) => it.key),
    roleId: pickRole(one, other),
    level: 'unknown',
    code: 'joint-unsure',
    joints,
    weak,
  }
}

/** In the same order whether they are single things or pieces of a stock. */
const rankOf = ({ model, key }: PlacedItem) => `${model?.id ?? ''}\n${key}`
const byRank = (a: PlacedItem, b: PlacedItem) => (rankOf(a) < rankOf(b) ? -1 : 1)

const endOf = ({ thing, ports }: PortNode) => ({ unitId: thing.key, portId: ports[0]?.id ?? '' })

const ORDER = ['essential', 'wanted', 'optional']

/** It matters as much as the more important of the two. */
function pickRole({ rider: a }: Assumed, { rider: b }: Assumed): string | null {
  const rank = ({ thing }: PortNode) => ORDER.indexOf(thing.roleImportance)
  return (rank(b) < rank(a) ? b : a).thing.roleId
}
