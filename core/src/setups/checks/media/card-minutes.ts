import type { FindingLevel } from '../../../studio/finding.ts'
import type { PlacedItem } from '../../placed/placed-item.ts'

/** How long one recorder can record on the cards it has. */
export interface CardMinutes {
  formula: 'card-minutes'
  tag: string
  name: string
  mode: string
  kilobitsPerSecond: number
  cards: { tag: string; megabytes: number }[]
  headroomPercent: number
  usableMegabytes: number
  minutes: number
  plannedMinutes: number
  level: FindingLevel
}

/** Decimal megabytes a minute: 100 Mbit/s fill 750 MB a minute, which is 45 GB an hour. */
export function computeMegabytesPerMinute(kilobitsPerSecond: number): number {
  return (kilobitsPerSecond * 60) / 8 / 1000
}

/** Whole minutes that fit; headroom stays free on the card. */
export function computeCardMinutes(megabytes: number, kilobitsPerSecond: number, headroomPercent: number): number {
  return Math.floor((megabytes * (100 - headroomPercent) * 8000) / (kilobitsPerSecond * 60 * 100))
}

interface Options {
  plannedMinutes: number
  headroomPercent: number
}

const CARD_SLOT = 'sd'

/** A card below the speed that the recorder requires does not count; one whose speed nobody recorded does. */
function isFastEnough(card: PlacedItem, recorder: PlacedItem): boolean {
  const demand = recorder.ports.find((port) => port.interfaces.includes(CARD_SLOT))?.demand?.value ?? 0
  const rating = card.ports.find((port) => port.interfaces.includes(CARD_SLOT))?.rating?.value ?? demand
  return rating >= demand
}

/**
 * Cards in a recorder's own role are its own; loose ones go, largest first, to whoever is shortest. A recorder without
 * any card is left out: that is an unmet need already.
 */
export function computeCardTimes(things: readonly PlacedItem[], options: Options): CardMinutes[] {
  const recorders = things.filter((thing) => thing.recordingMode && hasPort(thing, 'host'))
  const cards = things.filter((thing) => thing.capacityMegabytes !== null && hasPort(thing, 'guest'))
  const owned = new Map<string, PlacedItem[]>(recorders.map((recorder) => [recorder.key, []]))
  const loose: PlacedItem[] = []
  for (const card of cards) {
    const recorder = recorders.find((it) => it.roleId !== null && it.roleId === card.roleId)
    if (recorder && !isFastEnough(card, recorder)) continue
    if (recorder) owned.get(recorder.key)?.push(card)
    else loose.push(card)
  }
  loose.sort((a, b) => (b.capacityMegabytes ?? 0) - (a.capacityMegabytes ?? 0) || a.key.localeCompare(b.key))
  for (const card of loose) {
    const shortest = recorders
      .filter((recorder) => isFastEnough(card, recorder))
      .map((recorder) => ({
        recorder,
        minutes: judgeRecorder(recorder, owned.get(recorder.key) ?? [], options).minutes,
      }))
      .sort((a, b) => a.minutes - b.minutes || a.recorder.tag.localeCompare(b.recorder.tag))[0]
    if (shortest) owned.get(shortest.recorder.key)?.push(card)
  }
  return recorders.flatMap((recorder) => {
    const own = owned.get(recorder.key) ?? []
    return own.length ? [judgeRecorder(recorder, own, options)] : []
  })
}

function judgeRecorder(
  recorder: PlacedItem,
  cards: readonly PlacedItem[],
  { plannedMinutes, headroomPercent }: Options,
): CardMinutes {
  const kilobitsPerSecond = recorder.recordingMode?.kilobitsPerSecond ?? 0
  // Headroom is kept on every card, and a card's last part minute is not used: files end at the end of a card.
  const minutes = cards.reduce(
    (sum, card) => sum + computeCardMinutes(card.capacityMegabytes ?? 0, kilobitsPerSecond, headroomPercent),
    0,
  )
  return {
    formula: 'card-minutes',
    tag: recorder.tag,
    name: recorder.name,
    mode: recorder.recordingMode?.label ?? '',
    kilobitsPerSecond,
    cards: cards.map((card) => ({ tag: card.tag, megabytes: card.capacityMegabytes ?? 0 })),
    headroomPercent,
    usableMegabytes: cards.reduce(
      (sum, card) => sum + ((card.capacityMegabytes ?? 0) * (100 - headroomPercent)) / 100,
      0,
    ),
    minutes,
    plannedMinutes,
    level: minutes < plannedMinutes ? 'stop' : 'ok',
  }
}

function hasPort(thing: PlacedItem, side: 'host' | 'guest'): boolean {
  return thing.ports.some((port) => port.side === side && port.interfaces.includes(CARD_SLOT))
}
