import type { Category } from '../../kit/model/category.ts'
import { type Model, nameModel, type PowerMode, type RecordingMode } from '../../kit/model/model.ts'
import { type Importance, makePort, type Port } from '../../kit/model/port.ts'
import type { Stock, Unit } from '../../kit/unit/unit.ts'
import type { Circuit } from '../../studio/places/place.ts'
import type { Assignment, NewSetup, Role } from '../setup/setup.ts'

/** One piece as it stands in a setup: the ports it imposes in the way it is powered there, and what the sums need. */
export interface PlacedItem {
  /** Unit id, `stock:<id>:<n>` for the n-th piece of a stock, `circuit:<id>` for the room's sockets. */
  key: string
  tag: string
  name: string
  category: Category | 'room'
  roleId: string | null
  roleImportance: Importance
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
 * Lists every piece of a setup once, the circuit that feeds it last: what does several jobs stands where its first one is.
 * Throws where a thing is named that nobody gave.
 */
export function listPlacedItems(
  setup: Pick<NewSetup, 'roles'>,
  holdings: Holdings,
  circuit: Circuit | null,
): PlacedItem[] {
  const seen = new Set<string>()
  const things = setup.roles
    .flatMap((role) => role.things.flatMap((it) => resolveAssignment(role, it, holdings)))
    .filter(({ key }) => !seen.has(key) && seen.add(key))
  if (circuit) things.push(placeCircuit(circuit))
  return things
}

function resolveAssignment(role: Role, assignment: Assignment, holdings: Holdings): PlacedItem[] {
  if (assignment.unitId) {
    const unit = find(holdings.units, assignment.unitId, 'unit')
    return [placeUnit(unit, find(holdings.models, unit.modelId, 'model'), role, assignment)]
  }
  const stock = find(holdings.stock, assignment.stockId ?? '', 'stock')
  const model = find(holdings.models, stock.modelId, 'model')
  return Array.from({ length: assignment.quantity }, (_, index) =>
    placePiece({ key: `stock:${stock.id}:${index}`, tag: stock.tag, model, role, assignment, healthPercent: null }),
  )
}

function find<T>(map: ReadonlyMap<string, T>, id: string, what: string): T {
  const found = map.get(id)
  if (!found) throw new Error(`The setup names a ${what} "${id}" that the judging was not given.`)
  return found
}

/** A unit as it would stand in a role. */
export function placeUnit(unit: Unit, model: Model, role: Role | null, assignment: Assignment | null): PlacedItem {
  return placePiece({ key: unit.id, tag: unit.tag, model, role, assignment, healthPercent: unit.healthPercent })
}

interface Piece {
  key: string
  tag: string
  model: Model
  role: Role | null
  assignment: Assignment | null
  healthPercent: number | null
}

export function placePiece({ key, tag, model, role, assignment, healthPercent }: Piece): PlacedItem {
  const powerMode = model.powerModes.find((mode) => mode.id === assignment?.powerModeId) ?? model.powerModes[0] ?? null
  const recordingMode =
    model.recordingModes.find((mode) => mode.id === assignment?.recordingModeId) ?? model.recordingModes[0] ?? null
  return {
    key,
    tag,
    name: nameModel(model),
    category: model.category,
    roleId: role?.id ?? null,
    roleImportance: role?.importance ?? 'optional',
    ports: listImposedPorts(model, powerMode),
    massGrams: model.specs.massGrams,
    energyMilliwattHours: model.specs.energyMilliwattHours,
    healthPercent,
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
export function placeCircuit(circuit: Circuit): PlacedItem {
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
