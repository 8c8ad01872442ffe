import { z } from 'zod'
import { computeCardMinutes } from '../../../formulas/media/card-time.ts'
import { IMPORTANCES, type Port } from '../../../kit/model/port.ts'
import { USUAL_HAND } from '../../../kit/model/usual-hand.ts'
import { findUsualRate } from '../../../kit/model/usual-rate.ts'
import { type FindingLevel, findingLevelSchema } from '../../../studio/finding.ts'
import { formatData, formatMinutes, trim } from '../../../units/quantity.ts'
import type { PlacedItem } from '../../placed/placed-item.ts'
import type { Store } from '../../placed/store.ts'
import type { Remedy } from '../../setup/remedy.ts'
import { defineCheck, defineSum, type Found, type IdeaContext, type Purchase } from '../check.ts'
import { makeGauge, plain, type WorkingWords } from '../finding-words.ts'
import { findRole, listAssignments, listRecordingModesOf } from '../ideas.ts'
import { factOf, type Scene } from '../scene.ts'
/** How long one recorder can record on the cards it has. */
export const cardMinutesSchema = z.object({
  formula: z.literal('card-minutes'),
  key: z.string(),
  tag: z.string(),
  name: z.string(),
  mode: z.string(),
  kilobitsPerSecond: z.number(),
  /** Nobody recorded its rate: it is what such a thing usually records at. */
  isUsual: z.boolean(),
  cards: z.array(
    z.object({
      tag: z.string(),
      megabytes: z.number(),
    }),
  ),
  headroomPercent: z.number(),
  usableMegabytes: z.number(),
  minutes: z.number(),
  plannedMinutes: z.number(),
  level: findingLevelSchema,
})
export type CardMinutes = z.infer<typeof cardMinutesSchema>

type CardFinding =
  | { code: 'cards-short'; working: CardMinutes }
  | { code: 'card-rate-unknown'; working: CardMinutes; modelId: string | null }
type ShortCards = Extract<CardFinding, { code: 'cards-short' }>

/** Cards of each recorder against the planned minutes. */
export const cardMinutes = defineCheck<CardFinding>({
  shownIn: 'signals',
  find: (scene) =>
    factOf(scene, findCardTimes)
      .filter(({ level }) => level !== 'ok')
      .map((working): Found<CardFinding> => {
        const item = scene.itemOf.get(working.key)
        const about = { about: [working.key], roleId: item?.roleId ?? null, working }
        return working.isUsual
          ? { ...about, level: 'unknown', code: 'card-rate-unknown', modelId: item?.model?.id ?? null }
          : { ...about, code: 'cards-short' }
      }),
  codes: {
    'card-rate-unknown': {
      couldStop: true,
      say: ({ working: { tag, minutes, plannedMinutes, kilobitsPerSecond } }) =>
        plain(
          `Cannot tell how long ${tag} records`,
          `Nobody recorded its rate. At the usual ${sayRate(kilobitsPerSecond)} it would be ${formatMinutes(minutes)} of ${formatMinutes(plannedMinutes)}, and it may well be faster. The rate stands in its menu, in Mbit/s.`,
        ),
      deciding: ({ working }) => [working.plannedMinutes],
      asks: ({ modelId }) => (modelId === null ? null : { modelId, fact: 'rate' }),
    },
    'cards-short': {
      say: ({ working: { tag, minutes, plannedMinutes, mode } }) => ({
        title: `The cards in ${tag} end ${formatMinutes(plannedMinutes - minutes)} early`,
        text: `They hold ${formatMinutes(minutes)} at ${mode}; ${formatMinutes(plannedMinutes)} are planned.`,
        gauge: makeGauge(minutes, plannedMinutes, `${minutes} of ${plannedMinutes} min`),
      }),
      sayPlainly: ({ working }) => `The cards in ${working.tag} are full before the end.`,
      deciding: ({ working }) => [working.minutes, working.plannedMinutes],
      ideas: listIdeas,
      toBuy: (_, store) => (store.units.some((it) => it.model.category === 'card') ? null : LARGER_CARD),
      seeks: () => ({ categories: ['card'] }),
      isSmaller: (after, before) => after.working.minutes > before.working.minutes,
    },
  },
})

export const cardMinutesSum = defineSum<CardMinutes>({
  formula: 'card-minutes',
  // What cannot be told is a question, and no sum that comes out.
  list: (scene) => factOf(scene, findCardTimes).filter(({ level }) => level !== 'unknown'),
  say: sayWorking,
  follows: ({ figure }) => [figure('cardHeadroomPercent')],
})

function findCardTimes({ items, setup, policies, interfaces }: Scene): CardMinutes[] {
  const headroomPercent = policies.settings.cardHeadroomPercent
  const isCard = (code: string) => interfaces.get(code)?.kind === 'card'
  return computeCardTimes(items, { plannedMinutes: setup.plannedMinutes, headroomPercent }, isCard)
}

const LARGER_CARD: Purchase = {
  kind: 'shop',
  item: 'A larger memory card',
  quantity: 1,
  stockId: null,
}

/** Free cards, the largest first. */
function listFreeCards(store: Store): Store {
  const units = store.units
    .filter((it) => it.model.category === 'card')
    .sort((a, b) => (b.model.specs.capacityMegabytes ?? 0) - (a.model.specs.capacityMegabytes ?? 0))
  return { ...store, units }
}

function listIdeas({ working }: ShortCards, { scene, store }: IdeaContext): Remedy[] {
  const recorder = scene.itemOf.get(working.key)
  const role = findRole(scene, recorder?.roleId ?? null)
  if (!role) return []
  return [...listAssignments(role, listFreeCards(store), () => true), ...listRecordingModesOf(recorder), LARGER_CARD]
}

interface Options {
  plannedMinutes: number
  headroomPercent: number
}

/** Which of the ends of a thing are slots for cards, or cards: whatever form the studio has. */
export type IsCard = (code: string) => boolean

const cardEnds = (thing: PlacedItem, side: 'host' | 'guest', isCard: IsCard) =>
  thing.ports.filter((port) => port.side === side && port.interfaces.some(isCard))

const shares = (a: Port, b: Port) => a.interfaces.some((code) => b.interfaces.includes(code))

/** Whether a card goes into a slot as it is, or in a sleeve that is there. */
function goesInto(card: Port, slot: Port, sleeves: readonly PlacedItem[], isCard: IsCard): boolean {
  if (shares(card, slot)) return true
  return sleeves.some(
    (sleeve) =>
      cardEnds(sleeve, 'host', isCard).some((inside) => shares(inside, card)) &&
      cardEnds(sleeve, 'guest', isCard).some((outside) => shares(outside, slot)),
  )
}

/**
 * The slot of a recorder that takes a card: of its form, and no faster than it. A card below the speed that is required does
 * not count; one whose speed nobody recorded does.
 */
function takes(recorder: PlacedItem, card: PlacedItem, sleeves: readonly PlacedItem[], isCard: IsCard): boolean {
  return cardEnds(recorder, 'host', isCard).some((slot) =>
    cardEnds(card, 'guest', isCard).some((end) => {
      const demand = slot.demand?.value ?? 0
      return goesInto(end, slot, sleeves, isCard) && (end.rating?.value ?? demand) >= demand
    }),
  )
}

/**
 * Cards in a recorder's own role are its own; loose ones go, largest first, to whoever is shortest. A recorder without
 * any card is left out: that is an unmet need already.
 */
export function computeCardTimes(things: readonly PlacedItem[], options: Options, isCard: IsCard): CardMinutes[] {
  const has = (thing: PlacedItem, side: 'host' | 'guest') => cardEnds(thing, side, isCard).length > 0
  const sleeves = things.filter((thing) => thing.category === 'card-sleeve')
  // What matters most comes first, and of equals what they are decides: never in which order they are listed.
  const recorders = things
    .filter((thing) => rateOf(thing) !== null && !sleeves.includes(thing) && keepsIt(thing, has))
    .sort(byImportance)
  const cards = things.filter((thing) => thing.capacityMegabytes !== null && has(thing, 'guest')).sort(byImportance)
  const owned = new Map(recorders.map((it) => [it.key, has(it, 'host') ? [] : [it]] as [string, PlacedItem[]]))
  const loose: PlacedItem[] = []
  for (const card of cards) {
    const own = recorders.filter((it) => it.roleId !== null && it.roleId === card.roleId && has(it, 'host'))
    const recorder = own.find((it) => takes(it, card, sleeves, isCard))
    if (recorder) owned.get(recorder.key)?.push(card)
    else if (own.length === 0) loose.push(card)
  }
  loose.sort((a, b) => (b.capacityMegabytes ?? 0) - (a.capacityMegabytes ?? 0))
  for (const card of loose) {
    const shortest = recorders
      .filter((recorder) => takes(recorder, card, sleeves, isCard))
      .map((recorder) => ({
        recorder,
        minutes: computeRecorder(recorder, owned.get(recorder.key) ?? [], options).minutes,
      }))
      .sort((a, b) => a.minutes - b.minutes)[0]
    if (shortest) owned.get(shortest.recorder.key)?.push(card)
  }
  return recorders.flatMap((recorder) => {
    const own = owned.get(recorder.key) ?? []
    return own.length ? [computeRecorder(recorder, own, options)] : []
  })
}

/** Pieces of one model can stand for each other, and stay as they come. */
const rankOf = ({ model }: PlacedItem) => model?.id ?? ''
const byImportance = (a: PlacedItem, b: PlacedItem) =>
  IMPORTANCES.indexOf(a.roleImportance) - IMPORTANCES.indexOf(b.roleImportance) ||
  (rankOf(a) < rankOf(b) ? -1 : rankOf(a) > rankOf(b) ? 1 : 0)

/** What records into slots, or into a memory of its own of which the size is known. */
function keepsIt(thing: PlacedItem, has: (thing: PlacedItem, side: 'host' | 'guest') => boolean): boolean {
  return has(thing, 'host') || (thing.capacityMegabytes !== null && !has(thing, 'guest'))
}

/** Its own rate, or the usual one of its kind. */
const rateOf = ({ recordingMode, category }: PlacedItem) =>
  recordingMode?.kilobitsPerSecond ?? (category === 'room' ? null : findUsualRate(category))

const sayRate = (kilobitsPerSecond: number) => `${trim(kilobitsPerSecond / 1000, 1)} Mbit/s`

function computeRecorder(
  recorder: PlacedItem,
  cards: readonly PlacedItem[],
  { plannedMinutes, headroomPercent }: Options,
): CardMinutes {
  const kilobitsPerSecond = rateOf(recorder) ?? 0
  const isUsual = recorder.recordingMode === null
  // Headroom is kept on every card, and a card's last part minute is not used: files end at the end of a card.
  const minutes = cards.reduce(
    (sum, card) => sum + computeCardMinutes(card.capacityMegabytes ?? 0, kilobitsPerSecond, headroomPercent),
    0,
  )
  return {
    formula: 'card-minutes',
    key: recorder.key,
    tag: recorder.tag,
    name: recorder.name,
    mode: recorder.recordingMode?.label ?? `the usual ${sayRate(kilobitsPerSecond)}`,
    kilobitsPerSecond,
    isUsual,
    cards: cards.map((card) => ({ tag: card.tag, megabytes: card.capacityMegabytes ?? 0 })),
    headroomPercent,
    usableMegabytes: cards.reduce(
      (sum, card) => sum + ((card.capacityMegabytes ?? 0) * (100 - headroomPercent)) / 100,
      0,
    ),
    minutes,
    plannedMinutes,
    level: judge(minutes, plannedMinutes, isUsual),
  }
}

function judge(minutes: number, plannedMinutes: number, isUsual: boolean): FindingLevel {
  if (isUsual) return minutes < plannedMinutes * USUAL_HAND ? 'unknown' : 'ok'
  return minutes < plannedMinutes ? 'stop' : 'ok'
}

function sayWorking(working: CardMinutes): WorkingWords {
  const { tag, minutes, plannedMinutes, headroomPercent, kilobitsPerSecond } = working
  const share = 100 - headroomPercent
  return {
    title: `Recording time of ${tag}`,
    summary: `${minutes} for ${plannedMinutes} min`,
    lines: [
      ...working.cards.map((card) => ({
        label: card.tag,
        sum: `${formatData(card.megabytes)} × ${share} % = ${formatData((card.megabytes * share) / 100)}`,
      })),
      {
        label: 'fills',
        sum: `${trim(kilobitsPerSecond / 1000, 1)} Mbit/s × 0.45 = ${trim((kilobitsPerSecond / 1000) * 0.45, 1)} GB/h`,
      },
      { label: 'holds', sum: `${minutes} min; planned ${plannedMinutes} min` },
    ],
    assumptions: [
      `${headroomPercent} % of every card stays free (common practice, a setting).`,
      'Decimal gigabytes, as cards are sold; whole minutes on each card.',
      ...(working.isUsual
        ? [
            `Nobody recorded its rate: the usual one of its kind (common practice), with ${USUAL_HAND} times the time in hand.`,
          ]
        : []),
    ],
    source: 'GB/h = Mbit/s · 3600 / 8 / 1000',
  }
}
