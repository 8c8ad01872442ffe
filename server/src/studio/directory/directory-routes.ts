import { findDate, type Party, recordVendor } from '@exemplar/core'
import { and, desc, eq, gt, inArray, isNull, min, ne, or, sql } from 'drizzle-orm'
import { isAnyOf } from '../../availability/holdings.ts'
import { ProblemError, refuseField, refuseMissing } from '../../foundation/base/problem.ts'
import { type AppContext, requireVersion, type Transaction, write } from '../../foundation/database/app-context.ts'
import type { Database } from '../../foundation/database/database.ts'
import { defineRoute } from '../../foundation/http/route.ts'
import { faults, repairs } from '../../schema/bench-tables.ts'
import { bookings } from '../../schema/diary-tables.ts'
import { units } from '../../schema/kit-tables.ts'
import { entries } from '../../schema/ledger-tables.ts'
import { setups } from '../../schema/setups-tables.ts'
import { parties, people, places } from '../../schema/studio-tables.ts'
import { loadStudio } from '../settings/settings-routes.ts'
import { loadPlacePage } from './place-page.ts'
import { loadPlaceSun } from './place-sun.ts'

/** A row as people see it: whether it is archived is asked, not shown. */
export function withoutArchive<T extends { archivedAt: unknown }>({ archivedAt: _, ...row }: T): Omit<T, 'archivedAt'> {
  return row
}

/** What still counts on somebody or some place, in words; null where nothing does. */
function findUse(tx: Transaction, now: number, query: { person?: string; place?: string }): string | null {
  const { person = '', place = '' } = query
  const ahead = and(gt(bookings.holdEnd, now), inArray(bookings.state, ['pencilled', 'confirmed', 'out']))
  const booking = tx
    .select({ title: bookings.title })
    .from(bookings)
    .where(
      and(
        ahead,
        or(
          place ? eq(bookings.placeId, place) : undefined,
          person
            ? sql`exists (select 1 from json_each(${bookings.personIds}) as it where it.value = ${person})`
            : undefined,
        ),
      ),
    )
    .get()
  if (booking) return `the booking “${booking.title}”`
  if (!place) return null
  const setup = tx
    .select()
    .from(setups)
    .where(and(eq(setups.placeId, place), isNull(setups.archivedAt)))
    .get()
  if (setup) return `the setup “${setup.name}”`
  const inside = tx
    .select()
    .from(places)
    .where(and(eq(places.parentId, place), isNull(places.archivedAt)))
    .get()
  if (inside) return `${inside.name}, which is inside`
  const unit = tx
    .select()
    .from(units)
    .where(and(eq(units.placeId, place), isNull(units.archivedAt)))
    .get()
  return unit ? `${unit.tag}, which lives there` : null
}

function requireUnused(tx: Transaction, now: number, query: { person?: string; place?: string }): void {
  const use = findUse(tx, now, query)
  if (use) throw new ProblemError(409, 'Still in use', `There is still ${use}. Change that first.`)
}

/** A place stands in a row of places; a ring of them would never end. */
function requireNoRing(tx: Transaction, id: string, parentId: string | null): void {
  const seen = new Set([id])
  for (let at = parentId; at !== null; ) {
    if (seen.has(at)) throw refuseField('/parentId', 'A place cannot stand inside itself.')
    seen.add(at)
    at = tx.select({ parentId: places.parentId }).from(places).where(eq(places.id, at)).get()?.parentId ?? null
  }
}

/** How the things that came from them and the repairs that they did went. */
function loadVendorRecord(db: Database, { id, kind }: Pick<Party, 'id' | 'kind'>, today: string) {
  const { zone } = loadStudio(db)
  const rows = db.select().from(units).where(eq(units.partyId, id)).all()
  // What a mender has is not from them, unless it was bought there.
  const bought = new Set(
    db
      .select({ unitId: entries.unitId })
      .from(entries)
      .where(and(eq(entries.partyId, id), eq(entries.kind, 'purchase')))
      .all()
      .map((it) => it.unitId),
  )
  const came = rows.filter(
    (it) => it.state !== 'ordered' && it.state !== 'wished' && (kind !== 'repairer' || bought.has(it.id)),
  )
  const failures = new Map(
    db
      .select({ unitId: faults.unitId, at: min(faults.reportedAt) })
      .from(faults)
      .where(
        and(
          eq(faults.severity, 'unusable'),
          isAnyOf(
            faults.unitId,
            came.map((it) => it.id),
          ),
        ),
      )
      .groupBy(faults.unitId)
      .all()
      .map((it) => [it.unitId, it.at === null ? null : findDate(it.at, zone)]),
  )
  return recordVendor(
    {
      things: came.map((it) => ({ acquiredOn: it.acquiredOn, failedOn: failures.get(it.id) ?? null })),
      // What was on order and left the kit was cancelled: it never was here.
      cancelled: rows.filter((it) => it.state === 'ordered' && it.archivedAt !== null).length,
      repairs: db.select().from(repairs).where(eq(repairs.partyId, id)).all(),
    },
    today,
  )
}

/** What a party did here: what was bought of it, what it lent, what it repaired. */
function loadPartyPage({ db, now }: AppContext, id: string) {
  const party = db.select().from(parties).where(eq(parties.id, id)).get()
  if (!party) throw refuseMissing('vendor, lender or repairer')
  return {
    ...withoutArchive(party),
    record: loadVendorRecord(db, party, findDate(now(), loadStudio(db).zone)),
    entries: db.select().from(entries).where(eq(entries.partyId, id)).orderBy(desc(entries.date)).limit(100).all(),
    units: db
      .select({ id: units.id, tag: units.tag, acquisition: units.acquisition, dueOn: units.dueOn, state: units.state })
      .from(units)
      .where(and(eq(units.partyId, id), isNull(units.archivedAt)))
      .orderBy(units.tag)
      .limit(200)
      .all(),
  }
}

export const directoryRoutes = [
  defineRoute('get /people', (_, { db }) =>
    db.select().from(people).where(isNull(people.archivedAt)).orderBy(people.name).all().map(withoutArchive),
  ),
  defineRoute('post /people', ({ body, actor }, app) =>
    write(app, actor, ({ tx, newId, log }) => {
      const person = withoutArchive(
        tx
          .insert(people)
          .values({ ...body, id: newId() })
          .returning()
          .get(),
      )
      log('created', 'person', person.id, { after: person })
      return person
    }),
  ),
  defineRoute('put /people/:id', ({ params, body, version, actor }, app) =>
    write(app, actor, ({ tx, log }) => {
      const id = params.id ?? ''
      const before = requireVersion(tx.select().from(people).where(eq(people.id, id)).get(), version, 'person')
      const after = { ...body, version: before.version + 1 }
      log('changed', 'person', id, { before, after })
      return withoutArchive(tx.update(people).set(after).where(eq(people.id, id)).returning().get())
    }),
  ),
  defineRoute('delete /people/:id', ({ params, version, actor }, app) =>
    write(app, actor, ({ tx, now, log }) => {
      const id = params.id ?? ''
      const before = requireVersion(tx.select().from(people).where(eq(people.id, id)).get(), version, 'person')
      requireUnused(tx, now, { person: id })
      const after = { archivedAt: now, version: before.version + 1 }
      tx.update(people).set(after).where(eq(people.id, id)).run()
      log('archived', 'person', id)
      return { id, version: after.version }
    }),
  ),
  defineRoute('get /parties', (_, { db }) =>
    db.select().from(parties).where(isNull(parties.archivedAt)).orderBy(parties.name).all().map(withoutArchive),
  ),
  defineRoute('get /parties/:id', ({ params }, app) => loadPartyPage(app, params.id ?? '')),
  defineRoute('post /parties', ({ body, actor }, app) =>
    write(app, actor, ({ tx, newId, log }) => {
      const party = withoutArchive(
        tx
          .insert(parties)
          .values({ ...body, id: newId() })
          .returning()
          .get(),
      )
      log('created', 'party', party.id, { after: party })
      return party
    }),
  ),
  defineRoute('put /parties/:id', ({ params, body, version, actor }, app) =>
    write(app, actor, ({ tx, log }) => {
      const id = params.id ?? ''
      const before = requireVersion(tx.select().from(parties).where(eq(parties.id, id)).get(), version, 'party')
      const after = { ...body, version: before.version + 1 }
      log('changed', 'party', id, { before, after })
      return withoutArchive(tx.update(parties).set(after).where(eq(parties.id, id)).returning().get())
    }),
  ),
  defineRoute('delete /parties/:id', ({ params, version, actor }, app) =>
    write(app, actor, ({ tx, now, log }) => {
      const id = params.id ?? ''
      const before = requireVersion(tx.select().from(parties).where(eq(parties.id, id)).get(), version, 'party')
      const borrowed = tx
        .select()
        .from(units)
        .where(
          and(
            eq(units.partyId, id),
            isNull(units.archivedAt),
            inArray(units.acquisition, ['loan-in', 'rented']),
            ne(units.state, 'returned'),
          ),
        )
        .get()
      if (borrowed) throw new ProblemError(409, 'Still in use', `${borrowed.tag} is still borrowed from there.`)
      const after = { archivedAt: now, version: before.version + 1 }
      tx.update(parties).set(after).where(eq(parties.id, id)).run()
      log('archived', 'party', id)
      return { id, version: after.version }
    }),
  ),
  defineRoute('get /places', (_, { db }) =>
    db.select().from(places).where(isNull(places.archivedAt)).orderBy(places.name).all().map(withoutArchive),
  ),
  defineRoute('get /places/:id/sun', ({ params, query }, app) => loadPlaceSun(app, params.id ?? '', query.date)),
  defineRoute('get /places/:id', ({ params }, app) => loadPlacePage(app, params.id ?? '')),
  defineRoute('post /places', ({ body, actor }, app) =>
    write(app, actor, ({ tx, newId, log }) => {
      const id = newId()
      requireNoRing(tx, id, body.parentId)
      const place = withoutArchive(
        tx
          .insert(places)
          .values({ ...body, id })
          .returning()
          .get(),
      )
      log('created', 'place', place.id, { after: place })
      return place
    }),
  ),
  defineRoute('put /places/:id', ({ params, body, version, actor }, app) =>
    write(app, actor, ({ tx, log }) => {
      const id = params.id ?? ''
      const before = requireVersion(tx.select().from(places).where(eq(places.id, id)).get(), version, 'place')
      requireNoRing(tx, id, body.parentId)
      const after = { ...body, version: before.version + 1 }
      log('changed', 'place', id, { before, after })
      return withoutArchive(tx.update(places).set(after).where(eq(places.id, id)).returning().get())
    }),
  ),
  defineRoute('delete /places/:id', ({ params, version, actor }, app) =>
    write(app, actor, ({ tx, now, log }) => {
      const id = params.id ?? ''
      const before = requireVersion(tx.select().from(places).where(eq(places.id, id)).get(), version, 'place')
      requireUnused(tx, now, { place: id })
      const after = { archivedAt: now, version: before.version + 1 }
      tx.update(places).set(after).where(eq(places.id, id)).run()
      log('archived', 'place', id)
      return { id, version: after.version }
    }),
  ),
]
