import { crc32, deflateSync } from 'node:zlib'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { CLIENT, countRows, match, startApi, type TestApi } from './api.fixture.ts'

let api: TestApi
beforeAll(async () => {
  api = await startApi({ demo: true })
})
afterAll(() => api.close())

const nest = (depth: number) => `${'['.repeat(depth)}${']'.repeat(depth)}`

/** How long one request takes, beside one that asks for nothing. */
async function timeOf(work: () => Promise<unknown>): Promise<number> {
  const start = performance.now()
  await work()
  return performance.now() - start
}

describe('[S10] no request holds up everybody else', () => {
  test('what nobody who is signed in sends is small and shallow', async () => {
    const post = (body: string) => api.as(null)('POST', '/access/sign-in', body)
    const long = await post(`{"signInName":"a","password":"${'x'.repeat(20_000)}"}`)
    expect([long.status, long.body.detail]).toEqual([413, 'What was sent is larger than 16 kB. Split it.'])
    const deep = await post(nest(2_000))
    expect([deep.status, deep.body.detail]).toEqual([400, 'What was sent is nested more than 32 levels deep.'])
    // Brackets in a text are text.
    expect((await post(JSON.stringify({ signInName: 'a', password: nest(200) }))).status).toBe(401)
    expect((await post(JSON.stringify({ signInName: 'a', password: '"\\"[[[' }))).status).toBe(401)
  })

  test('whoever may not is refused before anything of theirs is read', async () => {
    const big = `{"csv":"${'x'.repeat(4_000_000)}"}`
    expect(
      (
        await api
          .as(null)('POST', '/import/inventory', big)
          .catch(() => ({ status: 401 }))
      ).status,
    ).toBe(401)
    expect(
      (
        await api
          .as('viewer')('POST', '/import/inventory', big)
          .catch(() => ({ status: 403 }))
      ).status,
    ).toBe(403)
  })

  test.each([
    ['JSON', 'POST', '/people'],
    ['a kit file', 'POST', '/import/kit-file'],
    ['a kit file to look at', 'POST', '/import/kit-file/preview'],
  ])('%s that is nested without end is refused by counting', async (_, method, path) => {
    for (const depth of [33, 100_000, 400_000]) {
      const { status, body } = await api.call(method, path, nest(depth))
      expect([status, body.detail]).toEqual([400, 'What was sent is nested more than 32 levels deep.'])
    }
  })

  test.each<[string, string, string, string]>([
    ['from year 1', '0001-01-01T10:00', '2026-12-01T10:00', 'A year lies from 1850 to 2199.'],
    ['to year 9999', '2026-12-01T10:00', '9999-12-01T10:00', 'A year lies from 1850 to 2199.'],
    ['of more than a year', '2026-12-01T10:00', '2027-12-02T10:01', 'A booking lasts at most 366 days.'],
  ])('a booking %s is refused at its field', async (_, startsAt, endsAt, said) => {
    const body = {
      kind: 'shoot',
      title: 'x',
      setupId: 'gi',
      unitIds: [],
      placeId: null,
      personIds: [],
      startsAt,
      endsAt,
      rigMinutes: 0,
      strikeMinutes: 0,
      state: 'pencilled',
      note: '',
    }
    for (const path of ['/bookings', '/bookings/check']) {
      const reply = await api.call('POST', path, body)
      expect([path, reply.status, reply.body.errors[0].message]).toEqual([path, 422, expect.stringContaining(said)])
    }
    const exact = { ...body, startsAt: '2027-01-01T10:00', endsAt: '2028-01-02T10:00' }
    expect((await api.call('POST', '/bookings/check', exact)).status).toBe(200)
  })

  test('a list of a million headings, or of more lines than are taken, ends at the first that is too much', async () => {
    const wide = await api.call('POST', '/import/inventory/preview', { csv: `model${',x'.repeat(1_000_000)}\nA` })
    expect(wide.body.fileProblems).toEqual([expect.stringContaining('Exemplar takes at most 200 columns')])
    const long = await api.call('POST', '/import/inventory/preview', {
      csv: `model,category\n${'A,light\n'.repeat(30_000)}`,
    })
    expect(long.body.fileProblems).toEqual([expect.stringContaining('at most 20000 lines at once')])
    // At the limit it is taken.
    const heads = `model,category${Array.from({ length: 198 }, (_, n) => `,own ${n}`).join('')}`
    expect(
      (await api.call('POST', '/import/inventory/preview', { csv: `${heads}\nA,light` })).body.fileProblems,
    ).toEqual([])
  })

  test('a list with as many corrections as lines is read in time that grows with the lines alone', async () => {
    const ask = (lines: number) =>
      timeOf(() =>
        api.call('POST', '/import/inventory/preview', {
          csv: `model,category\n${Array.from({ length: lines }, (_, n) => `Lamp ${n},light`).join('\n')}`,
          corrections: Array.from({ length: lines }, (_, n) => ({ line: n + 2, column: 'model', value: `Lamp ${n}b` })),
        }),
      )
    await ask(500)
    // The best of several of each, in turn: a slow moment of the machine is no growth.
    const [small, large]: [number[], number[]] = [[], []]
    for (let n = 0; n < 3; n++) {
      small.push(await ask(1_500))
      large.push(await ask(6_000))
    }
    // Four times as many: about four times as long, and sixteen times where each line looked through all corrections.
    expect(Math.min(...large) / Math.min(...small)).toBeLessThan(9)
  }, 60_000)
})

describe('a purchase of many things', () => {
  const box = (category: string, quantities: number[], isThere = true) => ({
    title: 'A box',
    priceMinor: 100_00,
    taxMinor: 0,
    on: '2026-11-01',
    partyId: null,
    placeId: null,
    acquisition: 'bought-new',
    staysTogether: false,
    parts: quantities.map((quantity, at) => ({
      category,
      maker: '',
      name: `Part ${at}`,
      quantity,
      isThere,
      aloneMinor: null,
    })),
  })

  test('has so many with a tag of their own at most, and any number of what is counted or not there', async () => {
    const refused = await api.call('POST', '/bundles', box('light', [100, 101]))
    expect([refused.status, refused.body.errors[0].pointer]).toEqual([422, '/parts'])
    expect(refused.body.detail).toContain('At most 200 things')
    const taken = await api.call('POST', '/bundles', box('stand', [100, 100]))
    expect([taken.status, taken.body.tags.length]).toEqual([201, 200])
    expect((await api.call('POST', '/bundles', box('cell', [400, 400]))).status).toBe(201)
    expect((await api.call('POST', '/bundles', box('lens', [400], false))).status).toBe(201)
  })
})

/** A picture of one colour as large as can be said, in a few bytes (PNG, W3C Recommendation, 5). */
function makeVastPng(side: number): Buffer {
  const chunk = (type: string, data: Buffer) => {
    const head = Buffer.concat([Buffer.from(type), data])
    const size = Buffer.alloc(4)
    size.writeUInt32BE(data.length)
    const sum = Buffer.alloc(4)
    sum.writeUInt32BE(crc32(head))
    return Buffer.concat([size, head, sum])
  }
  const header = Buffer.alloc(13)
  header.writeUInt32BE(side, 0)
  header.writeUInt32BE(side, 4)
  header.set([1, 0, 0, 0, 0], 8)
  const row = Buffer.alloc(1 + Math.ceil(side / 8))
  const rows = deflateSync(Buffer.concat(Array.from({ length: Math.min(side, 2_000) }, () => row)))
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', header),
    chunk('IDAT', rows),
    chunk('IEND', Buffer.alloc(0)),
  ])
}

describe('[S11] what unpacks to more than it is', () => {
  test('a photo of 400 megapixels is refused by what it says of itself, with the limit in the sentence', async () => {
    const { status, body } = await api.call(
      'POST',
      '/attachments?subjectType=unit&subjectId=CAM-01&name=a.png',
      makeVastPng(20_000),
      {
        'content-type': 'image/png',
      },
    )
    expect([status, body.detail]).toEqual([
      413,
      'This photo has 400 megapixels; at most 110 can be taken. Save it smaller.',
    ])
  })
})

describe('[S17] numbers that add up to more than a shelf', () => {
  test('buying on top of a hundred thousand is refused with the sum, and the kit still goes out as a file', async () => {
    const { version } = (await api.call('GET', '/stock')).body.find((it: { id: string }) => it.id === 'BAG-01')
    expect((await api.call('POST', '/stock/BAG-01/count', { quantity: 100_000 }, match(version))).status).toBe(200)
    const line = { item: 'Sandbags', quantity: 1, reason: '', stockId: 'BAG-01', setupId: null }
    const { id } = (await api.call('POST', '/shopping', line)).body
    const rows = countRows(api.app)
    const bought = await api.call('POST', `/shopping/${id}/bought`, {}, match(1))
    expect([bought.status, bought.body.detail]).toEqual([
      422,
      expect.stringContaining('100001 of one kind; Exemplar counts at most 100000'),
    ])
    expect(countRows(api.app)).toEqual(rows)
    for (const path of ['/export/kit.json', '/export', '/export/inventory.csv']) {
      const reply = await fetch(`${api.url}/api${path}`, { headers: { ...CLIENT, cookie: api.cookieOf('manager') } })
      expect([path, reply.status]).toEqual([path, 200])
      await reply.arrayBuffer()
    }
  })
})
