import {
  CATEGORIES,
  computeServiceDue,
  findDate,
  isPlanFor,
  LIFE_STATE_CODES,
  type LifeState,
  type Model,
  NO_WEAR,
  nameModel,
  type PlanSubject,
  type ServiceLine,
  type ServicePlan,
  type Unit,
} from '@exemplar/core'
import { and, eq, isNull, notInArray } from 'drizzle-orm'
import type { HoldBook } from '../availability/holds.ts'
import { loadPlaces } from '../availability/reference.ts'
import type { Database } from '../foundation/database/database.ts'
import { prepare } from '../foundation/database/statements.ts'
import { servicePlans } from '../schema/bench-tables.ts'
import { models, units } from '../schema/kit-tables.ts'
import { loadCharges, NO_CHARGES } from './packs/charge-log.ts'
import { loadUseLog, makeDays, reckonWear, type TypedUse, type UseLog } from './wear.ts'

/** What is gone, or not here yet, wants no service. */
export const NO_SERVICE: readonly LifeState[] = LIFE_STATE_CODES.filter((it) =>
  ['wished', 'ordered', 'sold', 'returned', 'lost', 'written-off', 'retired'].includes(it),
)

/** The thing's own interval as a plan; late after two weeks, as nobody said otherwise. */
const OWN = 'Service'
const OWN_GRACE_DAYS = 14

const NO_USES: UseLog = { used: new Map(), ahead: new Map(), next: new Map() }

interface Last {
  on: string
  since: number
}

const NO_LOG: { last: Map<string, Last>; typed: TypedUse[] } = { last: new Map(), typed: [] }

/** A thing that is here or comes back, with what it is. */
export interface ServedRow {
  unit: Unit
  model: Model
}

export function loadPlans(db: Database): ServicePlan[] {
  return db.select().from(servicePlans).where(isNull(servicePlans.archivedAt)).orderBy(servicePlans.name).all()
}

export function loadServiced(db: Database): ServedRow[] {
  return db
    .select({ unit: units, model: models })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
    .where(and(isNull(units.archivedAt), notInArray(units.state, [...NO_SERVICE])))
    .orderBy(units.tag)
    .all()
}

/** Everything that is done to things again and again, with when it is due: soonest first, what cannot be told last. */
export function listServiceLines(
  db: Database,
  {
    now,
    zone,
    rows = loadServiced(db),
    book = null,
    plans = loadPlans(db),
  }: { now: number; zone: string; rows?: readonly ServedRow[]; book?: HoldBook | null; plans?: ServicePlan[] },
): ServiceLine[] {
  const today = findDate(now, zone)
  const wanted = rows.flatMap(({ unit, model }) => [
    ...plans.filter((it) => isPlanFor(it, unit, model)).map((plan) => ({ unit, model, plan })),
    ...(unit.serviceEveryDays === null ? [] : [{ unit, model, plan: null }]),
  ])
  if (wanted.length === 0) return []
  const places = loadPlaces(db)
  // Of its own interval the thing itself knows when it was serviced last.
  const { last, typed } =
    plans.length > 0
      ? loadServiceLog(
          db,
          zone,
          rows.map((it) => it.unit.id),
        )
      : NO_LOG
  // Where only what is due is asked, and nothing is due by its use, nobody asks how it was used.
  const isByUse = wanted.some(({ plan }) => plan !== null && (plan.everyUses !== null || plan.everyHours !== null))
  const ids = book === null || isByUse ? [...new Set(wanted.map((it) => it.unit.id))] : []
  const log = ids.length > 0 ? loadUseLog(db, ids, now, zone, { book, typed }) : NO_USES
  const isByPack = wanted.some(({ plan }) => plan !== null && (plan.everyCycles !== null || plan.healthBelow !== null))
  const charges = isByPack ? loadCharges(db, [...new Set(wanted.map((it) => it.unit.id))]) : NO_CHARGES
  return wanted
    .map(({ unit, model, plan }): ServiceLine => {
      const done = last.get(`${unit.id}/${plan?.id ?? ''}`) ?? null
      const lastOn = latest(done?.on ?? null, plan === null ? unit.lastServicedOn : null)
      const wear = plan
        ? {
            ...reckonWear(log, unit.id, done?.since ?? null, unit.acquiredOn, today),
            ...charges(unit, done),
          }
        : NO_WEAR
      const own = {
        everyDays: unit.serviceEveryDays,
        everyUses: null,
        everyHours: null,
        everyCycles: null,
        healthBelow: null,
        graceDays: OWN_GRACE_DAYS,
      }
      return {
        unitId: unit.id,
        tag: unit.tag,
        name: nameModel(model),
        place: places.get(unit.nowPlaceId ?? unit.placeId ?? '')?.name ?? null,
        planId: plan?.id ?? null,
        plan: plan?.name ?? OWN,
        everyDays: (plan ?? own).everyDays,
        everyUses: (plan ?? own).everyUses,
        everyHours: (plan ?? own).everyHours,
        everyCycles: (plan ?? own).everyCycles,
        healthBelow: (plan ?? own).healthBelow,
        minutes: plan?.minutes ?? null,
        steps: plan?.steps ?? '',
        parts: plan?.parts ?? '',
        who: plan?.who ?? '',
        lastOn,
        uses: wear.uses,
        hours: wear.hours,
        cycles: wear.cycles,
        healthPercent: wear.healthPercent,
        ...computeServiceDue(plan ?? own, lastOn ?? unit.acquiredOn, wear, today),
        booked: log.next.get(unit.id) ?? null,
      }
    })
    .sort((a, b) => order(a).localeCompare(order(b)))
}

const order = ({ dueOn, tag, plan }: ServiceLine) => `${dueOn ?? '9999'} ${tag} ${plan}`

const latest = (a: string | null, b: string | null) => (a === null || (b !== null && b > a) ? b : a)

/** So many things are asked for by name. */
const FEW = 50

interface LogRow {
  unitId: string
  planId: string | null
  on: string
  recordedAt: number
  /** Null of a service; a figure of what was typed in as used. */
  uses: number | null
  hours: number | null
}

/**
 * The newest service of each thing by each plan, and from which instant uses count anew: from when it was written down where that
 * was on its day, else from the end of its day. With it, in one statement, the uses that were typed in.
 */
function loadServiceLog(
  db: Database,
  zone: string,
  unitIds: readonly string[],
): { last: Map<string, Last>; typed: TypedUse[] } {
  // Of a few things only theirs; of all of them everything, without asking for each.
  const isFew = unitIds.length <= FEW
  const of = isFew ? 'WHERE unit_id IN (SELECT value FROM json_each(?))' : ''
  const query = prepare(
    db,
    `SELECT unit_id AS unitId, plan_id AS planId, on_day AS "on", recorded_at AS recordedAt, NULL AS uses, NULL AS hours FROM services ${of}
     UNION ALL SELECT unit_id, NULL, on_day, recorded_at, uses, hours FROM unit_uses ${of}
     ORDER BY "on" DESC, recordedAt DESC`,
  )
  const ids = JSON.stringify(unitIds)
  const rows = (isFew ? query.all(ids, ids) : query.all()) as LogRow[]
  const days = makeDays(zone)
  const last = new Map<string, Last>()
  const typed: TypedUse[] = []
  for (const { unitId, planId, on, recordedAt, uses, hours } of rows) {
    if (uses !== null) {
      typed.push({ unitId, on, uses, hours: hours ?? 0 })
      continue
    }
    const key = `${unitId}/${planId ?? ''}`
    if (last.has(key)) continue
    const { start, end } = days(on)
    const isSameDay = recordedAt >= start && recordedAt <= end
    last.set(key, { on, since: isSameDay ? recordedAt : end })
  }
  return { last, typed }
}

/** For what a plan is, in words, and how many things that is. */
export function tellPlan(plan: ServicePlan, rows: readonly ServedRow[]): { about: string; things: number } {
  const own = rows.filter(({ unit, model }) => isPlanFor(plan, unit, model))
  return { about: sayAbout(plan.subject, own), things: own.length }
}

function sayAbout(subject: PlanSubject, [first]: readonly ServedRow[]): string {
  if (subject.kind === 'category') return `every ${CATEGORIES[subject.category].label.toLowerCase()}`
  if (!first) return 'nothing that is here'
  return subject.kind === 'model' ? `every ${nameModel(first.model)}` : `${first.unit.tag} ${nameModel(first.model)}`
}
