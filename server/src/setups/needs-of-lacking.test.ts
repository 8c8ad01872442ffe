import type { ThingWant } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { type Thing, useQuickEntry } from './quick-entry.fixture.ts'

// What a thing lacks, told the day it comes: from an empty instance, the quick way, from both sides.
const { call, add, addFamily, build, judge } = useQuickEntry()

const wantsOf = (thing: Pick<Thing, 'id'>): Promise<ThingWant[]> => call('GET', `/units/${thing.id}/wants`)
const stock = (category: string, name: string, quantity: number, facts: object = {}) =>
  call('POST', '/stock', { category, name, facts, tag: null, quantity, reorderLevel: 0, placeId: null })
const onList = async () =>
  (await call('GET', '/shopping')).map((it: { item: string; quantity: number }) => [it.item, it.quantity])

describe('what a new thing wants', () => {
  const body = () => add('camcorder', 'Eye', { cardForm: 'sd', massGrams: 700 })
  const cardWant = async (thing: Pick<Thing, 'id'>) => (await wantsOf(thing)).find((it) => /card/i.test(it.says))

  test('[C02.1] [C02.2] a camera without a card is told of it the day it comes, not on the day of the shoot', async () => {
    const eye = await body()
    expect(await cardWant(eye)).toMatchObject({ says: `No card for ${eye.tag}`, spare: [], buy: { quantity: 1 } })
    // A card of another form is none for it; one that fits is named, and nothing is to be bought.
    await add('card', 'Express', { cardForm: 'cfexpress-b', capacityMegabytes: 256_000 })
    expect((await cardWant(eye))?.buy).not.toBeNull()
    const card = await add('card', 'Small', { cardForm: 'sd', capacityMegabytes: 64_000 })
    expect(await cardWant(eye)).toMatchObject({ spare: [{ tag: card.tag }], buy: null })
    // The same rule in a setup: empty it stops, with the card it does not.
    const legs = await add('tripod', 'Legs', { loadGrams: 5_000 })
    const level = async (things: Pick<Thing, 'id'>[], code: string) => {
      const id = await build([{ name: 'A camera', wants: 'camera', things }], { code })
      return (await judge(id)).found.filter((it) => /card|medium|need-unmet|records/.test(it))
    }
    expect(await level([eye, legs], 'LA')).toContainEqual(expect.stringMatching(/^stop/))
    expect(await level([eye, legs, card], 'LB')).not.toContainEqual(expect.stringMatching(/^stop/))
    // It serves a setup now: it is told so, and still nothing is to be bought.
    expect(await cardWant(eye)).toMatchObject({ spare: [], inSetups: [{ tag: card.tag }], buy: null })
  })

  test('a card that is counted does as well, until none is left; one that is ordered or lent is named and not bought again', async () => {
    const eye = await body()
    const { id, version, ...kept } = await stock('card', 'Counted', 1, { cardForm: 'sd' })
    expect(await cardWant(eye)).toMatchObject({ spare: [{ tag: kept.tag }], buy: null })
    await call('POST', `/stock/${id}/count`, { quantity: 0 }, version)
    expect((await cardWant(eye))?.buy).toMatchObject({ quantity: 1, stockId: id })
    const card = await add('card', 'Small', { cardForm: 'sd', capacityMegabytes: 64_000 })
    for (const state of ['ordered', 'lent', 'in-repair']) {
      const { unit } = await call('GET', `/units/${card.id}`)
      await call('PATCH', `/units/${card.id}`, { state }, unit.version)
      expect(await cardWant(eye)).toMatchObject({ spare: [], away: [{ tag: card.tag }], buy: null })
    }
    const { unit } = await call('GET', `/units/${card.id}`)
    await call('PATCH', `/units/${card.id}`, { state: 'lost' }, unit.version)
    expect(await cardWant(eye)).toMatchObject({ away: [], buy: { quantity: 1 } })
  })

  test('two cells of four: two are to be bought; a card too slow is none, and what is sold lacks nothing', async () => {
    const rec = await add('recorder', 'Rec', { battery: 'cell-aa', batteryCount: 4 })
    await stock('cell', 'AA', 2, { battery: 'cell-aa' })
    const cells = async () => (await wantsOf(rec)).find((it) => /cell/i.test(it.says))
    expect(await cells()).toMatchObject({ spare: [{ name: 'AA' }], buy: { quantity: 2 } })
    await stock('cell', 'Other AA', 2, { battery: 'cell-aa' })
    expect((await cells())?.buy).toBeNull()
    const fast = await add('camcorder', 'Fast', { cardForm: 'sd', cardMegabytesPerSecond: 90, massGrams: 700 })
    const card = (rate: number) =>
      add('card', `Card ${rate}`, { cardForm: 'sd', cardMegabytesPerSecond: rate, capacityMegabytes: 64_000 })
    await card(89)
    expect(await cardWant(fast)).toMatchObject({ spare: [], buy: { quantity: 1 } })
    const enough = await card(90)
    expect(await cardWant(fast)).toMatchObject({ spare: [{ tag: enough.tag }], buy: null })
    const { unit } = await call('GET', `/units/${rec.id}`)
    await call('PATCH', `/units/${rec.id}`, { state: 'sold' }, unit.version)
    expect(await wantsOf(rec)).toEqual([])
  })

  test('what it stands on is told where nothing here would carry it, and is chosen for each setup where something does', async () => {
    const eye = await body()
    const says = async () => (await wantsOf(eye)).map((it) => it.says)
    expect(await says()).toContain(`Nothing carries ${eye.tag}`)
    await add('tripod', 'Legs', { loadGrams: 5_000 })
    expect(await says()).toEqual([`No card for ${eye.tag}`])
  })

  test('what is ordered is told what it will want; what goes with it meets it', async () => {
    // A family of the studio's own is called as the studio calls its halves: body and part.
    const mount = await addFamily('Larch mount', 'mount')
    const eye = await add('camera', 'Body', { mount, massGrams: 700 })
    const { unit } = await call('GET', `/units/${eye.id}`)
    await call('PATCH', `/units/${eye.id}`, { state: 'ordered' }, unit.version)
    const says = async () => (await wantsOf(eye)).map((it) => it.says)
    expect(await says()).toContain(`${eye.tag} has no part`)
    const lens = await add('lens', 'Thirty-five', { mount, massGrams: 300 })
    const { unit: kept } = await call('GET', `/units/${lens.id}`)
    await call('PATCH', `/units/${lens.id}`, { parentId: eye.id, bond: 'set' }, kept.version)
    expect(await says()).not.toContain(`${eye.tag} has no part`)
  })
})

describe('what was not in the box', () => {
  test('[C03.1] a lamp that came without its lead: the lead is to be bought, and what came is not', async () => {
    const part = { maker: '', quantity: 1, aloneMinor: null, facts: {} }
    await call('POST', '/bundles', {
      title: 'Panel',
      priceMinor: 20_000,
      taxMinor: 0,
      on: '2026-11-20',
      partyId: null,
      placeId: null,
      acquisition: 'bought-new',
      staysTogether: true,
      parts: [
        { ...part, category: 'light', name: 'Panel', isThere: true },
        { ...part, category: 'lead', name: 'Its lead', isThere: false },
        { ...part, category: 'pack', name: 'Its pack', quantity: 2, isThere: false },
        { ...part, category: 'stand', name: 'Its stand', isThere: true },
      ],
    })
    expect((await onList()).sort()).toEqual([
      ['Its lead', 1],
      ['Its pack', 2],
    ])
  })
})
