import {
  type Acquisition,
  countDays,
  estimateResale,
  findDate,
  LIFE_STATES,
  type LifeState,
  LONGEST_NAME,
  listInWords,
  listStranded,
  nameModel,
} from '@exemplar/core'
import { and, eq, isNull } from 'drizzle-orm'
import { loadInterfaces } from '../availability/reference.ts'
import { refuseField } from '../foundation/base/problem.ts'
import { type AppContext, requireVersion, type Transaction, write } from '../foundation/database/app-context.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { loadUsedIn } from '../kit/unit/unit-list.ts'
import { models, stock, units } from '../schema/kit-tables.ts'
import { entries } from '../schema/ledger-tables.ts'
import { parties } from '../schema/studio-tables.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { isOurs, isOursToSell } from './wish-store.ts'

/** In these it serves, or will again: what is on order takes what the one before it took. */
const STAYS: readonly LifeState[] = ['for-sale', 'in-repair', 'lent', 'ordered']
/** What goes back takes nothing for long. */
const GOES_BACK: readonly Acquisition[] = ['loan-in', 'rented']

/** Everything that stays and could serve or is for sale, things and what is counted. */
function loadHeld({ db }: AppContext) {
  const own = db
    .select({ unit: units, model: models })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
    .where(isNull(units.archivedAt))
    .orderBy(units.tag)
    .all()
    .filter(({ unit }) => LIFE_STATES[unit.state].usable || STAYS.includes(unit.state))
    .filter(({ unit }) => !GOES_BACK.includes(unit.acquisition) || unit.state === 'for-sale')
  const counted = db
    .select({ stock, model: models })
    .from(stock)
    .innerJoin(models, eq(models.id, stock.modelId))
    .where(isNull(stock.archivedAt))
    .all()
    .filter((it) => it.stock.quantity > 0)
  return {
    own,
    held: [
      ...own.map(({ unit, model }) => ({ id: unit.id, tag: unit.tag, model, unit })),
      ...counted.map((it) => ({ id: it.stock.id, tag: it.stock.tag, model: it.model, unit: null })),
    ],
  }
}

function loadForSale(app: AppContext) {
  const { db } = app
  const today = findDate(app.now(), loadStudio(db).zone)
  const { own, held } = loadHeld(app)
  const interfaces = loadInterfaces(db)
  const rows = own.filter(({ unit }) => unit.state === 'for-sale')
  const sold = rows.map(({ unit }) => unit.id)
  const usedIn = loadUsedIn(db, sold)
  // What is for sale serves nothing any more, so it keeps nothing in use; what it strands is told of each by itself.
  const isOffered = new Set(sold)
  const left = held.filter((it) => !isOffered.has(it.id))
  return rows.map(({ unit, model }) => {
    const one = held.filter((it) => it.id === unit.id)
    return {
      ...{ id: unit.id, tag: unit.tag, name: nameModel(model), version: unit.version, provenance: unit.provenance },
      resaleMinor:
        // What was given has no price that tells what it fetches.
        !unit.priceMinor || unit.acquiredOn === null
          ? null
          : estimateResale(unit.priceMinor, countDays(unit.acquiredOn, today)),
      stranded: listStranded([...left, ...one], new Set([unit.id]), interfaces)
        .filter(({ thing: it }) => it.unit === null || isOurs(it.unit))
        .map(({ thing: { id, tag, model: own, unit: part }, perhapsIn }) => ({
          ...{ id, tag, name: nameModel(own) },
          ...{ isCounted: part === null, canGo: part !== null && isOursToSell(part) },
          perhapsIn: perhapsIn.map((it) => it.tag),
        })),
      usedIn: usedIn.get(unit.id) ?? [],
    }
  })
}

function requireSellable(tx: Transaction, id: string, pointer: string) {
  const found = tx
    .select({ unit: units, model: models })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
    .where(and(eq(units.id, id), isNull(units.archivedAt)))
    .get()
  if (!found) throw refuseField(pointer, 'There is no such thing.')
  if (found.unit.state === 'sold') throw refuseField(pointer, `${found.unit.tag} is sold already.`)
  if (!isOursToSell(found.unit)) {
    throw refuseField(pointer, `${found.unit.tag} is not ours to sell, or is not here: see how it came and its state.`)
  }
  return found
}

export const saleRoutes = [
  defineRoute('get /ledger/for-sale', (_, app) => ({ rows: loadForSale(app) })),
  defineRoute('post /units/:id/sold', ({ params, body, version, actor }, app) =>
    write(app, actor, ({ tx, newId, log }) => {
      const id = params.id ?? ''
      requireVersion(tx.select().from(units).where(eq(units.id, id)).get(), version, 'thing')
      if (body.partyId && !tx.select().from(parties).where(eq(parties.id, body.partyId)).get()) {
        throw refuseField('/partyId', 'There is no such vendor.')
      }
      const first = requireSellable(tx, id, '/id')
      const others = [...new Set(body.withIds)]
        .filter((it) => it !== id)
        .map((it, at) => requireSellable(tx, it, `/withIds/${at}`))
      const all = [first, ...others]
      for (const { unit } of all) {
        const after = { ...unit, state: 'sold' as const, dueOn: null, version: unit.version + 1 }
        tx.update(units).set(after).where(eq(units.id, unit.id)).run()
        log('state-changed', 'unit', unit.id, { before: unit, after })
      }
      const tags = all.map(({ unit }) => unit.tag)
      if (body.netMinor + body.taxMinor > 0) {
        const entry = tx
          .insert(entries)
          .values({
            ...{ id: newId(), date: body.on, kind: 'sale', category: first.model.category },
            description: `Sold: ${nameModel(first.model)} (${listInWords(tags)})`.slice(0, LONGEST_NAME).trim(),
            ...{ netMinor: body.netMinor, taxMinor: body.taxMinor, partyId: body.partyId, unitId: id },
          })
          .returning()
          .get()
        log('spent', 'entry', entry.id, { after: entry })
      }
      return { id, version: version + 1, tags }
    }),
  ),
]
