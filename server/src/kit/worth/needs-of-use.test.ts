import type { FiguresReply } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { type Thing, useQuickEntry } from '../../setups/quick-entry.fixture.ts'

// What use tells of a thing: from an empty instance, the quick way, with its edges. The instance lives on 24 November 2026.
const { call, add, change, serve } = useQuickEntry()

const useOf = async (thing: Pick<Thing, 'id'>): Promise<FiguresReply['use'][number] | undefined> =>
  (await call('GET', '/kit-figures?sharing=full')).use.find((it: { id: string }) => it.id === thing.id)

const idle = async (months: number): Promise<string[]> =>
  (await call('GET', `/units?idleMonths=${months}`)).rows.map((it: { tag: string }) => it.tag)

describe('what gathers dust', () => {
  test('[A09.1] the last day comes from the bookings; what never served has none', async () => {
    const [eye, ring] = [await add('camcorder', 'Eye'), await add('ring-light', 'Ring')]
    await serve([eye], 2)
    expect(await useOf(eye)).toMatchObject({ timesUsed: 2, lastUsedOn: '2026-11-20' })
    expect(await useOf(ring)).toMatchObject({ timesUsed: 0, lastUsedOn: null })
  })

  test('[A09.2] what is idle is a list, with what it might fetch and why it is kept; what came lately had no time to be idle', async () => {
    const [ring, fresh] = [await add('ring-light', 'Ring'), await add('ring-light', 'Fresh')]
    const { unit } = await call('GET', `/units/${ring.id}`)
    const provenance = { ...unit.provenance, reason: 'the director’s own' }
    await change(ring, { acquiredOn: '2024-11-24', priceMinor: 10_000, provenance })
    await change(fresh, { acquiredOn: '2026-11-01', priceMinor: 10_000 })
    expect(await idle(6)).toEqual([ring.tag])
    // Three quarters after the first year, six sevenths of that after the second: 6,429, and 730 days are a little less than two.
    expect(await useOf(ring)).toMatchObject({ resaleMinor: 6_430, reason: 'the director’s own' })
    // Without a price or a day nobody can tell what it would fetch.
    await change(ring, { priceMinor: null })
    expect(await useOf(ring)).toMatchObject({ resaleMinor: null })
  })
})

describe('how much of the time', () => {
  test('[A10.1] of the sessions for which it was to be had: before it came, and out of use, it was not', async () => {
    const [eye, glass] = [await add('camcorder', 'Eye'), await add('lens', 'Glass')]
    for (const it of [eye, glass]) await change(it, { acquiredOn: '2026-01-01' })
    await serve([eye, glass], 3)
    await serve([eye], 1, '2026-11-10')
    expect(await useOf(eye)).toMatchObject({ timesUsed: 4, share: 1 })
    expect(await useOf(glass)).toMatchObject({ timesUsed: 3, share: 0.75 })
    await change(glass, { acquiredOn: '2026-11-15' })
    expect(await useOf(glass)).toMatchObject({ share: 1 })
  })

  test('[A10.2] much used and nothing of its kind beside it is a risk; with a second one, or seldom used, it is none', async () => {
    const [eye, rare] = [await add('camcorder', 'Eye'), await add('tripod', 'Legs')]
    for (const it of [eye, rare]) await change(it, { acquiredOn: '2026-01-01' })
    await serve([eye], 3)
    expect([(await useOf(eye))?.isRisk, (await useOf(rare))?.isRisk]).toEqual([true, false])
    const second = await add('camcorder', 'Second')
    expect((await useOf(eye))?.isRisk).toBe(false)
    await change(second, { state: 'lent' })
    expect((await useOf(eye))?.isRisk).toBe(true)
  })
})

describe('what lasted', () => {
  test('[A11.1] [N12.1] years of service, sessions, and what it cost a year and a session; unknown where nobody recorded a price', async () => {
    const legs = await add('tripod', 'Legs')
    await serve([legs], 4)
    expect(await useOf(legs)).toMatchObject({ ageDays: null, perYearMinor: null, perUseMinor: null, timesUsed: 4 })
    await change(legs, { acquiredOn: '2022-11-24', priceMinor: 40_000 })
    // 1,461 days are four years; £400 are £100 a year and £100 a session.
    expect(await useOf(legs)).toMatchObject({ ageDays: 1_461, perYearMinor: 10_000, perUseMinor: 10_000 })
    // Repairs count in it, beside its price.
    await call('POST', '/ledger/entries', {
      date: '2026-10-01',
      kind: 'repair',
      category: 'tripod',
      description: 'Leg lock',
      netMinor: 4_000,
      taxMinor: 0,
      partyId: null,
      unitId: legs.id,
    })
    expect(await useOf(legs)).toMatchObject({ perYearMinor: 11_000, perUseMinor: 11_000 })
  })

  test('[A11.2] three years, twenty sessions and two years without failing: it proved itself, and one day or one session less it did not', async () => {
    const mic = await add('dynamic-mic', 'Mic')
    await change(mic, { acquiredOn: '2023-11-25', priceMinor: 9_000 })
    await serve([mic], 19)
    expect((await useOf(mic))?.hasProvedItself).toBe(false)
    await serve([mic], 1, '2026-06-01')
    // 25 November 2023 is 1,095 days ago, which are three years; a day later it is a day less.
    expect((await useOf(mic))?.hasProvedItself).toBe(true)
    await change(mic, { acquiredOn: '2023-11-26' })
    expect((await useOf(mic))?.hasProvedItself).toBe(false)
    await change(mic, { acquiredOn: '2023-11-25' })
    await call('POST', `/units/${mic.id}/faults`, { note: 'dead', severity: 'usable', bookingId: null })
    expect((await useOf(mic))?.hasProvedItself).toBe(true)
    await call('POST', `/units/${mic.id}/faults`, { note: 'dead', severity: 'unusable', bookingId: null })
    expect((await useOf(mic))?.hasProvedItself).toBe(false)
  })
})

describe('what is still covered', () => {
  test('[N15.2] a word on Today before a warranty ends: not too soon, not after, and not of what is gone', async () => {
    const chair = await add('seat', 'Chair')
    const until = async (warrantyUntil: string | null) => {
      const { unit } = await call('GET', `/units/${chair.id}`)
      await change(chair, { provenance: { ...unit.provenance, warrantyUntil, warrantyTerms: 'frame and gas spring' } })
    }
    const told = async () => {
      const { sections } = await call('GET', '/today')
      const items = Object.values(sections).flat() as { code: string; tag: string; level: string; until?: string }[]
      return items.filter((it) => it.code === 'warranty').map((it) => [it.tag, it.level, it.until])
    }
    expect(await told()).toEqual([])
    await until('2033-11-24')
    expect(await told()).toEqual([])
    await until('2027-01-24')
    expect(await told()).toEqual([])
    await until('2027-01-23')
    expect(await told()).toEqual([[chair.tag, 'advise', '2027-01-23']])
    // With a fault there is something to claim.
    await call('POST', `/units/${chair.id}/faults`, { note: 'sinks', severity: 'usable', bookingId: null })
    expect(await told()).toEqual([[chair.tag, 'warn', '2027-01-23']])
    await until('2026-11-23')
    expect(await told()).toEqual([])
    await until('2026-11-24')
    expect(await told()).toHaveLength(1)
    await change(chair, { state: 'sold' })
    expect(await told()).toEqual([])
  })
})
