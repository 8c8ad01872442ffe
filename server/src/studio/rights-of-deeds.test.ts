import { afterEach, describe, expect, test } from 'vitest'
import { makeCookie, match, startApi, type TestApi } from '../foundation/api.fixture.ts'
import { TINY_PNG } from '../foundation/tiny-png.fixture.ts'
import { accounts } from '../schema/studio-tables.ts'
import { beginSession } from './access/sessions.ts'

let api: TestApi
afterEach(() => api?.close())

const BOOKING = {
  kind: 'shoot',
  title: 'Frost',
  setupId: null,
  unitIds: ['CAM-06'],
  placeId: null,
  personIds: [],
  startsAt: '2026-12-01T10:00',
  endsAt: '2026-12-01T11:00',
  rigMinutes: 0,
  strikeMinutes: 0,
  state: 'pencilled',
  note: '',
}

describe('what a role may not see or do', () => {
  test('[S6] a conflict shows the crew what stands, and none of its money', async () => {
    api = await startApi({ demo: true })
    const { body: made } = await api.call('POST', '/bookings', { ...BOOKING, feeMinor: 77_123_45, partyId: null })
    expect(made.feeMinor).toBe(77_123_45)
    const late = await api.as('crew')('PUT', `/bookings/${made.id}`, { ...BOOKING, title: 'Late' }, match(9))
    expect([late.status, late.body.current.title]).toEqual([409, 'Frost'])
    expect(late.body.current.feeMinor ?? null).toBeNull()
    expect(JSON.stringify(late.body)).not.toContain('7712345')
    const own = await api.call('PUT', `/bookings/${made.id}`, { ...BOOKING, title: 'Late' }, match(9))
    expect(own.body.current.feeMinor).toBe(77_123_45)
  })

  test('[S18] a fee that the crew sends is not written, on a new booking and on one that is there', async () => {
    api = await startApi({ demo: true })
    const { body } = await api.as('crew')('POST', '/bookings', { ...BOOKING, feeMinor: 9_900 })
    expect((await api.call('GET', `/bookings/${body.id}`)).body.feeMinor).toBeNull()
    await api.call('PUT', `/bookings/${body.id}`, { ...BOOKING, feeMinor: 5_000 }, match(1))
    await api.as('crew')('PUT', `/bookings/${body.id}`, { ...BOOKING, feeMinor: 9_900 }, match(2))
    expect((await api.call('GET', `/bookings/${body.id}`)).body.feeMinor).toBe(5_000)
  })

  test('[S18] whoever was a manager takes back no price as crew; what crew may do they take back still', async () => {
    api = await startApi({ demo: true })
    api.app.db.$client.exec(
      "INSERT INTO people (id, name, skills, note) VALUES ('second', 'Second', '[]', ''); INSERT INTO accounts (person_id, sign_in_name, role, is_owner, version) VALUES ('second', 'second', 'manager', 0, 1)",
    )
    const as =
      (its = { cookie: makeCookie(api.app, beginSession(api.app, 'second')) }) =>
      (method: string, path: string, body?: unknown, more = {}) =>
        api.as(null)(method, path, body, { ...its, ...more })
    const manager = as()
    const unit = (await manager('GET', '/units/CAM-01')).body.unit
    const { version, id } = unit
    const price = await manager('PATCH', '/units/CAM-01', { priceMinor: 1 }, match(version))
    expect(price.status).toBe(200)
    const confirmed = await manager('POST', '/bookings', { ...BOOKING, state: 'confirmed' })
    const pencilled = await manager('POST', '/bookings', {
      ...BOOKING,
      title: 'Second frost',
      startsAt: '2026-12-03T10:00',
      endsAt: '2026-12-03T11:00',
    })
    api.app.db.update(accounts).set({ role: 'crew' }).run()
    const crew = as()
    const changeOf = (reply: { headers: Headers }) => reply.headers.get('x-exemplar-change')
    const undo = (reply: { headers: Headers }) => crew('POST', `/changes/${changeOf(reply)}/undo`, {})
    const refused = await undo(price)
    expect([refused.status, refused.body.detail]).toEqual([
      403,
      expect.stringContaining('takes more than you may do now'),
    ])
    expect((await undo(confirmed)).status).toBe(403)
    expect((await undo(pencilled)).status).toBe(200)
    const listed = (await crew('GET', '/changes?limit=10')).body
    const ids = new Map(listed.map((it: { id: number; canUndo: boolean }) => [String(it.id), it.canUndo]))
    expect([ids.get(changeOf(price) ?? ''), ids.get(changeOf(confirmed) ?? '')]).toEqual([false, false])
    expect(id).toBe('CAM-01')
  })

  test('[S18] the crew takes away what it attached itself, and nobody else’s', async () => {
    api = await startApi({ demo: true })
    const attach = (role: 'manager' | 'crew', name: string) =>
      api.as(role)('POST', `/attachments?subjectType=unit&subjectId=CAM-01&name=${name}`, TINY_PNG, {
        'content-type': 'image/png',
      })
    const [theirs, own] = [(await attach('manager', 'x.html')).body, (await attach('crew', 'own.png')).body]
    expect(theirs.name).toBe('x.png')
    const drop = (role: 'manager' | 'crew', id: string) =>
      api.as(role)('DELETE', `/attachments/${id}`, undefined, match(1))
    const refused = await drop('crew', theirs.id)
    expect([refused.status, refused.body.detail]).toEqual([
      403,
      'Somebody else attached this. They can take it away, or a manager.',
    ])
    expect((await drop('crew', own.id)).status).toBe(200)
    expect((await drop('manager', theirs.id)).status).toBe(200)
  })
})

describe('[S13] a thing that is out', () => {
  const out = (id: string, version: number, more = {}) =>
    api.call(
      'POST',
      `/bookings/${id}/take-out`,
      { items: [{ unitId: 'CAM-06', stockId: null }], ...more },
      match(version),
    )

  test('goes out again only where it is said that it was handed over, and is told with who has it', async () => {
    api = await startApi({ demo: true })
    const first = (await api.call('POST', '/bookings', { ...BOOKING, state: 'confirmed' })).body
    const second = (await api.call('POST', '/bookings', { ...BOOKING, title: 'Moss', state: 'confirmed' })).body
    expect((await out(first.id, 1)).status).toBe(200)
    const refused = await out(second.id, 1)
    expect([refused.status, refused.body.detail]).toEqual([
      409,
      expect.stringMatching(
        /^CAM-06 is out on “Frost”, taken by .+\. Bring it back there first, or say that it was handed over\.$/,
      ),
    ])
    expect((await out(second.id, 1, { takeOver: true })).status).toBe(200)
    expect((await api.call('GET', `/bookings/${first.id}`)).body.state).toBe('back')
    expect((await api.call('GET', `/bookings/${second.id}`)).body.state).toBe('out')
  })

  test('fifty who take it at once are one who has it', async () => {
    api = await startApi({ demo: true })
    const ids: string[] = []
    for (let n = 0; n < 50; n++) {
      const { body } = await api.call('POST', '/bookings', { ...BOOKING, title: `Race ${n}`, state: 'confirmed' })
      ids.push(body.id)
    }
    const replies = await Promise.all(ids.map((id) => out(id, 1)))
    expect(replies.filter((it) => it.status === 200)).toHaveLength(1)
    for (const { status, body } of replies.filter((it) => it.status !== 200)) {
      expect([status, body.detail]).toEqual([409, expect.stringContaining('CAM-06 is out on')])
    }
  })
})
