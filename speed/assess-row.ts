import {
  type AssessmentInput,
  assessSetup,
  checkCompleteness,
  DEFAULT_SETTINGS,
  EMPTY_UNIT,
  listSceneItems,
  type Model,
  makeAssignment,
  makeJudge,
  makeModelFromTemplate,
  type NewSetup,
  resolvePolicies,
  SETUP_DEFAULTS,
  STANDARD_INTERFACES,
  type Unit,
} from '@exemplar/core'
import type { Row } from './measure.ts'

/** The whole verdict of 60 things, joined as it is likeliest, against finding what is joined to what alone. */
export function assessRow(): Row {
  const input = makeLargeInput()
  const things = listSceneItems(input.setup, input.holdings, input)
  return {
    name: 'assessing a setup of 60 things',
    reference: 'joining the same 60 things alone',
    target: 4,
    ours: () => {
      for (let n = 0; n < 20; n++) assessSetup(input)
    },
    theirs: () => {
      for (let n = 0; n < 20; n++) checkCompleteness(things, input.interfaces)
    },
  }
}

/** The same setup after one thing is taken out and put back, over and over, against judging it from scratch each time. */
export function reassessRow(): Row {
  const input = makeLargeInput()
  const without = (tag: string): AssessmentInput => ({
    ...input,
    setup: {
      ...input.setup,
      roles: input.setup.roles.map((role) => ({ ...role, things: role.things.filter((it) => it.unitId !== tag) })),
    },
  })
  const changed = [input, without('cable-2'), input, without('tripod-1')]
  const judge = makeJudge()
  judge.assess(input)
  return {
    name: 'judging 60 things again after one change',
    reference: 'judging them from scratch',
    target: 1,
    ours: () => {
      for (let n = 0; n < 20; n++) judge.assess(changed[n % changed.length] ?? input)
    },
    theirs: () => {
      for (let n = 0; n < 20; n++) assessSetup(changed[n % changed.length] ?? input)
    },
  }
}

const LARCH = {
  code: 'mount-larch',
  label: 'Larch mount',
  kind: 'mount' as const,
  hostName: 'body',
  guestName: 'lens',
  standard: null,
  viaCableOnly: false,
  version: 1,
}

/** A setup of 60 things in five roles, with all that joins them. */
export function makeLargeInput(): AssessmentInput {
  const heldUnits = new Map<string, Unit>()
  const heldModels = new Map<string, Model>()
  const roles: NewSetup['roles'] = []
  const facts = {
    mount: 'mount-larch',
    battery: 'cell-aa',
    milliwatts: 10_000,
    cardForm: 'sd',
    kilobitsPerSecond: 100_000,
    inlet: 'iec-c7',
    loadGrams: 5_000,
    energyMilliwattHours: 50_000,
    capacityMegabytes: 128_000,
    massGrams: 900,
    endA: 'xlr-3',
    endB: 'xlr-3',
  }
  const kinds = [
    'camera',
    'lens',
    'card',
    'tripod',
    'light',
    'stand',
    'lead',
    'microphone',
    'mic-stand',
    'pack',
    'cable',
    'recorder',
  ] as const
  for (let group = 0; group < 5; group++) {
    const things = kinds.map((category) => {
      const id = `${category}-${group}`
      heldModels.set(id, { ...makeModelFromTemplate(category, '', id, facts), id, version: 1 })
      heldUnits.set(id, { ...EMPTY_UNIT, id, tag: id.toUpperCase(), modelId: id, version: 1 })
      return makeAssignment({ unitId: id })
    })
    roles.push({
      id: `r${group}`,
      group: 'camera',
      name: `Role ${group}`,
      importance: 'essential',
      wants: null,
      detail: '',
      intentionallyEmpty: false,
      things,
    })
  }
  return {
    setup: {
      code: 'SP',
      name: 'Speed',
      tape: 'fern',
      purpose: '',
      placeId: null,
      circuitId: null,
      ...SETUP_DEFAULTS,
      plannedMinutes: 60,
      note: '',
      roles,
    },
    holdings: { units: heldUnits, models: heldModels, stock: new Map() },
    interfaces: new Map([...STANDARD_INTERFACES, LARCH].map((it) => [it.code, it])),
    circuit: { id: 'c', name: 'Wall', volts: 230, amps: 16, outlets: 8, outletInterface: 'mains-bs1363' },
    policies: resolvePolicies(DEFAULT_SETTINGS, null),
    crew: null,
    absences: new Map(),
    freeStock: new Map(),
  }
}
