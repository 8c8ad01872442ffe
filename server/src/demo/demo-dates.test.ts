import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { findDate, newSetupSchema, newUnitSchema, studioSettingsSchema } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { routes } from '../api.ts'
import { countRows, makeTestConfig, NO_CONNECTION } from '../foundation/api.fixture.ts'
import { type AppContext, makeSystemActor, openContext } from '../foundation/database/app-context.ts'
import { units } from '../schema/kit-tables.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { fillDemo } from './fill-demo.ts'

function withDemo(now: number, look: (app: AppContext) => void): void {
  const folder = mkdtempSync(join(tmpdir(), 'exemplar-demo-'))
  const app = openContext(makeTestConfig(folder, now))
  fillDemo(app)
  look(app)
  app.db.$client.close()
  rmSync(folder, { recursive: true, force: true })
}

// biome-ignore lint/suspicious/noExplicitAny: a look into replies of several shapes
function ask(app: AppContext, path: string, params: Record<string, string> = {}, query: unknown = {}): any {
  const route = routes.find((it) => it.method === 'get' && it.path === path)
  return route?.handle(
    { params, body: undefined, query, version: 0, actor: makeSystemActor(), connection: NO_CONNECTION },
    app,
  )
}

describe('the demo on any day', () => {
  // The turn of a year, a leap day, both days on which the clocks change in London, and a summer evening.
  test.each([
    ['2027-01-01T00:00:00Z'],
    ['2028-02-29T12:00:00Z'],
    ['2027-03-27T23:59:00Z'],
    ['2026-10-24T08:00:00Z'],
    ['2026-07-14T20:30:00Z'],
  ])('%s: the eight problems are there', (instant) => {
    withDemo(Date.parse(instant), (app) => {
      const { zone } = loadStudio(app.db)
      const keys = (setup: string, bookingId: string) =>
        ask(app, '/setups/:id/readiness', { id: setup }, { bookingId }).findings.map((it: { key: string }) => it.key)
      expect(keys('gi', 'b-head')).toEqual(['need-unmet/MIC-02/bay', 'thing-absent/TRI-01', 'noise-fault/LGT-06/f-fan'])
      expect(keys('pb', 'b-graft')).toEqual([
        'need-unmet/LGT-03/inlet',
        'work-around/CAM-06/no screen that turns, needs the small monitor',
      ])
      expect(keys('lr', 'b-winter')).toEqual(
        expect.arrayContaining(['cards-short/CAM-03', 'packs-short/pack-fenn-b', 'thing-absent/LEN-05']),
      )
      const from = findDate(Date.parse(instant), zone)
      expect(ask(app, '/bookings', {}, { from, days: 14 }).collisions).toHaveLength(1)
      expect(ask(app, '/bookings/:id/check', { id: 'b-seedheads' }).troubles).toMatchObject([
        { tag: 'RAI-01', absence: { reason: 'goes-back' } },
      ])
    })
  })

  test('filling a second time changes nothing', () => {
    withDemo(Date.UTC(2026, 10, 24), (app) => {
      const before = countRows(app)
      fillDemo(app)
      expect(countRows(app)).toEqual(before)
    })
  })

  test('holds what was promised, and all of it passes the schemas that people’s own entries pass', () => {
    withDemo(Date.UTC(2026, 10, 24), (app) => {
      const rows = app.db.select().from(units).all()
      expect(rows).toHaveLength(150)
      for (const row of rows) expect(newUnitSchema.safeParse(row).success, row.tag).toBe(true)
      expect(studioSettingsSchema.safeParse(loadStudio(app.db)).success).toBe(true)
      const setups = ask(app, '/setups')
      expect(setups.map((it: { tape: string }) => it.tape).sort()).toEqual([
        'clay',
        'fern',
        'plum',
        'sky',
        'slate',
        'straw',
      ])
      for (const setup of setups) expect(newSetupSchema.safeParse(setup).success, setup.name).toBe(true)
      expect(ask(app, '/people')).toHaveLength(3)
      expect(ask(app, '/units', {}, { limit: 500, only: 'borrowed' }).rows).toHaveLength(1)
      expect(rows.some((row) => row.acquisition === 'gift')).toBe(true)
      for (const year of [2024, 2025, 2026])
        expect(ask(app, '/ledger/entries', {}, { year }).length, String(year)).toBeGreaterThan(0)
    })
  })
})
