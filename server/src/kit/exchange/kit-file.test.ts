import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { makeMessyList } from '../../../../core/src/kit/import/messy-list.fixture.ts'
import { countRows, match, startApi, type TestApi } from '../../foundation/api.fixture.ts'

const RAW = { 'content-type': 'application/json' }

let full: TestApi
let empty: TestApi
beforeEach(async () => {
  full = await startApi({ demo: true })
  empty = await startApi()
  // What controls a thing from elsewhere is a table of its own, and in the file all the same.
  await full.call('PUT', '/units/LGT-06/controllers', { unitIds: ['LGT-02'] }, match(1))
})
afterEach(() => {
  full.close()
  empty.close()
})

const exportKit = async (api: TestApi) => {
  const response = await fetch(`${api.url}/api/export/kit.json`, { headers: { cookie: api.cookieOf('manager') } })
  return response.text()
}

describe('a kit file', () => {
  test('exported, brought into an empty Exemplar and exported again is the same byte for byte', async () => {
    const file = await exportKit(full)
    const { status, body } = await empty.call('POST', '/import/kit-file', file, RAW)
    expect(status).toBe(201)
    expect(body.fresh.units).toBeGreaterThan(30)
    expect((await exportKit(empty)) === file).toBe(true)
    expect(file).toContain('"controlledBy":["LGT-02"]')
    const before = countRows(empty.app)
    expect((await empty.call('POST', '/import/kit-file', file, RAW)).body.fresh.units).toBe(0)
    expect(countRows(empty.app)).toEqual(before)
  })

  test('so is a list that somebody kept for years', async () => {
    const { csv, bad } = makeMessyList()
    const messy = await startApi()
    await messy.call('POST', '/import/inventory', { csv, corrections: bad })
    const file = await exportKit(messy)
    messy.close()
    await empty.call('POST', '/import/kit-file', file, RAW)
    expect((await exportKit(empty)) === file).toBe(true)
  })

  test('is looked at without writing, and taken back as one change', async () => {
    const file = await exportKit(full)
    const before = countRows(empty.app)
    expect((await empty.call('POST', '/import/kit-file/preview', file, RAW)).body.fresh.models).toBeGreaterThan(20)
    expect(countRows(empty.app)).toEqual(before)
    const done = await empty.call('POST', '/import/kit-file', file, RAW)
    await empty.call('POST', `/changes/${done.headers.get('x-exemplar-change')}/undo`, {})
    const { units, models, places, people } = countRows(empty.app)
    expect({ units, models, places, people }).toEqual({
      units: before.units,
      models: before.models,
      places: before.places,
      people: before.people,
    })
  })

  test('changes what differs, brings back what was archived, and keeps what a person is beyond a name', async () => {
    const file = await exportKit(full)
    const { body: page } = await full.call('GET', '/units/CAM-06')
    await full.call('PATCH', '/units/CAM-06', { note: 'something else' }, match(page.version))
    const people = (await full.call('GET', '/people')).body
    const { body } = await full.call('POST', '/import/kit-file', file, RAW)
    expect(body.changed.units).toBe(1)
    expect((await full.call('GET', '/units/CAM-06')).body.unit.note).toBe(page.unit.note)
    expect((await full.call('GET', '/people')).body).toEqual(people)
  })

  test('that is wrong somewhere brings nothing', async () => {
    const file = await exportKit(full)
    const before = countRows(empty.app)
    for (const broken of [
      '',
      'no JSON',
      '{}',
      file.slice(0, -100),
      file.replace('"CAM-06"', '"CAM 06"'),
      file.replace('"modelId":"', '"modelId":"x'),
    ]) {
      const { status, body } = await empty.call('POST', '/import/kit-file', broken, RAW)
      expect([status, body.title]).toEqual([422, 'Nothing was imported'])
      expect(body.detail.length).toBeGreaterThan(20)
    }
    expect(countRows(empty.app)).toEqual(before)
  })
})

test('the list for a spreadsheet has no amounts for the crew, runs no formula, and follows the filter', async () => {
  const { body: page } = await full.call('GET', '/units/CAM-06')
  await full.call('PATCH', '/units/CAM-06', { note: '=1+1', priceMinor: 123_456 }, match(page.version))
  const asManager = (await full.call('GET', '/export/inventory.csv?find=CAM-06')).body as string
  expect(asManager).toContain("'=1+1")
  expect(asManager).toContain('1234.56')
  expect(asManager.trim().split('\r\n')).toHaveLength(2)
  const asCrew = (await full.as('crew')('GET', '/export/inventory.csv')).body as string
  expect(asCrew).toContain('CAM-06')
  expect(asCrew).not.toContain('1234.56')
})
