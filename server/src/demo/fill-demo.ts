import {
  addDays,
  type BookingItem,
  type CATEGORIES,
  DEFAULT_SETTINGS,
  EMPTY_UNIT,
  type Entry,
  findDate,
  findHoldInterval,
  findInstant,
  listBookingItems,
  NO_SUPPLY,
  nameModel,
  STANDARD_INTERFACES,
} from '@exemplar/core'
import { type AppContext, makeSystemActor, type Writer, write } from '../foundation/database/app-context.ts'
import { faults } from '../schema/bench-tables.ts'
import { bookings } from '../schema/diary-tables.ts'
import { interfaces, models, stock, units } from '../schema/kit-tables.ts'
import { budgets, entries } from '../schema/ledger-tables.ts'
import { accounts, events, parties, people, places, studio } from '../schema/studio-tables.ts'
import { saveSetup } from '../setups/setup-store.ts'
import type { DemoUnit } from './demo-rows.ts'
import { DEMO_BOOKINGS, type DemoBooking } from './larkmoor-diary.ts'
import { FURTHER_SETUPS } from './larkmoor-further-setups.ts'
import { DEMO_INTERFACES, DEMO_MODELS, DEMO_STOCK, DEMO_UNITS } from './larkmoor-kit.ts'
import { fillKits } from './larkmoor-kits.ts'
import { fillIncidents, fillServices } from './larkmoor-services.ts'
import { DEMO_SETUPS } from './larkmoor-setups.ts'
import { applyStory, makeStories } from './larkmoor-story.ts'
import { DEMO_PARTIES, DEMO_SETTINGS, makeDemoPeople, makeDemoPlaces } from './larkmoor-studio.ts'
import { DEMO_SUPPLIES, fillWear } from './larkmoor-wear.ts'
import { fillWishes } from './larkmoor-wishes.ts'

const { zone } = DEFAULT_SETTINGS
const ALL_SETUPS = [...DEMO_SETUPS, ...FURTHER_SETUPS]

/**
 * Fills an empty house with the Larkmoor film unit, its days counted from now; with accounts for its people, where one
 * may step in as each of them. Leaves a filled one alone.
 */
export function fillDemo(app: AppContext, { withAccounts = true } = {}): void {
  if (app.db.select().from(units).get()) return
  const fill = (writer: Writer) => {
    const today = findDate(writer.now, zone)
    fillStudio(writer, today)
    if (withAccounts) fillAccounts(writer)
    fillKit(writer, today)
    for (const { id, ...setup } of ALL_SETUPS) {
      saveSetup(writer, id, setup, 1)
      writer.log('created', 'setup', id, { after: setup })
    }
    fillDiary(writer, today)
    fillBench(writer, today)
    fillLedger(writer, today)
    fillWishes(writer, today)
    fillKits(writer, today)
  }
  write(app, makeSystemActor(), fill, { isTracked: false })
}

function fillAccounts({ tx }: Writer): void {
  tx.insert(accounts)
    .values([
      { personId: 'imke', signInName: 'imke', role: 'manager', isOwner: true },
      { personId: 'bram', signInName: 'bram', role: 'crew' },
      { personId: 'yusra', signInName: 'yusra', role: 'viewer' },
    ])
    .run()
}

function fillStudio({ tx, log }: Writer, today: string): void {
  const settings = DEMO_SETTINGS
  tx.insert(studio).values({ id: 1, settings }).onConflictDoUpdate({ target: studio.id, set: { settings } }).run()
  log('created', 'studio', 'studio', { settings })
  tx.insert(people).values(makeDemoPeople(today)).run()
  tx.insert(parties)
    .values([...DEMO_PARTIES])
    .run()
  tx.insert(places).values(makeDemoPlaces(today)).run()
}

function fillKit({ tx, log }: Writer, today: string): void {
  tx.insert(interfaces)
    .values([...STANDARD_INTERFACES, ...DEMO_INTERFACES])
    .onConflictDoNothing()
    .run()
  tx.insert(models)
    .values([...DEMO_MODELS])
    .run()
  const stories = makeStories(today)
  for (const unit of DEMO_UNITS) {
    tx.insert(units)
      .values(applyStory(makeUnit(unit, today), stories[unit.tag]))
      .run()
    log('created', 'unit', unit.tag, { tag: unit.tag })
  }
  for (const { tag, model, place, quantity, reorder } of DEMO_STOCK) {
    tx.insert(stock)
      .values({
        id: tag,
        tag,
        modelId: model,
        placeId: place,
        quantity,
        reorderLevel: reorder,
        supply: DEMO_SUPPLIES[tag] ?? NO_SUPPLY,
      })
      .run()
    log('created', 'stock', tag, { quantity })
  }
}

function makeUnit(unit: DemoUnit, today: string) {
  return {
    ...EMPTY_UNIT,
    id: unit.tag,
    tag: unit.tag,
    modelId: unit.model,
    placeId: unit.place,
    state: unit.state ?? ('in-service' as const),
    acquisition: unit.acquisition ?? ('bought-new' as const),
    acquiredOn: addDays(today, -unit.daysAgo),
    priceMinor: toMinor(unit.price),
    partyId: unit.party ?? null,
    dueOn: unit.dueIn === undefined ? null : addDays(today, unit.dueIn),
    healthPercent: unit.health ?? null,
    charge:
      unit.chargedDaysAgo === undefined ? null : { state: 'full' as const, on: addDays(today, -unit.chargedDaysAgo) },
    serviceEveryDays: unit.serviceEvery ?? null,
    lastServicedOn: unit.servicedDaysAgo === undefined ? null : addDays(today, -unit.servicedDaysAgo),
    serial: unit.serial ?? null,
    note: unit.note ?? '',
  }
}

function toMinor(price: string | null): number | null {
  return price === null ? null : Number(price.replace('.', ''))
}

function fillDiary({ tx, log }: Writer, today: string): void {
  for (const demo of DEMO_BOOKINGS) {
    const date = addDays(today, demo.day)
    const plan = {
      kind: demo.kind ?? ('shoot' as const),
      title: demo.title,
      setupId: demo.setup,
      unitIds: demo.loose ?? [],
      placeId: demo.place,
      personIds: demo.people,
      startsAt: `${date}T${demo.from}`,
      endsAt: `${date}T${demo.to}`,
      rigMinutes: demo.rig ?? 45,
      strikeMinutes: demo.strike ?? 30,
      note: '',
    }
    const hold = findHoldInterval(plan, zone)
    const items = demo.state === 'out' || demo.state === 'back' ? makeItems(demo, demo.state) : null
    tx.insert(bookings)
      .values({ ...plan, id: demo.id, state: demo.state, holdStart: hold.start, holdEnd: hold.end, items })
      .run()
    log('booked', 'booking', demo.id, { after: plan })
    for (const { unitId } of items ?? []) {
      if (!unitId) continue
      const data = { bookingId: demo.id, title: demo.title }
      tx.insert(events)
        .values({
          at: hold.start,
          personId: demo.people[0] ?? null,
          kind: 'checked-out',
          subjectType: 'unit',
          subjectId: unitId,
          data,
        })
        .run()
    }
  }
}

function makeItems(demo: DemoBooking, state: 'out' | 'back'): BookingItem[] {
  const setup = ALL_SETUPS.find((it) => it.id === demo.setup) ?? null
  return listBookingItems(setup, demo.loose ?? []).map((item) => ({ ...item, state }))
}

function fillBench(writer: Writer, today: string): void {
  const { tx, log } = writer
  fillServices(writer, today, zone, listServed())
  fillIncidents(writer, today)
  fillWear(writer, today)
  const rows = [
    {
      id: 'f-fan',
      unitId: 'LGT-06',
      note: 'Fan buzzes; keep it over 1.5 m from any microphone',
      severity: 'usable' as const,
      isNoisy: true,
      day: -22,
    },
    {
      id: 'f-tube',
      unitId: 'LGT-07',
      note: 'Flickers when dimmed below a third',
      severity: 'unusable' as const,
      day: -9,
    },
  ]
  for (const { day, ...fault } of rows) {
    const reportedAt = findInstant(`${addDays(today, day)}T16:20`, zone).epochMs
    tx.insert(faults)
      .values({ ...fault, bookingId: null, reportedAt, mendedAt: null })
      .run()
    log('fault-reported', 'unit', fault.unitId, { fault })
  }
}

/** What there is of single things, each with its kind. */
function listServed() {
  const models = new Map(DEMO_MODELS.map((it) => [it.id, it]))
  return DEMO_UNITS.flatMap(({ tag, model: modelId }) => {
    const model = models.get(modelId)
    return model ? [{ unit: { id: tag, modelId }, model }] : []
  })
}

function fillLedger({ tx, log }: Writer, today: string): void {
  const nameOf = new Map(DEMO_MODELS.map((model) => [model.id, model]))
  const bought = DEMO_UNITS.flatMap((unit): Omit<Entry, 'version'>[] => {
    const model = nameOf.get(unit.model)
    if (unit.price === null || unit.daysAgo > 730 || !model) return []
    const gross = toMinor(unit.price) ?? 0
    // Prices are kept with tax; a sixth of what was paid is the 20 % on top of the net.
    const taxMinor = Math.round(gross / 6)
    return [
      {
        id: `e-${unit.tag}`,
        date: addDays(today, -unit.daysAgo),
        kind: 'purchase',
        category: model.category,
        description: `${unit.tag} ${nameModel(model)}`,
        netMinor: gross - taxMinor,
        taxMinor,
        wishId: null,
        refundOfId: null,
        partyId: 'vendor',
        unitId: unit.tag,
      },
    ]
  })
  const others: [
    id: string,
    daysAgo: number,
    kind: Entry['kind'],
    category: keyof typeof CATEGORIES,
    description: string,
    net: number,
    tax: number,
    unitId: string | null,
  ][] = [
    ['r-1', 410, 'repair', 'camera', 'CAM-01 card door replaced', 8_500, 1_700, 'CAM-01'],
    ['r-2', 230, 'repair', 'light', 'LGT-06 fan cleaned', 2_200, 440, 'LGT-06'],
    ['r-3', 96, 'repair', 'microphone', 'MIC-01 connector resoldered', 3_400, 680, 'MIC-01'],
    ['r-4', 18, 'repair', 'lens', 'LEN-05 estimate for the zoom ring', 4_000, 800, 'LEN-05'],
    ['s-1', 371, 'service', 'camera', 'CAM-01 yearly service', 6_000, 1_200, 'CAM-01'],
    ['s-2', 172, 'service', 'microphone', 'MIC-01 cleaned and tested', 2_500, 500, 'MIC-01'],
    ['c-1', 140, 'consumable', 'cell', 'AA cells, 48', 1_800, 360, null],
    ['c-2', 75, 'consumable', 'consumable', 'Cloth tape, six rolls', 3_900, 780, null],
    ['c-3', 21, 'consumable', 'cell', 'AA cells, 24', 950, 190, null],
    ['x-1', 130, 'sale', 'camera', 'Old P0 body, sold', 18_000, 0, null],
  ]
  const further = others.map(([id, daysAgo, kind, category, description, netMinor, taxMinor, unitId]) => ({
    id: `e-${id}`,
    date: addDays(today, -daysAgo),
    kind,
    category,
    description,
    netMinor,
    taxMinor,
    partyId: kind === 'repair' ? 'repairer' : null,
    unitId,
  }))
  for (const entry of [...bought, ...further]) {
    tx.insert(entries).values(entry).run()
    log('spent', 'entry', entry.id, { after: entry })
  }
  const year = Number(today.slice(0, 4))
  for (const [of, totalMinor] of [
    [year - 2, 900_000],
    [year - 1, 1_200_000],
    [year, 600_000],
  ] as const) {
    tx.insert(budgets).values({ year: of, totalMinor }).run()
    log('changed', 'budget', String(of), { totalMinor })
  }
}
