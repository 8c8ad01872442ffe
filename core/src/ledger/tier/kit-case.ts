import type { Model } from '../../kit/model/model.ts'
import type { Unit } from '../../kit/unit/unit.ts'
import type { AssessmentInput } from '../../setups/placed/assessment-input.ts'
import type { Store } from '../../setups/placed/store.ts'
import { isHelperKind } from '../../setups/proposals/connect-choices.ts'
import { suitsRole } from '../../setups/setup/setup.ts'
import type { Circuit } from '../../studio/places/place.ts'
import type { KitItem } from './kit-items.ts'
import type { KitPlan } from './kit-plan.ts'
import { listOpenRoles } from './kit-question.ts'

/**
 * The setup as a kit for it begins: with nothing in it, or with what it has; for stills without sound. Only its things are judged, and
 * no risk that somebody took with others. Where no circuit is chosen, `assumed` feeds it.
 */
export function makeKitInput(
  input: AssessmentInput,
  { base, isStills }: Pick<KitPlan, 'base' | 'isStills'>,
  assumed: Circuit | null,
): AssessmentInput {
  const roles = input.setup.roles.filter((it) => !isStills || it.group !== 'sound')
  const { setup } = input
  return {
    ...input,
    crew: null,
    circuit: input.circuit ?? assumed,
    setup: {
      ...setup,
      ...(isStills ? { speakers: 0 } : {}),
      accepted: [],
      links: base === 'nothing' ? [] : setup.links,
      roles:
        base === 'nothing'
          ? roles.map(({ anyOfUnitIds: _, ...role }) => ({ ...role, things: [], spare: null }))
          : roles,
    },
  }
}

/** So many pieces of one model that are here are looked at. */
const MOST_HERE = 6

/** Whether something of the store could come into a kit of this setup. */
export const couldServe = (input: AssessmentInput, model: Model): boolean =>
  isHelperKind(model.category) || listOpenRoles(input.setup.roles).some((role) => suitsRole(role, model))

/** What is to be had: priced options that were not left out, and of the store what is free, alike pieces as one. */
export function listKitItems(
  { options }: Pick<KitPlan, 'options'>,
  models: ReadonlyMap<string, Model>,
  store: Pick<Store, 'units' | 'stock'> | null,
): KitItem[] {
  const bought = options.flatMap(({ id, modelId, most, price, grade, use }): KitItem[] => {
    const model = models.get(modelId)
    if (!model || price === null || use === 'not') return []
    const priceMinor = price.netMinor + price.taxMinor
    return [{ id, model, most, grade, priceMinor, isMust: use === 'must', source: { kind: 'shop' } }]
  })
  const alike = new Map<string, { model: Model; units: Unit[]; used: Map<string, number> }>()
  for (const { unit, model, usedBySetups } of store?.units ?? []) {
    const known = alike.get(model.id) ?? { model, units: [] as Unit[], used: new Map<string, number>() }
    known.units.push(unit)
    known.used.set(unit.id, usedBySetups)
    alike.set(model.id, known)
  }
  const free = { priceMinor: 0, grade: 1, isMust: false }
  const here = [...alike.values()].map(({ model, units, used }): KitItem => {
    // What the fewest setups count on first.
    const sorted = [...units].sort((a, b) => (used.get(a.id) ?? 0) - (used.get(b.id) ?? 0) || (a.tag < b.tag ? -1 : 1))
    const some = sorted.slice(0, MOST_HERE)
    return {
      ...free,
      id: `here:${model.id}`,
      model,
      most: some.length,
      source: { kind: 'units', units: some, usedBy: used },
    }
  })
  const counted = (store?.stock ?? []).flatMap(({ stock, model, free: pieces }): KitItem[] => {
    const most = Math.min(pieces, MOST_HERE)
    return most > 0 ? [{ ...free, id: `here:${stock.id}`, model, most, source: { kind: 'stock', stock } }] : []
  })
  return [...bought, ...here, ...counted]
}
