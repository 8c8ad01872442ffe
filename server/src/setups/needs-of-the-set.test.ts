import { PURPOSE_TEMPLATES, sayFinding } from '@exemplar/core'
import { beforeEach, describe, expect, test } from 'vitest'
import { TINY_PNG } from '../foundation/tiny-png.fixture.ts'
import { FULL, lightRole, prime, useLooks } from './looks.fixture.ts'
import { useQuickEntry } from './quick-entry.fixture.ts'

// Each by somebody who starts from nothing, enters things the quick way, and looks at both sides.
const quick = useQuickEntry()
const { api, call, tell, add, change, addRoom } = quick
const { camera, lamp, see, restart } = useLooks(quick)
beforeEach(restart)

const remediesOf = async (id: string, found: readonly { key: string }[]) =>
  (await call('GET', `/setups/${id}/remedies?key=${encodeURIComponent(found[0]?.key ?? '')}`)).remedies
/** Some that are counted and not told apart, with what is known of them. */
const count = (category: string, name: string, specs: object = {}, quantity = 3) =>
  call('POST', '/stock', { category, maker: '', name, facts: {}, specs, quantity, reorderLevel: 0, placeId: null })
const WORDS = { sayDay: (day: string) => day, sayInstant: String }
const FOR_BACKGROUND = { light: { job: 'background' } }

describe('what fills and what lights the background', () => {
  test('[G25.1] a light on the background is a place to be filled, unless it is dark on purpose', async () => {
    for (const purpose of ['talking-head', 'interview'] as const)
      expect(PURPOSE_TEMPLATES[purpose].roles).toContainEqual(
        expect.objectContaining({ job: 'background', importance: 'wanted' }),
      )
    const key = await lamp({ luxAtOneMetre: 1_000 })
    const keyed = lightRole('Key', [key], { distanceMm: 1_000, sideDegrees: 0 })
    const empty = { name: 'Back', wants: 'light', importance: 'wanted', rest: FOR_BACKGROUND }
    const look = async (roles: object[], stage: object, code: string) => {
      const one = await see(roles as never, { code, stage })
      return one.found.filter((it) => /role-empty|background/.test(it))
    }
    expect(await look([keyed, empty], {}, 'QA')).toEqual(['warn role-empty'])
    expect(await look([keyed, empty], { background: 'dark' }, 'QB')).toEqual([])
    // One cause, told once.
    expect(await look([keyed, empty], { background: 'lit' }, 'QK')).toEqual(['warn role-empty'])
    const meant = { ...empty, rest: { ...FOR_BACKGROUND, intentionallyEmpty: true } }
    expect(await look([keyed, meant], { background: 'lit' }, 'QL')).toEqual(['warn background-unlit'])
    // Without a place for one it is said, as advice; by whom a face is not lit nothing is.
    expect(await look([keyed], {}, 'QC')).toEqual(['advise background-unlit'])
    expect(await look([keyed], { background: 'dark' }, 'QD')).toEqual([])
    expect(await look([lightRole('Lamp', [key], {})], {}, 'QF')).toEqual([])
    // Of a table from above nobody asks what is behind.
    const above = await see([keyed], { code: 'QJ', purposeKind: 'top-down' })
    expect(above.of('background-unlit')).toEqual([])
    // Measured, or near enough that the key reaches it.
    expect(await look([keyed], { backgroundLux: 200 }, 'QG')).toEqual([])
    expect(
      await look(
        [lightRole('Key', [key], { distanceMm: 1_000, sideDegrees: 0 }, { Level: '50 %' })],
        { backdropMm: 500 },
        'QH',
      ),
    ).toEqual([])
    const own = lightRole('Back', [await lamp({})], {}, {}, { job: 'background' })
    expect(await look([keyed, own], {}, 'QI')).toEqual([])
  })

  test('[G30.1] [G30.2] fill from a wall, a reflector or a second lamp: they fill its place, and what is free comes first', async () => {
    const key = await lamp({ luxAtOneMetre: 1_000, dims: 'no' })
    const second = await lamp({ luxAtOneMetre: 500, dims: 'no', beamDegrees: 40 })
    const bounce = await add('reflector', 'White board')
    const room = await addRoom()
    const keyed = lightRole('Key', [key], { distanceMm: 1_000, sideDegrees: 0 }, {}, { job: 'key' })
    const fill = (things: { id: string }[], rest: object = {}) => ({
      name: 'Fill',
      wants: 'light',
      importance: 'wanted',
      things,
      rest: { light: { job: 'fill' }, ...rest },
    })
    const open = await see([keyed, fill([])], { ...room, code: 'QA' })
    const empty = open.of('role-empty')
    expect(await remediesOf(open.id, empty)).toMatchObject([
      { kind: 'surface', name: 'A white wall' },
      { kind: 'assign', tags: [bounce.tag] },
      { kind: 'assign', tags: [second.tag] },
    ])
    // Outdoors there is no wall.
    const outside = await see([keyed, fill([])], { code: 'QB' })
    expect(
      (await remediesOf(outside.id, outside.of('role-empty'))).map((it: { kind: string }) => it.kind),
    ).not.toContain('surface')
    const wall = await see([keyed, fill([], { providedBy: { kind: 'surface', name: 'White wall' } })], {
      ...room,
      code: 'QC',
    })
    expect([wall.of('role-empty'), wall.says('scene', 'ratio')]).toEqual([
      [],
      'Not known yet: what White wall gives back: measure it at the face with the key shaded.',
    ])
    const board = await see([keyed, fill([bounce])], { ...room, code: 'QD' })
    expect([board.of('role-empty'), board.says('scene', 'ratio')]).toEqual([
      [],
      `Not known yet: what ${bounce.tag} gives back: measure it at the face with the key shaded.`,
    ])
    // A place for a key is not filled by a board.
    const bare = await see([{ name: 'Key', wants: 'light', things: [bounce], rest: { light: { job: 'key' } } }], {
      ...room,
      code: 'QF',
    })
    expect(bare.of('role-empty')).toHaveLength(1)
  })

  test('[G47.1] [G47.2] the usual sizes of umbrellas and softboxes, and how large each looks from there', async () => {
    const key = await lamp({ luxAtOneMetre: 1_000 })
    const { says } = await see([lightRole('Key', [key], { distanceMm: 1_500 })])
    // 2 · atan(r / d), worked out apart from the product.
    expect(says('Key', 'other-sizes')).toBe('45 cm 17°, 60 cm 23°, 90 cm 33°, 120 cm 44°, 150 cm 53°, 180 cm 62°.')
    const nowhere = await see([lightRole('Key', [key], {})], { code: 'QF' })
    expect(nowhere.says('Key', 'other-sizes')).toBe(null)
  })

  test('[S12.1] a ring: no side is taken, and its reflection and how steady it is where it stands are told', async () => {
    const ring = await lamp({ luxAtOneMetre: 1_000 }, 'ring-light')
    const lit = async (distanceMm: number | null, demands: string[], code: string) =>
      (await see([lightRole('Key', [ring], { distanceMm, sideDegrees: 0 })], { code, demands })).says('Key', 'ring')
    // Half a metre away, 15 cm nearer: 2 · log₂(500 / 350) = 1.03 stops.
    expect(await lit(500, ['spectacles'], 'QA')).toBe(
      'Round the lens it throws no shadow beside the nose. Its ring is seen in the eyes, and in the spectacles that are worn. Who leans 15 cm nearer than 0.5 m gets 1 stop more.',
    )
    expect(await lit(2_000, [], 'QB')).toMatch(
      /where somebody wears them\. Who leans 15 cm nearer than 2 m gets 0\.2 stops more/,
    )
    expect(await lit(null, [], 'QC')).toMatch(/How near they stay to it decides/)
    const key = await lamp({ luxAtOneMetre: 1_000 })
    expect((await see([lightRole('Key', [key], {})], { code: 'QD' })).says('Key', 'ring')).toBe(null)
  })
})

describe('the background itself', () => {
  test('[I02.1] [I02.2] it is tidied first, held against a still of how it should look', async () => {
    const rig = await camera(FULL, prime(50))
    // Also of a setup of which nobody said more than that it has a camera; not of a table from above.
    const { id } = await see([{ name: 'A camera', things: rig }])
    const above = await see([{ name: 'A camera', things: rig }], { code: 'QB', purposeKind: 'top-down' })
    const ofTable = (await call('GET', `/setups/${above.id}/start`)).lines
    expect(ofTable.filter((it: { kind: string }) => it.kind === 'tidy')).toEqual([])
    const tidy = async () =>
      (await call('GET', `/setups/${id}/start`)).lines.filter((it: { kind: string }) => it.kind === 'tidy')
    expect(await tidy()).toMatchObject([{ stillId: null }])
    const keep = async (name: string) => {
      const reply = await api().call('POST', `/attachments?subjectType=setup&subjectId=${id}&name=${name}`, TINY_PNG, {
        'content-type': 'image/png',
      })
      return reply.body.id
    }
    await keep('Receipt.png')
    expect(await tidy()).toMatchObject([{ stillId: null }])
    const still = await keep('Reference.png')
    expect(await tidy()).toMatchObject([{ stillId: still }])
  })

  test('[I04.1] [I04.2] [I04.3] creases want what takes them out, with its minutes; what is rolled or hung wants nothing', async () => {
    const rig = await camera(FULL, prime(50))
    const steamer = await tell('tool', 'Steamer', {}, { smooths: 'yes' })
    const cloth = async (specs: object, tools: { id: string }[], code: string) => {
      const it = await tell('backdrop', `Cloth ${code}`, {}, specs)
      const one = await see(
        [
          { name: 'A camera', things: rig },
          { name: 'Backdrop', things: [it, ...tools] },
        ],
        { code },
      )
      return { id: one.id, found: one.of('creased') }
    }
    const levels = async (...args: Parameters<typeof cloth>) => (await cloth(...args)).found.map((it) => it.level)
    const easily = { material: 'cloth', creases: 'easily' }
    const folded = await cloth({ ...easily, stored: 'folded' }, [], 'QA')
    expect(folded.found.map((it) => it.level)).toEqual(['warn'])
    expect(folded.found.map((it) => sayFinding(it, WORDS).text)).toEqual([
      'It is folded, and nothing is there that takes creases out, such as a steamer: about 10 minutes. Rolled or hung it would need none.',
    ])
    expect(await remediesOf(folded.id, folded.found)).toMatchObject([{ kind: 'assign', tags: [steamer.tag] }])
    expect(await cloth({ ...easily, stored: 'folded' }, [steamer], 'QB')).toMatchObject({
      found: [{ level: 'advise', tool: steamer.tag }],
    })
    expect(await levels({ ...easily, stored: 'rolled' }, [], 'QC')).toEqual([])
    expect(await levels({ ...easily, stored: 'hung' }, [], 'QD')).toEqual([])
    expect(await levels(easily, [], 'QF')).toEqual(['unknown'])
    expect(await levels({ stored: 'folded' }, [], 'QG')).toEqual(['unknown'])
    expect(await levels({}, [], 'QH')).toEqual([])
    expect(await levels({ material: 'cloth', creases: 'hardly', stored: 'folded' }, [], 'QI')).toEqual([])
    expect(await levels({ material: 'cloth', creases: 'somewhat', stored: 'folded' }, [], 'QJ')).toEqual(['advise'])
    // Paper bears no steam: the steamer mends nothing.
    expect(await levels({ material: 'paper', creases: 'easily', stored: 'folded' }, [steamer], 'QK')).toEqual(['warn'])
    // The steamer is broken.
    await change(steamer, { state: 'lost' })
    const dead = await cloth({ ...easily, stored: 'folded' }, [steamer], 'QL')
    expect(dead.found).toMatchObject([{ level: 'warn', tool: null }])
    expect(await remediesOf(dead.id, dead.found)).toMatchObject([{ kind: 'shop', item: 'Steamer' }])
  })

  test('[G43.1] [G43.2] colours put right afterwards: their minutes are in the plan, and whether a chart is there to go by', async () => {
    const rig = await camera(FULL, prime(50))
    const card = await add('colour-card', 'Chart')
    const look = async (correctionMinutes: number | null, things: { id: string }[], code: string) => {
      const one = await see([{ name: 'A camera', things: [...rig, ...things] }], { code, stage: { correctionMinutes } })
      const { time } = await call('GET', `/setups/${one.id}/minutes`)
      const { lines } = await call('GET', `/setups/${one.id}/start`)
      return {
        id: one.id,
        minutes: time.correctionMinutes,
        says: one.says('scene', 'correction'),
        found: one.of('colour-card-lacking'),
        filmed: lines
          .filter((it: { kind: string }) => it.kind === 'chart')
          .flatMap((it: { tags: string[] }) => it.tags),
      }
    }
    const bare = await look(40, [], 'QA')
    expect(bare).toMatchObject({
      minutes: 40,
      says: '40 min for each film. No colour card is in the setup to go by.',
      found: [{ level: 'advise' }],
      filmed: [],
    })
    expect(await remediesOf(bare.id, bare.found)).toMatchObject([{ kind: 'assign', tags: [card.tag] }])
    expect(await look(40, [card], 'QB')).toMatchObject({
      minutes: 40,
      says: `40 min for each film. ${card.tag} is filmed for it.`,
      found: [],
      filmed: [card.tag],
    })
    // Nobody corrects anything, or said so: nothing is asked.
    expect(await look(0, [], 'QC')).toMatchObject({ says: null, found: [] })
    expect(await look(null, [], 'QD')).toMatchObject({ minutes: null, says: null, found: [] })
    // One that is away is told as that, and goes by nothing.
    await change(card, { state: 'lost' })
    expect(await look(40, [card], 'QF')).toMatchObject({ found: [], says: expect.stringMatching(/No colour card/) })
  })
})

describe('what is counted, away, there in case or left empty on purpose', () => {
  const kinds = (found: readonly string[]) => found.filter((it) => /role-empty|background-unlit/.test(it))

  test('[G25.1] a flash lights no background; a counted key is one, an absent or a spare one is not; on purpose is an answer', async () => {
    const [key, back] = [await lamp({ luxAtOneMetre: 1_000 }), await lamp({ luxAtOneMetre: 900 })]
    const flash = await add('flash', 'Flash')
    const keys = await count('cob', 'Counted', { luxAtOneMetre: 1_000 })
    const keyed = lightRole('Key', [key], { distanceMm: 1_000, sideDegrees: 0 })
    const role = (part: object) => ({
      name: 'Back',
      wants: 'light',
      importance: 'wanted',
      rest: FOR_BACKGROUND,
      ...part,
    })
    const look = async (roles: object[], stage: object, code: string) =>
      kinds((await see(roles as never, { code, stage })).found)
    expect(await look([keyed, role({ things: [flash] })], { background: 'lit' }, 'QA')).toEqual([
      'warn background-unlit',
    ])
    const counted = { ...keyed, things: [], stock: [{ id: keys.id, quantity: 1 }] }
    expect(await look([counted], {}, 'QB')).toEqual(['advise background-unlit'])
    expect(await look([keyed, role({ spares: [back] })], {}, 'QC')).toEqual(['warn role-empty'])
    const meant = role({ rest: { ...FOR_BACKGROUND, intentionallyEmpty: true } })
    expect(await look([keyed, meant], {}, 'QD')).toEqual([])
    await change(key, { state: 'lost' })
    expect(await look([keyed], {}, 'QF')).toEqual([])
  })

  test('[G30.1] [G30.2] counted reflectors are offered and fill; one that is there in case does not', async () => {
    const boards = await count('reflector', 'Foil board')
    const room = await addRoom()
    const key = await lamp({ luxAtOneMetre: 1_000, dims: 'no' })
    const look = async (part: object, code: string) => {
      const keyed = lightRole('Key', [key], { distanceMm: 1_000, sideDegrees: 0 })
      const fill = { name: 'Fill', wants: 'light', importance: 'wanted', rest: { light: { job: 'fill' } }, ...part }
      return see([keyed, fill] as never, { ...room, code, stage: { background: 'dark' } })
    }
    const open = await look({}, 'QA')
    expect(await remediesOf(open.id, open.of('role-empty'))).toMatchObject([
      { kind: 'surface' },
      { kind: 'assign-stock', stockId: boards.id, quantity: 1 },
    ])
    expect((await look({ stock: [{ id: boards.id, quantity: 1 }] }, 'QB')).of('role-empty')).toEqual([])
    expect(
      (await look({ stock: [{ id: boards.id, quantity: 1, isSpare: true }] }, 'QC')).of('role-empty'),
    ).toHaveLength(1)
    const board = await add('reflector', 'White board')
    await change(board, { state: 'lost' })
    const away = await look({ things: [board] }, 'QD')
    expect([away.of('role-empty'), away.of('thing-absent')]).toMatchObject([[], [{ tag: board.tag }]])
    expect(away.says('scene', 'ratio')).toMatch(/^No fill/)
  })

  test('[G43.2] [I02.2] a counted chart is filmed, one in case or away is not; another picture is no reference', async () => {
    const rig = await camera(FULL, prime(50))
    const cards = await count('colour-card', 'Chart')
    const look = async (part: object, code: string) => {
      const one = await see([{ name: 'A camera', things: rig, ...part }] as never, {
        code,
        stage: { correctionMinutes: 20 },
      })
      const { lines } = await call('GET', `/setups/${one.id}/start`)
      const filmed = lines.filter((it: { kind: string }) => it.kind === 'chart')
      return {
        id: one.id,
        lacks: one.of('colour-card-lacking').length,
        filmed: filmed.flatMap((it: { tags: string[] }) => it.tags),
      }
    }
    expect(await look({ stock: [{ id: cards.id, quantity: 1 }] }, 'QA')).toMatchObject({
      lacks: 0,
      filmed: [cards.tag],
    })
    const spare = await look({ stock: [{ id: cards.id, quantity: 1, isSpare: true }] }, 'QB')
    expect(spare).toMatchObject({ lacks: 1, filmed: [] })
    const card = await add('colour-card', 'Card')
    await change(card, { state: 'lost' })
    expect(await look({ things: [...rig, card] }, 'QC')).toMatchObject({ lacks: 0, filmed: [] })
    await api().call(
      'POST',
      `/attachments?subjectType=setup&subjectId=${spare.id}&name=Reference%20shelf.png`,
      TINY_PNG,
      {
        'content-type': 'image/png',
      },
    )
    const { lines } = await call('GET', `/setups/${spare.id}/start`)
    expect(lines.filter((it: { kind: string }) => it.kind === 'tidy')).toMatchObject([{ stillId: null }])
  })

  test('[I04.1] a counted steamer is as good as a single one, in the setup and in the store', async () => {
    const steamers = await count('tool', 'Hand steamer', { smooths: 'yes' })
    const cloths = await count('backdrop', 'Cloth', { material: 'cloth', creases: 'easily', stored: 'folded' })
    const look = async (stock: object[], code: string) =>
      see([{ name: 'Backdrop', stock: [{ id: cloths.id, quantity: 1 }, ...stock] }] as never, { code })
    const bare = await look([], 'QA')
    expect(bare.of('creased')).toMatchObject([{ level: 'warn', tool: null }])
    expect(await remediesOf(bare.id, bare.of('creased'))).toMatchObject([
      { kind: 'assign-stock', stockId: steamers.id },
    ])
    expect((await look([{ id: steamers.id, quantity: 1 }], 'QB')).of('creased')).toMatchObject([{ level: 'advise' }])
    expect((await look([{ id: steamers.id, quantity: 1, isSpare: true }], 'QC')).of('creased')).toMatchObject([
      { level: 'warn' },
    ])
  })
})
