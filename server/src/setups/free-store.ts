import {
  type BlockingFault,
  type Circuit,
  countFree,
  findAbsences,
  LIFE_STATE_CODES,
  LIFE_STATES,
  listUnitIds,
  type Model,
  type NewSetup,
  type Stock,
  type Store,
  type Unit,
} from '@exemplar/core'
import { and, asc, inArray, isNull } from 'drizzle-orm'
import { makeCalendar } from '../availability/absences.ts'
import { isAnyOf } from '../availability/holdings.ts'
import type { HoldBook } from '../availability/holds.ts'
import { countUsage, loadBlockingFaults, loadModels, loadStockRows } from '../availability/reference.ts'
import type { Database } from '../foundation/database/database.ts'
import { units } from '../schema/kit-tables.ts'
import type { AssessmentContext } from './assessment-context.ts'

/** Ours, and not to be had: worth naming where nothing else would do. */
const AWAY_STATES = ['in-repair', 'lent', 'ordered', 'wished'] as const
const USABLE_STATES = LIFE_STATE_CODES.filter((code) => LIFE_STATES[code].usable)

/** How many things of the store are looked at for one judgement; more would not change what is offered first. */
const MOST_LOOKED_AT = 300

/** For whom, and when, things are to be free. */
export interface Wanting {
  setup: Pick<NewSetup, 'roles'>
  zone: string
  context: AssessmentContext
  book: HoldBook
  /** Circuits of the setup's room. */
  circuits: readonly Circuit[]
}

/** What lies in the store of some models, to be asked for any setup at any time. */
export interface Shelf {
  models: ReadonlyMap<string, Model>
  units: readonly Unit[]
  stock: readonly Stock[]
  blocking: ReadonlyMap<string, BlockingFault>
  usage: ReadonlyMap<string, number>
}

/** What there is of single things of the models that suit: enough where only a stand-in is looked for. */
export function loadUnitShelf(db: Database, suits: (model: Model) => boolean, most = MOST_LOOKED_AT): Shelf {
  const suiting = new Map([...loadModels(db)].filter(([, model]) => suits(model)))
  const candidates = db
    .select()
    .from(units)
    .where(
      and(
        isAnyOf(units.modelId, suiting.keys()),
        inArray(units.state, [...USABLE_STATES, ...AWAY_STATES]),
        isNull(units.archivedAt),
      ),
    )
    .orderBy(asc(units.tag))
    .limit(most)
    .all()
  return { models: suiting, units: candidates, stock: [], blocking: loadBlockingFaults(db), usage: countUsage(db) }
}

/** Reads in two statements, beside what is kept, what there is of the models that suit. */
export function loadShelf(db: Database, suits: (model: Model) => boolean, most = MOST_LOOKED_AT): Shelf {
  const counted = loadStockRows(db).map((it) => it.stock)
  return { ...loadUnitShelf(db, suits, most), stock: counted }
}

/** What of a shelf is free for one setup at its time, and what would be and is away. */
export function listFree(shelf: Shelf, { setup, zone, context, book, circuits }: Wanting): Store {
  const taken = new Set(listUnitIds(setup))
  const candidates = shelf.units.filter((unit) => !taken.has(unit.id))
  const calendar = makeCalendar(context, zone, shelf.blocking, book)
  const absent = findAbsences(candidates, context.interval, calendar)
  return {
    units: candidates.flatMap((unit) => {
      const model = shelf.models.get(unit.modelId)
      return model && !absent.has(unit.id) ? [{ unit, model, usedBySetups: shelf.usage.get(unit.id) ?? 0 }] : []
    }),
    away: candidates.flatMap((unit) => {
      const model = shelf.models.get(unit.modelId)
      const absence = absent.get(unit.id)
      return model && absence ? [{ unit, model, absence }] : []
    }),
    stock: shelf.stock.flatMap((it) => {
      const model = shelf.models.get(it.modelId)
      return model ? [{ stock: it, model, free: countFree(it.id, it.quantity, context.interval, calendar) }] : []
    }),
    circuits,
  }
}

/** The free things and stock of the models that suit, with the circuits of the room. */
export function loadFreeStore(
  db: Database,
  wanting: Wanting,
  suits: (model: Model) => boolean,
  most = MOST_LOOKED_AT,
): Store {
  return listFree(loadShelf(db, suits, most + listUnitIds(wanting.setup).length), wanting)
}
