import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { nameAttachment } from '@exemplar/core'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { countRows, match, startApi, type TestApi } from '../../foundation/api.fixture.ts'
import { realDisk } from '../../foundation/base/disk.ts'
import { translateConstraint } from '../../foundation/base/problem.ts'
import { TINY_PNG } from '../../foundation/tiny-png.fixture.ts'
import { makeSetup } from '../../setups/quick-entry.fixture.ts'
import { makeFailingDisk } from '../backup/failing-disk.ts'

let api: TestApi
beforeAll(async () => {
  api = await startApi({ demo: true })
})
afterAll(() => api.close())

const PDF = Buffer.from('%PDF-1.4\n1 0 obj<<>>endobj\ntrailer<<>>\n%%EOF\n')
const attach = (bytes: Buffer, name: string, subject = 'subjectType=unit&subjectId=CAM-01', type = 'image/png') =>
  api.call('POST', `/attachments?${subject}&name=${encodeURIComponent(name)}`, bytes, { 'content-type': type })
const fetchFile = (id: string) =>
  fetch(`${api.url}/api/attachments/${id}/file`, { headers: { cookie: api.cookieOf('viewer') } })

describe('attachments', () => {
  test('a photo and a paper are kept, listed and given back byte for byte', async () => {
    const photo = await attach(TINY_PNG, 'front.png')
    expect(photo.body).toMatchObject({ name: 'front.png', mime: 'image/png', bytes: TINY_PNG.length })
    const paper = await attach(PDF, 'receipt.pdf', 'subjectType=place&subjectId=studio', 'application/pdf')
    expect(paper.body).toMatchObject({ mime: 'application/pdf' })
    const reply = await fetchFile(photo.body.id)
    expect(Buffer.from(await reply.arrayBuffer())).toEqual(TINY_PNG)
    expect(reply.headers.get('content-security-policy')).toContain('sandbox')
    expect(reply.headers.get('x-content-type-options')).toBe('nosniff')
    expect((await api.call('GET', '/attachments?subjectType=place&subjectId=studio')).body).toHaveLength(1)
  })

  test.each([
    ['a page', '<!doctype html><script>alert(1)</script>', 'x.png'],
    ['a drawing with a script', '<svg xmlns="http://www.w3.org/2000/svg"><script/></svg>', 'x.svg'],
    ['a program', '#!/bin/sh\nrm -rf /\n', 'x.jpg'],
    ['an archive', 'PK\u0003\u0004rest', 'x.webp'],
    ['nothing', '', 'x.png'],
  ])('%s that calls itself a photo is refused, and no file is left', async (_, text, name) => {
    const before = readdirSync(join(api.folder, 'attachments'))
    const { status, body } = await attach(Buffer.from(text), name)
    expect([status, body.title]).toEqual([415, 'Not that kind of file'])
    expect(readdirSync(join(api.folder, 'attachments'))).toEqual(before)
  })

  test('tricks with paths come to nothing: files lie under their checksum, whatever they are called', async () => {
    writeFileSync(join(api.folder, 'secret.txt'), 'secret')
    for (const name of [
      '../../../etc/passwd',
      '..\\..\\secret.txt',
      '/etc/cron.d/x',
      'a\u0000.png',
      '.htaccess',
      'CON|:*?"<>.png',
    ]) {
      const { status, body } = await attach(TINY_PNG, name)
      expect(status).toBe(201)
      expect(body.name).not.toMatch(/[/\\]|^\./)
    }
    for (const file of readdirSync(join(api.folder, 'attachments'))) expect(file).toMatch(/^[0-9a-f]{64}$/)
    for (const id of ['..%2f..%2fsecret.txt', '..', '%2e%2e%2fsecret.txt', 'x%00']) {
      const reply = await fetchFile(id)
      expect([400, 404]).toContain(reply.status)
      expect(await reply.text()).not.toContain('"secret"')
    }
    expect(readFileSync(join(api.folder, 'secret.txt'), 'utf8')).toBe('secret')
  })

  test('a name is offered for saving as it can be written, in any language', async () => {
    const { body } = await attach(TINY_PNG, 'Gewächshaus “Süd”\r\nX-Evil: 1.png')
    expect(body.name).not.toMatch(/[\r\n"]/)
    const reply = await fetchFile(body.id)
    expect(reply.headers.get('x-evil')).toBe(null)
    expect(decodeURIComponent(reply.headers.get('content-disposition') ?? '')).toContain('Gewächshaus')
  })

  test('too large a file, or one for a thing that is not there, is refused', async () => {
    expect((await attach(Buffer.concat([TINY_PNG, Buffer.alloc(12_000_001)]), 'big.png')).status).toBe(413)
    const { status, body } = await attach(TINY_PNG, 'x.png', 'subjectType=unit&subjectId=NOPE-1')
    expect([status, body.errors[0].pointer]).toEqual([422, '?subjectId'])
  })

  test('the crew attaches and takes away; taken away is not lost', async () => {
    const crew = api.as('crew')
    const { body } = await crew('POST', '/attachments?subjectType=unit&subjectId=CAM-02&name=a.png', TINY_PNG, {
      'content-type': 'image/png',
    })
    const gone = await crew('DELETE', `/attachments/${body.id}`, undefined, match(1))
    expect((await crew('GET', '/attachments?subjectType=unit&subjectId=CAM-02')).body).toEqual([])
    await crew('POST', `/changes/${gone.headers.get('x-exemplar-change')}/undo`, {})
    expect((await crew('GET', '/attachments?subjectType=unit&subjectId=CAM-02')).body).toMatchObject([{ id: body.id }])
  })

  test('a clean name is left alone, and an empty one gets one', () => {
    expect(nameAttachment('Receipt 12.pdf', 'application/pdf')).toBe('Receipt 12.pdf')
    expect(nameAttachment('///', 'image/png')).toBe('file.png')
    expect(nameAttachment(`${'x'.repeat(300)}.pdf`, 'application/pdf')).toHaveLength(120)
    expect(nameAttachment('front.JPEG', 'image/jpeg')).toBe('front.JPEG')
    // Saved and opened, it would be run as a page.
    expect(nameAttachment('x.html', 'image/png')).toBe('x.png')
  })
})

describe('a disk that takes no more', () => {
  test.each([
    ['full', 'The disk is full'],
    ['gone', 'The disk does not answer'],
    ['unsure', 'The disk does not answer'],
  ] as const)('[S16] that is %s: said with 507, nothing recorded, nothing left over', async (fault, title) => {
    const before = readdirSync(api.folder, { recursive: true })
    const rows = countRows(api.app)
    api.app.disk = makeFailingDisk(realDisk, fault)
    const { status, body } = await attach(Buffer.concat([TINY_PNG, Buffer.from(fault)]), 'a.png')
    api.app.disk = realDisk
    expect([status, body.title]).toEqual([507, title])
    expect(countRows(api.app)).toEqual(rows)
    expect(readdirSync(api.folder, { recursive: true }).sort()).toEqual(before.sort())
  })

  test.each([
    ['ENOSPC', 'The disk is full'],
    ['EDQUOT', 'The disk is full'],
    ['SQLITE_FULL', 'The disk is full'],
    ['EROFS', 'The disk cannot be written'],
    ['SQLITE_READONLY_DBMOVED', 'The disk cannot be written'],
    ['SQLITE_CANTOPEN', 'The disk cannot be written'],
    ['EIO', 'The disk does not answer'],
    ['SQLITE_IOERR_FSYNC', 'The disk does not answer'],
  ])('[S16] what the system calls %s is said in a sentence, with 507', (code, title) => {
    const problem = translateConstraint(Object.assign(new Error('x'), { code }))
    expect([problem?.status, problem?.title]).toEqual([507, title])
  })
})

describe('photos in small', () => {
  test('are small, the right way up, and hold nothing that the camera wrote', async () => {
    const large = await sharp({ create: { width: 1600, height: 900, channels: 3, background: '#2d6b4f' } })
      .withExif({ IFD0: { Artist: 'Somebody', Software: 'Serial 12345' } })
      .jpeg()
      .toBuffer()
    const { body } = await attach(large, 'large.jpg')
    const reply = await fetch(`${api.url}/api/attachments/${body.id}/thumbnail`, {
      headers: { cookie: api.cookieOf('viewer') },
    })
    const small = Buffer.from(await reply.arrayBuffer())
    expect(reply.headers.get('content-type')).toBe('image/webp')
    const { width, height, exif } = await sharp(small).metadata()
    expect([width, height, exif]).toEqual([320, 180, undefined])
    expect(small.length).toBeLessThan(large.length)
  })

  test('a paper has none', async () => {
    const { body } = await attach(PDF, 'receipt.pdf', undefined, 'application/pdf')
    const reply = await api.call('GET', `/attachments/${body.id}/thumbnail`)
    expect(reply.status).toBe(404)
  })
})

test('mutations of photos and papers are kept whole or refused in a sentence, and nothing of what was refused stays', async () => {
  const solid = { width: 40, height: 30, channels: 3 as const, background: '#8a5a00' }
  const originals = [
    TINY_PNG,
    PDF,
    await sharp({ create: solid }).jpeg().toBuffer(),
    await sharp({ create: solid }).webp().toBuffer(),
    await sharp({ create: solid }).png().toBuffer(),
  ]
  const runs = Number(process.env.EXEMPLAR_MUTATIONS ?? 200)
  let at = 77
  const draw = (below: number) => {
    at = (at * 48_271) % 2_147_483_647
    return at % below
  }
  const folder = join(api.folder, 'attachments')
  await attach(TINY_PNG, 'first.png')
  const seen = { kept: 0, refused: 0 }
  for (let run = 0; run < runs; run++) {
    const original = originals[draw(originals.length)] ?? TINY_PNG
    const bytes = Buffer.from(draw(5) === 0 ? original.subarray(0, draw(original.length)) : original)
    for (let n = draw(4); n >= 0 && bytes.length > 0; n--) bytes[draw(bytes.length)] = draw(256)
    const before = readdirSync(folder).length
    const { status, body } = await attach(bytes, `m${run}.bin`)
    if (status === 201) {
      seen.kept++
      expect(Buffer.from(await (await fetchFile(body.id)).arrayBuffer()).equals(bytes)).toBe(true)
    } else {
      seen.refused++
      expect([status === 415 || status === 413, body.detail.length > 20]).toEqual([true, true])
      expect(readdirSync(folder).length).toBe(before)
    }
  }
  expect(seen.kept).toBeGreaterThan(runs / 20)
  expect(seen.refused).toBeGreaterThan(runs / 20)
})

describe('the photo of each thing', () => {
  test('is its first one, else that of another piece of its model; a paper and what was taken away are none', async () => {
    const add = async (name: string, count: number) =>
      (await api.call('POST', '/units', { category: 'tripod', maker: '', name, count })).body
    const [one, other] = [await add('Three legs', 1), await add('Three legs', 1)]
    const apart = await add('Four legs', 1)
    const of = async (id: string) => (await api.call('GET', '/photos')).body[id]
    await attach(PDF, 'receipt.pdf', `subjectType=unit&subjectId=${one.id}`, 'application/pdf')
    expect(await of(one.id)).toBe(undefined)
    const first = await attach(TINY_PNG, 'front.png', `subjectType=unit&subjectId=${one.id}`)
    await attach(TINY_PNG, 'back.png', `subjectType=unit&subjectId=${one.id}`)
    expect([await of(one.id), await of(other.id), await of(apart.id)]).toEqual([
      first.body.id,
      first.body.id,
      undefined,
    ])
    const own = await attach(TINY_PNG, 'own.png', `subjectType=unit&subjectId=${other.id}`)
    expect([await of(one.id), await of(other.id)]).toEqual([first.body.id, own.body.id])
    // A setup has the photos of its own things with it, those of another piece of the model as well.
    const inSetup = async (id: string, code: string) => {
      const setup = await api.call('POST', '/setups', makeSetup([{ name: 'Legs', things: [{ id }] }], { code }))
      return (await api.call('GET', `/setups/${setup.body.id}`)).body.photos
    }
    expect(await inSetup(one.id, 'QA')).toEqual({ [one.id]: first.body.id })
    expect(await inSetup(apart.id, 'QB')).toEqual({})
    const third = await add('Three legs', 1)
    expect(Object.keys(await inSetup(third.id, 'QC'))).toEqual([third.id])
    await api.call('DELETE', `/attachments/${own.body.id}`, undefined, { 'if-match': `"${own.body.version}"` })
    expect(await of(other.id)).toBe(first.body.id)
  })
})
