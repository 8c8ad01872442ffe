import { computeFingerprint, type Finding, sayVerdict } from '@exemplar/core'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { startApi, type TestApi } from '../foundation/api.fixture.ts'
import { makeCall } from '../foundation/call.fixture.ts'

let api: TestApi
beforeEach(async () => {
  api = await startApi()
})
afterEach(() => api.close())

const call = makeCall(() => api)

const add = async (category: string, name: string, facts: object) =>
  (await call('POST', '/units', { category, maker: '', name, facts })).id

async function build(unitIds: string[]) {
  const things = unitIds.map((unitId) => ({
    unitId,
    stockId: null,
    quantity: 1,
    powerModeId: null,
    recordingModeId: null,
  }))
  const role = { id: 'r', group: 'camera', name: 'A', importance: 'essential', wants: null, detail: '' }
  const setup = {
    code: 'QE',
    name: 'Rig',
    tape: 'fern',
    purpose: '',
    placeId: null,
    circuitId: null,
    plannedMinutes: 30,
    note: '',
    roles: [{ ...role, intentionallyEmpty: false, things }],
  }
  return { setup, id: (await call('POST', '/setups', setup)).id }
}

const judge = (id: string) => call('GET', `/setups/${id}/readiness`)

const accept = (finding: Finding, until: string | null) => ({
  key: finding.key,
  fingerprint: computeFingerprint(finding),
  reason: 'It stands on books.',
  on: '2026-01-01',
  by: 'Somebody else',
  until,
})

describe('[V20] a stop is accepted by name and to an end', () => {
  test('a lack: ready, with who answers for it; without an end or past it, it counts', async () => {
    const phone = await add('phone', 'Slab', { massGrams: 190, capacityMegabytes: 64_000, kilobitsPerSecond: 50_000 })
    const { id, setup } = await build([phone])
    const { findings, counts } = await judge(id)
    expect(sayVerdict({ counts })).toBe('Cannot run: 1 stop.')
    const [stop] = findings
    await call('PUT', `/setups/${id}`, { ...setup, accepted: [accept(stop, null)] }, 1)
    expect(sayVerdict(await judge(id))).toBe('Cannot run: 1 stop.')

    const { accepted } = await call('PUT', `/setups/${id}`, { ...setup, accepted: [accept(stop, '2199-12-31')] }, 2)
    // Whoever is signed in answers for it, whatever name was sent.
    const [{ by }] = accepted
    expect(by).not.toBe('Somebody else')
    expect(by).not.toBe('')
    const ready = await judge(id)
    expect([sayVerdict(ready), ready.level]).toEqual([`Ready to run. 1 risk accepted by ${by}.`, 'ok'])
    const [card] = await call('GET', '/setups')
    expect(sayVerdict(card)).toBe(sayVerdict(ready))

    await call('PUT', `/setups/${id}`, { ...setup, accepted: [accept(stop, '2020-01-01')] }, 3)
    expect(sayVerdict(await judge(id))).toBe('Cannot run: 1 stop.')
  })

  test('a hazard that somebody took on is never ready', async () => {
    const lamp = await add('light', 'Heavy', { massGrams: 6_001 })
    const stand = await add('stand', 'Stand', { loadGrams: 6_000, massGrams: 2_500 })
    const { id, setup } = await build([lamp, stand])
    const modelId = (await call('GET', `/units/${lamp}`)).model.id
    await call('POST', `/models/${modelId}/facts`, { fact: 'power', answer: { kind: 'none' } }, 1)
    const [over] = (await judge(id)).findings
    expect(over).toMatchObject({ code: 'carried-load', level: 'stop' })
    const kept = await call('PUT', `/setups/${id}`, { ...setup, accepted: [accept(over, '2199-12-31')] }, 1)
    const after = await judge(id)
    expect([sayVerdict(after), after.level]).toEqual([
      `Cannot run as recorded; ${kept.accepted[0].by} took it on.`,
      'stop',
    ])
  })
})
