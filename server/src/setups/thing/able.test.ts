import type { AbleThing } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { makeDraft, useQuickEntry } from '../quick-entry.fixture.ts'

// Cupboards are looked through before anything is bought: from an empty instance, the quick way, from both sides.
const { api, call, add, tell, build } = useQuickEntry()

const find = async (wants: string): Promise<{ able: string[]; perhaps: string[]; all: AbleThing[] }> => {
  const { able, perhaps } = await call('GET', `/able?wants=${wants}`)
  const tags = (those: AbleThing[]) => those.map((it) => it.tag)
  return { able: tags(able), perhaps: tags(perhaps), all: [...able, ...perhaps] }
}
const line = (part: object) => ({ item: 'A screen', quantity: 1, reason: '', stockId: null, setupId: null, ...part })
const buy = (part: object) => api().call('POST', '/shopping', line(part))
const change = async (id: string, part: object) => {
  const { unit } = await call('GET', `/units/${id}`)
  await call('PATCH', `/units/${id}`, part, unit.version)
}

describe('what here could do it', () => {
  test('[A02.1] an old television, a laptop and a tray are found by what they can do, not by what they are called', async () => {
    const tv = await tell('television', 'Old one', { videoIn: 'hdmi-a' }, { screenInches: 32 })
    const laptop = await add('laptop', 'Grey')
    const tray = await tell('household', 'Tray', {}, { takesGrams: 2_000 })
    const lamp = await tell('light', 'Desk lamp', {}, { dims: 'yes' })
    const other = await add('light', 'Other lamp')
    expect((await find('picture-in,shows')).able).toEqual([tv.tag])
    expect(await find('shows:30')).toMatchObject({ able: [tv.tag], perhaps: [laptop.tag] })
    expect(await find('shows:33')).toMatchObject({ able: [], perhaps: [laptop.tag] })
    expect((await find('holds:2000')).able).toEqual([tray.tag])
    expect((await find('holds:2001')).able).toEqual([])
    expect(await find('dims')).toMatchObject({ able: [lamp.tag], perhaps: [other.tag] })
    expect((await find('dims')).all.find((it) => it.tag === other.tag)?.unsaid).toEqual(['whether it can be dimmed'])
  })

  test('[A02.1] what is free comes first, then what serves a setup, then what is away; what is gone is not here', async () => {
    const [free, used, lent, sold] = await Promise.all(
      ['Free', 'Used', 'Lent', 'Sold'].map((name) => tell('household', name, {}, { takesGrams: 900 })),
    )
    await build([{ name: 'Set', things: [{ id: used?.id ?? '' }] }])
    await change(lent?.id ?? '', { state: 'lent' })
    await change(sold?.id ?? '', { state: 'sold' })
    const body = {
      category: 'household',
      name: 'Boxes',
      facts: {},
      specs: { takesGrams: 900 },
      tag: null,
      placeId: null,
    }
    const counted = await call('POST', '/stock', { ...body, quantity: 3, reorderLevel: 0 })
    const { able, all } = await find('holds:900')
    expect(able).toEqual(
      [counted.tag, free?.tag, used?.tag, lent?.tag].sort((a, b) => able.indexOf(a ?? '') - able.indexOf(b ?? '')),
    )
    expect(able.slice(0, 2).sort()).toEqual([counted.tag, free?.tag].sort())
    expect(able.slice(2)).toEqual([used?.tag, lent?.tag])
    expect(
      all.map(({ tag, usedBySetups, absence, free: left }) => [tag, usedBySetups, absence?.reason ?? null, left]),
    ).toEqual(
      expect.arrayContaining([
        [used?.tag, 1, null, null],
        [lent?.tag, 0, 'state', null],
        [counted.tag, 0, null, 3],
      ]),
    )
    // Out with a booking at this hour it is away as well; of an empty stock there is nothing.
    const booking = makeDraft({ unitIds: [free?.id], startsAt: '2026-11-24T07:00', endsAt: '2026-11-24T12:00' })
    await call('POST', '/bookings', booking)
    expect((await find('holds:900')).able.at(-1)).not.toBe(counted.tag)
    expect((await find('holds:900')).all.find((it) => it.tag === free?.tag)?.absence?.reason).toBe('booked')
    await call('POST', `/stock/${counted.id}/count`, { quantity: 0 }, counted.version)
    expect((await find('holds:900')).able).not.toContain(counted.tag)
  })

  test.each([
    ['', 422],
    ['flies', 422],
    ['dims:4', 422],
    ['holds:x', 422],
    ['holds:-1', 422],
    ['holds:1,'.repeat(6), 422],
  ])('a question that is none, %j, is refused with what can be asked', async (wants, status) => {
    const reply = await api().call('GET', `/able?wants=${encodeURIComponent(wants)}`)
    expect(reply.status).toBe(status)
    expect(JSON.stringify(reply.body)).toContain('picture-in')
  })
})

describe('before a wish is bought', () => {
  test('[A02.1] what is here and could do it is named, and holds the wish back until somebody says why it will not do', async () => {
    const wants = [{ code: 'picture-in', least: 0 }]
    const before = await buy({ wants })
    expect(before.status).toBe(201)
    const tv = await tell('television', 'Old one', { videoIn: 'hdmi-a' })
    const refused = await buy({ wants })
    expect(refused.status).toBe(422)
    expect(refused.body.errors).toEqual([
      { pointer: '/noneBecause', message: `${tv.tag} could do it. Take it from there, or say why none of it will do.` },
    ])
    expect((await buy({ wants, noneBecause: '  ' })).status).toBe(422)
    const kept = await buy({ wants, noneBecause: 'its picture lags' })
    expect([kept.status, kept.body.noneBecause, kept.body.wants]).toEqual([201, 'its picture lags', wants])
    // Of what nobody knows nothing is held back; sold, it is here no more.
    await tell('television', 'Unknown one', {}, {})
    await change(tv.id, { state: 'sold' })
    const { able } = await find('picture-in')
    expect((await buy({ wants })).status).toBe(able.length > 0 ? 422 : 201)
    expect((await call('GET', '/shopping')).length).toBeGreaterThanOrEqual(2)
  })

  test('crew ask in the same way, viewers only look', async () => {
    const wants = [{ code: 'dims', least: 0 }]
    expect((await api().as('viewer')('GET', '/able?wants=dims')).status).toBe(200)
    expect((await api().as('viewer')('POST', '/shopping', line({ wants }))).status).toBe(403)
    expect((await api().as('crew')('POST', '/shopping', line({ wants }))).status).toBe(201)
  })
})
