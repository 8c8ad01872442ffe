import { describe, expect, test } from 'vitest'
import { type Finding, recordOf } from '../setups/verdict/finding.ts'
import { assessSetup } from '../setups/verdict/readiness.ts'
import { helps, isTrouble, listErasures } from './erasures.fixture.ts'
import { type LawCase, readCase } from './law-cases.fixture.ts'
import { listStagedCases, STAGED, STAGED_CODES } from './staged-cases.fixture.ts'

const isStaged = ({ code }: Finding) => STAGED_CODES.some((it) => it === code)
const judge = (it: LawCase, input = readCase(it)) => assessSetup(input).findings.filter(isStaged)
/** What is asked of a lens in another check stands in the place of what hung on it. */
const judgeAll = (input: ReturnType<typeof readCase>) =>
  assessSetup(input).findings.filter((it) => isStaged(it) || it.code === 'focal-unknown')
const print = (it: Finding) => JSON.stringify([it.code, it.level, it.roleId, ...recordOf(it).deciding(it)])
const prints = (found: readonly Finding[]) => found.map(print).sort()

describe('what was said of picture and light falls under the laws', () => {
  test(`${STAGED} seeded setups reach every code of it`, () => {
    const reached = new Set(listStagedCases().flatMap((it) => judge(it).map(({ code }) => code)))
    expect(STAGED_CODES.filter((it) => !reached.has(it))).toEqual([])
  })

  test('law 1: a counted piece is as good as a single thing', () => {
    const broken = listStagedCases().flatMap((it) => {
      const counted = readCase(it, ({ model }) => model.category !== 'camera')
      return JSON.stringify(prints(judge(it))) === JSON.stringify(prints(judge(it, counted))) ? [] : [it.index]
    })
    expect(broken).toEqual([])
  })

  test('law 2: no figure that is erased takes a warning away without a question', () => {
    const broken = listStagedCases().flatMap((it) => {
      const input = readCase(it)
      const before = judgeAll(input)
      if (!before.some(isTrouble)) return []
      return it.items.flatMap((item) =>
        listErasures(item.model).flatMap(({ what, model }) => {
          const models = new Map([...input.holdings.models, [model.id, model]])
          const after = judgeAll({ ...input, holdings: { ...input.holdings, models } })
          const lost = helps(before, after)
          return lost ? [`${it.index} ${what} of ${model.category}: ${lost}`] : []
        }),
      )
    })
    expect(broken).toEqual([])
  })

  test('law 3: what is away lights and frames nothing', () => {
    for (const it of listStagedCases().slice(0, 200)) {
      const input = readCase(it)
      const lost = { reason: 'state' as const, state: 'lost' as const, backOn: null }
      const lamps = it.items.filter(({ model }) => model.category === 'cob' || model.category === 'ring-light')
      const absences = new Map(lamps.map(({ id }) => [id, lost]))
      const about = judge(it, { ...input, absences }).flatMap((own) => own.key.split('/'))
      expect(about.filter((part) => absences.has(part))).toEqual([])
    }
  })

  test('law 6: in which order roles are listed changes nothing', () => {
    for (const it of listStagedCases()) {
      const turned = { ...it, roles: [...it.roles].reverse() }
      expect(prints(judge(turned)), String(it.index)).toEqual(prints(judge(it)))
    }
  })

  test('law 17: a lamp that gives more makes no face darker', () => {
    for (const it of listStagedCases()) {
      const dark = (own: LawCase) =>
        judge(own)
          .flatMap((found) => (found.code === 'too-dark' ? [-found.offStops] : []))
          .reduce((a, b) => Math.max(a, b), 0)
      const brighter = {
        ...it,
        items: it.items.map((item) => {
          const { luxAtOneMetre } = item.model.specs.more
          if (typeof luxAtOneMetre !== 'number') return item
          const more = { ...item.model.specs.more, luxAtOneMetre: luxAtOneMetre * 2 }
          return { ...item, model: { ...item.model, specs: { ...item.model.specs, more } } }
        }),
      }
      expect(dark(brighter)).toBeLessThanOrEqual(dark(it) + 1e-9)
    }
  })
})
