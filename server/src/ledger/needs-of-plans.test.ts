import { computeFingerprint, type Finding } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { makeDraft, type Thing } from '../setups/quick-entry.fixture.ts'
import { useWishes } from './wishes.fixture.ts'

// What to buy first and what comes of it, from an empty instance: the day is 24 November 2026.
const {
  api,
  call,
  add,
  build,
  change,
  judge,
  addRoom,
  arrive,
  beside,
  book,
  bought,
  edit,
  find,
  furnish,
  list,
  order,
  plan,
  price,
  use,
  wish,
  EDITABLE,
  SD,
} = useWishes()

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

describe('at the edges', () => {
  test('a hazard that somebody took on is no reason to buy less: its setup does not count as one that runs', async () => {
    const stand = await add('stand', 'Stand', { loadGrams: 2_000 })
    const lamp = await add('light', 'Heavy', { massGrams: 9_000, inlet: 'iec-c13' })
    const id = await build([{ name: 'Key', wants: 'light', things: [lamp, stand] }], { code: 'HZ' })
    await book(id, 1)
    const readiness = await call('GET', `/setups/${id}/readiness`)
    const overload = readiness.findings.find((it: Finding) => it.code === 'carried-load')
    expect(overload).toMatchObject({ level: 'stop' })
    const { id: _, version, ...setup } = await call('GET', `/setups/${id}`)
    const fingerprint = computeFingerprint(overload)
    const until = '2199-12-31'
    const accepted = readiness.findings
      .filter((it: Finding) => it.level === 'stop')
      .map((it: Finding) => ({
        ...{ key: it.key, fingerprint: computeFingerprint(it), reason: 'Only once.', on: '2026-11-24', by: 'x', until },
      }))
    expect(accepted.map((it: { fingerprint: string }) => it.fingerprint)).toContain(fingerprint)
    await call('PUT', `/setups/${id}`, { ...setup, accepted }, version)
    expect((await judge(id)).says).toMatch(/^Cannot run as recorded; .* took it on\. 2 questions\./)
    expect(await plan('budgets=0')).toMatchObject({ shoots: { all: 1, now: 0, planned: 0 } })
    const { hindrances } = await call('GET', '/ledger/hindrances')
    expect(hindrances.map((it: { finding: Finding }) => it.finding.code)).toContain('carried-load')
  })

  test('what cannot be told yet is counted apart: nothing stops it, and questions are open', async () => {
    const { film } = await furnish()
    const card = await wish('card', 'Card', { uses: [use(film, 'r1')], prices: [price(2_000)], defect: 'missing' }, SD)
    const { questionsAfter } = (await find(card.id)).effects[0] ?? { questionsAfter: 0 }
    // A camcorder of three facts leaves a question that could be a stop.
    expect(questionsAfter).toBeGreaterThan(0)
    const made = await plan('budgets=2000')
    expect(made.shoots).toMatchObject({ planned: 5, asked: 3 })
  })

  test('with no money what is free is had, to the penny and no further', async () => {
    const { film } = await furnish()
    const uses = [use(film, 'r1')]
    const card = await wish('card', 'Card', { uses, prices: [price(1)], defect: 'missing' }, SD)
    expect(bought(await plan('budgets=0'))).toEqual([[]])
    expect(bought(await plan('budgets=1'))).toEqual([[card.id]])
    await edit(card.id, { discount: { percent: 100, code: '', until: null } })
    expect(bought(await plan('budgets=0'))).toEqual([[card.id]])
  })

  test('a role that nobody would miss is no stop, and what would fill it frees no shoot', async () => {
    const chair = await add('furniture', 'Chair')
    const id = await build(
      [
        { name: 'Seat', wants: 'furniture', things: [chair] },
        { name: 'Fern', wants: 'prop', importance: 'optional' },
      ],
      { code: 'OP' },
    )
    await book(id, 2)
    const fern = await wish('prop', 'Fern', { uses: [use(id, 'r1')], prices: [price(100)], defect: 'missing' })
    expect(await find(fern.id)).toMatchObject({ score: { runs: 0, betters: 0 } })
    expect(await plan('budgets=999')).toMatchObject({ leftOut: [{ wishId: fern.id, why: 'no-gain' }] })
  })

  test('another plug: a lead of the wrong family cures nothing, the right one does', async () => {
    const { placeId, circuitId } = await addRoom()
    const lamp = await add('light', 'Panel', { inlet: 'iec-c7', milliwatts: 60_000, massGrams: 1_300 })
    const stand = await add('stand', 'Stand', { loadGrams: 8_000 })
    const id = await build([{ name: 'Key', wants: 'light', things: [lamp, stand] }], { code: 'PL', placeId, circuitId })
    const lead = (name: string, inlet: string) =>
      wish('lead', name, { uses: [beside(id, 'r0')], prices: [price(700)], defect: 'missing' }, { inlet })
    const [right, wrong] = [await lead('C7 lead', 'iec-c7'), await lead('C13 lead', 'iec-c13')]
    const stops = async (it: { id: string }) => {
      const [effect] = (await find(it.id)).effects
      return [effect?.stopsBefore, effect?.stopsAfter]
    }
    const [before = 0, after = 0] = await stops(right)
    expect([before > 0, after]).toEqual([true, before - 1])
    const [, same] = await stops(wrong)
    expect(same).toBeGreaterThanOrEqual(before)
  })

  test('more is asked for while it is on order: so many came as were ordered, and what was paid is all there', async () => {
    const { talk } = await furnish()
    const seat = await wish('furniture', 'Seat', { quantity: 3, uses: [use(talk, 'r0')], prices: [price(100)] })
    await order(seat.id)
    await edit(seat.id, { quantity: 5, reason: 'More.' })
    expect(await find(seat.id)).toMatchObject({ quantity: 3, reason: 'More.' })
    // One of them is taken out of the kit by hand: the bill is for what came.
    const [first] = (await find(seat.id)).unitIds
    const { unit } = await call('GET', `/units/${first}`)
    await call('DELETE', `/units/${first}`, undefined, unit.version)
    await arrive(seat.id, 1_000, 1)
    expect((await call('GET', '/ledger/spending?year=2026')).totalMinor).toBe(1_001)
    expect((await find(seat.id)).paidMinor).toBe(1_001)
  })

  test('counted, and half a yen of tax: whole units in a currency without smaller ones', async () => {
    const { version, ...settings } = await call('GET', '/studio')
    await call('PUT', '/studio', { ...settings, currency: 'JPY', country: 'JP' }, version)
    const bags = await build([{ name: 'Bags', wants: 'sandbag' }], { code: 'BA' })
    const uses = [use(bags, 'r0')]
    const discount = { percent: 33, code: '', until: null }
    const bag = await wish('sandbag', 'Bag', { quantity: 3, uses, discount, prices: [price(1_001, 100)] })
    // 1,001 less 33 % is 670.67 and 100 is 67: 671 and 67 a piece.
    expect((await find(bag.id)).cost).toMatchObject({ totalMinor: 2_214 })
    expect(bought(await plan('budgets=2213'))).toEqual([[]])
    expect(bought(await plan('budgets=2214'))).toEqual([[bag.id]])
  })
})
