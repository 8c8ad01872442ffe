import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import type { IncomingHttpHeaders } from 'node:http'
import { request } from 'node:https'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { generate } from 'selfsigned'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { routes } from '../api.ts'
import { makeApp } from '../app.ts'
import { people } from '../schema/studio-tables.ts'
import { ensureStudio } from '../studio/settings/settings-routes.ts'
import { CLIENT, callApi, countRows, makeTestConfig, startApi, type TestApi } from './api.fixture.ts'
import { readConfig } from './base/config.ts'
import type { RequestLog } from './base/log.ts'
import { translateConstraint } from './base/problem.ts'
import { makeServer } from './base/serving.ts'
import { makeSystemActor, openContext, write } from './database/app-context.ts'
import { listReplyFaults } from './reply-check.fixture.ts'

let api: TestApi
let pages: string
beforeAll(async () => {
  pages = mkdtempSync(join(tmpdir(), 'exemplar-pages-'))
  mkdirSync(join(pages, 'assets'))
  writeFileSync(join(pages, 'index.html'), '<!doctype html><title>shell</title>')
  writeFileSync(join(pages, 'assets/app-1234.js'), 'export {}')
  writeFileSync(join(pages, '../exemplar-secret.txt'), 'secret')
  api = await startApi({ demo: true, pages })
})
afterAll(() => {
  api.close()
  rmSync(pages, { recursive: true, force: true })
  rmSync(join(pages, '../exemplar-secret.txt'), { force: true })
})

const get = (path: string) => fetch(`${api.url}${path}`)

describe('pages', () => {
  test('every address of a page gets the shell; files are files, and missing files are not the shell', async () => {
    for (const path of ['/', '/today', '/setups/gi', '/diary/b-head/take-out']) {
      const reply = await get(path)
      expect([reply.status, await reply.text()]).toEqual([200, '<!doctype html><title>shell</title>'])
      expect(reply.headers.get('cache-control')).toBe('no-cache')
    }
    const file = await get('/assets/app-1234.js')
    expect(file.headers.get('cache-control')).toContain('immutable')
    expect((await get('/assets/app-0000.js')).status).toBe(404)
  })

  test('nothing outside the folder is served, whatever the path says', async () => {
    for (const path of [
      '/../exemplar-secret.txt',
      '/..%2fexemplar-secret.txt',
      '/assets/..%2f..%2fexemplar-secret.txt',
      '/%2e%2e/exemplar-secret.txt',
      '/.%00/x',
    ]) {
      expect(await (await get(path)).text(), path).not.toContain('secret')
    }
  })

  test('the headers forbid foreign scripts, framing and guessing of types', async () => {
    const { headers } = await get('/today')
    expect(headers.get('content-security-policy')).toContain("default-src 'self'")
    expect(headers.get('content-security-policy')).toContain("frame-ancestors 'none'")
    expect(headers.get('content-security-policy')).not.toMatch(/script-src[^;]*unsafe/)
    expect(headers.get('x-content-type-options')).toBe('nosniff')
  })
})

describe('reading', () => {
  const IDS: Record<string, string> = {
    '/units/:id': 'CAM-01',
    '/setups/:id': 'gi',
    '/setups/:id/readiness': 'gi',
    '/setups/:id/pictures': 'gi',
    '/setups/:id/picture-and-light': 'gi',
    '/setups/:id/joints': 'gi',
    '/setups/:id/picture-changes': 'gi',
    '/setups/:id/remedies': 'gi',
    '/bookings/:id': 'b-head',
    '/bookings/:id/check': 'b-head',
    '/parties/:id': 'vendor',
    '/places/:id': 'studio',
    '/places/:id/sun': 'studio',
    '/setups/:id/move-check': 'gi',
    '/setups/:id/connect': 'gi',
    '/setups/:id/choose': 'gi',
    '/setups/:id/without': 'gi',
    '/setups/:id/difference': 'gi',
    '/setups/:id/swap': 'gi',
    '/setups/:id/minutes': 'gi',
    '/setups/:id/change-over': 'gi',
    '/setups/:id/looks': 'gi',
    '/setups/:id/start': 'gi',
    '/setups/:id/sound-routes': 'gi',
    '/bookings/:id/change-over': 'b-head',
    '/units/:id/riders': 'TRI-01',
    '/units/:id/wants': 'CAM-01',
    '/units/:id/upkeep': 'CAM-01',
    '/changes/:id': '1',
    '/kit-plans/:id': 'k-second',
    '/kit-plans/:id/kits': 'k-second',
    '/models/:id': 'verrin-v6',
    '/models/:id/fits': 'verrin-v6',
    '/interfaces/:code/fits': 'sd',
  }
  const QUERIES: Record<string, string> = {
    '/setups/:id/remedies': '?key=need-unmet%2FMIC-02%2Fbay',
    '/able': '?wants=holds:2000,dims',
    '/bookings': '?from=2026-11-24',
    '/events': '?subjectType=unit&subjectId=CAM-01',
    '/ledger/entries': '?year=2026',
    '/wishes/places': '?category=light',
    '/ledger/upgrade-plan': '?budgets=50000',
    '/find': '?q=cam',
    '/snapshots/difference': '?from=now',
    '/attachments': '?subjectType=unit&subjectId=CAM-01',
    '/setups/:id/move-check': '?placeId=studio',
    '/setups/:id/joints': '?key=TRI-01',
    '/setups/:id/picture-changes': '?otherId=pb',
    '/setups/:id/without': '?unitId=LGT-01',
    '/setups/:id/difference': '?otherId=pb',
    '/setups/:id/swap': '?unitId=LGT-01&byUnitId=LGT-02',
    '/setups/:id/change-over': '?fromId=pb',
    '/systems': '?plate=thread-1-4&eachMinor=1500',
    '/cable-ways': '?fromUnitId=MIC-01&fromPortId=out&toUnitId=REC-01&toPortId=mic-in&neededMm=4000',
  }

  // A stream that does not end, and what has to be made first: those have tests of their own.
  const ELSEWHERE = new Set([
    '/live',
    '/access/invitations/:token',
    '/attachments/:id/file',
    '/attachments/:id/thumbnail',
    '/stocktakes/:id',
    '/backups/:name/check',
    '/backups/:name/file',
  ])

  test('never writes, and what is described is what comes', async () => {
    const before = countRows(api.app)
    const faults: string[] = []
    for (const route of routes.filter((it) => it.method === 'get' && !ELSEWHERE.has(it.path))) {
      const path = route.path.replace(/:\w+/, IDS[route.path] ?? '') + (QUERIES[route.path] ?? '')
      const { status, body } = await api.call('GET', path)
      expect(status, path).toBe(200)
      faults.push(...listReplyFaults(route.reply, body).map((it) => `${path} ${it}`))
    }
    expect(faults).toEqual([])
    expect(countRows(api.app)).toEqual(before)
  })
})

describe('writing', () => {
  test('a write that fails half way leaves nothing, neither rows nor events', () => {
    const before = countRows(api.app)
    expect(() =>
      write(api.app, makeSystemActor(), ({ tx, newId, log }) => {
        const id = newId()
        tx.insert(people).values({ id, name: 'Half', skills: [], note: '' }).run()
        log('created', 'person', id)
        throw new Error('the power went')
      }),
    ).toThrow('the power went')
    expect(countRows(api.app)).toEqual(before)
  })

  test.each([
    ['SQLITE_FULL', 507, 'Make room'],
    ['SQLITE_BUSY', 503, 'Try again'],
    ['SQLITE_CONSTRAINT_UNIQUE', 409, 'already'],
    ['SQLITE_CONSTRAINT_FOREIGNKEY', 422, 'does not exist'],
  ])('what SQLite says as %s is answered with %i in a sentence', (code, status, words) => {
    const cause = Object.assign(new Error('UNIQUE constraint failed: places.name'), { code })
    const problem = translateConstraint(new Error('Failed query', { cause }))
    expect(problem?.status).toBe(status)
    expect(problem?.message).toContain(words)
  })

  test('anything else is a fault of ours, not a constraint', () => {
    expect(translateConstraint(new Error('boom'))).toBe(null)
    expect(translateConstraint('boom')).toBe(null)
  })
})

describe('configuration', () => {
  test('has sensible ways without any setting', () => {
    expect(readConfig({})).toMatchObject({ host: '127.0.0.1', port: 4600, fixedNow: null })
    expect(readConfig({}).dataFolder.endsWith('/data')).toBe(true)
  })

  test.each([
    [{ EXEMPLAR_PORT: 'http' }, 'A port is a whole number'],
    [{ EXEMPLAR_PORT: '70000' }, 'A port is a whole number'],
    [{ EXEMPLAR_NOW: 'tomorrow' }, 'Write an instant'],
  ])('%j is refused with what would be right', (env, words) => {
    expect(() => readConfig(env)).toThrow(words)
  })
})

describe('over TLS', () => {
  test('the cookie is for protected connections only, and browsers are told to stay with them', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'exemplar-tls-'))
    const pems = await generate([{ name: 'commonName', value: 'localhost' }], { keySize: 2048 })
    const tls = { cert: join(folder, 'cert.pem'), key: join(folder, 'key.pem') }
    writeFileSync(tls.cert, pems.cert)
    writeFileSync(tls.key, pems.private)
    const app = openContext({ ...makeTestConfig(folder, null), isSecure: true })
    ensureStudio(app)
    const server = makeServer(makeApp(app, routes), { tls, requestTimeoutMs: 5_000 })
    await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
    const address = server.address()
    const port = typeof address === 'object' && address ? address.port : 0
    const headers = await new Promise<IncomingHttpHeaders>((done, fail) => {
      const body = JSON.stringify({ name: 'A', signInName: 'aa', password: 'four plain words', start: 'empty' })
      const call = request(
        {
          port,
          host: '127.0.0.1',
          path: '/api/access/first-run',
          method: 'POST',
          rejectUnauthorized: false,
          headers: { ...CLIENT, 'content-type': 'application/json', 'content-length': body.length },
        },
        (response) => {
          response.resume()
          done(response.headers)
        },
      )
      call.on('error', fail).end(body)
    })
    expect(headers['set-cookie']?.every((it) => /; secure/i.test(it))).toBe(true)
    expect(headers['strict-transport-security']).toMatch(/^max-age=\d{7,}/)
    server.close()
    server.closeAllConnections()
    app.db.$client.close()
    rmSync(folder, { recursive: true, force: true })
  })

  test('a certificate without its key, or a file that is not there, is refused with what is missing', () => {
    expect(() => readConfig({ EXEMPLAR_TLS_CERT: 'a.pem' })).toThrow('go together')
    expect(() => readConfig({ EXEMPLAR_TLS_CERT: '/nowhere.pem', EXEMPLAR_TLS_KEY: '/nowhere.key' })).toThrow(
      'There is no file',
    )
    expect(readConfig({ EXEMPLAR_HOST: '0.0.0.0' })).toMatchObject({
      isLoopback: false,
      firstRunCode: expect.stringMatching(/^[0-9a-f]{10}$/),
    })
    expect(readConfig({})).toMatchObject({ isLoopback: true, firstRunCode: null, isSecure: false })
  })
})

describe('the log', () => {
  test('holds routes as they are declared, never names, ids, addresses or what was sent', async () => {
    const lines: object[] = []
    const log: RequestLog = { request: (line) => lines.push(line), fault: (error) => lines.push({ error }), note() {} }
    const app = makeApp(api.app, routes, { log })
    const server = makeServer(app, { tls: null, requestTimeoutMs: 5_000 })
    await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
    const address = server.address()
    const url = `http://127.0.0.1:${typeof address === 'object' && address ? address.port : 0}`
    const headers = { ...CLIENT, cookie: api.cookieOf('manager') }
    await callApi(url, 'GET', '/units/CAM-01?find=Odalys', undefined, headers)
    await callApi(url, 'POST', '/people', { name: 'Odalys Quint', skills: [], note: '' }, headers)
    await callApi(url, 'GET', '/units/SECRET-9/nothing', undefined, headers)
    expect(lines).toEqual([
      { method: 'GET', route: '/units/:id', status: 200, ms: expect.any(Number) },
      { method: 'POST', route: '/people', status: 201, ms: expect.any(Number) },
      { method: 'GET', route: '(none)', status: 404, ms: expect.any(Number) },
    ])
    server.close()
    server.closeAllConnections()
  })

  test('health says what ails and what to do, and nothing about anybody', async () => {
    expect((await api.as(null)('GET', '/health')).body).toEqual({ ok: true, problems: [] })
    mkdirSync(join(api.folder, 'backups'), { recursive: true })
    writeFileSync(join(api.folder, 'backups/exemplar-20261101-080000-auto.zip'), 'old')
    const { body } = await api.as(null)('GET', '/health')
    expect(body).toEqual({
      ok: false,
      problems: [{ code: 'backup', text: 'The newest backup is more than three days old. Take one now.' }],
    })
    rmSync(join(api.folder, 'backups'), { recursive: true })
  })
})
