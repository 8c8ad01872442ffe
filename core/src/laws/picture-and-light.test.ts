import { describe, expect, test } from 'vitest'
import { describeLookOf, writeLook } from '../setups/checks/plan/look.ts'
import { makeScene } from '../setups/checks/scene.ts'
import { type Finding, recordOf } from '../setups/verdict/finding.ts'
import { sayFinding } from '../setups/verdict/finding-sentences.ts'
import { assessSetup } from '../setups/verdict/readiness.ts'
import { listTexts } from '../units/imperial.ts'
import { helps, isTrouble, listErasures } from './erasures.fixture.ts'
import { type LawCase, readCase, rename } from './law-cases.fixture.ts'
import { listStagedCases, STAGED, STAGED_CODES } from './staged-cases.fixture.ts'

const isStaged = ({ code }: Finding) => STAGED_CODES.some((it) => it === code)
const judge = (it: LawCase, input = readCase(it)) => assessSetup(input).findings.filter(isStaged)
/** What is asked of a lens in another check stands in the place of what hung on it. */
const judgeAll = (input: ReturnType<typeof readCase>) =>
  assessSetup(input).findings.filter((it) => isStaged(it) || it.code === 'focal-unknown')
const print = (it: Finding) => JSON.stringify([it.code, it.level, it.roleId, ...recordOf(it).deciding(it)])
const prints = (found: readonly Finding[]) => found.map(print).sort()

const METRIC = /\d (kg|g|cm|m|m²)(?![\w/])/
const IMPERIAL = /\d ?(lb|oz|ft|sq ft|′|″)(?!\w)/
const WORDS = { sayDay: (date: string) => date, sayInstant: String }
const nameOf = (it: LawCase) => [...it.items.flatMap(({ tag, model }) => [tag, model.name]), 'a screen of 7″']
const without = (text: string, names: readonly string[]) => names.reduce((own, name) => own.replaceAll(name, ''), text)

/** One half in one case, the other in the next: each is tried with many others around it. */
const everySecond = <T>(all: readonly T[], index: number): T[] => all.filter((_, at) => (at + index) % 2 === 0)

/** What is no number is written as that, where it would be lost. */
const nameEndless = (_: string, value: unknown) =>
  typeof value === 'number' && !Number.isFinite(value) ? 'NaN' : value

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
        everySecond(listErasures(item.model), it.index).flatMap(({ what, model }) => {
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

  test('law 6: what anything is called changes nothing', () => {
    const keysOf = (it: LawCase) => judge(it).map(({ key, level }) => `${level} ${key}`)
    for (const it of listStagedCases()) expect([it.index, keysOf(rename(it))]).toEqual([it.index, keysOf(it)])
  })

  test('law 4: what lies there in case lights, shapes and frames nothing', () => {
    for (const it of listStagedCases()) {
      const before = prints(judge(it))
      for (const [at, item] of it.items.entries()) {
        if (at % 3 !== it.index % 3) continue
        const model = { ...item.model, id: `${item.model.id}x` }
        const input = readCase({ ...it, items: [...it.items, { ...item, id: 'twin', tag: 'TWIN', model }] })
        const roles = input.setup.roles.map((role) => ({
          ...role,
          things: role.things.map((own) => (own.unitId === 'twin' ? { ...own, isSpare: true } : own)),
        }))
        const after = prints(judge(it, { ...input, setup: { ...input.setup, roles } }))
        expect([it.index, item.model.category, after]).toEqual([it.index, item.model.category, before])
      }
    }
  })

  test('law 5: how much a role matters makes nothing of it a stop', () => {
    for (const it of listStagedCases()) expect(judge(it).filter(({ level }) => level === 'stop')).toEqual([])
  })

  test('law 14: in an imperial studio no metric figure stands in what is found, and none in the lines of the page', () => {
    const stray = new Set<string>()
    let measured = 0
    for (const it of listStagedCases()) {
      const input = readCase(it)
      const found = judge(it, input).flatMap((own) =>
        listTexts(sayFinding(own, { ...WORDS, system: 'imperial' })).map((text) => without(text, nameOf(it))),
      )
      const look = writeLook(describeLookOf(makeScene(input)), 'imperial')
      const lines = [
        ...look.scene,
        ...look.cameras.flatMap((own) => own.lines),
        ...look.lamps.flatMap((own) => own.lines),
      ]
      const said = lines.flatMap(({ says, working }) => [
        says,
        ...(working ? [working.summary, ...working.assumptions] : []),
      ])
      for (const text of [...found, ...said.map((own) => without(own, nameOf(it)))]) {
        if (METRIC.test(text)) stray.add(text)
        if (IMPERIAL.test(text)) measured++
      }
    }
    expect([...stray].slice(0, 12)).toEqual([])
    expect(measured).toBeGreaterThan(500)
  })

  test('zero of anything that was recorded makes no figure that is none', () => {
    for (const it of listStagedCases()) {
      for (const item of it.items) {
        for (const key of everySecond(Object.keys(item.model.specs.more), it.index)) {
          if (typeof item.model.specs.more[key as 'cri'] !== 'number') continue
          const more = { ...item.model.specs.more, [key]: 0 }
          const model = { ...item.model, specs: { ...item.model.specs, more } }
          const zeroed = { ...it, items: it.items.map((own) => (own === item ? { ...own, model } : own)) }
          const input = readCase(zeroed)
          const said = JSON.stringify(
            [...judge(zeroed, input).map((own) => sayFinding(own, WORDS)), describeLookOf(makeScene(input))],
            nameEndless,
          )
          const bad = said.search(/NaN|∞|Infinity/)
          expect([it.index, key, bad < 0 ? null : said.slice(bad - 60, bad + 20)]).toEqual([it.index, key, null])
        }
      }
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
