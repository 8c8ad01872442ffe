import { ACQUISITION_CODES, type FilmRow, NO_PROVENANCE, type Provenance } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { match } from '../../foundation/api.fixture.ts'
import { askToTheEnd } from '../../foundation/call.fixture.ts'
import { useQuickEntry } from '../../setups/quick-entry.fixture.ts'

// How a thing came, and what has to be said of it: from an empty instance, the quick way, from both sides. Today is 24 November 2026.
const { api, call, add, changeModel, build } = useQuickEntry()

const read = (id: string) => call('GET', `/units/${id}`)
const tell = async (id: string, changes: object) => call('PATCH', `/units/${id}`, changes, (await read(id)).version)
const came = (provenance: Partial<Provenance>) => ({ provenance: { ...NO_PROVENANCE, ...provenance } })
const addLamp = (name = 'Panel') => call('POST', '/units', { category: 'light', maker: 'Larch', name, facts: {} })
const said = async (id: string): Promise<string | null> => (await read(id)).disclosure
const setRate = async (giftTaxBasisPoints: number | null) => {
  const { version, now: _, ...settings } = await call('GET', '/studio')
  await call('PUT', '/studio', { ...settings, giftTaxBasisPoints }, version)
}

describe('how it came', () => {
  test('[P01.1] bought, a gift, a loan, sponsored or in exchange: each is kept as what it is', async () => {
    for (const acquisition of ACQUISITION_CODES) {
      const lamp = await addLamp(acquisition)
      await tell(lamp.id, { acquisition })
      expect((await read(lamp.id)).unit.acquisition).toBe(acquisition)
    }
    expect(ACQUISITION_CODES).toEqual(
      expect.arrayContaining(['bought-new', 'bought-used', 'gift', 'loan-in', 'sponsored', 'exchanged']),
    )
  })

  test('[P01.2] each film says what was sent, lent, sponsored or exchanged of the things in its setup; what was bought, and what came later, not', async () => {
    const giver = await call('POST', '/parties', { name: 'Sorrel', kind: 'vendor', note: '', contacts: [] })
    const [bought, given, swapped, later, elsewhere] = [
      await addLamp('Bought'),
      await addLamp('Given'),
      await addLamp('Swapped'),
      await addLamp('Later'),
      await addLamp('Elsewhere'),
    ]
    await tell(bought.id, { acquisition: 'bought-new' })
    await tell(given.id, { acquisition: 'gift', partyId: giver.id, acquiredOn: '2026-10-01' })
    await tell(swapped.id, { acquisition: 'exchanged', partyId: giver.id })
    await tell(later.id, { acquisition: 'gift', acquiredOn: '2026-10-02' })
    await tell(elsewhere.id, { acquisition: 'gift' })
    const setupId = await build([{ name: 'Lamps', things: [bought, given, swapped, later] }])
    const film = (title: string, of: string | null) =>
      call('POST', '/films', { title, on: '2026-10-01', setupId: of, copies: [] })
    await film('Ferns', setupId)
    await film('Nobody knows', null)
    const films: FilmRow[] = await call('GET', '/films')
    expect(films.find((it) => it.title === 'Ferns')?.disclosures).toEqual([
      'The Larch Given was given to us by Sorrel.',
      'The Larch Swapped came to us in exchange for something else, from Sorrel.',
    ])
    expect(films.find((it) => it.title === 'Nobody knows')?.disclosures).toBeNull()
  })

  test('[P07.1] that the whole price was paid is said of what was bought and of nothing else, and only where it was written down', async () => {
    const lamp = await addLamp()
    await tell(lamp.id, { acquisition: 'bought-new' })
    expect(await said(lamp.id)).toBeNull()
    await tell(lamp.id, came({ paidInFull: true }))
    expect(await said(lamp.id)).toBe('We bought the Larch Panel ourselves. We paid its full price.')
    await tell(lamp.id, { acquisition: 'gift' })
    expect(await said(lamp.id)).toBe('The Larch Panel was given to us.')
  })

  test('[P08.1] a code for viewers has what it takes off and its last day: it is said up to that day, and refused where it is none', async () => {
    const lamp = await addLamp()
    await tell(lamp.id, { acquisition: 'bought-new' })
    const code = (part: object = {}) =>
      came({ viewerCode: { code: 'FERN10', percent: 10, until: '2026-11-24', ...part } })
    await tell(lamp.id, code())
    expect((await read(lamp.id)).unit.provenance.viewerCode).toEqual({
      code: 'FERN10',
      percent: 10,
      until: '2026-11-24',
    })
    const sentence = 'We bought the Larch Panel ourselves. Viewers save 10 % with the code FERN10.'
    expect(await said(lamp.id)).toBe(sentence)
    expect((await call('GET', '/kit-duties')).disclosures).toMatchObject([{ text: sentence, until: '2026-11-24' }])
    await tell(lamp.id, code({ until: '2026-11-23' }))
    expect(await said(lamp.id)).toBeNull()
    await tell(lamp.id, code({ until: null, percent: null }))
    expect(await said(lamp.id)).toBe('We bought the Larch Panel ourselves. Viewers pay less with the code FERN10.')
    const { version } = await read(lamp.id)
    for (const percent of [0, 101]) {
      const reply = await api().call('PATCH', `/units/${lamp.id}`, code({ percent }), match(version))
      expect(reply.status).toBe(422)
      expect(reply.body.errors).toMatchObject([{ pointer: '/provenance/viewerCode/percent' }])
    }
  })
})

describe('what was promised for it', () => {
  const promise = async (id: string, duty: object) => {
    const body = came({
      duties: [{ what: 'A film about it', dueOn: '2026-12-24', doneOn: null, filmId: null, ...duty }],
    })
    return api().call('PATCH', `/units/${id}`, body, match((await read(id)).version))
  }
  const duties = async () => {
    const { duties: open, doneDuties: done } = await call('GET', '/kit-duties')
    return { open, done }
  }

  test('[P03.1] a gift carries a duty with its day; it is owed until it is done, and is tied to the film by which it was', async () => {
    const [lamp, mic] = [await addLamp('Lamp'), await addLamp('Second')]
    await tell(lamp.id, { acquisition: 'gift' })
    expect((await promise(lamp.id, {})).status).toBe(200)
    await promise(mic.id, { what: 'A talk', dueOn: null })
    const owed = [
      { tag: lamp.tag, what: 'A film about it', dueOn: '2026-12-24' },
      { tag: mic.tag, what: 'A talk', dueOn: null },
    ]
    expect(await duties()).toMatchObject({ open: owed, done: [] })
    const film = await call('POST', '/films', { title: 'Ferns', on: '2026-11-20', setupId: null, copies: [] })
    await promise(lamp.id, { doneOn: '2026-11-20', filmId: film.id })
    expect(await duties()).toMatchObject({
      open: [{ what: 'A talk' }],
      done: [{ tag: lamp.tag, what: 'A film about it', doneOn: '2026-11-20', film: 'Ferns' }],
    })
    expect((await read(lamp.id)).unit.provenance.duties).toMatchObject([{ filmId: film.id }])
  })

  test('a film that is to come is nothing done yet; today is; and a film that is not there is refused', async () => {
    const lamp = await addLamp()
    await promise(lamp.id, { doneOn: '2026-11-25' })
    expect((await duties()).open).toHaveLength(1)
    await promise(lamp.id, { doneOn: '2026-11-24' })
    expect(await duties()).toMatchObject({ open: [], done: [{ film: null }] })
    const reply = await promise(lamp.id, { filmId: 'nowhere' })
    expect(reply.status).toBe(422)
    expect(reply.body.errors).toMatchObject([{ pointer: '/provenance/duties/0/filmId' }])
  })
})

describe('what a gift costs', () => {
  const give = async (name: string, valueMinor: number | null, valueOn = '2026-03-01', acquisition = 'gift') => {
    const thing = await addLamp(name)
    await tell(thing.id, { acquisition, ...came({ valueMinor, valueOn }) })
  }
  const gifts = async () => (await call('GET', '/kit-duties')).gifts

  test('[P02.1] [P02.2] its value times the rate is what it takes out of pocket, and each year its total; without a rate nothing is claimed', async () => {
    await give('One', 72_000)
    expect(await gifts()).toEqual([{ year: 2026, things: 1, valueMinor: 72_000, unknown: 0, taxMinor: null }])
    await setRate(2_000)
    expect(await gifts()).toMatchObject([{ year: 2026, taxMinor: 14_400 }])
    await give('Two', 10_001, '2026-12-31', 'sponsored')
    await give('Three', null)
    await give('Last year', 5_000, '2025-12-31')
    await give('Bought', 90_000, '2026-03-01', 'bought-new')
    await setRate(1_750)
    // 17.5 % of 720.00 is 126.00, of 100.01 it is 17.50; of 50.00 it is 8.75.
    expect(await gifts()).toEqual([
      { year: 2026, things: 3, valueMinor: 82_001, unknown: 1, taxMinor: 14_350 },
      { year: 2025, things: 1, valueMinor: 5_000, unknown: 0, taxMinor: 875 },
    ])
    await setRate(0)
    expect((await gifts())[0].taxMinor).toBe(0)
  })
})

describe('made by a friend', () => {
  test('[P13.1] [P13.2] [P13.3] it is hand-made, has the link to its drawing, and nobody sells another: told on its page and where it is the only one', async () => {
    const mount = await call('POST', '/units', { category: 'camcorder', maker: '', name: 'Printed eye', facts: {} })
    expect((await read(mount.id)).remake).toBeNull()
    await tell(mount.id, { acquisition: 'hand-made' })
    expect(await read(mount.id)).toMatchObject({ unit: { acquisition: 'hand-made' }, remake: 'no-drawing' })
    await changeModel(mount.modelId, { link: 'https://larch.example/mount.step' })
    expect(await read(mount.id)).toMatchObject({
      model: { link: 'https://larch.example/mount.step' },
      remake: 'from-drawing',
    })
    const legs = await add('tripod', 'Legs', { loadGrams: 6_000 })
    await build([
      { name: 'A camera', wants: 'camera', things: [mount] },
      { name: 'Support', wants: 'tripod', things: [legs] },
    ])
    const reply = await askToTheEnd(() => call('GET', '/resilience'))
    const told = reply.points.map((it: { tag: string; isHandMade: boolean }) => [it.tag, it.isHandMade])
    expect(told).toEqual(expect.arrayContaining([[mount.tag, true]]))
    expect(told).not.toContainEqual([legs.tag, true])
  })
})
