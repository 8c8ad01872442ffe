import type { Finding, PlanReply, WishesReply, WishRow } from '@exemplar/core'
import { makeDraft, useQuickEntry } from '../setups/quick-entry.fixture.ts'

/** What might be bought, from an empty instance: the day is 24 November 2026. */
export function useWishes() {
  const entry = useQuickEntry()
  const { add, build, call } = entry
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
    'because',
    'tried',
    'reviewOn',
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
  return {
    ...entry,
    ...{ arrive, beside, book, bought, codes, edit, find, furnish, list, order, plan, price, use, wish },
    ...{ EDITABLE, SD },
  }
}
