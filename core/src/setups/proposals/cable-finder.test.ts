import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { Category } from '../../kit/model/category.ts'
import type { MoreSpecs } from '../../kit/model/spec.ts'
import { makeModelFromTemplate } from '../../kit/template/template.ts'
import type { TemplateFacts } from '../../kit/template/template-facts.ts'
import { INTERFACES } from '../placed/things.fixture.ts'
import { type Conduit, findCables } from './cable-finder.ts'
import { countCables } from './cable-stock.ts'

const makeModel = (category: Category, name: string, facts: Partial<TemplateFacts>, more: MoreSpecs = {}) => {
  const model = makeModelFromTemplate(category, '', name, facts)
  return { ...model, specs: { ...model.specs, more }, id: name, version: 1 }
}
const conduit = (
  tag: string,
  category: Category,
  facts: Partial<TemplateFacts>,
  lengthMm?: number,
  used = 0,
): Conduit => ({
  unitId: tag,
  tag,
  model: makeModel(category, `${category}-${JSON.stringify(facts)}-${lengthMm}`, facts, lengthMm ? { lengthMm } : {}),
  usedBySetups: used,
})
const xlr = (tag: string, lengthMm?: number, used = 0) =>
  conduit(tag, 'cable', { endA: 'xlr-3', endB: 'xlr-3' }, lengthMm, used)
const hdmi = (tag: string, a: string, b: string, lengthMm?: number) =>
  conduit(tag, 'cable', { endA: a, endB: b }, lengthMm)

const portOf = (category: Category, id: string, facts: Partial<TemplateFacts> = {}) => {
  const port = makeModel(category, 'device', facts).ports.find((it) => it.id === id)
  if (!port) throw new Error(`${category} has no ${id}`)
  return port
}
const microphone = portOf('shotgun', 'out')
const recorder = portOf('recorder', 'mic-in', { cardForm: 'sd', kilobitsPerSecond: 1 })
const camera = portOf('camera', 'mic-in')
const picture = portOf('camera', 'video-out')
const switcher = portOf('switcher', 'video-in')

const find = (from: typeof camera, to: typeof camera, conduits: Conduit[], neededMm: number | null = null) => {
  const { ways, tooShort, toBuy } = findCables({ from, to, neededMm, conduits, interfaces: INTERFACES })
  const tags = (of: typeof ways) => of.map((way) => way.pieces.map((it) => it.tag).join('+'))
  return { ways: tags(ways), tooShort: tags(tooShort), toBuy, all: ways }
}

describe('the cable finder', () => {
  test('one cable that reaches; the one that fewer setups count on; the shorter of two', () => {
    expect(find(microphone, recorder, [xlr('A', 5_000)], 4_000).ways).toEqual(['A'])
    expect(find(microphone, recorder, [xlr('A', 5_000, 2), xlr('B', 5_000)], 4_000).ways).toEqual(['B', 'A'])
    expect(find(microphone, recorder, [xlr('A', 9_000), xlr('B', 5_000)], 4_000).ways[0]).toBe('B')
    // The shortest that reaches goes before one that fewer setups count on.
    expect(find(microphone, recorder, [xlr('A', 5_000), xlr('B', 3_000, 2)], 2_500).ways).toEqual(['B', 'A'])
  })
  test('exactly long enough reaches; a millimetre short does not, and two are joined', () => {
    expect(find(microphone, recorder, [xlr('A', 5_000)], 5_000).ways).toEqual(['A'])
    const short = find(microphone, recorder, [xlr('A', 5_000), xlr('B', 3_000)], 5_001)
    expect([short.ways[0], short.tooShort]).toEqual(['A+B', ['B', 'A']])
  })
  test('a length that nobody recorded comes after one that is known to reach', () => {
    expect(find(microphone, recorder, [xlr('A'), xlr('B', 6_000)], 5_000).ways[0]).toBe('B')
  })
  test('an XLR microphone into a camera that has only 3.5 mm: through an adapter, or what to buy', () => {
    const adapter = conduit('AD', 'cable-adapter', { endA: 'xlr-3', endB: 'trs-35' })
    expect(find(microphone, camera, [xlr('A', 5_000), adapter], 3_000).ways).toEqual(['A+AD'])
    const { ways, toBuy } = find(microphone, camera, [xlr('A', 5_000)], 3_000)
    expect(ways).toEqual([])
    expect([toBuy?.from, toBuy?.leastMm]).toEqual([expect.stringMatching(/XLR.*socket$/), 3_000])
  })
  test('small HDMI to a switcher: the cable with the right ends, never one whose ends only look alike', () => {
    const small = portOf('camera', 'video-out')
    const micro = { ...small, interfaces: ['hdmi-d'] }
    const cables = [hdmi('AA', 'hdmi-a', 'hdmi-a', 3_000), hdmi('DA', 'hdmi-d', 'hdmi-a', 3_000)]
    expect(find(micro, switcher, cables, 2_000).ways).toEqual(['DA'])
    expect(find(picture, switcher, cables, 2_000).ways).toEqual(['AA'])
  })
  test('longer than a passive run may be is said, and comes last', () => {
    const long = find(picture, switcher, [hdmi('L', 'hdmi-a', 'hdmi-a', 15_000)], 12_000)
    expect(long.all[0]).toMatchObject({ lengthMm: 15_000, overLimitMm: 10_000 })
  })
  test('48 V that a microphone must not get is named with the way', () => {
    const ribbon = { ...microphone, forbids: ['phantom-48v'] }
    const powered = { ...recorder, carries: ['phantom-48v'] }
    expect(find(ribbon, powered, [xlr('A', 5_000)]).all[0]?.forbidden).toEqual(['phantom-48v'])
    expect(find(microphone, powered, [xlr('A', 5_000)]).all[0]?.forbidden).toEqual([])
  })
  test('mains: a lead, or a lead and a strip, never a strip in a strip; a strip on a reel', () => {
    const inlet = portOf('practical', 'inlet', { inlet: 'iec-c7' })
    const socket = { ...inlet, id: 'socket', interfaces: ['mains-bs1363'], importance: 'optional' as const }
    const lead = conduit('LED', 'lead', { inlet: 'iec-c7' }, 2_000)
    const strip = conduit('S1', 'strip', { outlets: 4 }, 3_000)
    const long = conduit('S2', 'strip', { outlets: 4 }, 25_000)
    expect(find(inlet, socket, [lead, strip, long], 4_000).ways).toEqual(['LED+S1', 'LED+S2'])
    expect(find(inlet, socket, [lead, strip, long], 28_000).ways).toEqual([])
    const reels = ['R1', 'R2'].map((tag) => conduit(tag, 'reel', { outlets: 4 }, 25_000))
    expect(find(inlet, socket, [lead, strip, ...reels], 28_000).ways).toEqual(['LED+S1+R1'])
    expect(find(inlet, socket, [lead, ...reels], 40_000).ways).toEqual([])
  })
  test('whatever is found reaches, uses nothing twice, and joins end to end', () => {
    const piece = fc.record({
      ends: fc.constantFrom(['xlr-3', 'xlr-3'], ['xlr-3', 'trs-35'], ['trs-35', 'trs-35'], ['trs-35', 'xlr-3']),
      lengthMm: fc.constantFrom(undefined, 1_000, 3_000),
      category: fc.constantFrom('cable' as const, 'cable-adapter' as const),
    })
    let found = 0
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 5 }), fc.constantFrom(null, 2_000, 4_000), (pieces, neededMm) => {
        const conduits = pieces.map(({ ends: [endA = '', endB = ''], lengthMm, category }, at) =>
          conduit(`P${at}`, category, { endA, endB }, lengthMm),
        )
        const { ways } = findCables({ from: microphone, to: camera, neededMm, conduits, interfaces: INTERFACES })
        for (const way of ways) {
          found++
          const tags = way.pieces.map((it) => it.tag)
          expect(new Set(tags).size).toBe(tags.length)
          if (neededMm !== null && way.lengthMm !== null) expect(way.lengthMm).toBeGreaterThanOrEqual(neededMm)
          const ends = tags.map((tag) => pieces[Number(tag.slice(1))]?.ends ?? [])
          expect(ends[0]?.[0]).toBe('xlr-3')
          expect(ends.at(-1)?.[1]).toBe('trs-35')
          for (const [at, end] of ends.slice(1).entries()) expect(end[0]).toBe(ends[at]?.[1])
        }
      }),
    )
    expect(found).toBeGreaterThan(20)
  })
})

test('cables are counted by their ends, whichever way round, the scarcest first', () => {
  const kinds = countCables(
    [
      hdmi('A', 'hdmi-d', 'hdmi-a', 2_000),
      hdmi('B', 'hdmi-a', 'hdmi-d', 5_000),
      xlr('C', 5_000, 1),
      conduit('D', 'cable', {}),
    ],
    INTERFACES,
  )
  expect(kinds.map(({ ends, owned, spare }) => [ends, owned, spare])).toEqual([
    ['XLR, 3 pin', 1, 0],
    ['ends not recorded', 1, 1],
    ['HDMI type A – HDMI type D (micro)', 2, 2],
  ])
})
