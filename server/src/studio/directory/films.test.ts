import { describe, expect, test } from 'vitest'
import { type Thing, useQuickEntry } from '../../setups/quick-entry.fixture.ts'

const { call, add } = useQuickEntry()

const film = (copies: { unitId: string; folder: string }[]) =>
  call('POST', '/films', { title: 'Late roses', on: '2026-11-01', setupId: null, copies })
const lies = async () => (await call('GET', '/films'))[0].standing
const set = async ({ id }: Pick<Thing, 'id'>, state: string) =>
  call('PATCH', `/units/${id}`, { state }, (await call('GET', `/units/${id}`)).unit.version)

describe('[M9] how safe a film lies', () => {
  test('two folders on one drive are one copy', async () => {
    const drive = await add('drive', 'One', { capacityMegabytes: 4_000_000 })
    await film([
      { unitId: drive.id, folder: '/a' },
      { unitId: drive.id, folder: '/b' },
    ])
    expect(await lies()).toBe('one')
  })

  test.each([
    ['in-service', 'safe'],
    ['standby', 'safe'],
    ['lost', 'one'],
    ['sold', 'one'],
    ['written-off', 'one'],
    ['lent', 'one'],
    ['in-repair', 'one'],
  ])('a second drive that is %s: %s', async (state, standing) => {
    const drives = [await add('drive', 'One'), await add('drive', 'Two')]
    await film(drives.map((it) => ({ unitId: it.id, folder: '/a' })))
    await set(drives[1] as Thing, state)
    expect(await lies()).toBe(standing)
  })

  test('a drive that was taken off the list is no copy', async () => {
    const drives = [await add('drive', 'One'), await add('drive', 'Two')]
    await film(drives.map((it) => ({ unitId: it.id, folder: '/a' })))
    await call('DELETE', `/units/${drives[1]?.id}`, undefined, 1)
    const [row] = await call('GET', '/films')
    expect([row.standing, row.copies[1].state]).toEqual(['one', 'No longer in the kit'])
  })

  test('nothing written down is not known to lie anywhere', async () => {
    await film([])
    expect(await lies()).toBe('unknown')
  })

  test('with every drive lost none is left; with the last one lent none is here', async () => {
    const drive = await add('drive', 'One')
    await film([{ unitId: drive.id, folder: '/a' }])
    await set(drive, 'lent')
    expect(await lies()).toBe('away')
    await set(drive, 'lost')
    expect(await lies()).toBe('gone')
  })
})
