import { describe, expect, test } from 'vitest'
import { makeDraft, makeSetup, useQuickEntry } from '../setups/quick-entry.fixture.ts'

// Each by somebody who starts from nothing and looks at both sides: free and taken, before and after.
const { api, call, add, build } = useQuickEntry()

const troubles = async (draft: object): Promise<string[]> =>
  (await call('POST', '/bookings/check', makeDraft(draft))).troubles.map((it: { tag?: string }) => it.tag ?? '')

describe('one thing at one time', () => {
  test('[J03.1] the tripod that films the tripods is booked like anything, and is missed where it is shown', async () => {
    const [camera, tripod] = [await add('camcorder', 'Eye'), await add('tripod', 'Legs', { loadGrams: 4_000 })]
    const filming = await build([{ name: 'A camera', wants: 'camera', things: [camera, tripod] }])
    const shown = await build([{ name: 'On show', things: [tripod] }], { code: 'SH' })
    await call('POST', '/bookings', makeDraft({ setupId: filming, title: 'Filming' }))
    expect(await troubles({ setupId: shown, title: 'Showing' })).toEqual([tripod.tag])
    expect(await troubles({ setupId: shown, startsAt: '2026-12-10T12:00', endsAt: '2026-12-10T13:00' })).toEqual([])
  })

  test('[J21.1] one camera in three roles of three setups at once: taken in each of the others, and told', async () => {
    const camera = await add('webcam', 'Eye')
    const setups = await Promise.all(
      ['Webcam', 'Close-up', 'Overhead'].map((name, at) =>
        build([{ name, wants: 'camera', things: [camera] }], { code: `W${'ABC'[at]}`, name }),
      ),
    )
    await call('POST', '/bookings', makeDraft({ setupId: setups[0], title: 'Call' }))
    expect(await troubles({ setupId: setups[1] })).toEqual([camera.tag])
    expect(await troubles({ setupId: setups[2] })).toEqual([camera.tag])
    // Two roles of one setup at once, too, unless both say that they share it.
    const roles = ['Close-up', 'Overhead'].map((name) => ({ name, wants: 'camera', things: [camera] }))
    const refused = await api().call('POST', '/setups', makeSetup(roles, { code: 'WD' }))
    expect([refused.status, refused.body.errors[0].pointer]).toEqual([422, '/roles/1/things/0/unitId'])
  })

  test('[J15.1] a use of the room that is no filming is booked with its minutes to set up and to put away', async () => {
    const lamp = await add('light', 'Reading lamp')
    const reading = {
      unitIds: [lamp.id],
      kind: 'other-use',
      title: 'Reading evening',
      rigMinutes: 20,
      strikeMinutes: 15,
    }
    await call('POST', '/bookings', makeDraft(reading))
    const at = (startsAt: string, endsAt: string) =>
      troubles({ unitIds: [lamp.id], startsAt: `2026-12-10T${startsAt}`, endsAt: `2026-12-10T${endsAt}` })
    // It is there from 9:40 to 12:15.
    expect(await at('09:00', '09:40')).toEqual([])
    expect(await at('09:00', '09:41')).toEqual([lamp.tag])
    expect(await at('12:14', '13:00')).toEqual([lamp.tag])
    expect(await at('12:15', '13:00')).toEqual([])
  })

  test('[P14.1] what is borrowed counts until the day on which it goes back, and no longer', async () => {
    const lens = await add('lens', 'Borrowed')
    await call('PATCH', `/units/${lens.id}`, { acquisition: 'loan-in', dueOn: '2026-12-10' }, 1)
    const on = (day: string) => troubles({ unitIds: [lens.id], startsAt: `${day}T10:00`, endsAt: `${day}T12:00` })
    expect([await on('2026-12-09'), await on('2026-12-11')]).toEqual([[], [lens.tag]])
  })

  test('[K15.1] each light and screen on mains has its own lead on the pack sheet', async () => {
    const lamp = (name: string) => add('light', name, { inlet: 'iec-c13', milliwatts: 60_000, massGrams: 900 })
    const lead = () => add('lead', 'Lead', { inlet: 'iec-c13' })
    const things = [await lamp('Key'), await lamp('Fill'), await lead(), await lead()]
    const id = await build([{ name: 'Light', wants: 'light', things }])
    const { id: booking } = await call('POST', '/bookings', makeDraft({ setupId: id }))
    const { sheet } = await call('GET', `/bookings/${booking}`)
    const tags = sheet.stops.flatMap((it: { lines: { tag: string }[] }) => it.lines.map(({ tag }) => tag))
    expect(tags.sort()).toEqual(things.map((it) => it.tag).sort())
    // With one lead for two lamps it is not ready, and says which lacks one.
    const one = await build([{ name: 'Light', wants: 'light', things: things.slice(0, 3) }], { code: 'ON' })
    const { findings } = await call('GET', `/setups/${one}/readiness`)
    expect(
      findings.filter((it: { code: string; level: string }) => it.code === 'need-unmet' && it.level === 'stop').length,
    ).toBeGreaterThan(0)
  })
})
