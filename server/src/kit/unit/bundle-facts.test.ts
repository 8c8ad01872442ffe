import { describe, expect, test } from 'vitest'
import { useQuickEntry } from '../../setups/quick-entry.fixture.ts'

const { api, call } = useQuickEntry()

const part = (name: string, more: object = {}) => ({
  category: 'light',
  maker: 'Larch',
  name,
  quantity: 1,
  isThere: true,
  aloneMinor: null,
  ...more,
})
const bundle = (parts: object[]) => ({
  title: 'Lamp kit',
  priceMinor: 10_001,
  taxMinor: 0,
  on: '2026-11-02',
  partyId: null,
  placeId: null,
  acquisition: 'bought-new',
  staysTogether: true,
  parts,
})

describe('[E9] a bundle asks what quick entry asks', () => {
  test('what is told of a part is kept, of counted parts as well', async () => {
    const { tags } = await call(
      'POST',
      '/bundles',
      bundle([
        part('Hundred', {
          facts: { inlet: 'iec-c13', milliwatts: 100_000, massGrams: 1_800 },
          specs: { kelvinMin: 3_200 },
        }),
        part('Bag', { category: 'sandbag', quantity: 4, facts: { massGrams: 7_000 } }),
      ]),
    )
    expect(tags).toHaveLength(2)
    const models = (await call('GET', '/models')).filter((it: { maker: string }) => it.maker === 'Larch')
    const of = (name: string) => {
      const { id } = models.find((it: { name: string }) => it.name === name)
      return call('GET', `/models/${id}`)
    }
    expect(await of('Hundred')).toMatchObject({
      specs: { massGrams: 1_800, more: { kelvinMin: 3_200 } },
      powerModes: [{ source: 'mains', milliwatts: 100_000 }],
    })
    expect(await of('Bag')).toMatchObject({ specs: { massGrams: 7_000 } })
  })

  test('what contradicts is said at the field of that part, and nothing came in', async () => {
    await call('POST', '/units', { category: 'light', maker: 'Larch', name: 'Hundred', facts: { massGrams: 1_800 } })
    const { status, body } = await api().call(
      'POST',
      '/bundles',
      bundle([part('Other'), part('Hundred', { facts: { massGrams: 2_000 } })]),
    )
    expect([status, body.errors[0].pointer]).toEqual([422, '/parts/1/facts/massGrams'])
    expect((await call('GET', '/units/count')).units).toBe(1)
    expect((await call('GET', '/ledger/entries?year=2026')).length ?? 0).toBe(0)
  })
})
