import { STANDARD_INTERFACES } from '../model/interface.ts'
import type { ImportContext, ImportPlan } from './import-plan.ts'

export function makeContext(part: Partial<ImportContext> = {}): ImportContext {
  return {
    units: [],
    stock: [],
    places: [],
    interfaces: STANDARD_INTERFACES,
    models: [],
    currency: 'GBP',
    isDayFirst: true,
    remembered: {},
    ...part,
  }
}

/** The kit after a plan was carried out; keys become ids. */
export function applyPlan(context: ImportContext, plan: ImportPlan): ImportContext {
  return {
    ...context,
    places: [...context.places, ...plan.places.map(({ key, name }) => ({ id: key, name }))],
    interfaces: [
      ...context.interfaces,
      ...plan.interfaces.map((it) => ({
        ...it,
        hostName: 'bay',
        guestName: 'pack',
        standard: null,
        viaCableOnly: false,
        version: 1,
      })),
    ],
    models: [...context.models, ...plan.models.map(({ key, model }) => ({ ...model, id: key, version: 1 }))],
    units: [
      ...context.units,
      ...plan.units.map(({ modelKey, placeKey, ...unit }) => ({
        ...unit,
        id: unit.tag,
        modelId: modelKey,
        placeId: placeKey,
        archivedAt: null,
      })),
    ],
    stock: [
      ...context.stock,
      ...plan.stock.map(({ modelKey, placeKey, ...it }) => ({
        ...it,
        id: it.tag,
        modelId: modelKey,
        placeId: placeKey,
      })),
    ],
  }
}
