import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import { NO_SUPPLY } from '@exemplar/core'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { match, startApi, type TestApi } from '../api.fixture.ts'
import { listMigrations } from './database.ts'

/**
 * A database as the release before the rooms were rebuilt left it: the demo with a risk that was accepted, roles that are
 * given by a feature or left empty, a view, an attachment, and changes that can be taken back.
 */
const RELEASE = join(import.meta.dirname, 'release')
const unpack = (name: string) => gunzipSync(readFileSync(join(RELEASE, name)))
const WAS = JSON.parse(readFileSync(join(RELEASE, 'release-0007.json'), 'utf8'))

/** What codes are called now. */
const RENAMED: Record<string, string> = {
  'double-duty': 'shared-item',
  'given-lacking': 'provided-lacking',
  'link-slow': 'cable-slow',
  'link-trouble': 'cable-run-trouble',
}

let api: TestApi
beforeAll(async () => {
  const folder = mkdtempSync(join(tmpdir(), 'exemplar-release-'))
  mkdirSync(folder, { recursive: true })
  writeFileSync(join(folder, 'exemplar.sqlite'), unpack('release-0007.sqlite.gz'))
  cpSync(join(RELEASE, 'attachments'), join(folder, 'attachments'), { recursive: true })
  api = await startApi({ folder })
})
afterAll(() => {
  api.close()
  rmSync(api.folder, { recursive: true, force: true })
})

/** What is judged now and was not then: a camera beside the live cut, a cut that nothing keeps, and sound that nothing keeps as a stop. */
function judgedSince(id: string, then: readonly string[]): string[] {
  // What an arm stands on of which no more is known than that it is one is asked since.
  if (id === 'pb') return [...then, 'unknown-stop foot-unknown']
  // What is wrong with things that work on is told beside the setup. Its card says f/2.8, and nobody wrote down whether its lens has it.
  if (id === 'gi') return [...then, 'warn fault-open', 'unknown look-unknown']
  if (id !== 'lr') return [...then]
  const others = then.filter((it) => it !== 'warn sound-unrecorded' && it !== 'stop packs-short')
  // The packs that are short are those of a screen that is only wanted. Which camera is on which tripod nobody had said there,
  // and the weakest of them does not bear the heaviest.
  return [
    ...others,
    'stop sound-unrecorded',
    'stop camera-not-cut',
    'advise cut-unkept',
    'warn packs-short',
    'unknown-stop joint-unsure',
  ]
}

const get = async (path: string) => (await api.call('GET', path)).body

describe('a database of the release before', () => {
  test('is brought to the newest schema', () => {
    const applied = api.app.db.$client.prepare('SELECT count(*) FROM __drizzle_migrations').pluck().get()
    expect(applied).toBe(listMigrations().length)
  })

  test.each(['gi', 'pb', 'lr'])('the verdict of %s is the same, and what was accepted is', async (id) => {
    const { findings, workings, totalMassGrams } = await get(`/setups/${id}/readiness`)
    const say = (it: { level: string; code: string; accepted?: unknown }) =>
      `${it.level} ${RENAMED[it.code] ?? it.code}${it.accepted ? ' accepted' : ''}`
    expect(findings.map(say).sort()).toEqual([...judgedSince(id, WAS[id].findings.map(say))].sort())
    expect(workings.map((it: { formula: string; level: string }) => [it.formula, it.level])).toEqual(
      WAS[id].workings.map(({ formula, level }: { formula: string; level: string }) => [
        formula,
        // Of the screen alone, which is only wanted.
        id === 'lr' && formula === 'pack-hours' ? 'warn' : level,
      ]),
    )
    // The lens in repair is not there, so it weighs nothing there any more.
    const inRepair = id === 'lr' ? 1_100 : 0
    expect(totalMassGrams).toBe(WAS[id].totalMassGrams - inRepair)
  })

  test('its kit file is the same', async () => {
    const kit = await get('/export/kit.json')
    // What somebody looked for and it has not came since.
    for (const { specs } of kit.models) {
      expect(specs.none).toEqual([])
      delete specs.none
    }
    // So did whom it serves that a thing is sold, codes for viewers, what was paid in full, and what controls a thing from elsewhere.
    for (const unit of kit.units) {
      const { interestKind, viewerCode, paidInFull, coverUntil, coverAccidents, ...known } = unit.provenance
      const { coverYearMinor, claimSteps, claimDays, keptBecause, keptUntil, ...provenance } = known
      // And bought cover, how to claim, and why it is kept.
      expect([coverUntil, coverAccidents, coverYearMinor, claimSteps, claimDays]).toEqual([
        null,
        'unsaid',
        null,
        '',
        null,
      ])
      expect([keptBecause, keptUntil]).toEqual(['', null])
      for (const it of unit.software) {
        expect([it.newestVersion, it.checkedOn]).toEqual(['', null])
        delete it.newestVersion
        delete it.checkedOn
      }
      // And whether it is charged: nobody said so then.
      expect([interestKind, viewerCode, paidInFull, unit.controlledBy, unit.charge]).toEqual([
        'unsaid',
        null,
        false,
        [],
        null,
      ])
      // What is asked for it, and the film by which a promise was kept, came with the sales and the films.
      expect(provenance.askMinor).toBeNull()
      delete provenance.askMinor
      for (const it of provenance.duties) {
        expect(it.filmId).toBeNull()
        delete it.filmId
      }
      unit.provenance = provenance
      delete unit.controlledBy
      delete unit.charge
    }
    // Where on the earth a room is came with the sun.
    for (const { details } of kit.places) {
      expect(details.position).toBeNull()
      delete details.position
    }
    for (const it of kit.stock) {
      expect(it.supply).toEqual(NO_SUPPLY)
      delete it.supply
    }
    const was = JSON.parse(unpack('release-0007.kit.json.gz').toString('utf8'))
    // Connectors that became standard since are there beside those that were.
    const known = new Set(was.interfaces.map(({ code }: { code: string }) => code))
    kit.interfaces = kit.interfaces.filter(({ code }: { code: string }) => known.has(code))
    expect(kit).toEqual(was)
  })

  test('roles keep what they said, and views their columns', async () => {
    const { roles } = await get('/setups/gi')
    const role = (id: string) => roles.find((it: { id: string }) => it.id === id)
    expect(role('self-view').providedBy).toMatchObject({ kind: 'feature', feature: 'flipScreen' })
    expect(role('no-fill').intentionallyEmpty).toBe(true)
    const views = await get('/kit-views')
    expect(views.find((it: { name: string }) => it.name === 'Ours').columns).toEqual(['kind', 'usedIn', 'place'])
  })

  test('its attachments are there', async () => {
    const list = await get('/attachments?subjectType=unit&subjectId=CAM-01')
    expect(list.map((it: { name: string }) => it.name)).toContain('front.png')
    const file = await fetch(`${api.url}/api/attachments/${list[0].id}/file`, {
      headers: { cookie: api.cookieOf('manager') },
    })
    expect([file.status, (await file.arrayBuffer()).byteLength]).toEqual([200, 70])
  })

  test('what was changed before is taken back, with its old words put into the new', async () => {
    const changes = await get('/changes')
    for (const { id } of changes.filter((it: { canUndo: boolean }) => it.canUndo).slice(0, 4)) {
      expect((await api.call('POST', `/changes/${id}/undo`, {})).status).toBe(200)
    }
    const { roles, plannedMinutes, version } = await get('/setups/gi')
    expect(roles.map((it: { id: string }) => it.id)).not.toContain('self-view')
    expect(plannedMinutes).not.toBe(45)
    for (const role of roles) expect([role.deliberatelyNone, role.givenBy]).toEqual([undefined, undefined])
    const setup = await get('/setups/gi')
    expect((await api.call('PUT', '/setups/gi', setup, match(version))).status).toBe(200)
  })
})
