import { describe, expect, test } from 'vitest'
import type { Category } from '../../../kit/model/category.ts'
import type { TemplateFacts } from '../../../kit/template/template-facts.ts'
import { resolvePolicies } from '../../../studio/policy/resolved-policies.ts'
import { DEFAULT_SETTINGS } from '../../../studio/policy/settings.ts'
import { makeInput, makeRole, makeStudio } from '../../placed/studio.fixture.ts'
import { sayFinding } from '../../verdict/finding-sentences.ts'
import { assessSetup } from '../../verdict/readiness.ts'

const WORDS = { sayInstant: String, sayDay: String }
const XLR = { endA: 'xlr-3', endB: 'xlr-3' }

/** Judges the things of a setup, each in a role of its own, in the order in which they are given. */
function judge(things: Record<string, [Category, Partial<TemplateFacts>]>, way = 'both') {
  const studio = makeStudio(things)
  const settings = { ...DEFAULT_SETTINGS, schools: { 'sound-path': way } }
  const roles = Object.keys(things).map((tag) => makeRole(tag.toLowerCase(), [tag]))
  const { signals, findings } = assessSetup(makeInput(studio, roles, { policies: resolvePolicies(settings, null) }))
  return {
    chains: signals.chains.map(({ from, via, to }) => [from.tag, ...via, to.tag].join('-')),
    sound: Object.fromEntries(signals.sound.map((it) => [it.tag, it.recordedAt])),
    findings: findings.filter((it) => it.code === 'sound-unrecorded' || it.code === 'sound-single'),
  }
}

describe('where signals go', () => {
  test('a microphone over its cable into a recorder, which records it', () => {
    const { chains, sound } = judge({
      MIC: ['shotgun', {}],
      CBL: ['cable', XLR],
      REC: ['recorder', { cardForm: 'sd', kilobitsPerSecond: 4_608 }],
    })
    expect([chains, sound]).toEqual([['MIC-CBL-REC'], { MIC: ['REC'] }])
  })
  test('over a cable and an adapter into a camera', () => {
    const { chains, sound } = judge({
      MIC: ['shotgun', {}],
      CBL: ['cable', XLR],
      ADP: ['cable-adapter', { endA: 'xlr-3', endB: 'trs-35' }],
      CAM: ['camera', {}],
    })
    expect([chains, sound]).toEqual([['MIC-CBL-ADP-CAM'], { MIC: ['CAM'] }])
  })
  test('a mixer passes on what it gets, and keeps nothing itself', () => {
    const mixed = { MIC: ['dynamic-mic', {}], C1: ['cable', XLR], MIX: ['mixer', {}] } as const
    const alone = judge(mixed as never)
    expect(alone.findings.map((it) => [it.code, it.level])).toEqual([['sound-unrecorded', 'stop']])
    expect(alone.findings[0] && sayFinding(alone.findings[0], WORDS).text).toContain(
      'goes to MIX, and from there nowhere',
    )
    const kept = judge({
      ...mixed,
      C2: ['cable', XLR],
      REC: ['recorder', { cardForm: 'sd', kilobitsPerSecond: 4_608 }],
    } as never)
    expect([kept.sound, kept.chains]).toEqual([{ MIC: ['REC'] }, ['MIC-C1-MIX', 'MIX-C2-REC']])
  })
  test('a picture goes from the camera to the monitor and not back', () => {
    const { chains } = judge({
      CAM: ['camera', {}],
      CBL: ['cable', { endA: 'hdmi-a', endB: 'hdmi-a' }],
      MON: ['monitor', {}],
    })
    expect(chains).toEqual(['CAM-CBL-MON'])
  })
  test('what goes both ways is told once', () => {
    const { chains } = judge({ P: ['phone', {}], CBL: ['cable', { endA: 'usb-c', endB: 'usb-c' }], D: ['drive', {}] })
    expect(chains).toHaveLength(1)
  })
})

test('sound beside a camera that has no socket for it is recorded apart; into the camera it is not', () => {
  const isDouble = (things: Record<string, [Category, Partial<TemplateFacts>]>) => {
    const roles = Object.keys(things).map((tag) => makeRole(tag, [tag]))
    return assessSetup(makeInput(makeStudio(things), roles)).signals.isDoubleSystem
  }
  const mic: [Category, Partial<TemplateFacts>] = ['shotgun', {}]
  const recorder: [Category, Partial<TemplateFacts>] = ['recorder', { cardForm: 'sd', kilobitsPerSecond: 4_608 }]
  expect(isDouble({ M: mic, C: ['cable', XLR], R: recorder, CAM: ['action-camera', {}] })).toBe(true)
  expect(isDouble({ M: ['lavalier', {}], CAM: ['camera', {}] })).toBe(false)
  expect(isDouble({ M: mic, C: ['cable', XLR], R: recorder })).toBe(false)
})

test('inputs in use of inputs there are', () => {
  const studio = makeStudio({ M: ['shotgun', {}], C: ['cable', XLR], MIX: ['mixer', {}] })
  const { inputs } = assessSetup(
    makeInput(
      studio,
      ['M', 'C', 'MIX'].map((tag) => makeRole(tag, [tag])),
    ),
  )
  expect(inputs).toMatchObject([{ tag: 'MIX', used: 1, total: 4 }])
})

describe('two recordings of the sound', () => {
  const recorder: [Category, Partial<TemplateFacts>] = ['recorder', { cardForm: 'sd', kilobitsPerSecond: 4_608 }]
  const one: Record<string, [Category, Partial<TemplateFacts>]> = {
    M1: ['shotgun', {}],
    C1: ['cable', XLR],
    R1: recorder,
  }
  test('one recorder for all of it is worth a word where the policy is two, and only there', () => {
    const [finding] = judge(one).findings
    expect([finding?.code, finding?.level]).toEqual(['sound-single', 'advise'])
    expect(finding && sayFinding(finding, WORDS).title).toBe('All sound goes into R1')
    expect(judge(one, 'recorder').findings).toEqual([])
  })
  test('a second microphone into a second recorder answers it; into the same one it does not', () => {
    const second = { M2: ['lavalier', {}], CAM: ['camera', {}] }
    expect(judge({ ...one, ...second } as never).findings).toEqual([])
    const same = judge({ ...one, M2: ['shotgun', {}], C2: ['cable', XLR] } as never)
    expect(same.findings.map((it) => it.code)).toEqual(['sound-single'])
    expect(same.findings[0] && sayFinding(same.findings[0], WORDS).text).toContain('M1 and M2 are lost')
  })
})

describe('spares', () => {
  const studio = makeStudio({ A: ['webcam', {}] })
  const judgeSpare = (spare: 'must' | 'nice' | 'none' | undefined, free: number) =>
    assessSetup(
      makeInput(studio, [makeRole('cam', ['A'], { spare })], { spares: new Map([['A', free]]) }),
    ).findings.flatMap((it) => (it.code === 'spare-missing' ? [it.level] : []))
  test('warned of where one must be, advised where one had better be, silent where one lies ready or nobody asks', () => {
    expect([judgeSpare('must', 0), judgeSpare('nice', 0), judgeSpare('must', 1)]).toEqual([['warn'], ['advise'], []])
    expect([judgeSpare('none', 0), judgeSpare(undefined, 0)]).toEqual([[], []])
  })
})
