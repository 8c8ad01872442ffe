import { describe, expect, test } from 'vitest'
import { EMPTY_UNIT } from '../../../kit/unit/unit.ts'
import type { Person } from '../../../studio/people/person.ts'
import { NO_DETAILS } from '../../../studio/places/place.ts'
import type { Crew } from '../../placed/assessment-input.ts'
import type { Holdings } from '../../placed/placed-item.ts'
import { makeInput, makeStudio } from '../../placed/studio.fixture.ts'
import { makeAssignment, type NewSetup, SETUP_DEFAULTS } from '../../setup/setup.ts'
import { listFindings } from '../../verdict/finding.ts'
import { sayFinding } from '../../verdict/finding-sentences.ts'
import { makeScene } from '../scene.ts'

function makePerson(id: string, part: Partial<Person> = {}): Person {
  return {
    id,
    name: id,
    skills: [],
    note: '',
    contacts: [],
    traits: [],
    consent: { state: 'given', on: null, note: '' },
    version: 1,
    ...part,
  }
}

const SETUP: NewSetup = {
  ...SETUP_DEFAULTS,
  code: 'TT',
  name: 'Test',
  tape: 'fern',
  purpose: '',
  placeId: null,
  circuitId: null,
  plannedMinutes: 60,
  note: '',
  roles: [],
}
const NOTHING = { units: new Map(), models: new Map(), stock: new Map() }
const crew = (part: Partial<Crew>): Crew => ({
  team: [],
  bookedIds: null,
  place: null,
  firstDay: '2026-11-24',
  lastDay: '2026-11-24',
  ...part,
})
/** What people and the place have to say, in the order in which it is found. */
const judge = (setup: NewSetup, holdings: Holdings, team: Crew) => {
  const scene = makeScene({ ...makeInput(makeStudio({}), []), setup, holdings, circuit: null, crew: team })
  return listFindings(scene).filter((it) => /^(skill|person|consent|owner|place)-/.test(it.code))
}
const find = (setup: Partial<NewSetup>, part: Partial<Crew>, holdings = NOTHING) =>
  judge({ ...SETUP, ...setup }, holdings, crew(part)).map((it) => `${it.level} ${it.code}`)

describe('skills', () => {
  const imke = makePerson('imke', { skills: ['Switcher'] })
  const bram = makePerson('bram', { skills: ['sound', ' switcher '] })

  test('nobody knows it: stop; one: advice; two: fine', () => {
    expect(find({ skills: ['switcher'] }, { team: [] })).toEqual(['stop skill-missing'])
    expect(find({ skills: ['switcher'] }, { team: [imke] })).toEqual(['advise skill-single'])
    expect(find({ skills: ['switcher'] }, { team: [imke, bram] })).toEqual([])
  })

  test('people are booked, but nobody who knows it: a warning that says who does', () => {
    const yusra = makePerson('yusra')
    const team = [imke, bram, yusra]
    expect(find({ skills: ['switcher'] }, { team, bookedIds: ['yusra'] })).toEqual(['warn skill-missing'])
    expect(find({ skills: ['switcher'] }, { team, bookedIds: ['bram'] })).toEqual([])
    // Nobody is booked yet, so nothing can be said about who is.
    expect(find({ skills: ['switcher'] }, { team, bookedIds: [] })).toEqual([])
    const [finding] = judge({ ...SETUP, skills: ['switcher'] }, NOTHING, crew({ team, bookedIds: ['yusra'] }))
    const said = sayFinding(finding as NonNullable<typeof finding>, { sayInstant: String, sayDay: String })
    expect([said.title, said.text]).toEqual([
      'Nobody booked can do: switcher',
      'imke and bram can. Ask, and put the name on the booking.',
    ])
  })
})

describe('what to mind about people', () => {
  const seated = (until: string | null) =>
    makePerson('mira', { traits: [{ trait: 'stays-seated', until, note: 'Ankle' }] })

  test('only where the setup asks for the contrary, only while it holds, only for who is booked', () => {
    const asks = ['standing' as const]
    expect(find({ asks }, { team: [seated(null)], bookedIds: ['mira'] })).toEqual(['warn person-limit'])
    expect(find({ asks: [] }, { team: [seated(null)], bookedIds: ['mira'] })).toEqual([])
    expect(find({ asks }, { team: [seated(null)], bookedIds: [] })).toEqual([])
    expect(find({ asks }, { team: [seated('2026-11-24')], bookedIds: ['mira'] })).toEqual(['warn person-limit'])
    expect(find({ asks }, { team: [seated('2026-11-23')], bookedIds: ['mira'] })).toEqual([])
  })

  test('who does not want to be filmed is kept behind the camera', () => {
    const person = makePerson('nell', { consent: { state: 'refused', on: null, note: '' } })
    expect(find({}, { team: [person], bookedIds: ['nell'] })).toEqual(['warn consent-refused'])
  })
})

test('somebody’s own phone works here only with their word for it', () => {
  const roles = [
    {
      id: 'r',
      group: 'camera' as const,
      name: 'B camera',
      importance: 'wanted' as const,
      wants: null,
      detail: '',
      intentionallyEmpty: false,
      things: [makeAssignment({ unitId: 'u' })],
    },
  ]
  const { models } = makeStudio({ U: ['phone', {}] })
  const holdings = (ownerAgreed: boolean) => ({
    ...NOTHING,
    models,
    units: new Map([
      ['u', { ...EMPTY_UNIT, id: 'u', tag: 'CAM-09', modelId: 'm-U', version: 1, ownerId: 'bram', ownerAgreed }],
    ]),
  })
  expect(find({ roles }, { team: [makePerson('bram')] }, holdings(false))).toEqual(['warn owner-not-asked'])
  expect(find({ roles }, { team: [makePerson('bram')] }, holdings(true))).toEqual([])
})

test('a room that is closed by then stops, its last day does not', () => {
  const place = {
    name: 'Hall',
    details: { ...NO_DETAILS, accessUntil: '2026-11-24', accessTerms: 'By grace of the office' },
  }
  expect(find({}, { place })).toEqual([])
  expect(find({}, { place, lastDay: '2026-11-25' })).toEqual(['stop place-closed'])
})
