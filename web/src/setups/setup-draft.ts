import { GROUPS, type Group, type NewSetup, type Role, type Tape } from '@exemplar/core'

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
  const { note, roles, demands, accepted, variantOf, links, isMirrored, speakers, shot, carriers, stage } = setup
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
    stage,
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

export const GROUP_ORDER = GROUPS
