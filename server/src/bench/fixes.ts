import { isKindOf, nameModel, type TemporaryFix } from '@exemplar/core'
import type { loadStockRows } from '../availability/reference.ts'
import type { ServedRow } from './service-lines.ts'

/** What is held for the time being, by when it is to be looked at again, and by what: due ones first. */
export function listFixes(
  things: readonly ServedRow[],
  stock: ReturnType<typeof loadStockRows>,
  today: string,
): TemporaryFix[] {
  const heldBy = (id: string | null | undefined) => {
    const row = stock.find((it) => it.stock.id === id)
    return row ? { tag: row.stock.tag, name: nameModel(row.model), left: row.stock.quantity } : null
  }
  return things
    .flatMap(({ unit, model }) =>
      unit.remarks
        .filter((it) => it.kind === 'temporary-fix' && it.source === 'seen')
        .map(({ text, recheckOn = null, heldById }) => ({
          unitId: unit.id,
          tag: unit.tag,
          name: nameModel(model),
          text,
          recheckOn,
          isDue: recheckOn === null || recheckOn <= today,
          isOnLamp: isKindOf(model.category, 'light'),
          heldBy: heldBy(heldById),
        })),
    )
    .sort((a, b) => ((a.recheckOn ?? '') < (b.recheckOn ?? '') ? -1 : 1))
}
