import { describe, expect, test } from 'vitest'
import { makeModelFromTemplate } from '../../kit/template/template.ts'
import { EMPTY_UNIT, type Unit } from '../../kit/unit/unit.ts'
import type { Holdings } from '../placed/placed-item.ts'
import { makeInput, makeRole, makeStudio } from '../placed/studio.fixture.ts'
import { printSettings } from '../setup/setting-card.ts'
import { assessSetup } from '../verdict/readiness.ts'
import { listStartLines, type StartFacts, type StartLine } from './preflight.ts'
import { groupBySource, sayStartLine } from './preflight-words.ts'

const SETTINGS = [
  { name: 'Aperture', value: 'f/2.8' },
  { name: 'Shutter', value: '1/50' },
]

function list(change: (facts: StartFacts) => Partial<StartFacts> = () => ({})): StartLine[] {
  const studio = makeStudio({
    CAM: ['camera', { battery: 'pack-a', milliwatts: 10_000 }],
    PA1: ['pack', { battery: 'pack-a' }],
    MIC: ['lavalier', {}],
    REC: ['recorder', { battery: 'cell-aa', batteryCount: 4 }],
    LGT: ['light', { inlet: 'iec-c7', milliwatts: 60_000 }],
    SDC: ['card', {}],
    SIG: ['prop', {}],
  })
  const { setup } = makeInput(studio, [
    makeRole('A', ['CAM', 'PA1', 'SDC'], { settings: SETTINGS }),
    makeRole('Sound', ['MIC', 'REC']),
    makeRole('Key', ['LGT']),
    makeRole('Sign', ['SIG']),
  ])
  const facts: StartFacts = {
    setupId: 's',
    setup,
    holdings: studio,
    kin: [],
    missing: new Map(),
    day: '2026-11-24',
    disturbedOn: new Map(),
  }
  return listStartLines({ ...facts, ...change(facts) })
}

/** The holdings with something more known of the camera. */
function withUnit(holdings: Holdings, part: Partial<Unit>): Holdings {
  const camera = holdings.units.get('CAM')
  if (!camera) throw new Error('no camera')
  return { ...holdings, units: new Map(holdings.units).set('CAM', { ...camera, ...part }) }
}

const kinds = (lines: readonly StartLine[]) => lines.map((it) => it.kind)

describe('before it records', () => {
  test('charge, cells, mains, cards, settings, and ten seconds at the end', () => {
    const lines = list()
    expect(kinds(lines)).toEqual(['charge', 'charge', 'plug-in', 'empty-card', 'set', 'tidy', 'test'])
    expect(lines[1]).toMatchObject({ tags: ['REC'], source: 'cells', count: 4 })
    expect(lines.at(-3)).toMatchObject({ role: 'A', settings: SETTINGS })
  })

  test('a controller is fetched, charged and paired; one that is missing is said so', () => {
    const model = { ...makeModelFromTemplate('phone', 'Maker', 'Remote', {}), id: 'm-remote', version: 1 }
    const unit = {
      ...EMPTY_UNIT,
      id: 'CTL',
      tag: 'CTL',
      modelId: model.id,
      parentId: 'LGT',
      bond: 'controller' as const,
      version: 1,
    }
    const kin = [{ unit, model }]
    expect(kinds(list(() => ({ kin }))).slice(0, 3)).toEqual(['fetch-controller', 'charge', 'pair'])
    const [first] = list(() => ({ kin, missing: new Map([['LGT', ['CTL Remote']]]) }))
    expect(first).toMatchObject({ isMissing: true })
    expect(first && sayStartLine(first).text).toBe('Find CTL')
  })

  describe('a memory bank', () => {
    const withBank = (print: string, disturbedOn = new Map<string, string>()) =>
      list(({ holdings }) => {
        const banks = [{ bank: 'M2', setupId: 's', roleId: 'A', print, storedOn: '2026-11-20' }]
        return {
          disturbedOn,
          holdings: withUnit(holdings, { banks }),
        }
      }).find((it) => it.kind === 'recall-bank')

    test('holds what was stored until the card changes, whatever the order of its lines', () => {
      expect(withBank(printSettings([...SETTINGS].reverse()))).toMatchObject({ bank: 'M2', why: null })
      expect(withBank('aperture=f/4')).toMatchObject({ why: 'settings-changed' })
    })

    test('is looked at again after a loan, a repair or a reset', () => {
      const print = printSettings(SETTINGS)
      expect(withBank(print, new Map([['CAM', '2026-11-19']]))).toMatchObject({ why: null })
      expect(withBank(print, new Map([['CAM', '2026-11-20']]))).toMatchObject({ why: 'was-away' })
    })
  })

  test('a picture that is turned round asks after lettering', () => {
    const lines = list(({ setup }) => ({ setup: { ...setup, isMirrored: true } }))
    expect(lines.find((it) => it.kind === 'mirror')).toMatchObject({ things: ['SIG'] })
    expect(kinds(list())).not.toContain('mirror')
  })

  test('programs are opened where they run', () => {
    const [line] = list(({ holdings }) => {
      const app = {
        kind: 'app' as const,
        name: 'Tether',
        version: '2.1',
        where: 'the laptop',
        onUnitId: null,
        media: 'download' as const,
        needsWireless: false,
        minimumMemoryGigabytes: null,
        minimumGraphicsGigabytes: null,
        newestVersion: '',
        checkedOn: null,
      }
      return {
        holdings: withUnit(holdings, { software: [app] }),
      }
    }).filter((it) => it.kind === 'open-app')
    expect(line && sayStartLine(line).text).toBe('Open Tether 2.1 on the laptop')
  })

  test('a laptop on a lead is in use: its lead is joined, it is charged, and its program is opened', () => {
    const studio = makeStudio({
      COM: ['computer', { battery: 'pack-own', milliwatts: 40_000 }],
      CAM: ['phone', {}],
      USB: ['cable', { endA: 'usb-c', endB: 'usb-c' }],
    })
    const input = makeInput(studio, [makeRole('Tether', ['COM', 'CAM', 'USB'])])
    const joined = assessSetup(input).joints.filter((it) => it.guest.tag === 'USB')
    expect(joined.map((it) => it.host.tag).sort()).toEqual(['CAM', 'COM'])
    const lines = list(() => ({ setup: input.setup, holdings: studio }))
    expect(lines.find((it) => it.kind === 'charge' && it.tags.includes('COM'))).toBeDefined()
  })

  test('every line has words, and what things live on is grouped by source', () => {
    for (const line of list()) expect(sayStartLine(line).text.length).toBeGreaterThan(5)
    const groups = groupBySource([
      { tag: 'A', source: 'cells' as const },
      { tag: 'B', source: 'mains' as const },
      { tag: 'C', source: 'cells' as const },
    ])
    expect(groups.map((it) => [it.label, it.things.length])).toEqual([
      ['Mains', 1],
      ['Cells', 2],
    ])
  })
})
