import { Secret, TOTP } from 'otpauth'
import { afterEach, describe, expect, test } from 'vitest'
import { CLIENT, makeCookie, match, startApi, type TestApi } from '../../foundation/api.fixture.ts'
import { accounts, signIns } from '../../schema/studio-tables.ts'
import { beginSession } from './sessions.ts'
import { TRIES } from './sign-in-limits.ts'

let api: TestApi
afterEach(() => api?.close())

const OWNER = { name: 'Odalys', signInName: 'odalys', password: 'four plain words here' }
const begin = () => api.as(null)('POST', '/access/first-run', { ...OWNER, start: 'empty' })
const signIn = (password: string, signInName = OWNER.signInName, more: object = {}) =>
  api.as(null)('POST', '/access/sign-in', { signInName, password, ...more })
const cookieFrom = (headers: Headers) =>
  headers
    .getSetCookie()
    .map((it) => it.split(';')[0] ?? '')
    .join('; ')

describe('the limit of tries', () => {
  test('[S3] of a thousand guesses at once no more than the limit are looked at, and pages answer meanwhile', async () => {
    // As much work as in real use, so that guesses would hold up everybody if they were let.
    api = await startApi({ bare: true, config: { passwordCost: 14 } })
    await begin()
    const guesses = Array.from({ length: 1_000 }, (_, n) => signIn(`guess number ${n}`))
    for (let n = 0; n < 9; n++) expect((await api.as(null)('GET', '/health')).status).toBe(200)
    const statuses = (await Promise.all(guesses)).map((it) => it.status)
    expect(statuses.filter((it) => it === 401)).toHaveLength(TRIES.pair)
    expect(statuses.filter((it) => it === 429)).toHaveLength(1_000 - TRIES.pair)
    // However many were refused, the book has the first of them.
    const outcomes = api.app.db
      .select()
      .from(signIns)
      .all()
      .map((it) => it.outcome)
    expect(outcomes.filter((it) => it === 'limited')).toHaveLength(1)
    // From where it came in before, and from there alone, the right one is refused too: this address has tried too often.
    expect((await signIn(OWNER.password)).status).toBe(429)
  }, 60_000)

  test('[S3] names of a thousand people from one address stop at the limit of the address', async () => {
    api = await startApi({ bare: true })
    await begin()
    const all = await Promise.all(Array.from({ length: 300 }, (_, n) => signIn('some password', `nobody${n}`)))
    expect(all.filter((it) => it.status === 401).length).toBeLessThanOrEqual(TRIES.address)
  })

  test('[S3] strangers at other addresses lock nobody out of the place where they work', async () => {
    api = await startApi({ bare: true })
    await begin()
    const { makeSignInLimits } = await import('./sign-in-limits.ts')
    const limits = makeSignInLimits()
    let refused = 0
    for (let n = 0; n < 200; n++) await limits.take('odalys', `10.0.${n}.1`, () => false).catch(() => refused++)
    expect(refused).toBe(200 - TRIES.name)
    // The owner at the desk where they always sit.
    await limits.take('odalys', '192.168.1.20', () => true)
    // One household is one address, however many it has.
    const household = await Promise.allSettled(
      Array.from({ length: 40 }, (_, n) => limits.take(`n${n}`, `2001:db8:1:2:${n}::1`, () => false)),
    )
    expect(household.filter((it) => it.status === 'fulfilled')).toHaveLength(TRIES.address)
  })

  test('[S3] the first-run code is guessed no oftener either', async () => {
    api = await startApi({ bare: true, config: { firstRunCode: 'abc' } })
    const guess = (code: string) => api.as(null)('POST', '/access/first-run', { ...OWNER, start: 'empty', code })
    const all = await Promise.all(Array.from({ length: 50 }, (_, n) => guess(`code ${n}`)))
    expect(all.filter((it) => it.status === 422)).toHaveLength(TRIES.pair)
    expect(all.filter((it) => it.status === 429)).toHaveLength(50 - TRIES.pair)
  })

  test('a right try forgives the wrong ones before it', async () => {
    api = await startApi({ bare: true })
    await begin()
    for (let round = 0; round < 3; round++) {
      for (let n = 0; n < TRIES.pair - 1; n++) expect((await signIn('wrong words')).status).toBe(401)
      expect((await signIn(OWNER.password)).status).toBe(200)
    }
  })
})

describe('passwords', () => {
  test.each([
    'password123',
    '1234567890',
    'aaaaaaaaaaaa',
    'abcabcabcabc',
    'qwertyuiop',
    'Exemplar2026!',
    'odalys-2026',
  ])('[S19] “%s” is among the first that anybody tries', async (password) => {
    api = await startApi({ bare: true })
    const { status, body } = await api.as(null)('POST', '/access/first-run', { ...OWNER, password, start: 'empty' })
    expect([status, body.errors?.[0]]).toEqual([
      422,
      { pointer: '/password', message: expect.stringContaining('among the first that anybody tries') },
    ])
    expect((await begin()).status).toBe(201)
    const { headers } = await signIn(OWNER.password)
    const own = { cookie: cookieFrom(headers) }
    const changed = await api.as(null)('POST', '/access/password', { old: OWNER.password, password }, own)
    expect([changed.status, changed.body.errors?.[0]?.pointer]).toEqual([422, '/password'])
  })
})

describe('showing once more who it is', () => {
  test('[S19] restore, roles, links, export and backups ask for it after ten minutes, and go on once it was shown', async () => {
    api = await startApi({ bare: true })
    const { headers } = await begin()
    const own = { cookie: cookieFrom(headers) }
    const call = (method: string, path: string, body?: unknown, more = {}) =>
      api.as(null)(method, path, body, { ...own, ...more })
    const { name } = (await call('POST', '/backups', {})).body
    const { id } = (await call('POST', '/people', { name: 'Rune', skills: [], note: '' })).body
    await call('POST', '/access/invitations', { personId: id, signInName: 'rune', role: 'crew' })
    const now = api.app.now()
    api.app.now = () => now + 10 * 60_000
    const guarded: [string, string, unknown?][] = [
      ['POST', `/backups/${name}/restore`, { lost: 0 }],
      ['GET', `/backups/${name}/file`],
      ['GET', '/export'],
      ['PUT', `/access/accounts/${id}`, { role: 'manager', isDisabled: false }],
      ['POST', `/access/accounts/${id}/reset`, {}],
      ['POST', '/access/invitations', { personId: id, signInName: 'again', role: 'crew' }],
      ['POST', '/access/second-factor', {}],
    ]
    for (const [method, path, body] of guarded) {
      const reply = await call(method, path, body, match(1))
      const seen = typeof reply.body === 'string' ? JSON.parse(reply.body) : reply.body
      expect([path, reply.status, seen.report]).toEqual([path, 403, { needsConfirmation: true }])
    }
    expect((await call('GET', '/access/me')).body.confirmedUntil).toBeNull()
    const wrong = await call('POST', '/access/confirm', { password: 'not it at all' })
    expect([wrong.status, wrong.body.errors[0].pointer]).toEqual([422, '/password'])
    expect((await call('GET', '/access/me')).body.person).not.toBeNull()
    expect((await call('POST', '/access/confirm', { password: OWNER.password })).status).toBe(200)
    expect((await call('GET', '/export')).status).toBe(200)
    expect((await call('PUT', `/access/accounts/${id}`, { role: 'viewer', isDisabled: false }, match(1))).status).toBe(
      200,
    )
    // A clock that was set back makes no old word new.
    api.app.now = () => now - 60_000
    expect((await call('GET', '/export')).status).toBe(403)
  })
})

describe('a second factor', () => {
  test('[S19] is set up, asked beside the password, good once for each code, and has codes for bad days', async () => {
    api = await startApi({ bare: true })
    const { headers } = await begin()
    const own = { cookie: cookieFrom(headers) }
    const call = (method: string, path: string, body?: unknown) => api.as(null)(method, path, body, own)
    const elsewhere = { cookie: cookieFrom((await signIn(OWNER.password)).headers) }
    const { secret, uri, picture } = (await call('POST', '/access/second-factor', {})).body
    expect(uri).toMatch(/^otpauth:\/\/totp\/Exemplar:odalys\?/)
    expect(picture).toMatch(/^data:image\/png/)
    const totp = new TOTP({ secret: Secret.fromBase32(secret), algorithm: 'SHA1', digits: 6, period: 30 })
    const codeAt = (shift = 0) => totp.generate({ timestamp: api.app.now() + shift })
    // Until a first code was typed it asks for none.
    expect((await signIn(OWNER.password)).status).toBe(200)
    expect((await call('PUT', '/access/second-factor', { code: '000000' })).body.errors[0].pointer).toBe('/code')
    const { recovery } = (await call('PUT', '/access/second-factor', { code: codeAt() })).body
    expect(new Set(recovery).size).toBe(10)
    // Other devices are out, as they came in with the password alone.
    expect((await api.as(null)('GET', '/people', undefined, elsewhere)).status).toBe(401)
    expect((await call('GET', '/access/me')).body.hasSecondFactor).toBe(true)
    const bare = await signIn(OWNER.password)
    expect([bare.status, bare.body.report]).toEqual([401, { needsCode: true }])
    // Whoever has the wrong password learns nothing of the factor.
    expect((await signIn('wrong words here')).body.report).toBeUndefined()
    // The code that turned it on was used.
    expect((await signIn(OWNER.password, 'odalys', { code: codeAt() })).status).toBe(401)
    expect((await signIn(OWNER.password, 'odalys', { code: codeAt(30_000) })).status).toBe(200)
    expect((await signIn(OWNER.password, 'odalys', { code: codeAt(30_000) })).status).toBe(401)
    const [code = ''] = recovery
    expect((await signIn(OWNER.password, 'odalys', { code: code.toUpperCase() })).status).toBe(200)
    expect((await signIn(OWNER.password, 'odalys', { code })).status).toBe(401)
    // Neither what is kept nor any list has a code or the secret of it in it.
    const kept = JSON.stringify(api.app.db.select().from(accounts).all())
    for (const it of recovery) expect(kept).not.toContain(it.replaceAll('-', ''))
    expect(JSON.stringify((await call('GET', '/access/accounts')).body)).not.toContain(secret)
    expect((await call('DELETE', '/access/second-factor')).status).toBe(204)
    expect((await signIn(OWNER.password)).status).toBe(200)
  })
})

describe('sessions and the door’s book', () => {
  test('[S19] one sees where one is signed in and ends it there; others’ sessions are nobody’s business', async () => {
    api = await startApi()
    const other = { cookie: makeCookie(api.app, beginSession(api.app, 't-crew', 'phone')) }
    const rows = (await api.as('crew')('GET', '/access/sessions')).body
    expect(rows.map((it: { device: string; isThis: boolean }) => [it.device, it.isThis]).sort()).toEqual([
      ['', true],
      ['phone', false],
    ])
    const { id } = rows.find((it: { isThis: boolean }) => !it.isThis)
    expect((await api.as('viewer')('DELETE', `/access/sessions/${id}`)).status).toBe(404)
    expect((await api.as('crew')('DELETE', `/access/sessions/${id}`)).status).toBe(204)
    expect((await api.as(null)('GET', '/people', undefined, other)).status).toBe(401)
  })

  test('[S19] who came in and who was refused stands in the book, for managers; it goes in no backup and forgets', async () => {
    api = await startApi({ bare: true })
    const { headers } = await begin()
    const own = { cookie: cookieFrom(headers) }
    await signIn('wrong words here')
    await signIn('some words', 'stranger')
    await signIn(OWNER.password)
    const { body } = await api.as(null)('GET', '/access/sign-ins', undefined, own)
    expect(
      body.map((it: { name: string; person: string | null; outcome: string }) => [it.name, it.person, it.outcome]),
    ).toEqual([
      ['odalys', 'Odalys', 'in'],
      ['stranger', null, 'wrong'],
      ['odalys', 'Odalys', 'wrong'],
      ['odalys', 'Odalys', 'in'],
    ])
    const { forgetOldSignIns } = await import('./sign-in-log.ts')
    const now = api.app.now()
    api.app.now = () => now + 91 * 86_400_000
    forgetOldSignIns(api.app)
    expect(api.app.db.select().from(signIns).all()).toEqual([])
  })

  test('[S7] nobody but the owner ends the owner’s sessions', async () => {
    api = await startApi()
    api.app.db.$client.exec(
      "INSERT INTO people (id, name, skills, note) VALUES ('second', 'Second', '[]', ''); INSERT INTO accounts (person_id, sign_in_name, role, is_owner, version) VALUES ('second', 'second', 'manager', 0, 1)",
    )
    const second = { cookie: makeCookie(api.app, beginSession(api.app, 'second')) }
    const end = (id: string) => api.as(null)('POST', `/access/accounts/${id}/sign-out-everywhere`, {}, second)
    expect((await end('t-manager')).status).toBe(403)
    expect((await api.call('GET', '/people')).status).toBe(200)
    expect((await end('t-crew')).status).toBe(204)
    expect((await api.as('crew')('GET', '/people')).status).toBe(401)
  })

  test('[S18] the link of an account that was switched off opens nothing, also where it was followed just before', async () => {
    api = await startApi()
    const { id } = (await api.call('POST', '/people', { name: 'Rune', skills: [], note: '' })).body
    const { token } = (
      await api.call('POST', '/access/invitations', { personId: id, signInName: 'rune', role: 'crew' })
    ).body
    await api.call('PUT', `/access/accounts/${id}`, { role: 'crew', isDisabled: true }, match(1))
    expect((await api.as(null)('GET', `/access/invitations/${token}`)).status).toBe(410)
    const joined = await api.as(null)('POST', `/access/invitations/${token}`, { password: 'four plain words' })
    expect(joined.status).toBe(410)
    expect(
      api.app.db
        .select()
        .from(accounts)
        .all()
        .find((it) => it.personId === id)?.passwordHash,
    ).toBeNull()
  })

  test('[S18] a stream ends with its session, at once; one person has no more than twenty-four', async () => {
    api = await startApi()
    const cookie = makeCookie(api.app, beginSession(api.app, 't-viewer'))
    const open = (its = cookie) => fetch(`${api.url}/api/live`, { headers: { ...CLIENT, cookie: its } })
    const stream = await open()
    const reader = stream.body?.getReader()
    await api.as(null)('POST', '/access/sign-out', {}, { cookie })
    let said = ''
    for (;;) {
      const piece = await reader?.read()
      if (!piece || piece.done) break
      said += Buffer.from(piece.value).toString()
    }
    expect(said).toContain('event: signed-out')
    const own = api.cookieOf('viewer')
    const streams = await Promise.all(Array.from({ length: 30 }, () => open(own)))
    expect(streams.filter((it) => it.status === 200)).toHaveLength(24)
    const refused = streams.find((it) => it.status === 429)
    expect(await refused?.json()).toMatchObject({ detail: expect.stringContaining('24 pages') })
    await Promise.all(streams.filter((it) => it !== refused).map((it) => it.body?.cancel()))
  })

  test('[S18] a page at the same name by another scheme is a foreign one', async () => {
    api = await startApi()
    const { host } = new URL(api.url)
    const from = (origin: string) => api.call('POST', '/people', { name: 'x', skills: [], note: '' }, { origin })
    expect((await from(`https://${host}`)).status).toBe(403)
    expect((await from(`http://${host}`)).status).toBe(201)
  })

  test('[S19] signing out clears what the browser kept', async () => {
    api = await startApi()
    const { headers } = await api.as('viewer')('POST', '/access/sign-out', {})
    expect(headers.get('clear-site-data')).toBe('"storage"')
  })
})
