import { isCounted } from '../../kit/model/category.ts'
import { type Model, nameModel } from '../../kit/model/model.ts'
import { EMPTY_UNIT, NO_SUPPLY, type Stock, type Unit } from '../../kit/unit/unit.ts'
import type { AssessmentInput } from '../../setups/placed/assessment-input.ts'
import { placePieces } from './place-pieces.ts'
import type { Wish } from './wish.ts'

/** A wish with what it would be. */
export interface Candidate extends Pick<Wish, 'id' | 'quantity' | 'uses'> {
  model: Model
}

/** What stands for the n-th piece of a wish while it is tried; no thing of the kit is called so. */
export const nameCandidate = (wishId: string, nth: number): string => `wish:${wishId}:${nth}`

/**
 * The setup as it would be with these wishes in the roles that they name: as things of the house that are free. Nothing is written
 * down.
 */
export function placeCandidates(
  input: AssessmentInput,
  setupId: string,
  candidates: readonly Candidate[],
): AssessmentInput {
  const units = new Map(input.holdings.units)
  const stock = new Map(input.holdings.stock)
  const models = new Map(input.holdings.models)
  const freeStock = new Map(input.freeStock)
  let { setup } = input
  for (const it of candidates) {
    const uses = it.uses.filter((use) => use.setupId === setupId)
    if (uses.length === 0) continue
    models.set(it.model.id, it.model)
    const portsOf = (unitId: string) => models.get(units.get(unitId)?.modelId ?? '')?.ports ?? []
    if (isCounted(it.model.category)) {
      const id = nameCandidate(it.id, 0)
      stock.set(id, makeStock(it, id))
      freeStock.set(id, it.quantity)
      setup = placePieces(setup, uses, { stockId: id, quantity: it.quantity }, it.model.ports, portsOf)
      continue
    }
    const unitIds = Array.from({ length: it.quantity }, (_, nth) => nameCandidate(it.id, nth))
    for (const id of unitIds) units.set(id, makeUnit(it, id))
    setup = placePieces(setup, uses, { unitIds }, it.model.ports, portsOf)
  }
  return { ...input, setup, holdings: { units, stock, models }, freeStock }
}

const makeUnit = ({ model }: Candidate, id: string): Unit => ({
  ...EMPTY_UNIT,
  id,
  version: 1,
  tag: nameModel(model),
  modelId: model.id,
})

const makeStock = ({ model, quantity }: Candidate, id: string): Stock => ({
  id,
  version: 1,
  tag: nameModel(model),
  modelId: model.id,
  quantity,
  reorderLevel: 0,
  placeId: null,
  supply: NO_SUPPLY,
})
