import { addDays, findDate, findInstant, type NewSetup } from '@exemplar/core'
import { type AppContext, makeSystemActor, type Writer, write } from '../foundation/database/app-context.ts'
import { bookings } from '../schema/diary-tables.ts'
import { stock, units } from '../schema/kit-tables.ts'
import { setups } from '../schema/setups-tables.ts'
import { events, people } from '../schema/studio-tables.ts'
import { saveSetup } from '../setups/setup-store.ts'
import { fillDemo } from './fill-demo.ts'

/** How large a studio is. */
export interface StudioSize {
  things: number
  setups: number
  bookings: number
  events: number
}

export const LARGE: StudioSize = { things: 1_500, setups: 27, bookings: 365, events: 50_000 }

/** A seeded sequence of numbers from 0 to below 1 (Park and Miller's minimal standard generator, 1988). */
export function makeSequence(seed: number): () => number {
  let state = seed
  return () => {
    state = (state * 48_271) % 2_147_483_647
    return (state - 1) / 2_147_483_646
  }
}

/** Fills an empty studio with the demo, again and again under other tags, until it is so large. The same each time. */
export function fillLargeStudio(app: AppContext, size: StudioSize): void {
  fillDemo(app)
  write(app, makeSystemActor(), (writer) => multiply(writer, size), { isTracked: false })
}

function multiply(writer: Writer, size: StudioSize): void {
  const { tx } = writer
  const kit = tx.select().from(units).all()
  const counted = tx.select().from(stock).all()
  const demo = tx
    .select()
    .from(setups)
    .all()
    .map(({ id: _id, version: _version, archivedAt: _archivedAt, ...setup }) => setup)
  for (let copy = 1; kit.length * copy < size.things; copy++) {
    const rows = kit.slice(0, size.things - kit.length * copy).map((unit) => ({
      ...unit,
      id: nameCopy(unit.id, copy),
      tag: nameCopy(unit.tag, copy),
      parentId: unit.parentId && nameCopy(unit.parentId, copy),
    }))
    tx.insert(units).values(rows).run()
  }
  for (const [at, it] of counted.entries()) {
    tx.insert(stock)
      .values({ ...it, id: `${it.id}-more`, tag: `${it.tag}-${at}`, quantity: it.quantity * 20 })
      .run()
  }
  const setupIds = fillSetups(writer, demo, size)
  fillBookings(writer, setupIds, size.bookings)
  fillEvents(writer, size.events)
}

const nameCopy = (id: string, copy: number) => `${id}-copy-${copy}`

function fillSetups(writer: Writer, demo: readonly NewSetup[], { setups: wanted, things }: StudioSize): string[] {
  const known = new Set(
    writer.tx
      .select({ id: units.id })
      .from(units)
      .all()
      .map((it) => it.id),
  )
  const ids: string[] = writer.tx
    .select({ id: setups.id })
    .from(setups)
    .all()
    .map((it) => it.id)
  for (let copy = 1; ids.length < wanted && copy < things; copy++) {
    for (const setup of demo.slice(0, wanted - ids.length)) {
      const id = `${setup.code.toLowerCase()}-${copy}`
      saveSetup(writer, id, copySetup(setup, copy, known), 1)
      ids.push(id)
    }
  }
  return ids
}

/** The same setup of the things of another copy; what that copy lacks stays as it is. */
function copySetup(setup: NewSetup, copy: number, known: ReadonlySet<string>): NewSetup {
  const swap = (id: string) => (known.has(nameCopy(id, copy)) ? nameCopy(id, copy) : id)
  return {
    ...setup,
    name: `${setup.name} ${copy + 1}`,
    variantOf: null,
    links: [],
    roles: setup.roles.map((role) => ({
      ...role,
      anyOfUnitIds: role.anyOfUnitIds?.map(swap),
      things: role.things.map((it) => ({ ...it, unitId: it.unitId && swap(it.unitId) })),
    })),
  }
}

/** One booking a day, from half a year ago to half a year ahead, setup after setup. */
function fillBookings({ tx, now }: Writer, setupIds: readonly string[], count: number): void {
  const zone = 'Europe/London'
  const today = findDate(now, zone)
  const team = tx.select({ id: people.id }).from(people).all()
  const rows = Array.from({ length: count }, (_, at) => {
    const day = addDays(today, at - Math.floor(count / 2))
    const [startsAt, endsAt] = [`${day}T09:00`, `${day}T12:00`]
    const isOver = day < today
    return {
      id: `large-${at}`,
      kind: 'shoot' as const,
      title: `Session ${at + 1}`,
      setupId: setupIds[at % setupIds.length] ?? null,
      unitIds: [],
      placeId: 'studio',
      personIds: [team[at % team.length]?.id ?? ''].filter(Boolean),
      startsAt,
      endsAt,
      rigMinutes: 30,
      strikeMinutes: 20,
      holdStart: findInstant(startsAt, zone).epochMs - 30 * 60_000,
      holdEnd: findInstant(endsAt, zone).epochMs + 20 * 60_000,
      state: isOver ? ('back' as const) : ('confirmed' as const),
      items: isOver ? [] : null,
      note: '',
    }
  })
  for (let at = 0; at < rows.length; at += 100)
    tx.insert(bookings)
      .values(rows.slice(at, at + 100))
      .run()
}

function fillEvents({ tx, now }: Writer, count: number): void {
  const next = makeSequence(7)
  const ids = tx.select({ id: units.id }).from(units).all()
  const kinds = ['checked-out', 'returned', 'moved', 'changed'] as const
  const rows = Array.from({ length: count }, (_, at) => ({
    at: now - Math.floor(next() * 700 * 86_400_000),
    personId: null,
    kind: kinds[at % kinds.length] ?? ('moved' as const),
    subjectType: 'unit' as const,
    subjectId: ids[Math.floor(next() * ids.length)]?.id ?? '',
    data: {},
  }))
  for (let at = 0; at < rows.length; at += 500)
    tx.insert(events)
      .values(rows.slice(at, at + 500))
      .run()
}
