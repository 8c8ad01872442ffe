import { describe, expect, test } from 'vitest'
import { useWishes } from './wishes.fixture.ts'

// Wishes, from an empty instance and the quick way: the day is 24 November 2026.
const {
  api,
  call,
  add,
  build,
  judge,
  arrive,
  beside,
  book,
  bought,
  codes,
  edit,
  find,
  furnish,
  list,
  order,
  plan,
  price,
  use,
  wish,
  SD,
} = useWishes()

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

describe('at the edges', () => {
  test('a price of tomorrow is none of today', async () => {
    const tomorrow = { it: { category: 'light', name: 'Lamp' }, prices: [price(1), price(9, 0, { on: '2026-11-25' })] }
    const { body } = await api().call('POST', '/wishes', tomorrow)
    expect(body.errors).toMatchObject([{ pointer: '/prices/1/on' }])
    expect((await wish('light', 'Lamp', { prices: [price(9, 0, { on: '2026-11-24' })] })).state).toBe('open')
  })

  test('that nobody answers for a used one is said on its page, and is no question', async () => {
    const used = await wish('light', 'Lamp', { condition: 'used', warrantyMonths: 0, prices: [price(4_000)] })
    const open = await wish('light', 'Other', { condition: 'used', prices: [price(4_000)] })
    const terms: string[] = []
    for (const { id } of [used, open]) {
      await order(id)
      await arrive(id, 4_000)
      const { unit } = await call('GET', `/units/${(await find(id)).unitIds[0]}`)
      terms.push(unit.provenance.warrantyTerms)
    }
    expect(terms).toEqual(['Bought without warranty.', ''])
  })

  test('a model that is in the kit is the same one, and what is told of it otherwise is refused at its field', async () => {
    await add('light', 'Panel', { massGrams: 1_300 })
    const same = await wish('light', 'Panel', {}, { massGrams: 1_300 })
    expect((await call('GET', '/models')).filter((it: { id: string }) => it.id === same.modelId)).toMatchObject([
      { things: 1 },
    ])
    const { body } = await api().call('POST', '/wishes', {
      it: { category: 'light', name: 'Panel', facts: { massGrams: 900 } },
    })
    expect(body.errors).toMatchObject([{ pointer: '/it/facts/massGrams' }])
  })

  test('a setup that was put away is tried no more; the wish stays', async () => {
    const { talk } = await furnish()
    const seat = await wish('furniture', 'Seat', { uses: [use(talk, 'r0')], prices: [price(1)] })
    await call('DELETE', `/setups/${talk}`, undefined, 1)
    expect(await find(seat.id)).toMatchObject({ effects: [], state: 'open' })
  })
})
