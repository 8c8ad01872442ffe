import { describe, expect, test } from 'vitest'
import { PURPOSE_CODES } from '../../studio/policy/purpose.ts'
import { makeInput, makeRole, makeStudio } from '../placed/studio.fixture.ts'
import { addGuest, applyTemplate, copySetup, PURPOSE_TEMPLATES } from './purpose-template.ts'
import { makeAssignment, newSetupSchema } from './setup.ts'
import { compareSetups } from './setup-difference.ts'

const blank = makeInput(makeStudio({}), []).setup
const ids = () => {
  let next = 0
  return () => `r${++next}`
}

describe('a start for each purpose', () => {
  const purposes = PURPOSE_CODES.filter((it) => it !== 'other')
  test.each(purposes)('%s: a sound setup whose roles say what they want, something essential among them', (purpose) => {
    const setup = applyTemplate(blank, purpose, ids())
    expect(newSetupSchema.safeParse(setup).success).toBe(true)
    expect(setup.roles.every((role) => role.wants !== null)).toBe(true)
    expect(setup.roles.some((role) => role.importance === 'essential')).toBe(true)
    expect(new Set(setup.roles.map((role) => role.name)).size).toBe(setup.roles.length)
    expect(PURPOSE_TEMPLATES[purpose as keyof typeof PURPOSE_TEMPLATES].advice).toMatch(/\.$/)
    // Whatever records a face or a voice has a microphone somewhere; a table or a product may be silent.
    const isSilent = purpose === 'close-up'
    expect(setup.roles.some((role) => role.group === 'sound')).toBe(!isSilent)
    // Each camera role has its lens beside it.
    const count = (wants: string) => setup.roles.filter((role) => role.wants === wants).length
    expect(count('lens')).toBe(count('camera'))
  })
  test('a board that has roles keeps them, and something else brings none', () => {
    const own = { ...blank, roles: [makeRole('Mine', [])] }
    expect(applyTemplate(own, 'panel', ids()).roles).toEqual(own.roles)
    expect(applyTemplate(blank, 'other', ids()).roles).toEqual([])
  })
})

describe('copies and differences', () => {
  const base = {
    ...blank,
    accepted: [{ key: 'k', fingerprint: 'p', reason: 'r', on: '2026-01-01', by: '', until: null }],
    roles: [makeRole('Key', ['L1']), makeRole('Fill', ['L2'], { detail: '2 m' })],
  }
  test('a copy differs from its original in nothing but its name; without things it says what it is without', () => {
    const copy = copySetup(base, 'Other wall', 'OW', true, 'base')
    expect([copy.variantOf, copy.accepted, compareSetups(base, copy)]).toEqual(['base', [], []])
    const bare = copySetup(base, 'Bare', 'BA', false, null)
    expect(compareSetups(base, bare).map((it) => it.kind)).toEqual(['things', 'things'])
  })
  test('a lamp that is moved by the tape measure, a setting, a mirror: each is a difference, and nothing said is none', () => {
    const role = makeRole('Key', [], {
      position: { distanceMm: 1_500, heightMm: null, sideDegrees: null, focalMm: null },
    })
    const before = { ...blank, roles: [role] }
    const moved = { ...role, position: { ...role.position, distanceMm: 900 } } as typeof role
    const fieldsOf = (after: typeof role) =>
      compareSetups(before, { ...before, roles: [after] }).flatMap((it) =>
        it.kind === 'role-changed' ? it.fields : [],
      )
    expect(fieldsOf(moved)).toEqual(['position'])
    // Written in another order it is the same place.
    const reordered = { focalMm: null, sideDegrees: null, heightMm: null, distanceMm: 1_500 }
    expect(fieldsOf({ ...role, position: reordered })).toEqual([])
    expect(fieldsOf({ ...role, settings: [{ name: 'Level', value: '60 %' }] })).toEqual(['settings'])
    expect(fieldsOf({ ...role, settings: [], mayShare: false, stays: null })).toEqual([])
    expect(compareSetups(before, { ...before, isMirrored: true })).toMatchObject([
      { kind: 'fact', field: 'isMirrored' },
    ])
  })

  test('roles that came and went, other things, other ways to power them, other words and another room', () => {
    const after = {
      ...base,
      placeId: 'orangery',
      roles: [
        makeRole('Key', [], { things: [{ ...makeAssignment({ unitId: 'L1' }), powerModeId: 'packs' }] }),
        makeRole('Rim', ['L3']),
      ],
    }
    expect(compareSetups(base, after)).toMatchObject([
      { kind: 'fact', field: 'placeId', after: 'orangery' },
      { kind: 'things', role: 'Key', gone: [{ powerModeId: null }], added: [{ powerModeId: 'packs' }] },
      { kind: 'role-gone', role: 'Fill' },
      { kind: 'role-added', role: 'Rim' },
    ])
    const moved = { ...base, roles: base.roles.map((it) => ({ ...it, detail: '3 m' })) }
    expect(compareSetups(base, moved)).toEqual([
      { kind: 'role-changed', role: 'Key', fields: ['detail'] },
      { kind: 'role-changed', role: 'Fill', fields: ['detail'] },
    ])
  })
  test('seen from the other side, what came is what went', () => {
    const after = { ...base, roles: base.roles.slice(1) }
    expect(compareSetups(base, after).map((it) => it.kind)).toEqual(['role-gone'])
    expect(compareSetups(after, base).map((it) => it.kind)).toEqual(['role-added'])
  })
})

describe('roles that not everybody fills', () => {
  test('talkback, pages, prompter and a lamp at the lens are there to be filled, and nobody misses them', () => {
    const find = (purpose: 'panel' | 'talking-head', name: string) =>
      applyTemplate(blank, purpose, ids()).roles.find((role) => role.name === name)
    for (const name of ['Producer’s microphone', 'Screen for pages']) {
      expect(find('panel', name)).toMatchObject({ importance: 'optional', things: [] })
    }
    for (const name of ['Prompter', 'Lamp at the lens']) {
      expect(find('talking-head', name)).toMatchObject({ importance: 'optional', things: [] })
    }
  })

  test('a guest wants a microphone, a chair and a wider frame, and everything else stays', () => {
    const lens = makeRole('A lens', [], { wants: 'lens', detail: 'long' })
    const solo = { ...blank, shot: 'close' as const, roles: [lens] }
    const both = addGuest(solo, ids())
    expect(both).toMatchObject({ speakers: 2, shot: 'half' })
    expect(both.roles[0]?.detail).toBe('long; wide enough for two')
    expect(
      compareSetups(solo, both).map((it) =>
        'role' in it ? `${it.kind} ${it.role}` : 'field' in it ? it.field : it.kind,
      ),
    ).toEqual(['speakers', 'shot', 'role-changed A lens', 'role-added Guest’s microphone', 'role-added Guest’s chair'])
    expect(addGuest(both, ids()).speakers).toBe(3)
    // With the lens in the role of its camera, that says it.
    const inOne = addGuest({ ...blank, roles: [makeRole('A camera', [], { wants: 'camera', detail: '' })] }, ids())
    expect(inOne.roles[0]?.detail).toBe('wide enough for two')
    expect(inOne.roles.at(-1)?.wants).toBe('seat')
  })
})
