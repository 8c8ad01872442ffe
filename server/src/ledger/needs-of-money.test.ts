import { describe, expect, test } from 'vitest'
import { match } from '../foundation/api.fixture.ts'
import { useQuickEntry } from '../setups/quick-entry.fixture.ts'

const { api, call } = useQuickEntry()

const spend = (date: string, category: string, netMinor: number, taxMinor = 0, part: object = {}) =>
  call('POST', '/ledger/entries', {
    date,
    kind: 'purchase',
    category,
    description: 'Bought',
    netMinor,
    taxMinor,
    unitId: null,
    partyId: null,
    ...part,
  })

describe('spending', () => {
  test('[O02.1] the sum is exact to the penny, however many rows, and comes with the list', async () => {
    // Thirty times a third of a pound, which no binary fraction holds, and one penny.
    for (let n = 0; n < 30; n++) await spend('2026-03-01', 'light', 33, 7)
    await spend('2026-04-01', 'camera', 1)
    const spending = await call('GET', '/ledger/spending?year=2026')
    expect(spending.totalMinor).toBe(30 * 40 + 1)
    const entries = await call('GET', '/ledger/entries?year=2026')
    const added = entries.reduce(
      (sum: number, it: { netMinor: number; taxMinor: number }) => sum + it.netMinor + it.taxMinor,
      0,
    )
    expect(added).toBe(spending.totalMinor)
  })

  test('[O38.1] spent so far, this year and by kind, against the budget', async () => {
    await spend('2025-12-31', 'light', 5_000)
    await spend('2026-01-01', 'light', 2_000)
    await spend('2026-06-01', 'camera', 30_000, 6_000)
    await call('PUT', '/ledger/budget', { year: 2026, totalMinor: 40_000, version: 0 })
    const spending = await call('GET', '/ledger/spending?year=2026')
    expect(spending).toMatchObject({ totalMinor: 38_000, everMinor: 43_000, budgetMinor: 40_000 })
    expect(spending.byGroup).toMatchObject({ light: 2_000, camera: 36_000 })
  })
})

describe('money that comes back', () => {
  const pay = (netMinor: number, taxMinor: number, part: object = {}) =>
    spend('2026-03-02', 'light', netMinor, taxMinor, { description: 'A lamp', ...part })
  const rows = async () => (await call('GET', '/ledger/entries?year=2026')) as Row[]
  const rowOf = async (id: string) => (await rows()).find((it) => it.id === id) as Row
  const ask = async (id: string, netMinor: number, taxMinor = 0, date = '2026-04-01') =>
    api().call('POST', `/ledger/entries/${id}/refunds`, { date, netMinor, taxMinor }, match((await rowOf(id)).version))
  const correct = async (id: string, part: object) => {
    const {
      version,
      tag: _t,
      party: _p,
      wishId: _w,
      refundOfId: _r,
      backNetMinor: _n,
      backTaxMinor: _b,
      ...it
    } = await rowOf(id)
    const { id: _i, ...body } = it
    return api().call('PUT', `/ledger/entries/${id}`, { ...body, ...part }, match(version))
  }
  const total = async () => (await call('GET', '/ledger/spending?year=2026')).totalMinor

  interface Row {
    id: string
    version: number
    kind: string
    netMinor: number
    backNetMinor: number
    backTaxMinor: number
    [key: string]: unknown
  }

  test('a part, then the rest: each lessens what was spent in its own month, and not a penny more can come back', async () => {
    const paid = await pay(10_000, 2_000)
    expect(await total()).toBe(12_000)
    const part = await ask(paid.id, 3_000, 600)
    expect(part.status).toBe(201)
    expect(part.body).toMatchObject({ kind: 'refund', refundOfId: paid.id, description: 'Money back: A lamp' })
    expect(await total()).toBe(8_400)
    const spending = await call('GET', '/ledger/spending?year=2026')
    expect(spending.months[2].totalMinor).toBe(12_000)
    expect(spending.months[3].totalMinor).toBe(-3_600)
    expect(spending).toMatchObject({ everMinor: 8_400, byKind: { purchase: 12_000, refund: -3_600 } })
    expect(await rowOf(paid.id)).toMatchObject({ backNetMinor: 3_000, backTaxMinor: 600 })
    const more = await ask(paid.id, 7_001, 1_400)
    expect(more.status).toBe(422)
    expect(more.body.errors).toMatchObject([
      { pointer: '/netMinor', message: 'No more than £84.00 was left of it, with its tax.' },
    ])
    expect((await ask(paid.id, 6_000, 1_401)).body.errors[0].pointer).toBe('/taxMinor')
    expect((await ask(paid.id, 7_000, 1_400)).status).toBe(201)
    expect(await total()).toBe(0)
    expect((await ask(paid.id, 1)).status).toBe(422)
  })

  test('nothing comes back of a sale, of money that came back, of nothing, or before it was paid', async () => {
    const [paid, sold] = [await pay(10_000, 0), await pay(5_000, 0, { kind: 'sale' })]
    expect((await ask(sold.id, 1)).body.errors[0].pointer).toBe('/kind')
    expect((await ask(paid.id, 1, 0, '2026-03-01')).body.errors[0].pointer).toBe('/date')
    expect((await ask(paid.id, 0)).body.errors[0].pointer).toBe('/netMinor')
    const back = await ask(paid.id, 100)
    expect((await ask(back.body.id, 1)).body.errors[0].pointer).toBe('/kind')
    const told = await api().call('POST', '/ledger/entries', {
      ...{ date: '2026-03-02', kind: 'refund', category: 'light', description: 'x' },
      ...{ netMinor: 1, taxMinor: 0, unitId: null, partyId: null },
    })
    expect(told.body.errors).toMatchObject([{ pointer: '/kind' }])
  })

  test('a correction keeps to what came back, and what came back to what was paid', async () => {
    const paid = await pay(10_000, 2_000)
    const back = (await ask(paid.id, 6_000, 1_200)).body
    expect((await correct(paid.id, { netMinor: 5_199 })).body.errors[0]).toMatchObject({
      pointer: '/netMinor',
      message: '£72.00 of it came back already.',
    })
    expect((await correct(paid.id, { date: '2026-04-02' })).body.errors[0].pointer).toBe('/date')
    expect((await correct(paid.id, { kind: 'sale' })).body.errors[0].pointer).toBe('/kind')
    expect((await correct(paid.id, { kind: 'refund' })).body.errors[0].pointer).toBe('/kind')
    expect((await correct(paid.id, { netMinor: 6_000 })).status).toBe(200)
    expect((await correct(back.id, { netMinor: 6_001, taxMinor: 2_000 })).body.errors[0].pointer).toBe('/netMinor')
    expect((await correct(back.id, { category: 'camera' })).body.errors[0].pointer).toBe('/category')
    expect((await correct(back.id, { netMinor: 10, taxMinor: 0 })).status).toBe(200)
    expect(await total()).toBe(7_990)
  })

  test('what came back follows the thing of what was paid, and its kind', async () => {
    const lamp = await call('POST', '/units', { category: 'light', maker: 'Larch', name: 'Panel', facts: {} })
    const paid = await pay(10_000, 0)
    const back = (await ask(paid.id, 4_000)).body
    await correct(paid.id, { unitId: lamp.id, category: 'camera' })
    expect(await rowOf(back.id)).toMatchObject({ unitId: lamp.id, category: 'camera' })
  })

  test('a correction that was made before money came back cannot be taken back from under it', async () => {
    const paid = await pay(5_000, 0)
    const raised = await correct(paid.id, { netMinor: 9_000 })
    await ask(paid.id, 8_000)
    const undone = await api().call('POST', `/changes/${raised.headers.get('x-exemplar-change')}/undo`, {})
    expect([409, 422]).toContain(undone.status)
    expect((await rowOf(paid.id)).netMinor).toBe(9_000)
  })

  test('what money came back of cannot be taken back as if it had never been paid', async () => {
    const reply = await api().call('POST', '/ledger/entries', {
      ...{ date: '2026-03-02', kind: 'purchase', category: 'light', description: 'A lamp' },
      ...{ netMinor: 100, taxMinor: 0, unitId: null, partyId: null },
    })
    await ask(reply.body.id, 40)
    const undone = await api().call('POST', `/changes/${reply.headers.get('x-exemplar-change')}/undo`, {})
    expect([409, 422]).toContain(undone.status)
    expect(await total()).toBe(60)
  })

  test('money that came back of a thing lessens what it is said to have cost, and of a repair not its price', async () => {
    const lamp = await call('POST', '/units', { category: 'light', maker: 'Larch', name: 'Panel', facts: {} })
    const { version } = await call('GET', `/units/${lamp.id}`)
    await call('PATCH', `/units/${lamp.id}`, { priceMinor: 10_000, acquiredOn: '2024-11-24' }, version)
    const paid = await pay(10_000, 2_000, { unitId: lamp.id })
    const mended = await pay(3_000, 0, { unitId: lamp.id, kind: 'repair' })
    await ask(paid.id, 2_500, 500)
    await ask(mended.id, 1_000)
    const { rows: schedule } = await call('GET', '/kit-schedule')
    expect(schedule.find((it: { id: string }) => it.id === lamp.id).priceMinor).toBe(7_500)
    const { use } = await call('GET', '/kit-figures?sharing=full')
    // 110.00 over two years of 730 days, by the year.
    expect(use.find((it: { id: string }) => it.id === lamp.id).perYearMinor).toBe(5_504)
  })
})

describe('the shopping list has prices', () => {
  test('what one costs, as of a day and from whom, is kept, changed and taken off; older versions are told', async () => {
    const price = { kind: 'quote', netMinor: 4_000, taxMinor: 800, on: '2026-11-20', source: 'Sorrel' }
    const line = { item: 'Clamp', quantity: 3, reason: '', stockId: null, setupId: null }
    const made = await call('POST', '/shopping', { ...line, price })
    expect(made.price).toEqual(price)
    const next = { ...price, kind: 'seen', netMinor: 3_500, taxMinor: 700 }
    const changed = await call('PUT', `/shopping/${made.id}/price`, { price: next }, made.version)
    expect((await call('GET', '/shopping'))[0]).toMatchObject({ quantity: 3, price: next })
    const late = await api().call('PUT', `/shopping/${made.id}/price`, { price }, match(made.version))
    expect([409, 412]).toContain(late.status)
    await call('PUT', `/shopping/${made.id}/price`, { price: null }, changed.version)
    expect((await call('GET', '/shopping'))[0].price).toBeNull()
  })

  test('the crew may ask for something and sees no price of it', async () => {
    const price = { kind: 'seen', netMinor: 4_000, taxMinor: 800, on: '2026-11-20', source: '' }
    await call('POST', '/shopping', { item: 'Clamp', quantity: 1, reason: '', stockId: null, setupId: null, price })
    const seen = await api().as('crew')('GET', '/shopping')
    expect(JSON.stringify(seen.body)).not.toContain('4000')
    expect(JSON.stringify(seen.body)).not.toContain('4_000')
  })
})

describe('what the year will have cost', () => {
  const forecast = async () => (await call('GET', '/ledger/spending?year=2026')).forecast
  const wish = (category: string, name: string, part: object = {}) =>
    call('POST', '/wishes', {
      it: { category, name },
      prices: [{ kind: 'quote', netMinor: 10_000, taxMinor: 2_000, on: '2026-11-01', source: '' }],
      ...part,
    })
  const order = async (it: { id: string; version: number }, dueOn: string | null = null) =>
    call('POST', `/wishes/${it.id}/ordered`, { partyId: null, dueOn }, it.version)

  test('what is ordered counts with its tax until it is paid, what is counted by the piece as well, and what comes next year apart', async () => {
    await spend('2025-01-01', 'camera', 1)
    expect(await forecast()).toMatchObject({ recordedMinor: 0, totalMinor: 0, isAtLeast: false })
    const lamp = await order(await wish('light', 'Panel', { quantity: 2 }), '2026-12-31')
    await order(await wish('cell', 'AA', { quantity: 3 }))
    await order(await wish('tripod', 'Tall'), '2027-01-04')
    expect(await forecast()).toMatchObject({
      ordered: { minor: 24_000 + 36_000, count: 3, unknown: 0 },
      ...{ totalMinor: 60_000, laterMinor: 12_000, isAtLeast: false },
    })
    const arrived = { on: '2026-11-24', netMinor: 19_000, taxMinor: 3_800 }
    await call('POST', `/wishes/${lamp.id}/arrived`, arrived, lamp.version)
    expect(await forecast()).toMatchObject({ recordedMinor: 22_800, totalMinor: 22_800 + 36_000 })
  })

  test('an order without a price leaves the sum a least one; so does a first year', async () => {
    expect(await forecast()).toMatchObject({ runningMinor: null, isAtLeast: true })
    await spend('2025-01-01', 'camera', 1)
    await order(await wish('light', 'Panel', { prices: [] }))
    expect(await forecast()).toMatchObject({ ordered: { minor: 0, count: 1, unknown: 1 }, isAtLeast: true })
  })

  test('other years have none, and the crew sees no money of it', async () => {
    expect((await call('GET', '/ledger/spending?year=2025')).forecast).toBeNull()
    expect((await api().as('crew')('GET', '/ledger/spending')).status).toBe(403)
  })
})
