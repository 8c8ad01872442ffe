import { createHash, randomBytes, scrypt, timingSafeEqual } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { makeBoundedQueue } from './bounded-queue.ts'

/** The keys that sign cookies, kept beside the database and in no backup: who restores one signs in anew. */
export function loadKeys(folder: string): string[] {
  mkdirSync(folder, { recursive: true })
  const file = join(folder, 'cookie-keys.json')
  if (!existsSync(file)) writeFileSync(file, JSON.stringify([makeToken()]), { mode: 0o600 })
  return JSON.parse(readFileSync(file, 'utf8')) as string[]
}

/** 256 bits, as text that fits an address and a cookie. */
export function makeToken(): string {
  return randomBytes(32).toString('base64url')
}

/** 96 bits: enough to tell the changes of all houses apart. */
export const makeChangeToken = (): string => randomBytes(12).toString('base64url')

/** What is kept of a token: who reads the database cannot use it. */
export function hashToken(token: string): string {
  return createHash('sha256').update(token).digest('hex')
}

/** How much work a password takes: N = 2^cost, r = 8, p = 3; 15 is what OWASP's Password Storage Cheat Sheet asks. */
export type PasswordCost = number

interface Parameters {
  cost: PasswordCost
  salt: Buffer
}

/** Node's four threads read files too: two are left for pages and photos however many knock at the door. */
const standInLine = makeBoundedQueue({
  running: 2,
  waiting: 24,
  full: 'Twenty-four wait to sign in already. Try again in a few seconds.',
})

function derive(password: string, { cost, salt }: Parameters): Promise<Buffer> {
  const options = { N: 2 ** cost, r: 8, p: 3, maxmem: 128 * 2 ** cost * 8 * 2 }
  return standInLine(
    () =>
      new Promise((resolve, reject) =>
        scrypt(password.normalize('NFKC'), salt, 32, options, (error, key) => (error ? reject(error) : resolve(key))),
      ),
  )
}

export async function hashPassword(password: string, cost: PasswordCost): Promise<string> {
  const salt = randomBytes(16)
  const key = await derive(password, { cost, salt })
  return ['scrypt', cost, salt.toString('base64url'), key.toString('base64url')].join('$')
}

/** Takes as long for an account without a password as for one with it, so that names cannot be found out by the clock. */
export async function verifyPassword(password: string, stored: string | null, cost: PasswordCost): Promise<boolean> {
  const [, storedCost, salt = '', key = ''] = (stored ?? '').split('$')
  const parameters = stored
    ? { cost: Number(storedCost), salt: Buffer.from(salt, 'base64url') }
    : { cost, salt: Buffer.alloc(16) }
  const derived = await derive(password, parameters)
  const expected = stored ? Buffer.from(key, 'base64url') : Buffer.alloc(32)
  return timingSafeEqual(derived, expected) && stored !== null
}
