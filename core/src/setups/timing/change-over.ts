import { z } from 'zod'
import type { Interface } from '../../kit/model/interface.ts'
import { isOwnFamily } from '../../kit/model/one-system.ts'
import type { Joint } from '../joining/completeness.ts'
import type { PlacedItem } from '../placed/placed-item.ts'
import { sayPosition } from '../setup/setting-card.ts'
import type { NewSetup, Role } from '../setup/setup.ts'
import { findRigMinutes, findStrikeMinutes } from './rig-minutes.ts'

/** A setup as it stands: its things, their joints, and what of it is left standing. */
export interface StandingRig {
  setup: Pick<NewSetup, 'roles'>
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
 * rigged, unless it stands there already; what both have is moved or set otherwise. Cards, cells and packs go along with
 * what they are in.
 */
export function planChangeOver(
  before: StandingRig,
  after: StandingRig,
  interfaces: ReadonlyMap<string, Interface>,
): ChangeOver {
  const old = new Map(before.things.map((it) => [it.key, it]))
  const fresh = new Map(after.things.map((it) => [it.key, it]))
  const struck = before.things.flatMap((it): ChangeStep[] =>
    fresh.has(it.key) || isLeftAlone(it, before)
      ? []
      : [{ ...describe(it, before.setup), kind: 'strike', minutes: strikeOf(it) }],
  )
  const rigged = after.things.flatMap((it): ChangeStep[] =>
    old.has(it.key) || isLeftAlone(it, after)
      ? []
      : [{ ...describe(it, after.setup), kind: 'rig', minutes: rigOf(it) }],
  )
  const kept = after.things.flatMap((it) => (old.has(it.key) ? (findStep(it, before, after, interfaces) ?? []) : []))
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
function isLeftAlone({ category, roleId }: PlacedItem, { standing }: StandingRig): boolean {
  if (category === 'room' || category === 'card' || category === 'cell' || category === 'pack') return true
  return roleId !== null && standing.has(roleId)
}

const rigOf = ({ category }: PlacedItem) => (category === 'room' ? 0 : findRigMinutes(category))
const strikeOf = (thing: PlacedItem) => findStrikeMinutes(rigOf(thing))

function describe({ key, tag, name, roleId }: PlacedItem, { roles }: Pick<NewSetup, 'roles'>) {
  return { key, tag, name, role: roles.find((it) => it.id === roleId)?.name ?? '', count: 1 }
}

function findStep(
  thing: PlacedItem,
  before: StandingRig,
  after: StandingRig,
  interfaces: ReadonlyMap<string, Interface>,
): ChangeStep | null {
  if (thing.category === 'room') return null
  const common = describe(thing, after.setup)
  const from = findCarrier(thing, before, interfaces)
  const to = findCarrier(thing, after, interfaces)
  if (to && from?.host.key !== to.host.key) {
    const plate = comparePlates(from, to, interfaces)
    const minutes = plate === 'same' ? SAME_PLATE_MINUTES : rigOf(thing)
    return { ...common, kind: 'move', from: from?.host.tag ?? '', to: to.host.tag, toKey: to.host.key, plate, minutes }
  }
  const place = sayPlace(findRole(thing, after))
  return place === sayPlace(findRole(thing, before)) || place === ''
    ? null
    : { ...common, kind: 'turn', to: place, minutes: TURN_MINUTES }
}

function findRole({ key }: PlacedItem, { setup }: StandingRig): Role | undefined {
  return setup.roles.find((role) => role.things.some((it) => it.unitId === key))
}

/** Measured where somebody did, else as the role says it. */
function sayPlace(role: Role | undefined): string {
  return role ? sayPosition(role.position) || role.detail : ''
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

/** Fittings of the studio's own list are quick; those that everybody has want a hand at a screw. */
function comparePlates(
  from: Joint | undefined,
  to: Joint,
  interfaces: ReadonlyMap<string, Interface>,
): 'same' | 'other' | 'tools' {
  const isQuick = (code: string) => interfaces.get(code)?.kind === 'carry' && isOwnFamily(code)
  if (!isQuick(to.interfaceCode)) return 'tools'
  return from?.interfaceCode === to.interfaceCode ? 'same' : 'other'
}
