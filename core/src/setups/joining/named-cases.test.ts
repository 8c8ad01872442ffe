import { describe, expect, test } from 'vitest'
import type { Category } from '../../kit/model/category.ts'
import { makePort } from '../../kit/model/port.ts'
import { makeModelFromTemplate } from '../../kit/template/template.ts'
import type { TemplateFacts } from '../../kit/template/template-facts.ts'
import { listMissingParts } from '../../kit/unit/kit-parts.ts'
import { EMPTY_UNIT } from '../../kit/unit/unit.ts'
import { type PlacedItem, placePiece } from '../placed/placed-item.ts'
import { makeInput, makeRole, makeStudio } from '../placed/studio.fixture.ts'
import { INTERFACES, makeThing } from '../placed/things.fixture.ts'
import { newSetupSchema } from '../setup/setup.ts'
import { assessSetup } from '../verdict/readiness.ts'
import { checkCompleteness } from './completeness.ts'

/** A thing as its template makes it. */
function made(key: string, category: Category, facts: Partial<TemplateFacts> = {}): PlacedItem {
  const model = { ...makeModelFromTemplate(category, '', key, facts), id: key, version: 1 }
  const role = makeRole(key, [])
  return placePiece({ key, tag: key, model, role, assignment: null })
}
const open = (...things: PlacedItem[]) =>
  checkCompleteness(things, INTERFACES).unmet.map((need) => `${need.thing.tag}/${need.portId}`)
const joins = (...things: PlacedItem[]) =>
  checkCompleteness(things, INTERFACES).joints.map(({ host, guest }) => `${host.tag}<${guest.tag}`)

describe('cases that a studio meets', () => {
  test('two links that each alone could take the one short cable: one of them stays open, whichever', () => {
    const things = [
      made('MIC1', 'shotgun'),
      made('MIC2', 'shotgun'),
      made('REC', 'recorder'),
      made('CBL', 'cable', { endA: 'xlr-3', endB: 'xlr-3' }),
    ]
    const stands = [made('S1', 'mic-stand'), made('S2', 'mic-stand')]
    const unmet = checkCompleteness([...things, ...stands], INTERFACES).unmet.filter((need) => need.portId === 'out')
    expect(unmet).toHaveLength(1)
    // The proof names both, and the one cable that there is for them.
    expect([unmet[0]?.thing.tag, ...(unmet[0]?.rivals ?? [])].sort()).toEqual(['MIC1', 'MIC2'])
    expect(unmet[0]?.supply).toEqual(['CBL'])
  })

  test('an XLR microphone into a camera that has only 3.5 mm: not by its cable alone, but through an adapter', () => {
    const camera = made('CAM', 'camera', { mount: 'mount-x' })
    const mic = made('MIC', 'shotgun')
    const cable = made('CBL', 'cable', { endA: 'xlr-3', endB: 'xlr-3' })
    const adapter = made('ADP', 'cable-adapter', { endA: 'xlr-3', endB: 'trs-35' })
    expect(open(camera, mic, cable)).toContain('CBL/to')
    expect(open(camera, mic, cable, adapter).filter((it) => /CBL|ADP|MIC\/out/.test(it))).toEqual([])
    expect(joins(camera, mic, cable, adapter)).toContain('CAM<ADP')
  })

  test('small HDMI to a switcher: a cable with two large plugs leaves its end open, the right one does not', () => {
    const small = {
      ...made('CAM', 'action-camera'),
      ports: [makePort({ id: 'out', interfaces: 'hdmi-d', side: 'host', direction: 'out', importance: 'optional' })],
    }
    const switcher = made('SWI', 'switcher')
    // Both of its plugs go into the switcher, but a cable from the switcher to itself joins nothing.
    expect(open(small, switcher, made('AA', 'cable', { endA: 'hdmi-a', endB: 'hdmi-a' }))).toHaveLength(1)
    expect(open(small, switcher, made('DA', 'cable', { endA: 'hdmi-d', endB: 'hdmi-a' }))).toEqual([])
  })

  test('USB-C to a drive: both are sockets, so it takes a cable with two plugs', () => {
    const computer = makeThing({
      key: 'COM',
      category: 'computer',
      ports: [{ id: 'usb', interfaces: 'usb-c', side: 'host', direction: 'both', importance: 'optional' }],
    })
    const drive = {
      ...made('DRV', 'drive'),
      ports: made('DRV', 'drive').ports.map((port) => ({ ...port, importance: 'essential' as const })),
    }
    expect(open(computer, drive)).toEqual(['DRV/usb'])
    expect(open(computer, drive, made('CBL', 'cable', { endA: 'usb-c', endB: 'usb-c' }))).toEqual([])
  })

  test('a booster without phantom: it wants 48 V, and an input that gives none does not feed it', () => {
    const booster = made('PRE', 'preamp')
    // What a booster lives on is a need of its own end: the input that meets it has to carry 48 V.
    const fed = (carries: string[]) =>
      makeThing({
        key: 'MIX',
        category: 'mixer',
        ports: [
          { id: 'in', interfaces: 'xlr-3', side: 'host', direction: 'in', importance: 'optional', carries },
          ...(carries.includes('phantom-48v')
            ? [{ id: 'power', interfaces: 'phantom', side: 'host', importance: 'optional' } as const]
            : []),
        ],
      })
    const hungry = {
      ...booster,
      ports: [...booster.ports, makePort({ id: 'power', interfaces: 'phantom', side: 'guest' })],
    }
    const mic = made('MIC', 'dynamic-mic')
    const stand = made('S', 'mic-stand')
    const cable = made('CBL', 'cable', { endA: 'xlr-3', endB: 'xlr-3' })
    expect(open(mic, stand, hungry, cable, fed([]))).toContain('PRE/power')
    expect(open(mic, stand, hungry, cable, fed(['phantom-48v']))).not.toContain('PRE/power')
  })

  test('48 V into what must not get it is no joint', () => {
    const ribbon = makeThing({
      key: 'MIC',
      category: 'cable',
      ports: [{ id: 'out', interfaces: 'xlr-3', side: 'guest', direction: 'out', forbids: ['phantom-48v'] }],
    })
    const input = (carries: string[]) =>
      makeThing({
        key: 'REC',
        ports: [{ id: 'in', interfaces: 'xlr-3', side: 'host', direction: 'in', importance: 'optional', carries }],
      })
    expect(open(ribbon, input(['phantom-48v']))).toEqual(['MIC/out'])
    expect(open(ribbon, input([]))).toEqual([])
  })

  test('the same small plug, wired for a camera: a headset socket of a computer does not take it, an adapter does', () => {
    const clip = made('LAV', 'lavalier')
    const computer = made('COM', 'computer')
    expect(open(clip, computer)).toEqual(['LAV/out'])
    const adapter = made('ADP', 'cable-adapter', { endA: 'trs-35', endB: 'trrs-35' })
    expect(open(clip, computer, adapter)).toEqual([])
    expect(joins(clip, computer, adapter).sort()).toEqual(['ADP<LAV', 'COM<ADP'])
  })

  test('a filter fits by its thread, recorded as a figure; a step ring lets it on a smaller one', () => {
    const studio = makeStudio({ LEN: ['lens', {}], FIL: ['filter', {}], RNG: ['filter', { mount: 'filter-67' }] })
    const figure = (tag: string, filterMm: number) => {
      const model = studio.models.get(`m-${tag}`)
      if (model) studio.models.set(model.id, { ...model, specs: { ...model.specs, more: { filterMm } } })
    }
    figure('LEN', 67)
    const ring = studio.models.get('m-RNG')
    if (ring) {
      const front = makePort({ id: 'front', interfaces: 'filter-77', side: 'host', importance: 'essential' })
      studio.models.set(ring.id, { ...ring, ports: [...ring.ports, front] })
    }
    const unmet = (mm: number, ...tags: string[]) => {
      figure('FIL', mm)
      const { findings } = assessSetup(makeInput(studio, [makeRole('A', tags)]))
      return findings.filter((it) => it.code === 'need-unmet').map((it) => it.key)
    }
    expect(unmet(67, 'LEN', 'FIL')).toEqual([])
    expect(unmet(77, 'LEN', 'FIL')).toEqual(['need-unmet/FIL/filter-thread'])
    expect(unmet(77, 'LEN', 'FIL', 'RNG')).toEqual([])
  })

  test('one phone in two roles of one setup is refused at the second role', () => {
    const studio = makeStudio({ PHO: ['phone', {}] })
    const { setup } = makeInput(studio, [makeRole('prompter', ['PHO']), makeRole('second', ['PHO'])])
    const { error } = newSetupSchema.safeParse(setup)
    expect(error?.issues.map((it) => it.path.join('/'))).toEqual(['roles/1/things/0/unitId'])
  })

  test('a controller that was left behind makes its lamp incomplete; a rider that is gone does not', () => {
    const unit = { ...EMPTY_UNIT, modelId: 'm', version: 1 }
    const kin = [
      { ...unit, id: 'L', tag: 'L' },
      { ...unit, id: 'C', tag: 'C', parentId: 'L', bond: 'controller' as const, state: 'lost' as const },
      { ...unit, id: 'R', tag: 'R', parentId: 'L', bond: 'rider' as const, state: 'lost' as const },
    ]
    expect(listMissingParts('L', kin, new Set()).map((it) => it.id)).toEqual(['C'])
    const studio = makeStudio({ L: ['practical', {}] })
    const input = makeInput(studio, [makeRole('Key', ['L'])], { missingParts: new Map([['L', ['C box']]]) })
    expect(assessSetup(input).findings.map((it) => it.code)).toContain('part-missing')
  })

  test('a camera that rides on a ring lamp: the lamp stands, the camera hangs in it, and without the lamp it hangs nowhere', () => {
    const ring = makeThing({
      key: 'RNG',
      category: 'ring-light',
      massGrams: 1_600,
      ports: [
        { id: 'receiver', interfaces: 'spigot-16', side: 'guest' },
        {
          id: 'inside',
          interfaces: 'thread-1-4',
          side: 'host',
          importance: 'optional',
          rating: { quantity: 'loadGrams', value: 1_000 },
        },
      ],
    })
    const camera = (massGrams: number) => ({ ...made('CAM', 'action-camera'), massGrams })
    const stand = made('STD', 'stand', { loadGrams: 4_000 })
    expect(open(ring, camera(900), stand)).toEqual([])
    expect(joins(ring, camera(900), stand).sort()).toEqual(['RNG<CAM', 'STD<RNG'])
    expect(open(camera(900), stand)).toEqual(['CAM/foot'])
    // Too heavy for the ring it is still what it hangs in; that it bears too much is told of the ring.
    expect(joins(ring, camera(1_001), stand).sort()).toEqual(['RNG<CAM', 'STD<RNG'])
  })

  test('two arms that could carry each other do not hang in the air: one of them wants the floor', () => {
    const arm = (key: string) => made(key, 'boom-arm')
    expect(open(arm('A'), arm('B'))).toHaveLength(1)
    expect(open(arm('A'), arm('B'), made('STD', 'stand'))).toEqual([])
  })
})
