import { connect } from 'node:net'
import { afterEach, describe, expect, test } from 'vitest'
import {
  type Call,
  CLIENT,
  callApi,
  countRows,
  match,
  type Reply,
  startApi,
  type TestApi,
} from '../../foundation/api.fixture.ts'
import { hashPassword, verifyPassword } from '../../foundation/base/secrets.ts'
import { accounts, sessions } from '../../schema/studio-tables.ts'

const OWNER = { name: 'Imke Harrow', signInName: 'imke', password: 'moss on the north wall', start: 'empty' as const }

let api: TestApi
afterEach(() => api?.close())

/** A browser: keeps the cookies that it was given. */
function makeBrowser(): { call: Call; cookies: Map<string, string> } {
  const cookies = new Map<string, string>()
  return {
    cookies,
    async call(method, path, body, headers = {}) {
      const cookie = [...cookies].map(([name, value]) => `${name}=${value}`).join('; ')
      const reply = await callApi(api.url, method, path, body, { ...CLIENT, ...(cookie ? { cookie } : {}), ...headers })
      for (const line of reply.headers.getSetCookie()) {
        const [name = '', value = ''] = (line.split(';')[0] ?? '').split(/=(.*)/)
        if (value) cookies.set(name, value)
        else cookies.delete(name)
      }
      return reply
    },
  }
}

async function startWithOwner() {
  api = await startApi({ bare: true })
  const owner = makeBrowser()
  await owner.call('POST', '/access/first-run', OWNER)
  return owner
}

async function invite(owner: ReturnType<typeof makeBrowser>, name: string, role: string): Promise<string> {
  const { body: person } = await owner.call('POST', '/people', { name, skills: [], note: '' })
  const reply = await owner.call('POST', '/access/invitations', {
    personId: person.id,
    signInName: name.toLowerCase(),
    role,
  })
  return reply.body.token
}

describe('the first run', () => {
  test('makes the owner, who is signed in, and nobody a second time', async () => {
    const owner = await startWithOwner()
    expect((await owner.call('GET', '/access/me')).body).toMatchObject({
      person: { name: 'Imke Harrow' },
      role: 'manager',
      isOwner: true,
      needsOwner: false,
    })
    expect((await makeBrowser().call('POST', '/access/first-run', { ...OWNER, signInName: 'eve' })).status).toBe(409)
  })

  test('of two who come at once, one becomes the owner', async () => {
    api = await startApi({ bare: true })
    const statuses = await Promise.all(
      ['a1', 'b1', 'c1'].map((signInName) => makeBrowser().call('POST', '/access/first-run', { ...OWNER, signInName })),
    )
    expect(statuses.map((it) => it.status).sort()).toEqual([201, 409, 409])
    expect(api.app.db.select().from(accounts).all()).toHaveLength(1)
  })

  test('can start with the demo, whose people get no way in', async () => {
    api = await startApi({ bare: true })
    const owner = makeBrowser()
    expect((await owner.call('POST', '/access/first-run', { ...OWNER, start: 'demo' })).status).toBe(201)
    expect((await owner.call('GET', '/units/count')).body.units).toBeGreaterThan(60)
    expect(api.app.db.select().from(accounts).all()).toHaveLength(1)
  })

  test('asks for the code of the machine where others can reach it', async () => {
    api = await startApi({ bare: true, config: { isLoopback: false, firstRunCode: 'c0de' } })
    const { status, body } = await makeBrowser().call('POST', '/access/first-run', OWNER)
    expect([status, body.errors[0].pointer]).toEqual([422, '/code'])
    expect((await makeBrowser().call('POST', '/access/first-run', { ...OWNER, code: 'c0de' })).status).toBe(201)
  })

  test.each([
    ['signInName', 'x'],
    ['signInName', 'Two words'],
    ['password', 'short'],
    ['name', '  '],
  ])('refuses a %s of %j at its field', async (field, value) => {
    api = await startApi({ bare: true })
    const { status, body } = await makeBrowser().call('POST', '/access/first-run', { ...OWNER, [field]: value })
    expect([status, body.errors[0].pointer]).toEqual([422, `/${field}`])
  })
})

describe('sessions', () => {
  test('the cookie is signed, not for scripts, and not sent from elsewhere', async () => {
    api = await startApi({ bare: true })
    const { headers } = await makeBrowser().call('POST', '/access/first-run', OWNER)
    const [cookie = '', signature = ''] = headers.getSetCookie()
    expect(cookie).toMatch(/^exemplar_session=[\w-]{43}; path=\/; expires=.*; samesite=lax; httponly$/i)
    expect(signature).toMatch(/^exemplar_session\.sig=/)
  })

  test('a token of one’s own making, or a signature of another token, opens nothing', async () => {
    const owner = await startWithOwner()
    const token = owner.cookies.get('exemplar_session') ?? ''
    const forged = makeBrowser()
    forged.cookies.set('exemplar_session', token)
    expect((await forged.call('GET', '/people')).status).toBe(401)
    forged.cookies.set('exemplar_session', 'x'.repeat(43))
    forged.cookies.set('exemplar_session.sig', owner.cookies.get('exemplar_session.sig') ?? '')
    expect((await forged.call('GET', '/people')).status).toBe(401)
  })

  test('fixation: a session that stood before signing in is not the one afterwards, and is over', async () => {
    const owner = await startWithOwner()
    const planted = new Map(owner.cookies)
    await owner.call('POST', '/access/sign-in', OWNER)
    expect(owner.cookies.get('exemplar_session')).not.toBe(planted.get('exemplar_session'))
    const attacker = makeBrowser()
    for (const [name, value] of planted) attacker.cookies.set(name, value)
    expect((await attacker.call('GET', '/people')).status).toBe(401)
  })

  test('replay: a cookie kept from before signing out opens nothing', async () => {
    const owner = await startWithOwner()
    const kept = makeBrowser()
    for (const [name, value] of owner.cookies) kept.cookies.set(name, value)
    expect((await kept.call('GET', '/people')).status).toBe(200)
    expect((await owner.call('POST', '/access/sign-out', {})).status).toBe(204)
    expect((await kept.call('GET', '/people')).status).toBe(401)
    expect(owner.cookies.has('exemplar_session')).toBe(false)
  })

  test('signing out everywhere ends the sessions of all devices', async () => {
    const owner = await startWithOwner()
    const phone = makeBrowser()
    await phone.call('POST', '/access/sign-in', OWNER)
    await owner.call('POST', '/access/sign-out-everywhere', {})
    expect((await phone.call('GET', '/people')).status).toBe(401)
  })

  test('end when they are old or were long not used', async () => {
    const owner = await startWithOwner()
    const { db } = api.app
    db.update(sessions)
      .set({ seenAt: api.app.now() - 15 * 86_400_000 })
      .run()
    expect((await owner.call('GET', '/people')).status).toBe(401)
    db.update(sessions).set({ seenAt: api.app.now(), expiresAt: api.app.now() }).run()
    expect((await owner.call('GET', '/people')).status).toBe(401)
  })

  test('the database holds neither tokens nor passwords', async () => {
    const owner = await startWithOwner()
    const token = owner.cookies.get('exemplar_session') ?? ''
    const dump = JSON.stringify([api.app.db.select().from(sessions).all(), api.app.db.select().from(accounts).all()])
    expect(dump).not.toContain(token)
    expect(dump).not.toContain(OWNER.password)
  })
})

describe('passwords', () => {
  test('are kept by scrypt with a salt of their own, and spelled alike are alike', async () => {
    const [one, two] = await Promise.all([hashPassword('Ångström garden', 4), hashPassword('Ångström garden', 4)])
    expect(one).not.toBe(two)
    // U+212B and U+00C5 are one letter by Unicode's compatibility form (UAX 15).
    expect(await verifyPassword('\u212bngstro\u0308m garden', one ?? '', 4)).toBe(true)
    expect(await verifyPassword('Angstrom garden', one ?? '', 4)).toBe(false)
    expect(await verifyPassword('', null, 4)).toBe(false)
  })

  test('a new one wants the old one, and signs other devices out', async () => {
    const owner = await startWithOwner()
    const phone = makeBrowser()
    await phone.call('POST', '/access/sign-in', OWNER)
    const wrong = await owner.call('POST', '/access/password', {
      old: 'nonsense',
      password: 'lichen on the south wall',
    })
    expect([wrong.status, wrong.body.errors[0].pointer]).toEqual([422, '/old'])
    const right = await owner.call('POST', '/access/password', {
      old: OWNER.password,
      password: 'lichen on the south wall',
    })
    expect(right.status).toBe(200)
    expect((await phone.call('GET', '/people')).status).toBe(401)
    expect((await owner.call('GET', '/people')).status).toBe(200)
    expect((await phone.call('POST', '/access/sign-in', OWNER)).status).toBe(401)
  })

  test('brute force: after six wrong tries one waits, the right password too, and other names are free', async () => {
    const owner = await startWithOwner()
    const token = await invite(owner, 'Bram', 'crew')
    await makeBrowser().call('POST', `/access/invitations/${token}`, { password: 'a long enough phrase' })
    const eve = makeBrowser()
    const tries: Reply[] = []
    for (let n = 0; n < 8; n++)
      tries.push(await eve.call('POST', '/access/sign-in', { signInName: 'imke', password: `guess ${n}` }))
    expect(tries.map((it) => it.status)).toEqual([401, 401, 401, 401, 401, 401, 429, 429])
    expect(Number(tries[7]?.headers.get('retry-after'))).toBeGreaterThan(600)
    expect((await eve.call('POST', '/access/sign-in', OWNER)).status).toBe(429)
    expect(
      (await eve.call('POST', '/access/sign-in', { signInName: 'bram', password: 'a long enough phrase' })).status,
    ).toBe(200)
  })

  test('brute force over many names from one address is stopped too', async () => {
    await startWithOwner()
    const statuses: number[] = []
    for (let n = 0; n < 36; n++) {
      statuses.push(
        (await makeBrowser().call('POST', '/access/sign-in', { signInName: `name${n}`, password: 'guess' })).status,
      )
    }
    expect([statuses[29], statuses[30], statuses[35]]).toEqual([401, 429, 429])
  })

  test('an unknown name and a wrong password are answered alike', async () => {
    await startWithOwner()
    const [unknown, wrong] = await Promise.all(
      ['nobody', 'imke'].map((signInName) =>
        makeBrowser().call('POST', '/access/sign-in', { signInName, password: 'guess guess' }),
      ),
    )
    expect(unknown?.body).toEqual(wrong?.body)
  })
})

describe('invitations', () => {
  test('a link sets a password once, and gives the role that was said', async () => {
    const owner = await startWithOwner()
    const token = await invite(owner, 'Bram', 'crew')
    const bram = makeBrowser()
    expect((await bram.call('GET', `/access/invitations/${token}`)).body).toEqual({ name: 'Bram', signInName: 'bram' })
    expect((await bram.call('POST', `/access/invitations/${token}`, { password: 'short' })).status).toBe(422)
    const entered = await bram.call('POST', `/access/invitations/${token}`, { password: 'a long enough phrase' })
    expect(entered.body).toMatchObject({ person: { name: 'Bram' }, role: 'crew' })
    expect(
      (await makeBrowser().call('POST', `/access/invitations/${token}`, { password: 'another long phrase' })).status,
    ).toBe(410)
    expect((await bram.call('GET', '/ledger/spending')).status).toBe(403)
  })

  test('a new link ends the old one, the old password and every session', async () => {
    const owner = await startWithOwner()
    const first = await invite(owner, 'Bram', 'crew')
    const bram = makeBrowser()
    await bram.call('POST', `/access/invitations/${first}`, { password: 'a long enough phrase' })
    const account = (await owner.call('GET', '/access/accounts')).body.find(
      (it: { signInName: string }) => it.signInName === 'bram',
    )
    const reset = await owner.call('POST', `/access/accounts/${account.personId}/reset`, {}, match(account.version))
    expect((await bram.call('GET', '/people')).status).toBe(401)
    expect(
      (await bram.call('POST', '/access/sign-in', { signInName: 'bram', password: 'a long enough phrase' })).status,
    ).toBe(401)
    expect(
      (await bram.call('POST', `/access/invitations/${reset.body.token}`, { password: 'a newer long phrase' })).status,
    ).toBe(200)
  })

  test('a change of role holds at once; an account switched off gets no further', async () => {
    const owner = await startWithOwner()
    const token = await invite(owner, 'Bram', 'manager')
    const bram = makeBrowser()
    await bram.call('POST', `/access/invitations/${token}`, { password: 'a long enough phrase' })
    const list = () => owner.call('GET', '/access/accounts')
    const account = async () => (await list()).body.find((it: { signInName: string }) => it.signInName === 'bram')
    const { personId, version } = await account()
    await owner.call('PUT', `/access/accounts/${personId}`, { role: 'viewer', isDisabled: false }, match(version))
    await bram.call('POST', '/access/sign-in', { signInName: 'bram', password: 'a long enough phrase' })
    expect((await bram.call('POST', '/people', { name: 'X', skills: [], note: '' })).status).toBe(403)
    await owner.call(
      'PUT',
      `/access/accounts/${personId}`,
      { role: 'viewer', isDisabled: true },
      match((await account()).version),
    )
    expect((await bram.call('GET', '/people')).status).toBe(401)
    expect(
      (await bram.call('POST', '/access/sign-in', { signInName: 'bram', password: 'a long enough phrase' })).status,
    ).toBe(401)
    expect(JSON.stringify((await list()).body)).not.toContain('scrypt')
  })

  test('a second manager does not touch the owner, and the owner cannot lock the door behind themselves', async () => {
    const owner = await startWithOwner()
    const token = await invite(owner, 'Bram', 'manager')
    const bram = makeBrowser()
    await bram.call('POST', `/access/invitations/${token}`, { password: 'a long enough phrase' })
    const { body } = await owner.call('GET', '/access/accounts')
    const own = body.find((it: { isOwner: boolean }) => it.isOwner)
    const path = `/access/accounts/${own.personId}`
    expect((await bram.call('POST', `${path}/reset`, {}, match(own.version))).status).toBe(403)
    expect((await bram.call('PUT', path, { role: 'viewer', isDisabled: false }, match(own.version))).status).toBe(403)
    expect((await owner.call('PUT', path, { role: 'manager', isDisabled: true }, match(own.version))).status).toBe(422)
  })
})

describe('the demo', () => {
  test('lets one step in as each role, on its own machine only', async () => {
    api = await startApi({ demo: true, config: { isDemo: true } })
    const roles = await Promise.all(
      ['manager', 'crew', 'viewer'].map(
        async (role) => (await makeBrowser().call('POST', '/access/step-in', { role })).body.role,
      ),
    )
    expect(roles).toEqual(['manager', 'crew', 'viewer'])
    api.close()
    api = await startApi({ demo: true, config: { isDemo: true, isLoopback: false } })
    expect((await makeBrowser().call('POST', '/access/step-in', { role: 'manager' })).status).toBe(403)
    api.close()
    api = await startApi({ demo: true })
    expect((await makeBrowser().call('POST', '/access/step-in', { role: 'manager' })).status).toBe(403)
  })
})

describe('abuse', () => {
  test('a write that names a foreign origin, or none and no client, is refused', async () => {
    api = await startApi({ demo: true })
    const before = countRows(api.app)
    const body = { name: 'Eve', skills: [], note: '' }
    const cookie = api.cookieOf('manager')
    const post = (headers: Record<string, string>) => callApi(api.url, 'POST', '/people', body, { cookie, ...headers })
    expect((await post({ origin: 'http://elsewhere.example' })).status).toBe(403)
    expect((await post({ origin: 'null' })).status).toBe(403)
    expect((await post({ origin: api.url.replace('127.0.0.1', 'localhost') })).status).toBe(403)
    expect((await post({ 'sec-fetch-site': 'cross-site' })).status).toBe(403)
    expect((await post({ 'sec-fetch-site': 'same-site' })).status).toBe(403)
    expect((await post({})).status).toBe(403)
    expect(countRows(api.app)).toEqual(before)
    expect((await post({ origin: api.url })).status).toBe(201)
  })

  test('a form of another site cannot write, whatever it calls its content', async () => {
    api = await startApi({ demo: true })
    const headers = { cookie: api.cookieOf('manager'), 'sec-fetch-site': 'cross-site', 'content-type': 'text/plain' }
    expect((await callApi(api.url, 'POST', '/people', '{"name":"Eve","skills":[],"note":""}', headers)).status).toBe(
      403,
    )
  })

  test('a foreign name that points at this machine is refused', async () => {
    api = await startApi({ demo: true })
    const { hostname, port } = new URL(api.url)
    const ask = (host: string) =>
      new Promise<string>((done, fail) => {
        const socket = connect(Number(port), hostname, () =>
          socket.write(`GET /api/access/me HTTP/1.1\r\nHost: ${host}\r\nConnection: close\r\n\r\n`),
        )
        let said = ''
        socket.on('data', (data) => {
          said += data
        })
        socket.on('end', () => done(said)).on('error', fail)
      })
    expect(await ask('evil.example')).toMatch(/^HTTP\/1.1 421 /)
    expect(await ask(`localhost:${port}`)).toMatch(/^HTTP\/1.1 200 /)
  })

  test('a body that trickles in is cut off, and nothing is written', async () => {
    api = await startApi({ demo: true, requestTimeoutMs: 400 })
    const before = countRows(api.app)
    const { hostname, port } = new URL(api.url)
    const outcome = await new Promise<string>((done) => {
      const socket = connect(Number(port), hostname)
      let said = ''
      socket.write(
        `POST /api/people HTTP/1.1\r\nHost: localhost:${port}\r\nCookie: ${api.cookieOf('manager')}\r\nX-Exemplar-Client: slow\r\nContent-Type: application/json\r\nContent-Length: 500\r\n\r\n{"name": "`,
      )
      const drip = setInterval(() => socket.write('x'), 50)
      socket.on('data', (data) => {
        said += data
      })
      socket.on('error', () => {})
      socket.on('close', () => {
        clearInterval(drip)
        done(said)
      })
    })
    expect(outcome).toMatch(/^HTTP\/1.1 408 /)
    expect(countRows(api.app)).toEqual(before)
  })

  test('too large a body is refused before it is read, signed in or not', async () => {
    api = await startApi({ demo: true })
    const big = JSON.stringify({ name: 'x', skills: [], note: 'x'.repeat(7_000_000) })
    expect((await api.call('POST', '/people', big)).status).toBe(413)
    expect((await api.as(null)('POST', '/people', big)).status).toBeGreaterThanOrEqual(400)
  })
})
