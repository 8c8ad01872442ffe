import { X509Certificate } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { hostname, type NetworkInterfaceInfo } from 'node:os'
import { join } from 'node:path'
import QRCode from 'qrcode'
import { generate } from 'selfsigned'
import type { Config } from './config.ts'

const DAY_MS = 86_400_000
/** Browsers refuse certificates of their user's own that are good for much longer than two years; one is plenty here. */
const VALID_DAYS = 365
/** Made anew when it has less than that to go. */
const SPARE_DAYS = 30

/** Networks that a machine makes for itself: no phone is in them. */
const OF_ITS_OWN = /^(docker|br-|veth|virbr|vmnet|vboxnet|utun|tun|zt)/
const EVERYWHERE: readonly string[] = ['0.0.0.0', '::']

/** Addresses under which phones in the same network reach this machine, those of networks of its own last. */
export function listLanAddresses(interfaces: NodeJS.Dict<NetworkInterfaceInfo[]>): string[] {
  const names = Object.keys(interfaces).sort((a, b) => Number(OF_ITS_OWN.test(a)) - Number(OF_ITS_OWN.test(b)))
  return names
    .flatMap((name) => interfaces[name] ?? [])
    .filter(({ family, internal, address }) => family === 'IPv4' && !internal && !address.startsWith('169.254.'))
    .map(({ address }) => address)
}

/** Those of them at which this process listens. */
export function listReached(
  { host, isLoopback }: Pick<Config, 'host' | 'isLoopback'>,
  lan: readonly string[],
): string[] {
  if (isLoopback) return []
  return EVERYWHERE.includes(host) ? [...lan] : [host]
}

/**
 * A certificate made on this machine for these addresses, kept beside the data for its owner's eyes alone. It is made anew when
 * the machine has another address or it runs out soon. Returns the files.
 */
export async function ensureCertificate(
  dataFolder: string,
  addresses: readonly string[],
  now: number,
): Promise<NonNullable<Config['tls']>> {
  const folder = join(dataFolder, 'phones')
  const files = { cert: join(folder, 'certificate.pem'), key: join(folder, 'key.pem') }
  if (existsSync(files.cert) && existsSync(files.key) && suits(readFileSync(files.cert, 'utf8'), addresses, now))
    return files
  const names = ['localhost', hostname()].map((value) => ({ type: 2 as const, value }))
  const numbers = ['127.0.0.1', ...addresses].map((ip) => ({ type: 7 as const, ip }))
  const made = await generate([{ name: 'commonName', value: 'Exemplar on this machine' }], {
    keyType: 'ec',
    algorithm: 'sha256',
    notBeforeDate: new Date(now - DAY_MS),
    notAfterDate: new Date(now + VALID_DAYS * DAY_MS),
    extensions: [
      { name: 'basicConstraints', cA: false },
      { name: 'extKeyUsage', serverAuth: true },
      { name: 'subjectAltName', altNames: [...names, ...numbers] },
    ],
  })
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  writeFileSync(files.key, made.private, { mode: 0o600 })
  writeFileSync(files.cert, made.cert, { mode: 0o600 })
  return files
}

function suits(pem: string, addresses: readonly string[], now: number): boolean {
  try {
    const certificate = new X509Certificate(pem)
    const runsOut = Date.parse(certificate.validTo)
    return runsOut - now > SPARE_DAYS * DAY_MS && addresses.every((it) => certificate.checkIP(it) !== undefined)
  } catch {
    return false
  }
}

interface Phones {
  addresses: readonly string[]
  port: number
  firstRunCode: string | null
  /** Only this machine can reach it. */
  isLoopback: boolean
  /** The certificate was made here, and no phone knows it. */
  isOwnCertificate: boolean
  isTerminal: boolean
}

/** What stands in the terminal for whoever holds a phone: where, as a code for the camera, and what to expect. */
export async function sayPhones(phones: Phones): Promise<string> {
  const [first] = phones.addresses
  if (phones.isLoopback)
    return 'EXEMPLAR_HOST keeps it to this machine: phones cannot reach it. Leave it out to let them in.'
  if (!first) return 'This machine is in no network: phones cannot reach it. Join the studio’s network and start again.'
  const urls = phones.addresses.map((it) => `https://${it}:${phones.port}`)
  return [
    `On a phone in the same network: ${urls.join(' or ')}`,
    // In a terminal in its own colours: dark on light, whatever the terminal's are.
    await QRCode.toString(urls[0] ?? '', phones.isTerminal ? { type: 'terminal', small: true } : { type: 'utf8' }),
    ...(phones.isOwnCertificate
      ? [
          'The phone warns once that it does not know the certificate: it was made on this machine and vouches for nothing else.',
        ]
      : []),
    ...(phones.firstRunCode
      ? [`Where there is no owner yet, whoever becomes it is asked for this code: ${phones.firstRunCode}`]
      : []),
  ].join('\n')
}

/** The configuration with phones let in: on every address, over TLS. Files that somebody named go before one that is made. */
export async function letPhonesIn(config: Config, addresses: readonly string[], now: number): Promise<Config> {
  const tls = config.tls ?? (await ensureCertificate(config.dataFolder, addresses, now))
  return { ...config, tls, isSecure: true }
}
