import { z } from 'zod'
import { INVENTORY_COLUMNS, type InventoryColumn, inventoryColumnSchema } from './inventory-columns.ts'
import { measureSlips } from './near-words.ts'
/** Which column of ours each heading of a list means; blank where it is not read. In the order of the headings. */
export const columnMappingSchema = z.array(z.union([inventoryColumnSchema, z.literal('')]))
export type ColumnMapping = z.infer<typeof columnMappingSchema>
/** Other headings by which people call a column, the most certain first. */
const HEADINGS: Readonly<Record<InventoryColumn, readonly string[]>> = {
  tag: [
    'asset tag',
    'asset no',
    'asset number',
    'asset id',
    'asset',
    'inventory no',
    'inventory number',
    'barcode',
    'label',
    'code',
    'id',
    'no',
    'nr',
  ],
  maker: ['make', 'brand', 'manufacturer', 'company'],
  model: [
    'model name',
    'name',
    'item',
    'item name',
    'thing',
    'product',
    'device',
    'equipment',
    'gear',
    'what',
    'title',
    'description',
    'article',
  ],
  category: ['kind', 'type', 'item type', 'class', 'group', 'sort'],
  quantity: ['qty', 'count', 'pcs', 'pieces', 'how many', 'number', 'stock'],
  place: ['location', 'where', 'room', 'shelf', 'storage', 'stored in', 'stored', 'lives', 'home', 'kept'],
  serial: ['serial number', 'serial no', 'serial nr', 's n', 'sn', 'serial'],
  acquisition: ['source', 'origin', 'how acquired', 'new or used', 'came by', 'ownership'],
  'acquired on': [
    'purchase date',
    'date bought',
    'bought on',
    'date of purchase',
    'bought',
    'purchased',
    'purchased on',
    'acquired',
    'date',
    'since',
  ],
  price: ['price paid', 'purchase price', 'cost', 'paid', 'net price', 'amount'],
  mass: ['weight', 'wt'],
  power: ['watts', 'draw', 'power draw', 'wattage', 'consumption', 'watt'],
  mount: ['lens mount', 'bayonet'],
  battery: ['battery type', 'battery family', 'batteries used', 'power source'],
  batteries: ['number of batteries', 'batteries needed'],
  inlet: ['power inlet', 'mains inlet', 'power connector', 'mains lead'],
  capacity: ['size', 'storage size', 'energy', 'gb'],
  'card speed': ['speed class', 'speed'],
  'bit rate': ['bitrate', 'data rate'],
  bears: ['load', 'max load', 'payload', 'load rating', 'capacity load', 'holds'],
  ends: ['connectors', 'plugs', 'from to', 'connections'],
  outlets: ['sockets', 'bays', 'slots'],
  'service every': ['service interval', 'service days', 'maintenance interval'],
  note: ['notes', 'comment', 'comments', 'remark', 'remarks', 'condition', 'info'],
  state: ['status', 'life state'],
  nickname: ['called', 'nick name', 'alias'],
  value: ['book value', 'replacement value', 'current value'],
  'insured for': ['insurance', 'insurance value', 'insured value', 'insured'],
  'warranty until': ['warranty', 'warranty end', 'guarantee', 'guarantee until'],
  'due on': ['due', 'return date', 'due back', 'return by'],
}

/** A heading without its case, marks and what stands in brackets behind it. */
export function flattenHeading(heading: string): string {
  return heading
    .toLowerCase()
    .replace(/[([{].*?[)\]}]/g, ' ')
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()
}

/** What stands in brackets behind a heading, such as the unit of its figures; null where nothing does. */
export function findHeadingUnit(heading: string): string | null {
  return /[([{]\s*([^)\]}]{1,12}?)\s*[)\]}]/.exec(heading)?.[1] ?? null
}

/** How certain a heading means a column: 0 is its own name; null means not at all. */
function rank(heading: string, column: InventoryColumn): number | null {
  if (heading === column) return 0
  const names = HEADINGS[column]
  const at = names.indexOf(heading)
  if (at >= 0) return 1 + at
  const isSlip =
    heading.length >= 5 && [column, ...names].some((it) => it.length >= 5 && measureSlips(heading, it, 1) <= 1)
  if (isSlip) return 50
  // `Where kept` says where.
  return [column, ...names].some((it) => it.length >= 4 && ` ${heading} `.includes(` ${it} `)) ? 60 : null
}

/**
 * Guesses what the headings of a list mean. Each column of ours is given to the heading that means it most certainly, the
 * first of equals; what was said for these very headings before (`remembered`, by flat heading) comes before any guess.
 */
export function guessColumns(
  headings: readonly string[],
  remembered: Readonly<Record<string, string>> = {},
): ColumnMapping {
  const flat = headings.map(flattenHeading)
  const mapping: ColumnMapping = headings.map(() => '')
  const taken = new Set<InventoryColumn>()
  const known: readonly string[] = INVENTORY_COLUMNS
  for (const [index, heading] of flat.entries()) {
    const said = remembered[heading]
    if (said === undefined || !known.includes(said) || taken.has(said as InventoryColumn)) continue
    mapping[index] = said as InventoryColumn
    taken.add(said as InventoryColumn)
  }
  const candidates = flat.flatMap((heading, index) => {
    if (heading === '' || remembered[heading] !== undefined) return []
    return INVENTORY_COLUMNS.flatMap((column) => {
      const certainty = rank(heading, column)
      return certainty === null ? [] : [{ index, column, certainty }]
    })
  })
  for (const { index, column } of candidates.sort((a, b) => a.certainty - b.certainty || a.index - b.index)) {
    if (mapping[index] !== '' || taken.has(column)) continue
    mapping[index] = column
    taken.add(column)
  }
  return mapping
}
