import { existsSync, readdirSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { eq } from 'drizzle-orm'
import { afterEach, describe, expect, test } from 'vitest'
import { makeCookie, startApi, type TestApi } from '../../foundation/api.fixture.ts'
import { realDisk } from '../../foundation/base/disk.ts'
import { makeVolume } from '../../foundation/base/volume.ts'
import { TINY_PNG } from '../../foundation/tiny-png.fixture.ts'
import { accounts } from '../../schema/studio-tables.ts'
import { beginSession } from '../access/sessions.ts'
import { makeFailingDisk } from './failing-disk.ts'

let api: TestApi
afterEach(() => api?.close())

const take = async () => (await api.call('POST', '/backups', {})).body.name as string
const person = (name: string) => ({ name, skills: [], note: '' })
const names = () => api.app.db.$client.prepare('SELECT name FROM people').pluck().all() as string[]

/** Everybody is signed out by a restore; the manager comes in again. */
function comeBack(): Record<string, string> {
  const owner = api.app.db.select().from(accounts).where(eq(accounts.role, 'manager')).get()
  return { cookie: makeCookie(api.app, beginSession(api.app, owner?.personId ?? '')) }
}

describe('[S16] a disk that fails at any moment', () => {
  const FAULTS = ['full', 'short', 'unsure', 'gone'] as const

  test.each(FAULTS)(
    '%s: a backup and a restore come to their end, or leave everything as it was',
    async (fault) => {
      api = await startApi({ demo: true })
      await api.call('POST', '/attachments?subjectType=unit&subjectId=CAM-01&name=front.png', TINY_PNG, {
        'content-type': 'image/png',
      })
      const name = await take()
      await api.call('POST', '/people', person('Newer'))
      const folder = join(api.folder, 'backups')
      const outcomes = { kept: 0, refused: 0 }
      // Both ways come to some two hundred pieces and files; where it fails is spread over all of them.
      for (let step = 0; step < 240; step += 6) {
        const disk = makeFailingDisk(realDisk, fault, step)
        api.app.disk = disk
        api.app.volume = makeVolume(folder, disk)
        const before = readdirSync(folder)
        const backup = await api.as(null)('POST', '/backups', {}, comeBack())
        expect([201, 507]).toContain(backup.status)
        expect(readdirSync(folder).length).toBe(before.length + (backup.status === 201 ? 1 : 0))
        const isHere = names().includes('Newer')
        api.app.disk = realDisk
        api.app.volume = makeVolume(folder, realDisk)
        const { lost } = (await api.as(null)('GET', `/backups/${name}/check`, undefined, comeBack())).body
        api.app.disk = makeFailingDisk(realDisk, fault, step)
        const restored = await api.as(null)('POST', `/backups/${name}/restore`, { lost }, comeBack())
        api.app.disk = realDisk
        outcomes[restored.status === 200 ? 'kept' : 'refused']++
        expect([step, [200, 409, 422, 507].includes(restored.status), restored.body?.detail]).toEqual([
          step,
          true,
          restored.body?.detail,
        ])
        // One or the other, whole, open and written to; nothing half, nothing left over.
        expect(names().includes('Newer')).toBe(restored.status === 200 ? false : isHere)
        expect(api.app.db.$client.pragma('integrity_check', { simple: true })).toBe('ok')
        expect(api.app.gate.isOpen).toBe(true)
        expect((await api.as(null)('POST', '/people', person('Newer'), comeBack())).status).toBe(201)
        expect(readdirSync(join(api.folder, 'work'))).toEqual([])
        expect(readdirSync(api.folder).filter((it) => /swap|replaced|incoming|partial/.test(it))).toEqual([])
        expect(readdirSync(folder).filter((it) => it.endsWith('.partial'))).toEqual([])
        for (const it of readdirSync(folder))
          if (it !== name && readdirSync(folder).length > 6) rmSync(join(folder, it))
      }
      expect(outcomes.refused).toBeGreaterThan(3)
      expect(outcomes.kept).toBeGreaterThan(3)
    },
    120_000,
  )

  test('a full disk says nothing about the backup that was to be looked at', async () => {
    api = await startApi({ demo: true })
    const name = await take()
    api.app.disk = makeFailingDisk(realDisk, 'full')
    const { status, body } = await api.call('GET', `/backups/${name}/check`)
    expect([status, body.title]).toEqual([507, 'The disk is full'])
    expect(existsSync(join(api.folder, 'backups', name))).toBe(true)
  })
})
