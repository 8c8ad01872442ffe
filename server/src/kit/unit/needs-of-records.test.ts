import { NO_PROVENANCE, type SetupReply, type UnitRow } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { NOW } from '../../foundation/api.fixture.ts'
import { makeDraft, makeSoftware, useQuickEntry } from '../../setups/quick-entry.fixture.ts'

// Each by somebody who starts from nothing, tells it the quick way, and looks at both sides of it.
const { call, add, changeModel, build, judge } = useQuickEntry()

const read = (id: string) => call('GET', `/units/${id}`)
const tell = async (id: string, changes: object) =>
  call('PATCH', `/units/${id}`, changes, (await read(id)).version as number)
const addPlace = (name: string) =>
  call('POST', '/places', { parentId: null, name, kind: 'room', note: '', circuits: [] }).then((it) => it.id as string)
const duties = () => call('GET', '/kit-duties')
const tagsOf = (rows: { tag: string }[]) => rows.map((it) => it.tag)

describe('names of a model', () => {
  test('[A23.1] another name of a model is known again where it is entered, and is no second model', async () => {
    const body = await call('POST', '/units', { category: 'camera', maker: 'Larch', name: 'A5', facts: {} })
    await changeModel(body.modelId, { aliases: ['Acorn 5'] })
    const again = await call('POST', '/units', { category: 'camera', maker: 'Larch', name: 'Acorn 5', facts: {} })
    expect(again.modelId).toBe(body.modelId)
    const other = await call('POST', '/units', { category: 'camera', maker: 'Larch', name: 'A6', facts: {} })
    expect(other.modelId).not.toBe(body.modelId)
  })

  test('[A23.2] where it is sold stands with it', async () => {
    const body = await add('camera', 'A5')
    await changeModel(body.modelId, { availability: 'Not sold in Ireland' })
    expect((await read(body.id)).model.availability).toBe('Not sold in Ireland')
  })

  test('[C20.1] [Q12.1] what took the place of a model that is made no more, and where that is sold, stand with it', async () => {
    const [old, next] = [await add('camera', 'A5'), await add('camera', 'A6')]
    await changeModel(old.modelId, { successorId: next.modelId, availability: 'No longer made' })
    expect(await read(old.id)).toMatchObject({ successor: 'A6', model: { availability: 'No longer made' } })
    expect((await read(next.id)).successor).toBeNull()
  })
})

describe('drives and programs', () => {
  test('[A14.1] what there is of memory in all, how full a drive is, when it will be full, and whether a program has its memory', async () => {
    const drive = await call('POST', '/units', {
      category: 'drive',
      maker: '',
      name: 'Store',
      facts: { capacityMegabytes: 4_000_000 },
    })
    await add('card', 'Card', { capacityMegabytes: 128_000 })
    const { capacities } = await call('GET', '/kit-figures')
    expect(capacities.map((it: { label: string; megabytes: number }) => [it.label, it.megabytes])).toEqual(
      expect.arrayContaining([
        [expect.stringMatching(/drive/i), 4_000_000],
        [expect.stringMatching(/card/i), 128_000],
      ]),
    )
    const fills = [
      { on: '2026-08-25', usedMegabytes: 1_000_000 },
      { on: '2026-11-24', usedMegabytes: 2_000_000 },
    ]
    await tell(drive.id, { fills })
    // A terabyte in 91 days: the other two in twice as many.
    expect((await read(drive.id)).space).toMatchObject({
      usedMegabytes: 2_000_000,
      freeMegabytes: 2_000_000,
      daysLeft: 182,
    })
    const laptop = await call('POST', '/units', {
      category: 'laptop',
      maker: '',
      name: 'Laptop',
      facts: {},
      specs: { memoryGigabytes: 16 },
    })
    const software = (minimumMemoryGigabytes: number) => [makeSoftware({ minimumMemoryGigabytes })]
    await tell(laptop.id, { software: software(16) })
    expect((await read(laptop.id)).software).toEqual([])
    await tell(laptop.id, { software: software(32) })
    expect((await read(laptop.id)).software).toHaveLength(1)
  })
})

describe('seasons', () => {
  test('[A15.1] a prop has the months in which it is shown, when it was used last, and a word when it is time', async () => {
    const wreath = await add('prop', 'Wreath')
    await build([{ name: 'Wall', things: [wreath] }])
    await tell(wreath.id, { season: { from: 6, to: 8 } })
    const today = JSON.stringify(await call('GET', '/today'))
    expect(today).toContain('"season"')
    expect(today).toContain(wreath.tag)
    await tell(wreath.id, { season: { from: 11, to: 1 } })
    expect(JSON.stringify(await call('GET', '/today'))).not.toContain('"season/')
    const lastOut = async () => ((await call('GET', '/units')).rows as UnitRow[])[0]?.lastOutAt
    expect(await lastOut()).toBeNull()
    const { id, version } = await call(
      'POST',
      '/bookings',
      makeDraft({ unitIds: [wreath.id], startsAt: '2026-11-24T09:00', endsAt: '2026-11-24T10:00' }),
    )
    const { sheet } = await call('GET', `/bookings/${id}`)
    const [line] = sheet.stops[0].lines
    await call(
      'POST',
      `/bookings/${id}/take-out`,
      { items: [{ unitId: line.unitId, stockId: null, roleId: line.roleId, quantity: 1, packed: 1, note: '' }] },
      version,
    )
    expect(await lastOut()).toBe(NOW)
  })
})

describe('lent to us, given to us', () => {
  const lend = async () => {
    const lender = await call('POST', '/parties', {
      name: 'Sorrel Rentals',
      kind: 'lender',
      note: '',
      contacts: [{ kind: 'mail', value: 'desk@sorrel.example' }],
    })
    const lens = await add('lens', 'On trial')
    await tell(lens.id, {
      acquisition: 'loan-in',
      acquiredOn: '2026-11-02',
      dueOn: '2026-12-01',
      partyId: lender.id,
      provenance: { ...NO_PROVENANCE, conditionOnArrival: 'A scratch at the rim' },
    })
    return { lens, lender }
  }

  test('[P04.1] when it came and when it goes back, in which state it came, and whom to write to', async () => {
    const { lens, lender } = await lend()
    expect((await duties()).goingBack).toMatchObject([{ tag: lens.tag, dueOn: '2026-12-01', from: 'Sorrel Rentals' }])
    expect((await read(lens.id)).unit).toMatchObject({
      acquiredOn: '2026-11-02',
      provenance: { conditionOnArrival: 'A scratch at the rim' },
    })
    expect((await call('GET', `/parties/${lender.id}`)).contacts).toEqual([
      { kind: 'mail', value: 'desk@sorrel.example' },
    ])
    await tell(lens.id, { state: 'returned' })
    expect((await duties()).goingBack).toEqual([])
  })

  test('[P05.1] kept, it becomes a gift from that day, with its value, in the sum of gifts of that year', async () => {
    const { lens } = await lend()
    expect((await duties()).gifts).toEqual([])
    const { unit } = await read(lens.id)
    await tell(lens.id, {
      acquisition: 'gift',
      dueOn: null,
      provenance: { ...unit.provenance, valueMinor: 42_000, valueOn: '2026-11-30' },
    })
    const after = await duties()
    expect(after.goingBack).toEqual([])
    expect(after.gifts).toEqual([{ year: 2026, things: 1, valueMinor: 42_000, unknown: 0, taxMinor: null }])
  })

  test('[P06.1] what the crew thinks of it and how it came are two fields: neither changes the other', async () => {
    const { lens } = await lend()
    const remarks = [{ kind: 'weakness', text: 'Soft at the edges', source: 'seen' }]
    await tell(lens.id, { remarks })
    await tell(lens.id, { acquisition: 'gift' })
    expect((await read(lens.id)).unit).toMatchObject({ remarks, acquisition: 'gift' })
    expect((await read(lens.id)).disclosure).not.toContain('Soft')
  })

  test('[P09.1] [P09.2] an interest in its sale is written down, and the sentence to show says it until it ends', async () => {
    const lamp = await call('POST', '/units', { category: 'light', maker: 'Larch', name: 'Panel', facts: {} })
    const interest = {
      ...NO_PROVENANCE,
      interest: '4 % of each sale',
      interestKind: 'we-earn',
      interestUntil: '2026-12-31',
    }
    expect((await read(lamp.id)).disclosure).toBeNull()
    await tell(lamp.id, { provenance: interest })
    expect((await read(lamp.id)).disclosure).toBe(
      'We bought the Larch Panel ourselves. We earn from its sale: 4 % of each sale.',
    )
    await tell(lamp.id, { provenance: { ...interest, interestUntil: '2026-11-23' } })
    expect((await read(lamp.id)).disclosure).toBeNull()
  })

  test('[P11.1] what belongs to a venue stays in its room: there it counts, in another room it is told', async () => {
    const [hall, studio] = [await addPlace('The hall'), await addPlace('Studio')]
    const camera = await add('camcorder', 'House camera', { cardForm: 'sd', massGrams: 900 })
    await tell(camera.id, { acquisition: 'venue', placeId: hall })
    const found = async (placeId: string, code: string) => {
      const id = await build([{ name: 'A camera', wants: 'camera', things: [camera] }], { code, placeId })
      return (await judge(id)).found.filter((it) => /bound|elsewhere|absent/.test(it))
    }
    expect(await found(hall, 'PA')).toEqual([])
    expect(await found(studio, 'PB')).toHaveLength(1)
  })
})

describe('then and now', () => {
  test('[Q02.1] the kit is kept as it was on a day, with what things were worth', async () => {
    const old = await add('light', 'Lamp')
    await tell(old.id, { priceMinor: 12_000 })
    await call('POST', '/snapshots', { name: 'Before Christmas' })
    const [kept] = await call('GET', '/snapshots')
    expect(kept).toMatchObject({ name: 'Before Christmas', things: 1 })
  })

  test('[Q03.1] what came, went and changed from then to now', async () => {
    const [old, stays] = [await add('light', 'Lamp'), await add('stand', 'Stand')]
    const { id } = await call('POST', '/snapshots', { name: 'Then' })
    const fresh = await add('camera', 'New body')
    await tell(old.id, { state: 'sold' })
    await tell(stays.id, { state: 'in-repair' })
    const difference = await call('GET', `/snapshots/difference?from=${id}`)
    expect(tagsOf(difference.came)).toEqual([fresh.tag])
    expect(tagsOf(difference.went)).toEqual([old.tag])
    expect(difference.went[0].state).toBe('Sold')
    expect(difference.changed.map((it: { thing: { tag: string } }) => it.thing.tag)).toEqual([stays.tag])
  })

  test('[Q13.1] where a finished film lies, drive by drive, and that one copy is too few', async () => {
    const [one, two] = [await add('drive', 'One'), await add('drive', 'Two')]
    const film = { title: 'Ferns', on: '2026-10-01', setupId: null }
    const copy = (unitId: string) => ({ unitId, folder: '2026/ferns' })
    const { id, version } = await call('POST', '/films', { ...film, copies: [copy(one.id)] })
    const first = (await call('GET', '/films'))[0]
    expect(first.copies).toMatchObject([{ tag: one.tag, folder: '2026/ferns' }])
    await call('PUT', `/films/${id}`, { ...film, copies: [copy(one.id), copy(two.id)] }, version)
    const second = (await call('GET', '/films'))[0]
    expect(second.copies).toMatchObject([{ tag: one.tag }, { tag: two.tag }])
    expect(JSON.stringify(first.standing)).not.toBe(JSON.stringify(second.standing))
  })
})

describe('people', () => {
  const person = (name: string, part: object = {}) => call('POST', '/people', { name, skills: [], note: '', ...part })

  test('[J09.1] who is free at that time and what they can do is told while one books', async () => {
    const [wren, ash] = [
      await person('Wren Oakes', { skills: ['camera'] }),
      await person('Ash Lindqvist', { skills: ['desk'] }),
    ]
    await call('POST', '/bookings', makeDraft({ personIds: [wren.id], unitIds: [(await add('stand', 'Stand')).id] }))
    const lamp = await add('light', 'Lamp')
    const check = await call('POST', '/bookings/check', makeDraft({ title: 'Another', unitIds: [lamp.id] }))
    expect(check.busy).toEqual([{ personId: wren.id, title: 'Late roses' }])
    const later = makeDraft({ unitIds: [lamp.id], startsAt: '2026-12-10T12:00', endsAt: '2026-12-10T13:00' })
    expect((await call('POST', '/bookings/check', later)).busy).toEqual([])
    const skillsOf = (await call('GET', '/people')).map((it: { id: string; skills: string[] }) => [it.id, it.skills])
    expect(skillsOf).toEqual(
      expect.arrayContaining([
        [wren.id, ['camera']],
        [ash.id, ['desk']],
      ]),
    )
  })

  test('[J19.1] [J19.2] the skill that a setup wants hangs on one person: told for the setup; with a second, not', async () => {
    await person('Wren Oakes', { skills: ['Control desk'] })
    const { version, id, ...setup } = (await (async () => {
      const made = await build([], {})
      return call('GET', `/setups/${made}`)
    })()) as SetupReply
    await call('PUT', `/setups/${id}`, { ...setup, skills: ['control desk'] }, version)
    expect((await judge(id)).of('skill-single')).toMatchObject([{ person: 'Wren Oakes', level: 'advise' }])
    await person('Ash Lindqvist', { skills: ['control desk '] })
    expect((await judge(id)).of('skill-single')).toEqual([])
  })

  test('[J11.1] [J11.2] a loan is here until the day on which it goes back, and is not to be had after it', async () => {
    const lens = await add('lens', 'On trial')
    await tell(lens.id, { acquisition: 'loan-in', dueOn: '2026-12-10' })
    const check = async (day: string) =>
      tagsOf(
        (
          await call(
            'POST',
            '/bookings/check',
            makeDraft({ unitIds: [lens.id], startsAt: `2026-12-${day}T10:00`, endsAt: `2026-12-${day}T12:00` }),
          )
        ).troubles,
      )
    expect(await check('09')).toEqual([])
    expect(await check('11')).toEqual([lens.tag])
    expect((await duties()).goingBack).toMatchObject([{ tag: lens.tag, dueOn: '2026-12-10' }])
  })
})

describe('sizes and cases', () => {
  test('[K06.1] folded lengths of lamps, stands and modifiers are told and read back', async () => {
    for (const category of ['light', 'stand', 'softbox']) {
      const thing = await call('POST', '/units', {
        category,
        maker: '',
        name: category,
        facts: {},
        specs: { foldedMm: 305 },
      })
      expect((await read(thing.id)).model.specs.more.foldedMm).toBe(305)
    }
  })
})

describe('programs and their machines', () => {
  const told = (category: string, name: string, specs: object) =>
    call('POST', '/units', { category, maker: 'Larch', name, facts: {}, specs })

  test('[C14.1] [C14.2] the link to the app of exactly this model, and that it wants a wireless that the body has not', async () => {
    const [plain, fitted] = [
      await told('camera', 'A5', { wireless: 'no' }),
      await told('camera', 'A5 W', { wireless: 'yes' }),
    ]
    await changeModel(plain.modelId, { link: 'https://larch.example/apps/a5' })
    expect((await read(plain.id)).model.link).toBe('https://larch.example/apps/a5')
    expect((await read(fitted.id)).model.link).toBe('')
    for (const it of [plain, fitted]) await tell(it.id, { software: [makeSoftware({ needsWireless: true })] })
    expect((await read(plain.id)).software).toMatchObject([{ code: 'no-wireless', program: 'Remote', level: 'warn' }])
    expect((await read(fitted.id)).software).toEqual([])
  })

  test('[C15.1] a program on a disc, and a computer that reads none', async () => {
    const printer = await told('light', 'Panel', {})
    const [bare, able] = [
      await told('laptop', 'Thin', { discDrive: 'no' }),
      await told('laptop', 'Thick', { discDrive: 'yes' }),
    ]
    const found = async (onUnitId: string) => {
      await tell(printer.id, { software: [makeSoftware({ kind: 'driver', media: 'disc', onUnitId })] })
      return (await read(printer.id)).software.map((it: { code: string }) => it.code)
    }
    expect(await found(bare.id)).toEqual(['version-unchecked', 'no-disc-drive'])
    expect(await found(able.id)).toEqual(['version-unchecked'])
  })

  test('[D09.1] [D09.2] what feeds each microphone is told, and what wants no charging is a list', async () => {
    const mic = (name: string, fedBy: string) => told('shotgun', name, { fedBy })
    const [fed, own] = [await mic('Fed', '48 V'), await mic('Own', 'own pack')]
    const plug = await mic('Plug', 'plug-in power')
    expect((await read(fed.id)).model.specs.more.fedBy).toBe('48 V')
    const rows = (await call('GET', '/units?only=no-charging')).rows
    expect(tagsOf(rows).sort()).toEqual([fed.tag, plug.tag].sort())
    expect(tagsOf(rows)).not.toContain(own.tag)
  })

  test('[K04.1] the list to pack has what stands in the setup, what goes with it, and says what it wants and is not there', async () => {
    const [mic, shim] = [await add('dynamic-mic', 'Mic', { massGrams: 300 }), await add('other', 'Shim')]
    await tell(shim.id, { parentId: mic.id, bond: 'part' })
    const lamp = await add('light', 'Lamp', { inlet: 'iec-c7', milliwatts: 60_000, massGrams: 900 })
    const setup = await build([
      { name: 'Voice', wants: 'microphone', things: [mic] },
      { name: 'Key', wants: 'light', things: [lamp] },
    ])
    const { id } = await call('POST', '/bookings', makeDraft({ setupId: setup }))
    const { sheet } = await call('GET', `/bookings/${id}`)
    const tags = sheet.stops.flatMap((it: { lines: { tag: string }[] }) => tagsOf(it.lines))
    expect(tags.sort()).toEqual([mic, shim, lamp].map((it) => it.tag).sort())
    // The lead that the lamp wants is nowhere: it is told beside the list, and not left out in silence.
    const { findings } = await call('GET', `/setups/${setup}/readiness?bookingId=${id}`)
    const open = findings.filter((it: { code: string; tag: string }) => it.code === 'need-unmet' && it.tag === lamp.tag)
    expect(JSON.stringify(open)).toContain('iec-c7')
  })
})
