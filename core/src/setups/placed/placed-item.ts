import { type Category, isKindOf } from '../../kit/model/category.ts'
import { type Model, nameModel, type PowerMode, type RecordingMode } from '../../kit/model/model.ts'
import { IMPORTANCES, type Importance, makePort, type Port } from '../../kit/model/port.ts'
import type { Stock, Unit } from '../../kit/unit/unit.ts'
import type { Circuit } from '../../studio/places/place.ts'
import type { Assignment, NewSetup, Role } from '../setup/setup.ts'
import { placeOnce } from './place-once.ts'

/** One piece as it stands in a setup: the ports it imposes in the way it is powered there, and what the sums need. */
export interface PlacedItem {
  /** Unit id, `stock:<id>:<n>` for the n-th piece of a stock, `circuit:<id>` for the room's sockets. */
  key: string
  tag: string
  name: string
  category: Category | 'room'
  /** What it is; null for what the venue gives. */
  model: Model | null
  /** The one piece that it is; null for what is counted, and for what the venue gives. */
  unit: Unit | null
  /** The stock that it is a piece of. */
  stock: Stock | null
  roleId: string | null
  roleImportance: Importance
  /** The role that its own role serves. */
  goesWith: string | null
  ports: Port[]
  massGrams: number | null
  energyMilliwattHours: number | null
  healthPercent: number | null
  capacityMegabytes: number | null
  powerMode: PowerMode | null
  runsBriefly: boolean
  recordingMode: RecordingMode | null
  /** All ways to power and to record, for remedies. */
  powerModes: readonly PowerMode[]
  recordingModes: readonly RecordingMode[]
}

/** What the judging reads from: the things that a setup names, looked up. */
export interface Holdings {
  models: ReadonlyMap<string, Model>
  units: ReadonlyMap<string, Unit>
  stock: ReadonlyMap<string, Stock>
}

/**
 * Lists every piece of a setup once, the circuit that feeds it last: what does several jobs stands where its first one is,
 * and matters as much as the most important of them. Pieces of one stock in several roles are so many pieces. What is there in
 * case is left out. Throws where a thing is named that nobody gave.
 */
export function listPlacedItems(
  setup: Pick<NewSetup, 'roles'>,
  holdings: Holdings,
  circuit: Circuit | null,
): PlacedItem[] {
  const items = placeEach(setup, holdings, (it) => !it.isSpare, new Map())
  return [...items, ...(circuit ? [placeCircuit(circuit)] : [])]
}

/** What is in a setup in case, and in no other place of it. */
export function listSpareItems(setup: Pick<NewSetup, 'roles'>, holdings: Holdings): PlacedItem[] {
  if (!setup.roles.some((role) => role.things.some((it) => it.isSpare))) return []
  const counts = new Map<string, number>()
  const used = new Set(placeEach(setup, holdings, (it) => !it.isSpare, counts).map((it) => it.key))
  return placeEach(setup, holdings, (it) => it.isSpare, counts).filter((it) => !used.has(it.key))
}

/** Pieces of a stock are numbered on from `countsMutably`. */
function placeEach(
  { roles }: Pick<NewSetup, 'roles'>,
  holdings: Holdings,
  suits: (assignment: Assignment) => boolean,
  countsMutably: Map<string, number>,
): PlacedItem[] {
  const items = roles.flatMap((role) =>
    role.things.filter(suits).flatMap((assignment) => {
      if (assignment.unitId) {
        const unit = find(holdings.units, assignment.unitId, 'unit')
        return [placeUnit(unit, find(holdings.models, unit.modelId, 'model'), role, assignment)]
      }
      const stock = find(holdings.stock, assignment.stockId ?? '', 'stock')
      const from = countsMutably.get(stock.id) ?? 0
      countsMutably.set(stock.id, from + assignment.quantity)
      return placePieces(stock, find(holdings.models, stock.modelId, 'model'), role, assignment, from)
    }),
  )
  const once = new Map<string, PlacedItem>()
  for (const item of items) {
    const known = once.get(item.key)
    if (!known || matters(item) < matters(known)) once.set(item.key, item)
  }
  return [...once.values()]
}

const matters = ({ roleImportance }: PlacedItem) => IMPORTANCES.indexOf(roleImportance)

function placePieces(stock: Stock, model: Model, role: Role, assignment: Assignment, from: number): PlacedItem[] {
  return Array.from({ length: assignment.quantity }, (_, index) =>
    placePiece({ key: `stock:${stock.id}:${from + index}`, tag: stock.tag, model, stock, role, assignment }),
  )
}

function find<T>(map: ReadonlyMap<string, T>, id: string, what: string): T {
  const found = map.get(id)
  if (!found) throw new Error(`The setup names a ${what} "${id}" that the judging was not given.`)
  return found
}

/** A unit as it would stand in a role. */
export function placeUnit(unit: Unit, model: Model, role: Role | null, assignment: Assignment | null): PlacedItem {
  return placePiece({ key: unit.id, tag: unit.tag, model, unit, role, assignment })
}

interface Piece {
  key: string
  tag: string
  model: Model
  unit?: Unit | null
  stock?: Stock | null
  role: Role | null
  assignment: Assignment | null
}

export function placePiece({ key, tag, model, unit = null, stock = null, role, assignment }: Piece): PlacedItem {
  const powerMode = model.powerModes.find((mode) => mode.id === assignment?.powerModeId) ?? model.powerModes[0] ?? null
  const recordingMode =
    model.recordingModes.find((mode) => mode.id === assignment?.recordingModeId) ?? model.recordingModes[0] ?? null
  return {
    key,
    tag,
    name: nameModel(model),
    category: model.category,
    model,
    unit,
    stock,
    roleId: role?.id ?? null,
    roleImportance: role?.importance ?? 'optional',
    goesWith: role?.goesWith ?? null,
    ports: listImposedPorts(model, powerMode),
    massGrams: model.specs.massGrams,
    energyMilliwattHours: model.specs.energyMilliwattHours,
    healthPercent: unit?.healthPercent ?? null,
    capacityMegabytes: model.specs.capacityMegabytes,
    powerMode,
    runsBriefly: assignment?.runsBriefly ?? false,
    recordingMode,
    powerModes: model.powerModes,
    recordingModes: model.recordingModes,
  }
}

/** Ports of ways of powering that are not chosen are out of play; all others always count. */
function listImposedPorts(model: Model, powerMode: PowerMode | null): Port[] {
  const ofModes = new Set(model.powerModes.flatMap((mode) => mode.portIds))
  const ofChosen = new Set(powerMode?.portIds ?? [])
  const own = model.ports.filter((port) => !ofModes.has(port.id) || ofChosen.has(port.id))
  const thread = findFilterThread(model)
  return thread ? [...own, thread] : own
}

/** The thread that is recorded as a figure only: where a filter goes on, or by which it does. */
function findFilterThread({ category, specs, ports }: Model): Port | null {
  const { filterMm } = specs.more
  const isThreaded = category === 'lens' || category === 'filter'
  if (!isThreaded || typeof filterMm !== 'number') return null
  if (ports.some((port) => port.interfaces.some((code) => code.startsWith('filter-')))) return null
  const side = category === 'lens' ? 'host' : 'guest'
  const importance = category === 'lens' ? 'optional' : 'essential'
  return keepThread(`filter-${filterMm}`, side, importance)
}

/** The same port each time, so that a thing that did not change is seen not to have. */
const THREADS = new Map<string, Port>()

function keepThread(code: string, side: 'host' | 'guest', importance: Importance): Port {
  const known = THREADS.get(`${code}/${side}`)
  if (known) return known
  const port = makePort({ id: 'filter-thread', interfaces: code, side, importance })
  THREADS.set(`${code}/${side}`, port)
  return port
}

/** What is left when nothing is recorded about a thing. */
export const NOTHING_KNOWN = {
  model: null,
  unit: null,
  stock: null,
  goesWith: null,
  massGrams: null,
  energyMilliwattHours: null,
  healthPercent: null,
  capacityMegabytes: null,
  powerMode: null,
  runsBriefly: false,
  recordingMode: null,
  powerModes: [],
  recordingModes: [],
} as const satisfies Partial<PlacedItem>

/** The sockets of a room as something that things are plugged into. */
export const placeCircuit = placeOnce(makeSockets)

function makeSockets(circuit: Circuit): PlacedItem {
  const ports =
    circuit.outlets > 0
      ? [
          makePort({
            id: 'socket',
            interfaces: circuit.outletInterface,
            side: 'host',
            count: circuit.outlets,
            importance: 'optional',
          }),
        ]
      : []
  return {
    key: `circuit:${circuit.id}`,
    tag: 'ROOM',
    name: circuit.name,
    category: 'room',
    roleId: null,
    roleImportance: 'optional',
    ports,
    ...NOTHING_KNOWN,
  }
}

/** A few grams each: nobody weighs them, and no sum misses them. */
const LIGHT: ReadonlySet<PlacedItem['category']> = new Set(['card', 'card-sleeve', 'cell', 'filter', 'gel'])

export const isLight = ({ category }: Pick<PlacedItem, 'category'>) => LIGHT.has(category)

/** Whether it is of a kind, or of a finer one of it. What the venue gives is of none. */
export function isItemOf({ category }: Pick<PlacedItem, 'category'>, kind: Category): boolean {
  return category !== 'room' && isKindOf(category, kind)
}

type Specs = Model['specs']['more']

/** A recorded figure of what it is; null where nobody recorded it. */
export function readFigure({ model }: Pick<PlacedItem, 'model'>, key: keyof Specs & string): number | null {
  const value = model?.specs.more[key]
  return typeof value === 'number' ? value : null
}

/** The same of what cannot be nothing: nought was typed by mistake, or for “not known”. */
export function readPositive(item: Pick<PlacedItem, 'model'>, key: keyof Specs & string): number | null {
  const value = readFigure(item, key)
  return value !== null && value > 0 ? value : null
}

/** A recorded choice, such as "yes", or what it is fed by; null where nobody recorded it. */
export function readChoice({ model }: Pick<PlacedItem, 'model'>, key: keyof Specs & string): string | null {
  const value = model?.specs.more[key]
  return typeof value === 'string' ? value : null
}

/** Everything that a role puts in, also where another role has it too. */
export function listItemsOf(role: Pick<Role, 'id' | 'things'>, items: readonly PlacedItem[]): PlacedItem[] {
  const units = new Set(role.things.flatMap((it) => it.unitId ?? []))
  return items.filter((it) => (it.unit ? units.has(it.unit.id) : it.roleId === role.id))
}
