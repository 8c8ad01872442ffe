import {
  type AssessmentInput,
  type BlockingFault,
  type Category,
  type Circuit,
  countFree,
  findAbsences,
  findDate,
  type Holdings,
  isKindOf,
  listMissingParts,
  listUnitIds,
  type Model,
  type NewSetup,
  nameModel,
  type OpenFault,
  type Place,
  resolvePolicies,
  type StudioSettings,
  type Unit,
} from '@exemplar/core'
import { makeCalendar } from '../availability/absences.ts'
import { loadHoldings } from '../availability/holdings.ts'
import { type HoldBook, loadHoldBook } from '../availability/holds.ts'
import { loadKinWithModels } from '../availability/kin.ts'
import { loadBlockingFaults, loadInterfaces, loadOpenFaults, loadPlaces, loadTeam } from '../availability/reference.ts'
import type { Database } from '../foundation/database/database.ts'
import type { AssessmentContext } from './assessment-context.ts'
import { listFree, loadShelf, type Wanting } from './free-store.ts'

/** A setup to be judged, and for when. */
export interface AssessmentRequest {
  setup: NewSetup
  context: AssessmentContext
}

/** What core needs to judge one setup at one time, with what it was read from. */
export interface LoadedAssessment extends AssessmentRequest, Omit<Wanting, 'setup'> {
  input: AssessmentInput
}

/** Parts of things, with what they are called. */
type Part = { unit: Unit; model: Model }

/** Everything that judging several setups reads, of all of them at once. */
/** What was read before: a book of holds for all of that time, all things that the setups name. */
interface KnownAlready {
  book?: HoldBook
  holdings?: Holdings
}

interface Loaded {
  holdings: Holdings
  parts: readonly Part[]
  blocking: ReadonlyMap<string, BlockingFault>
  book: HoldBook
  places: ReadonlyMap<string, Place>
}

/**
 * Gathers what core needs to judge setups, each at its time, in a fixed number of statements however many there are: now,
 * for bookings, or for drafts. What is known already is not read again.
 */
export function loadAssessments(
  db: Database,
  requests: readonly AssessmentRequest[],
  settings: StudioSettings,
  known: KnownAlready = {},
): LoadedAssessment[] {
  const [first] = requests
  if (!first) return []
  const loaded = loadAll(db, requests, known)
  const cases = requests.map((request) => ({
    ...request,
    input: makeInput(db, request, settings, loaded),
    book: loaded.book,
    zone: settings.zone,
    circuits: loaded.places.get(request.setup.placeId ?? '')?.circuits ?? [],
  }))
  return withSpares(db, cases)
}

/** The same of one. */
export function loadAssessment(
  db: Database,
  request: AssessmentRequest,
  settings: StudioSettings,
  known: KnownAlready = {},
): LoadedAssessment {
  const [loaded] = loadAssessments(db, [request], settings, known)
  if (!loaded) throw new Error('A request was not loaded.')
  return loaded
}

function loadAll(db: Database, requests: readonly AssessmentRequest[], known: KnownAlready): Loaded {
  const assignments = requests.flatMap(({ setup }) => setup.roles.flatMap((role) => role.things))
  const unitIds = assignments.flatMap((it) => it.unitId ?? [])
  const stockIds = assignments.flatMap((it) => it.stockId ?? [])
  const holdings = known.holdings ?? loadHoldings(db, unitIds, stockIds)
  const parts = loadKinWithModels(db, [...holdings.units.keys()])
  return {
    holdings,
    parts,
    blocking: loadBlockingFaults(db),
    book: known.book ?? loadHoldBook(db, findHull(requests), requests[0]?.context.now ?? 0),
    places: loadPlaces(db),
  }
}

/** The whole stretch of time that is asked after. */
function findHull(requests: readonly AssessmentRequest[]) {
  const intervals = requests.map((it) => it.context.interval)
  return { start: Math.min(...intervals.map((it) => it.start)), end: Math.max(...intervals.map((it) => it.end)) }
}

function makeInput(
  db: Database,
  { setup, context }: AssessmentRequest,
  settings: StudioSettings,
  { holdings: all, parts, blocking, book, places: placeOf }: Loaded,
): AssessmentInput {
  const holdings = narrow(setup, all)
  const placeId = context.placeId ?? setup.placeId
  const place = placeOf.get(placeId ?? '') ?? null
  const own = placeOf.get(setup.placeId ?? '') ?? null
  const { start, end } = context.interval
  const calendar = makeCalendar(context, settings.zone, blocking, book)
  return {
    setup,
    holdings,
    interfaces: loadInterfaces(db),
    circuit: own?.circuits.find((it) => it.id === setup.circuitId) ?? null,
    policies: resolvePolicies(settings, setup.purposeKind, setup.overrides),
    crew: {
      team: loadTeam(db),
      bookedIds: context.bookedIds,
      place,
      firstDay: findDate(start, settings.zone),
      lastDay: findDate(Math.max(start, end - 1), settings.zone),
    },
    absences: findAbsences(holdings.units.values(), context.interval, calendar),
    faults: narrowFaults(holdings, loadOpenFaults(db)),
    freeStock: new Map(
      [...holdings.stock.values()].map((it) => [it.id, countFree(it.id, it.quantity, context.interval, calendar)]),
    ),
    // Until a booking comes it can be charged.
    charging: { day: findDate(start, settings.zone), isNow: !context.countsBookings },
    ...(context.filming ? { filming: { ...context.filming, zone: settings.zone } } : {}),
    missingParts: listMissing(holdings, parts, blocking),
    ...(place ? { roomSize: place.details.size, bars: place.details.bars } : {}),
    where: { placeId, places: placeOf },
  }
}

const narrowFaults = ({ units }: Holdings, all: ReadonlyMap<string, readonly OpenFault[]>) =>
  new Map([...all].filter(([id]) => units.has(id)))

/** Of all that was read, what one setup names. */
function narrow(setup: NewSetup, { units: allUnits, stock: allStock, models: allModels }: Holdings): Holdings {
  const pick = <T>(map: ReadonlyMap<string, T>, ids: readonly string[]) =>
    new Map(ids.flatMap((id) => (map.has(id) ? [[id, map.get(id) as T] as const] : [])))
  const own = pick(allUnits, listUnitIds(setup))
  const counted = pick(
    allStock,
    setup.roles.flatMap((role) => role.things.flatMap((it) => it.stockId ?? [])),
  )
  const modelIds = [...own.values(), ...counted.values()].map((it) => it.modelId)
  return { units: own, stock: counted, models: pick(allModels, modelIds) }
}

/** Parts that are lost, lent, in repair or unusable, by the thing that they should be with: tag and name. */
function listMissing(
  { units: own }: Holdings,
  parts: readonly Part[],
  blocking: ReadonlyMap<string, BlockingFault>,
): Map<string, string[]> {
  const broken = new Set(blocking.keys())
  const names = new Map(parts.map(({ unit, model }) => [unit.id, `${unit.tag} ${nameModel(model)}`]))
  const all = parts.map((it) => it.unit)
  return new Map(
    [...own.keys()].flatMap((id) => {
      const missing = listMissingParts(id, all, broken).map((it) => names.get(it.id) ?? it.tag)
      return missing.length > 0 ? [[id, missing] as const] : []
    }),
  )
}

/** Counts the free things of the same kind for each unit of a role that has a spare policy. */
function withSpares(db: Database, cases: readonly LoadedAssessment[]): LoadedAssessment[] {
  const wanted = cases.map(listSpared)
  const kinds = [...new Set(wanted.flatMap((it) => it.map(({ kind }) => kind)))]
  if (kinds.length === 0) return [...cases]
  const shelf = loadShelf(db, (model) => kinds.some((it) => isKindOf(model.category, it)))
  return cases.map((it, at) => {
    const spared = wanted[at] ?? []
    if (spared.length === 0) return it
    const { units: free } = listFree(shelf, it)
    const count = (kind: Category) => free.filter(({ model }) => isKindOf(model.category, kind)).length
    return { ...it, input: { ...it.input, spares: new Map(spared.map(({ id, kind }) => [id, count(kind)])) } }
  })
}

function listSpared({ setup, input: { holdings } }: LoadedAssessment): { id: string; kind: Category }[] {
  return setup.roles
    .filter((role) => role.spare === 'must' || role.spare === 'nice')
    .flatMap((role) => role.things)
    .flatMap(({ unitId }) => {
      const unit = holdings.units.get(unitId ?? '')
      const kind = holdings.models.get(unit?.modelId ?? '')?.category
      return unit && kind ? [{ id: unit.id, kind }] : []
    })
}

/** The circuits of a room. */
export function loadCircuits(db: Database, placeId: string | null): Circuit[] {
  return loadPlaces(db).get(placeId ?? '')?.circuits ?? []
}
