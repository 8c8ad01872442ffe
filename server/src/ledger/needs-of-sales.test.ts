import type { SaleRow } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { match } from '../foundation/api.fixture.ts'
import { useQuickEntry } from '../setups/quick-entry.fixture.ts'

// What is sold, what is asked, and what would lie idle without it: from an empty instance, the quick way. Today is 24 November 2026.
const { api, add, addFamily, build, call } = useQuickEntry()

interface Kept {
  id: string
  tag: string
}

const list = async (): Promise<SaleRow[]> => (await call('GET', '/ledger/for-sale')).rows
const read = (id: string) => call('GET', `/units/${id}`)
const tell = async (id: string, part: object) => call('PATCH', `/units/${id}`, part, (await read(id)).version)
const offer = (it: Kept) => tell(it.id, { state: 'for-sale' })
const ask = async (it: Kept, askMinor: number | null) =>
  tell(it.id, { provenance: { ...(await read(it.id)).unit.provenance, askMinor } })
const sell = async (it: Kept, part: object = {}) =>
  api().call(
    'POST',
    `/units/${it.id}/sold`,
    { on: '2026-11-24', netMinor: 40_000, taxMinor: 0, partyId: null, ...part },
    match((await read(it.id)).version),
  )
const stranded = async (it: Kept) =>
  (await list())
    .find((row) => row.id === it.id)
    ?.stranded.map((one) => one.tag)
    .sort()

/** A body with a mount and a pack of its own makers, a lens and two packs for it. */
async function family() {
  const [mount, bay] = [await addFamily('Larch mount', 'mount'), await addFamily('Larch brick', 'battery')]
  const body = await add('camera', 'Larch One', { mount, battery: bay })
  const lens = await add('lens', 'Larch 50', { mount })
  const pack = await add('pack', 'Larch brick', { battery: bay })
  return { mount, bay, body, lens, pack }
}

describe('what is for sale', () => {
  test('[O13.1] a list with what is asked and what it should fetch; what it brings in the end lessens the year, once', async () => {
    await call('PUT', '/ledger/budget', { year: 2026, totalMinor: 100_000, version: 0 })
    const [lamp, other] = [await add('light', 'Panel'), await add('light', 'Second')]
    expect(await list()).toEqual([])
    await tell(lamp.id, { priceMinor: 100_000, acquiredOn: '2024-11-24' })
    await offer(lamp)
    await offer(other)
    // A quarter less after a year, a seventh of the rest after another.
    expect(await list()).toMatchObject([
      { tag: lamp.tag, resaleMinor: expect.any(Number), provenance: { askMinor: null } },
      { tag: other.tag, resaleMinor: null, provenance: { askMinor: null } },
    ])
    expect(Math.round(((await list())[0]?.resaleMinor ?? 0) / 100)).toBe(643)
    await ask(lamp, 55_000)
    expect((await list())[0]?.provenance.askMinor).toBe(55_000)
    expect((await sell(lamp, { netMinor: 50_000 })).body.tags).toEqual([lamp.tag])
    expect((await read(lamp.id)).unit.state).toBe('sold')
    expect((await list()).map((it) => it.tag)).toEqual([other.tag])
    const spending = await call('GET', '/ledger/spending?year=2026')
    expect(spending).toMatchObject({ totalMinor: -50_000, leftMinor: 150_000, byKind: { sale: -50_000 } })
    const again = await sell(lamp)
    expect(again.status).toBe(422)
    expect(again.body.errors).toMatchObject([{ message: `${lamp.tag} is sold already.` }])
  })

  test('given away it brings nothing and no entry; a sale is taken back as a whole', async () => {
    const lamp = await add('light', 'Panel')
    await offer(lamp)
    const reply = await sell(lamp, { netMinor: 0 })
    expect(await call('GET', '/ledger/entries?year=2026')).toEqual([])
    await call('POST', `/changes/${reply.headers.get('x-exemplar-change')}/undo`, {})
    expect((await read(lamp.id)).unit.state).toBe('for-sale')
    const paid = await sell(lamp)
    await call('POST', `/changes/${paid.headers.get('x-exemplar-change')}/undo`, {})
    expect(await call('GET', '/ledger/entries?year=2026')).toEqual([])
  })

  test('[O13.2] what fits nothing else is told with it, goes along where somebody says so, and stays where another takes it', async () => {
    const { mount, bay, body, lens, pack } = await family()
    await offer(body)
    expect(await stranded(body)).toEqual([lens.tag, pack.tag].sort())
    const second = await add('camera', 'Larch Two', { mount, battery: bay })
    expect(await stranded(body)).toEqual([])
    await tell(second.id, { state: 'retired' })
    expect(await stranded(body)).toEqual([lens.tag, pack.tag].sort())
    const reply = await sell(body, { withIds: [lens.id] })
    expect(reply.body.tags).toEqual([body.tag, lens.tag])
    expect((await read(lens.id)).unit.state).toBe('sold')
    expect((await read(pack.id)).unit.state).toBe('in-service')
    const [entry] = await call('GET', '/ledger/entries?year=2026')
    expect(entry.description).toBe(`Sold: Larch One (${body.tag} and ${lens.tag})`)
  })

  test('what is on order takes what hangs on the old one, what is borrowed does not, and of a body of which nobody knows it is asked', async () => {
    const { mount, bay, body, lens, pack } = await family()
    await offer(body)
    const both = [lens.tag, pack.tag].sort()
    const next = await add('camera', 'Larch Two', { mount, battery: bay })
    await tell(next.id, { state: 'ordered' })
    expect(await stranded(body)).toEqual([])
    await tell(next.id, { state: 'in-service', acquisition: 'loan-in' })
    expect(await stranded(body)).toEqual(both)
    await tell(next.id, { state: 'retired', acquisition: 'bought-new' })
    const doubts = async () => (await list())[0]?.stranded.map((it) => it.perhapsIn)
    expect(await doubts()).toEqual([[], []])
    const bare = await add('camera', 'Bare')
    expect(await doubts()).toEqual([[bare.tag], [bare.tag]])
  })

  test('what was given has no price that says what it fetches', async () => {
    const lamp = await add('light', 'Given')
    await tell(lamp.id, { acquisition: 'gift', priceMinor: 0, acquiredOn: '2024-11-24' })
    await offer(lamp)
    expect((await list())[0]?.resaleMinor).toBeNull()
  })

  test('two bodies that are both for sale strand each what hangs on either, and a pack that is lent comes back to nothing', async () => {
    const { mount, bay, body, pack } = await family()
    const second = await add('camera', 'Larch Two', { mount, battery: bay })
    await offer(body)
    await offer(second)
    await tell(pack.id, { state: 'lent', dueOn: '2026-12-20' })
    expect(await stranded(body)).toContain(pack.tag)
    expect(await stranded(second)).toContain(pack.tag)
  })

  test('counted packs are told as well; a borrowed lens is nobody’s to strip, and nobody’s to sell', async () => {
    const { bay, body, lens } = await family()
    await call('POST', '/stock', {
      ...{ category: 'pack', maker: 'Larch', name: 'Small brick', facts: { battery: bay } },
      quantity: 3,
    })
    await tell(lens.id, { acquisition: 'loan-in' })
    await offer(body)
    const [row] = await list()
    expect(row?.stranded.some((it) => it.tag === lens.tag)).toBe(false)
    expect(row?.stranded.filter((it) => it.isCounted)).toMatchObject([{ name: 'Larch Small brick' }])
    const reply = await sell(body, { withIds: [lens.id] })
    expect(reply.status).toBe(422)
    expect(reply.body.errors).toMatchObject([{ pointer: '/withIds/0' }])
    expect((await read(body.id)).unit.state).toBe('for-sale')
  })

  test('where it still stands in a setup that is said', async () => {
    const lamp = await add('light', 'Panel')
    await build([{ name: 'Key', things: [lamp] }])
    await offer(lamp)
    expect((await list())[0]?.usedIn).toMatchObject([{ code: 'QE', role: 'Key' }])
  })

  test('what a wish sells in its stead is on the list with what was asked there', async () => {
    const old = await add('light', 'Old panel')
    const wish = await call('POST', '/wishes', {
      it: { category: 'light', name: 'New panel' },
      sells: [{ unitId: old.id, askMinor: 12_000 }],
    })
    const ordered = await call('POST', `/wishes/${wish.id}/ordered`, { partyId: null, dueOn: null }, wish.version)
    const arrived = { on: '2026-11-24', netMinor: 1, taxMinor: 0 }
    await call('POST', `/wishes/${wish.id}/arrived`, arrived, ordered.version)
    expect(await list()).toMatchObject([{ tag: old.tag, provenance: { askMinor: 12_000 } }])
  })
})
