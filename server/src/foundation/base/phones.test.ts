import { X509Certificate } from 'node:crypto'
import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs'
import { request } from 'node:https'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Koa from 'koa'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { readConfig } from './config.ts'
import { ensureCertificate, letPhonesIn, listLanAddresses, listReached, sayPhones } from './phones.ts'
import { makeServer } from './serving.ts'

const NOW = Date.UTC(2026, 10, 24)
const DAY_MS = 86_400_000

let folder = ''
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'exemplar-phones-'))
})
afterEach(() => rmSync(folder, { recursive: true, force: true }))

const address = (ip: string, internal = false, family: 'IPv4' | 'IPv6' = 'IPv4') =>
  ({
    address: ip,
    internal,
    family,
    netmask: '',
    mac: '',
    cidr: null,
    ...(family === 'IPv6' ? { scopeid: 0 } : {}),
  }) as never

describe('the certificate for phones', () => {
  test('names every address of the machine and is kept for the owner’s eyes alone', async () => {
    const { cert, key } = await ensureCertificate(folder, ['192.0.2.7', '198.51.100.3'], NOW)
    const certificate = new X509Certificate(readFileSync(cert))
    for (const ip of ['192.0.2.7', '198.51.100.3', '127.0.0.1']) expect(certificate.checkIP(ip)).toBe(ip)
    expect(certificate.checkHost('localhost')).toBe('localhost')
    expect(certificate.checkIP('192.0.2.8')).toBe(undefined)
    expect(certificate.ca).toBe(false)
    expect([key, cert].map((file) => statSync(file).mode & 0o077)).toEqual([0, 0])
  })

  test('is the same at the next start, and another for a new address or shortly before it runs out', async () => {
    const read = async (addresses: string[], now: number) =>
      readFileSync((await ensureCertificate(folder, addresses, now)).cert, 'utf8')
    const first = await read(['192.0.2.7'], NOW)
    expect(await read(['192.0.2.7'], NOW + 300 * DAY_MS)).toBe(first)
    const moved = await read(['192.0.2.7', '192.0.2.9'], NOW)
    expect(moved).not.toBe(first)
    expect(await read(['192.0.2.7'], NOW + 340 * DAY_MS)).not.toBe(moved)
  })

  test('serves a client that trusts it, under its address', async () => {
    const config = await letPhonesIn({ ...readConfig({ EXEMPLAR_DATA: folder }) }, [], Date.now())
    expect(config.isSecure).toBe(true)
    const koa = new Koa()
    koa.use((context) => {
      context.body = 'here'
    })
    const server = makeServer(koa, config)
    await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
    const { port } = server.address() as AddressInfo
    const ca = readFileSync(config.tls?.cert ?? '')
    const body = await new Promise<string>((resolve, reject) => {
      const asked = request({ host: '127.0.0.1', port, ca }, (reply) => {
        let text = ''
        reply.on('data', (part) => {
          text += part
        })
        reply.on('end', () => resolve(text))
      })
      asked.on('error', reject)
      asked.end()
    })
    server.close()
    expect(body).toBe('here')
  })

  test('files that somebody named go before one that is made', async () => {
    const own = { cert: '/own/cert.pem', key: '/own/key.pem' }
    const config = await letPhonesIn({ ...readConfig({ EXEMPLAR_DATA: folder }), tls: own }, ['192.0.2.7'], NOW)
    expect(config.tls).toEqual(own)
  })
})

describe('what the terminal says', () => {
  test('addresses of the network, not those of the machine alone', () => {
    const found = listLanAddresses({
      lo: [address('127.0.0.1', true)],
      en0: [address('192.0.2.7'), address('2001:db8::1', false, 'IPv6'), address('169.254.3.4')],
      none: undefined,
    })
    expect(found).toEqual(['192.0.2.7'])
    // The code for the camera is of the first, and no phone is in a network that the machine makes for itself.
    expect(listLanAddresses({ docker0: [address('198.51.100.1')], en0: [address('192.0.2.7')] })).toEqual([
      '192.0.2.7',
      '198.51.100.1',
    ])
  })

  test.each([
    ['0.0.0.0', false, ['192.0.2.7', '192.0.2.9']],
    ['192.0.2.9', false, ['192.0.2.9']],
    ['127.0.0.1', true, []],
  ] as const)('listening at %s, only where it is listened', (host, isLoopback, reached) => {
    expect(listReached({ host, isLoopback }, ['192.0.2.7', '192.0.2.9'])).toEqual(reached)
  })

  const PHONES = {
    addresses: ['192.0.2.7'],
    port: 4600,
    firstRunCode: 'c0ffee',
    isLoopback: false,
    isOwnCertificate: true,
    isTerminal: false,
  }

  test('where to go, as a code too, what the phone will say, and the code of whoever becomes the owner', async () => {
    const text = await sayPhones(PHONES)
    expect(text).toMatch(/https:\/\/192\.0\.2\.7:4600/)
    expect(text).toMatch(/[▄▀█]{5}/)
    expect(text).toMatch(/warns once/)
    expect(text).toMatch(/c0ffee/)
    expect(await sayPhones({ ...PHONES, firstRunCode: null })).not.toMatch(/becomes it/)
  })

  test('no warning of a certificate that somebody else made, and no address that nobody reaches', async () => {
    expect(await sayPhones({ ...PHONES, isOwnCertificate: false })).not.toMatch(/warns/)
    expect(await sayPhones({ ...PHONES, addresses: [] })).toMatch(/in no network/)
    const kept = await sayPhones({ ...PHONES, addresses: [], isLoopback: true })
    expect(kept).toMatch(/keeps it to this machine/)
    expect(kept).not.toMatch(/https/)
  })
})
