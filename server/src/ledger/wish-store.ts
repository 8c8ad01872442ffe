import {
  asksOutcome,
  assessSetup,
  type Candidate,
  costWish,
  countShoots,
  findBudgetEffect,
  findCures,
  findDate,
  findUntried,
  groupShoots,
  isWaiting,
  LIFE_STATES,
  listRegrets,
  type Model,
  nameModel,
  type PlannedShoot,
  type Setup,
  type SetupCures,
  scoreWish,
  type Unit,
  type UpgradeCase,
  type Wish,
  type WishesReply,
  type WishRow,
} from '@exemplar/core'
import { and, eq, gt, inArray, lt, or } from 'drizzle-orm'
import { isAnyOf } from '../availability/holdings.ts'
import { loadModels } from '../availability/reference.ts'
import type { AppContext } from '../foundation/database/app-context.ts'
import { minuteOf, remember } from '../foundation/database/cache.ts'
import type { Database } from '../foundation/database/database.ts'
import { loadUsedIn } from '../kit/unit/unit-list.ts'
import { bookings } from '../schema/diary-tables.ts'
import { units } from '../schema/kit-tables.ts'
import { entries, wishes } from '../schema/ledger-tables.ts'
import { makeBookingContext, makePresentContext } from '../setups/assessment-context.ts'
import { loadAssessments } from '../setups/assessment-store.ts'
import { loadAllSetups } from '../setups/setup-store.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'

/** Ours: what was lent, rented or is the venue's is nobody's to sell here, nor is what somebody of the team owns. */
const NOT_OURS = ['loan-in', 'rented', 'venue', 'personal', 'sample'] as const

export const isOurs = ({ acquisition, ownerId }: Pick<Unit, 'acquisition' | 'ownerId'>): boolean =>
  !NOT_OURS.some((it) => it === acquisition) && ownerId === null

/** Ours, and here: what is lent or at the mender's can be sold once it is back. */
export const isOursToSell = (it: Pick<Unit, 'acquisition' | 'ownerId' | 'state'>): boolean =>
  isOurs(it) && (LIFE_STATES[it.state].usable || it.state === 'for-sale')

/** Everything that wishes are told from: themselves, their models, and what they would do in every setup. */
export interface WishCase {
  today: string
  wishes: Wish[]
  models: ReadonlyMap<string, Model>
  setups: Setup[]
  cures: SetupCures[]
  /** By what each is at that time: see `groupShoots`. */
  shoots: PlannedShoot[]
  sales: ReadonlyMap<string, WishRow['sales']>
}

/** Tries every open wish in every setup that it names. Kept until something changes, as it is hundreds of verdicts. */
export function loadWishCase(app: AppContext): WishCase {
  return remember(app.db, `wishes/${minuteOf(app.now())}`, () => readWishCase(app))
}

function readWishCase(app: AppContext): WishCase {
  const { db } = app
  const settings = loadStudio(db)
  const rows: Wish[] = db.select().from(wishes).orderBy(wishes.id).all()
  const models = loadModels(db)
  const setups = loadAllSetups(db, 'code')
  const open = rows.filter((it) => it.state === 'open')
  const candidates = open.flatMap((it): Candidate[] => {
    const model = models.get(it.modelId)
    return model ? [{ id: it.id, quantity: it.quantity, uses: it.uses, model }] : []
  })
  const ids = new Set(open.map((it) => it.id))
  const needs = new Map(open.map((it) => [it.id, it.needsIds.filter((id) => ids.has(id))]))
  const rivals = new Set(open.flatMap((it) => it.insteadIds.map((id) => [it.id, id].sort().join('/'))))
  const excludes = (a: string, b: string) => rivals.has([a, b].sort().join('/'))
  const occasions = listOccasions(app, setups)
  const loaded = loadAssessments(db, occasions, settings)
  const told = occasions.flatMap((it, at) => {
    const input = loaded[at]?.input
    if (!input) return []
    const found = assessSetup(input).findings.flatMap((one) => (HOLDS.has(one.level) && !one.accepted ? [one.key] : []))
    return [{ setupId: it.setup.id, start: it.start, input, found }]
  })
  const groups = groupShoots(told)
  const shoots = groups.flatMap(({ id, starts }) => starts.map((start) => ({ id, start })))
  const cures = groups.map(({ first, ...group }) => findCures(first.input, group, candidates, needs, excludes))
  return {
    today: findDate(app.now(), settings.zone),
    wishes: rows,
    models,
    setups,
    cures,
    shoots: [...shoots, ...loadPastShoots(app)],
    sales: loadSales(db, rows),
  }
}

/** Levels by which a shoot is another than its neighbour. */
const HOLDS = new Set(['stop', 'unknown-stop'])

/**
 * When each setup is judged: at each of its shoots that are booked within a year, so that what comes back before counts and what others
 * hold then does not. Who is there is not asked: people are found later than things are bought. A setup without one is judged as it is
 * now, and counts no shoot then unless nothing is booked at all.
 */
function listOccasions({ db, now }: AppContext, setups: readonly Setup[]) {
  const rows = db
    .select()
    .from(bookings)
    .where(
      and(
        eq(bookings.kind, 'shoot'),
        inArray(bookings.state, ['pencilled', 'confirmed']),
        // For one that is under way it is too late to buy anything.
        gt(bookings.holdStart, now()),
        lt(bookings.holdStart, now() + YEAR_MS),
      ),
    )
    .orderBy(bookings.holdStart)
    .limit(MOST_OCCASIONS)
    .all()
  return setups.flatMap((setup) => {
    const own = rows.filter((it) => it.setupId === setup.id)
    if (own.length === 0) return [{ setup, context: makePresentContext(now(), setup), start: NEVER }]
    return own.map((row) => ({
      setup,
      context: { ...makeBookingContext(now(), row), bookedIds: null },
      start: row.holdStart,
    }))
  })
}
/** Long gone: it lies in no quarter. */
const NEVER = 0
const YEAR_MS = 366 * 86_400_000
const MOST_OCCASIONS = 400

/** What would be sold for each wish, and in which setups each is needed in another place than the one that the wish takes. */
function loadSales(db: Database, rows: readonly Wish[]): Map<string, WishRow['sales']> {
  const ids = [...new Set(rows.flatMap((it) => it.sells.map((sale) => sale.unitId)))]
  const found = new Map(
    db
      .select()
      .from(units)
      .where(isAnyOf(units.id, ids))
      .all()
      .map((it) => [it.id, it]),
  )
  const usedIn = loadUsedIn(db, ids)
  return new Map(
    rows.map((wish) => [
      wish.id,
      wish.sells.flatMap(({ unitId, askMinor }) => {
        const unit = found.get(unitId)
        if (!unit) return []
        const given = new Set(wish.uses.flatMap((it) => (it.insteadOfId === unitId ? [it.setupId] : [])))
        const isOurs = isOursToSell(unit)
        const neededIn = (usedIn.get(unitId) ?? []).flatMap((it) => (given.has(it.id) ? [] : [it.code]))
        return [{ unitId, tag: unit.tag, askMinor, neededIn: [...new Set(neededIn)], isOurs }]
      }),
    ]),
  )
}

const sumSales = (sales: WishRow['sales'] | undefined): number =>
  (sales ?? []).reduce((sum, it) => sum + (it.isOurs && it.neededIn.length === 0 ? it.askMinor : 0), 0)

/** Shoots that were, by setup: where none is booked they say how much each is used. */
function loadPastShoots({ db, now }: AppContext): PlannedShoot[] {
  return db
    .select({ id: bookings.setupId, start: bookings.holdStart })
    .from(bookings)
    .where(
      and(
        eq(bookings.kind, 'shoot'),
        inArray(bookings.state, ['pencilled', 'confirmed', 'out', 'back']),
        gt(bookings.holdStart, now() - YEAR_MS),
        lt(bookings.holdStart, now()),
      ),
    )
    .all()
    .flatMap(({ id, start }) => (id ? [{ id, start }] : []))
}

/** What a plan is made from. */
export function makeUpgradeCase(
  app: AppContext,
  { budgets, weighting, promised }: { budgets: readonly number[]; weighting: string; promised: readonly string[] },
): UpgradeCase {
  const { today, wishes: all, models, cures, sales, shoots } = loadWishCase(app)
  return {
    today,
    budgets,
    weighting,
    promisedIds: promised,
    wishes: all.map((it) => ({
      ...it,
      category: models.get(it.modelId)?.category ?? 'other',
      saleMinor: sumSales(sales.get(it.id)),
    })),
    cures,
    shoots: countShoots(shoots, app.now(), budgets.length),
  }
}

export const nameSetups = (setups: readonly Setup[]) =>
  setups.map(({ id, code, tape, name }) => ({ id, code, tape, name }))

/** All wishes, told in full. */
export function loadWishes(app: AppContext): WishesReply {
  const { today, wishes: all, models, setups, cures, sales, shoots: each } = loadWishCase(app)
  const made = all.flatMap((it) => it.unitIds)
  const tagOf = new Map(
    app.db
      .select({ id: units.id, tag: units.tag })
      .from(units)
      .where(isAnyOf(units.id, made))
      .all()
      .map((it) => [it.id, it.tag]),
  )
  const paidOf = sumPaid(app.db, all)
  const shoots = countShoots(each, app.now(), 1)
  const regrets = listRegrets(
    all.flatMap((it) => {
      const model = models.get(it.modelId)
      return model ? [{ ...it, name: nameModel(model), category: model.category }] : []
    }),
  )
  const rows = all.map((wish): WishRow => {
    const model = models.get(wish.modelId)
    return {
      ...wish,
      name: model ? nameModel(model) : '',
      category: model?.category ?? 'other',
      cost: costWish(wish, today),
      isWaiting: isWaiting(wish, today),
      asksOutcome: asksOutcome(wish, today),
      sales: sales.get(wish.id) ?? [],
      effects: cures.flatMap((it) => {
        const trial = it.alone.get(wish.id)
        if (!trial) return []
        const { cured, added, stops, questions } = trial
        return [
          {
            id: it.id,
            setupId: it.setupId,
            shoots: shoots.of(it.id)[0] ?? 0,
            stopsBefore: it.stops,
            stopsAfter: stops,
            questionsAfter: questions,
            cured,
            added,
          },
        ]
      }),
      untried: sayUntried(wish, model, regrets),
      tags: wish.unitIds.flatMap((id) => tagOf.get(id) ?? []),
      paidMinor: wish.state === 'here' ? (paidOf.get(wish.id) ?? null) : null,
      score: scoreWish({ ...wish, category: model?.category ?? 'other' }, all, cures, shoots, today),
    }
  })
  return { wishes: rows, setups: nameSetups(setups), basis: shoots.basis, advice: sumAdvice(all) }
}

function sayUntried(wish: Wish, model: Model | undefined, regrets: ReturnType<typeof listRegrets>): WishRow['untried'] {
  if (wish.state !== 'open' || !model) return null
  const found = findUntried({ ...wish, category: model.category }, regrets)
  return found ? { name: found.name, note: found.outcome.note } : null
}

/** What was paid for each wish, less what came back of it: by entries of its own, or, of what came before those were kept, by those of its things. */
export function sumPaid(db: Database, all: readonly Pick<Wish, 'id' | 'unitIds'>[]): Map<string, number> {
  const wishOf = new Map(all.flatMap((it) => it.unitIds.map((unitId) => [unitId, it.id])))
  const rows = db
    .select()
    .from(entries)
    .where(
      and(
        inArray(entries.kind, ['purchase', 'refund']),
        or(
          isAnyOf(
            entries.wishId,
            all.map((it) => it.id),
          ),
          isAnyOf(entries.unitId, wishOf.keys()),
        ),
      ),
    )
    .all()
  const paid = new Map<string, number>()
  const purchases = new Set(rows.flatMap((it) => (it.kind === 'purchase' ? [it.id] : [])))
  for (const it of rows) {
    // What came back of a repair is no part of the price.
    if (it.refundOfId && !purchases.has(it.refundOfId)) continue
    const id = it.wishId ?? wishOf.get(it.unitId ?? '')
    if (id) paid.set(id, (paid.get(id) ?? 0) + findBudgetEffect(it))
  }
  return paid
}

/** Of each whose advice was followed: how often what was bought cured what it was for. */
function sumAdvice(all: readonly Wish[]): WishesReply['advice'] {
  const sums = new Map<string, WishesReply['advice'][number]>()
  for (const { advice, outcome, state } of all) {
    if (advice === '' || state !== 'here') continue
    const key = advice.toLowerCase()
    const sum = sums.get(key) ?? { by: advice, yes: 0, partly: 0, no: 0, open: 0 }
    sum[outcome?.answer ?? 'open']++
    sums.set(key, sum)
  }
  return [...sums.values()].sort((a, b) => b.yes - a.yes || (a.by < b.by ? -1 : 1))
}
