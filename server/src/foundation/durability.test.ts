import { copyFileSync, existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import { afterEach, describe, expect, test } from 'vitest'
import { startApi } from './api.fixture.ts'
import { startChild } from './child.fixture.ts'
import { DATABASE_FILE, openDatabase } from './database/database.ts'

const folders: string[] = []

function makeFolder(): string {
  const folder = mkdtempSync(join(tmpdir(), 'exemplar-hard-'))
  folders.push(folder)
  return folder
}

afterEach(() => {
  for (const folder of folders.splice(0)) rmSync(folder, { recursive: true, force: true })
})

describe('durability', () => {
  test('a database whose WAL is cut at any byte opens to a prefix of whole transactions', async () => {
    const api = await startApi()
    api.app.db.$client.pragma('wal_autocheckpoint = 0')
    for (let n = 0; n < 60; n++)
      await api.call('POST', '/people', { name: `p${n}`, skills: [], note: 'y'.repeat((n * 97) % 1_900) })
    const wal = readFileSync(join(api.folder, `${DATABASE_FILE}-wal`))
    const main = join(makeFolder(), 'main.sqlite')
    copyFileSync(join(api.folder, DATABASE_FILE), main)
    api.close()
    const seen = new Set<number>()
    let cut = 7
    for (let round = 0; round < 40; round++) {
      cut = (cut * 48_271 + round) % 2_147_483_647
      const file = join(makeFolder(), DATABASE_FILE)
      copyFileSync(main, file)
      writeFileSync(`${file}-wal`, wal.subarray(0, cut % wal.length))
      const database = new Sqlite(file)
      expect(database.pragma('integrity_check', { simple: true })).toBe('ok')
      const hasTables = database.prepare("SELECT 1 FROM sqlite_master WHERE name = 'people'").get()
      if (hasTables) {
        const names = database.prepare("SELECT name FROM people WHERE name LIKE 'p%'").pluck().all() as string[]
        const numbers = names.map((name) => Number(name.slice(1))).sort((a, b) => a - b)
        expect(numbers).toEqual(numbers.map((_, index) => index))
        expect(database.prepare("SELECT count(*) FROM events WHERE subject_type = 'person'").pluck().get()).toBe(
          names.length,
        )
        seen.add(names.length)
      }
      database.close()
    }
    expect(seen.size).toBeGreaterThan(10)
  })

  test('runs with WAL, synchronous FULL and foreign keys', async () => {
    const api = await startApi()
    const client = api.app.db.$client
    expect(client.pragma('journal_mode', { simple: true })).toBe('wal')
    // 2 is FULL: https://www.sqlite.org/pragma.html#pragma_synchronous
    expect(client.pragma('synchronous', { simple: true })).toBe(2)
    expect(client.pragma('foreign_keys', { simple: true })).toBe(1)
    expect(() => client.exec("UPDATE events SET kind = 'spent'")).toThrow('append-only')
    expect(() => client.exec('DELETE FROM events')).toThrow('append-only')
    api.close()
  })

  test('a copy is put beside the database before a migration, and not on other starts', () => {
    const folder = makeFolder()
    const first = openDatabase(folder)
    expect(existsSync(join(folder, 'before-0000_house.sqlite'))).toBe(false)
    // As if this database came from a version that knew no migration yet.
    first.$client.pragma('foreign_keys = OFF')
    for (const { type, name } of first.$client
      .prepare(
        "SELECT type, name FROM sqlite_master WHERE type IN ('view', 'table') AND name NOT LIKE 'sqlite_%' ORDER BY type DESC",
      )
      .all() as { type: string; name: string }[]) {
      // Dropping the index of words drops its own tables with it.
      first.$client.exec(`DROP ${type} IF EXISTS "${name}"`)
    }
    first.$client.exec('CREATE TABLE old (x)')
    first.$client.close()
    openDatabase(folder).$client.close()
    const copy = new Sqlite(join(folder, 'before-0000_house.sqlite'))
    expect(copy.prepare("SELECT count(*) FROM sqlite_master WHERE name = 'old'").pluck().get()).toBe(1)
    copy.close()
  })

  test('stops cleanly on SIGTERM', async () => {
    const { child, url } = await startChild(makeFolder())
    expect((await fetch(`${url}/api/health`)).status).toBe(200)
    const code = new Promise((done) => child.once('exit', done))
    child.kill('SIGTERM')
    expect(await code).toBe(0)
  })
})
