import { describe, expect, test } from 'vitest'
import type { Category } from '../../../kit/model/category.ts'
import type { MoreSpecs } from '../../../kit/model/spec.ts'
import type { Store } from '../../placed/store.ts'
import { makeInput, makeRole, makeStudio } from '../../placed/studio.fixture.ts'
import { findRemedies } from '../../proposals/remedies.ts'
import type { ContentDemand } from '../../setup/demand.ts'
import { computeFingerprint } from '../../verdict/acceptance.ts'
import { sayFinding } from '../../verdict/finding-sentences.ts'
import { assessSetup } from '../../verdict/readiness.ts'

const WORDS = { sayInstant: String, sayDay: String }

/** Judges things with the given figures under one demand, and gives what is found about it. */
function judge(demand: ContentDemand, things: Record<string, [Category, MoreSpecs]>, minutes = 90) {
  const studio = makeStudio(
    Object.fromEntries(Object.entries(things).map(([tag, [category]]) => [tag, [category, {}]])),
  )
  for (const [tag, [, more]] of Object.entries(things)) {
    const model = studio.models.get(`m-${tag}`)
    if (model) studio.models.set(model.id, { ...model, specs: { ...model.specs, more } })
  }
  const input = makeInput(studio, [makeRole('A', Object.keys(things))])
  const setup = { ...input.setup, demands: [demand], plannedMinutes: minutes }
  return assessSetup({ ...input, setup }).findings.flatMap((it) =>
    it.code === 'demand-unmet' || it.code === 'demand-unknown' ? [{ ...it, words: sayFinding(it, WORDS) }] : [],
  )
}
const codes = (...of: Parameters<typeof judge>) =>
  judge(...of).map((it) => `${it.demand} ${it.code} ${it.tags.join(' ')}`)

describe('what the content demands of the things', () => {
  test('self-view: a screen that turns, or another that the picture reaches; unknown is a question, none is said', () => {
    expect(codes('self-view', { C: ['camera', { flipScreen: 'yes' }] })).toEqual([])
    expect(codes('self-view', { C: ['camera', { flipScreen: 'no' }] })).toEqual(['self-view demand-unmet C'])
    expect(codes('self-view', { C: ['camera', {}] })).toEqual(['self-view demand-unknown C'])
    for (const screen of ['monitor', 'television', 'computer', 'laptop', 'tablet'] as const) {
      // By itself it shows nothing of what is filmed.
      const apart = { C: ['camera', { flipScreen: 'no' }], S: [screen, {}] } as const
      expect([screen, codes('self-view', apart as never)]).toEqual([screen, ['self-view demand-unmet C']])
    }
  })
  test('every camera has to hold its focus; a phone is a camera like any other', () => {
    const steady: MoreSpecs = { autofocus: 'dependable' }
    expect(codes('steady-focus', { C: ['camera', steady], P: ['phone', steady] })).toEqual([])
    expect(codes('steady-focus', { C: ['camera', steady], P: ['phone', { autofocus: 'hunts' }] })).toEqual([
      'steady-focus demand-unmet P',
    ])
  })
  test('alone is four demands at once; how far it stands nobody said', () => {
    expect(
      codes('alone', { C: ['camera', { flipScreen: 'no', autofocus: 'none', remoteStart: 'no' }] }).sort(),
    ).toEqual([
      'remote-start demand-unmet C',
      'self-view demand-unmet C',
      'steady-focus demand-unmet C',
      'within-reach demand-unknown C',
    ])
  })
  test('close-up by the lens that focuses closest, exactly at the limit too', () => {
    expect(codes('close-up', { C: ['camera', {}], L: ['lens', { closestMm: 250 }], M: ['lens', {}] })).toEqual([])
    expect(codes('close-up', { L: ['lens', { closestMm: 251 }] })).toEqual(['close-up demand-unmet L'])
  })
  test('true colours of every lamp but practicals', () => {
    const lamps = { K: ['cob', { cri: 96 }], F: ['panel', { cri: 82 }], S: ['practical', { cri: 70 }] } as const
    expect(codes('true-colour', lamps as never)).toEqual(['true-colour demand-unmet F'])
  })
  test('a take as long as the limit goes through, a minute longer does not', () => {
    const camera: Record<string, [Category, MoreSpecs]> = { C: ['camera', { recordLimitMinutes: 30 }] }
    expect(codes('long-take', camera, 30)).toEqual([])
    expect(codes('long-take', camera, 31)).toEqual(['long-take demand-unmet C'])
  })
  test('spectacles and a ring of light; without one nothing is said', () => {
    expect(codes('spectacles', { R: ['ring-light', {}] })).toEqual(['spectacles demand-unmet R'])
    expect(codes('spectacles', { K: ['cob', {}] })).toEqual([])
  })
  test('a flash is no lamp for moving pictures, whatever else is demanded', () => {
    expect(codes('long-take', { F: ['flash', {}] })).toEqual(['continuous-light demand-unmet F'])
  })
  test('a body that is known to show its menus is named where its picture goes into a live cut, and only there', () => {
    const body: MoreSpecs = { cleanOutput: 'no', recordLimitMinutes: 600 }
    expect(codes('long-take', { C: ['camera', body], S: ['switcher', {}] })).toEqual(['clean-picture demand-unmet C'])
    expect(codes('long-take', { C: ['camera', body] })).toEqual([])
    expect(codes('long-take', { C: ['camera', { recordLimitMinutes: 600 }], S: ['switcher', {}] })).toEqual([])
  })
  test('every answer has words that name the thing', () => {
    const [finding] = judge('steady-focus', {
      A: ['camera', { autofocus: 'hunts' }],
      B: ['camera', { autofocus: 'none' }],
    })
    expect(finding?.words.text).toMatch(/^A and B do not hold the focus/)
    expect(judge('self-view', {})[0]?.words.text).toMatch(/^Nothing in this setup could do it/)
  })
  test('a free screen is offered, and with it the demand is met', () => {
    const studio = makeStudio({ C: ['webcam', {}], M: ['monitor', {}] })
    const camera = studio.models.get('m-C')
    if (camera) studio.models.set('m-C', { ...camera, specs: { ...camera.specs, more: { flipScreen: 'no' } } })
    const input = makeInput(studio, [makeRole('A', ['C'])])
    const unit = studio.units.get('M')
    const model = studio.models.get('m-M')
    if (!unit || !model) throw new Error('no monitor')
    const store: Store = { units: [{ unit, model, usedBySetups: 0 }], stock: [], circuits: [] }
    const asked = { ...input, setup: { ...input.setup, demands: ['self-view' as const] } }
    const help = (free: Store) => findRemedies(asked, free, 'demand-unmet/self-view')?.remedies
    // The monitor wants a carrier and a cable of its own, so it would add stops: it is not offered as a way out here.
    expect(help(store)).toEqual([])
    const free = { ...model, ports: [], powerModes: [], specs: { ...model.specs, none: ['power' as const] } }
    const bare = { ...store, units: [{ unit, model: free, usedBySetups: 0 }] }
    expect(help(bare)).toMatchObject([{ kind: 'assign', tags: ['M'] }])
  })
})

describe('a finding that somebody accepted', () => {
  const studio = makeStudio({ C: ['webcam', {}] })
  const input = makeInput(studio, [makeRole('A', ['C']), makeRole('B', [], { importance: 'wanted' })])
  const judgeWith = (
    accepted: { key: string; fingerprint: string }[],
    roles = input.setup.roles,
    until: string | null = null,
  ) =>
    assessSetup({
      ...input,
      setup: {
        ...input.setup,
        roles,
        accepted: accepted.map((it) => ({ ...it, reason: 'fine', on: '2026-01-01', by: 'Ada', until })),
      },
    })
  const before = judgeWith([])
  const warning = before.findings.find((it) => it.key === 'role-empty/B')
  if (!warning) throw new Error('no warning')
  const fingerprint = computeFingerprint(warning)

  test('leaves the verdict and stays in the list, with its reason', () => {
    const after = judgeWith([{ key: warning.key, fingerprint }])
    expect(after.counts.warn).toBe(before.counts.warn - 1)
    expect(after.findings.at(-1)).toMatchObject({ key: warning.key, accepted: { reason: 'fine' } })
    expect(after.roles.find((it) => it.roleId === 'B')?.level).toBe('ok')
  })
  test('another name is no other finding; other figures are, and a stop is accepted to an end', () => {
    const renamed = input.setup.roles.map((it) => (it.id === 'B' ? { ...it, name: 'Fill' } : it))
    expect(judgeWith([{ key: warning.key, fingerprint }], renamed).counts.warn).toBe(before.counts.warn - 1)
    expect(judgeWith([{ key: warning.key, fingerprint: '2.00000000-1' }]).counts.warn).toBe(before.counts.warn)
    // What was accepted by an earlier release holds while the finding stands.
    expect(judgeWith([{ key: warning.key, fingerprint: '0a1b2c3d-99' }]).counts.warn).toBe(before.counts.warn - 1)
    const stop = before.findings.find((it) => it.level === 'stop')
    if (!stop) throw new Error('no stop')
    const own = [{ key: stop.key, fingerprint: computeFingerprint(stop) }]
    expect(judgeWith(own).counts.stop).toBe(before.counts.stop)
    expect(judgeWith(own, input.setup.roles, '2999-12-31').counts.stop).toBe(before.counts.stop - 1)
  })
})
