import { NO_PROVENANCE } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { makeSoftware, useQuickEntry } from '../../setups/quick-entry.fixture.ts'

// Each by somebody who starts from nothing, tells it the quick way, and reads it back where they would look for it.
const { api, call, add } = useQuickEntry()

const tell = (id: string, changes: object, version = 1) => call('PATCH', `/units/${id}`, changes, version)
const read = (id: string) => call('GET', `/units/${id}`)

describe('where a thing came from', () => {
  test('[P12.1] a gift has no price, a value and what it would cost again, and is no spending', async () => {
    const computer = await add('computer', 'From my aunt')
    const provenance = { ...NO_PROVENANCE, valueMinor: 40_000, valueOn: '2026-05-01', replacementMinor: 90_000 }
    await tell(computer.id, { acquisition: 'gift', priceMinor: 0, provenance })
    const { unit } = await read(computer.id)
    expect(unit).toMatchObject({
      acquisition: 'gift',
      priceMinor: 0,
      provenance: { valueMinor: 40_000, replacementMinor: 90_000 },
    })
    expect((await call('GET', '/ledger/spending?year=2026')).totalMinor).toBe(0)
  })

  test('[Q11.1] why it was chosen stands with the thing, as it was written', async () => {
    const lens = await add('lens', 'Soft old lens')
    await tell(lens.id, { provenance: { ...NO_PROVENANCE, reason: 'Flares as the one of 2019 did' } })
    expect((await read(lens.id)).unit.provenance.reason).toBe('Flares as the one of 2019 did')
  })

  test('what was promised for a gift is open until its day is written down; then it is done', async () => {
    const lamp = await add('light', 'Given lamp')
    const duty = { what: 'A film about it', dueOn: '2026-12-24', doneOn: null, filmId: null }
    await tell(lamp.id, { acquisition: 'gift', provenance: { ...NO_PROVENANCE, duties: [duty] } })
    const open = async () =>
      (await call('GET', '/kit-duties')).duties.map((it: { what: string; dueOn: string }) => [it.what, it.dueOn])
    expect(await open()).toEqual([['A film about it', '2026-12-24']])
    await tell(lamp.id, { provenance: { ...NO_PROVENANCE, duties: [{ ...duty, doneOn: '2026-11-20' }] } }, 2)
    expect(await open()).toEqual([])
  })

  test('[Q10.1] [N20.1] a dealer has a way to be reached and a history: what came from there, what was spent there', async () => {
    const dealer = await call('POST', '/parties', {
      name: 'Larch and Daughters',
      kind: 'vendor',
      note: 'Knows old mounts',
      contacts: [{ kind: 'mail', value: 'desk@larch.example' }],
    })
    const lens = await add('lens', 'From the dealer')
    await tell(lens.id, { partyId: dealer.id })
    const entry = {
      date: '2026-03-01',
      kind: 'repair',
      category: 'camera',
      description: 'New ring',
      netMinor: 4_000,
      taxMinor: 800,
    }
    await call('POST', '/ledger/entries', { ...entry, unitId: lens.id, partyId: dealer.id })
    expect((await read(lens.id)).unit.partyId).toBe(dealer.id)
    const page = await call('GET', `/parties/${dealer.id}`)
    expect(page.contacts).toEqual([{ kind: 'mail', value: 'desk@larch.example' }])
    expect(page.units.map((it: { tag: string }) => it.tag)).toEqual([lens.tag])
    expect(page.entries.map((it: { description: string }) => it.description)).toEqual(['New ring'])
  })
})

describe('what belongs to a thing', () => {
  test('[A18.1] its app, driver and firmware, each by exact name and version, and where it is installed', async () => {
    const [camera, laptop] = [await add('camera', 'Eye'), await add('laptop', 'Store laptop')]
    const soft = (kind: string, name: string, version: string, rest: object = {}) =>
      makeSoftware({ kind, name, version, ...rest })
    const software = [
      soft('firmware', 'Body', '2.04'),
      soft('driver', 'Tether driver', '11.3.1', { onUnitId: laptop.id }),
      soft('app', 'Remote', '5.0', { where: 'the phone of who films' }),
    ]
    await tell(camera.id, { software })
    expect((await read(camera.id)).unit.software).toEqual(software)
  })
})

describe('what is told by a name that no question has', () => {
  test('is refused with that name, and nothing is added', async () => {
    const body = { category: 'table', maker: '', name: 'Desk', facts: { depthMm: 800, breadthMm: 1_600 } }
    const { status, body: reply } = await api().call('POST', '/units', body)
    expect([status, reply.errors[0].pointer]).toEqual([422, '/facts'])
    expect(reply.errors[0].message).toContain('breadthMm')
    expect((await call('GET', '/units')).rows).toEqual([])
  })
})
