import type { Category } from '../../kit/model/category.ts'
import { isItemOf, type PlacedItem } from '../placed/placed-item.ts'
import type { Completeness } from './completeness.ts'

/** Kinds that are there for what has to have them: by themselves they lack nothing. A softbox is meant for a lamp that need not have one. */
const ACCESSORIES: readonly Category[] = [
  'lens',
  'lens-adapter',
  'plate',
  'head',
  'arm',
  'clamp',
  'crossbar',
  'grip-head',
  'shock-mount',
  'coupler',
  'lead',
  'strip',
  'cable',
  'cable-adapter',
  'preamp',
  'card-sleeve',
]

export const isAccessory = (item: PlacedItem) => ACCESSORIES.some((kind) => isItemOf(item, kind))

/**
 * Keys of the accessories that something wants: one of their ends meets what a thing has to have, or what another accessory has
 * to have that is wanted itself. A lead in the wall that feeds nothing, a second lens and a cable that hangs from a free input
 * are there in case.
 */
export function findNeededAccessories(
  items: readonly PlacedItem[],
  joints: Completeness['joints'],
): ReadonlySet<string> {
  const itemOf = new Map(items.map((it) => [it.key, it]))
  const needed = new Set<string>()
  const wants = ({ key, portId }: { key: string; portId: string }) => {
    const ports = itemOf.get(key)?.ports ?? []
    const own = ports.find((it) => it.id === portId)
    // Of the ways to use one end, one that has to be met makes all of them count.
    return ports.some(
      (it) =>
        it.importance !== 'optional' &&
        (it.id === portId || (it.exclusiveGroup !== null && it.exclusiveGroup === own?.exclusiveGroup)),
    )
  }
  const accessories = new Set(items.filter(isAccessory).map((it) => it.key))
  for (let size = -1; size !== needed.size; ) {
    size = needed.size
    for (const { host, guest } of joints) {
      for (const [own, other] of [
        [host, guest],
        [guest, host],
      ] as const) {
        if (!accessories.has(own.key) || !wants(other)) continue
        if (!accessories.has(other.key) || needed.has(other.key)) needed.add(own.key)
      }
    }
  }
  return needed
}

/** What carries something else and nothing is there to be carried by it. */
const CARRIERS: readonly Category[] = ['plate', 'head', 'arm', 'clamp']

/**
 * Accessories that are there in case: nothing wants them, and they hang open at an end, join each other alone, or carry nothing.
 * A cable between two ends that need not be joined joins them all the same, and what somebody said is where they said. What hangs
 * open goes first: without it what carries nothing may carry something.
 */
export function listInCase(
  items: readonly PlacedItem[],
  { joints, unmet }: Pick<Completeness, 'joints' | 'unmet'>,
): PlacedItem[] {
  // What has no ends, such as a clamp for cloth, is joined to nothing and meant so.
  const accessories = items.filter((it) => it.ports.length > 0 && isAccessory(it))
  if (accessories.length === 0) return []
  const needed = findNeededAccessories(items, joints)
  const said = listSaid(joints)
  const idle = accessories.filter((it) => !needed.has(it.key) && !said.has(it.key))
  const keys = new Set(idle.map((it) => it.key))
  const isOpen = new Set(unmet.map((it) => it.thing.key))
  const joined = new Set(
    joints.flatMap(({ host, guest }) => [
      ...(keys.has(guest.key) ? [] : [host.key]),
      ...(keys.has(host.key) ? [] : [guest.key]),
    ]),
  )
  const loose = idle.filter((it) => isOpen.has(it.key) || !joined.has(it.key))
  // What rides on another goes before it.
  const bears = new Set(joints.flatMap(({ host, guest }) => (keys.has(guest.key) ? host.key : [])))
  const leaves = loose.filter((it) => isOpen.has(it.key) || !bears.has(it.key))
  if (leaves.length > 0) return leaves
  if (loose.length > 0) return loose
  // A screen that could stand by itself and hangs on the arm that is there for it hangs there.
  const carries = (it: PlacedItem) => joints.some(({ host, guest }) => host.key === it.key && !keys.has(guest.key))
  return idle.filter((it) => CARRIERS.some((kind) => isItemOf(it, kind)) && !carries(it))
}

/** Keys of what somebody said is joined to something. */
const listSaid = (joints: Completeness['joints']) =>
  new Set(joints.flatMap(({ host, guest, isStated }) => (isStated ? [host.key, guest.key] : [])))

/**
 * What an accessory lacks that is only there because somebody said so is a word of advice: nothing wants it, so that nothing
 * fails where its other end is open.
 */
export function easeUnwanted(items: readonly PlacedItem[], found: Completeness): Completeness {
  const said = listSaid(found.joints)
  if (said.size === 0) return found
  const needed = findNeededAccessories(items, found.joints)
  const isUnwanted = (it: PlacedItem) => said.has(it.key) && isAccessory(it) && !needed.has(it.key)
  return { ...found, unmet: found.unmet.map((it) => (isUnwanted(it.thing) ? { ...it, level: 'advise' } : it)) }
}

/**
 * Which of those to leave out before the rest is joined anew. Two pieces that could stand for each other can keep each other from
 * being of use, as two cables with one end each in what one of them would join: of such the newest go first, a few at a time, and
 * what is there once stays until then.
 */
export function pickFirstToGo(idle: readonly PlacedItem[]): readonly PlacedItem[] {
  const alike = new Map<string, PlacedItem[]>()
  for (const item of idle) {
    const name = nameEnds(item)
    alike.set(name, [...(alike.get(name) ?? []), item])
  }
  const several = [...alike.values()].filter((it) => it.length > 1)
  if (several.length === 0) return idle
  return several.flatMap((it) => it.toSorted(byAge).slice(-Math.ceil(it.length / SHARE_AT_ONCE)))
}

/** Of so many that are alike one goes at a time, so that a box of cables is not joined anew for each. */
const SHARE_AT_ONCE = 4

const nameEnds = ({ category, ports }: PlacedItem) =>
  [category, ...ports.map((it) => `${it.side} ${it.interfaces.join()}`)].join('\n')

const byAge = (a: PlacedItem, b: PlacedItem) => (ageOf(a) < ageOf(b) ? -1 : ageOf(a) > ageOf(b) ? 1 : 0)
const ageOf = ({ model, key }: PlacedItem) => `${model?.id ?? ''}\n${key}`
