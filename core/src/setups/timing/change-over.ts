import { z } from 'zod'
import type { Interface } from '../../kit/model/interface.ts'
import { isOwnFamily } from '../../kit/model/one-system.ts'
import type { Joint } from '../joining/completeness.ts'
import type { PlacedItem } from '../placed/placed-item.ts'
import { sayPosition } from '../setup/setting-card.ts'
import { listInUse, type NewSetup, type Role } from '../setup/setup.ts'
import { findRigMinutes, findStrikeMinutes } from './rig-minutes.ts'

/** A setup as it stands: its things, their joints, and what of it is left standing. */
export interface StandingRig {
  setup: Pick<NewSetup, 'roles' | 'placeId'>
  things: readonly PlacedItem[]
  joints: readonly Joint[]
  /** Roles that stay rigged between shoots. */
  standing: ReadonlySet<string>
}
export const changeStepSchema = z
  .object({
    key: z.string(),
    tag: z.string(),
    name: z.string(),
    role: z.string(),
    count: z.number(),
    minutes: z.number(),
  })
  .and(
    z.discriminatedUnion('kind', [
      z.object({
        kind: z.enum(['strike', 'rig']),
      }),
      z.object({
        kind: z.literal('move'),
        from: z.string(),
        to: z.string(),
        toKey: z.string(),
        plate: z.enum(['same', 'other', 'tools']),
      }),
      z.object({
        kind: z.literal('turn'),
        to: z.string(),
      }),
    ]),
  )
export type ChangeStep = z.infer<typeof changeStepSchema>

export const changeOverSchema = z.object({
  steps: z.array(changeStepSchema),
  minutes: z.number(),
  /** For each thing that is moved or fetched from one to the other: what a second one would save each time. */
  worthTwice: z.array(
    z.object({
      tag: z.string(),
      name: z.string(),
      minutes: z.number(),
    }),
  ),
})
export type ChangeOver = z.infer<typeof changeOverSchema>
const SAME_PLATE_MINUTES = 1
const TURN_MINUTES = 2

/**
 * The steps from one setup to another: what only the first has is struck, unless it stays; what only the second has is
 * rigged, unless it stands there already; what both have is moved or set otherwise, or struck in one room and rigged in the
 * other. Cards, cells and packs go along with what they are in. A role whose time somebody took counts with that.
 */
export function planChangeOver(
  before: StandingRig,
  after: StandingRig,
  interfaces: ReadonlyMap<string, Interface>,
): ChangeOver {
  const old = new Map(before.things.map((it) => [it.key, it]))
  const fresh = new Map(after.things.map((it) => [it.key, it]))
  const struck = before.things.flatMap((it): ChangeStep[] =>
    fresh.has(it.key) || isLeftAlone(it, before) ? [] : [strike(it, before)],
  )
  const rigged = after.things.flatMap((it): ChangeStep[] =>
    old.has(it.key) || isLeftAlone(it, after) ? [] : [rig(it, after)],
  )
  const isSameRoom = before.setup.placeId === after.setup.placeId
  const kept = after.things.flatMap((it): ChangeStep[] => {
    const was = old.get(it.key)
    if (!was) return []
    // What goes to another room stands rigged in neither, whatever is said to stay.
    if (!isSameRoom) return isInside(it) ? [] : [strike(was, before), rig(it, after)]
    const step = findStep(it, before, after, interfaces)
    return step ? [step] : []
  })
  const steps = foldPieces([...struck, ...kept, ...rigged])
  return {
    steps,
    minutes: steps.reduce((sum, it) => sum + it.minutes, 0),
    worthTwice: kept
      .filter((it) => it.kind === 'move' || it.kind === 'turn')
      .map(({ tag, name, minutes }) => ({ tag, name, minutes }))
      .sort((a, b) => b.minutes - a.minutes || (a.tag < b.tag ? -1 : 1)),
  }
}

/** Pieces of one stock that go the same way are one step. */
function foldPieces(steps: readonly ChangeStep[]): ChangeStep[] {
  const folded = new Map<string, ChangeStep>()
  for (const step of steps) {
    const to = step.kind === 'move' ? step.to : ''
    const key = step.key.startsWith('stock:')
      ? `${step.kind}/${step.tag}/${step.role}/${to}`
      : `${step.kind}/${step.key}`
    const known = folded.get(key)
    folded.set(key, known ? { ...known, count: known.count + 1, minutes: known.minutes + step.minutes } : step)
  }
  return [...folded.values()]
}

/** Small things that are in another go with it; what stays is not touched; the room is the room. */
function isLeftAlone(thing: PlacedItem, { standing }: StandingRig): boolean {
  return isInside(thing) || (thing.roleId !== null && standing.has(thing.roleId))
}

const INSIDE: ReadonlySet<PlacedItem['category']> = new Set(['room', 'card', 'cell', 'pack'])
const isInside = ({ category }: PlacedItem) => INSIDE.has(category)

const rigOf = ({ category }: PlacedItem) => (category === 'room' ? 0 : findRigMinutes(category))

/** Of a role whose time somebody took its first thing has all of it, and the others nothing. */
function findMinutes(thing: PlacedItem, { setup }: StandingRig): number {
  const role = setup.roles.find((it) => it.id === thing.roleId)
  if (role?.rigMinutes == null) return rigOf(thing)
  return isFirstOf(role, thing) ? role.rigMinutes : 0
}

function isFirstOf(role: Role | undefined, { key, stock }: PlacedItem): boolean {
  const [first] = role ? listInUse(role) : []
  return first?.unitId === key || (first?.stockId != null && first.stockId === stock?.id)
}

const strike = (thing: PlacedItem, standing: StandingRig): ChangeStep => ({
  ...describe(thing, standing.setup),
  kind: 'strike',
  minutes: findStrikeMinutes(findMinutes(thing, standing)),
})

const rig = (thing: PlacedItem, standing: StandingRig): ChangeStep => ({
  ...describe(thing, standing.setup),
  kind: 'rig',
  minutes: findMinutes(thing, standing),
})

function describe({ key, tag, name, roleId }: PlacedItem, { roles }: Pick<NewSetup, 'roles'>) {
  return { key, tag, name, role: roles.find((it) => it.id === roleId)?.name ?? '', count: 1 }
}

function findStep(
  thing: PlacedItem,
  before: StandingRig,
  after: StandingRig,
  interfaces: ReadonlyMap<string, Interface>,
): ChangeStep | null {
  if (isInside(thing)) return null
  const common = describe(thing, after.setup)
  const from = findCarrier(thing, before, interfaces)
  const to = findCarrier(thing, after, interfaces)
  if (to && from?.host.key !== to.host.key) {
    const plate = comparePlates(listFittings(from, before), listFittings(to, after), interfaces)
    const minutes = plate === 'same' ? SAME_PLATE_MINUTES : rigOf(thing)
    return { ...common, kind: 'move', from: from?.host.tag ?? '', to: to.host.tag, toKey: to.host.key, plate, minutes }
  }
  // The others of its role go along with its first.
  if (!isFirstOf(findRole(thing, after), thing)) return null
  const place = sayPlace(findRole(thing, after))
  return place === sayPlace(findRole(thing, before)) || place === ''
    ? null
    : { ...common, kind: 'turn', to: place, minutes: TURN_MINUTES }
}

function findRole({ key, stock }: PlacedItem, { setup }: StandingRig): Role | undefined {
  return setup.roles.find((role) =>
    role.things.some((it) => it.unitId === key || (it.stockId !== null && it.stockId === stock?.id)),
  )
}

/** Where it stands, measured where somebody did, else as the role says it; and how it is set. */
function sayPlace(role: Role | undefined): string {
  if (!role) return ''
  const settings = (role.settings ?? []).map(({ name, value }) => `${name.toLowerCase()} ${value}`)
  return [sayPosition(role.position) || role.detail, ...settings.sort()].filter(Boolean).join(', ')
}

function findCarrier(
  { key }: PlacedItem,
  { joints }: StandingRig,
  interfaces: ReadonlyMap<string, Interface>,
): Joint | undefined {
  return joints.find(
    (it) => it.guest.key === key && ['carry', 'mount'].includes(interfaces.get(it.interfaceCode)?.kind ?? ''),
  )
}

/** All by which two ends go into each other, in whichever order they are written down. */
function listFittings(joint: Joint | undefined, { things }: StandingRig): string[] {
  const codesAt = (end: Joint['host']) =>
    things.find((it) => it.key === end.key)?.ports.find((port) => port.id === end.portId)?.interfaces ?? []
  return joint ? codesAt(joint.host).filter((it) => codesAt(joint.guest).includes(it)) : []
}

/** Fittings of the studio's own list are quick; those that everybody has want a hand at a screw. */
function comparePlates(
  from: readonly string[],
  to: readonly string[],
  interfaces: ReadonlyMap<string, Interface>,
): 'same' | 'other' | 'tools' {
  const quick = to.filter((code) => interfaces.get(code)?.kind === 'carry' && isOwnFamily(code))
  if (quick.length === 0) return 'tools'
  return quick.some((code) => from.includes(code)) ? 'same' : 'other'
}
