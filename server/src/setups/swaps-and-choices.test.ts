import { describe, expect, test } from 'vitest'
import { makeSetup, type Thing, useQuickEntry } from './quick-entry.fixture.ts'

/** What changes when a thing is swapped, and what is chosen in one go, from an empty instance by quick entry. */
const { call, build, judge } = useQuickEntry()

const addWith = (category: string, name: string, specs: object, facts: object = {}): Promise<Thing> =>
  call('POST', '/units', { category, maker: '', name, facts, specs })

describe('[V18] another lens frames as it does itself', () => {
  async function film(lensSpecs: object, focalMm: number | null) {
    const { code: mount } = await call('POST', '/interfaces', {
      label: 'Larch mount',
      standard: '',
      viaCableOnly: false,
      kind: 'mount',
      hostName: 'body',
      guestName: 'lens',
    })
    const camera = await addWith('camera', 'Larch one', { sensorWidthMm: 36 }, { mount })
    const lens = await addWith('lens', 'Glass', lensSpecs, { mount })
    const position = { distanceMm: 2_000, sideDegrees: null, heightMm: null, focalMm }
    const id = await build([{ name: 'A camera', things: [camera, lens], rest: { position } }])
    const [{ angles }] = await call('GET', '/cameras')
    const { of } = await judge(id)
    const said = [...of('focal-differs'), ...of('focal-unknown')].map((it) => `${it.level} ${it.code}`)
    return [angles[0].focalMm, Math.round(angles[0].frameWidthMm), said]
  }

  // Worked by hand: width · (distance − f) / f. 36 · (2,000 − 24) / 24 = 2,964; 36 · (2,000 − 35) / 35 = 2,021.
  test.each<[string, object, number | null, unknown]>([
    [
      'a prime of 35 mm, the role still says 24',
      { focalMinMm: 35, focalMaxMm: 35 },
      24,
      [35, 2_021, ['warn focal-differs']],
    ],
    ['the prime for which it was set', { focalMinMm: 24, focalMaxMm: 24 }, 24, [24, 2_964, []]],
    ['a zoom, at its limit', { focalMinMm: 24, focalMaxMm: 70 }, 24, [24, 2_964, []]],
    ['a zoom, a millimetre beyond it', { focalMinMm: 25, focalMaxMm: 70 }, 24, [null, 0, ['warn focal-differs']]],
    ['a prime, nothing set', { focalMinMm: 35 }, null, [35, 2_021, []]],
    ['a lens of which nobody knows', {}, 24, [24, 2_964, ['unknown focal-unknown']]],
  ])('%s', async (_, specs, focalMm, expected) => {
    expect(await film(specs, focalMm)).toEqual(expected)
  })
})

describe('[V26] lamps that are chosen in one go match each other', () => {
  const lamp = (name: string, kelvinMin: number, kelvinMax: number) =>
    addWith('light', name, { kelvinMin, kelvinMax }, { massGrams: 1_000 })
  const choose = async (names: string[], things: Thing[] = []) => {
    await call(
      'PUT',
      '/studio',
      { ...(await readStudio()), schools: { colour: 'match' } },
      (await call('GET', '/studio')).version,
    )
    const roles = names.map((name) => ({ name, wants: 'light' }))
    const standing = things.length > 0 ? [{ name: 'Key', wants: 'light', things }] : []
    const { id } = await call('POST', '/setups', makeSetup([...standing, ...roles]))
    const { choices } = await call('GET', `/setups/${id}/choose`)
    return choices.map((it: { name: string }) => it.name).sort()
  }
  const readStudio = async () => {
    const { version: _version, ...studio } = await call('GET', '/studio')
    return studio
  }

  test('two of daylight rather than one of each, though the tungsten ones come first', async () => {
    await lamp('Tungsten', 3_200, 3_200)
    await lamp('Daylight', 5_600, 5_600)
    await lamp('Both', 2_700, 6_500)
    await lamp('Bright day', 5_600, 5_600)
    // Any three of which all reach one colour: the two of daylight and the one that is set to it.
    expect(await choose(['Key', 'Fill', 'Rim'])).toEqual(['Both', 'Bright day', 'Daylight'])
  })

  test('they match what stands already', async () => {
    const key = await lamp('Standing', 3_200, 3_200)
    await lamp('Daylight', 5_600, 5_600)
    await lamp('Bright day', 5_600, 5_600)
    await lamp('Warm', 3_000, 3_400)
    expect(await choose(['Fill'], [key])).toEqual(['Warm'])
  })

  test('where nothing matches, the role is filled all the same', async () => {
    await lamp('Tungsten', 3_200, 3_200)
    await lamp('Daylight', 5_600, 5_600)
    expect(await choose(['Key', 'Fill'])).toEqual(['Daylight', 'Tungsten'])
  })
})
