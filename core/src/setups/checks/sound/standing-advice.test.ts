import { describe, expect, test } from 'vitest'
import { resolvePolicies } from '../../../studio/policy/resolved-policies.ts'
import { DEFAULT_SETTINGS } from '../../../studio/policy/settings.ts'
import { makeInput, makeRole, makeStudio } from '../../placed/studio.fixture.ts'
import { sayFinding } from '../../verdict/finding-sentences.ts'
import { assessSetup } from '../../verdict/readiness.ts'

const WORDS = { sayInstant: (ms: number) => String(ms), sayDay: (date: string) => date }
const studio = makeStudio({
  MIC: ['shotgun', {}],
  CBL: ['cable', { endA: 'xlr-3', endB: 'xlr-3' }],
  REC: ['recorder', { cardForm: 'sd', kilobitsPerSecond: 4_608 }],
})
const roles = ['MIC', 'CBL', 'REC'].map((tag) => makeRole(tag.toLowerCase(), [tag]))

describe('[V12] advice that nobody asked for is true for whoever gets it', () => {
  const single = (schools: Record<string, string>) => {
    const policies = resolvePolicies({ ...DEFAULT_SETTINGS, schools }, null)
    const found = assessSetup(makeInput(studio, roles, { policies })).findings.find((it) => it.code === 'sound-single')
    return found && sayFinding(found, WORDS).text
  }

  test('that one recorder has all the sound is said; whose policy it goes against only where somebody chose one', () => {
    expect(single({ 'sound-path': 'both' })).toBe('If it stops, MIC is lost. Your policy is to record in two places.')
    expect(single({})).toBe(
      'If it stops, MIC is lost. Whether one recording is enough is yours to say, under Policies: where is sound recorded?',
    )
    expect(single({ 'sound-path': 'recorder' })).toBeUndefined()
  })

  test('a focus that has to hold by itself moves nobody: a boom suits who sits, and a worn one who walks', () => {
    const advice = (setup: object) => {
      const input = makeInput(studio, roles)
      const { findings } = assessSetup({ ...input, setup: { ...input.setup, shot: 'half' as const, ...setup } })
      return findings.filter((it) => it.code === 'microphone-unsuited').map((it) => sayFinding(it, WORDS).title)
    }
    expect(advice({ demands: ['steady-focus'] })).toEqual([])
    expect(advice({ purposeKind: 'walk-and-talk' })).toEqual(['A worn microphone would suit this picture'])
  })
})
