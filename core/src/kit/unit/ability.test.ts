import { describe, expect, test } from 'vitest'
import { CATEGORY_CODES } from '../model/category.ts'
import { makeModelFromTemplate } from '../template/template.ts'
import { ABILITIES, ABILITY_CODES, judgeAbilities, wantedAbilitySchema } from './ability.ts'

const make = (category: Parameters<typeof makeModelFromTemplate>[0], facts: object = {}, more: object = {}) => {
  const model = makeModelFromTemplate(category, '', 'Thing', facts)
  return {
    ...model,
    id: 'm',
    version: 1,
    specs: { ...model.specs, more: { ...model.specs.more, ...more } },
  } as Parameters<typeof judgeAbilities>[0]
}
const ask = (model: ReturnType<typeof make>, code: (typeof ABILITY_CODES)[number], least = 0) =>
  judgeAbilities(model, [{ code, least }]).answer

describe('what something could do, whatever it was bought for', () => {
  test.each([
    ['an old television takes a picture', make('television', { videoIn: 'hdmi-a' }), 'picture-in', 0, 'yes'],
    ['a lamp takes none', make('light'), 'picture-in', 0, 'no'],
    ['a television shows one, of whatever size', make('television'), 'shows', 0, 'yes'],
    ['of 40 inches', make('television', {}, { screenInches: 40 }), 'shows', 40, 'yes'],
    ['and none of 41', make('television', {}, { screenInches: 40 }), 'shows', 41, 'no'],
    ['of no size nobody knows', make('television'), 'shows', 20, 'unknown'],
    ['a stand holds what it is rated for', make('stand', { loadGrams: 2_000 }), 'holds', 2_000, 'yes'],
    ['and not a gram more', make('stand', { loadGrams: 2_000 }), 'holds', 2_001, 'no'],
    ['a stand without a rating is a question', make('stand'), 'holds', 1, 'unknown'],
    ['so is a tray', make('household'), 'holds', 300, 'unknown'],
    ['until somebody wrote it down', make('household', {}, { takesGrams: 3_000 }), 'holds', 300, 'yes'],
    ['a microphone holds nothing', make('dynamic-mic'), 'holds', 1, 'no'],
    ['a lamp that dims', make('light', {}, { dims: 'yes' }), 'dims', 0, 'yes'],
    ['one that does not', make('light', {}, { dims: 'no' }), 'dims', 0, 'no'],
    ['one of which nobody said', make('light'), 'dims', 0, 'unknown'],
    ['a flash does not shine at all', make('flash'), 'dims', 0, 'no'],
    ['a web camera records nothing by itself', make('webcam'), 'records', 0, 'no'],
    ['a camera does', make('camera'), 'records', 0, 'yes'],
    ['a stool wants no power', make('seat'), 'off-mains', 0, 'yes'],
    ['of a camera without any nobody knows', make('camera'), 'off-mains', 0, 'unknown'],
    ['a lamp on the mains', make('light', { inlet: 'iec-c7', milliwatts: 60_000 }), 'off-mains', 0, 'no'],
  ] as const)('%s', (_, model, code, least, expected) => {
    expect(ask(model, code, least)).toBe(expected)
  })

  test('all of it has to be done: one no is no, else what nobody knows is named', () => {
    const tv = make('television', { videoIn: 'hdmi-a' })
    const both = (least: number) =>
      judgeAbilities(tv, [
        { code: 'picture-in', least: 0 },
        { code: 'shows', least },
      ])
    expect(both(0)).toEqual({ answer: 'yes', unsaid: [] })
    expect(both(30)).toEqual({ answer: 'unknown', unsaid: [ABILITIES.shows.unsaid] })
    expect(
      judgeAbilities(tv, [
        { code: 'shows', least: 30 },
        { code: 'dims', least: 0 },
      ]).answer,
    ).toBe('no')
  })

  test('of every kind every ability is answered, and more asked is never more often met', () => {
    for (const category of CATEGORY_CODES) {
      const model = make(category)
      for (const code of ABILITY_CODES) {
        const [little, much] = [ask(model, code, 0), ask(model, code, ABILITIES[code].figure ? 1e6 : 0)]
        expect(['yes', 'no', 'unknown']).toContain(little)
        if (little === 'no') expect([category, code, much]).toEqual([category, code, 'no'])
      }
    }
  })

  test('a figure is refused where none is asked', () => {
    expect(wantedAbilitySchema.safeParse({ code: 'dims', least: 3 }).success).toBe(false)
    expect(wantedAbilitySchema.parse({ code: 'holds' })).toEqual({ code: 'holds', least: 0 })
  })
})
