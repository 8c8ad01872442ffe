import { type Category, isKindOf } from '../../kit/model/category.ts'
import type { Model } from '../../kit/model/model.ts'
import type { AssessmentInput } from '../placed/assessment-input.ts'
import { type PlacedItem, placeCircuit, placePiece, placeUnit } from '../placed/placed-item.ts'
import type { Store } from '../placed/store.ts'
import { listFixed, listSceneItems, makeHoldable } from '../placed/venue.ts'
import type { Assignment, NewSetup, Role } from '../setup/setup.ts'
import { type Choice, foldAlike } from './connect-program.ts'

/** What is taken to join others: never a further camera, lamp or microphone, which somebody has to want first. */
const HELPER_KINDS: readonly Category[] = [
  'lens-adapter',
  'tripod',
  'head',
  'stand',
  'mic-stand',
  'arm',
  'plate',
  'clamp',
  'backdrop-support',
  'pack',
  'cell',
  'coupler',
  'supply',
  'lead',
  'strip',
  'cable',
  'cable-adapter',
  'card',
  'card-sleeve',
]

export const isHelperKind = (category: Category) => HELPER_KINDS.some((kind) => isKindOf(category, kind))

/** What a choice costs: the fewest things first, then those that few setups count on, then another way of powering. */
const COST = { thing: 20_000, use: 1_000, mostUses: 10, toMains: 5_000, toPacks: 12_000, againstSchool: 6_000 }

/** A piece that stands in the setup, by its role and id; the room's sockets have neither. */
export interface OwnChoice {
  role: Role | null
  unitId: string | null
  choice: Choice
}

/** A free piece of the store. */
export interface HelperChoice {
  source: { unitId: string } | { stockId: string }
  model: Model
  tag: string
  /** Pieces are alike where this is: of one model, and counted on by as many setups. */
  alike: string
  choice: Choice
}

/** Alike pieces of the store under one choice, in the order in which they are taken. */
export interface FoldedHelper {
  pieces: readonly HelperChoice[]
  choice: Choice
}

/** Counts alike pieces together where that is exact. */
export function foldHelpers(
  own: readonly OwnChoice[],
  helpers: readonly HelperChoice[],
  { interfaces }: AssessmentInput,
): FoldedHelper[] {
  const classes = new Map<string, HelperChoice[]>()
  for (const helper of helpers) {
    const known = classes.get(helper.alike)
    if (known) known.push(helper)
    else classes.set(helper.alike, [helper])
  }
  const groups = [...classes.values()]
  const folded = foldAlike(
    own.map((it) => it.choice),
    groups.map((pieces) => pieces.map((it) => it.choice)),
    interfaces,
  )
  return groups.flatMap((pieces, at) => {
    const choices = folded[at] ?? []
    if (choices.length === 1 && choices[0]) return [{ pieces, choice: choices[0] }]
    return choices.flatMap((choice, index) => (pieces[index] ? [{ pieces: [pieces[index]], choice }] : []))
  })
}

/** Everything that stands, each in the ways in which it can be powered, and the sockets of the room. */
export function listOwnChoices(input: AssessmentInput): OwnChoice[] {
  const { setup, holdings, circuit, policies } = input
  const option = policies.school('power').way
  const own = listSceneItems(setup, holdings, { circuit: null }).flatMap((now): OwnChoice[] => {
    const role = setup.roles.find((it) => it.id === now.roleId)
    const assignment = role?.things.find((it) => it.unitId === now.unit?.id || it.stockId === now.stock?.id)
    if (!role || !assignment) return []
    const others = assignment.powerModeId ? [] : listOtherWays(now, role, assignment, input)
    const costs = others.map((it) => costWay(it, option))
    return [
      {
        role,
        unitId: assignment.unitId,
        choice: { ways: [now, ...others], costs: [0, ...costs], isHelper: false, count: 1 },
      },
    ]
  })
  const around = [...(circuit ? [placeCircuit(circuit)] : []), ...listFixed(setup, input)]
  const fixed = around.map((it): OwnChoice => {
    return { role: null, unitId: null, choice: { ways: [it], costs: [0], isHelper: false, count: 1 } }
  })
  return [...own, ...fixed]
}

function listOtherWays(now: PlacedItem, role: Role, assignment: Assignment, { setup }: AssessmentInput): PlacedItem[] {
  const { unit, model } = now
  if (!unit || !model) return []
  return model.powerModes
    .filter((mode) => mode.id !== now.powerMode?.id)
    .map((mode) => placeUnit(unit, model, role, { ...assignment, powerModeId: mode.id }))
    .map((it) => (setup.carriers > 0 ? makeHoldable(it) : it))
}

/** Packs run out and mains do not, unless the studio's school has it the other way. */
function costWay({ powerMode }: PlacedItem, school: string): number {
  const isMains = powerMode?.source === 'mains'
  const usual = isMains ? COST.toMains : COST.toPacks
  const isAgainst = (school === 'mains' && !isMains) || (school === 'packs' && isMains)
  return usual + (isAgainst ? COST.againstSchool : 0)
}

export const listCodes = (thing: PlacedItem) => thing.ports.flatMap((port) => port.interfaces)

/** How often what a helper asks for itself is followed further: cable, adapter, and what the adapter wants. */
const MOST_STEPS = 3

/** Free pieces that could help, directly or through each other; of one model no more than could be of use. */
export function listHelpers(
  input: AssessmentInput,
  store: Store,
  wanted: ReadonlySet<string>,
  missing: number,
): HelperChoice[] {
  const pieces = listFreePieces(input, store).filter((it) => isHelperKind(it.model.category))
  const codes = new Set(wanted)
  for (let step = 0; step < MOST_STEPS; step++) {
    for (const { choice } of pieces) {
      const thing = choice.ways[0]
      if (!thing || !listCodes(thing).some((code) => codes.has(code))) continue
      for (const port of thing.ports)
        if (port.importance === 'essential') for (const it of port.interfaces) codes.add(it)
    }
  }
  const most = 2 + 2 * missing
  const taken = new Map<string, number>()
  return pieces.filter(({ choice, model }) => {
    if (!choice.ways.some((way) => listCodes(way).some((code) => codes.has(code)))) return false
    const count = (taken.get(model.id) ?? 0) + 1
    taken.set(model.id, count)
    return count <= most
  })
}

/** Free units and pieces of stock, what the fewest setups count on first, then by tag: so that ties fall alike each time. */
function listFreePieces({ setup }: AssessmentInput, store: Store): HelperChoice[] {
  const units = store.units
    .map(({ unit, model, usedBySetups }) => ({
      source: { unitId: unit.id },
      piece: placeUnit(unit, model, null, null),
      model,
      used: Math.min(COST.mostUses, usedBySetups),
    }))
    .sort((a, b) => a.used - b.used || (a.piece.tag < b.piece.tag ? -1 : 1))
  const stock = store.stock.flatMap(({ stock: it, model, free }) => {
    const own = countOfStock(setup, it.id)
    return Array.from({ length: Math.max(0, Math.min(free - own, 99)) }, (_, n) => ({
      source: { stockId: it.id },
      piece: placePiece({
        key: `stock:${it.id}:${own + n}`,
        tag: it.tag,
        model,
        stock: it,
        role: null,
        assignment: null,
      }),
      model,
      used: 0,
    }))
  })
  return [...stock, ...units].map(({ source, piece, model, used }, rank): HelperChoice => {
    // What is taken stands in a role in its first way of powering, as anything else that is put there.
    const ways = [{ ...piece, roleImportance: 'essential' as const }]
    const cost = COST.thing + COST.use * used + Math.min(rank, COST.use - 1)
    return {
      source,
      model,
      tag: piece.tag,
      alike: `${model.id}/${used}/${piece.healthPercent}`,
      choice: { ways, costs: [cost], isHelper: true, count: 1 },
    }
  })
}

function countOfStock({ roles }: NewSetup, stockId: string): number {
  return roles.reduce(
    (sum, role) => sum + role.things.reduce((all, it) => all + (it.stockId === stockId ? it.quantity : 0), 0),
    0,
  )
}
