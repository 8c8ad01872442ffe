import { findStatedRing, type NewSetup, type Setup, type SetupName } from '@exemplar/core'
import { and, eq, gt, inArray, isNull } from 'drizzle-orm'
import { isAnyOf, loadHoldings } from '../availability/holdings.ts'
import type { BookingRow } from '../availability/holds.ts'
import { loadInterfaces } from '../availability/reference.ts'
import { refuseField, refuseMissing } from '../foundation/base/problem.ts'
import type { AppContext, Writer } from '../foundation/database/app-context.ts'
import type { Database } from '../foundation/database/database.ts'
import { loadUsedIn } from '../kit/unit/unit-list.ts'
import { bookings } from '../schema/diary-tables.ts'
import { stock, units } from '../schema/kit-tables.ts'
import { setupStock, setups, setupUnits } from '../schema/setups-tables.ts'
import { places } from '../schema/studio-tables.ts'

/** Inserts or replaces a setup with its index of things. Throws a field problem where it names what is not there. */
export function saveSetup({ tx }: Writer, id: string, body: NewSetup, version: number): void {
  requireThings(tx, body)
  requireGround(tx, body)
  const values = { ...body, id, version }
  tx.insert(setups).values(values).onConflictDoUpdate({ target: setups.id, set: values }).run()
  tx.delete(setupUnits).where(eq(setupUnits.setupId, id)).run()
  tx.delete(setupStock).where(eq(setupStock.setupId, id)).run()
  const quantities = new Map<string, number>()
  /** A thing that does several jobs is named with all of them. */
  const jobs = new Map<string, string[]>()
  for (const role of body.roles) {
    for (const { unitId, stockId, quantity } of role.things) {
      if (unitId) jobs.set(unitId, [...(jobs.get(unitId) ?? []), role.name])
      if (stockId) quantities.set(stockId, (quantities.get(stockId) ?? 0) + quantity)
    }
  }
  for (const [unitId, names] of jobs) {
    tx.insert(setupUnits)
      .values({ setupId: id, unitId, roleName: names.join(', ') })
      .run()
  }
  for (const [stockId, quantity] of quantities) tx.insert(setupStock).values({ setupId: id, stockId, quantity }).run()
}

function requireThings(tx: Writer['tx'], body: NewSetup): void {
  const things = body.roles.flatMap((role) => role.things)
  const unitIds = things.flatMap((it) => it.unitId ?? [])
  const stockIds = things.flatMap((it) => it.stockId ?? [])
  const known = new Set(
    [
      ...tx.select({ id: units.id }).from(units).where(isAnyOf(units.id, unitIds)).all(),
      ...tx.select({ id: stock.id }).from(stock).where(isAnyOf(stock.id, stockIds)).all(),
    ].map((it) => it.id),
  )
  for (const [r, role] of body.roles.entries()) {
    for (const [t, { unitId, stockId }] of role.things.entries()) {
      const path = `/roles/${r}/things/${t}`
      if (unitId && !known.has(unitId)) {
        throw refuseField(`${path}/unitId`, `The thing put into ${role.name} does not exist.`)
      }
      if (stockId && !known.has(stockId)) {
        throw refuseField(`${path}/stockId`, `The stock put into ${role.name} does not exist.`)
      }
    }
  }
  const place = body.placeId ? tx.select().from(places).where(eq(places.id, body.placeId)).get() : null
  if (body.placeId && !place) throw refuseField('/placeId', 'There is no such room.')
  if (body.circuitId && !place?.circuits.some((it) => it.id === body.circuitId)) {
    throw refuseField('/circuitId', 'This circuit is not in that room.')
  }
}

/** Nothing may stand on itself, over whatever carries it. */
function requireGround(tx: Writer['tx'], { links, roles }: NewSetup): void {
  if (links.length < 2) return
  const things = roles.flatMap((role) => role.things)
  const held = loadHoldings(
    tx,
    things.flatMap((it) => it.unitId ?? []),
    things.flatMap((it) => it.stockId ?? []),
  )
  const holderOf = (key: string) => held.units.get(key) ?? held.stock.get(/^stock:(.+):\d+$/.exec(key)?.[1] ?? '')
  const interfaces = loadInterfaces(tx)
  const ring = findStatedRing(
    links,
    ({ unitId, portId }) => held.models.get(holderOf(unitId)?.modelId ?? '')?.ports.find((it) => it.id === portId),
    (code) => !['signal', 'mains'].includes(interfaces.get(code)?.kind ?? 'carry'),
  )
  if (!ring) return
  const tags = ring.keys.map((key) => holderOf(key)?.tag ?? key)
  throw refuseField(`/links/${ring.at}`, `${tags[0]} would stand on itself: ${tags.join(' on ')}.`)
}

export function loadSetup(app: AppContext, id: string) {
  const row = app.db.select().from(setups).where(eq(setups.id, id)).get()
  if (!row || row.archivedAt !== null) throw refuseMissing('setup')
  const { archivedAt: _, ...setup } = row
  return setup
}

/** Every setup that is not archived. */
export function loadAllSetups(db: Database, order: 'name' | 'code'): Setup[] {
  return db
    .select()
    .from(setups)
    .where(isNull(setups.archivedAt))
    .orderBy(setups[order])
    .all()
    .map(({ archivedAt: _, ...setup }) => setup)
}

/** What is needed of every setup where it is only named, by name. */
export function listSetupNames(db: Database): SetupName[] {
  const { id, code, tape, name, placeId, plannedMinutes, skills } = setups
  return db
    .select({ id, code, tape, name, placeId, plannedMinutes, skills })
    .from(setups)
    .where(isNull(setups.archivedAt))
    .orderBy(setups.name)
    .all()
}

/** The next booking of each of these setups, in one statement. */
export function loadNextBookings({ db, now }: AppContext, setupIds: readonly string[]): Map<string, BookingRow> {
  const rows = db
    .select()
    .from(bookings)
    .where(
      and(
        isAnyOf(bookings.setupId, setupIds),
        gt(bookings.holdEnd, now()),
        inArray(bookings.state, ['pencilled', 'confirmed', 'out']),
      ),
    )
    .orderBy(bookings.holdStart)
    .all()
  // The soonest comes first, and the first one stays.
  return new Map([...rows].reverse().map((row) => [row.setupId ?? '', row]))
}

/** Where else each of these things serves: code and role in other setups. */
export function listOtherUses({ db }: AppContext, setupId: string, unitIds: string[]) {
  return Object.fromEntries(
    [...loadUsedIn(db, unitIds)].map(([id, usedIn]) => [
      id,
      usedIn.filter((it) => it.id !== setupId).map(({ code, role }) => ({ code, role })),
    ]),
  )
}

/** Tags of the things that roles list as taking turns, by id. */
export function nameListed({ db }: AppContext, { roles }: NewSetup): Record<string, string> {
  const { units: found } = loadHoldings(
    db,
    roles.flatMap((role) => role.anyOfUnitIds ?? []),
    [],
  )
  return Object.fromEntries([...found].map(([id, it]) => [id, it.tag]))
}
