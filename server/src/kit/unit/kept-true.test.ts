import { computeFingerprint, softwareSchema } from '@exemplar/core'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { match, startApi, type TestApi } from '../../foundation/api.fixture.ts'

let api: TestApi
beforeEach(async () => {
  api = await startApi({ demo: true })
})
afterEach(() => api.close())

const get = async (path: string) => (await api.call('GET', path)).body
const change = async (id: string, body: object) => {
  const reply = await api.call('PATCH', `/units/${id}`, body, match((await get(`/units/${id}`)).version))
  expect(reply.status).toBe(200)
}
const add = async (category: string, name: string) =>
  (await api.call('POST', '/units', { category, name })).body as { id: string; tag: string }
const setSpecs = async (unitId: string, specs: object) => {
  const { model } = await get(`/units/${unitId}`)
  const { id, version, ...rest } = model
  const more = { ...rest.specs.more, ...('more' in specs ? (specs.more as object) : {}) }
  const body = { ...rest, specs: { ...rest.specs, ...specs, more } }
  expect((await api.call('PUT', `/models/${id}`, body, match(version))).status).toBe(200)
}

test('a drive says how full it is, and from a second reading when it will be full', async () => {
  const drive = await add('drive', 'Archive drive')
  await setSpecs(drive.id, { capacityMegabytes: 4_000_000 })
  expect((await get(`/units/${drive.id}`)).space).toBeNull()
  const fills = [
    { on: '2026-08-16', usedMegabytes: 1_000_000 },
    { on: '2026-11-24', usedMegabytes: 2_000_000 },
  ]
  await change(drive.id, { fills })
  expect((await get(`/units/${drive.id}`)).space).toMatchObject({ freeMegabytes: 2_000_000, daysLeft: 200 })
})

test('a program is held against its device and against the computer it runs on, on both of their pages', async () => {
  const laptop = await add('computer', 'Old laptop')
  await setSpecs(laptop.id, { more: { memoryGigabytes: 8, discDrive: 'no' } })
  await setSpecs('CAM-06', { more: { wireless: 'no' } })
  const program = softwareSchema.parse({
    kind: 'app',
    name: 'Remote',
    version: '2.1',
    where: '',
    onUnitId: laptop.id,
    media: 'disc',
    needsWireless: true,
    minimumMemoryGigabytes: 16,
  })
  await change('CAM-06', { software: [program] })
  const codesOf = async (id: string) => (await get(`/units/${id}`)).software.map((it: { code: string }) => it.code)
  expect(await codesOf('CAM-06')).toEqual(['no-wireless', 'no-disc-drive', 'little-memory'])
  expect(await codesOf(laptop.id)).toEqual(await codesOf('CAM-06'))
  expect(await codesOf('CAM-01')).toEqual([])
})

test('Today says when a prop is to be put out, and when it stands though its season is over', async () => {
  const wreath = await add('prop', 'Wreath')
  const seasons = async () =>
    (await get('/today')).sections.before
      .filter((it: { code: string }) => it.code === 'season')
      .map((it: { tag: string; deed: string; setups: string[] }) => [it.tag, it.deed, it.setups])
  await change(wreath.id, { season: { from: 11, to: 1 } })
  expect(await seasons()).toEqual([[wreath.tag, 'put-out', []]])
  await change(wreath.id, { season: { from: 5, to: 6 } })
  expect(await seasons()).toEqual([])
  const { body: setup } = await api.call('GET', '/setups/pb')
  const [first, ...rest] = setup.roles
  const thing = { unitId: wreath.id, stockId: null, quantity: 1, powerModeId: null, recordingModeId: null }
  const roles = [{ ...first, things: [...first.things, thing] }, ...rest]
  expect((await api.call('PUT', '/setups/pb', { ...setup, roles }, match(setup.version))).status).toBe(200)
  expect(await seasons()).toEqual([[wreath.tag, 'put-away', ['PB']]])
})

describe('what is the venue’s own', () => {
  test('stays in its room: a setup elsewhere stops, at home it does not; another of its kind is the way out', async () => {
    const bound = async () =>
      (await get('/setups/gi/readiness')).findings.filter((it: { code: string }) => it.code === 'bound-elsewhere')
    const { roles, placeId } = await get('/setups/gi')
    const unitId = roles.flatMap((it: { things: { unitId: string | null }[] }) => it.things)[0].unitId
    await change(unitId, { acquisition: 'venue', placeId })
    expect(await bound()).toEqual([])
    const other = (await get('/places')).find(
      (it: { kind: string; id: string }) => it.kind === 'room' && it.id !== placeId,
    )
    await change(unitId, { placeId: other.id })
    const [finding] = await bound()
    expect([finding.level, finding.tag, finding.room]).toEqual(['stop', unitId, other.name])
    const { remedies } = await get(`/setups/gi/remedies?key=${encodeURIComponent(finding.key)}`)
    expect(remedies.map((it: { kind: string }) => it.kind)).toContain('replace')
  })
})

describe('a finding that is lived with', () => {
  test('is out of the verdict on every page, until it says something else', async () => {
    const judged = await get('/setups/pb/readiness')
    const finding = judged.findings.find((it: { level: string }) => it.level === 'warn' || it.level === 'advise')
    const setup = await get('/setups/pb')
    const accepted = [
      { key: finding.key, fingerprint: computeFingerprint(finding), reason: 'as ever', on: '2026-11-24', by: 'Imke' },
    ]
    await api.call('PUT', '/setups/pb', { ...setup, accepted }, match(setup.version))
    const after = await get('/setups/pb/readiness')
    expect(after.counts[finding.level]).toBe(judged.counts[finding.level] - 1)
    expect(after.findings.at(-1)).toMatchObject({ key: finding.key, accepted: { reason: 'as ever' } })
  })
  test('without a reason it is refused at the field', async () => {
    const setup = await get('/setups/pb')
    const accepted = [{ key: 'x', fingerprint: 'y', reason: ' ', on: '2026-11-24', by: '' }]
    const { status, body } = await api.call('PUT', '/setups/pb', { ...setup, accepted }, match(setup.version))
    expect([status, body.errors[0].pointer]).toEqual([422, '/accepted/0/reason'])
  })
})
