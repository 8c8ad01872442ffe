import { createHash } from 'node:crypto'
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { gunzipSync } from 'node:zlib'
import Sqlite from 'better-sqlite3'
import { afterAll, describe, expect, test } from 'vitest'
import { openBackup } from '../studio/backup/open-backup.ts'
import { endBrokenSwap } from '../studio/backup/swap.ts'
import { realDisk } from './base/disk.ts'
import { loadHouseKey } from './base/house-key.ts'
import { enterChild, spawnChild, startChild } from './child.fixture.ts'
import { DATABASE_FILE } from './database/database.ts'
import { makeRandom } from './schema-values.fixture.ts'
import { TINY_PNG } from './tiny-png.fixture.ts'

/** `npm run faults` asks for a thousand; the suite for a hundred, in the same mixture. */
const KILLS = Number(process.env.EXEMPLAR_KILLS ?? 100)
const SEED = Number(process.env.EXEMPLAR_SEED ?? 20_261_127)

const random = makeRandom(SEED)
const folders: string[] = []
afterAll(() => {
  for (const folder of folders.splice(0)) rmSync(folder, { recursive: true, force: true })
})
function makeFolder(): string {
  const folder = mkdtempSync(join(tmpdir(), 'exemplar-kills-'))
  folders.push(folder)
  return folder
}

/** What was acknowledged, and so has to be there. */
interface Known {
  people: Set<string>
  /** Names of attachments, with the checksum of their bytes. */
  files: Map<string, string>
  /** Lists that came in whole. */
  lists: Set<string>
  backups: Set<string>
}
const copyOf = ({ people, files, lists, backups }: Known): Known => ({
  people: new Set(people),
  files: new Map(files),
  lists: new Set(lists),
  backups: new Set(backups),
})

const LINES = 25
const RELEASE = join(import.meta.dirname, 'database/release/release-0007.sqlite.gz')

type Headers = Record<string, string>
interface Deeds {
  url: string
  headers: Headers
  round: string
  known: Known
  /** Somebody to hang files on. */
  personId: string
}

/** The answer, or null where the house is gone. */
const ask = (url: string, init: RequestInit) =>
  fetch(url, init)
    .then(async (it) => ({
      status: it.status,
      body: (await it.json().catch(() => null)) as Record<string, unknown> | null,
    }))
    .catch(() => null)

async function writePeople({ url, headers, round, known }: Deeds, writer: number): Promise<void> {
  for (let n = 0; ; n++) {
    const name = `${round} ${writer} ${n}`
    const body = JSON.stringify({ name, skills: ['x'.repeat(80)], note: '' })
    const reply = await ask(`${url}/api/people`, { method: 'POST', headers, body })
    if (reply === null) return
    if (reply.status === 201) known.people.add(name)
  }
}

async function attachFiles({ url, headers, round, known, personId }: Deeds): Promise<void> {
  for (let n = 0; ; n++) {
    const name = `${round}-${n}.png`.replaceAll(' ', '')
    const bytes = Buffer.concat([TINY_PNG, Buffer.from(name)])
    const address = `${url}/api/attachments?subjectType=person&subjectId=${personId}&name=${name}`
    const reply = await ask(address, {
      method: 'POST',
      headers: { ...headers, 'content-type': 'image/png' },
      body: bytes,
    })
    if (reply === null) return
    if (reply.status === 201) known.files.set(name, createHash('sha256').update(bytes).digest('hex'))
  }
}

async function bringInLists({ url, headers, round, known }: Deeds): Promise<void> {
  for (let n = 0; n < 40; n++) {
    const list = `L${round.replaceAll(' ', '')}N${n}`
    const lines = Array.from({ length: LINES }, (_, line) => `${list}-${line},Lamp ${list},light`)
    const csv = `tag,model,category\n${lines.join('\n')}`
    const reply = await ask(`${url}/api/import/inventory`, { method: 'POST', headers, body: JSON.stringify({ csv }) })
    if (reply === null) return
    if (reply.status === 200) known.lists.add(list)
  }
}

async function takeBackups({ url, headers, known }: Deeds): Promise<void> {
  for (;;) {
    const reply = await ask(`${url}/api/backups`, { method: 'POST', headers, body: '{}' })
    if (reply === null) return
    if (reply.status === 201) known.backups.add(String(reply.body?.name))
  }
}

/** What is there, told by the files alone. */
function look(folder: string) {
  const client = new Sqlite(join(folder, DATABASE_FILE))
  expect(client.pragma('integrity_check', { simple: true })).toBe('ok')
  expect(client.pragma('foreign_key_check')).toEqual([])
  const people = new Set(client.prepare("SELECT name FROM people WHERE name LIKE 'r%'").pluck().all() as string[])
  const events = client
    .prepare(
      "SELECT count(*) FROM events WHERE kind = 'created' AND subject_type = 'person' AND json_extract(data, '$.after.name') LIKE 'r%'",
    )
    .pluck()
    .get()
  const files = client.prepare('SELECT name, sha256 FROM attachments').all() as { name: string; sha256: string }[]
  const lists = client
    .prepare(
      "SELECT substr(tag, 1, instr(tag, '-') - 1) AS list, count(*) AS lines FROM units WHERE tag LIKE 'L%' GROUP BY 1",
    )
    .all() as { list: string; lines: number }[]
  client.close()
  // Each person came with its event, in the same transaction; each list whole or not at all.
  expect(events).toBe(people.size)
  for (const it of lists) expect([it.list, it.lines]).toEqual([it.list, LINES])
  for (const { sha256 } of files) {
    const bytes = readFileSync(join(folder, 'attachments', sha256))
    expect(createHash('sha256').update(bytes).digest('hex')).toBe(sha256)
  }
  return { people, files: new Map(files.map((it) => [it.name, it.sha256])), lists: new Set(lists.map((it) => it.list)) }
}

function requireThere(folder: string, known: Known): void {
  const there = look(folder)
  expect([...known.people].filter((it) => !there.people.has(it))).toEqual([])
  expect([...known.files].filter(([name, sha256]) => there.files.get(name) !== sha256)).toEqual([])
  expect([...known.lists].filter((it) => !there.lists.has(it))).toEqual([])
  const volume = existsSync(join(folder, 'backups')) ? readdirSync(join(folder, 'backups')) : []
  expect([...known.backups].filter((it) => !volume.includes(it))).toEqual([])
}

async function requireWholeBackups(folder: string): Promise<void> {
  const opening = { dataFolder: folder, disk: realDisk, key: loadHouseKey(folder) }
  for (const name of readdirSync(join(folder, 'backups')).filter((it) => it.endsWith('.zip'))) {
    const opened = await openBackup(Readable.from([readFileSync(join(folder, 'backups', name))]), opening)
    expect([name, opened.isOwn]).toEqual([name, true])
    opened.close()
  }
}

/** Once a start has cleared up, nothing half is left of anything. */
function requireNothingLeft(folder: string): void {
  const all = (readdirSync(folder, { recursive: true }) as string[]).filter((it) =>
    /partial|swap|replaced|incoming/.test(it),
  )
  expect([all, existsSync(join(folder, 'work')) ? readdirSync(join(folder, 'work')) : []]).toEqual([[], []])
}

const settle = (ms: number) => new Promise((done) => setTimeout(done, ms))

describe('killed at any moment', () => {
  const rounds = {
    deeds: Math.round(KILLS * 0.85),
    migrations: Math.round(KILLS * 0.15),
  }

  test(`${rounds.deeds} times in the middle of writes, lists, photos and backups, every third time of a restore: everything acknowledged is there, nothing half`, async () => {
    const folder = makeFolder()
    const known: Known = { people: new Set(), files: new Map(), lists: new Set(), backups: new Set() }
    let personId = ''
    let restored = 0
    /** The newest backup, and what had been acknowledged when it was asked for. */
    let saved: { name: string; then: Known } | null = null
    for (let n = 0; n < rounds.deeds; n++) {
      const round = `r${n}`
      const { child, url } = await startChild(folder)
      const ended = new Promise((done) => child.once('exit', done))
      requireNothingLeft(folder)
      const headers = await enterChild(url)
      if (!personId) {
        const made = await ask(`${url}/api/people`, {
          method: 'POST',
          headers,
          body: JSON.stringify({ name: 'Somebody', skills: [], note: '' }),
        })
        personId = String(made?.body?.id)
      }
      const isRestore = saved !== null && n % 3 === 2
      if (isRestore) restored++
      if (isRestore && saved) {
        await killInRestore({ folder, url, headers, saved, known, kill: () => child.kill('SIGKILL'), ended })
        saved = null
      } else {
        const deeds: Deeds = { url, headers, round, known, personId }
        const then = copyOf(known)
        const first: { status: number; body: Record<string, unknown> | null } | null =
          saved === null ? await ask(`${url}/api/backups`, { method: 'POST', headers, body: '{}' }) : null
        if (first?.status === 201) saved = { name: String(first.body?.name), then }
        const work = [
          writePeople(deeds, 0),
          writePeople(deeds, 1),
          attachFiles(deeds),
          bringInLists(deeds),
          takeBackups(deeds),
        ]
        await settle(30 + random() * 260)
        child.kill('SIGKILL')
        await Promise.all([...work, ended])
      }
      requireThere(folder, known)
      if (n % 20 === 19) {
        await requireWholeBackups(folder)
        // Kept small, so that a thousand rounds are as quick at their end as at their beginning.
        for (const it of known.backups) if (it !== saved?.name) rmSync(join(folder, 'backups', it), { force: true })
        known.backups = new Set(saved ? [saved.name] : [])
      }
    }
    expect(known.people.size).toBeGreaterThan(0)
    expect(restored).toBeGreaterThan(rounds.deeds / 6)
  }, 10_800_000)

  test(`${rounds.migrations} times while a database of an earlier release is brought up to date: the next start does it whole`, async () => {
    for (let n = 0; n < rounds.migrations; n++) {
      const folder = makeFolder()
      writeFileSync(join(folder, DATABASE_FILE), gunzipSync(readFileSync(RELEASE)))
      const before = readPeople(folder)
      const starting = spawnChild(folder)
      const ended = new Promise((done) => starting.once('exit', done))
      await settle(150 + random() * 900)
      starting.kill('SIGKILL')
      await ended
      const { child } = await startChild(folder)
      expect(readPeople(folder)).toEqual(before)
      requireNothingLeft(folder)
      for (const it of readdirSync(folder).filter((name) => /^before-.*\.sqlite$/.test(name))) {
        const copy = new Sqlite(join(folder, it), { readonly: true })
        expect(copy.pragma('integrity_check', { simple: true })).toBe('ok')
        expect(copy.prepare('SELECT name FROM people ORDER BY name').pluck().all()).toEqual(before)
        copy.close()
      }
      child.kill('SIGKILL')
      await new Promise((done) => child.once('exit', done))
    }
  }, 10_800_000)
})

interface Restoring {
  folder: string
  url: string
  headers: Headers
  saved: { name: string; then: Known }
  known: Known
  kill(): void
  ended: Promise<unknown>
}

/** Restores and kills in the middle of it, with somebody who goes on writing: afterwards it is the one or the other. */
async function killInRestore({ folder, url, headers, saved, known, kill, ended }: Restoring): Promise<void> {
  const check = await ask(`${url}/api/backups/${saved.name}/check`, { headers })
  const body = JSON.stringify({ lost: check?.body?.lost })
  const restoring = ask(`${url}/api/backups/${saved.name}/restore`, { method: 'POST', headers, body })
  await settle(random() * 420)
  kill()
  const reply = await restoring
  await ended
  // As the next start does: what was not finished is put back.
  endBrokenSwap(folder, realDisk)
  const isRestored = findLastDeed(folder) === 'restored'
  if (reply?.status === 200) expect(isRestored).toBe(true)
  if (!isRestored) return
  const { backups } = known
  Object.assign(known, copyOf(saved.then), { backups })
}

function findLastDeed(folder: string): unknown {
  const client = new Sqlite(join(folder, DATABASE_FILE))
  const kind = client.prepare('SELECT kind FROM events ORDER BY id DESC LIMIT 1').pluck().get()
  client.close()
  return kind
}

function readPeople(folder: string): string[] {
  const client = new Sqlite(join(folder, DATABASE_FILE))
  const names = client.prepare('SELECT name FROM people ORDER BY name').pluck().all() as string[]
  client.close()
  return names
}
