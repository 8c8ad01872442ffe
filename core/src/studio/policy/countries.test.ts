import { describe, expect, test } from 'vitest'
import { currencySchema } from '../../units/money.ts'
import { zoneSchema } from '../../units/wall-time.ts'
import { findPlugSystem, isWallSocket, listPlugFits, PLUG_SYSTEM_CODES, PLUG_SYSTEMS } from '../places/plug-systems.ts'
import { COUNTRIES, COUNTRY_CODES, guessCountry } from './countries.ts'

describe('countries', () => {
  // ISO 3166-1, ISO 4217 and the IANA database as this runtime has them (Unicode CLDR).
  test.each(COUNTRY_CODES)('%s has a currency, a zone and rates that there are', (code) => {
    const { name, currency, zone, taxRates } = COUNTRIES[code]
    expect(new Intl.DisplayNames('en', { type: 'region' }).of(code)).toContain(name.split(' ')[0])
    expect(currencySchema.safeParse(currency).success).toBe(true)
    expect(Intl.supportedValuesOf('currency')).toContain(currency)
    expect(zoneSchema.safeParse(zone).success).toBe(true)
    for (const rate of taxRates) expect(rate).toBeLessThanOrEqual(3_000)
  })

  test('are guessed by the zone of a device first, and by its language else', () => {
    expect(guessCountry(['en-GB'], 'America/New_York')).toBe('US')
    expect(guessCountry(['fr', 'de-CH'], 'Etc/UTC')).toBe('CH')
    expect(guessCountry(['eo'], null)).toBeNull()
  })
})

describe('plug systems', () => {
  test('each has a socket of its own, which is told from a coupler at a device', () => {
    const sockets = PLUG_SYSTEM_CODES.map((code) => PLUG_SYSTEMS[code].socket)
    expect(new Set(sockets).size).toBe(sockets.length)
    for (const code of PLUG_SYSTEM_CODES) expect(findPlugSystem(PLUG_SYSTEMS[code].socket)).toBe(code)
    expect(isWallSocket('iec-c13')).toBe(false)
  })

  // IEC 60038: 230 V at 50 Hz, 120 V at 60 Hz, and 100 V of Japan; from memory.
  test.each([
    ['GB', 'mains-bs1363', 230, 50],
    ['DE', 'mains-cee7', 230, 50],
    ['CH', 'mains-sev1011', 230, 50],
    ['IT', 'mains-cei2350', 230, 50],
    ['US', 'mains-nema5', 120, 60],
    ['CA', 'mains-nema5', 120, 60],
    ['AU', 'mains-as3112', 230, 50],
    ['JP', 'mains-jis', 100, 50],
  ] as const)('in %s the wall gives %s at %d V and %d Hz', (country, socket, volts, hertz) => {
    const system = PLUG_SYSTEMS[COUNTRIES[country].plugSystem]
    expect([system.socket, system.volts, system.hertz]).toEqual([socket, volts, hertz])
  })

  test('an earthed plug goes into its own socket only; EN 50075 goes into three, and into no British one', () => {
    expect(listPlugFits('continental', 'iec-c13')).toEqual(['mains-cee7'])
    expect(listPlugFits('italian', 'iec-c7')).toEqual(['mains-cee7', 'mains-sev1011', 'mains-cei2350'])
    expect(listPlugFits('british', 'iec-c7')).toEqual(['mains-bs1363'])
  })

  // IEC 60320-1 (from memory): C7 2.5 A, C13 10 A.
  test('a lead is never good for more than its outlet', () => {
    for (const code of PLUG_SYSTEM_CODES) {
      const { leadAmps, outletAmps, circuitAmps } = PLUG_SYSTEMS[code]
      expect(leadAmps['iec-c7']).toBeLessThanOrEqual(leadAmps['iec-c13'])
      expect(leadAmps['iec-c13']).toBeLessThanOrEqual(outletAmps)
      expect(outletAmps).toBeLessThanOrEqual(circuitAmps)
    }
  })
})
