import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { Category } from '../../kit/model/category.ts'
import { makeModelFromTemplate } from '../../kit/template/template.ts'
import type { TemplateFacts } from '../../kit/template/template-facts.ts'
import { NO_SUPPLY } from '../../kit/unit/unit.ts'
import { resolvePolicies } from '../../studio/policy/resolved-policies.ts'
import { DEFAULT_SETTINGS } from '../../studio/policy/settings.ts'
import type { Store } from '../placed/store.ts'
import { circuit, makeInput, makeRole, makeStudio } from '../placed/studio.fixture.ts'
import { findAllRemedies, findRemedies, makeStandInSearch } from '../proposals/remedies.ts'
import { applyRemedy } from '../setup/remedy.ts'
import { makeAssignment, newSetupSchema, type Role } from '../setup/setup.ts'
import { sayFinding, sayRemedy, sayVerdict, sayWorking } from './finding-sentences.ts'
import { assessSetup } from './readiness.ts'

const WORDS = { sayInstant: (ms: number) => `at ${ms}`, sayDay: (date: string) => date }

function makeStore(studio: ReturnType<typeof makeStudio>, tags: string[]): Store {
  const units = tags.flatMap((tag) => {
    const unit = studio.units.get(tag)
    const model = studio.models.get(`m-${tag}`)
    return unit && model ? [{ unit, model, usedBySetups: 0 }] : []
  })
  return { units, stock: [], circuits: [circuit] }
}

const KIT: Record<string, [Category, Partial<TemplateFacts>]> = {
  CAM: [
    'camera',
    {
      mount: 'mount-x',
      battery: 'pack-a',
      milliwatts: 10_000,
      cardForm: 'sd',
      kilobitsPerSecond: 100_000,
      cardMegabytesPerSecond: 30,
    },
  ],
  LEN: ['lens', { mount: 'mount-x' }],
  LEN2: ['lens', { mount: 'mount-x' }],
  OTHER: ['lens', { mount: 'mount-y' }],
  TRI: ['tripod', { loadGrams: 3_000 }],
  PAK: ['pack', { battery: 'pack-a', energyMilliwattHours: 20_000 }],
  PAK2: ['pack', { battery: 'pack-a', energyMilliwattHours: 20_000 }],
  SD: ['card', { capacityMegabytes: 64_000, cardMegabytesPerSecond: 30 }],
  SLOW: ['card', { capacityMegabytes: 64_000, cardMegabytesPerSecond: 10 }],
  SD2: ['card', { capacityMegabytes: 128_000, cardMegabytesPerSecond: 60 }],
  LGT: ['light', { inlet: 'iec-c7', milliwatts: 60_000 }],
  STD: ['stand', { loadGrams: 4_000 }],
  LED: ['lead', { inlet: 'iec-c7' }],
}

describe('readiness', () => {
  test('an empty essential role stops, a wanted one warns, one left empty on purpose is fine', () => {
    const studio = makeStudio({})
    const level = (rest: Partial<Role>) => assessSetup(makeInput(studio, [makeRole('Key', [], rest)])).level
    expect(level({})).toBe('stop')
    expect(level({ importance: 'wanted' })).toBe('warn')
    expect(level({ importance: 'optional' })).toBe('ok')
    expect(level({ intentionallyEmpty: true })).toBe('ok')
  })

  test('a camera with all it wants is ready, its sums made', () => {
    const studio = makeStudio(KIT)
    const input = makeInput(studio, [makeRole('A', ['CAM', 'LEN', 'SD2', 'PAK', 'PAK2', 'TRI'])])
    const readiness = assessSetup({ ...input, policies: resolvePolicies({ ...DEFAULT_SETTINGS, sparePacks: 0 }, null) })
    expect(readiness.findings.map((it) => it.key)).toEqual(['joint-unknown/CAM/TRI'])
    expect(readiness.workings.map((it) => it.formula)).toEqual(['pack-hours', 'card-minutes'])
    expect(sayVerdict(readiness)).toBe('Cannot tell yet: 1 question.')
  })

  test('the sums name their figures', () => {
    const studio = makeStudio(KIT)
    const readiness = assessSetup(makeInput(studio, [makeRole('A', ['CAM', 'LEN', 'SD', 'PAK', 'TRI'])]))
    // 64 GB less a tenth at 45 GB an hour: 76 minutes of 90. One pack of 20 Wh at 90 % runs 10 W for 108 minutes.
    expect(readiness.findings.find((it) => it.code === 'cards-short')).toMatchObject({
      level: 'stop',
      working: { minutes: 76, plannedMinutes: 90 },
    })
    expect(readiness.findings.find((it) => it.code === 'packs-short')).toMatchObject({
      level: 'warn',
      working: { needed: 1, wanted: 2, have: 1 },
    })
  })

  test('a card too slow for the camera is told as that, and does not count', () => {
    const studio = makeStudio(KIT)
    const readiness = assessSetup(makeInput(studio, [makeRole('A', ['CAM', 'LEN', 'SLOW', 'PAK', 'TRI'])]))
    expect(readiness.findings.map((it) => it.key)).toContain('card-slow/CAM/SLOW')
    expect(readiness.workings.some((it) => it.formula === 'card-minutes')).toBe(false)
  })

  test('a thing that is away, and a stock that is short, are stops with their figures', () => {
    const studio = makeStudio(KIT)
    studio.models.set('m-aa', { ...makeModelFromTemplate('cell', '', 'AA cell'), id: 'm-aa', version: 1 })
    studio.stock.set('aa', {
      id: 'aa',
      tag: 'CEL-01',
      modelId: 'm-aa',
      quantity: 2,
      reorderLevel: 0,
      supply: NO_SUPPLY,
      placeId: null,
      version: 1,
    })
    const role = makeRole('A', ['LEN'], {
      things: [makeAssignment({ unitId: 'LEN' }), makeAssignment({ stockId: 'aa', quantity: 4 })],
    })
    const readiness = assessSetup(
      makeInput(studio, [role], {
        absences: new Map([['LEN', { reason: 'state', state: 'in-repair', backOn: null }]]),
        freeStock: new Map([['aa', 2]]),
      }),
    )
    expect(readiness.findings.find((it) => it.code === 'thing-absent')).toMatchObject({ tag: 'LEN', level: 'stop' })
    expect(readiness.findings.find((it) => it.code === 'stock-short')).toMatchObject({ wanted: 4, have: 2 })
  })

  test('a thing that is late is a question where it is essential: it may be back in time', () => {
    const absences = new Map([['LEN', { reason: 'late' as const, bookingId: 'b', title: 'Bog walk', since: 0 }]])
    const readiness = assessSetup(makeInput(makeStudio(KIT), [makeRole('A', ['LEN'])], { absences }))
    const finding = readiness.findings.find((it) => it.code === 'thing-absent')
    expect(finding).toMatchObject({ level: 'unknown-stop', tag: 'LEN' })
    expect(finding && sayFinding(finding, WORDS).text).toContain('still out with Bog walk')
  })
})

describe('ways out', () => {
  test('a light without its lead is offered the free one, and carrying it out removes the finding', () => {
    const studio = makeStudio(KIT)
    const input = makeInput(studio, [makeRole('Key', ['LGT', 'STD'])])
    const store = makeStore(studio, ['LED', 'LEN'])
    const finding = findRemedies(input, store, 'need-unmet/LGT/inlet')
    const [first] = finding?.remedies ?? []
    expect(first).toMatchObject({ kind: 'assign', tags: ['LED'] })
    if (!first) return
    const after = assessSetup({ ...input, setup: applyRemedy(input.setup, first) })
    expect(after.findings.map((it) => it.key)).not.toContain('need-unmet/LGT/inlet')
  })

  test('a lens of another mount is never offered', () => {
    const studio = makeStudio(KIT)
    const input = makeInput(studio, [makeRole('A', ['CAM'])])
    const finding = findRemedies(input, makeStore(studio, ['OTHER', 'LEN']), 'need-unmet/CAM/mount')
    expect(finding?.remedies.filter((it) => it.kind === 'assign').map((it) => it.kind === 'assign' && it.tags)).toEqual(
      [['LEN']],
    )
  })

  test('a stand-in adds no stop', () => {
    const studio = makeStudio(KIT)
    const input = makeInput(studio, [makeRole('A', ['CAM', 'LEN', 'SD2', 'PAK', 'PAK2', 'TRI'])])
    const found = makeStandInSearch(input, makeStore(studio, ['LEN2', 'OTHER'])).find('LEN')
    expect(found.map((it) => it.unit.tag)).toEqual(['LEN2'])
  })

  test('with nothing free, what is left is the shopping list', () => {
    const studio = makeStudio(KIT)
    const input = makeInput(studio, [makeRole('Key', ['LGT', 'STD'])])
    const finding = findRemedies(input, makeStore(studio, []), 'need-unmet/LGT/inlet')
    expect(finding?.remedies).toEqual([{ kind: 'shop', item: 'C7 mains lead', quantity: 1, stockId: null }])
  })
})

const tagsOfKit = Object.keys(KIT)
const someRoles = fc
  .shuffledSubarray(tagsOfKit)
  .chain((tags) => fc.tuple(fc.constant(tags), fc.array(fc.nat(3), { minLength: tags.length, maxLength: tags.length })))
  .map(([tags, at]) =>
    [0, 1, 2, 3].map((n) =>
      makeRole(
        `r${n}`,
        tags.filter((_, index) => at[index] === n),
      ),
    ),
  )

describe('laws', () => {
  test('adding a thing to the store never adds a stop, and removing one never removes a stop', () => {
    fc.assert(
      fc.property(someRoles, fc.constantFrom(...tagsOfKit), (roles, extra) => {
        const studio = makeStudio(KIT)
        const used = new Set(roles.flatMap((role) => role.things.map((thing) => thing.unitId)))
        const free = tagsOfKit.filter((tag) => !used.has(tag) && tag !== extra)
        const input = makeInput(studio, roles)
        const without = findAllRemedies(input, makeStore(studio, free))
        const withIt = findAllRemedies(input, makeStore(studio, used.has(extra) ? free : [...free, extra]))
        expect(withIt.map((it) => it.key)).toEqual(without.map((it) => it.key))
        const count = (help: typeof without) => help.map((it) => it.inStore ?? 0)
        for (const [at, inStore] of count(without).entries()) expect(count(withIt)[at]).toBeGreaterThanOrEqual(inStore)
      }),
      { numRuns: 150 },
    )
  })

  test('every way out that changes the setup keeps it valid, adds no stop and helps', () => {
    fc.assert(
      fc.property(someRoles, (roles) => {
        const studio = makeStudio(KIT)
        const used = new Set(roles.flatMap((role) => role.things.map((thing) => thing.unitId)))
        const input = makeInput(studio, roles)
        const before = assessSetup(input)
        const helps = findAllRemedies(
          input,
          makeStore(
            studio,
            tagsOfKit.filter((tag) => !used.has(tag)),
          ),
        )
        for (const [at, finding] of before.findings.entries()) {
          for (const remedy of helps[at]?.remedies ?? []) {
            expect(sayRemedy(remedy)).toMatch(/^[A-Z]/)
            if (remedy.kind === 'shop' || finding.code === 'role-empty') continue
            const setup = applyRemedy(input.setup, remedy)
            expect(newSetupSchema.safeParse(setup).success).toBe(true)
            expect(assessSetup({ ...input, setup }).counts.stop).toBeLessThanOrEqual(before.counts.stop)
          }
        }
      }),
      { numRuns: 150 },
    )
  })

  test('the same setup gets the same judgement, whatever the order in which things are looked up', () => {
    fc.assert(
      fc.property(someRoles, (roles) => {
        const studio = makeStudio(KIT)
        const turned = {
          ...studio,
          units: new Map([...studio.units].reverse()),
          models: new Map([...studio.models].reverse()),
        }
        expect(assessSetup(makeInput(turned, roles))).toEqual(assessSetup(makeInput(studio, roles)))
      }),
      { numRuns: 100 },
    )
  })

  test('every finding has words, a figure that is drawn fits its gauge, and every sum can be opened', () => {
    fc.assert(
      fc.property(someRoles, (roles) => {
        const { findings, workings } = assessSetup(makeInput(makeStudio(KIT), roles))
        for (const finding of findings) {
          const { title, text, gauge } = sayFinding(finding, WORDS)
          expect(title.length).toBeGreaterThan(5)
          expect(text).toMatch(/[.]$/)
          if (gauge) expect(Math.max(gauge.share, gauge.limitShare)).toBeLessThanOrEqual(1)
        }
        for (const working of workings) expect(sayWorking(working).lines.length).toBeGreaterThan(1)
      }),
      { numRuns: 100 },
    )
  })
})
