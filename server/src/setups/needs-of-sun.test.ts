import { beforeEach, describe, expect, test } from 'vitest'
import { at, FULL, prime, useLooks } from './looks.fixture.ts'
import { makeDraft, useQuickEntry } from './quick-entry.fixture.ts'

// Each by somebody who starts from nothing, enters things the quick way, and looks at both sides.
const quick = useQuickEntry()
const { call, build } = quick
const { camera, restart } = useLooks(quick)
beforeEach(restart)

const HERE = { latitude: 51.48, longitude: 0 }
const EAST = { id: 'east', name: 'East window', bearingDegrees: 90, widthMm: 1_200, heightMm: 1_500 }
const WEST = { ...EAST, id: 'west', name: 'West window', bearingDegrees: 270 }

const addRoom = async (details: object) =>
  (await call('POST', '/places', { parentId: null, name: 'Studio', kind: 'room', note: '', circuits: [], details }))
    .id as string

/** A booking of a setup that is filmed by its window, and what is found for it. */
async function film(
  { windows = 'relied', startsAt = '2026-12-10T10:00', endsAt = '2026-12-10T11:00', sky = null as string | null },
  room: object,
  code = 'QE',
) {
  const placeId = await addRoom(room)
  const rig = await camera(FULL, prime(50))
  const id = await build([{ name: 'A camera', things: rig, rest: at({}) }], { code, placeId, stage: { windows } })
  const draft = makeDraft({ setupId: id, startsAt, endsAt, sky, rigMinutes: 30, strikeMinutes: 30 })
  const booking = await call('POST', '/bookings', draft)
  const { findings } = await call('GET', `/setups/${id}/readiness?bookingId=${booking.id}`)
  const look = await call('GET', `/setups/${id}/picture-and-light?bookingId=${booking.id}`)
  const says = look.scene.find((it: { code: string }) => it.code === 'sun')?.says ?? null
  const of = (wanted: string) => findings.filter((it: { code: string }) => it.code === wanted)
  const codes = findings.map((it: { code: string }) => it.code)
  return { id, booking, of, says, codes }
}

describe('sun and windows', () => {
  test('[G18.1] [I09.1] hours of direct sun by window, and usable daylight, by date', async () => {
    const placeId = await addRoom({ position: HERE, windows: [EAST, WEST] })
    const spring = await call('GET', `/places/${placeId}/sun?date=2026-03-20`)
    const time = (epochMs: number) => new Date(epochMs).toISOString().slice(11, 16)
    const [east, west] = spring.windows
    // Until about noon in the east, from then on in the west: the sun is due south at 12:07 there that day.
    expect(time(east.direct[0].start)).toMatch(/^06:0/)
    expect(time(east.direct[0].end)).toMatch(/^12:0[5-9]$/)
    expect(time(west.direct[0].start)).toMatch(/^12:0[5-9]$/)
    const [june, december] = [spring.year[5], spring.year[11]]
    expect(june.usableMinutes).toBeGreaterThan(14 * 60)
    expect(december.usableMinutes).toBeLessThan(7 * 60)
    expect(december.usableMinutes).toBeGreaterThan(5 * 60)
    const unsaid = await call(
      'GET',
      `/places/${await call('POST', '/places', { parentId: null, name: 'Cellar', kind: 'room', note: '', circuits: [] }).then((it: { id: string }) => it.id)}/sun`,
    )
    expect(unsaid).toMatchObject({ isKnown: false, usable: [] })
  })

  test('[G17.1] [G17.3] [L13.1] the sun comes and goes at a window while it is filmed: at which minute, and that takes will not match', async () => {
    // Sunrise after eight in December, the sun leaves an east window about noon.
    const over = await film(
      { startsAt: '2026-12-10T11:00', endsAt: '2026-12-10T13:00' },
      { position: HERE, windows: [EAST] },
    )
    expect(over.of('sun-moves')).toMatchObject([{ level: 'warn', pane: 'East window', at: '11:53', comes: false }])
    const { lines } = await call('GET', `/setups/${over.id}/start?bookingId=${over.booking.id}`)
    expect(lines.filter((it: { kind: string }) => it.kind === 'sun')).toMatchObject([
      { pane: 'East window', at: '11:53', comes: false },
    ])
    expect(over.says).toBe('Enough daylight all the while; direct sun in East window from 11:00 to 11:53.')
  })

  test('[G17.1] all the while in the sun is a word; after it, or under an overcast sky, nothing is', async () => {
    const room = { position: HERE, windows: [EAST] }
    const placeId = await addRoom(room)
    const rig = await camera(FULL, prime(50))
    const id = await build([{ name: 'A camera', things: rig }], { placeId, stage: { windows: 'relied' } })
    const found = async (startsAt: string, endsAt: string, sky: string | null = null) => {
      const booking = await call('POST', '/bookings', makeDraft({ setupId: id, startsAt, endsAt, sky }))
      const { findings } = await call('GET', `/setups/${id}/readiness?bookingId=${booking.id}`)
      return findings.flatMap((it: { code: string; level: string }) =>
        /sun|cloud|daylight/.test(it.code) ? [`${it.level} ${it.code}`] : [],
      )
    }
    expect(await found('2026-12-10T10:00', '2026-12-10T11:00')).toEqual(['advise sun-direct'])
    expect(await found('2026-12-11T12:30', '2026-12-11T13:30')).toEqual([])
    expect(await found('2026-12-12T11:00', '2026-12-12T13:00', 'overcast')).toEqual([])
  })

  test('[G17.2] the risk by the forecast: sun and clouds change the light within a take', async () => {
    const room = { position: HERE, windows: [WEST] }
    const broken = await film({ sky: 'broken' }, room)
    expect(broken.of('clouds-break')).toMatchObject([{ level: 'warn' }])
    expect((await call('GET', `/bookings/${broken.booking.id}`)).booking?.sky ?? broken.booking.sky).toBe('broken')
    const { booking } = broken
    const { id, version, ...rest } = booking
    for (const sky of ['clear', 'overcast', null]) {
      const now = await call('GET', `/bookings/${id}`)
      const kept = now.booking ?? now
      await call('PUT', `/bookings/${id}`, { ...makeDraft(), ...pickDraft(rest), sky }, kept.version ?? version)
      const { findings } = await call('GET', `/setups/${broken.id}/readiness?bookingId=${id}`)
      expect(findings.map((it: { code: string }) => it.code)).not.toContain('clouds-break')
    }
  })

  test('[J06.1] [S14.1] by the window only while there is light, any hour where it is shut out', async () => {
    const late = { startsAt: '2026-12-10T14:00', endsAt: '2026-12-10T16:30' }
    const relied = await film(late, { position: HERE, windows: [WEST] })
    expect(relied.of('daylight-short')).toMatchObject([{ level: 'warn', from: '14:00', to: '16:30' }])
    expect(relied.says).toMatch(
      /^Enough daylight only from 14:00 to 14:52; direct sun in West window from 14:00 to 15:4\d\.$/,
    )
    const { version, ...setup } = await call('GET', `/setups/${relied.id}`)
    const change = async (windows: string | null, at: number) =>
      call('PUT', `/setups/${relied.id}`, { ...setup, stage: { ...setup.stage, windows } }, at)
    const seen = async () => {
      const query = `?bookingId=${relied.booking.id}`
      const { findings } = await call('GET', `/setups/${relied.id}/readiness${query}`)
      const look = await call('GET', `/setups/${relied.id}/picture-and-light${query}`)
      const says = look.scene.find((it: { code: string }) => it.code === 'sun')?.says ?? null
      return [says, findings.filter((it: { code: string }) => /sun|daylight/.test(it.code)).length] as const
    }
    await change('shut', version)
    expect(await seen()).toEqual(['Any hour will do: the windows are shut out.', 0])
    await change(null, version + 1)
    expect(await seen()).toEqual([null, 0])
  })

  test('a room of which nobody said where it is, or which windows it has, is asked', async () => {
    const nowhere = await film({}, { windows: [EAST] })
    expect(nowhere.of('sun-unknown')).toMatchObject([{ level: 'unknown', lacks: ['where on the earth the room is'] }])
    expect(nowhere.says).toBe('Not known yet: where on the earth the room is.')
  })
})

/** What of a booking is sent again. */
function pickDraft({ setupId, startsAt, endsAt, rigMinutes, strikeMinutes }: Record<string, unknown>) {
  return { setupId, startsAt, endsAt, rigMinutes, strikeMinutes }
}
