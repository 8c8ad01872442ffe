import { afterAll, beforeAll, expect, test } from 'vitest'
import { startApi, type TestApi } from '../../../../server/src/foundation/api.fixture.ts'
import { listStatements } from '../../../../server/src/foundation/statements.fixture.ts'
import { JOBS } from '../../../../server/src/jobs.ts'
import { SUBJECT_OF } from '../../../../server/src/studio/history/changed-subjects.ts'
import { readsOf } from './reads.ts'

const WEEK = 'from=2026-11-23&to=2026-11-30'

/** One request for each query of the pages. */
const ASKED: Record<string, string> = {
  people: '/people',
  parties: '/parties',
  places: '/places',
  interfaces: '/interfaces',
  units: '/units',
  unit: '/units/CAM-01',
  stock: '/stock',
  setups: '/setups',
  setup: '/setups/gi',
  readiness: '/setups/gi/readiness',
  diary: `/bookings?${WEEK}`,
  booking: '/bookings/b-head',
  bench: '/bench',
  repairs: '/repairs',
  readings: '/readings',
  supplies: '/supplies',
  reliability: '/reliability',
  services: '/services',
  upkeep: '/units/CAM-01/upkeep',
  spending: '/ledger/spending?year=2026',
  entries: '/ledger/entries?year=2026',
  shopping: '/shopping',
  today: '/today',
  models: '/models',
  cableStock: '/cable-stock',
  able: '/able?wants=dims',
  kitViews: '/kit-views',
  stocktakes: '/stocktakes',
  snapshots: '/snapshots',
  schedule: '/kit-schedule',
  duties: '/kit-duties',
  orders: '/orders',
  forSale: '/ledger/for-sale',
  cameras: '/cameras',
  films: '/films',
  photos: '/photos',
  place: '/places/studio',
  placeSun: '/places/studio/sun',
}

let api: TestApi
beforeAll(async () => {
  api = await startApi({ demo: true })
})
afterAll(() => api.close())

/** Subjects of the tables that some work reads. */
async function listRead(work: () => unknown): Promise<string[]> {
  api.app.db.cache.clear()
  const statements = await listStatements(api.app, work)
  const tables = statements.flatMap((sql) => [...sql.matchAll(/(?:from|join)\s+"?(\w+)"?/gi)].map(([, name]) => name))
  return [...new Set(tables.flatMap((name) => (SUBJECT_OF as Record<string, string>)[name ?? ''] ?? []))].sort()
}

async function expectTold(name: string, work: () => unknown): Promise<void> {
  const told: readonly string[] = readsOf(name as never)
  const read = await listRead(work)
  expect(read.length).toBeGreaterThan(0)
  expect(read.filter((subject) => !told.includes(subject))).toEqual([])
}

test.each(Object.entries(ASKED))('what %s shows loads again after whatever it was read from is changed', (name, path) =>
  expectTold(name, async () => {
    const { status } = await api.call('GET', path)
    expect(status).toBe(200)
  }),
)

test('so does what a thread of its own works out', async () => {
  await expectTold('figures', () => JOBS.figures(api.app, { sharing: 'full' }))
  await expectTold('resilience', () => JOBS['single-points'](api.app))
})
