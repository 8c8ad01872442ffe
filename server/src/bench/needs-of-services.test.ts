import type { ServiceLine } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { makeDraft, makeSetup, type Thing, useQuickEntry } from '../setups/quick-entry.fixture.ts'

// What is done again and again: from an empty instance, the quick way, with its edges.
const { api, call, add } = useQuickEntry()

/** The instance of the tests lives on this day. */
const TODAY = '2026-11-24'
const plan = (part: object) =>
  call('POST', '/service-plans', {
    name: 'Clean',
    subject: { kind: 'category', category: 'camera' },
    everyDays: null,
    everyUses: null,
    everyHours: null,
    graceDays: 0,
    minutes: null,
    steps: '',
    parts: '',
    who: '',
    ...part,
  })
const lines = async (): Promise<ServiceLine[]> => (await call('GET', '/services')).lines
const lineOf = async (thing: Pick<Thing, 'id'>) => (await lines()).filter((it) => it.unitId === thing.id)
const done = (thing: Pick<Thing, 'id'>, planId: string | null, on: string, note = '') =>
  call('POST', '/services', { items: [{ unitId: thing.id, planId }], on, note })
const change = async (thing: Pick<Thing, 'id'>, part: object) => {
  const { unit } = await call('GET', `/units/${thing.id}`)
  await call('PATCH', `/units/${thing.id}`, part, unit.version)
}

/** A booking of one thing that went out and came back, in the past of the instance. */
async function use(
  thing: Pick<Thing, 'id'>,
  title: string,
  startsAt = '2026-11-24T05:00',
  endsAt = '2026-11-24T07:00',
) {
  const booking = await call('POST', '/bookings', makeDraft({ title, unitIds: [thing.id], startsAt, endsAt }))
  const items = [{ unitId: thing.id, stockId: null, quantity: 1 }]
  const out = await call('POST', `/bookings/${booking.id}/take-out`, { items }, booking.version)
  const back = items.map((it) => ({ ...it, note: '', fault: null }))
  await call('POST', `/bookings/${booking.id}/bring-back`, { items: back, isFinished: true }, out.version)
}

describe('how often', () => {
  test('[N11.1] by class: what is said of cameras is for every kind of camera and for nothing else; one thing may have its own', async () => {
    const [eye, phone, lens] = [await add('camcorder', 'Eye'), await add('phone', 'Phone'), await add('lens', 'Glass')]
    await plan({ everyDays: 90 })
    expect((await lines()).map((it) => it.tag).sort()).toEqual([eye.tag, phone.tag].sort())
    await plan({ name: 'Fungus', subject: { kind: 'unit', unitId: lens.id }, everyDays: 30 })
    await plan({ name: 'Rings', subject: { kind: 'model', modelId: lens.modelId }, everyDays: 60 })
    expect((await lineOf(lens)).map((it) => it.plan).sort()).toEqual(['Fungus', 'Rings'])
    // What is gone, or not here yet, wants nothing; what is lent or in repair still does.
    await change(phone, { state: 'sold' })
    expect(await lineOf(phone)).toEqual([])
    await change(eye, { state: 'in-repair' })
    expect(await lineOf(eye)).toHaveLength(1)
  })

  test('[N14.1] arms and knobs: the usual plan is offered where there is an arm, taken on with one press, and due by its days', async () => {
    const usual = async () =>
      (await call('GET', '/services')).usual.filter((it: { name: string }) => /springs and knobs/.test(it.name))
    expect(await usual()).toEqual([])
    const arm = await add('friction-arm', 'Arm')
    const [offer] = await usual()
    await call('POST', '/service-plans', offer)
    expect(await usual()).toEqual([])
    // Nobody said when it came or was seen to: that is a question, and neither due nor fine.
    const unknown = await lineOf(arm)
    expect(unknown).toMatchObject([{ dueOn: null, isDue: false, lastOn: null }])
    await done(arm, unknown[0]?.planId ?? null, '2026-05-28')
    expect(await lineOf(arm)).toMatchObject([{ dueOn: TODAY, daysLeft: 0, isDue: true, lastOn: '2026-05-28' }])
    await done(arm, unknown[0]?.planId ?? null, TODAY)
    expect(await lineOf(arm)).toMatchObject([{ daysLeft: 180, isDue: false }])
  })

  test('[M08.1] a clean by uses: sessions in which it served count once each, what was only pencilled in not at all, and a clean starts anew', async () => {
    const eye = await add('camcorder', 'Eye')
    const { id } = await plan({ everyUses: 3 })
    await use(eye, 'One')
    // One that stood ready in its room and was never signed out served as well; one that was only pencilled in, or fell through, did not.
    const past = { unitIds: [eye.id], startsAt: '2026-11-20T09:00', endsAt: '2026-11-20T11:00' }
    await call('POST', '/bookings', makeDraft({ title: 'Two', ...past }))
    await call('POST', '/bookings', makeDraft({ title: 'Perhaps', ...past, state: 'pencilled' }))
    expect(await lineOf(eye)).toMatchObject([{ uses: 2, isDue: false, dueOn: null }])
    await use(eye, 'Three')
    expect(await lineOf(eye)).toMatchObject([{ uses: 3, hours: 6, isDue: true, by: 'uses' }])
    await done(eye, id, TODAY)
    expect(await lineOf(eye)).toMatchObject([{ uses: 0, isDue: false }])
    // Uses that no booking tells of count as well; one that was before the clean does not.
    await call('POST', `/units/${eye.id}/uses`, { on: TODAY, uses: 2, hours: 5, note: 'a test' })
    await call('POST', `/units/${eye.id}/uses`, { on: '2026-11-20', uses: 9, hours: 9, note: '' })
    expect(await lineOf(eye)).toMatchObject([{ uses: 2, hours: 5 }])
  })

  test('whichever comes first, forecast from the diary; and what it is booked for is said', async () => {
    const eye = await add('camcorder', 'Eye')
    await change(eye, { acquiredOn: '2026-09-01' })
    await plan({ everyDays: 365, everyUses: 2 })
    await call(
      'POST',
      '/bookings',
      makeDraft({ title: 'Roses', unitIds: [eye.id], startsAt: '2026-11-26T09:00', endsAt: '2026-11-26T12:00' }),
    )
    expect(await lineOf(eye)).toMatchObject([
      { by: 'days', dueOn: '2027-09-01', booked: { title: 'Roses', day: '2026-11-26', isOut: false } },
    ])
    // Kept for a service it is not used.
    await call(
      'POST',
      '/bookings',
      makeDraft({
        kind: 'repair',
        title: 'Workshop',
        unitIds: [eye.id],
        startsAt: '2026-11-30T09:00',
        endsAt: '2026-11-30T12:00',
      }),
    )
    expect(await lineOf(eye)).toMatchObject([{ by: 'days' }])
    // By a setup it is booked just the same.
    const setup = await call('POST', '/setups', makeSetup([{ name: 'A camera', things: [eye] }]))
    await call(
      'POST',
      '/bookings',
      makeDraft({ title: 'Ferns', setupId: setup.id, startsAt: '2026-12-02T09:00', endsAt: '2026-12-02T12:00' }),
    )
    expect(await lineOf(eye)).toMatchObject([{ by: 'uses', dueOn: '2026-12-02', isForecast: true, isDue: false }])
  })

  test('[N16.1] a screen is calibrated: the day and the result stand on its page, and when it is due again', async () => {
    const screen = await add('monitor', 'Screen', { inlet: 'iec-c7' })
    const { id } = await plan({
      name: 'Calibrate the screen',
      subject: { kind: 'category', category: 'monitor' },
      everyDays: 180,
    })
    await done(screen, id, '2026-11-10', 'white 6504 K, largest error 1.4')
    const upkeep = await call('GET', `/units/${screen.id}/upkeep`)
    expect(upkeep.done).toMatchObject([
      { on: '2026-11-10', plan: 'Calibrate the screen', note: 'white 6504 K, largest error 1.4' },
    ])
    expect(upkeep.lines).toMatchObject([{ lastOn: '2026-11-10', dueOn: '2027-05-09' }])
    // One from before that is written down later changes nothing about the next.
    await done(screen, id, '2026-01-10', 'white 6800 K')
    expect((await call('GET', `/units/${screen.id}/upkeep`)).lines).toMatchObject([
      { lastOn: '2026-11-10', dueOn: '2027-05-09' },
    ])
  })
})

describe('working through it', () => {
  test('several at once are one write: a wrong one leaves all of them as they were, and one step takes them back', async () => {
    const [eye, other] = [await add('camcorder', 'Eye'), await add('camcorder', 'Other')]
    const { id } = await plan({ everyDays: 30 })
    const items = [eye, other].map((it) => ({ unitId: it.id, planId: id }))
    const wrong = await api().call('POST', '/services', {
      items: [...items, { unitId: 'nobody', planId: id }],
      on: TODAY,
      note: '',
    })
    expect([wrong.status, wrong.body.errors[0].pointer]).toEqual([422, '/items/2/unitId'])
    expect((await lines()).every((it) => it.lastOn === null)).toBe(true)
    const { headers } = await api().call('POST', '/services', { items, on: TODAY, note: '' })
    expect((await lines()).every((it) => it.lastOn === TODAY)).toBe(true)
    await call('POST', `/changes/${headers.get('x-exemplar-change')}/undo`, {})
    expect((await lines()).every((it) => it.lastOn === null)).toBe(true)
  })

  test('on Today things of one plan are one line, and a plan that ended asks nothing more', async () => {
    for (const name of ['A', 'B', 'C']) await change(await add('camcorder', name), { acquiredOn: '2026-01-01' })
    const { id, version } = await plan({ everyDays: 90 })
    const told = async () => {
      const { sections } = await call('GET', '/today')
      return JSON.stringify(sections).match(/"code":"service"/g)?.length ?? 0
    }
    expect(await told()).toBe(1)
    await call('POST', `/service-plans/${id}/end`, {}, version)
    expect([await told(), await lines()]).toEqual([0, []])
  })

  test('crew write down uses and nothing of services; of a day to come nothing', async () => {
    const eye = await add('camcorder', 'Eye')
    const crew = api().as('crew')
    expect((await crew('POST', `/units/${eye.id}/uses`, { on: TODAY, uses: 1, hours: 0, note: '' })).status).toBe(201)
    expect(
      (await crew('POST', '/services', { items: [{ unitId: eye.id, planId: null }], on: TODAY, note: '' })).status,
    ).toBe(403)
    expect(
      (await api().call('POST', `/units/${eye.id}/uses`, { on: '2026-11-25', uses: 1, hours: 0, note: '' })).status,
    ).toBe(422)
    expect((await api().call('POST', `/units/${eye.id}/uses`, { on: TODAY, uses: 0, hours: 0, note: '' })).status).toBe(
      422,
    )
  })
})
