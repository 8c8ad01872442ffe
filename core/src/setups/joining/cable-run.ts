import { z } from 'zod'
import type { FindingLevel } from '../../studio/finding.ts'
import { idSchema } from '../../studio/identity.ts'
import type { PlacedItem } from '../placed/placed-item.ts'
import type { Joint } from './completeness.ts'
import type { PortNode } from './port-graph.ts'

const endSchema = z.object({ unitId: idSchema, portId: idSchema })

/** A signal or mains run as somebody made it: from which end, over which pieces in a row, to which end. */
export const cableRunSchema = z.object({
  from: endSchema,
  via: z.array(idSchema).max(6),
  to: endSchema,
  /** How long the way is, slack included; null where nobody measured. */
  neededMm: z.number().int().min(0).max(1_000_000).nullable(),
})
export type CableRun = z.infer<typeof cableRunSchema>

const listChain = ({ from, via, to }: CableRun) => [from.unitId, ...via, to.unitId]

/** Links all of whose things stand in the setup; the others bind nobody. */
export function listWholeRuns(links: readonly CableRun[], things: readonly PlacedItem[]): CableRun[] {
  const keys = new Set(things.map((it) => it.key))
  return links.filter((link) => listChain(link).every((key) => keys.has(key)))
}

/**
 * Whether two ends may join while these links stand: a piece of a link joins its neighbours in it and nothing else, and a
 * single socket that a link uses takes that link only.
 */
export function makeRunRule(links: readonly CableRun[]): (host: PortNode, guest: PortNode) => boolean {
  const neighboursOf = new Map<string, { key: string; portId: string | null }[]>()
  const pieceAt = new Map<string, string>()
  for (const link of links) {
    const chain = listChain(link)
    for (const [at, key] of link.via.entries()) {
      const before = { key: chain[at] ?? '', portId: at === 0 ? link.from.portId : null }
      const after = { key: chain[at + 2] ?? '', portId: at === link.via.length - 1 ? link.to.portId : null }
      neighboursOf.set(key, [before, after])
    }
    pieceAt.set(`${link.from.unitId}/${link.from.portId}`, chain[1] ?? '')
    pieceAt.set(`${link.to.unitId}/${link.to.portId}`, chain.at(-2) ?? '')
  }
  const allows = (own: PortNode, other: PortNode): boolean => {
    const neighbours = neighboursOf.get(own.thing.key)
    const isNeighbour = (it: { key: string; portId: string | null }) =>
      it.key === other.thing.key && (it.portId === null || other.ports.some((port) => port.id === it.portId))
    if (neighbours && !neighbours.some(isNeighbour)) return false
    const [port] = own.ports
    const piece = port?.count === 1 ? pieceAt.get(`${own.thing.key}/${port.id}`) : undefined
    return piece === undefined || piece === other.thing.key
  }
  return (host, guest) => allows(host, guest) && allows(guest, host)
}

/** What is wrong with a link that was made. */
export interface LinkFinding {
  key: string
  level: FindingLevel
  roleId: string | null
  code: 'link-trouble'
  why: 'gone' | 'not-joined' | 'short' | 'length-unknown'
  from: string
  to: string
  via: string[]
  lengthMm: number | null
  neededMm: number | null
}

/** Judges links as they stand: whether all of each is here, joins, and is as long as the way. `lengthOf` knows a piece by its key. */
export function checkCableRuns(
  links: readonly CableRun[],
  things: readonly PlacedItem[],
  joints: readonly Joint[],
  lengthOf: (key: string) => number | null,
): LinkFinding[] {
  const thingOf = new Map(things.map((it) => [it.key, it]))
  const areJoined = (a: string, b: string) =>
    joints.some(({ host, guest }) => (host.key === a && guest.key === b) || (host.key === b && guest.key === a))
  return links.flatMap((link): LinkFinding[] => {
    const chain = listChain(link)
    const tagOf = (key: string) => thingOf.get(key)?.tag ?? ''
    const lengths = link.via.map(lengthOf)
    const lengthMm = lengths.every((it) => it !== null) ? lengths.reduce<number>((sum, it) => sum + (it ?? 0), 0) : null
    const trouble = (why: LinkFinding['why'], level: FindingLevel): LinkFinding[] => [
      {
        key: `link-trouble/${chain.join('-')}/${why}`,
        level,
        roleId: thingOf.get(link.from.unitId)?.roleId ?? null,
        code: 'link-trouble',
        why,
        from: tagOf(link.from.unitId),
        to: tagOf(link.to.unitId),
        via: link.via.map(tagOf).filter(Boolean),
        lengthMm,
        neededMm: link.neededMm,
      },
    ]
    if (!chain.every((key) => thingOf.has(key))) return trouble('gone', 'warn')
    if (!chain.slice(1).every((key, at) => areJoined(chain[at] ?? '', key))) return trouble('not-joined', 'warn')
    if (link.neededMm === null) return []
    if (lengthMm === null) return trouble('length-unknown', 'unknown')
    return lengthMm < link.neededMm ? trouble('short', 'warn') : []
  })
}

const sameEnd = (a: CableRun['from'], b: CableRun['from']) => a.unitId === b.unitId && a.portId === b.portId

/** Whether a run with these ends over these pieces was made already, however long its way. */
export function hasCableRun(links: readonly CableRun[], { from, via, to }: CableRun): boolean {
  return links.some((it) => sameEnd(it.from, from) && sameEnd(it.to, to) && it.via.join() === via.join())
}

/**
 * The runs with one more. A piece is in one run, and so is a socket of which there is one: what was made with them before
 * gives way. `countEnd` says how many there are of an end, such as the four inputs of a switcher.
 */
export function addCableRun(
  links: readonly CableRun[],
  link: CableRun,
  countEnd: (end: CableRun['from']) => number,
): CableRun[] {
  const single = [link.from, link.to].filter((end) => countEnd(end) <= 1)
  const others = links.filter(
    (it) =>
      !it.via.some((piece) => link.via.includes(piece)) &&
      !single.some((end) => sameEnd(it.from, end) || sameEnd(it.to, end)),
  )
  return [...others, link]
}
