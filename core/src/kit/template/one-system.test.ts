import { describe, expect, test } from 'vitest'
import type { Category } from '../model/category.ts'
import { type Interface, STANDARD_INTERFACES } from '../model/interface.ts'
import {
  countBodyPoints,
  crossModifiers,
  judgeConformity,
  listMakerMixes,
  listSystems,
  type Piece,
  rankPortability,
} from '../model/one-system.ts'
import { findPowerSource, listPowerSources } from '../model/power-source.ts'
import { makeModelFromTemplate } from './template.ts'
import type { TemplateFacts } from './template-facts.ts'

const own = (code: string, kind: Interface['kind']): Interface => ({
  code,
  label: code,
  kind,
  hostName: 'host',
  guestName: 'guest',
  standard: null,
  viaCableOnly: false,
  version: 1,
})
const INTERFACES = [...STANDARD_INTERFACES, own('mount-a', 'mount'), own('mount-b', 'mount'), own('plate-a', 'carry')]

const piece = (
  tag: string,
  kind: Category,
  facts: Partial<TemplateFacts> = {},
  priceMinor: number | null = null,
): Piece => ({
  unitId: tag,
  tag,
  model: { ...makeModelFromTemplate(kind, 'Maker', tag, facts), id: tag, version: 1 },
  priceMinor,
})
const withPlate = (it: Piece): Piece => ({
  ...it,
  model: {
    ...it.model,
    ports: it.model.ports.map((port) =>
      port.interfaces.includes('thread-1-4') ? { ...port, interfaces: ['plate-a', ...port.interfaces] } : port,
    ),
  },
})

describe('families of the kit', () => {
  const kit = [
    piece('CAM1', 'camera', { mount: 'mount-a' }),
    piece('CAM2', 'camera', { mount: 'mount-b' }),
    piece('LENA', 'lens', { mount: 'mount-a' }, 40_000),
    piece('LENB', 'lens', { mount: 'mount-b' }, 20_000),
    piece('ADP', 'lens-adapter', { mount: 'mount-a', frontMount: 'mount-b' }, 9_000),
  ]

  test('what everybody has is no family; the one with most in it comes first', () => {
    expect(listSystems(kit, INTERFACES).map((it) => [it.code, it.hosts.length, it.guests.length])).toEqual([
      ['mount-a', 1, 2],
      ['mount-b', 2, 1],
    ])
  })

  test('leaving a family leaves idle what goes nowhere else, with what it cost', () => {
    const [a, b] = listSystems(kit, INTERFACES)
    expect(a?.orphans.map((it) => it.tag)).toEqual(['LENA', 'ADP'])
    expect(a?.orphanMinor).toBe(49_000)
    expect(b?.orphans.map((it) => it.tag)).toEqual(['LENB'])
    expect(
      listSystems([...kit, piece('LENX', 'lens', { mount: 'mount-b' })], INTERFACES).find((it) => it.code === 'mount-b')
        ?.orphanMinor,
    ).toBeNull()
  })

  test('leaving a family: what lies idle is sold and others bought; of what nobody knows both, nothing is summed', () => {
    const told = { resaleMinor: 15_000, againMinor: 45_000 }
    const priced = kit.map((it) => (it.tag === 'LENA' ? { ...it, ...told } : it))
    expect(listSystems(priced, INTERFACES)[0]?.leaving).toEqual({ ...told, unknown: 1 })
    expect(listSystems(kit, INTERFACES)[0]?.leaving).toEqual({ resaleMinor: 0, againMinor: 0, unknown: 2 })
  })

  test('a plate that leaves its thread goes elsewhere, so leaving it leaves nothing idle', () => {
    const plated = [withPlate(piece('CAM', 'camera')), withPlate(piece('TRI', 'tripod'))]
    expect(listSystems(plated, INTERFACES)).toMatchObject([{ code: 'plate-a', orphans: [] }])
  })
})

test('cameras of several makers in one setup want their colours matched', () => {
  const of = (maker: string, kind: Category = 'camera') => {
    const it = piece(maker, kind)
    return { ...it, model: { ...it.model, maker } }
  }
  const setups = [
    { code: 'GI', name: 'Interview', pieces: [of('Verrin'), of('Quarle'), of('Tarn', 'lens')] },
    { code: 'PB', name: 'Bench', pieces: [of('Quarle'), of('Tarn', 'lens')] },
  ]
  expect(listMakerMixes(setups)).toEqual([{ code: 'GI', name: 'Interview', makers: ['Quarle', 'Verrin'] }])
})

describe('one fitting on every support', () => {
  test('how many have it, which have not, and what it costs to finish', () => {
    const kit = [withPlate(piece('T1', 'tripod')), piece('T2', 'tripod'), piece('ARM', 'arm'), piece('S', 'stand')]
    const conformity = judgeConformity(kit, 'plate-a', 1_800)
    expect(conformity).toMatchObject({ share: 1 / 3, missing: 2, costMinor: 3_600 })
    expect(judgeConformity(kit, 'plate-a', null).costMinor).toBeNull()
    expect(judgeConformity([], 'plate-a', 1_800)).toMatchObject({ share: 0, missing: 0, costMinor: 0 })
  })
})

describe('microphones', () => {
  test('the one that goes into most devices by its own plug comes first', () => {
    const devices = [piece('CAM', 'camera'), piece('REC', 'recorder'), piece('MIX', 'mixer')]
    const ranked = rankPortability([piece('LAV', 'lavalier'), piece('SHO', 'shotgun')], devices)
    expect(ranked).toMatchObject([
      { tag: 'SHO', direct: ['REC', 'MIX'], adapted: ['CAM'] },
      { tag: 'LAV', direct: ['CAM'], adapted: ['REC', 'MIX'] },
    ])
  })
})

describe('bodies and lamps', () => {
  test('holes and shoes against the most that is asked', () => {
    const body = piece('CAM', 'camera')
    const counted = { ...body, model: { ...body.model, specs: { ...body.model.specs, more: { mountPoints: 3 } } } }
    const asked = new Map([['CAM', { setup: 'GI', attachments: 2 }]])
    expect(countBodyPoints([counted, piece('OLD', 'camera')], asked)).toMatchObject([
      { tag: 'CAM', holes: 3, shoes: 1, asked: 2, askedBy: 'GI' },
      { tag: 'OLD', holes: null, shoes: 1, asked: 0 },
    ])
  })

  test('every lamp with every modifier: fits by its bayonet, and weighs the sum', () => {
    const lamps = [
      piece('L1', 'light', { mount: 'mount-a', massGrams: 2_000 }),
      piece('L2', 'light', { massGrams: 900 }),
    ]
    const modifiers = [
      piece('M1', 'modifier', { mount: 'mount-a', massGrams: 700 }),
      piece('M2', 'modifier', { mount: 'mount-a' }),
    ]
    expect(crossModifiers(lamps, modifiers)).toEqual([
      { lamp: 'L1', modifier: 'M1', fits: true, massGrams: 2_700 },
      { lamp: 'L1', modifier: 'M2', fits: true, massGrams: null },
      { lamp: 'L2', modifier: 'M1', fits: false, massGrams: 1_600 },
      { lamp: 'L2', modifier: 'M2', fits: false, massGrams: null },
    ])
  })
})

describe('what a thing lives on', () => {
  const fed = (fedBy: string, facts: Partial<TemplateFacts> = {}) => {
    const { model } = piece('X', 'microphone', facts)
    return { ...model, specs: { ...model.specs, more: { fedBy } } }
  }

  test('its ways of powering, what its input sends it, its own pack, or nothing', () => {
    expect(listPowerSources(piece('L', 'light', { inlet: 'iec-c7', battery: 'pack-a' }).model)).toEqual([
      'mains',
      'packs',
    ])
    expect(listPowerSources(fed('48 V'))).toEqual(['phantom'])
    expect(listPowerSources(fed('own pack'))).toEqual(['own-pack'])
    expect(listPowerSources(fed('nothing'))).toEqual(['none'])
    expect(listPowerSources(fed('plug-in power', { battery: 'cell-aa' }))).toEqual(['cells', 'plug-in'])
  })

  test('the way that is chosen goes before the usual one', () => {
    const { model } = piece('L', 'light', { inlet: 'iec-c7', battery: 'pack-a' })
    expect(findPowerSource(model, 'packs')).toBe('packs')
    expect(findPowerSource(model, null)).toBe('mains')
  })
})
