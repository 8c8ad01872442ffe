import {
  type Absence,
  type AssessmentInput,
  assessSetup,
  assessWithWaysOut,
  type Category,
  type Circuit,
  type Crew,
  countFreeStock,
  findAbsences,
  findBlockingFault,
  findDate,
  type Hold,
  type Interval,
  isKindOf,
  LIFE_STATE_CODES,
  LIFE_STATES,
  listMissingParts,
  listReplaceable,
  listUnitIds,
  type Model,
  type NewSetup,
  nameModel,
  type Readiness,
  resolvePolicies,
  type Store,
  type StudioSettings,
  type Unit,
} from '@exemplar/core'
import { and, asc, eq, inArray, isNull, notInArray, sql } from 'drizzle-orm'
import { loadHoldings, loadInterfaces, selectMany } from '../availability/holdings.ts'
import { loadHolds, loadLateHolds } from '../availability/holds.ts'
import { minuteOf, remember } from '../foundation/database/cache.ts'
import type { Database } from '../foundation/database/database.ts'
import { faults } from '../schema/bench-tables.ts'
import { models, stock, units } from '../schema/kit-tables.ts'
import { setups, setupUnits } from '../schema/setups-tables.ts'
import { people, places } from '../schema/studio-tables.ts'

/** The time for which a setup is judged, and the time at which. */
export interface AssessmentContext {
  now: number
  interval: Interval
  exceptBookingId: string | null
  /** Whether what other bookings hold is away. */
  countsBookings: boolean
  /** Who is booked; null where no booking is judged. */
  bookedIds: readonly string[] | null
  /** Where it is to be; null takes the setup's own room. */
  placeId: string | null
}

/** Ours, and not to be had: worth naming where nothing else would do. */
const AWAY_STATES = ['in-repair', 'lent', 'ordered', 'wished'] as const
export const USABLE_STATES = LIFE_STATE_CODES.filter((code) => LIFE_STATES[code].usable)

/** Gathers what core needs to judge one setup at one time. */
export function loadAssessmentInput(
  db: Database,
  setup: NewSetup,
  occasion: AssessmentContext,
  settings: StudioSettings,
): { input: AssessmentInput; holds: Hold[] } {
  const holds = occasion.countsBookings ? loadHolds(db, occasion.interval, occasion.exceptBookingId) : []
  const stockIds = setup.roles.flatMap((role) => role.things.flatMap((thing) => thing.stockId ?? []))
  const holdings = loadHoldings(db, listUnitIds(setup), stockIds)
  const input: AssessmentInput = {
    setup,
    holdings,
    interfaces: remember(db, 'interfaces', () => loadInterfaces(db)),
    circuit: loadCircuits(db, setup.placeId).find((it) => it.id === setup.circuitId) ?? null,
    policies: resolvePolicies(settings, setup.purposeKind, setup.overrides),
    crew: loadCrew(db, setup, occasion, settings.zone),
    absences: loadAbsences(db, [...holdings.units.values()], occasion, settings.zone, holds),
    freeStock: new Map(
      [...holdings.stock.values()].map((it) => [it.id, countFreeStock(it.id, it.quantity, occasion.interval, holds)]),
    ),
    missingParts: loadMissingParts(db, [...holdings.units.keys()]),
    ...loadRoom(db, occasion.placeId ?? setup.placeId),
    where: {
      placeId: occasion.placeId ?? setup.placeId,
      places: remember(
        db,
        'places',
        () =>
          new Map(
            db
              .select()
              .from(places)
              .all()
              .map((it) => [it.id, it]),
          ),
      ),
    },
  }
  const spares = countSpares(db, input, occasion, holds)
  return { input: spares ? { ...input, spares } : input, holds }
}

function loadRoom(db: Database, placeId: string | null): Pick<AssessmentInput, 'roomSize' | 'bars'> {
  if (!placeId) return {}
  const row = db.select({ details: places.details }).from(places).where(eq(places.id, placeId)).get()
  return row ? { roomSize: row.details.size, bars: row.details.bars } : {}
}

/** Free things of the same kind for each unit of a role that has a spare policy; null where none has. */
function countSpares(
  db: Database,
  input: AssessmentInput,
  occasion: AssessmentContext,
  holds: readonly Hold[],
): Map<string, number> | null {
  const { units: held, models: known } = input.holdings
  const wanting = input.setup.roles
    .filter((role) => role.spare === 'must' || role.spare === 'nice')
    .flatMap((role) => role.things.flatMap((it) => held.get(it.unitId ?? '') ?? []))
  if (wanting.length === 0) return null
  const kindOf = (unit: Unit) => known.get(unit.modelId)?.category
  const kinds = new Set(wanting.flatMap((it) => kindOf(it) ?? []))
  const store = loadFreeStore(
    db,
    input,
    (model) => [...kinds].some((it) => isKindOf(model.category, it)),
    occasion,
    holds,
  )
  return new Map(
    wanting.map((unit) => {
      const kind = kindOf(unit)
      return [unit.id, kind ? store.units.filter((it) => isKindOf(it.model.category, kind)).length : 0]
    }),
  )
}

/** Parts of the units that are lost, lent, in repair or unusable: tag and name. */
function loadMissingParts(db: Database, unitIds: readonly string[]): Map<string, string[]> {
  const parts = selectMany(unitIds, (ids) =>
    db
      .select({ unit: units, model: models })
      .from(units)
      .innerJoin(models, eq(models.id, units.modelId))
      .where(and(inArray(units.parentId, ids), isNull(units.archivedAt)))
      .orderBy(units.tag)
      .all(),
  )
  if (parts.length === 0) return new Map()
  const partIds = parts.map((it) => it.unit.id)
  const unusable = db
    .select({ unitId: faults.unitId })
    .from(faults)
    .where(and(inArray(faults.unitId, partIds), isNull(faults.mendedAt), eq(faults.severity, 'unusable')))
    .all()
  const broken = new Set(unusable.map((it) => it.unitId))
  const names = new Map(parts.map(({ unit, model }) => [unit.id, `${unit.tag} ${nameModel(model)}`]))
  const all = parts.map((it) => it.unit)
  return new Map(
    unitIds.flatMap((id) => {
      const missing = listMissingParts(id, all, broken).map((it) => names.get(it.id) ?? it.tag)
      return missing.length > 0 ? [[id, missing] as const] : []
    }),
  )
}

function loadCrew(db: Database, setup: NewSetup, occasion: AssessmentContext, zone: string): Crew {
  const placeId = occasion.placeId ?? setup.placeId
  const { start, end } = occasion.interval
  return {
    team: remember(db, 'team', () =>
      db.select().from(people).where(isNull(people.archivedAt)).orderBy(people.name).all(),
    ),
    bookedIds: occasion.bookedIds,
    place: (placeId && db.select().from(places).where(eq(places.id, placeId)).get()) || null,
    firstDay: findDate(start, zone),
    lastDay: findDate(Math.max(start, end - 1), zone),
  }
}

/** Judges a setup at one time; kept until something changes or the minute passes, as many pages ask the same. */
export function assessSetupOnce(
  db: Database,
  setup: NewSetup,
  occasion: AssessmentContext,
  settings: StudioSettings,
): Readiness {
  const { now, interval, ...rest } = occasion
  const time = [now, interval.start, interval.end].map(minuteOf)
  const key = `judge/${JSON.stringify([time, rest, setup])}`
  return remember(db, key, () => judgeAnew(db, setup, occasion, settings))
}

function judgeAnew(db: Database, setup: NewSetup, occasion: AssessmentContext, settings: StudioSettings): Readiness {
  const { input, holds } = loadAssessmentInput(db, setup, occasion, settings)
  const plain = assessSetup(input)
  if (plain.findings.length === 0) return plain
  return assessWithWaysOut(input, loadStore(db, input, plain, occasion, holds))
}

export function loadCircuits(db: Database, placeId: string | null): Circuit[] {
  if (!placeId) return []
  return db.select({ circuits: places.circuits }).from(places).where(eq(places.id, placeId)).get()?.circuits ?? []
}

export function loadAbsences(
  db: Database,
  wanted: readonly Unit[],
  { interval, now, exceptBookingId }: AssessmentContext,
  zone: string,
  holds: readonly Hold[],
): Map<string, Absence> {
  const ids = wanted.map((unit) => unit.id)
  const open = selectMany(ids, (chunk) =>
    db
      .select()
      .from(faults)
      .where(and(inArray(faults.unitId, chunk), isNull(faults.mendedAt)))
      .all(),
  )
  const blocking = new Map(
    ids.flatMap((id) => {
      const fault = findBlockingFault(open.filter((it) => it.unitId === id))
      return fault ? [[id, fault] as const] : []
    }),
  )
  const late = loadLateHolds(db, now).filter((hold) => hold.bookingId !== exceptBookingId)
  return findAbsences(wanted, interval, zone, blocking, holds, late)
}

/** How many things of the store are looked at for one judgement; more would not change what is offered first. */
const MOST_LOOKED_AT = 300

/** The free things that could mend one of the findings: of a kind that is missing, or with an end that fits. */
export function loadStore(
  db: Database,
  input: AssessmentInput,
  readiness: Readiness,
  occasion: AssessmentContext,
  holds: readonly Hold[],
): Store {
  return loadFreeStore(db, input, makeModelFilter(input, readiness), occasion, holds)
}

/** The free things and stock of the models that suit, with the circuits of the room. */
export function loadFreeStore(
  db: Database,
  input: AssessmentInput,
  suits: (model: Model) => boolean,
  occasion: AssessmentContext,
  holds: readonly Hold[],
  most = MOST_LOOKED_AT,
): Store {
  const suiting = new Map(
    remember(db, 'models', () => db.select().from(models).all())
      .filter(suits)
      .map((model) => [model.id, model]),
  )
  const taken = listUnitIds(input.setup)
  const candidates = selectMany([...suiting.keys()], (ids) =>
    db
      .select()
      .from(units)
      .where(
        and(
          inArray(units.modelId, ids),
          inArray(units.state, [...USABLE_STATES, ...AWAY_STATES]),
          isNull(units.archivedAt),
          taken.length ? notInArray(units.id, taken) : undefined,
        ),
      )
      .orderBy(asc(units.tag))
      .limit(most)
      .all(),
  )
  const absent = loadAbsences(db, candidates, occasion, input.policies.settings.zone, holds)
  const usage = countUsage(
    db,
    candidates.map((unit) => unit.id),
  )
  const counted = db.select().from(stock).where(isNull(stock.archivedAt)).all()
  return {
    units: candidates.flatMap((unit) => {
      const model = suiting.get(unit.modelId)
      return model && !absent.has(unit.id) ? [{ unit, model, usedBySetups: usage.get(unit.id) ?? 0 }] : []
    }),
    away: candidates.flatMap((unit) => {
      const model = suiting.get(unit.modelId)
      const absence = absent.get(unit.id)
      return model && absence ? [{ unit, model, absence }] : []
    }),
    stock: counted.flatMap((it) => {
      const model = suiting.get(it.modelId)
      return model ? [{ stock: it, model, free: countFreeStock(it.id, it.quantity, occasion.interval, holds) }] : []
    }),
    circuits: loadCircuits(db, input.setup.placeId),
  }
}

/** What could meet a demand that is not met: screens, cameras, lenses, lamps. */
const DEMAND_KINDS: readonly Category[] = ['camera', 'lens', 'light', 'monitor', 'tablet', 'computer']

function makeModelFilter({ setup, holdings }: AssessmentInput, readiness: Readiness): (model: Model) => boolean {
  const codes = new Set<string>()
  const categories = new Set<Category>()
  let takesAnything = false
  for (const finding of readiness.findings) {
    const role = setup.roles.find((it) => it.id === finding.roleId)
    if (finding.code === 'need-unmet') for (const it of finding.interfaces) codes.add(it.code)
    if (finding.code === 'packs-short') codes.add(finding.working.family)
    if (finding.code === 'cards-short') categories.add('card')
    if (finding.code === 'demand-unmet') {
      for (const it of DEMAND_KINDS) categories.add(it)
    }
    if (finding.code === 'role-empty' && role?.wants) categories.add(role.wants)
    if (finding.code === 'role-empty' && !role?.wants) takesAnything = true
    if (finding.code === 'microphones-short') categories.add('microphone')
    for (const tag of listReplaceable(finding)) {
      const unit = [...holdings.units.values()].find((it) => it.tag === tag)
      const category = holdings.models.get(unit?.modelId ?? '')?.category
      if (category) categories.add(category)
    }
  }
  return (model) =>
    takesAnything ||
    [...categories].some((wanted) => isKindOf(model.category, wanted)) ||
    model.ports.some((port) => port.interfaces.some((code) => codes.has(code)))
}

/** How many setups count on each of these things. */
export function countUsage(db: Database, unitIds: string[]): Map<string, number> {
  const rows = selectMany(unitIds, (ids) =>
    db
      .select({ unitId: setupUnits.unitId, count: sql<number>`count(*)` })
      .from(setupUnits)
      .innerJoin(setups, eq(setups.id, setupUnits.setupId))
      .where(and(inArray(setupUnits.unitId, ids), isNull(setups.archivedAt)))
      .groupBy(setupUnits.unitId)
      .all(),
  )
  return new Map(rows.map((row) => [row.unitId, row.count]))
}
