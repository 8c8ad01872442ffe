import { CATEGORIES, CATEGORY_CODES, type Category, GROUPS, LIFE_STATE_CODES, type LifeState } from '@exemplar/core'
import { and, asc, eq, gt, inArray, isNull, like, or, type SQL, sql } from 'drizzle-orm'
import { z } from 'zod'
import { faults } from '../bench/tables.ts'
import type { Database } from '../foundation/database.ts'
import { makePattern } from '../foundation/pattern.ts'
import { setups, setupUnits } from '../setups/tables.ts'
import { places } from '../studio/tables.ts'
import { models, units } from './tables.ts'

export const unitListQuery = z.object({
  /** Tag of the last row of the page before. */
  after: z.string().max(24).optional(),
  limit: z.coerce.number().int().min(1).max(500).default(100),
  find: z.string().max(80).optional(),
  category: z.enum(CATEGORY_CODES).optional(),
  group: z.enum(GROUPS).optional(),
  state: z.enum(LIFE_STATE_CODES).optional(),
  only: z.enum(['in-setup', 'in-none', 'faulty', 'borrowed', 'no-place']).optional(),
})
type UnitListQuery = z.infer<typeof unitListQuery>

export interface UnitRow {
  id: string
  tag: string
  name: string
  category: Category
  place: string | null
  state: LifeState
  fault: string | null
  serves: { id: string; code: string; tape: string; role: string }[]
}

/** One page of things in the order of their tags, with the tag to go on from. Reads by index, never the whole list. */
export function listUnits(db: Database, query: UnitListQuery): { rows: UnitRow[]; next: string | null } {
  const found = db
    .select({
      id: units.id,
      tag: units.tag,
      maker: models.maker,
      name: models.name,
      category: models.category,
      place: places.name,
      state: units.state,
      fault: sql<
        string | null
      >`(select ${faults.note} from ${faults} where ${faults.unitId} = ${units.id} and ${faults.mendedAt} is null order by ${faults.reportedAt} limit 1)`,
    })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
    .leftJoin(places, eq(places.id, units.placeId))
    .where(and(isNull(units.archivedAt), ...listConditions(query)))
    .orderBy(asc(units.tag))
    .limit(query.limit + 1)
    .all()
  const page = found.slice(0, query.limit)
  const serves = loadServes(
    db,
    page.map((row) => row.id),
  )
  return {
    rows: page.map(({ maker, name, ...row }) => ({
      ...row,
      name: maker ? `${maker} ${name}` : name,
      serves: serves.get(row.id) ?? [],
    })),
    next: found.length > query.limit ? (page[page.length - 1]?.tag ?? null) : null,
  }
}

export function countUnits(db: Database): { units: number; models: number } {
  const row = db
    .select({ units: sql<number>`count(*)`, models: sql<number>`count(distinct ${units.modelId})` })
    .from(units)
    .where(isNull(units.archivedAt))
    .get()
  return row ?? { units: 0, models: 0 }
}

function listConditions({ after, find, category, group, state, only }: UnitListQuery): (SQL | undefined)[] {
  const categories = group ? CATEGORY_CODES.filter((code) => CATEGORIES[code].group === group) : []
  const pattern = makePattern(find ?? '')
  return [
    after ? gt(units.tag, after) : undefined,
    find
      ? or(
          sql`${units.tag} like ${pattern} escape '\\'`,
          sql`(${models.maker} || ' ' || ${models.name}) like ${pattern} escape '\\'`,
          sql`${units.serial} like ${pattern} escape '\\'`,
          sql`${units.note} like ${pattern} escape '\\'`,
        )
      : undefined,
    category ? eq(models.category, category) : undefined,
    group ? inArray(models.category, categories) : undefined,
    state ? eq(units.state, state) : undefined,
    only ? ONLY[only]() : undefined,
  ]
}

const ONLY: Record<NonNullable<UnitListQuery['only']>, () => SQL | undefined> = {
  'in-setup': () => sql`exists (select 1 from ${setupUnits} where ${setupUnits.unitId} = ${units.id})`,
  'in-none': () => sql`not exists (select 1 from ${setupUnits} where ${setupUnits.unitId} = ${units.id})`,
  faulty: () =>
    sql`(exists (select 1 from ${faults} where ${faults.unitId} = ${units.id} and ${faults.mendedAt} is null) or ${units.state} = 'in-repair')`,
  borrowed: () => inArray(units.acquisition, ['loan-in', 'rented']),
  'no-place': () => isNull(units.placeId),
}

/** Which setups count on each of the units, in the order of their codes. */
export function loadServes(db: Database, unitIds: string[]): Map<string, UnitRow['serves']> {
  const serves = new Map<string, UnitRow['serves']>()
  if (unitIds.length === 0) return serves
  const rows = db
    .select({
      unitId: setupUnits.unitId,
      id: setups.id,
      code: setups.code,
      tape: setups.tape,
      role: setupUnits.roleName,
    })
    .from(setupUnits)
    .innerJoin(setups, eq(setups.id, setupUnits.setupId))
    .where(and(inArray(setupUnits.unitId, unitIds), isNull(setups.archivedAt)))
    .orderBy(setups.code)
    .all()
  for (const { unitId, ...serve } of rows) {
    const known = serves.get(unitId)
    if (known) known.push(serve)
    else serves.set(unitId, [serve])
  }
  return serves
}

/** Tags that start with a prefix, for giving the next one. */
export function listTagsLike(db: Pick<Database, 'select'>, prefix: string): string[] {
  return db
    .select({ tag: units.tag })
    .from(units)
    .where(like(units.tag, `${prefix}-%`))
    .all()
    .map((row) => row.tag)
}
