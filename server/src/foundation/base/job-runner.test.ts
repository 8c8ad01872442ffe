import type { ResilienceReply } from '@exemplar/core'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { startApi, type TestApi } from '../api.fixture.ts'
import { askToTheEnd } from '../call.fixture.ts'

let api: TestApi
beforeAll(async () => {
  api = await startApi({ demo: true })
})
afterAll(() => api.close())

const points = () => askToTheEnd(() => api.app.jobs.run<ResilienceReply>('single-points', {}))

describe('long work in a thread of its own', () => {
  test('sees what was written just before', async () => {
    expect((await points()).points.map((it) => it.tag)).toContain('MIX-01')
    const { body: unit } = await api.call('GET', '/units/MIX-01')
    await api.call('PATCH', '/units/MIX-01', { tag: 'MIX-99' }, { 'if-match': `"${unit.version}"` })
    const after = await points()
    expect(after.points.map((it) => it.tag)).toContain('MIX-99')
  })

  test('a refusal comes through as the same sentence', async () => {
    await expect(api.app.jobs.run('connections', { id: 'nobody' })).rejects.toMatchObject({ status: 404 })
  })

  test('what nobody waits for any more is broken off, and the next job is done', async () => {
    const leave = new AbortController()
    const job = api.app.jobs.run('single-points', {}, leave.signal)
    leave.abort()
    await expect(job).rejects.toThrow('broken off')
    expect((await points()).points.length).toBeGreaterThan(0)
  })

  test('it writes nothing: its connection only reads', async () => {
    const rows = () => api.app.db.$client.prepare('SELECT count(*) FROM changes').pluck().get()
    const before = rows()
    await api.app.jobs.run('figures', { sharing: 'full' })
    expect(rows()).toBe(before)
  })
})
