import { randomInt } from 'node:crypto'
import type { SecondFactor } from '@exemplar/core'
import { Secret, TOTP } from 'otpauth'
import { hashToken } from '../../foundation/base/secrets.ts'

const PERIOD_S = 30
const RECOVERY_CODES = 10
/** Without letters and digits that are mistaken for each other. */
const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789'

function makeTotp(secret: string, label: string): TOTP {
  // What every device that makes codes takes: SHA-1, six digits, half a minute (RFC 6238).
  return new TOTP({
    issuer: 'Exemplar',
    label,
    algorithm: 'SHA1',
    digits: 6,
    period: PERIOD_S,
    secret: Secret.fromBase32(secret),
  })
}

/** A second factor that is not on yet: it waits for a first code, which shows that the device has it. */
export function beginSecondFactor(): SecondFactor {
  return { secret: new Secret({ size: 20 }).base32, isOn: false, lastStep: 0, recovery: [] }
}

/** What a device reads to make the codes of an account. */
export const sayUri = ({ secret }: SecondFactor, signInName: string): string => makeTotp(secret, signInName).toString()

/** The factor after a code of now was used, or of the half minute before or after; null where the code is none, or was used. */
export function useCode(factor: SecondFactor, code: string, now: number): SecondFactor | null {
  const digits = code.replace(/\s/g, '')
  if (!/^\d{6}$/.test(digits)) return null
  const delta = makeTotp(factor.secret, '').validate({ token: digits, timestamp: now, window: 1 })
  if (delta === null) return null
  const step = Math.floor(now / 1000 / PERIOD_S) + delta
  return step > factor.lastStep ? { ...factor, lastStep: step } : null
}

/** The factor without the recovery code that was typed; null where it is none. */
export function useRecoveryCode(factor: SecondFactor, code: string): SecondFactor | null {
  const hash = hashToken(code.toLowerCase().replace(/[^a-z0-9]/g, ''))
  if (!factor.recovery.includes(hash)) return null
  return { ...factor, recovery: factor.recovery.filter((it) => it !== hash) }
}

/** Codes for when the device is gone: shown once, kept as hashes. 12 letters of 31 are 59 bits each. */
export function makeRecoveryCodes(): { codes: string[]; hashes: string[] } {
  const codes = Array.from({ length: RECOVERY_CODES }, () =>
    Array.from({ length: 12 }, () => LETTERS[randomInt(LETTERS.length)]).join(''),
  )
  return { codes: codes.map((it) => it.replace(/(.{4})(?=.)/g, '$1-')), hashes: codes.map(hashToken) }
}
