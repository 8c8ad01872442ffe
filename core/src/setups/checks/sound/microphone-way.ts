import { isItemOf, type PlacedItem } from '../../placed/placed-item.ts'
import { factOf, type Scene } from '../scene.ts'
import { type SignalChain, traceSignals } from '../signal/signals.ts'

/** A microphone that is plugged in: through which boosters, and into what. */
export interface FedMicrophone {
  item: PlacedItem
  boosters: PlacedItem[]
  input: PlacedItem
}

/** Every microphone with its way to the first device that is no booster. */
export function listFedMicrophones(scene: Scene): FedMicrophone[] {
  const { chains } = factOf(scene, traceSignals)
  return scene.items
    .filter((it) => isItemOf(it, 'microphone'))
    .flatMap((item) => {
      const { boosters, input } = followToInput(item, chains, scene.itemOf)
      return input ? [{ item, boosters, input }] : []
    })
}

function followToInput(
  microphone: PlacedItem,
  chains: readonly SignalChain[],
  itemOf: ReadonlyMap<string, PlacedItem>,
): { boosters: PlacedItem[]; input: PlacedItem | null } {
  const boosters: PlacedItem[] = []
  let at = microphone.key
  for (let step = 0; step <= chains.length; step++) {
    const next = chains.find(({ from }) => from.key === at)
    const item = next && itemOf.get(next.to.key)
    if (!item) return { boosters, input: null }
    if (item.category !== 'preamp') return { boosters, input: item }
    boosters.push(item)
    at = item.key
  }
  return { boosters, input: null }
}
