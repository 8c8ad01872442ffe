import { type Finding, NO_ROLE_LIGHT } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { useWishes } from './wishes.fixture.ts'

// What was bought and regretted, on trial, or for another reason than that it is best: the day is 24 November 2026.
const { api, call, add, addFamily, change, tell, build, edit, find, list, order, price, use, wish } = useWishes()

const refuseOrder = async (id: string) => {
  const { version } = await find(id)
  const body = { partyId: null, dueOn: null }
  const reply = await api().call('POST', `/wishes/${id}/ordered`, body, { 'if-match': `"${version}"` })
  return { status: reply.status, pointer: reply.body.errors?.[0]?.pointer, detail: reply.body.detail }
}
const arrive = async (id: string, on: string) =>
  call('POST', `/wishes/${id}/arrived`, { on, netMinor: 9_000, taxMinor: 1_800 }, (await find(id)).version)

describe('regrets', () => {
  test('[O23.1] [O23.2] what did not do what it was bought for stays on a list; the next of its kind is tried before it is ordered', async () => {
    const big = await wish('tripod', 'Big tripod', { prices: [price(9_000, 1_800)] })
    const other = await wish('tripod', 'Small tripod', { prices: [price(4_000)] })
    // Nothing is regretted yet.
    expect((await find(other.id)).untried).toBeNull()
    await order(big.id)
    await arrive(big.id, '2026-08-01')
    await edit(big.id, { outcome: { answer: 'partly', on: '2026-11-24', note: 'Too heavy: the small one is taken.' } })
    expect(await find(big.id)).toMatchObject({ outcome: { answer: 'partly' }, paidMinor: 10_800 })
    // A lamp is no tripod.
    const lamp = await wish('light', 'Lamp', { prices: [price(1_000)] })
    expect((await find(lamp.id)).untried).toBeNull()
    await order(lamp.id)
    expect((await find(other.id)).untried).toEqual({ name: 'Big tripod', note: 'Too heavy: the small one is taken.' })
    const refused = await refuseOrder(other.id)
    expect([refused.status, refused.pointer]).toEqual([422, '/tried'])
    expect(refused.detail).toContain('Big tripod is of its kind, and was regretted: Too heavy')
    await edit(other.id, { tried: 'borrowed for a week' })
    expect((await find(other.id)).untried).toBeNull()
    await order(other.id)
    expect((await find(other.id)).state).toBe('ordered')
  })

  test('what cured it is no regret, and the next of its kind is ordered as it is', async () => {
    const good = await wish('tripod', 'Good tripod', { prices: [price(9_000)] })
    await order(good.id)
    await arrive(good.id, '2026-08-01')
    await edit(good.id, { outcome: { answer: 'yes', on: '2026-11-24', note: '' } })
    const next = await wish('tripod', 'Next tripod', { prices: [price(4_000)] })
    expect((await find(next.id)).untried).toBeNull()
    await order(next.id)
  })
})

test('[O24.1] what is bought on trial is asked about on its day, not before and not after ninety', async () => {
  const early = await wish('microphone', 'On trial', { prices: [price(2_000)], reviewOn: '2026-11-24' })
  const late = await wish('microphone', 'Longer trial', { prices: [price(2_000)], reviewOn: '2026-11-25' })
  for (const { id } of [early, late]) {
    await order(id)
    await arrive(id, id === early.id ? '2026-11-20' : '2026-06-01')
  }
  const asked = (await list()).wishes.filter((it) => it.asksOutcome).map((it) => it.name)
  expect(asked).toEqual(['On trial'])
  const { sections } = await call('GET', '/today')
  const today = sections.decide.filter((it: { code: string }) => it.code === 'wish')
  expect(today).toMatchObject([{ wishId: early.id, why: 'outcome' }])
})

test('[O39.1] why this one and not the best is kept with it', async () => {
  const { id } = await wish('light', 'Second best', { because: 'practical', prices: [price(1_000)] })
  expect((await find(id)).because).toBe('practical')
  const plain = await wish('light', 'Plain', {})
  expect((await find(plain.id)).because).toBe('unsaid')
})

test('[O37.1] one of a pair of lamps in another colour is told before it is bought, one in the same is not', async () => {
  const colour = (kelvin: number) => ({ kelvinMin: kelvin, kelvinMax: kelvin })
  const left = await tell('panel', 'Left lamp', {}, colour(5_600))
  const right = await tell('panel', 'Right lamp', {}, colour(5_600))
  const light = (job: string) => ({ group: 'light', light: { ...NO_ROLE_LIGHT, job } })
  const setupId = await build(
    [
      { name: 'Key', wants: 'light', things: [left], rest: light('key') },
      { name: 'Fill', wants: 'light', things: [right], rest: light('fill') },
    ],
    { code: 'PA' },
  )
  const instead = async (name: string, kelvin: number) => {
    const it = { category: 'panel', name, facts: {}, specs: colour(kelvin) }
    const { id } = await call('POST', '/wishes', { it, uses: [use(setupId, 'r0', left.id)], prices: [price(1_000)] })
    const added: readonly Finding[] = (await find(id)).effects[0]?.added ?? []
    return added.filter((it) => it.code === 'colour-apart').map((it) => it.level)
  }
  expect(await instead('Daylight', 5_600)).toEqual([])
  expect(await instead('Tungsten', 3_200)).toEqual(['warn'])
})

test('[O27.1] leaving a mount: what lies idle, what it should fetch, and what others in its place cost', async () => {
  const [own, other] = [await addFamily('Own bayonet', 'mount'), await addFamily('Other bayonet', 'mount')]
  await add('camera', 'Body', { mount: own })
  await add('camera', 'Other body', { mount: other })
  const lens = await add('lens', 'Lens', { mount: own })
  await add('lens', 'Lens without a price', { mount: own })
  await add('lens', 'Lens of the other', { mount: other })
  // A year to the day: a quarter less than its price. What another costs was asked for.
  const { unit } = await call('GET', `/units/${lens.id}`)
  const acquired = { acquisition: 'bought-new', acquiredOn: '2025-11-24', priceMinor: 40_000 }
  await change(lens, { ...acquired, provenance: { ...unit.provenance, replacementMinor: 52_000 } })
  const { systems } = await call('GET', '/systems')
  const left = systems.find((it: { code: string }) => it.code === own)
  expect(left.orphans.map((it: { tag: string }) => it.tag)).toHaveLength(2)
  expect(left.leaving).toMatchObject({ againMinor: 52_000, unknown: 1 })
  // A quarter off within 365.25 days.
  expect(left.leaving.resaleMinor).toBe(30_007)
})

test('[O20.1] [S28.1] a shop is known by what failed within a year, what it cancelled and how long it took to mend', async () => {
  const { id: partyId } = await call('POST', '/parties', { name: 'Fen Lane', kind: 'vendor', note: '', contacts: [] })
  const came = { acquisition: 'bought-new', partyId }
  const lamp = await add('light', 'Lamp')
  const good = await add('light', 'Good lamp')
  for (const it of [lamp, good]) await change(it, { ...came, acquiredOn: '2025-11-24' })
  const record = async () => (await call('GET', `/parties/${partyId}`)).record
  expect(await record()).toMatchObject({ things: 2, judged: 2, failed: 0, medianDays: null })
  await call('POST', `/units/${lamp.id}/faults`, { note: 'Dead', severity: 'unusable', bookingId: null })
  expect(await record()).toMatchObject({ things: 2, judged: 2, failed: 1 })
  // Sent, hoped for and back on one day: it took none, and is not late.
  const kept = { claim: 'own', partyId, reference: '', dueOn: '2026-11-24', note: '' }
  let repair = await call('POST', `/units/${lamp.id}/repairs`, { ...kept, faultId: null })
  for (const [stage, on] of [
    ['sent', '2026-11-24'],
    ['back', '2026-11-24'],
  ]) {
    repair = await call('PUT', `/repairs/${repair.id}`, { ...kept, stage, on }, repair.version)
  }
  expect(await record()).toMatchObject({ repairs: 1, medianDays: 0, late: 0, promised: 1 })
  // What is young and works says nothing of them yet.
  const young = await add('light', 'Young lamp')
  await change(young, { ...came, acquiredOn: '2026-11-20' })
  expect(await record()).toMatchObject({ things: 3, judged: 2, failed: 1 })
  // An order that they cancelled is no thing of theirs.
  const { id } = await wish('tripod', 'Never came', { prices: [price(1_000)] })
  await order(id, { partyId })
  const { version } = await find(id)
  await call('POST', `/wishes/${id}/not-delivered`, undefined, version)
  expect(await record()).toMatchObject({ things: 3, cancelled: 1 })
  // What lies with a mender is not from them.
  const { id: mender } = await call('POST', '/parties', { name: 'Cobb', kind: 'repairer', note: '', contacts: [] })
  await change(good, { partyId: mender })
  expect((await call('GET', `/parties/${mender}`)).record).toMatchObject({ things: 0, judged: 0 })
})
