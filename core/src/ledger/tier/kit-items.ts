import { isCounted, isKindOf } from '../../kit/model/category.ts'
import { type Model, nameModel } from '../../kit/model/model.ts'
import { EMPTY_UNIT, NO_SUPPLY, type Stock, type Unit } from '../../kit/unit/unit.ts'
import { checkCompleteness } from '../../setups/joining/completeness.ts'
import type { AssessmentInput } from '../../setups/placed/assessment-input.ts'
import { type PlacedItem, placePiece, placeUnit } from '../../setups/placed/placed-item.ts'
import { listSceneItems } from '../../setups/placed/venue.ts'
import { findHome } from '../../setups/proposals/find-home.ts'
import { dropNeedlessRoles } from '../../setups/setup/first-setup.ts'
import { type Assignment, makeAssignment, type NewSetup } from '../../setups/setup/setup.ts'
import type { KitPick } from './kit-program.ts'

/** Something that a kit may be made of: to be bought, or here and free. */
export interface KitItem {
  id: string
  model: Model
  /** Of one piece, tax included; nothing for what is here. */
  priceMinor: number
  most: number
  isMust: boolean
  grade: number
  /** Where it is from. */
  source:
    | { kind: 'shop' }
    | { kind: 'units'; units: readonly Unit[]; usedBy: ReadonlyMap<string, number> }
    | { kind: 'stock'; stock: Stock }
}

/** What stands for the n-th piece of an option while it is tried; no thing of the kit is called so. */
const nameOf = (id: string, nth: number) => `kit:${id}:${nth}`
const tagOf = ({ model }: KitItem, nth: number) =>
  nth === 0 ? nameModel(model) : `${nameModel(model)}, no. ${nth + 1}`

function unitOf(item: KitItem, nth: number): Unit {
  const own = item.source.kind === 'units' ? item.source.units[nth] : undefined
  return own ?? { ...EMPTY_UNIT, id: nameOf(item.id, nth), version: 1, tag: tagOf(item, nth), modelId: item.model.id }
}

function stockOf(item: KitItem): Stock {
  if (item.source.kind === 'stock') return item.source.stock
  return {
    id: nameOf(item.id, 0),
    version: 1,
    tag: nameModel(item.model),
    modelId: item.model.id,
    quantity: item.most,
    reorderLevel: 0,
    placeId: null,
    supply: NO_SUPPLY,
  }
}

const isStock = ({ source, model }: KitItem) =>
  source.kind === 'stock' || (source.kind === 'shop' && isCounted(model.category))

/** The n-th piece in each way in which it can be powered, as it stands in a role that has to be filled. */
export function placeItem(item: KitItem, nth: number): PlacedItem[] {
  const { model } = item
  const modes = model.powerModes.length > 0 ? model.powerModes : [null]
  return modes.map((mode) => {
    const assignment: Assignment = {
      ...makeAssignment({ unitId: nameOf(item.id, nth) }),
      powerModeId: mode?.id ?? null,
    }
    const stock = isStock(item) ? stockOf(item) : null
    const placed = stock
      ? placePiece({ key: `stock:${stock.id}:${nth}`, tag: stock.tag, model, stock, role: null, assignment })
      : placeUnit(unitOf(item, nth), model, null, assignment)
    return { ...placed, roleImportance: 'essential' as const }
  })
}

/** The setup of an input as a kit would make it, and in which role each piece that goes beside lies. */
export interface PlacedKit {
  input: AssessmentInput
  /** By option: roles of its pieces beside. */
  homes: Map<string, string[]>
}

/** How each piece of a pick is powered, in the order in which they go into its roles. */
export const listModes = ({ model }: Pick<KitItem, 'model'>, { ways }: Pick<KitPick, 'ways'>): (string | null)[] =>
  ways.flatMap((count, way) => Array.from({ length: count }, () => model.powerModes[way]?.id ?? null))

/**
 * The setup with what was picked in it. What is filled counts as much as what has to be, as nobody buys what then does not run; what goes
 * beside lies with what it joins. Nothing is written down.
 */
export function placeKit(input: AssessmentInput, items: readonly KitItem[], picks: readonly KitPick[]): PlacedKit {
  const units = new Map(input.holdings.units)
  const stock = new Map(input.holdings.stock)
  const models = new Map(input.holdings.models)
  const freeStock = new Map(input.freeStock)
  const beside: { item: KitItem; thing: PlacedItem; assignment: Assignment }[] = []
  const inRole = new Map<string, Assignment[]>()
  for (const { id, roleIds, ways } of picks) {
    const item = items.find((it) => it.id === id)
    if (!item) continue
    const { model } = item
    models.set(model.id, model)
    const modes = listModes(item, { ways })
    const own = isStock(item) ? stockOf(item) : null
    if (own) {
      stock.set(own.id, own)
      freeStock.set(own.id, Math.max(freeStock.get(own.id) ?? 0, item.most))
    }
    for (const [nth, powerModeId] of modes.entries()) {
      const unit = own ? null : unitOf(item, nth)
      if (unit) units.set(unit.id, unit)
      const assignment: Assignment = {
        ...makeAssignment(own ? { stockId: own.id, quantity: 1 } : { unitId: unit?.id ?? '' }),
        powerModeId,
      }
      const roleId = roleIds[nth]
      if (roleId !== undefined) inRole.set(roleId, [...(inRole.get(roleId) ?? []), assignment])
      else {
        const placed = placeItem(item, nth)
        const way = Math.max(
          0,
          model.powerModes.findIndex((it) => it.id === powerModeId),
        )
        const thing = placed[way] ?? placed[0]
        if (thing) beside.push({ item, thing, assignment })
      }
    }
  }
  const filled: NewSetup = dropNeedlessRoles(
    {
      ...input.setup,
      roles: input.setup.roles.map((role) => {
        const things = inRole.get(role.id)
        if (!things) return role
        return { ...role, importance: 'essential' as const, intentionallyEmpty: false, providedBy: null, things }
      }),
    },
    (unitId) => models.get(units.get(unitId)?.modelId ?? '')?.category,
  )
  const holdings = { units, stock, models }
  const homes = new Map<string, string[]>()
  const setup =
    beside.length === 0 ? filled : layBeside({ ...input, setup: filled, holdings, freeStock }, beside, homes)
  return { input: { ...input, setup, holdings, freeStock }, homes }
}

function layBeside(
  input: AssessmentInput,
  beside: readonly { item: KitItem; thing: PlacedItem; assignment: Assignment }[],
  homesMutably: Map<string, string[]>,
): NewSetup {
  const { setup, interfaces } = input
  const things = [...listSceneItems(setup, input.holdings, input), ...beside.map((it) => it.thing)]
  const { joints } = checkCompleteness(things, interfaces)
  const partnersOf = (key: string) =>
    joints.flatMap(({ host, guest }) => (host.key === key ? [guest] : guest.key === key ? [host] : []))
  // What joins nothing lies with the camera: a second card, a pack to change.
  const filled = setup.roles.filter((it) => it.things.length > 0)
  const fallback = filled.find(({ wants }) => wants !== null && isKindOf(wants, 'camera')) ?? filled[0]
  const added = new Map<string, Assignment[]>()
  for (const { item, thing, assignment } of beside) {
    const roleId = findHome(thing.key, things, partnersOf) ?? fallback?.id
    if (roleId === undefined) continue
    homesMutably.set(item.id, [...(homesMutably.get(item.id) ?? []), roleId])
    added.set(roleId, [...(added.get(roleId) ?? []), assignment])
  }
  return {
    ...setup,
    roles: setup.roles.map((role) => ({
      ...role,
      things: mergeStock([...role.things, ...(added.get(role.id) ?? [])]),
    })),
  }
}

/** Pieces of one stock in one role are so many pieces, not so many lines. */
function mergeStock(things: readonly Assignment[]): Assignment[] {
  const merged: Assignment[] = []
  for (const it of things) {
    const at = merged.findIndex(
      (known) => known.stockId !== null && known.stockId === it.stockId && known.powerModeId === it.powerModeId,
    )
    const known = merged[at]
    if (known) merged[at] = { ...known, quantity: known.quantity + it.quantity }
    else merged.push(it)
  }
  return merged
}
