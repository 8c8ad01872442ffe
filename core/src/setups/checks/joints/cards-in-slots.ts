import type { Port } from '../../../kit/model/port.ts'
import type { PlacedItem } from '../../placed/placed-item.ts'
import type { Scene } from '../scene.ts'

interface CardEnd {
  item: PlacedItem
  port: Port
}

/**
 * The card that a slot truly gets: what goes in, or what lies in the sleeve that goes in. A sleeve writes as fast as the card in
 * it (common practice). Null where the sleeve is empty: that is told as that.
 */
function findCardItself({ item, port }: CardEnd, { joints, itemOf }: Pick<Scene, 'joints' | 'itemOf'>): CardEnd | null {
  if (item.category !== 'card-sleeve') return { item, port }
  const inside = joints.find(({ host }) => host.key === item.key)
  if (!inside) return null
  const card = itemOf.get(inside.guest.key)
  const end = card?.ports.find((it) => it.id === inside.guest.portId)
  return card && end ? { item: card, port: end } : null
}

interface CardInSlot {
  recorder: PlacedItem
  /** What the slot asks for, in MB/s; null where nobody recorded it. */
  demand: number | null
  card: PlacedItem
  rating: Port['rating']
  isInSleeve: boolean
}

/** Each card in the slot of something, with what the slot asks for and what the card is good for. */
export function listCards({ joints, itemOf }: Pick<Scene, 'joints' | 'itemOf'>): CardInSlot[] {
  return joints.flatMap(({ host, guest }) => {
    const [recorder, item] = [itemOf.get(host.key), itemOf.get(guest.key)]
    const port = item?.ports.find((it) => it.id === guest.portId)
    if (!recorder || !item || !port || recorder.category === 'card-sleeve') return []
    if (item.category !== 'card' && item.category !== 'card-sleeve') return []
    const demand = recorder.ports.find((it) => it.id === host.portId)?.demand
    const card = findCardItself({ item, port }, { joints, itemOf })
    if (!card) return []
    const wanted = demand?.quantity === 'cardMegabytesPerSecond' ? demand.value : null
    return [{ recorder, demand: wanted, card: card.item, rating: card.port.rating, isInSleeve: card.item !== item }]
  })
}

/** Each card in a slot that asks for a speed, with what the card is good for. */
export function listCardsInSlots(scene: Pick<Scene, 'joints' | 'itemOf'>): (CardInSlot & { demand: number })[] {
  return listCards(scene).flatMap(({ demand, ...it }) => (demand === null ? [] : [{ ...it, demand }]))
}
