import { listLackingFacts } from '../../../kit/template/needed-facts.ts'
import { isItemOf, type PlacedItem } from '../../placed/placed-item.ts'
import type { Scene } from '../scene.ts'

/** Whether something keeps what it gets; `unknown` where nobody recorded what it keeps it on. */
export type Keeping = 'yes' | 'no' | 'unknown'

type Context = Pick<Scene, 'joints' | 'interfaces'>

/**
 * Whether a thing keeps pictures or sound: on a card or a disk that is in it, or in a memory of its own. A slot that has to
 * have a card and has none is told as that; a body without a medium keeps nothing, whatever comes in.
 */
export function findKeeping(item: PlacedItem, context: Context): Keeping {
  if (isItemOf(item, 'computer') || isItemOf(item, 'tablet')) return 'yes'
  if (!KEEPERS.some((kind) => isItemOf(item, kind)) || item.category === 'webcam' || !item.model) return 'no'
  const slots = item.ports.filter(
    (port) => port.side === 'host' && port.interfaces.some((code) => context.interfaces.get(code)?.kind === 'card'),
  )
  if (slots.some((slot) => slot.importance !== 'optional' || isTaken(item, slot.id, context))) return 'yes'
  if (item.capacityMegabytes !== null) return 'yes'
  if (listLackingFacts(item.model, context.interfaces).some((fact) => fact === 'medium' || fact === 'memory'))
    return 'unknown'
  const { none } = item.model.specs
  return none.includes('medium') && !none.includes('memory') ? 'unknown' : 'no'
}

const KEEPERS = ['camera', 'recorder', 'external-recorder', 'switcher'] as const

const isTaken = ({ key }: PlacedItem, portId: string, { joints }: Context) =>
  joints.some(({ host }) => host.key === key && host.portId === portId)
