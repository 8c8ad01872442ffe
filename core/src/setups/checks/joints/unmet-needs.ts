import type { Interface } from '../../../kit/model/interface.ts'
import type { Model } from '../../../kit/model/model.ts'
import { listInWords } from '../../../units/wording.ts'
import type { UnmetNeed } from '../../joining/completeness.ts'
import { isAccessory } from '../../joining/needed-accessories.ts'
import { findPicture, type PictureKind } from '../../joining/picture-kind.ts'
import { isItemOf, type PlacedItem } from '../../placed/placed-item.ts'
import type { Store } from '../../placed/store.ts'
import type { Remedy } from '../../setup/remedy.ts'
import { defineCheck, type Envelope, type IdeaContext, ofItem, type Purchase } from '../check.ts'
import { type FindingWords, plain, sayCount } from '../finding-words.ts'
import {
  findEmptyHome,
  findRole,
  listAssignments,
  listFromStock,
  listPowerModesOf,
  listReplacements,
  makeReplacement,
} from '../ideas.ts'
import type { Scene } from '../scene.ts'

export interface NeedUnmet {
  code: 'need-unmet'
  tag: string
  name: string
  itemKey: string
  side: 'host' | 'guest'
  interfaces: { code: string; label: string; kind: Interface['kind']; partner: string }[]
  wanted: number
  missing: number
  rivals: string[]
  supply: string[]
  /** No way of joining would meet it; otherwise not every way was looked at. */
  isProven: boolean
  /** A strip beside another: the one is never put into the other. */
  isBesideStrip: boolean
  /** A free socket or plug here of the same size and with other poles: it goes in, and is wired otherwise. */
  lookAlike: { tag: string; poles: number; own: number } | null
}

/** An accessory that nothing in the setup wants: a second lead, another lens. */
interface JoinsNothing {
  code: 'joins-nothing'
  tag: string
  name: string
}

/** Ends that have to be met and that nothing in the setup is left for. */
export const unmetNeeds = defineCheck<NeedUnmet | JoinsNothing>({
  shownIn: (it) => (it.code === 'need-unmet' ? findPictureOf(it.interfaces[0]) : null),
  find: (scene) => [
    ...scene.unmet.map((need) => describe(need, scene)),
    // Pieces of one stock are told once.
    ...scene.inCase.map((it) => ({
      ...ofItem(it),
      about: [it.stock?.id ?? it.key],
      level: 'advise' as const,
      code: 'joins-nothing' as const,
    })),
  ],
  codes: {
    'joins-nothing': {
      say: ({ tag, name }) =>
        plain(
          `${tag} is there in case`,
          `Nothing here wants ${name}. Where it is meant for something, that is missing or does not take it.`,
        ),
      deciding: () => [],
    },
    'need-unmet': {
      say: sayUnmet,
      deciding: ({ interfaces, missing }) => [...interfaces.map((it) => it.code), missing],
      ideas: listIdeas,
      replaceable: ({ itemKey }) => [itemKey],
      seeks: ({ interfaces }) => ({ interfaces: interfaces.map((it) => it.code) }),
      toBuy: (finding, store) => (countFitting(finding, store) === 0 ? whatToBuy(finding, store) : null),
      couldStop: true,
      isSmaller: (after, before) => after.missing < before.missing,
    },
  },
})

const findPictureOf = (told: Told | undefined): PictureKind | null =>
  told ? findPicture(told.code, new Map([[told.code, told]])) : null

const isStrip = (item: PlacedItem) => isItemOf(item, 'strip')

/** Whether another strip is plugged in, so that this one is left without for being a strip as well. */
function isBesideStrip({ thing, side }: UnmetNeed, { joints, itemOf }: Scene): boolean {
  if (side !== 'guest' || !isStrip(thing)) return false
  return joints.some(({ guest }) => {
    const item = itemOf.get(guest.key)
    return item !== undefined && item !== thing && isStrip(item)
  })
}

/** Plugs of one size that are wired otherwise: on cameras and recorders with three poles, on phones and computers with four. */
const LOOK_ALIKE: Readonly<Record<string, { other: string; poles: number }>> = {
  'trs-35': { other: 'trrs-35', poles: 3 },
  'trrs-35': { other: 'trs-35', poles: 4 },
}

function findLookAlike({ thing, side, interfaces }: UnmetNeed, { items, joints }: Scene): NeedUnmet['lookAlike'] {
  const own = interfaces.flatMap((code) => LOOK_ALIKE[code] ?? [])[0]
  const its = own && LOOK_ALIKE[own.other]
  if (!own || !its) return null
  const countInUse = (key: string, portId: string) =>
    joints.filter(({ host, guest }) => [host, guest].some((it) => it.key === key && it.portId === portId)).length
  const other = items.find(
    // What is there to join things is no device that it would go into.
    (item) =>
      item !== thing &&
      !isAccessory(item) &&
      item.ports.some(
        (it) => it.side !== side && it.interfaces.includes(own.other) && countInUse(item.key, it.id) < it.count,
      ),
  )
  return other ? { tag: other.tag, poles: its.poles, own: own.poles } : null
}

function describe(need: UnmetNeed, scene: Scene) {
  const { thing, side, wanted, missing, level, rivals, supply, isProven } = need
  return {
    tag: thing.tag,
    name: thing.name,
    roleId: thing.roleId,
    about: [thing.key, need.portId],
    level: isProven || level !== 'stop' ? level : ('unknown' as const),
    code: 'need-unmet' as const,
    itemKey: thing.key,
    side,
    interfaces: need.interfaces.map((code) => describeInterface(code, side, scene.interfaces)),
    wanted,
    missing,
    rivals,
    supply,
    isProven,
    isBesideStrip: isBesideStrip(need, scene),
    lookAlike: findLookAlike(need, scene),
  }
}

type Told = NeedUnmet['interfaces'][number]
type ToldOf = Record<'host' | 'guest', Map<string, Told>>
const toldOf = new WeakMap<ReadonlyMap<string, Interface>, ToldOf>()

/** The same words for the same end, made once for each list of interfaces. */
function describeInterface(code: string, side: 'host' | 'guest', interfaces: ReadonlyMap<string, Interface>): Told {
  let all = toldOf.get(interfaces)
  if (!all) {
    all = { host: new Map(), guest: new Map() }
    toldOf.set(interfaces, all)
  }
  const known = all[side].get(code)
  if (known) return known
  const told = makeTold(code, side, interfaces)
  all[side].set(code, told)
  return told
}

function makeTold(code: string, side: 'host' | 'guest', interfaces: ReadonlyMap<string, Interface>): Told {
  const known = interfaces.get(code)
  return {
    code,
    label: known?.label ?? code,
    kind: known?.kind ?? ('signal' as const),
    partner: (side === 'host' ? known?.guestName : known?.hostName) ?? code,
  }
}

/** Whether a model has an end of the other side of an interface; a trial decides the rest. */
export function fitsNeed({ side, interfaces }: NeedUnmet, model: Model): boolean {
  return model.ports.some(
    (port) => port.side !== side && port.interfaces.some((code) => interfaces.some((it) => it.code === code)),
  )
}

/** Free things and pieces of stock in the store that would fit. */
export function countFitting(finding: NeedUnmet, store: Pick<Store, 'units' | 'stock'>): number {
  const units = store.units.filter((it) => fitsNeed(finding, it.model)).length
  return store.stock.reduce((sum, it) => sum + (fitsNeed(finding, it.model) ? it.free : 0), units)
}

function listIdeas(finding: NeedUnmet & Envelope, { scene, store }: IdeaContext): Remedy[] {
  const role = findRole(scene, finding.roleId)
  const item = scene.itemOf.get(finding.itemKey)
  if (!role || !item) return []
  const stock = listFromStock(role, store, ({ model }) => fitsNeed(finding, model), finding.missing)
  const units = listAssignments(
    role,
    store,
    (it) => fitsNeed(finding, it.model),
    finding.missing,
    (it) => findEmptyHome(scene, it),
  )
  const { unit } = item
  const others = unit
    ? listReplacements(role, item, store).map((it) => makeReplacement(role, unit.id, it, item.model))
    : []
  const spares = scene.spareItems
    .filter((it) => it.model && fitsNeed(finding, it.model))
    .map(
      (it): Remedy => ({
        kind: 'use-spare',
        roleId: it.roleId ?? '',
        unitId: it.unit?.id ?? null,
        stockId: it.stock?.id ?? null,
        tag: it.tag,
      }),
    )
  return [
    ...new Map(spares.map((it) => [JSON.stringify(it), it])).values(),
    ...stock,
    ...units,
    ...listPowerModesOf(role, item),
    ...others.slice(0, 2),
    whatToBuy(finding, store),
  ]
}

/** What to put on the shopping list: more of the stock that fits, where there is one, else by what fits. */
export function whatToBuy(finding: NeedUnmet, store: Pick<Store, 'stock'>): Purchase {
  const empty = store.stock.find((it) => fitsNeed(finding, it.model))
  const between = finding.lookAlike
    ? `Adapter from a 3.5 mm jack of ${finding.lookAlike.own} to one of ${finding.lookAlike.poles} poles`
    : null
  const item = empty?.model.name ?? between ?? finding.interfaces.map((it) => it.label).join(' or ')
  return { kind: 'shop', item, quantity: finding.missing, stockId: empty?.stock.id ?? null }
}

function sayUnmet(finding: NeedUnmet): FindingWords {
  const { name, tag, wanted, missing, rivals, supply } = finding
  const labels = listInWords(finding.interfaces.map(nameInterface), 'or')
  const have = wanted - missing
  const count = wanted === 1 ? 'one' : `${wanted} ×`
  const wants = `${name} wants ${count} ${labels}${have ? ` and has ${sayCount(have)}` : ''}.`
  const among = rivals.length
    ? ` ${listInWords([tag, ...rivals].sort())} want the same, and there is only ${supply.length ? listInWords(supply) : 'none'}.`
    : ''
  // The classic: one shoe on the camera, and microphone, receiver, lamp and screen all want it.
  const bracket =
    finding.interfaces.some((it) => it.code === 'shoe') && rivals.length > 0
      ? ' A bracket with cold shoes carries more than one.'
      : ''
  // Where it was not proven, it is a question: somebody may know the way that was not found.
  const unproven = finding.isProven
    ? ''
    : ' Not every way of joining all this was looked at, so there may be one: say what stands on what.'
  const chain = finding.isBesideStrip
    ? ' A strip in a strip is not counted: all that is on the one would run through the other. Use another wall socket, or a longer strip.'
    : ''
  return plain(sayTitle(finding), wants + among + bracket + chain + sayLookAlike(finding) + unproven)
}

const sayLookAlike = ({ tag, lookAlike }: NeedUnmet) =>
  lookAlike
    ? ` ${lookAlike.tag} has one of the same size with ${lookAlike.poles} poles, and ${tag} is wired for ${lookAlike.own}: it goes in, and may carry nothing or noise. An adapter from ${lookAlike.own} to ${lookAlike.poles} poles joins them.`
    : ''

/** "Fenn A pack", "1/4-20 thread screw"; a mains lead or a "9 V cell" says by its own name what is wanted. */
function nameInterface({ label, kind, partner }: { label: string; kind: string; partner: string }): string {
  return kind === 'mains' || label.endsWith(partner) ? label : `${label} ${partner}`
}

function sayTitle({ interfaces: [first], tag, missing, wanted }: NeedUnmet): string {
  if (!first) return `${tag} is not complete`
  const what = {
    mount: `${tag} has no ${first.partner}`,
    carry: `Nothing carries ${tag}`,
    battery: `No ${first.label} for ${tag}`,
    card: `No card for ${tag}`,
    mains: first.partner.includes('connector') ? `No mains lead for ${tag}` : `${tag} is not plugged in`,
    signal: `${tag} is not connected`,
  }[first.kind]
  return missing > 1 && wanted > 1 ? `${what} (${missing} missing)` : what
}
