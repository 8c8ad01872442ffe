import { type Cell, writeCsv } from '../../units/csv.ts'
import { findExponent } from '../../units/money.ts'
import { INVENTORY_COLUMNS, type InventoryColumn } from '../import/inventory-columns.ts'
import { CATEGORIES } from '../model/category.ts'
import type { Interface } from '../model/interface.ts'
import type { Model } from '../model/model.ts'
import type { Stock, Unit } from '../unit/unit.ts'

/** What an exported list reads from, looked up. */
export interface ExportSource {
  units: readonly Unit[]
  stock: readonly Stock[]
  models: ReadonlyMap<string, Model>
  places: ReadonlyMap<string, string>
  interfaces: ReadonlyMap<string, Interface>
  currency: string
  /** Without it the amounts stay out. */
  withMoney: boolean
}

type Cells = Partial<Record<InventoryColumn, Cell>>

/** The kit as a list (RFC 4180) that can be read back: read again at once, it changes nothing. */
export function writeInventory({
  units,
  stock,
  models,
  places,
  interfaces,
  currency,
  withMoney,
}: ExportSource): string {
  const amount = (minor: number | null) => (minor === null || !withMoney ? null : writeAmount(minor, currency))
  const rows = [
    ...units.flatMap((unit): Cells[] => {
      const model = models.get(unit.modelId)
      if (!model) return []
      return [
        {
          ...describeModel(model, interfaces),
          tag: unit.tag,
          quantity: 1,
          place: places.get(unit.placeId ?? '') ?? null,
          serial: unit.serial,
          acquisition: unit.acquisition,
          'acquired on': unit.acquiredOn,
          price: amount(unit.priceMinor),
          'service every': unit.serviceEveryDays,
          note: unit.note,
          state: unit.state,
          nickname: unit.nickname,
          value: amount(unit.provenance.valueMinor),
          'insured for': amount(unit.provenance.insuredMinor),
          'warranty until': unit.provenance.warrantyUntil,
          'due on': unit.dueOn,
        },
      ]
    }),
    ...stock.flatMap((it): Cells[] => {
      const model = models.get(it.modelId)
      if (!model) return []
      const place = places.get(it.placeId ?? '') ?? null
      return [{ ...describeModel(model, interfaces), tag: it.tag, quantity: it.quantity, place }]
    }),
  ]
  return writeCsv(
    INVENTORY_COLUMNS,
    rows.map((row) => INVENTORY_COLUMNS.map((column) => row[column] ?? null)),
  )
}

function describeModel(
  { maker, name, category, specs, ports, powerModes, recordingModes }: Model,
  interfaces: ReadonlyMap<string, Interface>,
): Cells {
  const port = (...ids: string[]) => ports.find((it) => ids.includes(it.id))
  const label = (it: ReturnType<typeof port>) => (it ? (interfaces.get(it.interfaces[0] ?? '')?.label ?? null) : null)
  const milliwatts = powerModes.find((mode) => mode.milliwatts !== null)?.milliwatts ?? null
  const rate = recordingModes[0]?.kilobitsPerSecond
  const rating = ports.find((it) => it.rating?.quantity === 'loadGrams')?.rating?.value
  const speed = port('card')?.rating?.value ?? port('slot')?.demand?.value
  const ends = [label(port('from')), label(port('to'))].filter((it) => it !== null)
  const bay = port('bay', 'pack', 'cell')
  return {
    maker,
    model: name,
    category: CATEGORIES[category].label,
    mass: specs.massGrams === null ? null : `${specs.massGrams} g`,
    power: milliwatts === null ? null : `${milliwatts / 1000} W`,
    mount: label(port('mount', 'rear')),
    battery: label(bay),
    batteries: bay && bay.count > 1 && category !== 'charger' ? bay.count : null,
    inlet: label(port('inlet', 'connector')),
    capacity: writeCapacity(specs),
    'card speed': speed ?? null,
    'bit rate': rate === undefined ? null : `${rate} kbit/s`,
    bears: rating === undefined ? null : `${rating} g`,
    ends: ends.length === 2 ? ends.join(' to ') : null,
    outlets: port('socket')?.count ?? (category === 'charger' ? (bay?.count ?? null) : null),
  }
}

function writeCapacity({ energyMilliwattHours, capacityMegabytes }: Model['specs']): string | null {
  if (energyMilliwattHours !== null) return `${energyMilliwattHours / 1000} Wh`
  return capacityMegabytes === null ? null : `${capacityMegabytes} MB`
}

/** Digits with the decimals of the currency and no sign: every program reads it, and none runs it. */
function writeAmount(minor: number, currency: string): string {
  const exponent = findExponent(currency)
  const digits = String(minor).padStart(exponent + 1, '0')
  return exponent === 0 ? digits : `${digits.slice(0, -exponent)}.${digits.slice(-exponent)}`
}
