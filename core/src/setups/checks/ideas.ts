import { type Category, isKindOf } from '../../kit/model/category.ts'
import { type Model, nameModel } from '../../kit/model/model.ts'
import { isItemOf, listItemsOf, type PlacedItem } from '../placed/placed-item.ts'
import type { FreeItem, FreeStock, Store } from '../placed/store.ts'
import type { Remedy } from '../setup/remedy.ts'
import { type Role, suitsRole } from '../setup/setup.ts'
import { pairEnds } from '../setup/swapped-ends.ts'
import type { IdeaContext } from './check.ts'
import type { Scene } from './scene.ts'
import { findPlaced } from './scene.ts'

/** How many things are tried for one finding. */
const MOST_TRIED = 12

/** Whether a free thing is of a kind. */
export function isOfKind(kind: Category): (it: { model: Model }) => boolean {
  return ({ model }) => isKindOf(model.category, kind)
}

export function findRole({ setup }: Scene, roleId: string | null): Role | undefined {
  return setup.roles.find((it) => it.id === roleId)
}

/** What the fewest setups count on first, then by tag. */
export function rankStore(units: FreeItem[]): FreeItem[] {
  return units.sort((a, b) => a.usedBySetups - b.usedBySetups || (a.unit.tag < b.unit.tag ? -1 : 1))
}

/**
 * Puts `count` free things of one model into a role, or as many as there are; into another, where `findHome` knows one that has
 * to have such a thing.
 */
export function listAssignments(
  role: Role,
  store: Store,
  suits: (it: FreeItem) => boolean,
  count = 1,
  findHome: (it: FreeItem) => Role | undefined = () => undefined,
): Remedy[] {
  const byModel = new Map<string, FreeItem[]>()
  for (const it of rankStore(store.units.filter(suits))) {
    byModel.set(it.model.id, [...(byModel.get(it.model.id) ?? []), it])
  }
  return [...byModel.values()].slice(0, MOST_TRIED).map((group): Remedy => {
    const taken = group.slice(0, count)
    const home = group[0] && findHome(group[0])
    return {
      kind: 'assign',
      roleId: (home ?? role).id,
      unitIds: taken.map((it) => it.unit.id),
      tags: taken.map((it) => it.unit.tag),
      name: nameModel(group[0]?.model ?? { maker: '', name: '' }),
    }
  })
}

/** The same of what is counted: so many pieces of one stock that are free. */
export function listFromStock(role: Role, store: Store, suits: (it: FreeStock) => boolean, count = 1): Remedy[] {
  return store.stock
    .filter((it) => it.free >= count && suits(it))
    .slice(0, MOST_TRIED)
    .map(({ stock, model }) => ({
      kind: 'assign-stock',
      roleId: role.id,
      stockId: stock.id,
      quantity: count,
      name: nameModel(model),
    }))
}

/** The role that wants a thing of this kind and has none: there it does what it is for, whoever else asks for it. */
export function findEmptyHome({ setup, items, away }: Scene, { unit, model }: FreeItem): Role | undefined {
  const there = [...items, ...away.map(({ item }) => item)]
  return setup.roles.find((role) => {
    const { wants } = role
    if (wants === null || role.intentionallyEmpty || role.providedBy || !suitsRole(role, model, unit.id)) return false
    return !listItemsOf(role, there).some((it) => isItemOf(it, wants))
  })
}

const CABLES = ['cable', 'cable-adapter'] as const

/** What is sought where two ends that need not be joined are not. */
export const SEEKS_CABLE = { categories: CABLES }

/** Free cables, each put beside the thing whose signal gets nowhere. */
export function listCablesFor(roleId: string | null, { scene, store }: IdeaContext): Remedy[] {
  const role = findRole(scene, roleId)
  return role ? listAssignments(role, store, ({ model }) => CABLES.some((kind) => model.category === kind)) : []
}

/** Free things of the kind of one that stands in a role, of its own model first. */
export function listReplacements(role: Role, { category, model }: PlacedItem, store: Store): FreeItem[] {
  const wanted = category === 'room' ? role.wants : category
  // Where the role lists what takes turns, those and no others stand in for each other.
  const listed = role.anyOfUnitIds ?? []
  const alike = store.units.filter((it) =>
    listed.length > 0 ? listed.includes(it.unit.id) : wanted !== null && isKindOf(it.model.category, wanted),
  )
  return rankStore(alike)
    .sort((a, b) => Number(b.model.id === model?.id) - Number(a.model.id === model?.id))
    .slice(0, MOST_TRIED)
}

/** Puts a free thing in the place of another, which goes out; with `before` what was stated of its ends goes over. */
export function makeReplacement(
  role: Role,
  unitId: string,
  { unit, model }: FreeItem,
  before: PlacedItem['model'] = null,
): Remedy {
  const ends = pairEnds(before?.ports ?? [], model.ports)
  return { kind: 'replace', roleId: role.id, unitId, byUnitId: unit.id, tag: unit.tag, name: nameModel(model), ends }
}

/** Others of the same kind for single things of the setup, by their keys. */
export function listStandInsFor(keys: readonly string[], { scene, store }: IdeaContext): Remedy[] {
  return keys.flatMap((key) => {
    const item = findPlaced(scene, key)
    const role = scene.setup.roles.find((it) => it.things.some((thing) => thing.unitId === item?.unit?.id))
    const unitId = item?.unit?.id
    if (!item || !role || !unitId) return []
    return listReplacements(role, item, store).map((it) => makeReplacement(role, unitId, it, item.model))
  })
}

/** Every other way to power one thing of a role, from the given source or any. */
export function listPowerModesOf(role: Role, item: PlacedItem, source?: 'mains' | 'packs'): Remedy[] {
  const unitId = item.unit?.id
  if (!unitId) return []
  return item.powerModes
    .filter((mode) => mode.id !== item.powerMode?.id && (source === undefined || mode.source === source))
    .map(({ id, label }) => ({ kind: 'power-mode', roleId: role.id, unitId, tag: item.tag, powerModeId: id, label }))
}

/** Every other way to power a thing of the setup from the given source. */
export function listPowerModes(scene: Scene, source: 'mains' | 'packs'): Remedy[] {
  return scene.items.flatMap((item) => {
    const role = findRole(scene, item.roleId)
    return role ? listPowerModesOf(role, item, source) : []
  })
}

/** Every other way in which a thing of the setup can record. */
export function listRecordingModesOf(item: PlacedItem | undefined): Remedy[] {
  const unitId = item?.unit?.id
  const roleId = item?.roleId
  if (!item || !unitId || !roleId) return []
  return item.recordingModes
    .filter((mode) => mode.id !== item.recordingMode?.id)
    .map(({ id, label }) => ({ kind: 'recording-mode', roleId, unitId, tag: item.tag, recordingModeId: id, label }))
}

/** What keeps to the mains and what goes to packs, in the order of the studio's practice; without one, things before modes. */
export function orderByPower({ policies }: Scene, mains: Remedy[], packs: Remedy[]): Remedy[] {
  const { way } = policies.school('power')
  if (way === 'mains') return [...mains, ...packs]
  if (way === 'packs') return [...packs, ...mains]
  const isMode = (it: Remedy) => it.kind === 'power-mode'
  return [...mains, ...packs].sort((a, b) => Number(isMode(a)) - Number(isMode(b)))
}

/** Other circuits of the room. */
export function listCircuits({ setup }: Scene, store: Store): Remedy[] {
  return store.circuits
    .filter((circuit) => circuit.id !== setup.circuitId)
    .map((circuit) => ({ kind: 'circuit', circuitId: circuit.id, name: circuit.name }))
}
