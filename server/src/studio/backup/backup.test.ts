import { spawnSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { Readable } from 'node:stream'
import Sqlite from 'better-sqlite3'
import Papa from 'papaparse'
import { afterEach, describe, expect, test } from 'vitest'
import { match, startApi, type TestApi } from '../../foundation/api.fixture.ts'
import { realDisk } from '../../foundation/base/disk.ts'
import { makeVolume } from '../../foundation/base/volume.ts'
import { enterChild, startChild } from '../../foundation/child.fixture.ts'
import { DATABASE_FILE } from '../../foundation/database/database.ts'
import { TINY_PNG } from '../../foundation/tiny-png.fixture.ts'
import { readEntries, zipUp } from './archive.fixture.ts'
import { keepHouseSafe } from './backup-clock.ts'
import { makeFailingDisk } from './failing-disk.ts'
import { openBackup } from './open-backup.ts'

const ROOT = resolve(import.meta.dirname, '../../../..')
let api: TestApi
const folders: string[] = []
afterEach(() => {
  api?.close()
  for (const folder of folders.splice(0)) rmSync(folder, { recursive: true, force: true })
})

function makeFolder(): string {
  const folder = mkdtempSync(join(tmpdir(), 'exemplar-backup-test-'))
  folders.push(folder)
  return folder
}

const fileOf = (name: string) => join(api.folder, 'backups', name)
const take = async () => (await api.call('POST', '/backups', {})).body.name as string

describe('a backup', () => {
  test('taken during writes is one consistent moment: each person with the event of the same transaction', async () => {
    api = await startApi({ demo: true })
    // So many pages that the copy takes many turns of the event loop.
    for (let n = 0; n < 40; n++)
      await api.call('POST', '/people', { name: `before ${n}`, skills: [], note: 'x'.repeat(1_900) })
    let written = 0
    let isOver = false
    const writing = (async () => {
      while (!isOver) {
        await api.call('POST', '/people', { name: `during ${written}`, skills: [], note: 'y'.repeat(1_900) })
        written++
      }
    })()
    const names: string[] = []
    for (let n = 0; n < 4; n++) {
      const backup = await api.call('POST', '/backups', {})
      names.push(backup.body.name)
      await new Promise((done) => setTimeout(done, 5))
    }
    isOver = true
    await writing
    expect(written).toBeGreaterThan(10)
    const opened = await openBackup(Readable.from([readFileSync(fileOf(names[0] ?? ''))]), {
      dataFolder: makeFolder(),
      disk: realDisk,
      key: api.app.houseKey,
    })
    const copy = new Sqlite(join(opened.folder, DATABASE_FILE), { readonly: true })
    const number = (query: string) => Number(copy.prepare(query).pluck().get())
    const people = number("SELECT count(*) FROM people WHERE name LIKE 'before %' OR name LIKE 'during %'")
    expect(people).toBeGreaterThanOrEqual(40)
    expect(
      number(
        "SELECT count(*) FROM events WHERE subject_type = 'person' AND json_extract(data, '$.after.name') LIKE '% %'",
      ),
    ).toBe(people)
    expect(number('SELECT count(*) FROM sessions')).toBe(0)
    copy.close()
    opened.close()
  })

  test('restored elsewhere is what it was, attachments too', async () => {
    api = await startApi({ demo: true })
    const { body: photo } = await api.call(
      'POST',
      '/attachments?subjectType=unit&subjectId=CAM-01&name=front.png',
      TINY_PNG,
      { 'content-type': 'image/png' },
    )
    const name = await take()
    const bytes = readFileSync(fileOf(name))
    const kit = (await api.call('GET', '/units?limit=500')).body
    api.close()
    api = await startApi()
    const upload = await api.call('POST', '/backups/upload', bytes, { 'content-type': 'application/zip' })
    expect(upload.status).toBe(201)
    const check = (await api.call('GET', `/backups/${upload.body.name}/check`)).body
    expect(check).toMatchObject({ files: 2, lost: expect.any(Number) })
    const restored = await api.call('POST', `/backups/${upload.body.name}/restore`, {
      lost: check.lost,
      withAccounts: true,
    })
    expect(restored.status).toBe(200)
    // Everybody is signed out, and those who may sign in are those of the backup.
    expect((await api.call('GET', '/people')).status).toBe(401)
    const cookie = await signInAs('imke')
    expect((await api.as(null)('GET', '/units?limit=500', undefined, { cookie })).body).toEqual(kit)
    const file = await fetch(`${api.url}/api/attachments/${photo.id}/file`, { headers: { cookie } })
    expect(Buffer.from(await file.arrayBuffer())).toEqual(TINY_PNG)
  })

  test('is never put over newer data without saying so; a backup of that is made first, and is the way back', async () => {
    api = await startApi({ demo: true })
    const name = await take()
    await api.call('POST', '/stock/BAG-01/count', { quantity: 99 }, match(1))
    api.app.db.$client.exec('UPDATE changes SET at = at + 60000 WHERE id = (SELECT max(id) FROM changes)')
    const refused = await api.call('POST', `/backups/${name}/restore`, { lost: null })
    expect([refused.status, refused.body.current]).toEqual([409, { lost: 1 }])
    expect(refused.body.detail).toContain('1 change was made here that is not in this backup')
    expect((await api.call('POST', `/backups/${name}/restore`, { lost: 7 })).status).toBe(409)
    const done = await api.call('POST', `/backups/${name}/restore`, { lost: 1 })
    expect(done.body).toMatchObject({ lost: 1, safety: { kind: 'before' } })
    const bags = async (cookie: string) =>
      (await api.as(null)('GET', '/stock', undefined, { cookie })).body.find((it: { id: string }) => it.id === 'BAG-01')
        .quantity
    const cookie = await signInAs('imke')
    expect(await bags(cookie)).not.toBe(99)
    const check = await api.as(null)('GET', `/backups/${done.body.safety.name}/check`, undefined, { cookie })
    await api.as(null)('POST', `/backups/${done.body.safety.name}/restore`, { lost: check.body.lost }, { cookie })
    expect(await bags(await signInAs('imke'))).toBe(99)
  })

  test.each<[string, (whole: Buffer) => Buffer]>([
    ['cut in half', (whole) => whole.subarray(0, whole.length / 2)],
    ['cut by a byte', (whole) => whole.subarray(0, whole.length - 1)],
    ['empty', () => Buffer.alloc(0)],
    ['no archive at all', () => Buffer.from('a letter to the gardener')],
    [
      'changed in its middle',
      (whole) =>
        Buffer.concat([whole.subarray(0, 40_000), Buffer.from([(whole[40_000] ?? 0) ^ 0xff]), whole.subarray(40_001)]),
    ],
  ])('that is %s is refused with a sentence, and nothing is changed', async (_, damage) => {
    api = await startApi({ demo: true })
    const name = await take()
    writeFileSync(fileOf(name), damage(readFileSync(fileOf(name))))
    for (const [method, path] of [
      ['GET', `/backups/${name}/check`],
      ['POST', `/backups/${name}/restore`],
    ] as const) {
      const { status, body } = await api.call(method, path, method === 'GET' ? undefined : { lost: 0 })
      expect([path, status]).toEqual([path, 422])
      expect(body.detail).toMatch(/backup.*\.$/)
    }
    expect((await api.call('GET', '/units/count')).body.units).toBeGreaterThan(60)
  })

  test('with a wrong checksum, a path of its own, or a schema from the future is refused', async () => {
    api = await startApi({ demo: true })
    const whole = readFileSync(fileOf(await take()))
    const entries = await readEntries(whole)
    const manifest = JSON.parse(entries.get('manifest.json')?.toString() ?? '{}')
    const upload = async (files: [string, Buffer][]) =>
      (await api.call('POST', '/backups/upload', await zipUp(files), { 'content-type': 'application/zip' })).body.detail
    const database = entries.get(DATABASE_FILE) ?? Buffer.alloc(0)
    const described = (part: object): [string, Buffer] => [
      'manifest.json',
      Buffer.from(JSON.stringify({ ...manifest, ...part })),
    ]
    const [listed] = manifest.files
    expect(
      await upload([described({ files: [{ ...listed, sha256: '0'.repeat(64) }] }), [DATABASE_FILE, database]]),
    ).toContain('checksum')
    expect(await upload([described({ schema: '9999_tomorrow' }), [DATABASE_FILE, database]])).toContain(
      'newer Exemplar',
    )
    expect(
      await upload([described({}), [DATABASE_FILE, database], ['attachments/evil.sh', Buffer.from('x')]]),
    ).toContain('no backup of Exemplar')
    expect(await upload([described({})])).toContain('checksum')
    expect(await upload([[DATABASE_FILE, database]])).toContain('not a backup')
    expect(readdirSync(join(api.folder, 'backups')).filter((it) => it.includes('upload'))).toEqual([])
  })

  test('[S14] a drill tells what a full, lying, slow or lost volume comes to, and real backups hear nothing of it', async () => {
    api = await startApi({ demo: true })
    const name = await take()
    const before = readFileSync(fileOf(name))
    const said: Record<string, string> = {}
    for (const fault of ['full', 'short', 'unsure', 'slow', 'gone']) {
      const { status, body } = await api.call('POST', '/backups/drill', { fault })
      expect([fault, status, body.isKept]).toEqual([fault, 200, fault === 'slow'])
      said[fault] = body.said
    }
    expect(said).toMatchObject({
      full: expect.stringContaining('is full'),
      short: expect.stringContaining('did not keep'),
      unsure: expect.stringContaining('does not answer'),
      slow: expect.stringContaining('found whole'),
      gone: expect.stringContaining('cannot be reached'),
    })
    expect(readdirSync(join(api.folder, 'backups'))).toEqual([name])
    expect(readFileSync(fileOf(name))).toEqual(before)
    expect(readdirSync(join(api.folder, 'work'))).toEqual([])
    expect((await api.call('POST', '/backups', {})).status).toBe(201)
  })

  test('a volume that is full, lies or is gone leaves the older backups whole, and nothing of the new one', async () => {
    api = await startApi({ demo: true })
    const name = await take()
    const before = readFileSync(fileOf(name))
    const folder = join(api.folder, 'backups')
    for (const [fault, title] of [
      ['full', 'Volume full'],
      ['short', 'Not kept whole'],
      ['unsure', 'The disk does not answer'],
    ] as const) {
      api.app.volume = makeVolume(folder, makeFailingDisk(realDisk, fault))
      const { status, body } = await api.call('POST', '/backups', {})
      expect([fault, status, body.title]).toEqual([fault, 507, title])
      expect(readdirSync(folder)).toEqual([name])
    }
    api.app.volume = makeVolume(folder, makeFailingDisk(realDisk, 'gone'))
    expect((await api.call('POST', '/backups', {})).status).toBe(507)
    expect((await api.call('GET', '/backups')).body).toMatchObject({ isThere: false })
    expect((await api.call('GET', '/health')).body.problems).toMatchObject([{ code: 'volume' }])
    api.app.volume = makeVolume(folder, realDisk)
    expect(readFileSync(fileOf(name))).toEqual(before)
    expect((await api.call('GET', `/backups/${name}/check`)).status).toBe(200)
  })

  test('no name leads out of the folder', async () => {
    api = await startApi({ demo: true })
    writeFileSync(join(api.folder, 'secret.zip'), 'secret')
    for (const name of [
      '..%2fsecret.zip',
      '%2e%2e%2fsecret.zip',
      'secret.zip',
      'exemplar-20261124-080000.zip%00',
      '..%5csecret.zip',
    ]) {
      const { status, body } = await api.call('GET', `/backups/${name}/file`)
      expect([name, status === 404 || status === 400]).toEqual([name, true])
      expect(JSON.stringify(body)).not.toContain('"secret"')
    }
  })

  test('the newest one is not deleted; an older one is', async () => {
    api = await startApi({ demo: true })
    const name = await take()
    expect((await api.call('DELETE', `/backups/${name}`)).status).toBe(409)
    writeFileSync(fileOf('exemplar-20200101-000000.zip'), 'old')
    expect((await api.call('DELETE', '/backups/exemplar-20200101-000000.zip')).status).toBe(204)
    expect((await api.call('GET', '/backups')).body.backups.map((it: { name: string }) => it.name)).toEqual([name])
  })

  test('the clock takes one a day, and lets old ones go by the studio’s retention', async () => {
    api = await startApi({ demo: true })
    expect(await keepHouseSafe(api.app)).toBe('taken')
    expect(await keepHouseSafe(api.app)).toBe('not-due')
    for (let day = 1; day <= 20; day++) {
      writeFileSync(fileOf(`exemplar-202610${String(day).padStart(2, '0')}-080000-auto.zip`), 'old')
    }
    writeFileSync(fileOf('exemplar-20200101-000000.zip'), 'by hand')
    rmSync(fileOf('exemplar-20261124-080000-auto.zip'))
    expect(await keepHouseSafe(api.app)).toBe('taken')
    const left = readdirSync(join(api.folder, 'backups')).sort()
    // Seven days (today and the six newest of October), four weeks, two months; and what was made by hand.
    expect(left).toEqual([
      'exemplar-20200101-000000.zip',
      ...['11', '15', '16', '17', '18', '19', '20'].map((day) => `exemplar-202610${day}-080000-auto.zip`),
      'exemplar-20261124-080000-auto.zip',
    ])
  })
})

describe('from the command line', () => {
  const npmRun = (script: string, folder: string, args: string[] = []) =>
    spawnSync(process.execPath, ['--import', 'tsx', `server/src/${script}`, ...args], {
      cwd: ROOT,
      encoding: 'utf8',
      env: { ...process.env, EXEMPLAR_DATA: folder },
    })

  test('a backup while the server runs, restored into a new folder; a running one is left alone', async () => {
    const folder = makeFolder()
    const { child, url } = await startChild(folder)
    const headers = await enterChild(url)
    await fetch(`${url}/api/people`, {
      method: 'POST',
      headers,
      body: JSON.stringify({ name: 'Odalys', skills: [], note: '' }),
    })
    const backup = npmRun('backup-main.ts', folder)
    expect([backup.status, backup.stderr]).toEqual([0, ''])
    const file = /^(.*\.zip)/.exec(backup.stdout)?.[1] ?? ''
    expect(npmRun('restore-main.ts', folder, [file]).stderr).toContain('is running')
    child.kill('SIGKILL')
    await new Promise((done) => child.once('exit', done))
    const elsewhere = makeFolder()
    const restored = npmRun('restore-main.ts', elsewhere, [file])
    expect([restored.status, restored.stdout]).toEqual([0, expect.stringContaining('Everybody signs in again')])
    const copy = new Sqlite(join(elsewhere, DATABASE_FILE), { readonly: true })
    expect(copy.prepare('SELECT name FROM people ORDER BY name').pluck().all()).toEqual(['Odalys', 'Owner of the test'])
    copy.close()
    // A database that is damaged beyond opening is set aside, and the backup takes its place.
    writeFileSync(join(elsewhere, DATABASE_FILE), 'not a database any more, whatever it was before'.repeat(200))
    const mended = npmRun('restore-main.ts', elsewhere, [file])
    expect([mended.status, mended.stdout]).toEqual([0, expect.stringContaining('set aside')])
    expect(npmRun('restore-main.ts', elsewhere, ['nowhere.zip'])).toMatchObject({
      status: 1,
      stderr: expect.stringContaining('Say which backup'),
    })
  }, 120_000)

  test('a damaged database, a folder that cannot be written and a second start are told in a sentence', async () => {
    const damaged = makeFolder()
    writeFileSync(join(damaged, DATABASE_FILE), 'not a database'.repeat(500))
    const said = npmRun('main.ts', damaged)
    expect([said.status, said.stderr]).toEqual([1, expect.stringContaining('Restore the newest backup')])
    // A process number that is left over, or that another program has by now, stops nobody; a house that runs does.
    const running = makeFolder()
    writeFileSync(join(running, 'running.pid'), String(process.pid))
    const { child } = await startChild(running)
    expect(npmRun('main.ts', running).stderr).toContain('is running on')
    expect(npmRun('restore-main.ts', running, [join(damaged, DATABASE_FILE)]).stderr).toContain('is running on')
    child.kill('SIGKILL')
    await new Promise((done) => child.once('exit', done))
    const { child: next } = await startChild(running)
    next.kill('SIGKILL')
  }, 60_000)
})

describe('the export', () => {
  test('holds every table as CSV and JSON, runs no formula, and no secret', async () => {
    api = await startApi({ demo: true })
    await api.call('POST', '/people', { name: '=HYPERLINK("http://elsewhere.example")', skills: [], note: '@SUM(1)' })
    const reply = await fetch(`${api.url}/api/export`, { headers: { cookie: api.cookieOf('manager') } })
    const entries = await readEntries(Buffer.from(await reply.arrayBuffer()))
    expect([...entries.keys()]).toEqual(
      expect.arrayContaining(['units.csv', 'people.csv', 'events.csv', 'exemplar.json', 'README.txt']),
    )
    const rows = Papa.parse<Record<string, string>>(entries.get('people.csv')?.toString() ?? '', { header: true }).data
    expect(rows).toHaveLength(4)
    for (const row of rows) for (const cell of Object.values(row)) expect(cell).not.toMatch(/^[=+\-@]/)
    const all = [...entries.values()].map(String).join('')
    expect(all).not.toMatch(/scrypt|password_hash/)
    const { units } = JSON.parse(entries.get('exemplar.json')?.toString() ?? '{}')
    expect(units).toHaveLength(150)
  })
})

async function signInAs(personId: string): Promise<string> {
  const { beginSession } = await import('../access/sessions.ts')
  const { makeCookie } = await import('../../foundation/api.fixture.ts')
  return makeCookie(api.app, beginSession(api.app, personId))
}
