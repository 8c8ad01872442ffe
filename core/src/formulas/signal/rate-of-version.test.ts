import { describe, expect, test } from 'vitest'
import { findRateOfVersion } from './rate-of-version.ts'

// Published totals of each version, from memory: USB 3.2 and USB4 specifications, SMPTE ST 292, 424, 2081 and 2082.
describe('what a printed version carries', () => {
  test.each([
    ['2.0', ['hdmi-a'], 18],
    ['HDMI 2.1b', ['hdmi-a', 'hdmi-d'], 48],
    ['v1.4', ['hdmi-c'], 10.2],
    ['2', ['hdmi-a'], 18],
    ['USB 3.2 Gen 2x2', ['usb-c'], 20],
    ['USB4', ['usb-c'], 40],
    ['2.0', ['usb-a'], 0.48],
    ['12G-SDI', ['bnc'], 11.88],
    ['HD', ['bnc'], 1.485],
  ])('%s at %j: %d Gbit/s', (version, ends, rate) => {
    expect(findRateOfVersion(version, ends)).toBe(rate)
  })

  test.each([
    ['high speed', ['hdmi-a']],
    ['', ['hdmi-a']],
    ['2.0', ['xlr-3']],
    ['9.9', ['usb-c']],
    // Of the picture or of the computer?
    ['2.0', ['hdmi-a', 'usb-c']],
  ])('%s at %j tells nothing', (version, ends) => {
    expect(findRateOfVersion(version, ends)).toBeNull()
  })
})
