import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { makeMessyList } from '../../../../core/src/kit/import/messy-list.fixture.ts'
import { CLIENT, countRows, match, startApi, type TestApi } from '../../foundation/api.fixture.ts'

const EXAMPLE = readFileSync(join(import.meta.dirname, '../../../../docs/examples/inventory.csv'), 'utf8')

let api: TestApi

async function list(query: string): Promise<{ name: string; place: string | null }[]> {
  return (await api.call('GET', `/units?${query}`)).body.rows
}

describe('importing the example into an empty Exemplar', () => {
  beforeEach(async () => {
    api = await startApi()
  })
  afterEach(() => api.close())

  test('the preview says what every line becomes and writes nothing', async () => {
    const before = countRows(api.app)
    const { body } = await api.call('POST', '/import/inventory/preview', { csv: EXAMPLE })
    expect(body).toMatchObject({
      isClean: false,
      counts: { things: 35, stock: 4, models: 31, places: 2, bad: 1, leftOut: 0 },
    })
    expect(body.lines[38]).toMatchObject({
      line: 40,
      outcome: 'bad',
      problems: [{ column: 'acquired on', received: '14 May' }],
    })
    expect(countRows(api.app)).toEqual(before)
  })

  test('with the bad line nothing comes in; without it everything else does, in one go', async () => {
    const before = countRows(api.app)
    const refused = await api.call('POST', '/import/inventory', { csv: EXAMPLE })
    expect([refused.status, refused.body.detail]).toEqual([
      422,
      'Line 40: "14 May" in column "acquired on" cannot be read. Write a day such as 2024-03-14.',
    ])
    expect(refused.body.report.counts.bad).toBe(1)
    expect(countRows(api.app)).toEqual(before)
    const done = await api.call('POST', '/import/inventory', { csv: EXAMPLE, leaveOut: [40] })
    expect([done.status, done.body.counts.things]).toEqual([201, 35])
    expect(countRows(api.app)).toMatchObject({ units: 35, stock: 4, models: 31, places: 2 })
    const [camera] = await list('find=HCA-01')
    expect(camera).toMatchObject({ name: 'Wend K5 body', place: 'Herbarium case' })
  })

  test('the same file again changes nothing, and is no change', async () => {
    await api.call('POST', '/import/inventory', { csv: EXAMPLE, leaveOut: [40] })
    const before = countRows(api.app)
    const again = await api.call('POST', '/import/inventory', { csv: EXAMPLE, leaveOut: [40] })
    expect([again.status, again.body.counts.same]).toEqual([201, 39])
    expect(again.headers.get('x-exemplar-change')).toBe(null)
    expect(countRows(api.app)).toEqual(before)
  })

  test('a second file finds models, places and mounts that the first one brought', async () => {
    await api.call('POST', '/import/inventory', { csv: EXAMPLE, leaveOut: [40] })
    const csv =
      'maker,model,category,place,mount,serial\nWend,K5 body,camera,herbarium CASE,wend k,K5-NEW\nWend,90 f/4,lens,Attic,Wend K,'
    const { body } = await api.call('POST', '/import/inventory', { csv })
    expect(body.counts).toMatchObject({ things: 2, models: 1, places: 1 })
    const { body: interfaces } = await api.call('GET', '/interfaces')
    expect(interfaces.filter((it: { label: string }) => it.label.toLowerCase() === 'wend k')).toHaveLength(1)
  })

  test('leaving everything out is no import', async () => {
    const { status, body } = await api.call('POST', '/import/inventory', {
      csv: 'model,category\nA,light',
      leaveOut: [2],
    })
    expect([status, body.detail]).toEqual([422, 'Every line was left out, so there is nothing to bring in.'])
  })
})

describe('a list that somebody kept for years', () => {
  const messy = makeMessyList()
  beforeEach(async () => {
    api = await startApi()
  })
  afterEach(() => api.close())

  test('comes in right, exported and read back it changes nothing, and taken back nothing of it is left', async () => {
    const before = countRows(api.app)
    const done = await api.call('POST', '/import/inventory', { csv: messy.csv, corrections: messy.bad })
    expect(done.body.counts).toMatchObject({ things: messy.things, stock: messy.stock, repeats: messy.repeats })
    const { body: csv } = await api.call('GET', '/export/inventory.csv')
    const again = await api.call('POST', '/import/inventory', { csv })
    expect(again.body.lines.filter((it: { outcome: string }) => it.outcome !== 'same')).toEqual([])
    await api.call('POST', `/changes/${done.headers.get('x-exemplar-change')}/undo`, {})
    const { units, stock, models, places, column_maps: maps } = countRows(api.app)
    const wanted = { units: before.units, stock: before.stock, models: before.models, places: before.places, maps: 0 }
    expect({ units, stock, models, places, maps }).toEqual(wanted)
  })

  test('what its headings meant is remembered for the next list like it', async () => {
    const csv = 'Bezeichnung;Art;Wo\nLampe 1;light;Store'
    const asked = await api.call('POST', '/import/inventory/preview', { csv })
    expect(asked.body.fileProblems[0]).toContain('which column names the things')
    await api.call('POST', '/import/inventory', { csv, columns: ['model', 'category', 'place'] })
    const next = await api.call('POST', '/import/inventory/preview', { csv: csv.replace('Lampe 1', 'Lampe 2') })
    expect([next.body.columns, next.body.counts.things]).toEqual([['model', 'category', 'place'], 1])
  })
})

describe('an import that tells how far it is', () => {
  const makeCsv = (length: number) =>
    `model,category,place\n${Array.from({ length }, (_, n) => `Lamp ${n},light,Shelf ${n % 7}`).join('\n')}`
  beforeEach(async () => {
    api = await startApi()
  })
  afterEach(() => api.close())

  const begin = (length: number, signal?: AbortSignal) =>
    fetch(`${api.url}/api/import/inventory/told`, {
      method: 'POST',
      headers: { ...CLIENT, cookie: api.cookieOf('manager'), 'content-type': 'application/json' },
      body: JSON.stringify({ csv: makeCsv(length) }),
      signal: signal ?? null,
    })

  test('tells lines done of all, then the report and which change it was', async () => {
    const text = await (await begin(1500)).text()
    const lines = text
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line))
    const last = lines.pop()
    expect(lines.length).toBeGreaterThan(1)
    for (const { done, total } of lines) expect([done > 0, total]).toEqual([true, 1500])
    expect([last.report.counts.things, last.changeId > 0]).toEqual([1500, true])
    expect(countRows(api.app).units).toBe(1500)
  })

  test('broken off on the way it leaves nothing', async () => {
    const before = countRows(api.app)
    const leave = new AbortController()
    const reader = (await begin(12_000, leave.signal)).body?.getReader()
    await reader?.read()
    leave.abort()
    await reader?.read().catch(() => {})
    // Far longer than the whole takes.
    await new Promise((done) => setTimeout(done, 1500))
    expect(countRows(api.app)).toEqual(before)
  })

  test('[S12] it ends while others write without a pause: what is not in the kit is no matter to it', async () => {
    let isOver = false
    let written = 0
    const others = (async () => {
      while (!isOver) {
        await api.call('POST', '/people', { name: `Somebody ${written++}`, skills: [], note: '' })
      }
    })()
    const text = await (await begin(3_000)).text()
    isOver = true
    await others
    expect(text).toContain('"report"')
    expect(written).toBeGreaterThan(3)
    expect(countRows(api.app).units).toBe(3_000)
  })

  test('[S12] while others change the kit itself a list of usual length comes in all the same, a long one says what moved', async () => {
    let isOver = false
    const { id } = (await api.call('POST', '/units', { category: 'light', name: 'Restless lamp' })).body
    const others = (async () => {
      for (let version = 1; !isOver; version++) {
        await api.call('PATCH', `/units/${id}`, { note: `moved ${version}` }, match(version))
      }
    })()
    const usual = await (await begin(1_500)).text()
    const long = await (await begin(2_100)).text()
    isOver = true
    await others
    expect(usual).toContain('"things":1500')
    expect(long).toMatch(/"detail":"Others changed LGT-[0-9]+ each time the list was read/)
    // Nothing of the long one, all of the other, and the lamp.
    expect(countRows(api.app).units).toBe(1_501)
  })
})
