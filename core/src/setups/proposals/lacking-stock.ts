import type { Interface } from '../../kit/model/interface.ts'
import type { Model } from '../../kit/model/model.ts'
import { makeScene } from '../checks/scene.ts'
import type { UnmetNeed } from '../joining/completeness.ts'
import type { AssessmentInput } from '../placed/assessment-input.ts'

/** What is put into things and used up or filled: of these one knows what a setup lacks. A support or a cable may be any. */
const PUT_IN: ReadonlySet<Interface['kind']> = new Set(['battery', 'card'])

/**
 * How many pieces of each kind of counted thing a setup wants beyond those that stand in it, by the id of the stock: ends for cells,
 * packs and cards that have to be met, and that of all that there is one counted kind alone would meet. `singles` are the models of
 * which there are things with a tag of their own: where one of those would do, nobody knows that the counted kind is wanted.
 */
export function countLackingStock(
  input: AssessmentInput,
  stock: readonly { id: string; model: Pick<Model, 'ports'> }[],
  singles: readonly Pick<Model, 'ports'>[],
): Map<string, number> {
  const lacking = new Map<string, number>()
  for (const need of makeScene(input).unmet) {
    const isPutIn = need.interfaces.every((code) => PUT_IN.has(input.interfaces.get(code)?.kind ?? 'signal'))
    if (!isPutIn || need.level === 'advise') continue
    const [only, ...others] = stock.filter(({ model }) => fits(model, need))
    if (only && others.length === 0 && !singles.some((it) => fits(it, need)))
      lacking.set(only.id, (lacking.get(only.id) ?? 0) + need.missing)
  }
  return lacking
}

const fits = ({ ports }: Pick<Model, 'ports'>, { side, interfaces }: UnmetNeed) =>
  ports.some((port) => port.side !== side && port.interfaces.some((code) => interfaces.includes(code)))
