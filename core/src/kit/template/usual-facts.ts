import type { Model, NewModel } from '../model/model.ts'
import type { FactKey, TemplateFacts } from './template-facts.ts'

/** Facts of which what is usual may stand until somebody looks: what a thing *is* is told or unknown, never usual. */
export const USUAL_FACTS = [
  'loadGrams',
  'massGrams',
  'milliwatts',
  'energyMilliwattHours',
  'kilobitsPerSecond',
] as const satisfies readonly FactKey[]
export type UsualFact = (typeof USUAL_FACTS)[number]

const isUsualFact = (fact: string): fact is UsualFact => USUAL_FACTS.some((it) => it === fact)

/** The figures of a model that are only what is usual of such things. */
export const readUsual = (model: Pick<Model, 'specs'> | null): readonly UsualFact[] => model?.specs.usual ?? NONE
const NONE: readonly UsualFact[] = []

/** The model with some of its figures marked as only usual. What is none of those that may be is left out. */
export function markUsual<T extends NewModel>(model: T, facts: readonly string[]): T {
  const usual = facts.filter(isUsualFact)
  return usual.length === 0 ? model : { ...model, specs: { ...model.specs, usual } }
}

/** Without the mark on what is told now. */
export function dropUsual<T extends NewModel>(model: T, told: Partial<TemplateFacts>): T {
  const usual = readUsual(model).filter((it) => !(it in told))
  if (usual.length === readUsual(model).length) return model
  const { usual: _usual, ...specs } = model.specs
  return { ...model, specs: usual.length > 0 ? { ...specs, usual } : specs }
}
