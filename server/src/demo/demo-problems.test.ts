import { type Finding, type FindingHelp, sayFinding } from '@exemplar/core'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { startApi, type TestApi } from '../foundation/api.fixture.ts'

const WORDS = { sayInstant: (ms: number) => new Date(ms).toISOString().slice(0, 16), sayDay: (date: string) => date }

let api: TestApi
beforeAll(async () => {
  api = await startApi({ demo: true })
})
afterAll(() => api.close())

async function judge(setupId: string, bookingId: string): Promise<Finding[]> {
  const { body } = await api.call('GET', `/setups/${setupId}/readiness?bookingId=${bookingId}`)
  return body.findings
}

/** What is offered for one finding, asked for as the page does when somebody opens it. */
async function helpWith(setupId: string, bookingId: string, finding: Finding): Promise<FindingHelp> {
  const key = encodeURIComponent(finding.key)
  const { body } = await api.call('GET', `/setups/${setupId}/remedies?bookingId=${bookingId}&key=${key}`)
  return body
}

function pick(findings: Finding[], key: string): Finding {
  const found = findings.find((it) => it.key === key)
  if (!found) throw new Error(`No finding ${key} among ${findings.map((it) => it.key).join(', ')}`)
  return found
}

describe('the seven problems of the demo, each found with its figures', () => {
  test('1: a microphone without its cell: one wanted, one missing, none in the store', async () => {
    const finding = pick(await judge('gi', 'b-head'), 'need-unmet/MIC-02/bay')
    expect(finding).toMatchObject({ level: 'stop', tag: 'MIC-02', wanted: 1, missing: 1 })
    const { inStore, remedies } = await helpWith('gi', 'b-head', finding)
    expect(inStore).toBe(0)
    expect(remedies).toContainEqual({ kind: 'shop', item: '9 V cell', quantity: 1, stockId: 'CEL-02' })
    expect(sayFinding(finding, WORDS).title).toBe('No 9 V cell for MIC-02')
  })

  test('2: a light without its lead: one wanted, and the free one is offered', async () => {
    const finding = pick(await judge('pb', 'b-graft'), 'need-unmet/LGT-03/inlet')
    expect(finding).toMatchObject({
      level: 'stop',
      wanted: 1,
      missing: 1,
      rivals: ['LGT-04'],
      supply: ['LED-05'],
    })
    const { inStore, remedies } = await helpWith('pb', 'b-graft', finding)
    expect(inStore).toBe(1)
    expect(remedies[0]).toMatchObject({ kind: 'assign', tags: ['LED-06'] })
    expect(sayFinding(finding, WORDS).title).toBe('No mains lead for LGT-03')
  })

  test('3: one tripod wanted twice on the same day, from 10:00 to 12:30', async () => {
    const { body } = await api.call('GET', '/bookings?from=2026-11-24&days=14')
    expect(body.collisions).toHaveLength(1)
    expect(body.collisions[0]).toMatchObject({
      subject: 'unit',
      subjectId: 'TRI-01',
      interval: { start: Date.UTC(2026, 10, 26, 10, 0), end: Date.UTC(2026, 10, 26, 12, 30) },
      bookings: [{ id: 'b-head' }, { id: 'b-winter' }],
    })
    const check = await api.call('GET', '/bookings/b-head/check')
    expect(check.body.troubles[0]).toMatchObject({ tag: 'TRI-01', absence: { reason: 'booked', title: 'Winter talk' } })
    expect(check.body.troubles[0].standIns.map((it: { tag: string }) => it.tag)).toEqual(['TRI-06'])
  })

  test('4: cards too small for the lecture: 76 of 95 minutes at 200 Mbit/s', async () => {
    const finding = pick(await judge('lr', 'b-winter'), 'cards-short/CAM-03')
    expect(finding).toMatchObject({
      level: 'stop',
      working: { minutes: 76, plannedMinutes: 95, kilobitsPerSecond: 200_000, usableMegabytes: 115_200 },
    })
    const { remedies } = await helpWith('lr', 'b-winter', finding)
    expect(remedies.map((it) => it.kind)).toEqual(['assign', 'recording-mode', 'shop'])
  })

  test('5: a battery family short by two: six wanted, four there', async () => {
    const finding = pick(await judge('lr', 'b-winter'), 'packs-short/pack-fenn-b')
    expect(finding).toMatchObject({ level: 'warn', working: { needed: 5, spare: 1, wanted: 6, have: 4 } })
    const { remedies } = await helpWith('lr', 'b-winter', finding)
    expect(remedies).toEqual([{ kind: 'shop', item: 'Packs of Fenn B', quantity: 2, stockId: null }])
  })

  test('6: a lens in repair that the lecture still counts on, with the free one of its kind', async () => {
    const finding = pick(await judge('lr', 'b-winter'), 'thing-absent/LEN-05')
    expect(finding).toMatchObject({
      level: 'stop',
      absence: { reason: 'state', state: 'in-repair', backOn: '2026-12-06' },
    })
    const { remedies } = await helpWith('lr', 'b-winter', finding)
    expect(remedies[0]).toMatchObject({ kind: 'replace', tag: 'LEN-06' })
  })

  test('7: a loan due back tomorrow that is booked for the day after', async () => {
    const check = await api.call('GET', '/bookings/b-seedheads/check')
    expect(check.body.troubles).toMatchObject([
      { tag: 'RAI-01', absence: { reason: 'goes-back', dueOn: '2026-11-25', neededUntil: '2026-11-26' } },
    ])
    const today = await api.call('GET', '/today')
    expect(today.body.sections.out[0]).toMatchObject({
      code: 'loan',
      tag: 'RAI-01',
      daysLeft: 1,
      level: 'stop',
      bookedFor: { bookingId: 'b-seedheads' },
    })
  })

  test('Today brings them together', async () => {
    const { sections } = (await api.call('GET', '/today')).body
    expect(sections.next.map((it: { title: string; stops: number }) => [it.title, it.stops])).toEqual([
      ['Grafting', 1],
      ['Head gardener', 2],
      ['Winter talk', 5],
      ['Seed heads, close', 1],
      ['Moss in jars', 1],
    ])
    expect(sections.collides).toMatchObject([{ wanted: [{ label: 'TRI-01 Brindle F8 tripod, fluid head' }] }])
    expect(sections.before.map((it: { code: string }) => it.code)).toEqual(
      expect.arrayContaining(['buy', 'mend', 'charge', 'service', 'fetch']),
    )
  })
})
