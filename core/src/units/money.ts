import { z } from 'zod'
import { numberFormat } from './number-format.ts'
import { roundHalfAwayFromZero } from './rounding.ts'

/** An amount in whole minor units (pence, cents) of an ISO 4217 currency; never a fraction. */
export interface Money {
  minor: number
  currency: string
}

// ISO 4217 (list one): every currency not named here has two decimals.
const EXPONENTS: Readonly<Record<string, number>> = {
  ...Object.fromEntries(
    'BIF CLP DJF GNF ISK JPY KMF KRW PYG RWF UGX UYI VND VUV XAF XOF XPF'.split(' ').map((code) => [code, 0]),
  ),
  ...Object.fromEntries('BHD IQD JOD KWD LYD OMR TND'.split(' ').map((code) => [code, 3])),
  CLF: 4,
  UYW: 4,
}

const SYMBOLS: Readonly<Record<string, string>> = { '£': 'GBP', '€': 'EUR', $: 'USD', '¥': 'JPY' }

export const currencySchema = z.string().regex(/^[A-Z]{3}$/, 'A currency is three capital letters, such as GBP.')
export const minorSchema = z.number().int('Money is kept in whole pence or cents.').min(-1e12).max(1e12)

/** Decimals of a currency by ISO 4217: JPY 0, GBP 2, KWD 3. */
export function findExponent(currency: string): number {
  return EXPONENTS[currency] ?? 2
}

/** An amount for people. In running text whole amounts from 100 on go without decimals; columns want them all. */
export function formatMoney(minor: number, currency: string, place: 'text' | 'column' = 'text'): string {
  const exponent = findExponent(currency)
  const amount = minor / 10 ** exponent
  const isRound = minor % 10 ** exponent === 0 && Math.abs(amount) >= 100
  const decimals = place === 'text' && isRound ? 0 : exponent
  const wish = {
    style: 'currency',
    currency,
    minimumFractionDigits: decimals,
    maximumFractionDigits: decimals,
  } as const
  return numberFormat(wish).format(amount)
}

export type MoneyReading =
  | { ok: true; minor: number; currency: string }
  | { ok: false; problem: 'not-a-number' | 'too-many-decimals' | 'other-currency' | 'too-large'; received: string }

/**
 * Reads an amount as people type it: `£1,250`, `86.50`, `1.250,00 €`, `USD 40`.
 * A single comma or point followed by one or two digits at the end is the decimal sign; with three digits it
 * groups thousands. Works on digits as text, so no amount ever passes through a binary fraction.
 */
export function readMoney(text: string, currency: string): MoneyReading {
  const received = text.trim()
  // `US$` and `JP¥` name the same currency as the bare sign does here.
  let body = received.replace(/\b(?:US|JP)(?=[$¥])/, '')
  let named: string | undefined
  for (const [symbol, code] of Object.entries(SYMBOLS)) {
    if (body.includes(symbol)) {
      named = code
      body = body.replace(symbol, '')
    }
  }
  const letters = /[A-Z]{3}/.exec(body)
  if (letters) {
    named = letters[0]
    body = body.replace(letters[0], '')
  }
  if (named && named !== currency) return { ok: false, problem: 'other-currency', received }
  const parts = splitDecimal(body.replace(/[\s\u00a0\u202f']/g, ''), findExponent(currency))
  if (!parts) return { ok: false, problem: 'not-a-number', received }
  const exponent = findExponent(currency)
  if (parts.fraction.replace(/0+$/, '').length > exponent) return { ok: false, problem: 'too-many-decimals', received }
  const digits = parts.whole + parts.fraction.slice(0, exponent).padEnd(exponent, '0')
  if (digits.replace(/^0+/, '').length > 12) return { ok: false, problem: 'too-large', received }
  return { ok: true, minor: parts.sign * Number(digits) || 0, currency }
}

/** Splits `1.250,00` or `1,250.5` into sign, whole digits and fraction digits; null where it is no number. */
export function splitDecimal(
  text: string,
  expectedDecimals = 2,
): { sign: 1 | -1; whole: string; fraction: string } | null {
  const match = /^([+\-−]?)(\d[\d.,]*|[.,]\d+)$/.exec(text)
  if (!match) return null
  const sign = match[1] === '-' || match[1] === '−' ? -1 : 1
  const body = match[2] ?? ''
  const mark = findDecimalMark(body, expectedDecimals)
  const at = mark ? body.lastIndexOf(mark) : -1
  const whole = at < 0 ? body : body.slice(0, at)
  const fraction = at < 0 ? '' : body.slice(at + 1)
  if (!isGrouped(whole) || /[.,]/.test(fraction)) return null
  return { sign, whole: whole.replace(/[.,]/g, '') || '0', fraction }
}

function findDecimalMark(body: string, expectedDecimals: number): '.' | ',' | null {
  const commas = body.split(',').length - 1
  const points = body.split('.').length - 1
  if (commas && points) return body.lastIndexOf(',') > body.lastIndexOf('.') ? ',' : '.'
  if (commas + points === 0) return null
  if (commas + points > 1) return null
  const mark = commas ? ',' : '.'
  const after = body.length - body.indexOf(mark) - 1
  // `1,250` groups thousands; `1.250` does so for a currency, but is a decimal for a plain measure (see quantity.ts).
  if (after === 3 && expectedDecimals < 3 && /^\d{1,3}[.,]/.test(body)) return null
  return mark
}

function isGrouped(whole: string): boolean {
  return /^\d*$/.test(whole) || /^\d{1,3}(,\d{3})+$/.test(whole) || /^\d{1,3}(\.\d{3})+$/.test(whole)
}

/** Tax on a net amount at a rate in hundredths of a per cent (2000 = 20 %), rounded per line half away from zero. */
export function computeTax(netMinor: number, rateBasisPoints: number): number {
  return roundHalfAwayFromZero((netMinor * rateBasisPoints) / 10_000)
}

/** What of an amount with tax in it is tax, at a rate in hundredths of a per cent: net and tax add up to it to the penny. */
export function splitTax(grossMinor: number, rateBasisPoints: number): { netMinor: number; taxMinor: number } {
  const netMinor = roundHalfAwayFromZero((grossMinor * 10_000) / (10_000 + rateBasisPoints))
  return { netMinor, taxMinor: grossMinor - netMinor }
}
