import { describe, expect, test } from 'vitest'
import { makeJudge } from '../verdict/incremental.ts'
import { assessSetup } from '../verdict/readiness.ts'
import { answerNone, makeInput, makeRole, makeStudio } from './studio.fixture.ts'

const studio = makeStudio({
  CAM: ['action-camera', { massGrams: 150, capacityMegabytes: 512_000 }],
  PHO: ['phone', { massGrams: 200, capacityMegabytes: 512_000 }],
  L1: ['light', { massGrams: 3_000 }],
  L2: ['light', { massGrams: 3_000 }],
  K1: ['clamp', { mount: 'bar', loadGrams: 9_000, massGrams: 500 }],
  K2: ['clamp', { mount: 'bar', loadGrams: 9_000, massGrams: 500 }],
  TRI: ['tripod', { loadGrams: 3_000 }],
})
// What feeds them and what they record on is not what these are about.
for (const tag of ['CAM', 'L1', 'L2']) answerNone(studio, tag)

const bar = (loadGrams: number | null) => ({
  id: 'b1',
  name: 'Bar over the bench',
  kind: 'bar' as const,
  heightMm: 2_600,
  loadGrams,
})

function judge(tags: string[], setup: object = {}, bars = [] as ReturnType<typeof bar>[]) {
  const input = makeInput(studio, [makeRole('A', tags)], { bars })
  return assessSetup({ ...input, setup: { ...input.setup, ...setup } })
}
const codes = (readiness: ReturnType<typeof judge>) => readiness.findings.map((it) => it.code)
const joints = (readiness: ReturnType<typeof judge>) => readiness.joints.map((it) => `${it.host.tag}<${it.guest.tag}`)

describe('people carry', () => {
  test('a camera that nothing carries is held where somebody carries, two by one person and no third', () => {
    expect(codes(judge(['CAM']))).toContain('need-unmet')
    const held = judge(['CAM', 'PHO'], { carriers: 1 })
    expect([codes(held), joints(held).sort()]).toEqual([[], ['HANDS<CAM', 'HANDS<PHO']])
  })

  test('what stands on a tripod stays there', () => {
    expect(joints(judge(['CAM', 'TRI'], { carriers: 1 }))).toEqual(['TRI<CAM'])
  })

  test('a lamp is not held: its spigot wants a stand', () => {
    expect(codes(judge(['L1'], { carriers: 2 }))).toContain('need-unmet')
  })

  test('judged again while people come and go it is as from scratch', () => {
    const again = makeJudge()
    const input = makeInput(studio, [makeRole('A', ['CAM', 'PHO', 'TRI'])])
    for (const carriers of [0, 1, 1, 0, 2]) {
      const now = { ...input, setup: { ...input.setup, carriers } }
      expect(again.assess(now)).toEqual(assessSetup(now))
    }
  })
})

describe('rooms carry', () => {
  test('a lamp hangs from a bar by its clamp, and from no bar where the room has none', () => {
    const hung = judge(['L1', 'K1'], {}, [bar(20_000)])
    expect([codes(hung), joints(hung).sort()]).toEqual([[], ['Bar over the bench<K1', 'K1<L1']])
    expect(codes(judge(['L1', 'K1']))).toContain('need-unmet')
  })

  test('a bar of which nobody knows what it bears is a question', () => {
    const [finding] = judge(['L1', 'K1'], {}, [bar(null)]).findings
    expect(finding).toMatchObject({ code: 'joint-unknown', fact: 'load-limit', other: 'Bar over the bench' })
  })

  test('a bar bears so much in all: two lamps with their clamps are summed', () => {
    const load = (grams: number) =>
      judge(['L1', 'L2', 'K1', 'K2'], {}, [bar(grams)]).findings.filter((it) => it.code === 'carried-load')
    expect(load(7_000)).toEqual([])
    expect(load(6_999)).toMatchObject([{ level: 'stop', working: { tag: 'Bar over the bench', totalGrams: 7_000 } }])
  })
})
