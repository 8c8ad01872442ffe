import { type BenchReply, type RepairsReply, type SupplyLine, type TodayItem, weighCover } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { makeSoftware, type Thing, useQuickEntry } from '../setups/quick-entry.fixture.ts'

// What wears, is mended, replaced and used up: from an empty instance, the quick way, with its edges. It lives on 24 November 2026.
const { api, call, add, tell, change, serve, build, judge } = useQuickEntry()

const report = (thing: Pick<Thing, 'id'>, part: object = {}) =>
  call('POST', `/units/${thing.id}/faults`, { note: 'It buzzes', severity: 'usable', bookingId: null, ...part })
const bench = (): Promise<BenchReply> => call('GET', '/bench')
const replacementOf = async (thing: Pick<Thing, 'id'>) =>
  (await bench()).replacements.find((it) => it.unitId === thing.id)
const provide = async (thing: Pick<Thing, 'id'>, part: object) => {
  const { unit } = await call('GET', `/units/${thing.id}`)
  return call('PATCH', `/units/${thing.id}`, { provenance: { ...unit.provenance, ...part } }, unit.version)
}
const today = async (code: string): Promise<TodayItem[]> => {
  const { sections } = await call('GET', '/today')
  return Object.values(sections as Record<string, TodayItem[]>)
    .flat()
    .filter((it) => it.code === code)
}
const figure = async (thing: Pick<Thing, 'id'>) =>
  (await call('GET', '/kit-figures?sharing=full')).use.find((it: { id: string }) => it.id === thing.id)

describe('damaged and still working', () => {
  test('[N02.1] dented, and the setup runs with it: its condition is told and nothing stops', async () => {
    const screen = await add('monitor', 'Screen')
    const id = await build([{ name: 'Screen', wants: 'monitor', things: [screen] }])
    const before = await judge(id)
    await report(screen, { note: 'Dented', severity: 'cosmetic' })
    expect((await judge(id)).found).toEqual(before.found)
    expect((await bench()).faults).toMatchObject([{ tag: screen.tag, note: 'Dented', severity: 'cosmetic' }])
    // What works with care is told beside the setup, and stops nothing either.
    await report(screen, { note: 'One corner is dark', severity: 'usable', workAround: 'frame without it' })
    const after = await judge(id)
    expect(after.found.filter((it) => !before.found.includes(it))).toEqual(['warn fault-open'])
    expect(after.of('fault-open')[0]).toMatchObject({ note: 'One corner is dark', workAround: 'frame without it' })
  })

  test('[N02.2] what it takes off the worth is off the estimate until it is mended, and never below nothing', async () => {
    const screen = await add('monitor', 'Screen')
    await change(screen, { acquiredOn: '2025-11-24', priceMinor: 40_000 })
    const whole = (await figure(screen)).resaleMinor
    const dent = await report(screen, { note: 'Dented', severity: 'cosmetic', valueLossMinor: 4_000 })
    expect((await figure(screen)).resaleMinor).toBe(whole - 4_000)
    await report(screen, { note: 'Cracked', valueLossMinor: 100_000 })
    expect((await figure(screen)).resaleMinor).toBe(0)
    await call('POST', `/faults/${dent.id}/mend`, { note: '' }, dent.version)
    await report(screen, { note: 'Nobody said what that takes off' })
    const [, cracked] = (await bench()).faults
    expect(cracked?.note).toBe('Nobody said what that takes off')
  })

  test('[N02.3] its photo lies with the thing, from whoever reports it', async () => {
    const screen = await add('monitor', 'Screen')
    await report(screen, { note: 'Dented', severity: 'cosmetic' })
    const png = Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
      'base64',
    )
    const { url, cookieOf } = api()
    const { status } = await fetch(`${url}/api/attachments?subjectType=unit&subjectId=${screen.id}&name=dent.png`, {
      method: 'POST',
      headers: { Cookie: cookieOf('crew'), 'Content-Type': 'image/png', Origin: url },
      body: png,
    })
    expect(status).toBe(201)
    expect(await call('GET', `/attachments?subjectType=unit&subjectId=${screen.id}`)).toMatchObject([
      { name: 'dent.png' },
    ])
  })
})

describe('cover', () => {
  test('[N03.1] until when, whether accidents are in it, and what to do: told at the fault, with the last day to claim', async () => {
    const body = await add('camera', 'Body')
    await provide(body, {
      coverUntil: '2027-06-30',
      coverAccidents: 'yes',
      claimDays: 14,
      claimSteps: 'Photos, invoice, call the insurer',
    })
    await call('POST', '/incidents', {
      on: '2026-11-24',
      what: 'It fell into the pond',
      cause: '',
      saved: '',
      lesson: '',
      lessonFor: { kind: 'all' },
      hit: [{ unitId: body.id, severity: 'unusable' }],
    })
    expect((await bench()).faults).toMatchObject([
      { claim: 'cover', isClaimSure: true, claimBy: '2026-12-08', claimSteps: 'Photos, invoice, call the insurer' },
    ])
    await provide(body, { coverAccidents: 'unsaid' })
    expect((await bench()).faults).toMatchObject([{ claim: 'cover', isClaimSure: false }])
    await provide(body, { coverAccidents: 'no' })
    expect((await bench()).faults).toMatchObject([{ claim: 'own', claimBy: null }])
  })

  test('[N03.2] what it costs a year against another: its share, and how seldom it may be lost to pay; no price or none paid, no figure', async () => {
    const body = await add('camera', 'Body')
    const weigh = async (part: object) => {
      await provide(body, part)
      const { coverYearMinor, replacementMinor, valueMinor } = (await call('GET', `/units/${body.id}`)).unit.provenance
      return weighCover(coverYearMinor, replacementMinor ?? valueMinor)
    }
    expect(await weigh({})).toBeNull()
    expect(await weigh({ coverYearMinor: 9_000 })).toBeNull()
    expect(await weigh({ valueMinor: 45_000 })).toEqual({ share: 0.2, breakEvenYears: 5 })
    expect(await weigh({ replacementMinor: 90_000 })).toEqual({ share: 0.1, breakEvenYears: 10 })
    expect(await weigh({ coverYearMinor: 0 })).toBeNull()
  })
})

describe('what announces itself', () => {
  test('[N04.1] a lamp that begins to buzz: expected to fail, another planned, and kept away from microphones', async () => {
    const [lamp, microphone] = [await add('light', 'Lamp'), await add('microphone', 'Mic')]
    const id = await build([
      { name: 'Key', wants: 'light', things: [lamp] },
      { name: 'Voice', wants: 'microphone', things: [microphone] },
    ])
    await report(lamp, { severity: 'symptom', isNoisy: true, fails: 'sound' })
    expect((await judge(id)).of('noise-fault')).toMatchObject([
      { level: 'warn', tag: lamp.tag, microphones: [microphone.tag] },
    ])
    // One fault is one finding.
    expect((await judge(id)).of('fault-open')).toEqual([])
    expect(await replacementOf(lamp)).toMatchObject({ why: 'symptom', isPlanned: false, isKept: false })
    await call('POST', '/shopping', {
      item: 'Lamp',
      quantity: 1,
      reason: `${lamp.tag}: It buzzes`,
      stockId: null,
      setupId: null,
      group: null,
    })
    expect(await replacementOf(lamp)).toMatchObject({ isPlanned: true })
  })

  test('a microphone that hums is told as that, and not to be kept away from itself', async () => {
    const microphone = await add('microphone', 'Mic')
    const id = await build([{ name: 'Voice', wants: 'microphone', things: [microphone] }])
    await report(microphone, { severity: 'symptom', isNoisy: true, fails: 'sound' })
    expect((await judge(id)).of('noise-fault')).toEqual([])
    expect((await judge(id)).of('fault-open')).toMatchObject([{ tag: microphone.tag }])
  })

  test('without a microphone nothing is said of its noise, and it is told as what it is', async () => {
    const lamp = await add('light', 'Lamp')
    const id = await build([{ name: 'Key', wants: 'light', things: [lamp] }])
    await report(lamp, { severity: 'symptom', isNoisy: true })
    expect((await judge(id)).of('noise-fault')).toEqual([])
    expect((await judge(id)).of('fault-open')).toMatchObject([{ level: 'warn', severity: 'symptom' }])
  })

  test('[N22.1] due for replacement and kept: with why and until when; after that day it is asked again', async () => {
    const lamp = await add('light', 'Lamp')
    await report(lamp, { severity: 'symptom' })
    const keep = async (until: string | null, because = 'the shoot in May needs it') => {
      const { version } = await call('GET', `/units/${lamp.id}`)
      return api().call('POST', `/units/${lamp.id}/keep`, { because, until }, { 'If-Match': `"${version}"` })
    }
    expect((await keep(null, ' ')).status).toBe(422)
    await keep('2026-11-24')
    expect(await replacementOf(lamp)).toMatchObject({ isKept: true, keptUntil: '2026-11-24' })
    await keep('2026-11-23')
    expect(await replacementOf(lamp)).toMatchObject({ isKept: false, keptBecause: 'the shoot in May needs it' })
    await keep(null)
    expect(await replacementOf(lamp)).toMatchObject({ isKept: true, keptUntil: null })
  })

  test('a pack at 80 % is due, over it not; what works as it should is never on the list', async () => {
    const pack = await tell('pack', 'Pack', { energyMilliwattHours: 48_000 })
    await change(pack, { healthPercent: 81 })
    expect(await replacementOf(pack)).toBeUndefined()
    await change(pack, { healthPercent: 80 })
    expect(await replacementOf(pack)).toMatchObject({ why: 'spent' })
  })

  test('[F14.1] a leg that comes loose again: twice is asked, three times within a year it is mended for good or leaves', async () => {
    const legs = await add('tripod', 'Legs')
    const loose = { note: 'A leg comes loose' }
    const mend = async (it: { id: string; version: number }) =>
      call('POST', `/faults/${it.id}/mend`, { note: '' }, it.version)
    await mend(await report(legs, loose))
    // What others had is none of it.
    await report(await add('light', 'Lamp'))
    expect(await today('fault-again')).toEqual([])
    await report(legs, { note: 'scratched', severity: 'cosmetic' })
    const second = await report(legs, loose)
    expect(await today('fault-again')).toMatchObject([{ level: 'advise', times: 2, tag: legs.tag }])
    await mend(second)
    await report(legs, loose)
    expect(await today('fault-again')).toMatchObject([{ level: 'warn', times: 3 }])
    expect(await replacementOf(legs)).toMatchObject({ why: 'faults' })
  })
})

describe('a repair', () => {
  async function start(part: object = {}) {
    const body = await add('camera', 'Body')
    const party = await call('POST', '/parties', { name: 'Fenbrook Repairs', kind: 'repairer', note: '', contacts: [] })
    const fault = await report(body, { note: 'Does not come on', severity: 'unusable' })
    const sent = { faultId: fault.id, claim: 'own', partyId: party.id, reference: '', dueOn: null, note: '', ...part }
    const repair = await call('POST', `/units/${body.id}/repairs`, sent)
    return { body, party, fault, repair }
  }
  const list = async (): Promise<RepairsReply['repairs']> => (await call('GET', '/repairs')).repairs
  const move = async (repair: { id: string }, stage: string, part: object = {}) => {
    const now = (await list()).find((it) => it.id === repair.id)
    if (!now) throw new Error('It is not on the list.')
    const { claim, partyId, reference, dueOn, quoteMinor, costMinor, note } = now
    const kept = { claim, partyId, reference, dueOn, quoteMinor, costMinor, note, on: '2026-11-24', taxMinor: null }
    return api().call('PUT', `/repairs/${repair.id}`, { ...kept, stage, ...part }, { 'If-Match': `"${now.version}"` })
  }
  const stateOf = async (thing: Pick<Thing, 'id'>) => (await call('GET', `/units/${thing.id}`)).unit.state

  test('asked, sent, quoted, back and tried: the thing leaves and comes back with it, and its fault is closed at the end', async () => {
    const { body, repair } = await start()
    const id = await build([{ name: 'Eye', wants: 'camera', things: [body] }])
    expect((await judge(id)).of('thing-absent')).toHaveLength(1)
    expect((await move(repair, 'sent', { reference: 'FR-118', dueOn: '2026-12-04' })).status).toBe(200)
    expect(await stateOf(body)).toBe('in-repair')
    expect(await list()).toMatchObject([
      { stage: 'sent', party: 'Fenbrook Repairs', reference: 'FR-118', sentOn: '2026-11-24' },
    ])
    await move(repair, 'quoted', { quoteMinor: 12_000 })
    expect(await today('repair')).toMatchObject([{ what: 'quote', tag: body.tag }])
    await move(repair, 'mending')
    await move(repair, 'back')
    // It is here, and does not count before somebody tried it.
    expect(await stateOf(body)).toBe('in-service')
    expect(await today('repair')).toMatchObject([{ what: 'try' }])
    expect((await judge(id)).of('thing-absent')).toHaveLength(1)
    await move(repair, 'done', { costMinor: 11_000, taxMinor: 2_200, note: 'ran an hour' })
    expect((await judge(id)).of('thing-absent')).toEqual([])
    expect((await bench()).faults).toEqual([])
    const entries = await call('GET', '/ledger/entries?year=2026')
    expect(entries.filter((it: { kind: string }) => it.kind === 'repair')).toMatchObject([
      { netMinor: 11_000, taxMinor: 2_200 },
    ])
    expect(await today('repair')).toEqual([])
    // Put better afterwards, it is spent once.
    expect((await move(repair, 'done', { costMinor: 11_000, note: 'ran two hours' })).status).toBe(200)
    const later = await call('GET', '/ledger/entries?year=2026')
    expect(later.filter((it: { kind: string }) => it.kind === 'repair')).toHaveLength(1)
  })

  test('no step is left out, none is on a day to come or before it was sent, and nobody has it without a name', async () => {
    const { repair } = await start({ partyId: null })
    const fields = async (stage: string, part: object = {}) => {
      const { status, body } = await move(repair, stage, part)
      return [status, body.errors?.map((it: { pointer: string }) => it.pointer)]
    }
    expect(await fields('done')).toEqual([422, ['/stage']])
    expect(await fields('sent')).toEqual([422, ['/partyId']])
    const party = await call('POST', '/parties', { name: 'Others', kind: 'repairer', note: '', contacts: [] })
    expect(await fields('sent', { partyId: party.id, on: '2026-11-25' })).toEqual([422, ['/on']])
    expect(await fields('sent', { partyId: party.id, on: '2026-11-23' })).toEqual([422, ['/on']])
    expect((await move(repair, 'sent', { partyId: party.id })).status).toBe(200)
  })

  test('one at a time; given up, what cannot be used is retired and what works goes on', async () => {
    const { body, party, repair, fault } = await start()
    const again = { faultId: fault.id, claim: 'own', partyId: null, reference: '', dueOn: null, note: '' }
    expect((await api().call('POST', `/units/${body.id}/repairs`, again)).status).toBe(422)
    await move(repair, 'given-up')
    expect(await stateOf(body)).toBe('retired')
    const lamp = await add('light', 'Lamp')
    const hum = await report(lamp)
    const second = await call('POST', `/units/${lamp.id}/repairs`, { ...again, faultId: hum.id })
    await move(second, 'given-up')
    expect(await stateOf(lamp)).toBe('in-service')
    // Nobody said that it has a fault, and it never left: it goes on too.
    const asked = await call('POST', `/units/${lamp.id}/repairs`, { ...again, faultId: null })
    await move(asked, 'given-up')
    expect(await stateOf(lamp)).toBe('in-service')
    // It left for it: what comes back unmended from there is not counted on.
    const sent = await call('POST', `/units/${lamp.id}/repairs`, { ...again, faultId: null, partyId: party.id })
    await move(sent, 'sent')
    await move(sent, 'given-up')
    expect(await stateOf(lamp)).toBe('retired')
  })

  test('a claim has its last day, told before it is over; one that we pay has none', async () => {
    const body = await add('camera', 'Body')
    await provide(body, { warrantyUntil: '2026-12-01', claimSteps: 'Send the invoice' })
    const fault = await report(body, { severity: 'unusable' })
    const sent = { faultId: fault.id, partyId: null, reference: '', dueOn: null, note: '' }
    const repair = await call('POST', `/units/${body.id}/repairs`, { ...sent, claim: 'warranty' })
    expect(repair).toMatchObject({ claimBy: '2026-12-01' })
    expect(await today('repair')).toMatchObject([{ what: 'claim', on: '2026-12-01', level: 'warn' }])
    const { repair: own } = await start()
    expect(own.claimBy).toBeNull()
  })
})

describe('the life of a thing', () => {
  test('its uses, faults, services and costs by month; who sees no money sees no cost', async () => {
    const body = await add('camera', 'Body')
    await change(body, { acquiredOn: '2026-10-02' })
    await serve([body], 3)
    await report(body, { severity: 'unusable' })
    await call('POST', '/ledger/entries', {
      date: '2026-10-02',
      kind: 'purchase',
      category: 'camera',
      description: 'Body',
      netMinor: 90_000,
      taxMinor: 18_000,
      partyId: null,
      unitId: body.id,
    })
    expect((await call('GET', `/units/${body.id}/upkeep`)).life).toEqual([
      { month: '2026-10', uses: 0, faults: 0, failures: 0, services: 0, costMinor: 108_000 },
      { month: '2026-11', uses: 3, faults: 1, failures: 1, services: 0, costMinor: 0 },
    ])
    const { body: seen } = await api().as('crew')('GET', `/units/${body.id}/upkeep`)
    expect(JSON.stringify(seen.life)).not.toContain('108000')
  })
})

describe('hearsay', () => {
  test('[N13.1] said to break: beside it stands how often it served here, and how often it failed', async () => {
    const arm = await add('boom-arm', 'Arm')
    await serve([arm], 6)
    await change(arm, { remarks: [{ kind: 'weakness', text: 'they break', source: 'heard' }] })
    const { record } = await call('GET', `/units/${arm.id}/upkeep`)
    expect(record).toEqual({ uses: 6, failures: 0 })
    await report(arm, { severity: 'unusable' })
    expect((await call('GET', `/units/${arm.id}/upkeep`)).record).toEqual({ uses: 6, failures: 1 })
  })
})

describe('versions', () => {
  test('[N17.1] a driver disc that is out of date is told; one that nobody looked up is asked; the newest is in order', async () => {
    const tablet = await add('control-surface', 'Keys')
    const disc = makeSoftware({ kind: 'driver', name: 'Keys driver', version: '1.9', media: 'disc' })
    const findings = async (part: object) => {
      await change(tablet, { software: [{ ...disc, ...part }] })
      return (await call('GET', `/units/${tablet.id}`)).software.map(
        (it: { level: string; code: string }) => `${it.level} ${it.code}`,
      )
    }
    expect(await findings({})).toEqual(['unknown version-unchecked'])
    expect(await findings({ newestVersion: '1.10', checkedOn: '2026-11-20' })).toEqual(['warn outdated'])
    expect(await findings({ newestVersion: '1.9.0' })).toEqual([])
    expect(await findings({ newestVersion: '1.8' })).toEqual([])
    expect(await findings({ media: 'download' })).toEqual([])
  })
})

describe('what is used up', () => {
  const cells = (part: object = {}) =>
    call('POST', '/stock', { category: 'cell', name: 'AA', quantity: 10, reorderLevel: 0, placeId: null, ...part })
  const supply = (part: object) => ({
    expiresOn: null,
    leadDays: null,
    source: '',
    secondSource: '',
    perUse: null,
    ...part,
  })
  const lineOf = async (stock: { id: string }): Promise<SupplyLine | undefined> =>
    (await call('GET', '/supplies')).lines.find((it: SupplyLine) => it.stockId === stock.id)
  const use = (stock: { id: string }, quantity: number, on = '2026-11-20') =>
    call('POST', `/stock/${stock.id}/uses`, { on, quantity, note: '' })
  /** Bookings ahead of a setup that takes the cells, one a day. */
  async function book(stock: { id: string }, count: number, lastOn: string) {
    const microphone = await add('microphone', 'Mic')
    const id = await build([
      { name: 'Voice', wants: 'microphone', things: [microphone], stock: [{ id: stock.id, quantity: 2 }] },
    ])
    await serve([], count, lastOn, { setupId: id })
  }

  test('[D08.1] [N19.1] how many are used each session, as somebody said or as the log tells; before that nobody knows', async () => {
    const stock = await cells({ quantity: 40 })
    expect(await lineOf(stock)).toMatchObject({ perUse: null, basis: null, shortOn: null })
    await book(stock, 3, '2026-11-20')
    await use(stock, 6)
    expect(await lineOf(stock)).toMatchObject({ perUse: 2, basis: 'log', usedUp: 6, sessions: 3, quantity: 34 })
    await call('PATCH', `/stock/${stock.id}`, { reorderLevel: 0, placeId: null, supply: supply({ perUse: 4 }) }, 2)
    expect(await lineOf(stock)).toMatchObject({ perUse: 4, basis: 'said' })
    expect(
      (await api().call('POST', `/stock/${stock.id}/uses`, { on: '2026-11-20', quantity: 35, note: '' })).status,
    ).toBe(422)
  })

  test('[D13.1] [D13.2] [N19.2] by when to order, before it is wanted: the lead time taken off, and where else to turn', async () => {
    const stock = await cells({
      supply: supply({ perUse: 4, leadDays: 10, source: 'Corner shop', secondSource: 'Post' }),
    })
    expect(await lineOf(stock)).toMatchObject({ shortOn: null, orderBy: null })
    // Three sessions want 12, and there are 10: the third is short.
    await book(stock, 3, '2026-12-10')
    expect(await lineOf(stock)).toMatchObject({
      shortOn: '2026-12-10',
      missing: 2,
      orderBy: '2026-11-30',
      isOrderDue: false,
    })
    expect(await today('supply')).toMatchObject([
      { level: 'advise', missing: 2, orderBy: '2026-11-30', source: 'Corner shop', secondSource: 'Post' },
    ])
    await call(
      'PATCH',
      `/stock/${stock.id}`,
      { reorderLevel: 0, placeId: null, supply: supply({ perUse: 4, leadDays: 16 }) },
      1,
    )
    expect(await today('supply')).toMatchObject([{ level: 'warn', orderBy: '2026-11-24' }])
  })

  test('what is only taken along in case uses nothing up, ahead or in the log', async () => {
    const stock = await cells({ supply: supply({ perUse: 4 }) })
    const microphone = await add('microphone', 'Mic')
    const inCase = [{ id: stock.id, quantity: 2, isSpare: true }]
    const setupId = await build([{ name: 'Voice', wants: 'microphone', things: [microphone], stock: inCase }])
    await serve([], 3, '2026-12-10', { setupId })
    await serve([], 3, '2026-11-20', { setupId })
    await use(stock, 1)
    expect(await lineOf(stock)).toMatchObject({ sessionsAhead: 0, shortOn: null, missing: 0 })
    await call('PATCH', `/stock/${stock.id}`, { reorderLevel: 0, placeId: null, supply: supply({}) }, 2)
    expect(await lineOf(stock)).toMatchObject({ sessions: 0, perUse: null })
  })

  test('a booking that only keeps it ready uses nothing up', async () => {
    const stock = await cells({ supply: supply({ perUse: 4 }) })
    const microphone = await add('microphone', 'Mic')
    const roles = [{ name: 'Voice', wants: 'microphone', things: [microphone], stock: [{ id: stock.id, quantity: 2 }] }]
    await serve([], 4, '2026-12-10', { setupId: await build(roles), kind: 'ready-kit' })
    expect(await lineOf(stock)).toMatchObject({ sessionsAhead: 0, shortOn: null })
  })

  test('what expires before it is wanted is told, and what has expired', async () => {
    const stock = await cells({ supply: supply({ perUse: 1, expiresOn: '2026-12-01' }) })
    expect(await today('supply')).toEqual([])
    await book(stock, 1, '2026-12-10')
    expect(await today('supply')).toMatchObject([{ level: 'advise', expiresOn: '2026-12-01', isExpired: false }])
    await call(
      'PATCH',
      `/stock/${stock.id}`,
      { reorderLevel: 0, placeId: null, supply: supply({ perUse: 1, expiresOn: '2026-11-23' }) },
      1,
    )
    expect(await today('supply')).toMatchObject([{ level: 'warn', isExpired: true }])
  })

  test('a change of where it lies keeps what is known of how more is come by', async () => {
    const stock = await cells({ supply: supply({ perUse: 4, source: 'Corner shop' }) })
    await call('PATCH', `/stock/${stock.id}`, { reorderLevel: 3, placeId: null }, 1)
    expect(await lineOf(stock)).toMatchObject({ reorderLevel: 3, supply: { perUse: 4, source: 'Corner shop' } })
  })
})
