import { GROUPS, type Group, type NewSetup, type Role, TAPES, type Tape } from '@exemplar/core'

export const GROUP_NAMES: Record<Group, string> = {
  camera: 'Camera',
  light: 'Light',
  sound: 'Sound',
  support: 'Support',
  power: 'Power',
  media: 'Media and cables',
  set: 'Set',
}

export const TAPE_NAMES: Record<Tape, string> = {
  fern: 'Fern',
  clay: 'Clay',
  sky: 'Sky',
  plum: 'Plum',
  straw: 'Straw',
  slate: 'Slate',
}

/** The parts of a setup that are sent back when it is changed. */
export function toDraft(setup: NewSetup): NewSetup {
  const { code, name, tape, purpose, purposeKind, skills, asks, overrides, placeId, circuitId, plannedMinutes } = setup
  const { note, roles, demands, accepted, variantOf, links, isMirrored, speakers, shot, carriers } = setup
  return {
    code,
    name,
    tape,
    purpose,
    purposeKind,
    skills,
    asks,
    overrides,
    demands,
    accepted,
    variantOf,
    links,
    isMirrored,
    speakers,
    shot,
    carriers,
    placeId,
    circuitId,
    plannedMinutes,
    note,
    roles,
  }
}

export function makeRole(group: Group): Role {
  return {
    id: crypto.randomUUID(),
    group,
    name: '',
    importance: 'essential',
    wants: null,
    detail: '',
    intentionallyEmpty: false,
    things: [],
  }
}

/** The next two letters from a name that no setup has, and the next tape nobody uses. */
export function suggestIdentity(
  name: string,
  used: readonly { code: string; tape: string }[],
): { code: string; tape: Tape } {
  const letters = name.toUpperCase().replace(/[^A-Z ]/g, '')
  const words = letters.split(' ').filter(Boolean)
  const wanted = [
    (words[0]?.[0] ?? '') + (words[1]?.[0] ?? ''),
    (words[0] ?? '').slice(0, 2),
    ...[...letters.replace(/ /g, '')].map((letter) => (words[0]?.[0] ?? '') + letter),
  ]
  const taken = new Set(used.map((it) => it.code))
  const code = wanted.find((it) => /^[A-Z]{2}$/.test(it) && !taken.has(it)) ?? 'XX'
  const counts = TAPES.map((tape) => used.filter((it) => it.tape === tape).length)
  return { code, tape: TAPES[counts.indexOf(Math.min(...counts))] ?? 'slate' }
}

export const GROUP_ORDER = GROUPS
