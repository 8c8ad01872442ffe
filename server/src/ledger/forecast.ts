import { costWish, type Forecast, findDate, forecastYear, isCounted } from '@exemplar/core'
import { and, eq, gte, inArray, isNull, min } from 'drizzle-orm'
import type { Database } from '../foundation/database/database.ts'
import { repairs } from '../schema/bench-tables.ts'
import { models, units } from '../schema/kit-tables.ts'
import { entries, wishes } from '../schema/ledger-tables.ts'

/** Things that are on order and not paid for, and counted ones, of which nothing is in the kit until they come. */
function listOrdered(db: Database, today: string) {
  const rows = db
    .select()
    .from(units)
    .where(and(eq(units.state, 'ordered'), isNull(units.archivedAt)))
    .all()
  const paidIds = db
    .select({ unitId: entries.unitId })
    .from(entries)
    .where(
      and(
        eq(entries.kind, 'purchase'),
        inArray(
          entries.unitId,
          rows.map((it) => it.id),
        ),
      ),
    )
    .all()
  const paid = new Set(paidIds.map((it) => it.unitId))
  const counted = db
    .select({ wish: wishes, category: models.category })
    .from(wishes)
    .innerJoin(models, eq(models.id, wishes.modelId))
    .where(eq(wishes.state, 'ordered'))
    .all()
    .filter((it) => isCounted(it.category))
  return [
    ...rows
      .filter((it) => !paid.has(it.id))
      .map(({ priceMinor, provenance, dueOn }) => ({
        minor: priceMinor === null ? null : priceMinor + (provenance.taxMinor ?? 0),
        dueOn,
      })),
    ...counted.map(({ wish }) => ({ minor: costWish(wish, today)?.totalMinor ?? null, dueOn: null })),
  ]
}

/** Repairs that are under way: what was quoted; what a warranty pays costs nothing. */
function listRepairs(db: Database) {
  return db
    .select()
    .from(repairs)
    .where(isNull(repairs.endedOn))
    .all()
    .map(({ claim, quoteMinor, dueOn }) => ({ minor: quoteMinor ?? (claim === 'warranty' ? 0 : null), dueOn }))
}

/** What this year will have cost at its end. */
export function loadForecast(db: Database, now: number, zone: string): Forecast {
  const today = findDate(now, zone)
  const since = db
    .select({ since: min(entries.date) })
    .from(entries)
    .get()
  return forecastYear(
    {
      entries: db
        .select()
        .from(entries)
        .where(gte(entries.date, `${Number(today.slice(0, 4)) - 2}-01-01`))
        .all(),
      since: since?.since ?? null,
      ordered: listOrdered(db, today),
      repairs: listRepairs(db),
    },
    today,
  )
}
