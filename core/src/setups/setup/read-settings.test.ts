import { describe, expect, test } from 'vitest'
import { parseSetting, type ReadSettingKey, readSetting, writeSetting } from './read-settings.ts'

const card = (name: string, value: string) => [{ name, value }]

describe('a setting card as figures', () => {
  test.each<[ReadSettingKey, string, string, number | null]>([
    ['fNumber', 'Aperture', 'f/2.8', 2.8],
    ['fNumber', 'aperture', 'f2,8', 2.8],
    ['fNumber', 'Iris', '5.6', 5.6],
    ['fNumber', 'f-stop', 'F 4', 4],
    ['fNumber', 'Aperture', 'wide open', null],
    ['fNumber', 'Aperture', 'f/2.8 to f/4', null],
    ['iso', 'ISO', '1,600', 1_600],
    ['iso', 'ISO', 'ISO 800', 800],
    ['iso', 'ISO', 'auto 800', null],
    ['iso', 'ISO', '400/800', null],
    ['framesPerSecond', 'Frame rate', '25p', 25],
    ['framesPerSecond', 'fps', '29.97', 29.97],
    ['kelvin', 'White balance', '5600 K', 5_600],
    ['kelvin', 'Colour', '3200', 3_200],
    ['kelvin', 'WB', 'AWB 5600', null],
    ['kelvin', 'White balance', 'daylight', null],
    ['kelvin', 'Colour', '200 K', null],
    ['shutterSeconds', 'Shutter', '1/50', 1 / 50],
    ['shutterSeconds', 'Shutter', '1/1,000 s', 1 / 1_000],
    ['shutterSeconds', 'Shutter speed', '2 s', 2],
    // A bare number could be the hundredth or the second.
    ['shutterSeconds', 'Shutter', '50', null],
    ['share', 'Level', '50 %', 0.5],
    ['share', 'Dimmer', '12.5%', 0.125],
    ['share', 'Level', 'half', 0.5],
    ['share', 'Level', '1/4', 0.25],
    ['share', 'Level', '−2 stops', 0.25],
    ['share', 'Level', 'full', 1],
    ['share', 'Level', '7', null],
    ['share', 'Level', '0 %', null],
    ['share', 'Level', '120 %', null],
  ])('%s of %s: %s', (key, name, value, figure) => {
    const read = readSetting(card(name, value), key)
    if (figure === null) expect(read).toEqual({ figure: null, unread: value })
    else expect(read.figure).toBeCloseTo(figure, 9)
  })

  test('an angle of the shutter wants the frame rate beside it', () => {
    const both = [...card('Shutter', '180°'), ...card('Frame rate', '25')]
    expect(readSetting(both, 'shutterSeconds').figure).toBeCloseTo(1 / 50, 9)
    expect(readSetting(card('Shutter', '180°'), 'shutterSeconds').figure).toBe(null)
  })

  test('what is not there is not there', () => {
    expect(readSetting([], 'iso')).toEqual({ figure: null, unread: null })
    expect(readSetting(undefined, 'iso')).toEqual({ figure: null, unread: null })
  })

  test.each<[ReadSettingKey, number]>([
    ['fNumber', 2.8],
    ['iso', 1_600],
    ['framesPerSecond', 23.98],
    ['kelvin', 4_300],
    ['shutterSeconds', 1 / 48],
    ['share', 0.4],
  ])('%s written is read back, under the name that it had', (key, figure) => {
    expect(readSetting(writeSetting([], key, figure), key).figure).toBeCloseTo(figure, 3)
  })

  test('writing keeps the rest of the card and its names, and nothing takes the line away', () => {
    const before = [...card('WB', 'daylight'), ...card('Fan', 'low')]
    expect(writeSetting(before, 'kelvin', 5_600)).toEqual([...card('WB', '5600 K'), ...card('Fan', 'low')])
    expect(writeSetting(before, 'kelvin', null)).toEqual(card('Fan', 'low'))
    expect(parseSetting('', 'share')).toBe(null)
    expect(parseSetting('40', 'share')).toBe(0.4)
    expect(parseSetting('bright', 'share')).toBe(undefined)
  })
})
