import { dictionary } from '@zxcvbn-ts/language-common'
import { refuseField } from '../../foundation/base/problem.ts'

/** Passwords that are tried first, as a well-kept list has them, and what everybody would guess here. */
const COMMON = new Set(dictionary['passwords-common'].map((it) => String(it).toLowerCase()))
const OWN_WORDS = ['exemplar', 'filmstudio', 'password', 'passwort']

/** Refuses a password that is among the first that anybody tries (NIST SP 800-63B, 5.1.1.2; ASVS 5, 6.2.4). */
export function requireUncommon(password: string, signInName: string): void {
  const bare = password.toLowerCase().normalize('NFKC')
  const letters = bare.replace(/[^\p{L}]/gu, '')
  const isGuessed =
    COMMON.has(bare) ||
    new Set(bare).size <= 2 ||
    isRepeated(bare) ||
    [...OWN_WORDS, signInName.toLowerCase().replace(/[^\p{L}]/gu, '')].some((it) => it !== '' && letters === it)
  if (!isGuessed) return
  const message = 'This password is among the first that anybody tries. Four plain words that you choose do well.'
  throw refuseField('/password', message)
}

/** Something short over and over: `abcabcabcabc`. */
function isRepeated(text: string): boolean {
  for (let length = 1; length <= 4; length++) {
    const part = text.slice(0, length)
    if (part.repeat(Math.ceil(text.length / length)).slice(0, text.length) === text) return true
  }
  return false
}
