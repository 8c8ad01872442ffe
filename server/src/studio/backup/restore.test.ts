import { createHash } from 'node:crypto'
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import { eq } from 'drizzle-orm'
import { afterEach, describe, expect, test } from 'vitest'
import { makeCookie, NOW, startApi, type TestApi } from '../../foundation/api.fixture.ts'
import { DATABASE_FILE } from '../../foundation/database/database.ts'
import { accounts } from '../../schema/studio-tables.ts'
import { beginSession } from '../access/sessions.ts'
import { readEntries, zipUp } from './archive.fixture.ts'

let api: TestApi
afterEach(() => api?.close())

const take = async () => (await api.call('POST', '/backups', {})).body.name as string
const fileOf = (name: string) => join(api.folder, 'backups', name)
const person = (name: string) => ({ name, skills: [], note: '' })
const upload = (bytes: Buffer) => api.call('POST', '/backups/upload', bytes, { 'content-type': 'application/zip' })

/** Everybody is signed out by a restore; the manager comes in again. */
function comeBack(): Record<string, string> {
  const owner = api.app.db.select().from(accounts).where(eq(accounts.role, 'manager')).get()
  return { cookie: makeCookie(api.app, beginSession(api.app, owner?.personId ?? '')) }
}

const names = (client = api.app.db.$client) => client.prepare('SELECT name FROM people').pluck().all() as string[]

/** An archive as this house would make it, of a database that was changed behind its back. */
async function forge(name: string, change: (client: Sqlite.Database) => void): Promise<Buffer> {
  const entries = await readEntries(readFileSync(fileOf(name)))
  const folder = mkdtempSync(join(tmpdir(), 'exemplar-forge-'))
  const file = join(folder, DATABASE_FILE)
  writeFileSync(file, entries.get(DATABASE_FILE) ?? Buffer.alloc(0))
  const client = new Sqlite(file)
  client.pragma('foreign_keys = OFF')
  change(client)
  client.close()
  const bytes = readFileSync(file)
  rmSync(folder, { recursive: true })
  const manifest = JSON.parse(String(entries.get('manifest.json')))
  manifest.files = manifest.files.map((it: { path: string }) =>
    it.path === DATABASE_FILE
      ? { path: it.path, bytes: bytes.length, sha256: createHash('sha256').update(bytes).digest('hex') }
      : it,
  )
  entries.set(DATABASE_FILE, bytes)
  entries.set('manifest.json', Buffer.from(JSON.stringify(manifest)))
  return zipUp(entries)
}

describe('a restore', () => {
  test('[S1] whatever is acknowledged while it runs is in the house or in the copy made before it; the rest is told so', async () => {
    api = await startApi({ demo: true })
    for (let n = 0; n < 30; n++) await api.call('POST', '/people', { ...person(`old ${n}`), note: 'x'.repeat(1_900) })
    const name = await take()
    const acknowledged: string[] = []
    const refused: { status: number; after: string | null }[] = []
    let isOver = false
    const writers = [0, 1, 2].map(async (writer) => {
      for (let n = 0; !isOver; n++) {
        const reply = await api.call('POST', '/people', person(`w${writer} ${n}`))
        if (reply.status === 201) acknowledged.push(`w${writer} ${n}`)
        else refused.push({ status: reply.status, after: reply.headers.get('retry-after') })
      }
    })
    while (acknowledged.length < 20) await new Promise((done) => setTimeout(done, 1))
    const restored = await api.call('POST', `/backups/${name}/restore`, { lost: null }).then(async (first) => {
      // Somebody wrote meanwhile, so the figure that was said is wrong at first, and is said anew.
      expect(first.status).toBe(409)
      isOver = true
      await Promise.all(writers)
      isOver = false
      const { lost } = (await api.call('GET', `/backups/${name}/check`)).body
      const late = (async () => {
        for (let n = 0; !isOver; n++) {
          const reply = await api.call('POST', '/people', person(`late ${n}`))
          if (reply.status === 201) acknowledged.push(`late ${n}`)
          else refused.push({ status: reply.status, after: reply.headers.get('retry-after') })
          if (reply.status === 401) return
          await new Promise((done) => setTimeout(done, 150))
        }
      })()
      let done = await api.call('POST', `/backups/${name}/restore`, { lost })
      while (done.status === 409)
        done = await api.call('POST', `/backups/${name}/restore`, { lost: done.body.current.lost })
      isOver = true
      await late
      return done
    })
    expect(restored.status).toBe(200)
    const kept = await readEntries(readFileSync(fileOf(restored.body.safety.name)))
    const copy = new Sqlite(kept.get(DATABASE_FILE) ?? Buffer.alloc(0))
    const there = new Set([...names(), ...names(copy)])
    copy.close()
    expect(acknowledged.filter((it) => !there.has(it))).toEqual([])
    // As many as were said are truly gone from here, and no more.
    expect(restored.body.lost).toBe(acknowledged.filter((it) => !names().includes(it)).length)
    for (const it of refused) expect([503, 401]).toContain(it.status)
    for (const it of refused.filter(({ status }) => status === 503)) expect(it.after).not.toBeNull()
  })

  test('[S1] while it runs nothing is written, and the sentence says why', async () => {
    api = await startApi({ demo: true })
    const gate = api.app.gate.close()
    const { status, body, headers } = await api.call('POST', '/people', person('Odalys'))
    expect([status, headers.get('retry-after')]).toEqual([503, '5'])
    expect(body.detail).toContain('A backup is being restored')
    expect((await api.call('GET', '/people')).status).toBe(200)
    gate.open()
    expect((await api.call('POST', '/people', person('Odalys'))).status).toBe(201)
  })

  test('[S2] fifteen backups at once are fifteen whole files, one after the other', async () => {
    api = await startApi({ demo: true })
    const replies = await Promise.all(Array.from({ length: 15 }, () => api.call('POST', '/backups', {})))
    const kept = replies.filter((it) => it.status === 201).map((it) => it.body.name as string)
    for (const it of replies.filter(({ status }) => status !== 201)) {
      expect([it.status, it.body.title]).toEqual([503, 'Backups wait'])
    }
    expect(new Set(kept).size).toBe(kept.length)
    expect(kept.length).toBeGreaterThan(5)
    expect(readdirSync(join(api.folder, 'backups')).sort()).toEqual([...kept].sort())
    for (const name of kept) expect((await api.call('GET', `/backups/${name}/check`)).status).toBe(200)
    const bytes = readFileSync(fileOf(kept[0] ?? ''))
    const [one, two] = await Promise.all([upload(bytes), upload(bytes)])
    expect([one.status, two.status]).toEqual([201, 201])
    expect(one.body.name).not.toBe(two.body.name)
  })

  test.each<[string, (client: Sqlite.Database) => void]>([
    ['a table missing', (client) => client.exec('DROP TABLE shopping_lines')],
    ['a broken reference', (client) => client.exec("UPDATE units SET model_id = 'nothing' WHERE id = 'CAM-01'")],
    ['JSON that is none', (client) => client.exec("UPDATE places SET circuits = 'not json' WHERE id = 'studio'")],
    ['JSON of another shape', (client) => client.exec(`UPDATE places SET circuits = '{"a":1}' WHERE id = 'studio'`)],
    [
      'a trigger of its own',
      (client) => client.exec('CREATE TRIGGER evil AFTER INSERT ON people BEGIN DELETE FROM units; END'),
    ],
    [
      'nothing of an Exemplar',
      (client) => {
        for (const it of client
          .prepare(
            "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' AND sql NOT LIKE '%VIRTUAL%' AND name NOT LIKE 'unit_words%'",
          )
          .pluck()
          .all())
          client.exec(`DROP TABLE "${it}"`)
      },
    ],
    ['no accounts', (client) => client.exec('DELETE FROM accounts')],
  ])('[S4] of a well-formed archive with %s leaves the house as it is', async (what, change) => {
    api = await startApi({ demo: true })
    const forged = await forge(await take(), change)
    const uploaded = await upload(forged)
    if (what !== 'no accounts') {
      expect([uploaded.status, uploaded.body.detail]).toEqual([422, expect.stringMatching(/Nothing was changed\.$/)])
      // Put among the others by hand, it is looked at all the same.
      writeFileSync(fileOf('exemplar-20261124-070000.zip'), forged)
      const { status } = await api.call('POST', '/backups/exemplar-20261124-070000.zip/restore', { lost: 99_999 })
      expect(status).toBeGreaterThanOrEqual(409)
    } else {
      const { lost } = (await api.call('GET', `/backups/${uploaded.body.name}/check`)).body
      await api.call('POST', `/backups/${uploaded.body.name}/restore`, { lost })
    }
    // The house has its owner and its things, and starts again.
    const me = await api.as(null)('GET', '/access/me')
    expect(me.body.needsOwner).toBe(false)
    expect((await api.as(null)('GET', '/units/count', undefined, comeBack())).body.units).toBeGreaterThan(60)
    expect(readdirSync(join(api.folder, 'work'))).toEqual([])
  })

  test('[S5] loss is counted by what was done: no clock that was set back, and no other house, says that nothing is lost', async () => {
    api = await startApi({ demo: true, config: { fixedNow: NOW } })
    const name = await take()
    const before = api.app.now
    api.app.now = () => NOW - 2 * 86_400_000
    await api.call('POST', '/people', person('Two days ago'))
    api.app.now = () => NOW + 2 * 86_400_000
    await api.call('POST', '/people', person('In two days'))
    api.app.now = before
    expect((await api.call('GET', `/backups/${name}/check`)).body.lost).toBe(2)
    expect((await api.call('POST', `/backups/${name}/restore`, { lost: null })).status).toBe(409)
    const bytes = readFileSync(fileOf(name))
    api.close()
    api = await startApi()
    // Beside the change that every house begins with.
    for (const it of ['One', 'Two', 'Three']) await api.call('POST', '/people', person(it))
    const { body } = await upload(bytes)
    const check = (await api.call('GET', `/backups/${body.name}/check`)).body
    expect([check.isOwn, check.lost]).toEqual([false, 4])
  })

  test('[S7] an edited backup makes nobody the owner: it is foreign, for the owner alone, and its accounts stay out', async () => {
    api = await startApi({ demo: true })
    api.app.db.$client.exec(
      "INSERT INTO people (id, name, skills, note) VALUES ('second', 'Second', '[]', ''); INSERT INTO accounts (person_id, sign_in_name, role, is_owner, version) VALUES ('second', 'second', 'manager', 0, 1)",
    )
    const second = { cookie: makeCookie(api.app, beginSession(api.app, 'second')) }
    const forged = await forge(await take(), (client) =>
      client.exec("UPDATE accounts SET is_owner = (person_id = 'second'); UPDATE accounts SET password_hash = 'mine'"),
    )
    const { body: backup } = await api.as(null)('POST', '/backups/upload', forged, {
      ...second,
      'content-type': 'application/zip',
    })
    const check = (await api.as(null)('GET', `/backups/${backup.name}/check`, undefined, second)).body
    expect(check).toMatchObject({
      isOwn: false,
      accounts: expect.arrayContaining([expect.objectContaining({ name: 'Second' })]),
    })
    const wish = { lost: check.lost, withAccounts: true }
    const refused = await api.as(null)('POST', `/backups/${backup.name}/restore`, wish, second)
    expect([refused.status, refused.body.title]).toEqual([403, 'A foreign backup'])
    const before = api.app.db.select().from(accounts).all()
    expect((await api.call('POST', `/backups/${backup.name}/restore`, wish)).status).toBe(200)
    expect(api.app.db.select().from(accounts).all()).toEqual(before)
  })

  test('an older backup of the house brings no password and no right back, and whoever came since still comes in', async () => {
    api = await startApi({ demo: true })
    const name = await take()
    const client = api.app.db.$client
    client.exec("UPDATE accounts SET password_hash = 'new', role = 'viewer' WHERE role = 'crew'")
    client.exec(
      "INSERT INTO people (id, name, skills, note) VALUES ('late', 'Late', '[]', ''); INSERT INTO accounts (person_id, sign_in_name, role, is_owner, version) VALUES ('late', 'late', 'crew', 0, 1)",
    )
    const before = api.app.db.select().from(accounts).all()
    const { lost } = (await api.call('GET', `/backups/${name}/check`)).body
    expect((await api.call('POST', `/backups/${name}/restore`, { lost })).status).toBe(200)
    const byId = (rows: typeof before) => [...rows].sort((a, b) => (a.personId < b.personId ? -1 : 1))
    expect(byId(api.app.db.select().from(accounts).all())).toEqual(byId(before))
    expect(names()).toContain('Late')
    // What somebody read before is not written into what stands here now.
    expect(api.app.gate.epoch).toBe(1)
  })

  test('[S11] an archive that unpacks to more than a real one could is refused before it is unpacked', async () => {
    api = await startApi({ demo: true })
    const bomb = await zipUp([['manifest.json', Buffer.alloc(30_000_000, 0x20)]])
    expect(bomb.length).toBeLessThan(60_000)
    const { status, body } = await upload(bomb)
    expect([status, body.detail]).toEqual([422, expect.stringContaining('200 times its size')])
    const wide = await zipUp([[DATABASE_FILE, Buffer.alloc(80_000_000)]])
    expect((await upload(wide)).body.detail).toContain('200 times its size')
    expect(readdirSync(join(api.folder, 'work'))).toEqual([])
  })
})
