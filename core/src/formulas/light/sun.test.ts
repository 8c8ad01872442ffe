import { Body, Equator, Horizon, MakeTime, Observer } from 'astronomy-engine'
import { describe, expect, test } from 'vitest'
import { findSun, listDirectSun, listSunUp, listUsableDaylight, minutesOf, traceSun } from './sun.ts'

const DAY = 86_400_000
const dayOf = (date: string) => ({ start: Date.parse(`${date}T00:00:00Z`), end: Date.parse(`${date}T00:00:00Z`) + DAY })
const GREENWICH = { latitude: 51.48, longitude: 0 }

describe('the sun', () => {
  // A second, independent library, within 0.3°, where the sun is up; at the horizon refraction differs more.
  test('stands where another library sees it, on 400 seeded instants and places', () => {
    let seed = 15
    const next = () => {
      seed = (seed * 48_271) % 2_147_483_647
      return seed / 2_147_483_647
    }
    let tried = 0
    for (let n = 0; n < 2_000 && tried < 400; n++) {
      const spot = { latitude: next() * 130 - 65, longitude: next() * 360 - 180 }
      const at = Date.parse('2026-01-01T00:00:00Z') + next() * 5 * 365 * DAY
      const time = MakeTime(new Date(at))
      const observer = new Observer(spot.latitude, spot.longitude, 0)
      const { ra, dec } = Equator(Body.Sun, time, observer, true, true)
      const { azimuth, altitude } = Horizon(time, observer, ra, dec, 'normal')
      if (altitude < 2 || altitude > 85) continue
      tried++
      const sun = findSun(spot, at)
      expect(Math.abs(sun.height - altitude)).toBeLessThan(0.3)
      const off = Math.abs(((sun.bearing - azimuth + 540) % 360) - 180)
      expect(off * Math.cos((altitude * Math.PI) / 180)).toBeLessThan(0.3)
    }
    expect(tried).toBe(400)
  })

  // Almanacs: about 16 h 38 min at midsummer and 7 h 50 min at midwinter in Greenwich (from memory), with refraction and the disc.
  test('is up as long as almanacs say', () => {
    expect(minutesOf(listSunUp(traceSun(GREENWICH, dayOf('2026-06-21')))) / 60).toBeCloseTo(16.6, 0)
    expect(minutesOf(listSunUp(traceSun(GREENWICH, dayOf('2026-12-21')))) / 60).toBeCloseTo(7.8, 0)
    // A day and a night are alike at the equinox, but for refraction.
    const equator = { latitude: 0, longitude: 0 }
    expect(minutesOf(listSunUp(traceSun(equator, dayOf('2026-03-20'))))).toBeGreaterThan(715)
    expect(minutesOf(listSunUp(traceSun(equator, dayOf('2026-03-20'))))).toBeLessThan(730)
  })

  test('shines on an east window until about noon, on a west one from then, on a north one in winter never', () => {
    const day = dayOf('2026-03-20')
    const noon = day.start + DAY / 2
    const [east] = listDirectSun(traceSun(GREENWICH, day), 90)
    const [west] = listDirectSun(traceSun(GREENWICH, day), 270)
    expect(Math.abs((east?.end ?? 0) - noon)).toBeLessThan(15 * 60_000)
    expect(Math.abs((west?.start ?? 0) - noon)).toBeLessThan(15 * 60_000)
    expect(listDirectSun(traceSun(GREENWICH, dayOf('2026-12-21')), 0)).toEqual([])
    // In June the sun rises and sets north of east and west: a north window has it twice.
    expect(listDirectSun(traceSun(GREENWICH, dayOf('2026-06-21')), 0)).toHaveLength(2)
  })

  test('of what is up less is usable, and none of it where it stays low or down', () => {
    for (const date of ['2026-03-20', '2026-06-21', '2026-12-21']) {
      const [up, usable] = [
        listSunUp(traceSun(GREENWICH, dayOf(date))),
        listUsableDaylight(traceSun(GREENWICH, dayOf(date))),
      ]
      expect(minutesOf(usable)).toBeLessThan(minutesOf(up))
      expect(minutesOf(usable)).toBeGreaterThan(0)
    }
    const north = { latitude: 69.6, longitude: 18.9 }
    expect(listSunUp(traceSun(north, dayOf('2026-12-21')))).toEqual([])
    expect(minutesOf(listSunUp(traceSun(north, dayOf('2026-06-21'))))).toBe(1440)
  })
})
