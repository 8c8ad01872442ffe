import { describe, expect, test } from 'vitest'
import { makeSetup, type Thing, useQuickEntry } from '../setups/quick-entry.fixture.ts'

// An accident is told with its lesson: from an empty instance, the quick way, with where it stands and where not.
const { api, call, add } = useQuickEntry()

const TODAY = '2026-11-24'
const incident = (part: object) => ({
  on: TODAY,
  what: 'A cable caught the tripod',
  cause: 'it lay in the walkway',
  saved: 'the hood took the blow',
  lesson: 'Cable clear of the legs',
  lessonFor: { kind: 'all' },
  hit: [],
  ...part,
})
const report = (part: object = {}) => call('POST', '/incidents', incident(part))
const lessons = async (setupId: string): Promise<string[]> => {
  const { lines } = await call('GET', `/setups/${setupId}/start`)
  return lines.filter((it: { kind: string }) => it.kind === 'lesson').map((it: { lesson: string }) => it.lesson)
}
const build = async (code: string, things: readonly Pick<Thing, 'id'>[], rest: object = {}) =>
  (await call('POST', '/setups', makeSetup([{ name: 'A camera', things }], { code, ...rest }))).id as string

describe('an accident and its lesson', () => {
  test('[N01.1] what happened, why, what it hit and what saved it are kept; what was hit has its fault in the same step', async () => {
    const [legs, eye, hood] = [
      await add('tripod', 'Legs', { loadGrams: 6_000 }),
      await add('camcorder', 'Eye'),
      await add('lens', 'Glass'),
    ]
    await report({
      hit: [
        { unitId: legs.id, severity: 'usable' },
        { unitId: eye.id, severity: 'unusable' },
        { unitId: hood.id, severity: null },
      ],
    })
    const [told] = await call('GET', '/incidents')
    expect(told).toMatchObject({
      what: 'A cable caught the tripod',
      cause: 'it lay in the walkway',
      saved: 'the hood took the blow',
    })
    expect(told.hit.map((it: { tag: string; fault: string | null }) => [it.tag, it.fault]).sort()).toEqual(
      [
        [eye.tag, 'open'],
        [hood.tag, null],
        [legs.tag, 'open'],
      ].sort(),
    )
    // What cannot be used is out of every setup from then on; mended, it is told so.
    const id = await build('LA', [eye, legs])
    const absent = async () =>
      (await call('GET', `/setups/${id}/readiness`)).findings
        .filter((it: { code: string }) => it.code === 'thing-absent')
        .map((it: { tag: string }) => it.tag)
    expect(await absent()).toEqual([eye.tag])
    const { faults } = await call('GET', `/units/${eye.id}`)
    await call('POST', `/faults/${faults[0].id}/mend`, { note: '' }, faults[0].version)
    expect(await absent()).toEqual([])
    const [after] = await call('GET', '/incidents')
    expect(after.hit.find((it: { tag: string }) => it.tag === eye.tag).fault).toBe('mended')
  })

  test.each([
    ['every setup', () => ({ kind: 'all' }), ['LA', 'LB', 'LC']],
    ['those with a tripod, single or counted', () => ({ kind: 'category', category: 'tripod' }), ['LA', 'LC']],
    ['one', (ids: Record<string, string>) => ({ kind: 'setup', setupId: ids.LB }), ['LB']],
    ['those of one purpose', () => ({ kind: 'purpose', purpose: 'panel' }), ['LC']],
  ] as const)(
    '[N01.1] the lesson is a line of %s and nowhere else, also where one is made later',
    async (_, about, expected) => {
      const [legs, lamp] = [await add('tripod', 'Legs'), await add('light', 'Lamp')]
      const body = {
        category: 'tripod',
        name: 'Counted',
        facts: {},
        tag: null,
        placeId: null,
        quantity: 2,
        reorderLevel: 0,
      }
      const counted = await call('POST', '/stock', body)
      const ids: Record<string, string> = { LA: await build('LA', [legs]), LB: await build('LB', [lamp]) }
      await report({ lessonFor: about(ids) })
      const roles = [{ name: 'A camera', stock: [{ id: counted.id, quantity: 1 }] }]
      ids.LC = (await call('POST', '/setups', makeSetup(roles, { code: 'LC', purposeKind: 'panel' }))).id
      const found: string[] = []
      for (const [code, id] of Object.entries(ids)) if ((await lessons(id)).length > 0) found.push(code)
      expect(found).toEqual(expected)
      const [told] = await call('GET', '/incidents')
      expect(told.stands.map((it: { code: string }) => it.code)).toEqual(expected)
    },
  )

  test('an accident without a lesson is on no list; the lesson is put better, moved, and dropped', async () => {
    const id = await build('LA', [])
    await report({ lesson: '' })
    expect(await lessons(id)).toEqual([])
    const { id: incidentId, version } = await report({ what: 'A lamp fell' })
    expect(await lessons(id)).toEqual(['Cable clear of the legs'])
    const { hit: _, ...said } = incident({ what: 'A lamp fell', lesson: 'Two bags on every tall stand' })
    await call('PUT', `/incidents/${incidentId}`, said, version)
    expect(await lessons(id)).toEqual(['Two bags on every tall stand'])
    await call('PUT', `/incidents/${incidentId}`, { ...said, lesson: '' }, version + 1)
    expect(await lessons(id)).toEqual([])
  })

  test('a wrong one leaves nothing behind; crew may tell of it and viewers may not; a day to come is refused', async () => {
    const legs = await add('tripod', 'Legs')
    const send = (part: object, as: 'crew' | 'viewer' | 'manager' = 'manager') =>
      api().as(as)('POST', '/incidents', incident(part))
    const twice = await send({ hit: [legs, legs].map((it) => ({ unitId: it.id, severity: 'usable' })) })
    expect([twice.status, twice.body.errors[0].pointer]).toEqual([422, '/hit/1/unitId'])
    expect((await call('GET', `/units/${legs.id}`)).faults).toEqual([])
    expect((await send({ on: '2026-11-25' })).status).toBe(422)
    expect((await send({ what: '  ' })).status).toBe(422)
    expect((await send({}, 'viewer')).status).toBe(403)
    expect((await send({}, 'crew')).status).toBe(201)
    expect(await call('GET', '/incidents')).toHaveLength(1)
  })
})
