import {
  type Completeness,
  type CompletenessMemory,
  checkCompleteness,
  type UnmetNeed,
} from '../joining/completeness.ts'
import { makeEndsMemory } from '../joining/ends-memory.ts'
import { easeUnwanted, isAccessory, listInCase, pickFirstToGo } from '../joining/needed-accessories.ts'
import type { AssessmentInput } from '../placed/assessment-input.ts'
import { listSpareItems, type PlacedItem } from '../placed/placed-item.ts'
import { listSceneItems } from '../placed/venue.ts'
import { listWholeRuns } from '../setup/cable-run.ts'

/** A piece that the setup counts on and that is not there: it joins nothing, bears nothing and weighs nothing. */
export interface AwayItem {
  item: PlacedItem
  /** What is left open by its being away: each would be met if it were there. */
  leaves: readonly UnmetNeed[]
}

/** A setup as it stands at one time: every piece in its place, and what joins what. All that a check sees. */
export interface Scene extends Omit<AssessmentInput, 'holdings'>, Completeness {
  /** What is there. */
  items: readonly PlacedItem[]
  itemOf: ReadonlyMap<string, PlacedItem>
  /** What is not. */
  away: readonly AwayItem[]
  /** What of it is there in case: nothing wants it, and it is joined to nothing. */
  inCase: readonly PlacedItem[]
  /** What somebody put into the setup in case, and is there. */
  spareItems: readonly PlacedItem[]
  /** What somebody put there in case, and is not. */
  spareAway: readonly PlacedItem[]
}

/** Puts everything in its place and joins it. */
export function makeScene(input: AssessmentInput): Scene {
  return joinScene(input, listSceneItems(input.setup, input.holdings, input))
}

/** The same of pieces that were placed already; `memory` knows ends that are as they were. */
export function joinScene(
  { holdings, ...input }: AssessmentInput,
  placed: readonly PlacedItem[],
  // What is there in case is found by joining again without it: most ends are as they were.
  memory: CompletenessMemory = makeEndsMemory(),
): Scene {
  const inReserve = listSpareItems(input.setup, holdings)
  const missing = listMissing([...placed, ...inReserve], input)
  const items = missing.size === 0 ? placed : placed.filter((it) => !missing.has(it))
  const gone = placed.filter((it) => missing.has(it))
  // In an order of their own: in which order roles are listed is nothing that a joint hangs on.
  // What was stated with something that is away leaves its end open, and is not joined to something else instead.
  const links = listWholeRuns(input.setup.links, placed)
  const join = (things: readonly PlacedItem[]) =>
    checkCompleteness([...things].sort(byRank), input.interfaces, links, memory)
  const { completeness, inCase } = joinWanted(items, join)
  const away =
    gone.length === 0
      ? { unmet: completeness.unmet, away: [] }
      : blame(gone, completeness, join(placed.filter((it) => !inCase.includes(it))))
  return {
    ...input,
    ...completeness,
    ...away,
    items,
    inCase,
    spareItems: inReserve.filter((it) => !missing.has(it)),
    spareAway: inReserve.filter((it) => missing.has(it)),
    itemOf: new Map(items.map((it) => [it.key, it])),
  }
}

/** Joins what is wanted: what is there in case weighs on nothing, and takes nobody's place. */
function joinWanted(items: readonly PlacedItem[], join: (things: readonly PlacedItem[]) => Completeness) {
  let wanted = items
  let completeness = join(wanted)
  for (;;) {
    const idle = listInCase(wanted, completeness)
    if (idle.length === 0) {
      const shorter = withoutDetour(wanted, completeness, join)
      if (!shorter)
        return { completeness: easeUnwanted(wanted, completeness), inCase: items.filter((it) => !wanted.includes(it)) }
      ;({ wanted, completeness } = shorter)
      continue
    }
    const joined = new Set(completeness.joints.flatMap(({ host, guest }) => [host.key, guest.key]))
    const loose = idle.filter((it) => !joined.has(it.key))
    const leaving = new Set(loose.length > 0 ? loose : pickFirstToGo(idle))
    wanted = wanted.filter((it) => !leaving.has(it))
    // What is joined to nothing leaves everything as it is.
    completeness = loose.length > 0 ? withoutLoose(completeness, leaving) : join(wanted)
  }
}

/**
 * The same without an accessory by which something goes that would go without it, and whose own end then hangs open: a plug in an
 * adapter that leads nowhere, beside the socket that it fits. Null where there is none. Of one model one is tried.
 */
function withoutDetour(
  wanted: readonly PlacedItem[],
  { unmet, joints }: Completeness,
  join: (things: readonly PlacedItem[]) => Completeness,
) {
  const said = new Set(joints.flatMap(({ host, guest, isStated }) => (isStated ? [host.key, guest.key] : [])))
  const open = unmet.filter((it) => it.level !== 'advise' && isAccessory(it.thing) && !said.has(it.thing.key))
  const tried = new Map(open.map(({ thing }) => [rankOf(thing), thing]))
  const endOf = ({ thing, portId }: UnmetNeed) => `${thing.key}/${portId}`
  const ends = new Set(unmet.map(endOf))
  for (const it of tried.values()) {
    const rest = wanted.filter((other) => other !== it)
    const completeness = join(rest)
    if (completeness.unmet.length < unmet.length && completeness.unmet.every((need) => ends.has(endOf(need))))
      return { wanted: rest, completeness }
  }
  return null
}

function withoutLoose(found: Completeness, leaving: ReadonlySet<PlacedItem>): Completeness {
  const tags = new Set([...leaving].map((it) => it.tag))
  const isNamed = (need: UnmetNeed) => need.rivals.some((tag) => tags.has(tag))
  return {
    ...found,
    unmet: found.unmet
      .filter((it) => !leaving.has(it.thing))
      .map((it) => (isNamed(it) ? { ...it, rivals: it.rivals.filter((tag) => !tags.has(tag)) } : it)),
  }
}

/** By what they are; pieces of one model can stand for each other and stay as they come. */
const rankOf = ({ model, key }: PlacedItem) => model?.id ?? key
const byRank = (a: PlacedItem, b: PlacedItem) => (rankOf(a) < rankOf(b) ? -1 : rankOf(a) > rankOf(b) ? 1 : 0)

/** Single things that are away, and pieces of a stock beyond what is left of it. */
function listMissing(
  placed: readonly PlacedItem[],
  { absences, freeStock }: Pick<AssessmentInput, 'absences' | 'freeStock'>,
): Set<PlacedItem> {
  const taken = new Map<string, number>()
  return new Set(
    placed.filter(({ unit, stock }) => {
      if (unit) return absences.has(unit.id)
      if (!stock) return false
      const count = (taken.get(stock.id) ?? 0) + 1
      taken.set(stock.id, count)
      return count > (freeStock.get(stock.id) ?? 0)
    }),
  )
}

/**
 * What is open only because something is away is told with what is away, once: with everything there it would be joined to
 * it. What stays open by itself stays a need.
 */
function blame(missing: readonly PlacedItem[], { unmet }: Completeness, whole: Completeness) {
  const awayKeys = new Set(missing.map((it) => it.key))
  const endOf = (key: string, portId: string) => `${key}/${portId}`
  const openAnyway = new Set(whole.unmet.map((it) => endOf(it.thing.key, it.portId)))
  const blamed = new Map<string, string>()
  for (const { host, guest } of whole.joints) {
    if (awayKeys.has(host.key)) blamed.set(endOf(guest.key, guest.portId), host.key)
    if (awayKeys.has(guest.key)) blamed.set(endOf(host.key, host.portId), guest.key)
  }
  const culpritOf = (need: UnmetNeed) => {
    const end = endOf(need.thing.key, need.portId)
    if (openAnyway.has(end)) return undefined
    // Where others moved up when it went, it is still the one of which there is one less.
    return blamed.get(end) ?? missing.find((it) => couldMeet(it, need))?.key
  }
  return {
    unmet: unmet.filter((need) => culpritOf(need) === undefined),
    away: missing.map((item) => ({ item, leaves: unmet.filter((need) => culpritOf(need) === item.key) })),
  }
}

const couldMeet = ({ ports }: PlacedItem, { side, interfaces }: UnmetNeed) =>
  ports.some((port) => port.side !== side && port.interfaces.some((code) => interfaces.includes(code)))

type Fact<T> = (scene: Scene) => T

const known = new WeakMap<Scene, Map<Fact<unknown>, unknown>>()

/** A fact of a scene, worked out once however many checks ask for it. */
export function factOf<T>(scene: Scene, compute: Fact<T>): T {
  let facts = known.get(scene)
  if (!facts) {
    facts = new Map()
    known.set(scene, facts)
  }
  if (!facts.has(compute)) facts.set(compute, compute(scene))
  return facts.get(compute) as T
}

/** A piece of the setup, whether it is there or away. */
export function findPlaced({ itemOf, away }: Scene, key: string): PlacedItem | undefined {
  return itemOf.get(key) ?? away.find(({ item }) => item.key === key)?.item
}
