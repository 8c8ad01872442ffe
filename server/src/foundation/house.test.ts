import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import Sqlite from 'better-sqlite3'
import { afterEach, describe, expect, test } from 'vitest'
import { openHouse } from '../open-house.ts'
import { endBrokenSwap, setAside } from '../studio/backup/swap.ts'
import { clearLeftFiles } from '../studio/files/left-files.ts'
import { makeTestConfig, NOW } from './api.fixture.ts'
import { realDisk } from './base/disk.ts'
import { lockHouse } from './base/house-lock.ts'
import { endChild, enterChild, startChild } from './child.fixture.ts'
import type { AppContext } from './database/app-context.ts'
import { DATABASE_FILE, listMigrations, openDatabase } from './database/database.ts'
import { TINY_PNG } from './tiny-png.fixture.ts'

const ROOT = resolve(import.meta.dirname, '../../..')
const folders: string[] = []
function makeFolder(): string {
  const folder = mkdtempSync(join(tmpdir(), 'exemplar-house-'))
  folders.push(folder)
  return folder
}
afterEach(() => {
  for (const folder of folders.splice(0)) rmSync(folder, { recursive: true, force: true })
})

const LOCKER = `
  import { lockHouse } from ${JSON.stringify(resolve(import.meta.dirname, 'base/house-lock.ts'))}
  try { lockHouse(process.argv[1]); console.log('locked'); setTimeout(() => {}, Number(process.argv[2] ?? 0)) } catch (error) { console.log(error.message) }`
const lockElsewhere = (folder: string, before: string[] = []) => {
  const command = [...before, process.execPath, '--import', 'tsx', '--input-type=module', '-e', LOCKER, folder]
  return spawnSync(command[0] ?? '', command.slice(1), { cwd: ROOT, encoding: 'utf8', timeout: 30_000 }).stdout
}

describe('[S8] one house in one folder', () => {
  test('a second process is refused however often it tries, and gets in the moment the first one is gone', async () => {
    const folder = makeFolder()
    const first = spawn(process.execPath, ['--import', 'tsx', '--input-type=module', '-e', LOCKER, folder, '60000'], {
      cwd: ROOT,
    })
    await new Promise<void>((done) => first.stdout.once('data', () => done()))
    expect(lockElsewhere(folder)).toContain('is running on')
    // From a process space of its own, such as another container on the same folder.
    const apart = lockElsewhere(folder, ['unshare', '--user', '--map-root-user', '--pid', '--fork'])
    if (apart) expect(apart).toContain('is running on')
    first.kill('SIGKILL')
    await new Promise((done) => first.once('exit', done))
    const { release } = lockHouse(folder)
    expect(() => lockHouse(folder)).toThrow('is running on')
    release()
    lockHouse(folder).release()
  }, 60_000)

  test('of four that start at once one is up', async () => {
    const folder = makeFolder()
    const starts = await Promise.all(
      Array.from({ length: 4 }, () =>
        startChild(folder, { stderr: 'ignore' }).then(
          ({ child }) => child,
          () => null,
        ),
      ),
    )
    const up = starts.filter((it) => it !== null)
    await Promise.all(up.map((it) => endChild(it, 'SIGKILL')))
    expect(up).toHaveLength(1)
  }, 60_000)
})

describe('[S9] the copy before a migration', () => {
  test('is whole or not there: what a killed start left half is written anew', () => {
    const folder = makeFolder()
    const first = openDatabase(folder)
    first.$client.exec("INSERT INTO people (id, name, skills, note) VALUES ('o', 'Odalys', '[]', '')")
    // As if the newest migration had not been made yet: it is told by its entry alone.
    const last = listMigrations().at(-1)
    first.$client.prepare('DELETE FROM __drizzle_migrations WHERE created_at = ?').run(last?.when)
    first.$client.close()
    const copy = join(folder, `before-${last?.tag}.sqlite`)
    writeFileSync(copy, '')
    writeFileSync(`${copy}.partial`, 'half')
    // The migration itself then fails on what is there already; the copy stands before it.
    expect(() => openDatabase(folder)).toThrow()
    expect(existsSync(`${copy}.partial`)).toBe(false)
    const made = new Sqlite(copy, { readonly: true })
    expect(made.prepare('SELECT name FROM people').pluck().all()).toEqual(['Odalys'])
    expect(made.pragma('integrity_check', { simple: true })).toBe('ok')
    made.close()
  })
})

describe('[S15] what lies in the folder', () => {
  test('is its owner’s alone: files 0600, folders 0700, also what an earlier release left open', async () => {
    const folder = makeFolder()
    mkdirSync(join(folder, 'attachments'), { mode: 0o755 })
    writeFileSync(join(folder, 'attachments', 'old'), 'x', { mode: 0o644 })
    const { child, url } = await startChild(folder)
    const headers = await enterChild(url)
    const { id } = (await (
      await fetch(`${url}/api/people`, {
        method: 'POST',
        headers,
        body: JSON.stringify({ name: 'O', skills: [], note: '' }),
      })
    ).json()) as { id: string }
    await fetch(`${url}/api/attachments?subjectType=person&subjectId=${id}&name=a.png`, {
      method: 'POST',
      headers: { ...headers, 'content-type': 'image/png' },
      body: TINY_PNG,
    })
    expect((await fetch(`${url}/api/backups`, { method: 'POST', headers, body: '{}' })).status).toBe(201)
    await endChild(child, 'SIGKILL')
    const open: string[] = []
    const look = (path: string) => {
      const { mode } = statSync(path)
      if ((mode & 0o077) !== 0) open.push(`${path} ${(mode & 0o777).toString(8)}`)
      if (statSync(path).isDirectory()) for (const name of readdirSync(path)) look(join(path, name))
    }
    look(folder)
    expect(open).toEqual([])
    expect(readdirSync(join(folder, 'backups'))).toHaveLength(1)
  }, 60_000)
})

describe('what a start finds', () => {
  const config = (folder: string) => ({ ...makeTestConfig(folder, NOW), mayBeginAnew: false })

  test('[S18] no database beside backups is no new house: it says so, with both ways on', () => {
    const folder = makeFolder()
    mkdirSync(join(folder, 'backups'))
    writeFileSync(join(folder, 'backups/exemplar-20261124-080000.zip'), 'x')
    expect(() => openHouse(config(folder))).toThrow(
      /there are a backup of one.*npm run restore.*EXEMPLAR_BEGIN_ANEW=1/s,
    )
    expect(existsSync(join(folder, DATABASE_FILE))).toBe(false)
  })

  test('[S16] what a killed process left half written is cleared; what a record or the history names stays', () => {
    const folder = makeFolder()
    const before = openDatabase(folder)
    const [kept, put] = ['a'.repeat(64), 'b'.repeat(64)]
    before.$client.exec(
      `INSERT INTO attachments (id, subject_type, subject_id, name, mime, bytes, sha256, added_at) VALUES ('a', 'unit', 'x', 'a.png', 'image/png', 1, '${kept}', 0);
       INSERT INTO row_changes (change_id, table_name, op, row_key, before) VALUES (1, 'attachments', 'delete', '{"id":"b"}', '{"id":"b","sha256":"${put}"}')`,
    )
    before.$client.exec("INSERT INTO changes (at, token) VALUES (0, 'x')")
    before.$client.close()
    const attachments = join(folder, 'attachments')
    mkdirSync(attachments)
    for (const it of [kept, `${kept}.webp`, put, 'c'.repeat(64), `${kept}.x.partial`])
      writeFileSync(join(attachments, it), 'x')
    mkdirSync(join(folder, 'work/restore-abc'), { recursive: true })
    mkdirSync(join(folder, 'backups'))
    writeFileSync(join(folder, 'backups/exemplar-20261124-080000.zip.partial'), 'x')
    const app = openHouse(config(folder))
    expect(readdirSync(attachments).sort()).toEqual([kept, `${kept}.webp`, put].sort())
    expect(existsSync(join(folder, 'work'))).toBe(false)
    app.db.$client.close()
  })

  test('photos of records that were here before, and are lost, are left alone', () => {
    const folder = makeFolder()
    mkdirSync(join(folder, 'attachments'))
    writeFileSync(join(folder, 'attachments', 'a'.repeat(64)), 'x')
    for (let start = 0; start < 2; start++) {
      const { release } = lockHouse(folder)
      release()
      const app = openDatabase(folder)
      app.$client.prepare("INSERT INTO changes (at, token) VALUES (?, 'x')").run(Date.now() + 60_000)
      clearLeftFiles({ db: app, config: config(folder) } as unknown as AppContext)
      app.$client.close()
    }
    expect(readdirSync(join(folder, 'attachments'))).toEqual(['a'.repeat(64)])
  })

  test('a database that can be opened and is none of ours is set aside by the restore from the machine; a whole one is not', () => {
    const folder = makeFolder()
    openDatabase(folder).$client.close()
    expect(setAside(folder, realDisk)).toBeNull()
    const client = new Sqlite(join(folder, DATABASE_FILE))
    client.pragma('foreign_keys = OFF')
    client.exec('DROP TABLE bookings')
    client.close()
    expect(setAside(folder, realDisk)).toBe(join(folder, `${DATABASE_FILE}.damaged`))
    expect(existsSync(join(folder, DATABASE_FILE))).toBe(false)
  })

  test('whoever has the machine gets a way in, also while it runs and the door is shut', async () => {
    const folder = makeFolder()
    const { child, url } = await startChild(folder)
    await enterChild(url)
    const letIn = (name: string) =>
      spawnSync(process.execPath, ['--import', 'tsx', 'server/src/let-in-main.ts', name], {
        cwd: ROOT,
        encoding: 'utf8',
        env: { ...process.env, EXEMPLAR_DATA: folder },
      })
    expect(letIn('nobody').stderr).toContain('There are: owner.')
    const token = /\/join\/(\S+)/.exec(letIn('owner').stdout)?.[1]
    const reply = await fetch(`${url}/api/access/invitations/${token}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'x-exemplar-client': 'test' },
      body: JSON.stringify({ password: 'other plain words here' }),
    })
    expect([reply.status, await reply.json()]).toEqual([200, expect.objectContaining({ isOwner: true })])
    await endChild(child, 'SIGKILL')
  }, 60_000)

  test.each([
    ['before the old one was moved', false, ['swapping'], 'old'],
    ['between the two moves', true, ['swapping', 'replaced'], 'old'],
    ['after both, before it counted', false, ['swapping', 'replaced'], 'old'],
    ['when it counted already', false, ['swapped', 'replaced'], 'new'],
  ])('a swap that was killed %s ends with one whole database', (_, isMissing, left, expected) => {
    const folder = makeFolder()
    const target = join(folder, DATABASE_FILE)
    const isMoved = left.includes('replaced')
    if (!isMissing) writeFileSync(target, isMoved ? 'new' : 'old')
    if (isMoved) writeFileSync(`${target}.replaced`, 'old')
    for (const it of left.filter((name) => name !== 'replaced')) writeFileSync(`${target}.${it}`, 'mark')
    endBrokenSwap(folder, realDisk)
    expect(readdirSync(folder)).toEqual([DATABASE_FILE])
    expect(readFileSync(target, 'utf8')).toBe(expected)
  })
})
