import { z } from 'zod'
import { CATEGORIES, CATEGORY_CODES } from '../kit/model/category.ts'
import { type Model, nameModel } from '../kit/model/model.ts'
import { type Absence, absenceSchema } from '../kit/unit/absence.ts'
import { listWithParts } from '../kit/unit/kit-parts.ts'
import type { Unit } from '../kit/unit/unit.ts'
import type { Holdings } from '../setups/placed/placed-item.ts'
import type { NewSetup } from '../setups/setup/setup.ts'
import type { BookingItem } from './booking.ts'
import { itemStateSchema } from './booking.ts'
export const packLineSchema = z.object({
  unitId: z.string().nullable(),
  stockId: z.string().nullable(),
  roleId: z.string().nullable(),
  tag: z.string(),
  name: z.string(),
  category: z.string(),
  kind: z.enum(CATEGORY_CODES),
  role: z.string(),
  quantity: z.number(),
  massGrams: z.number().nullable(),
  state: itemStateSchema,
  note: z.string(),
  /** Why it will not be there to be packed; null where it will, or has left. */
  away: absenceSchema.nullable(),
})
export type PackLine = z.infer<typeof packLineSchema>

export const packSheetSchema = z.object({
  /**
   * Grouped by where the things are fetched from: first what is not to be had, then place names in the order of the walk,
   * unknown last. A thing is fetched from where it was seen last, not from where it lives.
   */
  stops: z.array(
    z.object({
      placeId: z.string().nullable(),
      place: z.string(),
      lines: z.array(packLineSchema),
    }),
  ),
  pieces: z.number(),
  massGrams: z.number(),
  /** Things without a recorded mass: the total is at least the sum. */
  unweighed: z.number(),
})
export type PackSheet = z.infer<typeof packSheetSchema>
export const UNKNOWN_PLACE = 'No place recorded'
export const NOT_HERE = 'Not here'

/** What a booking takes: everything in the roles of its setup, the loose things, and what goes with any of them. */
export function listBookingItems(
  setup: Pick<NewSetup, 'roles'> | null,
  looseUnitIds: readonly string[],
  kin: readonly Pick<Unit, 'id' | 'parentId'>[] = [],
): BookingItem[] {
  const fromRoles = (setup?.roles ?? []).flatMap((role) =>
    role.things.map(
      (thing): BookingItem => ({
        unitId: thing.unitId,
        stockId: thing.stockId,
        roleId: role.id,
        quantity: thing.quantity,
        state: 'planned',
        note: '',
      }),
    ),
  )
  const known = new Set(fromRoles.map((item) => item.unitId))
  const loose = looseUnitIds
    .filter((id) => !known.has(id))
    .map((unitId): BookingItem => ({ unitId, stockId: null, roleId: null, quantity: 1, state: 'planned', note: '' }))
  const own = [...fromRoles, ...loose]
  return [...own, ...listPulledAlong(own, kin)]
}

/** Parts and members of sets that nobody put into a role: they leave with their thing, for the role that it is in. */
function listPulledAlong(own: readonly BookingItem[], kin: readonly Pick<Unit, 'id' | 'parentId'>[]): BookingItem[] {
  if (kin.length === 0) return []
  const known = new Set(own.map((item) => item.unitId))
  return own.flatMap(({ unitId, roleId }) =>
    (unitId ? listWithParts(unitId, kin).slice(1) : []).flatMap((id): BookingItem[] => {
      if (known.has(id)) return []
      known.add(id)
      return [{ unitId: id, stockId: null, roleId, quantity: 1, state: 'planned', note: '' }]
    }),
  )
}

/** The pack sheet: what to fetch from where, for which role, and what it weighs together. */
export function buildPackSheet(
  items: readonly BookingItem[],
  holdings: Holdings,
  places: ReadonlyMap<string, { name: string }>,
  roleNames: ReadonlyMap<string, string>,
  absences: ReadonlyMap<string, Absence> = new Map(),
): PackSheet {
  const byPlace = new Map<string | null, PackLine[]>()
  const notHere: PackLine[] = []
  for (const item of items) {
    const found = lookUp(item, holdings)
    if (!found) continue
    const away = item.state === 'planned' ? (absences.get(item.unitId ?? item.stockId ?? '') ?? null) : null
    const line = makeLine(item, found, roleNames, away)
    // Some of a stock may be there although not all of it is.
    const isHere = away === null || away.reason === 'short'
    const known = isHere ? byPlace.get(found.placeId) : notHere
    if (known) known.push(line)
    else byPlace.set(found.placeId, [line])
  }
  const lines = [...notHere, ...byPlace.values()].flat()
  return {
    stops: [
      ...(notHere.length > 0 ? [{ placeId: null, place: NOT_HERE, lines: sortByTag(notHere) }] : []),
      ...[...byPlace]
        .map(([placeId, own]) => ({
          placeId,
          place: places.get(placeId ?? '')?.name ?? UNKNOWN_PLACE,
          lines: sortByTag(own),
        }))
        .sort((a, b) => Number(a.placeId === null) - Number(b.placeId === null) || (a.place < b.place ? -1 : 1)),
    ],
    pieces: lines.reduce((sum, line) => sum + line.quantity, 0),
    massGrams: lines.reduce((sum, line) => sum + (line.massGrams ?? 0) * line.quantity, 0),
    unweighed: lines.filter((line) => line.massGrams === null).length,
  }
}

const sortByTag = (lines: PackLine[]) => lines.sort((a, b) => (a.tag < b.tag ? -1 : a.tag > b.tag ? 1 : 0))

interface Found {
  tag: string
  placeId: string | null
  model: Model
}

function lookUp(item: BookingItem, { units, stock, models }: Holdings): Found | null {
  const unit = units.get(item.unitId ?? '')
  const holder = unit ?? stock.get(item.stockId ?? '')
  const model = models.get(holder?.modelId ?? '')
  return holder && model ? { tag: holder.tag, placeId: unit?.nowPlaceId ?? holder.placeId, model } : null
}

function makeLine(
  item: BookingItem,
  { tag, model }: Found,
  roleNames: ReadonlyMap<string, string>,
  away: Absence | null,
): PackLine {
  return {
    unitId: item.unitId,
    stockId: item.stockId,
    roleId: item.roleId,
    tag,
    name: nameModel(model),
    category: CATEGORIES[model.category].label,
    kind: model.category,
    role: roleNames.get(item.roleId ?? '') ?? '',
    quantity: item.quantity,
    massGrams: model.specs.massGrams,
    state: item.state,
    note: item.note,
    away,
  }
}
