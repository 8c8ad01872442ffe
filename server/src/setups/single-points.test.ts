import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { match, startApi, type TestApi } from '../foundation/api.fixture.ts'
import { askToTheEnd } from '../foundation/call.fixture.ts'
import { loadSinglePoints } from './single-points.ts'

let api: TestApi
beforeEach(async () => {
  api = await startApi({ demo: true })
})
afterEach(() => api.close())

const ask = (aWhile?: number) => loadSinglePoints(api.app, aWhile)
const change = async (path: string, version: number, body: object) => {
  const { status } = await api.call('PATCH', path, body, match(version))
  expect(status).toBe(200)
}

describe('single points of failure, a while at a time', () => {
  test('each answer goes on from the one before, and what was found stays found', async () => {
    // A while of no time at all: one verdict for each answer.
    const replies = [ask(0)]
    for (let last = replies[0]; last && last.done < last.of; last = replies.at(-1)) replies.push(ask(0))
    expect(replies.length).toBeGreaterThan(1)
    for (const [at, reply] of replies.slice(1).entries()) {
      const before = replies[at]
      expect(reply.done).toBeGreaterThanOrEqual(before?.done ?? 0)
      for (const [which, setup] of reply.setups.entries()) {
        const known = before?.setups[which]?.losses ?? []
        expect(setup.losses.slice(0, known.length)).toEqual(known)
      }
    }
    expect(replies.at(-1)?.setups.every((it) => it.isDone)).toBe(true)
    expect(replies[0]?.setups.every((it) => it.isDone)).toBe(false)
  })

  test('a change that decides nothing here begins nothing anew; one that does is seen', async () => {
    const all = await askToTheEnd(async () => ask())
    const { status } = await api.call('POST', '/shopping', {
      item: 'Gaffer tape',
      quantity: 2,
      reason: '',
      stockId: null,
      setupId: null,
    })
    expect(status).toBeLessThan(300)
    const after = ask(0)
    expect(after.done).toBe(after.of)
    expect(after.points).toEqual(all.points)

    const [point] = all.points
    if (!point) throw new Error('The demo has a single point of failure.')
    const { body: unit } = await api.call('GET', `/units/${point.unitId}`)
    await change(`/units/${point.unitId}`, unit.version, { tag: 'ZZ-99' })
    const fresh = await askToTheEnd(async () => ask())
    expect(fresh.points.map((it) => it.tag)).toContain('ZZ-99')
    expect(fresh.points.map((it) => it.tag)).not.toContain(point.tag)
  })

  test('minutes pass, and nothing begins anew', async () => {
    const all = await askToTheEnd(async () => ask())
    const later = loadSinglePoints({ ...api.app, now: () => api.app.now() + 3 * 60_000 }, 0)
    expect([later.done, later.points]).toEqual([all.of, all.points])
  })

  test('a setup that is gone is asked about no more', async () => {
    const all = await askToTheEnd(async () => ask())
    const { body: setup } = await api.call('GET', `/setups/${all.setups[0]?.id}`)
    const { status } = await api.call('DELETE', `/setups/${setup.id}`, undefined, match(setup.version))
    expect(status).toBeLessThan(300)
    const after = await askToTheEnd(async () => ask())
    expect(after.setups.map((it) => it.id)).not.toContain(setup.id)
    expect(after.of).toBeLessThan(all.of)
  })
})
