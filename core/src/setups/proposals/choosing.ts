import { z } from 'zod'
import { isKindOf } from '../../kit/model/category.ts'
import { nameModel } from '../../kit/model/model.ts'
import { findRoom } from '../../studio/places/place-findings.ts'
import type { Policies } from '../../studio/policy/resolved-policies.ts'
import { findHallSet, findMatching } from '../joining/matching.ts'
import { canJoin, listNodes } from '../joining/port-graph.ts'
import type { AssessmentInput } from '../placed/assessment-input.ts'
import { isItemOf, listPlacedItems, type PlacedItem, placeUnit, readFigure } from '../placed/placed-item.ts'
import type { FreeItem, Store } from '../placed/store.ts'
import type { Remedy } from '../setup/remedy.ts'
import { remedySchema } from '../setup/remedy.ts'
import { listInUse, type Role, suitsRole } from '../setup/setup.ts'
import { assignAtLeastCost } from './assignment.ts'
/** What speaks for a thing, in the order in which it is said. */
export const choiceReasonSchema = z.enum(['fits', 'here-already', 'same-maker', 'same-colour', 'unclaimed', 'sound'])
export type ChoiceReason = z.infer<typeof choiceReasonSchema>

export const roleChoiceSchema = z.object({
  roleId: z.string(),
  role: z.string(),
  unitId: z.string(),
  tag: z.string(),
  name: z.string(),
  reasons: z.array(choiceReasonSchema),
})
export type RoleChoice = z.infer<typeof roleChoiceSchema>

/** A role that stays empty: `rivals` want the same, and `supply` is all there is for them together. */
export const roleLeftSchema = z.object({
  roleId: z.string(),
  role: z.string(),
  why: z.enum(['says-nothing', 'none-free', 'too-few']),
  rivals: z.array(z.string()),
  supply: z.array(z.string()),
})
export type RoleLeft = z.infer<typeof roleLeftSchema>

export const choosingSchema = z.object({
  choices: z.array(roleChoiceSchema),
  left: z.array(roleLeftSchema),
  remedies: z.array(remedySchema),
})
export type Choosing = z.infer<typeof choosingSchema>
/** How much each thing counts against a choice. A thing that joins nothing here costs more than any number of claims. */
const COST = {
  misfit: 1_000,
  fault: 300,
  claim: 20,
  weakness: 15,
  mostWeaknesses: 3,
  mostClaims: 10,
  otherMaker: 60,
  otherColour: 50,
  elsewhere: 8,
  standby: 10,
  worn: 1,
}
const PENALTY = { essential: 1_000_000, wanted: 100_000, optional: 50_000 }

/**
 * Fills the empty roles that say what they want, from what is free: all roles of one wave together, at the least cost by
 * weights that follow the studio's policy. Bodies, lamps and microphones come first, then what has to fit them. Pinned
 * things stay. `faulty` names things that are usable with a fault.
 */
export function chooseForRoles(input: AssessmentInput, store: Store, faulty: ReadonlySet<string>): Choosing {
  const empty = input.setup.roles.filter(
    (role) => listInUse(role).length === 0 && !role.intentionallyEmpty && !role.providedBy,
  )
  const left: RoleLeft[] = empty
    .filter((role) => !saysWhat(role))
    .map((role) => ({ roleId: role.id, role: role.name, why: 'says-nothing', rivals: [], supply: [] }))
  const choices: RoleChoice[] = []
  const standing = listPlacedItems(input.setup, input.holdings, null)
  const makers = new Set([...input.holdings.models.values()].map((it) => it.maker).filter(Boolean))
  const taken = new Set<string>()
  for (const wave of [empty.filter((it) => !isFollower(it)), empty.filter(isFollower)]) {
    const roles = wave.filter(saysWhat)
    const units = store.units.filter(
      (it) => !taken.has(it.unit.id) && roles.some((role) => suitsRole(role, it.model, it.unit.id)),
    )
    const { columns, context } = assignRoles(roles, units, { input, standing, makers, faulty })
    for (const [at, role] of roles.entries()) {
      const it = units[columns[at] ?? -1]
      if (!it) continue
      taken.add(it.unit.id)
      standing.push(placeUnit(it.unit, it.model, role, null))
      if (it.model.maker) makers.add(it.model.maker)
      choices.push({
        roleId: role.id,
        role: role.name,
        unitId: it.unit.id,
        tag: it.unit.tag,
        name: nameModel(it.model),
        reasons: listReasons(it, role, context),
      })
    }
    left.push(...explainLeft(roles, units, columns))
  }
  return { choices, left, remedies: choices.map(makeRemedy) }
}

/**
 * Who fills which role, at the least cost. Where all lamps are to be alike, each colour that they could agree on is tried, so
 * that those chosen in one go match each other as well as those that stand.
 */
function assignRoles(roles: readonly Role[], units: readonly FreeItem[], base: Weighing) {
  const penalties = roles.map((role) => PENALTY[role.importance])
  const plain = roles.map((role) =>
    units.map((it) => (suitsRole(role, it.model, it.unit.id) ? weigh(it, role, base) : null)),
  )
  const tries = listCommonColours(roles, units, base).map((kelvin) => {
    const costs = plain.map((row, at) =>
      row.map((cost, column) => (cost === null ? null : cost + costColour(units[column], roles[at], kelvin))),
    )
    const columns = assignAtLeastCost(costs, penalties)
    const total = columns.reduce((sum, column, at) => sum + (costs[at]?.[column] ?? penalties[at] ?? 0), 0)
    return { columns, context: { ...base, kelvin }, total }
  })
  return tries.reduce((best, it) => (it.total < best.total ? it : best))
}

/**
 * The colours to try: the lower ends of the ranges of all lamps in question, as ranges that have a point in common share the
 * highest of those; of them the ones that every lamp reaches that stands. Null where lamps need not match, or cannot.
 */
function listCommonColours(
  roles: readonly Role[],
  units: readonly FreeItem[],
  { input, standing }: Weighing,
): [number | null, ...(number | null)[]] {
  const wantsLamps = roles.some(({ wants }) => wants !== null && isKindOf(wants, 'light'))
  if (!wantsLamps || input.policies.school('colour').way !== 'match') return [null]
  const standingLamps = standing.filter((it) => isItemOf(it, 'light'))
  const there = standingLamps.flatMap((it) => findColours(it) ?? [])
  const points = new Set([...units, ...standingLamps].flatMap((it) => findColours(it)?.least ?? []))
  const common = [...points].filter((kelvin) => there.every((it) => reaches(it, kelvin))).sort((a, b) => a - b)
  const [first, ...rest] = common
  return first === undefined ? [null] : [first, ...rest]
}

/** What has to fit another thing that is chosen, and so is chosen after it. */
function isFollower({ wants }: Role): boolean {
  return wants !== null && (['lens', 'lens-adapter', 'filter', 'modifier'] as string[]).includes(wants)
}

interface Weighing {
  input: AssessmentInput
  standing: readonly PlacedItem[]
  makers: ReadonlySet<string>
  faulty: ReadonlySet<string>
}

function weigh(it: FreeItem, role: Role, { input, standing, makers, faulty }: Weighing): number {
  const wantsOneMaker = followsOneSystem(input.policies)
  return (
    (fits(it, role, input, standing) ? 0 : COST.misfit) +
    (faulty.has(it.unit.id) ? COST.fault : 0) +
    COST.claim * Math.min(COST.mostClaims, it.usedBySetups) +
    (wantsOneMaker && makers.size > 0 && !makers.has(it.model.maker) ? COST.otherMaker : 0) +
    COST.weakness * Math.min(COST.mostWeaknesses, countWeaknesses(it)) +
    (isHere(it, input) ? 0 : COST.elsewhere) +
    (it.unit.state === 'standby' ? COST.standby : 0) +
    COST.worn * Math.round((100 - (it.unit.healthPercent ?? 100)) / 10)
  )
}

/** Whether it lives or lies in the room where the setup is to be: nobody has to fetch it. */
function isHere({ unit }: FreeItem, { where }: AssessmentInput): boolean {
  if (!where?.placeId) return false
  const room = findRoom(unit.nowPlaceId ?? unit.placeId, where.places)
  return room !== null && room.id === findRoom(where.placeId, where.places)?.id
}

const isLampRole = ({ wants }: Role) => wants !== null && isKindOf(wants, 'light')

/** What a lamp costs that cannot be brought to the common colour; of which nobody knows, half of that. */
function costColour(it: FreeItem | undefined, role: Role | undefined, kelvin: number | null): number {
  if (kelvin === null || !it || !role || !isLampRole(role)) return 0
  const own = findColours(it)
  if (!own) return COST.otherColour / 2
  return reaches(own, kelvin) ? 0 : COST.otherColour
}

interface Colours {
  least: number
  most: number
}

const reaches = ({ least, most }: Colours, kelvin: number) => least <= kelvin && kelvin <= most

function findColours(it: Pick<PlacedItem, 'model'>): Colours | null {
  const least = readFigure(it, 'kelvinMin')
  const most = readFigure(it, 'kelvinMax')
  const one = least ?? most
  return one === null ? null : { least: least ?? one, most: most ?? one }
}

/** What the crew saw itself: hearsay never counts against a thing. */
const countWeaknesses = ({ unit }: FreeItem) =>
  unit.remarks.filter((it) => it.kind === 'weakness' && it.source === 'seen').length

const followsOneSystem = (policies: Policies) => policies.school('system').way === 'one'

/** Whether each mount that it has to be joined by finds something here to join. Without mounts of its own it fits anywhere. */
function fits(
  { unit, model }: FreeItem,
  role: Role,
  { interfaces }: AssessmentInput,
  standing: readonly PlacedItem[],
): boolean {
  const thing = placeUnit(unit, model, role, null)
  const mounts = listNodes(thing).filter(
    (node) =>
      node.ports[0]?.side === 'guest' &&
      node.ports.some(
        (port) =>
          port.importance === 'essential' && port.interfaces.some((code) => interfaces.get(code)?.kind === 'mount'),
      ),
  )
  if (mounts.length === 0) return true
  const hosts = standing.flatMap(listNodes).filter((node) => node.ports[0]?.side === 'host')
  return mounts.every((guest) => hosts.some((host) => canJoin(host, guest, interfaces)))
}

/** With the colour that all lamps are to reach; null where they need not, or cannot. */
type Colouring = Weighing & { kelvin: number | null }

function listReasons(it: FreeItem, role: Role, { input, standing, makers, faulty, kelvin }: Colouring): ChoiceReason[] {
  const reasons: ChoiceReason[] = []
  if (isFollower(role) && fits(it, role, input, standing)) reasons.push('fits')
  if (isHere(it, input)) reasons.push('here-already')
  const colours = findColours(it)
  if (kelvin !== null && isLampRole(role) && colours && reaches(colours, kelvin)) reasons.push('same-colour')
  if (followsOneSystem(input.policies) && makers.has(it.model.maker)) reasons.push('same-maker')
  if (it.usedBySetups === 0) reasons.push('unclaimed')
  if (!faulty.has(it.unit.id) && countWeaknesses(it) === 0) reasons.push('sound')
  return reasons
}

/** Why roles stay empty: with nothing free of their kind, or, by a Hall set, with fewer than all of them want. */
function explainLeft(roles: readonly Role[], units: readonly FreeItem[], columns: readonly number[]): RoleLeft[] {
  const graph = {
    hosts: roles.map(() => 0),
    guests: units.map(() => null),
    edges: roles.map((role) => units.flatMap((it, at) => (suitsRole(role, it.model, it.unit.id) ? [at] : []))),
  }
  const matching = findMatching(graph)
  return roles.flatMap((role, at): RoleLeft[] => {
    if ((columns[at] ?? -1) >= 0) return []
    const common = { roleId: role.id, role: role.name }
    if (graph.edges[at]?.length === 0) return [{ ...common, why: 'none-free', rivals: [], supply: [] }]
    // The matching may have left another role of the same set without: the set that competes is the same.
    const host = (matching.guestOfHost[at] ?? -1) < 0 ? at : matching.guestOfHost.indexOf(-1)
    const { wanting, wanted } = findHallSet(graph, matching, host < 0 ? at : host)
    return [
      {
        ...common,
        why: 'too-few',
        rivals: wanting.flatMap((it) => (it === at ? [] : (roles[it]?.name ?? []))),
        supply: wanted.flatMap((it) => units[it]?.unit.tag ?? []),
      },
    ]
  })
}

const saysWhat = ({ wants, anyOfUnitIds }: Role) => wants !== null || (anyOfUnitIds?.length ?? 0) > 0

function makeRemedy({ roleId, unitId, tag, name }: RoleChoice): Remedy {
  return { kind: 'assign', roleId, unitIds: [unitId], tags: [tag], name }
}
