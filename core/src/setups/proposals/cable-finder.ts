import { z } from 'zod'
import { PASSIVE_LIMITS_MM } from '../../formulas/signal/passive-limits.ts'
import type { Interface } from '../../kit/model/interface.ts'
import { type Model, nameModel } from '../../kit/model/model.ts'
import type { Port } from '../../kit/model/port.ts'
import { canPortsMeet, listForbidden } from '../joining/port-graph.ts'

/** A free cable, lead or adapter. */
export interface Conduit {
  unitId: string
  tag: string
  model: Model
  usedBySetups: number
}

export const cableWaySchema = z.object({
  pieces: z.array(
    z.object({
      unitId: z.string(),
      tag: z.string(),
      name: z.string(),
    }),
  ),
  /** All lengths together; null where one of them is not recorded. */
  lengthMm: z.number().nullable(),
  /** Longer than a passive run of its kind may be; null where it is within, or nobody can tell. */
  overLimitMm: z.number().nullable(),
  /** What one end sends that the other must not get, such as 48 V. */
  forbidden: z.array(z.string()),
})
export type CableWay = z.infer<typeof cableWaySchema>

export const cableAnswerSchema = z.object({
  /** Best first: the fewest pieces, known to be long enough before unknown, least wanted elsewhere, shortest. */
  ways: z.array(cableWaySchema),
  /** Ways that would join the ends and are too short, so that one sees how much is missing. */
  tooShort: z.array(cableWaySchema),
  /** What to buy where nothing reaches: the two ends and the least length. */
  toBuy: z
    .object({
      from: z.string(),
      to: z.string(),
      leastMm: z.number().nullable(),
    })
    .nullable(),
})
export type CableAnswer = z.infer<typeof cableAnswerSchema>

export interface CableSearch {
  from: Port
  to: Port
  /** How far it is along the way of the cable, slack included; null where nobody measured. */
  neededMm: number | null
  conduits: readonly Conduit[]
  interfaces: ReadonlyMap<string, Interface>
}

/** More pieces than this in a row and nobody would trust it. */
const MOST_PIECES = 4
const MOST_SHOWN = 3

/**
 * Finds every way from one socket to another over free cables and adapters, no piece twice: each piece joins the end before
 * it with one of its ends and goes on with another. Pieces of one model and length stand for each other.
 */
export function findCables(search: CableSearch): CableAnswer {
  const { from, to, neededMm, conduits, interfaces } = search
  const found: (CableWay & { used: number })[] = []
  const sorted = [...conduits].sort((a, b) => a.usedBySetups - b.usedBySetups || (a.tag < b.tag ? -1 : 1))
  const walk = (end: Port, path: readonly Conduit[]): void => {
    if (path.length > 0 && canPortsMeet(end, to, interfaces, true) && isAllowedAtEnd(end, to))
      found.push(describeWay(path, search))
    if (path.length === MOST_PIECES) return
    const tried = new Set<string>()
    for (const piece of sorted) {
      const kind = `${piece.model.id}/${piece.usedBySetups}`
      if (path.includes(piece) || tried.has(kind)) continue
      tried.add(kind)
      for (const [near, far] of listPairs(piece.model.ports)) {
        if (canPortsMeet(end, near, interfaces, true) && listForbidden(end, near).length === 0)
          walk(far, [...path, piece])
      }
    }
  }
  walk(from, [])
  const ranked = withoutDoubles(found.sort(compareWays))
  const reaches = (way: CableWay) => neededMm === null || way.lengthMm === null || way.lengthMm >= neededMm
  const ways = withoutDetours(ranked.filter(reaches)).slice(0, MOST_SHOWN).map(withoutUse)
  const tooShort = ranked
    .filter((it) => !reaches(it))
    .slice(0, MOST_SHOWN)
    .map(withoutUse)
  return { ways, tooShort, toBuy: ways.length > 0 ? null : nameToBuy(search) }
}

/** A strip may not end in a strip; what the two devices send each other is said, not refused. */
function isAllowedAtEnd(end: Port, to: Port): boolean {
  return listForbidden(end, to).length === 0
}

/** Both directions of each pair of ends: a cable may be turned round where its directions allow. */
function listPairs(ports: readonly Port[]): [near: Port, far: Port][] {
  return ports.flatMap((near) => ports.flatMap((far): [Port, Port][] => (near === far ? [] : [[near, far]])))
}

function describeWay(path: readonly Conduit[], { from, to }: CableSearch): CableWay & { used: number } {
  const lengths = path.map(({ model }) => (model.category === 'cable-adapter' ? 0 : model.specs.more.lengthMm))
  const lengthMm = lengths.every((it) => typeof it === 'number')
    ? lengths.reduce<number>((sum, it) => sum + Number(it), 0)
    : null
  const limits = [...from.interfaces, ...to.interfaces].flatMap((code) => PASSIVE_LIMITS_MM[code] ?? [])
  const limit = limits.length > 0 ? Math.min(...limits) : null
  return {
    pieces: path.map(({ unitId, tag, model }) => ({ unitId, tag, name: nameModel(model) })),
    lengthMm,
    overLimitMm: limit !== null && lengthMm !== null && lengthMm > limit ? limit : null,
    forbidden: listForbidden(from, to),
    used: path.reduce((sum, it) => sum + it.usedBySetups, 0),
  }
}

/** Where some of the pieces reach by themselves, the others are only in the way. */
function withoutDetours(ways: readonly Ranked[]): Ranked[] {
  const tagsOf = (way: Ranked) => new Set(way.pieces.map((it) => it.tag))
  return ways.filter((way, at) => {
    const own = tagsOf(way)
    return !ways.slice(0, at).some((better) => [...tagsOf(better)].every((tag) => own.has(tag)))
  })
}

/** The same pieces in another order are the same way. */
function withoutDoubles(ways: readonly Ranked[]): Ranked[] {
  const seen = new Set<string>()
  return ways.filter((way) => {
    const key = way.pieces
      .map((it) => it.tag)
      .sort()
      .join()
    return !seen.has(key) && seen.add(key)
  })
}

type Ranked = CableWay & { used: number }

function compareWays(a: Ranked, b: Ranked): number {
  return (
    Number(a.overLimitMm !== null) - Number(b.overLimitMm !== null) ||
    a.pieces.length - b.pieces.length ||
    Number(a.lengthMm === null) - Number(b.lengthMm === null) ||
    // The shortest that reaches: what lies about in loops is in somebody's way.
    (a.lengthMm ?? 0) - (b.lengthMm ?? 0) ||
    a.used - b.used ||
    (a.pieces.map((it) => it.tag).join() < b.pieces.map((it) => it.tag).join() ? -1 : 1)
  )
}

function withoutUse({ used: _, ...way }: Ranked): CableWay {
  return way
}

function nameToBuy({ from, to, neededMm, interfaces }: CableSearch): CableAnswer['toBuy'] {
  return { from: nameMate(from, interfaces), to: nameMate(to, interfaces), leastMm: neededMm }
}

/** The end of a cable that goes into a port: a plug for a socket. */
function nameMate({ interfaces: codes, side }: Port, interfaces: ReadonlyMap<string, Interface>): string {
  const known = interfaces.get(codes[0] ?? '')
  const part = side === 'host' ? known?.guestName : known?.hostName
  return [known?.label ?? codes[0], part].filter(Boolean).join(' ')
}
