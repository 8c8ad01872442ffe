import { z } from 'zod'
import type { PlugSystemCode } from '../places/plug-systems.ts'

/** What a studio in a country starts with; each of it can be changed in the settings. */
export interface Country {
  name: string
  plugSystem: PlugSystemCode
  currency: string
  /** A zone of the IANA database; the one with most people where there are several. */
  zone: string
  unitSystem: 'metric' | 'imperial'
  /** Usual rates of tax on what is bought, in hundredths of a per cent, the standard one first. */
  taxRates: readonly number[]
}

const row = (
  name: string,
  plugSystem: PlugSystemCode,
  currency: string,
  zone: string,
  taxRates: readonly number[],
  unitSystem: Country['unitSystem'] = 'metric',
): Country => ({ name, plugSystem, currency, zone, unitSystem, taxRates })

/**
 * Countries by ISO 3166-1, with currency by ISO 4217 and zone by the IANA database. Rates of tax are from memory and change: they
 * are offered, never reckoned with unasked.
 */
export const COUNTRIES = {
  AR: row('Argentina', 'australian', 'ARS', 'America/Argentina/Buenos_Aires', [2100, 1050]),
  AU: row('Australia', 'australian', 'AUD', 'Australia/Sydney', [1000]),
  AT: row('Austria', 'continental', 'EUR', 'Europe/Vienna', [2000, 1000, 1300]),
  BE: row('Belgium', 'continental', 'EUR', 'Europe/Brussels', [2100, 600, 1200]),
  CA: row('Canada', 'american', 'CAD', 'America/Toronto', [500, 1300, 1500]),
  CN: row('China', 'australian', 'CNY', 'Asia/Shanghai', [1300, 900]),
  CZ: row('Czechia', 'continental', 'CZK', 'Europe/Prague', [2100, 1200]),
  DK: row('Denmark', 'continental', 'DKK', 'Europe/Copenhagen', [2500]),
  FI: row('Finland', 'continental', 'EUR', 'Europe/Helsinki', [2550, 1400, 1000]),
  FR: row('France', 'continental', 'EUR', 'Europe/Paris', [2000, 1000, 550]),
  DE: row('Germany', 'continental', 'EUR', 'Europe/Berlin', [1900, 700]),
  GR: row('Greece', 'continental', 'EUR', 'Europe/Athens', [2400, 1300]),
  HK: row('Hong Kong', 'british', 'HKD', 'Asia/Hong_Kong', [0]),
  HU: row('Hungary', 'continental', 'HUF', 'Europe/Budapest', [2700, 1800]),
  IE: row('Ireland', 'british', 'EUR', 'Europe/Dublin', [2300, 1350]),
  IT: row('Italy', 'italian', 'EUR', 'Europe/Rome', [2200, 1000]),
  JP: row('Japan', 'japanese', 'JPY', 'Asia/Tokyo', [1000, 800]),
  MX: row('Mexico', 'american', 'MXN', 'America/Mexico_City', [1600]),
  NL: row('Netherlands', 'continental', 'EUR', 'Europe/Amsterdam', [2100, 900]),
  NZ: row('New Zealand', 'australian', 'NZD', 'Pacific/Auckland', [1500]),
  NO: row('Norway', 'continental', 'NOK', 'Europe/Oslo', [2500, 1500]),
  PL: row('Poland', 'continental', 'PLN', 'Europe/Warsaw', [2300, 800]),
  PT: row('Portugal', 'continental', 'EUR', 'Europe/Lisbon', [2300, 1300]),
  RO: row('Romania', 'continental', 'RON', 'Europe/Bucharest', [1900, 900]),
  SG: row('Singapore', 'british', 'SGD', 'Asia/Singapore', [900]),
  KR: row('South Korea', 'continental', 'KRW', 'Asia/Seoul', [1000]),
  ES: row('Spain', 'continental', 'EUR', 'Europe/Madrid', [2100, 1000]),
  SE: row('Sweden', 'continental', 'SEK', 'Europe/Stockholm', [2500, 1200]),
  CH: row('Switzerland', 'swiss', 'CHF', 'Europe/Zurich', [810, 260]),
  TW: row('Taiwan', 'american', 'TWD', 'Asia/Taipei', [500]),
  TR: row('Türkiye', 'continental', 'TRY', 'Europe/Istanbul', [2000, 1000]),
  UA: row('Ukraine', 'continental', 'UAH', 'Europe/Kyiv', [2000]),
  AE: row('United Arab Emirates', 'british', 'AED', 'Asia/Dubai', [500]),
  GB: row('United Kingdom', 'british', 'GBP', 'Europe/London', [2000, 500]),
  US: row('United States', 'american', 'USD', 'America/New_York', [0, 600, 725, 800, 888], 'imperial'),
} as const satisfies Record<string, Country>

export type CountryCode = keyof typeof COUNTRIES
export const COUNTRY_CODES = Object.keys(COUNTRIES) as [CountryCode, ...CountryCode[]]
export const countrySchema = z.enum(COUNTRY_CODES)

/** Which country a browser's languages speak of, as a first guess that somebody confirms: `en-AU` is Australia. */
export function guessCountry(languages: readonly string[], zone: string | null): CountryCode | null {
  const byZone = COUNTRY_CODES.filter((code) => COUNTRIES[code].zone === zone)
  const spoken = languages.flatMap((it) => COUNTRY_CODES.find((code) => it.toUpperCase().endsWith(`-${code}`)) ?? [])
  return byZone[0] ?? spoken[0] ?? null
}
