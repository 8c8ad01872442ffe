import type { Finding, PlanReply, WishesReply, WishRow } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { makeDraft, type Thing, useQuickEntry } from '../setups/quick-entry.fixture.ts'

// What might be bought, from an empty instance: the day is 24 November 2026.
const { api, call, add, build, change, judge } = useQuickEntry()

const SEEN = { kind: 'seen', netMinor: 0, taxMinor: 0, on: '2026-11-20', source: 'Fen Lane Photo' }
const price = (netMinor: number, taxMinor = 0, part: object = {}) => ({ ...SEEN, netMinor, taxMinor, ...part })
const use = (setupId: string, roleId: string, insteadOfId: string | null = null) => ({ setupId, roleId, insteadOfId })
const beside = (setupId: string, roleId: string) => ({ ...use(setupId, roleId), beside: true })
/** A wish told in three fields and whatever else matters. */
const wish = (category: string, name: string, part: object = {}, facts: object = {}) =>
  call('POST', '/wishes', { it: { category, name, facts }, ...part })
const list = (): Promise<WishesReply> => call('GET', '/wishes')
const find = async (id: string) => (await list()).wishes.find((it) => it.id === id) as WishRow
const plan = (query: string): Promise<PlanReply> => call('GET', `/ledger/upgrade-plan?${query}`)
const bought = (it: PlanReply) => it.periods.map((period) => period.bought.map((one) => one.wishId))
const codes = (findings: readonly Finding[]) => findings.map((it) => it.code).sort()
const EDITABLE = [
  'quantity',
  'defect',
  'severity',
  'reason',
  'uses',
  'prices',
  'discount',
  'condition',
  'warrantyMonths',
  'needsIds',
  'insteadIds',
  'sells',
  'waitsFor',
  'waitsUntil',
  'meanwhile',
  'advice',
  'state',
  'outcome',
] as const
async function edit(id: string, part: object) {
  const row = await find(id)
  const body = Object.fromEntries(EDITABLE.map((key) => [key, row[key]]))
  return call('PUT', `/wishes/${id}`, { ...body, ...part }, row.version)
}
const order = async (id: string, part: object = {}) =>
  call('POST', `/wishes/${id}/ordered`, { partyId: null, dueOn: null, ...part }, (await find(id)).version)
const arrive = async (id: string, netMinor: number, taxMinor = 0) =>
  call('POST', `/wishes/${id}/arrived`, { on: '2026-11-24', netMinor, taxMinor }, (await find(id)).version)
/** So many shoots ahead, a day each from 1 December on. */
async function book(setupId: string, count: number, first = 1) {
  for (let n = 0; n < count; n++) {
    const day = `2026-12-${String(first + n).padStart(2, '0')}`
    const times = { startsAt: `${day}T09:00`, endsAt: `${day}T10:00` }
    await call('POST', '/bookings', makeDraft({ title: `${setupId} ${n}`, setupId, ...times }))
  }
}

/** A camera without a card in three shoots, two seats that lack in one, and a setup that nothing stops in two. */
async function furnish() {
  const eye = await add('camcorder', 'Eye', { cardForm: 'sd', massGrams: 700 })
  const legs = await add('tripod', 'Legs', { loadGrams: 5_000 })
  const chair = await add('furniture', 'Chair')
  const film = await build(
    [
      { name: 'Camera', wants: 'camera', things: [eye, legs] },
      { name: 'Card', wants: 'card' },
    ],
    { code: 'FI' },
  )
  const talk = await build(
    [
      { name: 'Seat', wants: 'furniture' },
      { name: 'Desk', wants: 'table' },
    ],
    { code: 'TA' },
  )
  const read = await build([{ name: 'Seat', wants: 'furniture', things: [chair] }], { code: 'RE' })
  await book(film, 3)
  await book(talk, 1, 10)
  await book(read, 2, 20)
  return { eye, legs, chair, film, talk, read }
}
const SD = { cardForm: 'sd', capacityMegabytes: 64_000 }

describe('a wish is tried before anything is bought', () => {
  test('it is judged in the setups that it names, and nothing of it stands in the kit', async () => {
    const { film, talk } = await furnish()
    const before = (await call('GET', '/units')).rows.length
    const card = await wish('card', 'Small card', { uses: [use(film, 'r1')], defect: 'missing' }, SD)
    const row = await find(card.id)
    // Two stops come of the one card: its role is empty, and the camera has nowhere to record to.
    expect(row.effects).toMatchObject([{ setupId: film, shoots: 3, stopsBefore: 2, stopsAfter: 0 }])
    expect(codes(row.effects[0]?.cured ?? [])).toEqual(['need-unmet', 'role-empty'])
    expect((await call('GET', '/units')).rows.length).toBe(before)
    expect((await judge(film)).says).toContain('2 stops')
    // One that fits no slot of the camera fills the role and records nothing.
    const other = await wish(
      'card',
      'Other form',
      { uses: [use(film, 'r1')] },
      { cardForm: 'cfexpress-b', capacityMegabytes: 256_000 },
    )
    expect((await find(other.id)).effects[0]?.stopsAfter).toBeGreaterThan(0)
    // What would ask for something else says so: a camera body in the place of the camcorder has no lens.
    const body = await wish('camera', 'Body', { uses: [use(talk, 'r0')] }, { mount: 'mount-none' }).catch(() => null)
    expect(body).toBeNull()
  })

  test('in the place of what is there, with what that asks for', async () => {
    const { eye, film } = await furnish()
    const { code } = await call('POST', '/interfaces', {
      label: 'Alder mount',
      kind: 'mount',
      hostName: 'body',
      guestName: 'lens',
      standard: null,
      viaCableOnly: false,
    })
    const body = await wish(
      'camera',
      'Body',
      { uses: [use(film, 'r0', eye.id)] },
      { mount: code, cardForm: 'sd', massGrams: 600 },
    )
    const [effect] = (await find(body.id)).effects
    expect(effect?.added.some((it) => it.code === 'need-unmet')).toBe(true)
    expect(effect?.stopsAfter).toBeGreaterThan(effect?.stopsBefore ?? 0)
    // With the lens that it needs that is no longer found, and nobody wrote down where the lens goes but in the same role.
    const lens = await wish('lens', 'Thirty-five', { uses: [beside(film, 'r0')] }, { mount: code, massGrams: 300 })
    await edit(body.id, { needsIds: [lens.id] })
    const after = (await find(body.id)).effects[0]
    expect(after?.stopsAfter).toBe(effect?.stopsBefore)
  })

  test('counted things are tried as single ones are: bags for a role that wants them', async () => {
    const read = await build([{ name: 'Bags', wants: 'sandbag' }], { code: 'BA' })
    const bags = await wish('sandbag', 'Bag', { quantity: 4, uses: [use(read, 'r0')], prices: [price(500)] })
    const row = await find(bags.id)
    expect(row.effects).toMatchObject([{ stopsBefore: 1, stopsAfter: 0 }])
    expect(row.cost).toMatchObject({ totalMinor: 2_000 })
    await order(bags.id)
    await arrive(bags.id, 2_000)
    const setup = await call('GET', `/setups/${read}`)
    expect(setup.stock).toMatchObject([{ quantity: 4 }])
    expect((await judge(read)).found.filter((it) => it.startsWith('stop'))).toEqual([])
  })

  test('a setup, a role, a thing or another wish that there is not is refused at its field', async () => {
    const { talk, chair } = await furnish()
    const post = async (part: object) =>
      (await api().call('POST', '/wishes', { it: { category: 'furniture', name: 'Seat' }, ...part })).body.errors
    expect(await post({ uses: [use('none', 'r0')] })).toMatchObject([{ pointer: '/uses/0/setupId' }])
    expect(await post({ uses: [use(talk, 'r9')] })).toMatchObject([{ pointer: '/uses/0/roleId' }])
    expect(await post({ uses: [use(talk, 'r0', chair.id)] })).toMatchObject([{ pointer: '/uses/0/insteadOfId' }])
    // A role that has a thing: in whose place, or beside it?
    const full = await build([{ name: 'Seat', wants: 'furniture', things: [chair] }], { code: 'FU' })
    expect(await post({ uses: [use(full, 'r0')] })).toMatchObject([{ pointer: '/uses/0/insteadOfId' }])
    expect(await post({ needsIds: ['none'] })).toMatchObject([{ pointer: '/needsIds/0' }])
    expect(await post({ sells: [{ unitId: 'none', askMinor: 1 }] })).toMatchObject([{ pointer: '/sells/0/unitId' }])
  })
})

test('roles that want it or have one come by name, all others as places to stand beside; counted things are no empty role', async () => {
  const { film, eye } = await furnish()
  const bags = await call('POST', '/stock', {
    category: 'sandbag',
    name: 'Bag',
    facts: {},
    tag: null,
    quantity: 3,
    reorderLevel: 0,
    placeId: null,
  })
  const weights = { name: 'Weights', wants: 'sandbag', stock: [{ id: bags.id, quantity: 2 }] }
  const heavy = await build([weights], { code: 'HE' })
  const places = async (category: string, setupId: string) =>
    (await call('GET', `/wishes/places?category=${category}`)).filter((it: { id: string }) => it.id === setupId)
  expect(await places('camcorder', film)).toMatchObject([
    { role: 'Camera', suits: true, isEmpty: false, things: [{ unitId: eye.id, tag: eye.tag }] },
    { role: 'Card', suits: false, isEmpty: true, things: [] },
  ])
  expect(await places('sandbag', heavy)).toMatchObject([{ role: 'Weights', suits: true, isEmpty: false, things: [] }])
})

test('what it named may go meanwhile: another word of it can be changed all the same', async () => {
  const { read, chair } = await furnish()
  const seat = await wish('furniture', 'Seat', { defect: 'slow', uses: [use(read, 'r0', chair.id)] })
  const { id, version, ...setup } = await call('GET', `/setups/${read}`)
  await call(
    'PUT',
    `/setups/${id}`,
    { ...setup, roles: setup.roles.map((it: object) => ({ ...it, things: [] })) },
    version,
  )
  expect((await edit(seat.id, { state: 'enough', reason: 'The old one does.' })).state).toBe('enough')
  // A place that is new is asked for as ever.
  const { version: now } = await find(seat.id)
  const body = { uses: [use(read, 'r7')], state: 'open', outcome: null }
  const refused = await api().call('PUT', `/wishes/${seat.id}`, body, { 'if-match': `"${now}"` })
  expect(refused.body.errors).toMatchObject([{ pointer: '/uses/0/roleId' }])
})

describe('what it costs', () => {
  test('[O04.1] estimate, quote and paid of one wish stand side by side, the last one counts', async () => {
    const { talk } = await furnish()
    const { id } = await wish('furniture', 'Seat', {
      uses: [use(talk, 'r0')],
      prices: [price(1_000, 200, { kind: 'estimate', on: '2026-10-01' }), price(3_000, 600, { kind: 'quote' })],
    })
    const row = await find(id)
    expect(row.prices.map((it) => [it.kind, it.netMinor + it.taxMinor])).toEqual([
      ['estimate', 1_200],
      ['quote', 3_600],
    ])
    expect(row.cost).toMatchObject({ kind: 'quote', totalMinor: 3_600 })
    await order(id)
    await arrive(id, 3_100, 620)
    expect(await find(id)).toMatchObject({ state: 'here', paidMinor: 3_720, cost: { totalMinor: 3_600 } })
    const spending = await call('GET', '/ledger/spending?year=2026')
    expect(spending.totalMinor).toBe(3_720)
  })

  test('[O15.1] [O15.2] money off is taken off net and tax to the penny, with its code, until its last day', async () => {
    const off = (until: string | null, percent = 15) => ({ discount: { percent, code: 'FERN15', until } })
    const { id } = await wish('light', 'Lamp', { quantity: 3, prices: [price(3_333, 667)], ...off('2026-11-24') })
    // 3,333 less 15 % is 2,833.05 and 667 is 566.95: 2,833 and 567 a piece.
    expect((await find(id)).cost).toMatchObject({ netMinor: 2_833, taxMinor: 567, totalMinor: 10_200, offMinor: 1_800 })
    expect((await find(id)).discount).toMatchObject({ code: 'FERN15' })
    await edit(id, off('2026-11-23'))
    expect((await find(id)).cost).toMatchObject({ totalMinor: 12_000, offMinor: 0 })
    await edit(id, off(null, 100))
    expect((await find(id)).cost).toMatchObject({ totalMinor: 0 })
  })

  test('[O14.1] used: its price, its condition, and no warranty', async () => {
    const used = await wish('light', 'Lamp', { condition: 'used', warrantyMonths: 0, prices: [price(4_000)] })
    const fresh = await wish('light', 'Other', { condition: 'new', warrantyMonths: 24, prices: [price(9_000)] })
    for (const { id } of [used, fresh]) {
      await order(id)
      await arrive(id, 4_000)
    }
    const unitOf = async (id: string) => (await call('GET', `/units/${(await find(id)).unitIds[0]}`)).unit
    expect(await unitOf(used.id)).toMatchObject({ acquisition: 'bought-used', priceMinor: 4_000 })
    expect((await unitOf(used.id)).provenance.warrantyUntil).toBeNull()
    expect((await unitOf(fresh.id)).provenance.warrantyUntil).toBe('2028-11-24')
  })

  test('no price is no price: it is not free, and not in the plan', async () => {
    const { film } = await furnish()
    const { id } = await wish('card', 'Small card', { uses: [use(film, 'r1')], defect: 'missing' }, SD)
    expect(await find(id)).toMatchObject({ cost: null, score: { wholeMinor: null, runs: 3 } })
    const made = await plan('budgets=999999')
    expect(bought(made)).toEqual([[]])
    expect(made.leftOut).toEqual([{ wishId: id, why: 'no-price' }])
    expect(made.setups.find((it) => it.id === film)).toMatchObject({ state: 'stopped', canBeCured: true })
  })
})

describe('why, and what until then', () => {
  test('[O10.1] the defect behind it is kept, how severe it is, and in which words', async () => {
    const { read } = await furnish()
    const { id } = await wish('microphone', 'Quiet one', {
      defect: 'noise',
      severity: 2,
      reason: 'Hiss in every quiet reading.',
      uses: [beside(read, 'r0')],
    })
    expect(await find(id)).toMatchObject({ defect: 'noise', severity: 2, reason: 'Hiss in every quiet reading.' })
  })

  test('[O11.1] [O11.2] [O12.1] it waits for the next model until a day, with what does until then and why not yet', async () => {
    const { read, chair } = await furnish()
    const { id } = await wish('furniture', 'Better chair', {
      defect: 'slow',
      uses: [use(read, 'r0', chair.id)],
      prices: [price(5_000)],
      waitsFor: 'the next model of it',
      waitsUntil: '2026-11-24',
      meanwhile: 'The old chair with a cushion',
    })
    expect(await find(id)).toMatchObject({ isWaiting: true, meanwhile: 'The old chair with a cushion' })
    expect((await plan('budgets=9000')).leftOut).toEqual([{ wishId: id, why: 'waiting' }])
    // The day has passed: it is wanted as any other.
    await edit(id, { waitsUntil: '2026-11-23' })
    expect(await find(id)).toMatchObject({ isWaiting: false })
    expect((await call('GET', '/today')).sections.decide).toMatchObject([
      { code: 'wish', why: 'waited', on: '2026-11-23' },
    ])
    expect(bought(await plan('budgets=9000'))).toEqual([[id]])
    // Without a day it waits for as long as it says what for.
    await edit(id, { waitsUntil: null })
    expect((await find(id)).isWaiting).toBe(true)
  })

  test('[O29.1] what is there does the trick: it is silent in the plan and in what holds us back, and comes back when asked', async () => {
    const { film } = await furnish()
    const { id } = await wish('card', 'Small card', { uses: [use(film, 'r1')], prices: [price(2_000)] }, SD)
    const holds = async () =>
      (await call('GET', '/ledger/hindrances')).hindrances.flatMap((it: { wishIds: string[] }) => it.wishIds)
    expect(await holds()).toContain(id)
    await edit(id, { state: 'enough' })
    expect(await holds()).toEqual([])
    expect(await plan('budgets=9000')).toMatchObject({ leftOut: [], periods: [{ bought: [] }] })
    await edit(id, { state: 'open' })
    expect(bought(await plan('budgets=9000'))).toEqual([[id]])
  })

  test('[O10.2] [O30.1] [O22.1] [O22.2] after 90 days it is asked whether it cured it; advice has its hit rate', async () => {
    const advice = 'The forum at Weir House'
    const one = await wish('light', 'Lamp', { prices: [price(1_000)], advice })
    const two = await wish('light', 'Other lamp', { prices: [price(1_000)], advice: 'the forum at weir house' })
    for (const { id } of [one, two]) await order(id)
    // Nobody can say what became of what is not here.
    const early = await api().call(
      'PUT',
      `/wishes/${one.id}`,
      { state: 'open', outcome: { answer: 'yes', on: '2026-11-24', note: '' } },
      { 'if-match': `"${(await find(one.id)).version}"` },
    )
    expect(early.body.errors).toMatchObject([{ pointer: '/outcome' }])
    const { version } = await find(one.id)
    await call('POST', `/wishes/${one.id}/arrived`, { on: '2026-08-26', netMinor: 1_000, taxMinor: 0 }, version)
    await call(
      'POST',
      `/wishes/${two.id}/arrived`,
      { on: '2026-08-27', netMinor: 1_000, taxMinor: 0 },
      (await find(two.id)).version,
    )
    // 26 August and 90 days is 24 November; a day later it is not asked yet.
    expect([(await find(one.id)).asksOutcome, (await find(two.id)).asksOutcome]).toEqual([true, false])
    expect((await list()).advice).toEqual([{ by: advice, yes: 0, partly: 0, no: 0, open: 2 }])
    const asked = async () =>
      (await call('GET', '/today')).sections.decide.filter((it: { code: string }) => it.code === 'wish')
    expect(await asked()).toMatchObject([{ wishId: one.id, why: 'outcome', on: '2026-08-26' }])
    await edit(one.id, { outcome: { answer: 'no', on: '2026-11-24', note: 'Still green.' } })
    expect(await find(one.id)).toMatchObject({ asksOutcome: false, outcome: { answer: 'no' } })
    expect(await asked()).toEqual([])
    expect((await list()).advice).toEqual([{ by: advice, yes: 0, partly: 0, no: 1, open: 1 }])
  })
})

describe('what is first', () => {
  test('[O09.1] defect removed times sessions affected, for its cost: a card for three shoots before a better chair for two', async () => {
    const { film, read, chair } = await furnish()
    const card = await wish(
      'card',
      'Small card',
      { defect: 'missing', uses: [use(film, 'r1')], prices: [price(2_000)] },
      SD,
    )
    const seat = await wish('furniture', 'Seat', {
      defect: 'slow',
      severity: 3,
      uses: [use(read, 'r0', chair.id)],
      prices: [price(3_000)],
    })
    // Three shoots that run at ten points; two that are better at three.
    expect((await find(card.id)).score).toMatchObject({ runs: 3, betters: 0, points: { even: 30 }, wholeMinor: 2_000 })
    expect((await find(seat.id)).score).toMatchObject({ runs: 0, betters: 2, points: { even: 6 }, wholeMinor: 3_000 })
    // A lens that makes a setup better that does not run makes nothing better.
    const glass = await wish('lens', 'Glass', { defect: 'dark', severity: 3, uses: [beside(film, 'r0')] }, {})
    expect((await find(glass.id)).score).toMatchObject({ runs: 0, betters: 0, points: { even: 0 } })
  })

  test('[S01.2] points of each wish stand under every school side by side; [S01.3] what holds us back follows none', async () => {
    const read = await build([{ name: 'Voice', wants: 'furniture', things: [await add('furniture', 'Chair')] }], {
      code: 'RE',
    })
    await book(read, 2)
    const mic = await wish('microphone', 'Quiet', { defect: 'noise', severity: 1, uses: [beside(read, 'r0')] })
    const { points } = (await find(mic.id)).score
    // A microphone in that role asks for something to record it: nothing is better where something stops.
    const { stopsAfter } = (await find(mic.id)).effects[0] ?? { stopsAfter: 0 }
    const each = stopsAfter === 0 ? 2 : 0
    expect(points).toEqual({ even: each, sound: 3 * each, light: 2 * each, lens: 2 * each, body: 2 * each })
    const seat = await wish('furniture', 'Seat', { defect: 'slow', severity: 1, uses: [beside(read, 'r0')] })
    const { score, effects } = await find(seat.id)
    expect(effects[0]?.stopsAfter).toBe(0)
    expect(score.points).toEqual({ even: 2, sound: 2, light: 2, lens: 2, body: 2 })
    await build([{ name: 'Desk', wants: 'table' }], { code: 'DE' })
    const before = await call('GET', '/ledger/hindrances')
    expect(before.hindrances.length).toBeGreaterThan(0)
    for (const way of ['sound', 'light', 'lens', 'body']) {
      const { version, ...settings } = await call('GET', '/studio')
      await call('PUT', '/studio', { ...settings, schools: { 'buy-first': way } }, version)
      expect(await call('GET', '/ledger/hindrances')).toEqual(before)
    }
  })
})

describe('the plan', () => {
  /** Wishes for everything that lacks, with their prices. */
  async function wishAll() {
    const house = await furnish()
    const card = await wish(
      'card',
      'Small card',
      { defect: 'missing', uses: [use(house.film, 'r1')], prices: [price(2_000)] },
      SD,
    )
    const seat = await wish('furniture', 'Seat', {
      defect: 'missing',
      uses: [use(house.talk, 'r0')],
      prices: [price(3_000)],
    })
    const desk = await wish('table', 'Desk', {
      defect: 'missing',
      uses: [use(house.talk, 'r1')],
      prices: [price(4_000, 800)],
    })
    return { ...house, card, seat, desk }
  }

  test('with little it buys what frees the most shoots, with more the pair that frees the next; what is left is told', async () => {
    const { card, seat, desk, film, talk } = await wishAll()
    const poor = await plan('budgets=7799')
    expect(bought(poor)).toEqual([[card.id]])
    expect(poor).toMatchObject({ status: 'best', leftMinor: 5_799, shoots: { all: 6, now: 2, planned: 5 } })
    expect(poor.periods[0]?.bought[0]).toMatchObject({ runs: [film], totalMinor: 2_000 })
    const rich = await plan('budgets=9800')
    expect(bought(rich).flat().sort()).toEqual([card.id, seat.id, desk.id].sort())
    expect(rich).toMatchObject({ leftMinor: 0, shoots: { planned: 6 } })
    expect(rich.setups.find((it) => it.id === talk)).toMatchObject({ state: 'cured' })
    // One penny less, and neither of the two that only help together.
    expect(bought(await plan('budgets=9799'))).toEqual([[card.id]])
    expect(rich.steps.map((it) => [it.costMinor, it.shoots])).toEqual([
      [2_000, 5],
      [9_800, 6],
    ])
  })

  test('what is promised runs, though it frees fewer; where money lacks it says with how much it could', async () => {
    const { seat, desk, talk } = await wishAll()
    const made = await plan(`budgets=7800&promised=${talk}`)
    expect(bought(made).flat().sort()).toEqual([seat.id, desk.id].sort())
    expect(await plan(`budgets=7799&promised=${talk}`)).toMatchObject({ status: 'infeasible', cheapestMinor: 7_800 })
  })

  test('quarter by quarter: what is left goes on, and what cannot be paid now comes later', async () => {
    const { card, seat, desk } = await wishAll()
    const made = await plan('budgets=2000,7799,1')
    expect(bought(made)[0]).toEqual([card.id])
    // All shoots are in the first quarter: later purchases free none of them, and are not advised.
    expect(bought(made).slice(1)).toEqual([[], []])
    expect([seat.id, desk.id].some((id) => bought(made).flat().includes(id))).toBe(false)
  })

  test('of two that stand for each other one is bought; a sale pays its share, unless the thing is needed or not ours', async () => {
    const { card, film, read, chair } = await wishAll()
    const dear = await wish(
      'card',
      'Dear card',
      { defect: 'missing', uses: [use(film, 'r1')], prices: [price(2_500)], insteadIds: [card.id] },
      SD,
    )
    expect(bought(await plan('budgets=5000'))).toEqual([[card.id]])
    // An old lamp that serves nowhere pays for it.
    const lamp = await add('light', 'Old lamp')
    await edit(dear.id, { sells: [{ unitId: lamp.id, askMinor: 600 }] })
    expect(bought(await plan('budgets=5000'))).toEqual([[dear.id]])
    expect(await find(dear.id)).toMatchObject({ sales: [{ tag: lamp.tag, neededIn: [], isOurs: true }] })
    await change(lamp, { acquisition: 'loan-in' })
    expect((await find(dear.id)).sales).toMatchObject([{ isOurs: false }])
    expect(bought(await plan('budgets=5000'))).toEqual([[card.id]])
    // The chair is needed in another setup.
    await edit(dear.id, { sells: [{ unitId: chair.id, askMinor: 600 }] })
    expect((await find(dear.id)).sales).toMatchObject([{ neededIn: ['RE'], isOurs: true }])
    expect(bought(await plan('budgets=5000'))).toEqual([[card.id]])
    await edit(dear.id, { sells: [] })
    // In the one place that a wish takes it is needed no longer.
    const seat = await wish('furniture', 'Better', {
      defect: 'slow',
      severity: 3,
      uses: [use(read, 'r0', chair.id)],
      prices: [price(900)],
      sells: [{ unitId: chair.id, askMinor: 600 }],
    })
    expect((await find(seat.id)).sales).toMatchObject([{ neededIn: [] }])
  })

  test('what is sold for one wish pays for no other, unless only one of the two is bought', async () => {
    const { card, seat } = await wishAll()
    const lamp = await add('light', 'Old lamp')
    const sells = [{ unitId: lamp.id, askMinor: 600 }]
    await edit(card.id, { sells })
    const row = await find(seat.id)
    const body = Object.fromEntries(EDITABLE.map((key) => [key, row[key]]))
    const twice = await api().call('PUT', `/wishes/${seat.id}`, { ...body, sells }, { 'if-match': `"${row.version}"` })
    expect(twice.body.errors).toMatchObject([{ pointer: '/sells/0/unitId' }])
    expect((await edit(seat.id, { sells, insteadIds: [card.id] })).sells).toEqual(sells)
    // Said from the other side it holds as well, and the one that was first can be changed still.
    expect((await edit(card.id, { reason: 'A card at last.' })).sells).toEqual(sells)
  })

  test('what is needed and has no price keeps it out, with the reason', async () => {
    const { card, film } = await wishAll()
    const reader = await wish('reader', 'Reader')
    await edit(card.id, { needsIds: [reader.id] })
    const made = await plan('budgets=5000')
    expect(made.leftOut).toContainEqual({ wishId: card.id, why: 'needs-left-out' })
    await edit(reader.id, { prices: [price(3_000)] })
    expect(
      bought(await plan('budgets=5000'))
        .flat()
        .sort(),
    ).toEqual([card.id, reader.id].sort())
    expect(bought(await plan('budgets=4999'))).toEqual([[]])
    expect((await find(card.id)).score.wholeMinor).toBe(5_000)
    expect((await plan('budgets=5000')).setups.find((it) => it.id === film)).toMatchObject({ state: 'cured' })
  })

  test('what is back by then stops no shoot after it: only those before count', async () => {
    const { read, chair } = await furnish()
    await book(read, 1, 3)
    await change(chair, { state: 'lent', dueOn: '2026-12-10' })
    const seat = await wish('furniture', 'Seat', {
      defect: 'missing',
      uses: [use(read, 'r0', chair.id)],
      prices: [price(900)],
    })
    // Of its three shoots the one of 3 December is before the chair is back; those of the 20th and 21st are not.
    expect((await find(seat.id)).effects).toMatchObject([
      { id: read, shoots: 1, stopsBefore: 1, stopsAfter: 0 },
      { setupId: read, shoots: 2, stopsBefore: 0 },
    ])
    const made = await plan('budgets=900')
    expect(made).toMatchObject({ shoots: { all: 7, now: 2, planned: 3 } })
    const holds = (await call('GET', '/ledger/hindrances')).hindrances
    const own = holds.find((it: { finding: Finding }) => it.finding.code === 'thing-absent')
    expect(own).toMatchObject({ shoots: 1, setups: [{ setupId: read, shoots: 1 }] })
    expect(made.hopes).toEqual([{ wishId: seat.id, tag: chair.tag, state: 'lent', backOn: '2026-12-10' }])
    // Back before the first it stops none, and nothing is advised.
    await change(chair, { dueOn: '2026-12-01' })
    expect(bought(await plan('budgets=900'))).toEqual([[]])
    // What is mended is only hoped for: every shoot counts, and that it may be back is told.
    await change(chair, { state: 'in-repair', dueOn: '2026-12-10' })
    expect(await plan('budgets=900')).toMatchObject({ shoots: { now: 0, planned: 3 }, hopes: [{ state: 'in-repair' }] })
  })

  test('what goes back before a shoot stops those after it: they count, and the one before does not', async () => {
    const { read, chair } = await furnish()
    await book(read, 1, 3)
    await change(chair, { acquisition: 'loan-in', dueOn: '2026-12-10' })
    const seat = await wish('furniture', 'Seat', {
      defect: 'slow',
      severity: 2,
      uses: [use(read, 'r0', chair.id)],
      prices: [price(900)],
    })
    const made = await plan('budgets=900')
    expect(made).toMatchObject({ shoots: { all: 7, now: 1, planned: 3 } })
    // Two shoots run at ten points, and all three are better at two; the plan counts in tenths of a point.
    expect(made.points).toBe(10 * (2 * 10 + 3 * 2))
    expect(made.setups.filter((it) => it.setupId === read)).toMatchObject([
      { shoots: 1, state: 'runs' },
      { shoots: 2, state: 'cured', wishIds: [seat.id] },
    ])
    expect(made.steps.map((it) => [it.costMinor, it.shoots])).toEqual([[900, 3]])
  })

  test('what helps only together is worth what both do for what both cost', async () => {
    const { seat, desk } = await wishAll()
    const { score } = await find(seat.id)
    expect(score).toMatchObject({ runs: 1, withIds: [desk.id], points: { even: 10 }, wholeMinor: 7_800 })
  })

  test('with nothing booked it counts what was filmed, and with neither each setup once, and says so', async () => {
    const talk = await build([{ name: 'Seat', wants: 'furniture' }], { code: 'TA' })
    const seat = await wish('furniture', 'Seat', { uses: [use(talk, 'r0')], prices: [price(3_000)] })
    expect(await plan('budgets=3000')).toMatchObject({ basis: 'none', shoots: { all: 1, now: 0, planned: 1 } })
    await call(
      'POST',
      '/bookings',
      makeDraft({ setupId: talk, startsAt: '2026-10-10T09:00', endsAt: '2026-10-10T10:00' }),
    )
    const made = await plan('budgets=3000')
    expect(made.basis).toBe('behind')
    expect(bought(made)).toEqual([[seat.id]])
  })
})

describe('from the plan to the shelf', () => {
  test('[O21.1] ordered, one piece cancelled, the other here: in its role, paid to the penny, and taken back with one word', async () => {
    const { talk } = await furnish()
    const seat = await wish('furniture', 'Seat', { quantity: 2, uses: [use(talk, 'r0')], prices: [price(1_500, 300)] })
    const desk = await wish('table', 'Desk', { uses: [use(talk, 'r1')], prices: [price(4_000)] })
    await order(seat.id, { dueOn: '2026-11-23' })
    await order(desk.id)
    const orders = await call('GET', '/orders')
    expect(orders).toHaveLength(3)
    expect(orders.find((it: { dueOn: string | null }) => it.dueOn)).toMatchObject({
      isLate: true,
      usedIn: [{ code: 'TA', role: 'Seat' }],
    })
    // On order is not here.
    expect((await judge(talk)).says).toContain('2 stops')
    const piece = orders.find((it: { name: string }) => it.name === 'Seat')
    await call('POST', `/orders/${piece.id}/cancelled`, undefined, piece.version)
    expect(await find(seat.id)).toMatchObject({ state: 'ordered', quantity: 1 })
    const again = (await list()).wishes.filter((it) => it.name === 'Seat' && it.state === 'open')
    expect(again).toMatchObject([{ quantity: 1, uses: [{ setupId: talk }] }])
    await arrive(seat.id, 1_500, 301)
    await arrive(desk.id, 4_000)
    const { found } = await judge(talk)
    expect(found.filter((it) => it.startsWith('stop'))).toEqual([])
    expect((await call('GET', '/ledger/spending?year=2026')).totalMinor).toBe(5_801)
    expect(await call('GET', '/orders')).toEqual([])
    const units = (await call('GET', '/units')).rows.filter((it: { name: string }) => it.name === 'Seat')
    expect(units).toHaveLength(1)
  })

  test('what the seller will not deliver is wished for again and was never in the kit', async () => {
    const { talk } = await furnish()
    const desk = await wish('table', 'Desk', { uses: [use(talk, 'r1')], prices: [price(4_000)] })
    await order(desk.id)
    await call('POST', `/wishes/${desk.id}/not-delivered`, undefined, (await find(desk.id)).version)
    expect(await find(desk.id)).toMatchObject({ state: 'open', tags: [] })
    expect(await call('GET', '/orders')).toEqual([])
    expect((await call('GET', '/ledger/spending?year=2026')).totalMinor).toBe(0)
    expect((await call('GET', '/units')).rows.some((it: { name: string }) => it.name === 'Desk')).toBe(false)
  })

  test('it takes the place of the old one, which is for sale then and only if nothing else needs it', async () => {
    const { read, chair } = await furnish()
    const better = await wish('furniture', 'Better', {
      defect: 'slow',
      uses: [use(read, 'r0', chair.id)],
      prices: [price(900)],
      sells: [{ unitId: chair.id, askMinor: 600 }],
    })
    await order(better.id)
    await arrive(better.id, 900)
    const { roles } = await call('GET', `/setups/${read}`)
    expect(roles[0].things.map((it: Pick<Thing, 'id'> & { unitId: string }) => it.unitId)).toEqual(
      (await find(better.id)).unitIds,
    )
    expect((await call('GET', `/units/${chair.id}`)).unit.state).toBe('for-sale')
  })

  test('a role into which somebody put something meanwhile keeps that', async () => {
    const { talk } = await furnish()
    const desk = await wish('table', 'Desk', { uses: [use(talk, 'r1')], prices: [price(4_000)] })
    await order(desk.id)
    const own = await add('table', 'Found table')
    const { id, version, ...setup } = await call('GET', `/setups/${talk}`)
    const thing = { unitId: own.id, stockId: null, quantity: 1, powerModeId: null, recordingModeId: null }
    const roles = setup.roles.map((it: { id: string }) => (it.id === 'r1' ? { ...it, things: [thing] } : it))
    await call('PUT', `/setups/${id}`, { ...setup, roles }, version)
    await arrive(desk.id, 4_000)
    const after = await call('GET', `/setups/${talk}`)
    expect(after.roles[1].things).toMatchObject([{ unitId: own.id }])
    expect((await find(desk.id)).state).toBe('here')
  })

  test('ordered twice, here without an order, or paid below nothing is refused', async () => {
    const { id } = await wish('table', 'Desk', { prices: [price(4_000)] })
    const { version } = await find(id)
    const early = await api().call(
      'POST',
      `/wishes/${id}/arrived`,
      { on: '2026-11-24', netMinor: 1, taxMinor: 0 },
      { 'if-match': `"${version}"` },
    )
    expect(early.status).toBe(422)
    await order(id)
    const twice = await api().call(
      'POST',
      `/wishes/${id}/ordered`,
      { partyId: null, dueOn: null },
      { 'if-match': `"${version + 1}"` },
    )
    expect(twice.status).toBe(422)
    const less = await api().call(
      'POST',
      `/wishes/${id}/arrived`,
      { on: '2026-11-24', netMinor: -1, taxMinor: 0 },
      { 'if-match': `"${version + 1}"` },
    )
    expect(less.body.errors).toMatchObject([{ pointer: '/netMinor' }])
  })
})

describe('what holds us back', () => {
  test('stops by the shoots that they touch, the same in two setups once, accepted ones not at all', async () => {
    const { film, talk } = await furnish()
    await build([{ name: 'Seat', wants: 'furniture' }], { code: 'TB' })
    const { hindrances } = await call('GET', '/ledger/hindrances')
    const stops = hindrances.filter((it: { finding: Finding }) => it.finding.level === 'stop')
    expect(stops[0]).toMatchObject({ shoots: 3, setups: [{ setupId: film, shoots: 3 }] })
    const seat = stops.filter((it: { setups: unknown[] }) => it.setups.length === 2)
    expect(seat).toMatchObject([{ shoots: 1, setups: [{ setupId: talk, shoots: 1 }, { shoots: 0 }] }])
  })
})
