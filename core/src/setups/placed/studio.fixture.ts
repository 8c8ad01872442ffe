import type { Category } from '../../kit/model/category.ts'
import type { Model } from '../../kit/model/model.ts'
import { makeModelFromTemplate } from '../../kit/template/template.ts'
import type { TemplateFacts } from '../../kit/template/template-facts.ts'
import { EMPTY_UNIT, type Stock, type Unit } from '../../kit/unit/unit.ts'
import { resolvePolicies } from '../../studio/policy/resolved-policies.ts'
import { DEFAULT_SETTINGS } from '../../studio/policy/settings.ts'
import { makeAssignment, type NewSetup, type Role, SETUP_DEFAULTS } from '../setup/setup.ts'
import type { AssessmentInput } from './assessment-input.ts'
import { INTERFACES } from './things.fixture.ts'

export const circuit = {
  id: 'c1',
  name: 'North wall',
  volts: 230,
  amps: 10,
  outlets: 2,
  outletInterface: 'mains-bs1363',
}

/** A little studio for one test: tag, category and facts of each thing. */
export function makeStudio(things: Record<string, [Category, Partial<TemplateFacts>]>) {
  const units = new Map<string, Unit>()
  const models = new Map<string, Model>()
  for (const [tag, [category, facts]] of Object.entries(things)) {
    models.set(`m-${tag}`, { ...makeModelFromTemplate(category, 'Maker', tag, facts), id: `m-${tag}`, version: 1 })
    units.set(tag, { ...EMPTY_UNIT, id: tag, tag, modelId: `m-${tag}`, version: 1 })
  }
  return { units, models, stock: new Map<string, Stock>() }
}

export function makeRole(id: string, tags: string[], rest: Partial<Role> = {}): Role {
  return {
    id,
    group: 'camera',
    name: id,
    importance: 'essential',
    wants: null,
    detail: '',
    intentionallyEmpty: false,
    things: tags.map((unitId) => makeAssignment({ unitId })),
    ...rest,
  }
}

export function makeInput(
  studio: ReturnType<typeof makeStudio>,
  roles: Role[],
  rest: Partial<AssessmentInput> = {},
): AssessmentInput {
  const setup: NewSetup = {
    code: 'TT',
    name: 'Test',
    tape: 'fern',
    purpose: '',
    ...SETUP_DEFAULTS,
    placeId: null,
    circuitId: 'c1',
    plannedMinutes: 90,
    note: '',
    roles,
  }
  return {
    setup,
    holdings: studio,
    interfaces: INTERFACES,
    circuit,
    policies: resolvePolicies(DEFAULT_SETTINGS, null),
    crew: null,
    absences: new Map(),
    freeStock: new Map(),
    ...rest,
  }
}

/** Somebody looked, and it has no mount, takes no card and wants no power. */
export function answerNone({ models }: Pick<ReturnType<typeof makeStudio>, 'models'>, tag: string): void {
  const model = models.get(`m-${tag}`)
  if (model) models.set(model.id, { ...model, specs: { ...model.specs, none: ['mount', 'medium', 'power'] } })
}
