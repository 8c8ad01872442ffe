import { applyRemedy, type Finding, type NewSetup, type Remedy, SETUP_DEFAULTS } from '@exemplar/core'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { countRows, match, startApi, type TestApi } from '../foundation/api.fixture.ts'
import { askToTheEnd } from '../foundation/call.fixture.ts'

let api: TestApi
beforeEach(async () => {
  api = await startApi({ demo: true })
})
afterEach(() => api.close())

const BLANK: NewSetup = {
  code: 'VO',
  name: 'Voice-over',
  tape: 'plum',
  purpose: '',
  ...SETUP_DEFAULTS,
  placeId: 'studio',
  circuitId: 'st-2',
  plannedMinutes: 30,
  note: '',
  roles: [],
}

const role = (id: string, unitIds: string[], rest = {}) => ({
  id,
  group: 'sound',
  name: id,
  importance: 'essential',
  wants: null,
  detail: '',
  intentionallyEmpty: false,
  things: unitIds.map((unitId) => ({ unitId, stockId: null, quantity: 1, powerModeId: null, recordingModeId: null })),
  ...rest,
})

async function judge(setupId: string, bookingId?: string): Promise<Finding[]> {
  const query = bookingId ? `?bookingId=${bookingId}` : ''
  return (await api.call('GET', `/setups/${setupId}/readiness${query}`)).body.findings
}

const keys = (findings: readonly Finding[]) => findings.map((it) => it.key)

describe('setups', () => {
  test('are made, changed as a whole, and archived', async () => {
    const made = await api.call('POST', '/setups', BLANK)
    expect([made.status, made.body.version]).toEqual([201, 1])
    const { id } = made.body
    const roles = [role('Microphone', ['MIC-05']), role('Stand', ['MST-02'])]
    const changed = await api.call('PUT', `/setups/${id}`, { ...BLANK, roles }, match(1))
    expect(changed.body).toMatchObject({ version: 2, roles: [{ name: 'Microphone' }, { name: 'Stand' }] })
    const { body: unit } = await api.call('GET', '/units/MIC-05')
    expect(unit.usedIn.map((it: { code: string; role: string }) => `${it.code} ${it.role}`)).toEqual(['VO Microphone'])
    expect((await api.call('DELETE', `/setups/${id}`, undefined, match(2))).status).toBe(200)
    expect((await api.call('GET', `/setups/${id}`)).status).toBe(404)
    expect((await api.call('GET', '/units/MIC-05')).body.usedIn).toEqual([])
  })

  test.each([
    ['a thing twice', { roles: [role('A', ['MIC-05']), role('B', ['MIC-05'])] }, '/roles/1/things/0/unitId'],
    ['a thing that is not there', { roles: [role('A', ['MIC-99'])] }, '/roles/0/things/0/unitId'],
    ['a room that is not there', { placeId: 'attic', circuitId: null }, '/placeId'],
    ['a circuit of another room', { circuitId: 'or-1' }, '/circuitId'],
    ['a code of three letters', { code: 'VOX' }, '/code'],
    ['no time at all', { plannedMinutes: 0 }, '/plannedMinutes'],
    ['a name of nothing', { name: '   ' }, '/name'],
  ])('refuse %s, at the field', async (_, part, pointer) => {
    const before = countRows(api.app)
    const { status, body } = await api.call('POST', '/setups', { ...BLANK, ...part })
    expect(status).toBe(422)
    expect(body.errors.map((it: { pointer: string }) => it.pointer)).toContain(pointer)
    expect(countRows(api.app)).toEqual(before)
  })

  test('are judged for a booking, where others take things, or as they stand', async () => {
    expect(keys(await judge('gi', 'b-head'))).toContain('thing-absent/TRI-01')
    expect(keys(await judge('gi'))).not.toContain('thing-absent/TRI-01')
    expect(keys(await judge('gi', 'b-curator'))).not.toContain('thing-absent/TRI-01')
  })

  test('the list names the next booking and its verdict', async () => {
    const { body } = await api.call('GET', '/setups')
    expect(
      body.map((it: { code: string; next: { title: string } | null; counts: { stop: number } }) => [
        it.code,
        it.next?.title,
        it.counts.stop,
      ]),
    ).toEqual([
      ['GI', 'Head gardener', 2],
      ['LR', 'Winter talk', 5],
      ['MW', undefined, 0],
      ['PB', 'Grafting', 1],
      ['VO', 'Narration, second part', 0],
      ['SC', 'Beans, close', 0],
    ])
  })

  test('things to choose from are found by all their words', async () => {
    const { body } = await api.call('GET', '/things?find=brindle%20t3')
    expect(body.units.map((it: { tag: string }) => it.tag)).toEqual(['TRI-02', 'TRI-04', 'TRI-05', 'TRI-06'])
    expect((await api.call('GET', '/things?find=cell')).body.stock.map((it: { tag: string }) => it.tag)).toEqual([
      'CEL-01',
      'CEL-02',
      'CEL-03',
    ])
    expect((await api.call('GET', '/things?find=&category=prompter')).body.units).toEqual([])
  })
})

describe('ways out through the API', () => {
  /** What is offered for one finding, asked for as the page does when somebody opens it. */
  async function remediesOf(setupId: string, bookingId: string, { key }: Finding): Promise<Remedy[]> {
    const path = `/setups/${setupId}/remedies?bookingId=${bookingId}&key=${encodeURIComponent(key)}`
    return (await api.call('GET', path)).body.remedies
  }

  /** Carries a remedy out the way the page does, and judges again. */
  async function carryOut(setupId: string, bookingId: string, remedy: Remedy): Promise<Finding[]> {
    const { body: setup } = await api.call('GET', `/setups/${setupId}`)
    const { status } = await api.call('PUT', `/setups/${setupId}`, applyRemedy(setup, remedy), match(setup.version))
    expect(status).toBe(200)
    return judge(setupId, bookingId)
  }

  test('every way out of every finding of the demo does what it says', async () => {
    const kinds = new Set<string>()
    for (const [setupId, bookingId] of [
      ['gi', 'b-head'],
      ['pb', 'b-graft'],
      ['lr', 'b-winter'],
    ] as const) {
      const { body: original } = await api.call('GET', `/setups/${setupId}`)
      const before = await judge(setupId, bookingId)
      for (const finding of before) {
        for (const remedy of await remediesOf(setupId, bookingId, finding)) {
          kinds.add(remedy.kind)
          if (remedy.kind === 'shop') continue
          const after = await carryOut(setupId, bookingId, remedy)
          expect(keys(after), `${finding.key} by ${remedy.kind}`).not.toContain(finding.key)
          expect(after.length).toBeLessThan(before.length + 1)
          const { body: changed } = await api.call('GET', `/setups/${setupId}`)
          await api.call('PUT', `/setups/${setupId}`, original, match(changed.version))
        }
      }
      expect(await judge(setupId, bookingId)).toEqual(before)
    }
    expect([...kinds].sort()).toEqual(['assign', 'recording-mode', 'replace', 'shop'])
  })

  test('a circuit that is not chosen is a question with an answer', async () => {
    const { body: setup } = await api.call('GET', '/setups/pb')
    await api.call('PUT', '/setups/pb', { ...setup, circuitId: null }, match(setup.version))
    const finding = (await judge('pb', 'b-graft')).find((it) => it.code === 'circuit-missing')
    expect(finding).toMatchObject({ level: 'unknown-stop', milliwatts: 120_000 })
    expect(finding && (await remediesOf('pb', 'b-graft', finding))).toEqual([
      { kind: 'circuit', circuitId: 'st-1', name: 'North wall' },
      { kind: 'circuit', circuitId: 'st-2', name: 'South wall' },
    ])
  })

  test('too much on one circuit is moved to the other, or nowhere if that would not help', async () => {
    const weaken = async (...names: string[]) => {
      const { body: places } = await api.call('GET', '/places')
      const { id, version, ...studio } = places.find((it: { id: string }) => it.id === 'studio')
      const circuits = studio.circuits.map((it: { name: string }) =>
        names.includes(it.name) ? { ...it, volts: 12, amps: 5 } : it,
      )
      await api.call('PUT', `/places/${id}`, { ...studio, circuits }, match(version))
      return (await judge('pb', 'b-graft')).find((it) => it.code === 'circuit-load')
    }
    const finding = await weaken('North wall')
    expect(finding).toMatchObject({ level: 'stop', working: { totalMilliwatts: 120_000, ratedMilliwatts: 60_000 } })
    expect(finding && (await remediesOf('pb', 'b-graft', finding))).toEqual([
      { kind: 'circuit', circuitId: 'st-2', name: 'South wall' },
    ])
    const both = await weaken('North wall', 'South wall')
    expect(both && (await remediesOf('pb', 'b-graft', both))).toEqual([])
  })

  test('stock that other bookings take at that time does not count', async () => {
    const { body: setup } = await api.call('GET', '/setups/pb')
    const roles = setup.roles.map((it: { name: string; things: object[] }) =>
      it.name === 'Sandbags' ? { ...it, things: it.things.map((thing) => ({ ...thing, quantity: 6 })) } : it,
    )
    await api.call('PUT', '/setups/pb', { ...setup, roles }, match(setup.version))
    expect(keys(await judge('pb', 'b-graft'))).not.toContain('stock-short/BAG-01')
    const booking = {
      kind: 'shoot',
      title: 'At the same time',
      setupId: 'gi',
      unitIds: [],
      placeId: null,
      personIds: [],
      startsAt: '2026-11-25T14:30',
      endsAt: '2026-11-25T15:00',
      rigMinutes: 0,
      strikeMinutes: 0,
      state: 'confirmed',
      note: '',
    }
    await api.call('POST', '/bookings', booking)
    const finding = (await judge('pb', 'b-graft')).find((it) => it.key === 'stock-short/BAG-01')
    expect(finding).toMatchObject({ level: 'warn', wanted: 6, have: 3 })
  })
})

describe('what hangs on one thing', () => {
  test('of each thing without a stand-in the setups that stop; lost for good, those setups do stop', async () => {
    const { points, setups } = await askToTheEnd(async () => (await api.call('GET', '/resilience')).body)
    expect(setups.length).toBeGreaterThan(2)
    const [point] = points
    expect(point.setups.length).toBeGreaterThan(0)
    const unit = (await api.call('GET', `/units/${point.unitId}`)).body
    const stopsOf = async (id: string) => (await api.call('GET', `/setups/${id}/readiness`)).body.counts.stop
    const before = await stopsOf(point.setups[0].id)
    await api.call('PATCH', `/units/${point.unitId}`, { state: 'lost' }, match(unit.version))
    expect(await stopsOf(point.setups[0].id)).toBeGreaterThan(before)
  })
})

describe('what Exemplar proposes', () => {
  const get = async (path: string) => (await api.call('GET', path)).body
  const put = async (id: string, change: object) => {
    const setup = await get(`/setups/${id}`)
    const { status } = await api.call('PUT', `/setups/${id}`, { ...setup, ...change }, match(setup.version))
    expect(status).toBe(200)
  }
  const takeOutOf = async (id: string, tags: string[]) => {
    const { roles } = await get(`/setups/${id}`)
    const isKept = (it: { unitId: string | null }) => !tags.includes(it.unitId ?? '')
    await put(id, {
      roles: roles.map((role: { things: never[] }) => ({ ...role, things: role.things.filter(isKept) })),
    })
  }

  test('what was taken away is found again, and what is nowhere is named', async () => {
    await takeOutOf('gi', ['STD-01', 'LED-01', 'CBL-01'])
    const plan = await get('/setups/gi/connect')
    expect(plan.status).toBe('partly')
    expect(plan.taken.map((it: { name: string }) => it.name.replace(/,.*/, '')).sort()).toEqual([
      'Brindle Roller stand',
      'C13 lead',
      'XLR cable',
    ])
    expect(plan.open.map((it: { tag: string; proof: string[] }) => [it.tag, it.proof])).toEqual([
      ['MIC-02', ['MIC-02']],
    ])
    const setup = await get('/setups/gi')
    const after = plan.remedies.reduce(applyRemedy, setup)
    await put('gi', { roles: after.roles })
    // The lamp whose fan buzzes is another matter.
    expect(keys(await judge('gi'))).toEqual(['need-unmet/MIC-02/bay', 'noise-fault/LGT-06/f-fan'])
  })

  test('an empty role gets what is free and suits it, never what is in repair', async () => {
    await takeOutOf('lr', ['LEN-05'])
    const { roles } = await get('/setups/lr')
    const bare = { ...role('spare-lens', []), wants: 'lens', group: 'camera' }
    await put('lr', { roles: [...roles, bare] })
    const { choices } = await get('/setups/lr/choose')
    expect(choices.map((it: { tag: string }) => it.tag)).toEqual(['LEN-06'])
  })

  test('without a thing its role is empty and its verdict worse; the difference of two setups names things', async () => {
    const { counts, change } = await get('/setups/gi/without?unitId=REC-01')
    const before = await get('/setups/gi/readiness')
    expect(counts.stop).toBeGreaterThan(before.counts.stop)
    expect(keys(change.added)).toEqual(expect.arrayContaining([expect.stringMatching(/^need-unmet\/CBL-0\d\//)]))
    const { differences } = await get('/setups/gi/difference?otherId=pb')
    expect(JSON.stringify(differences)).toContain('LGT-01 Sallow 120 daylight')
    // Rooms and purposes are called by their names, never by what they are stored under.
    const facts = differences.filter((it: { kind: string }) => it.kind === 'fact')
    expect(facts).toContainEqual({ kind: 'fact', field: 'placeId', before: 'Glasshouse corner', after: 'Studio' })
    expect(facts.find((it: { field: string }) => it.field === 'circuitId').after).toBe('North wall')
    // Three of one stock and two of it are not the same words twice.
    const bags = differences.find((it: { role?: string }) => it.role === 'Sandbags')
    expect([bags.gone, bags.added].flat().map((it: string) => it.replace(/ × .*/, ' bags'))).toEqual([
      '3 bags',
      '2 bags',
    ])
    expect((await api.call('GET', '/setups/gi/difference?otherId=gi')).status).toBe(422)
  })

  test('each change of a setup keeps the verdict as it was then', async () => {
    await takeOutOf('pb', ['LED-05'])
    const [last] = await get('/events?subjectType=setup&subjectId=pb')
    expect(last.data.verdict.counts.stop).toBe((await get('/setups/pb/readiness')).counts.stop)
  })

  test('a role that must have a spare warns while none lies ready', async () => {
    const { roles } = await get('/setups/gi')
    const asked = roles.map((it: { name: string }) => (it.name === 'Recorder' ? { ...it, spare: 'must' } : it))
    await put('gi', { roles: asked })
    expect(keys(await judge('gi'))).toContain('spare-missing/REC-01')
    await api.call('POST', '/units', { category: 'recorder', name: 'Old recorder' })
    expect(keys(await judge('gi'))).not.toContain('spare-missing/REC-01')
  })
})
