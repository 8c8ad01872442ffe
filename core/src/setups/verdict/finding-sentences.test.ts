import { describe, expect, test } from 'vitest'
import type { Absence } from '../../kit/unit/absence.ts'
import { listInWords } from '../../units/wording.ts'
import { sayAbsence } from '../checks/finding-words.ts'
import type { CircuitLoad } from '../checks/power/circuit-load.ts'
import { type FindingHelp, sayStore } from '../proposals/remedies.ts'
import type { Remedy } from '../setup/remedy.ts'
import type { Finding } from './finding.ts'
import { sayFinding, sayRemedy, sayVerdict, sayWorking } from './finding-sentences.ts'

const WORDS = { sayInstant: (ms: number) => `#${ms}`, sayDay: (date: string) => date }
const common = { key: 'k', roleId: null }

describe('verdicts', () => {
  const counts = (part: object) => ({
    counts: { stop: 0, 'unknown-stop': 0, warn: 0, unknown: 0, advise: 0, ok: 0, ...part },
  })
  test.each([
    [{}, 'Ready to run.'],
    [{ stop: 1 }, 'Cannot run: 1 stop.'],
    [{ stop: 2, warn: 1, unknown: 2 }, 'Cannot run: 2 stops. 3 things to check.'],
    [{ advise: 1 }, 'Can run. 1 thing to check.'],
    [{ 'unknown-stop': 1 }, 'Cannot tell yet: 1 question.'],
    [{ 'unknown-stop': 3, advise: 1 }, 'Cannot tell yet: 3 questions. 1 thing to check.'],
    [{ stop: 1, 'unknown-stop': 2 }, 'Cannot run: 1 stop. 2 questions.'],
  ])('%j', (part, text) => {
    expect(sayVerdict(counts(part))).toBe(text)
  })
  test('an empty setup is neither ready nor not', () => {
    expect(sayVerdict(counts({}), false)).toBe('Nothing in it yet.')
  })
})

describe('absences', () => {
  test.each<[Absence, string]>([
    [{ reason: 'state', state: 'in-repair', backOn: null }, 'in repair'],
    [{ reason: 'state', state: 'lent', backOn: '2026-12-01' }, 'lent, hoped back on 2026-12-01'],
    [
      { reason: 'fault', faultId: 'f', note: 'fan stuck', since: '2026-11-01' },
      'out of use since 2026-11-01: fan stuck',
    ],
    [
      { reason: 'goes-back', dueOn: '2026-11-25', neededUntil: '2026-11-26' },
      'goes back to its owner on 2026-11-25, but is wanted until 2026-11-26',
    ],
    [{ reason: 'booked', bookingId: 'b', title: 'Talk', start: 1, end: 2 }, 'booked for Talk, #1 to #2'],
    [{ reason: 'late', bookingId: 'b', title: 'Walk', since: 3 }, 'still out with Walk, due back #3'],
  ])('%j', (absence, text) => {
    expect(sayAbsence(absence, WORDS)).toBe(text)
  })
})

describe('findings', () => {
  const unmet = (part: object): Finding =>
    ({
      ...common,
      level: 'stop',
      code: 'need-unmet',
      tag: 'LGT-03',
      name: 'Panel',
      interfaces: [{ code: 'iec-c7', label: 'C7 mains lead', kind: 'mains', partner: 'C7 connector' }],
      wanted: 1,
      missing: 1,
      rivals: [],
      supply: [],
      isProven: true,
      isBesideStrip: false,
      lookAlike: null,
      itemKey: 'LGT-03',
      side: 'host',
      ...part,
    }) as Finding

  test('name what is missing by what it is', () => {
    const title = (kind: string, label: string, partner: string) =>
      sayFinding(unmet({ interfaces: [{ code: 'x', label, kind, partner }] }), WORDS).title
    expect(title('mains', 'C7 mains lead', 'C7 connector')).toBe('No mains lead for LGT-03')
    expect(title('mains', '13 A socket', 'socket')).toBe('LGT-03 is not plugged in')
    expect(title('mount', 'Larch mount', 'lens')).toBe('LGT-03 has no lens')
    expect(title('carry', '16 mm spigot', 'spigot')).toBe('Nothing carries LGT-03')
    expect(title('battery', '9 V cell', 'cell')).toBe('No 9 V cell for LGT-03')
    expect(title('card', 'SD card', 'card')).toBe('No card for LGT-03')
    expect(title('signal', 'XLR, 3 pin', 'socket')).toBe('LGT-03 is not connected')
  })

  test('say who competes for what there is, and what the store has', () => {
    const short = { wanted: 2, missing: 2, rivals: ['LGT-01', 'LGT-02'], supply: ['LED-01'] }
    const take: Remedy = { kind: 'assign', roleId: 'r', unitIds: ['LED-02'], tags: ['LED-02'], name: 'Lead' }
    const { title, text } = sayFinding(unmet(short), WORDS)
    const store = (inStore: number, part: Partial<FindingHelp>) =>
      sayStore({ key: 'k', remedies: [], away: [], ...part, inStore }, WORDS)
    const away = [{ tag: 'LED-09', absence: { reason: 'fault', note: 'frayed', since: '2026-01-02' } as Absence }]
    expect(store(0, { away })).toBe(
      'The store has none free. LED-09 would fit and is out of use since 2026-01-02: frayed.',
    )
    expect(store(3, {})).toBe('The store has three free, which would want something themselves that is missing here.')
    expect(store(3, { remedies: [take] })).toBe('The store has three free.')
    expect(sayStore({ key: 'k', remedies: [], away: [], inStore: null }, WORDS)).toBe('')
    expect(title).toBe('No mains lead for LGT-03 (2 missing)')
    expect(text).toBe(
      'Panel wants 2 × C7 mains lead. LGT-01, LGT-02 and LGT-03 want the same, and there is only LED-01.',
    )
  })

  test('an overloaded circuit says the risk and who decides', () => {
    const working: CircuitLoad = {
      formula: 'circuit-load',
      circuit: 'North wall',
      volts: 230,
      amps: 10,
      loads: [{ tag: 'LGT-01', name: 'Lamp', milliwatts: 2_400_000, isContinuous: false }],
      totalMilliwatts: 2_400_000,
      unknown: [],
      ratedMilliwatts: 2_300_000,
      continuousMilliwatts: 1_840_000,
      continuousPercent: 80,
      rule: 'whole',
      reckonedMilliwatts: 2_400_000,
      isContinuous: false,
      level: 'stop',
    }
    const { title, text, gauge } = sayFinding({ ...common, level: 'stop', code: 'circuit-load', working }, WORDS)
    expect(title).toBe('North wall is overloaded')
    expect(text).toContain('Local codes and a licensed electrician decide.')
    expect(gauge?.text).toBe('2,400 of 2,300 W')
    const { lines, assumptions, source, summary } = sayWorking(working)
    expect(lines).toContainEqual({ label: 'circuit', sum: '230 V × 10 A = 2,300 W' })
    expect(lines).toContainEqual({ label: 'for hours', sum: '2,300 W × 80 % = 1,840 W' })
    expect([summary, assumptions.length > 0, source.includes('210.20(A)')]).toEqual(['2,400 of 2,300 W', true, true])
  })

  test.each<[Finding, string]>([
    [
      { ...common, level: 'stop', code: 'role-empty', role: 'Key', beside: [], isFill: false },
      'The role “Key” is empty',
    ],
    [
      {
        ...common,
        level: 'stop',
        code: 'stock-short',
        stockId: 's',
        tag: 'BAG-01',
        name: 'Sandbag',
        wanted: 4,
        have: 1,
        leaves: [],
      },
      'Sandbag: 4 wanted, 1 left',
    ],
    [
      {
        ...common,
        level: 'unknown',
        code: 'joint-unknown',
        tag: 'A',
        name: 'Lamp',
        other: 'S',
        otherKey: 'o',
        modelId: 'm',
        fact: 'mass',
      },
      'Cannot tell whether S bears A',
    ],
    [
      {
        ...common,
        level: 'unknown',
        code: 'joint-unknown',
        tag: 'A',
        name: 'Card',
        other: 'S',
        otherKey: 'o',
        modelId: 'm',
        fact: 'card-speed',
      },
      'Cannot tell whether A is fast enough',
    ],
    [
      { ...common, level: 'unknown', code: 'watts-unknown', tag: 'A', name: 'Lamp', modelId: 'm' },
      'Cannot tell what A draws',
    ],
    [
      { ...common, level: 'unknown', code: 'circuit-missing', milliwatts: 60_000 },
      'Cannot tell whether the circuit holds',
    ],
  ])('%j', (finding, title) => {
    expect(sayFinding(finding, WORDS).title).toBe(title)
  })
})

describe('ways out', () => {
  test.each<[Remedy, string]>([
    [{ kind: 'assign', roleId: 'r', unitIds: ['a', 'b'], tags: ['A', 'B'], name: 'x' }, 'Take A and B too'],
    [{ kind: 'assign-stock', roleId: 'r', stockId: 's', quantity: 2, name: 'AA cell' }, 'Take 2 AA cell from stock'],
    [{ kind: 'replace', roleId: 'r', unitId: 'a', byUnitId: 'b', tag: 'B', name: 'x' }, 'Use B instead'],
    [
      { kind: 'power-mode', roleId: 'r', unitId: 'a', tag: 'A', powerModeId: 'm', label: 'Two packs' },
      'Run A from: two packs',
    ],
    [
      { kind: 'recording-mode', roleId: 'r', unitId: 'a', tag: 'A', recordingModeId: 'm', label: '50 Mbit/s' },
      'Record A at 50 Mbit/s',
    ],
    [{ kind: 'circuit', circuitId: 'c', name: 'South wall' }, 'Feed it from South wall'],
    [{ kind: 'shop', item: 'x', quantity: 3, stockId: null }, 'Put 3 on the shopping list'],
  ])('%j', (remedy, text) => {
    expect(sayRemedy(remedy)).toBe(text)
  })
})

test('lists read as people write them', () => {
  expect(listInWords([])).toBe('')
  expect(listInWords(['a'])).toBe('a')
  expect(listInWords(['a', 'b', 'c'], 'or')).toBe('a, b or c')
})
