import { describe, expect, test } from 'vitest'
import type { Category } from '../../../kit/model/category.ts'
import type { TemplateFacts } from '../../../kit/template/template-facts.ts'
import { makeInput, makeRole, makeStudio } from '../../placed/studio.fixture.ts'
import { addCableRun, type CableRun, hasCableRun } from '../../setup/cable-run.ts'
import { sayFinding } from '../../verdict/finding-sentences.ts'
import { assessSetup } from '../../verdict/readiness.ts'

const WORDS = { sayInstant: String, sayDay: String }
const HDMI = { endA: 'hdmi-a', endB: 'hdmi-a' }
type Things = Record<string, [Category, Partial<TemplateFacts>]>
const THINGS: Things = {
  CAM: ['camera', {}],
  C1: ['cable', HDMI],
  MON: ['monitor', {}],
  SWI: ['switcher', {}],
}
const link = (from: string, via: string[], to: string, rest: Partial<CableRun> = {}): CableRun => ({
  from: { unitId: from, portId: 'video-out' },
  via,
  to: { unitId: to, portId: 'video-in' },
  neededMm: null,
  ...rest,
})

/** Judges things with runs as somebody made them; lengths by tag. */
function judge(links: CableRun[], things: Things = THINGS, lengths: Record<string, number> = {}) {
  const studio = makeStudio(things)
  for (const [tag, lengthMm] of Object.entries(lengths)) {
    const model = studio.models.get(`m-${tag}`)
    if (model) studio.models.set(model.id, { ...model, specs: { ...model.specs, more: { lengthMm } } })
  }
  const input = makeInput(
    studio,
    Object.keys(things).map((tag) => makeRole(tag.toLowerCase(), [tag])),
  )
  const { signals, findings } = assessSetup({ ...input, setup: { ...input.setup, links } })
  return {
    chains: signals.chains.map(({ from, via, to }) => [from.tag, ...via, to.tag].join('-')),
    troubles: findings.flatMap((it) =>
      it.code === 'cable-run-trouble' ? [{ ...it, words: sayFinding(it, WORDS) }] : [],
    ),
  }
}

describe('runs as somebody made them', () => {
  test('of two ways of plugging the one that was made is kept', () => {
    expect(judge([link('CAM', ['C1'], 'MON')]).chains).toEqual(['CAM-C1-MON'])
    expect(judge([link('CAM', ['C1'], 'SWI')]).chains).toEqual(['CAM-C1-SWI'])
  })
  test('two runs cross as they were made, whatever comes first', () => {
    const things: Things = { ...THINGS, CAM2: ['camera', {}], C2: ['cable', HDMI] }
    const made = [link('CAM', ['C2'], 'SWI'), link('CAM2', ['C1'], 'MON')]
    expect(judge(made, things).chains.sort()).toEqual(['CAM-C2-SWI', 'CAM2-C1-MON'])
    const other = [link('CAM', ['C1'], 'MON'), link('CAM2', ['C2'], 'SWI')]
    expect(judge(other, things).chains.sort()).toEqual(['CAM-C1-MON', 'CAM2-C2-SWI'])
  })
  test('a piece that was taken out is missed, and binds nobody any more', () => {
    const { C1: _, ...without } = THINGS
    const { troubles } = judge([link('CAM', ['C1'], 'MON')], without)
    expect([troubles[0]?.why, troubles[0]?.level]).toEqual(['gone', 'warn'])
    const elsewhere = judge([link('CAM', ['gone'], 'SWI')])
    expect(elsewhere.chains).toHaveLength(1)
  })
  test('ends that do not go into each other are said, not made to fit', () => {
    const things: Things = { ...THINGS, X: ['cable', { endA: 'xlr-3', endB: 'xlr-3' }] }
    expect(judge([link('CAM', ['X'], 'MON')], things).troubles.map((it) => it.why)).toEqual(['not-joined'])
  })
  test('exactly as long as the way is long enough; shorter warns with both figures; unknown is a question', () => {
    const made = [link('CAM', ['C1'], 'SWI', { neededMm: 5_000 })]
    expect(judge(made, THINGS, { C1: 5_000 }).troubles).toEqual([])
    const [short] = judge(made, THINGS, { C1: 3_000 }).troubles
    expect([short?.level, short?.words.gauge?.text]).toEqual(['warn', '3 m of 5 m'])
    expect(judge(made).troubles.map((it) => [it.why, it.level])).toEqual([['length-unknown', 'unknown']])
  })
  test('an adapter in a run adds no length', () => {
    const things: Things = {
      MIC: ['shotgun', {}],
      X: ['cable', { endA: 'xlr-3', endB: 'xlr-3' }],
      AD: ['cable-adapter', { endA: 'xlr-3', endB: 'trs-35' }],
      CAM: ['camera', {}],
    }
    const run = {
      from: { unitId: 'MIC', portId: 'out' },
      via: ['X', 'AD'],
      to: { unitId: 'CAM', portId: 'mic-in' },
      neededMm: 3_000,
    }
    expect(judge([run], things, { X: 3_000 })).toEqual({ chains: ['MIC-X-AD-CAM'], troubles: [] })
  })
})

describe('one more run', () => {
  // A switcher has four inputs, everything else one of each end.
  const countEnd = ({ unitId }: { unitId: string }) => (unitId === 'SWI' ? 4 : 1)
  const first = link('CAM', ['C1'], 'SWI')
  test('stands beside the others at a switcher with inputs left', () => {
    const second = link('CAM2', ['C2'], 'SWI')
    expect(addCableRun([first], second, countEnd)).toEqual([first, second])
  })
  test('takes a piece out of the run in which it was', () => {
    const moved = link('CAM2', ['C1'], 'SWI')
    expect(addCableRun([first], moved, countEnd)).toEqual([moved])
  })
  test('takes the one socket of a camera or monitor, whichever end of the run that is', () => {
    const elsewhere = link('CAM', ['C2'], 'MON')
    expect(addCableRun([first], elsewhere, countEnd)).toEqual([elsewhere])
    const turned = { ...link('SWI', ['C3'], 'CAM'), to: first.from }
    expect(addCableRun([first], turned, countEnd)).toEqual([turned])
    const toMonitor = link('CAM2', ['C3'], 'MON')
    expect(addCableRun([elsewhere], toMonitor, countEnd)).toEqual([toMonitor])
  })
  test('is the same run whatever its length, and another over other pieces', () => {
    expect(hasCableRun([first], { ...first, neededMm: 4_000 })).toBe(true)
    expect(hasCableRun([first], link('CAM', ['C2'], 'SWI'))).toBe(false)
    expect(hasCableRun([], first)).toBe(false)
  })
})
