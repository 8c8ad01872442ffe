import { roundHalfAwayFromZero } from '../../units/rounding.ts'
import type { Socket } from './place.ts'

/** A spot in the plan of a room, in millimetres from its front left corner of the floor. */
export interface Spot {
  xMm: number
  yMm: number
  zMm: number
}

export interface LeadWay {
  socketId: string
  name: string
  circuitId: string | null
  /** Over the floor, overhead, or straight from the one to the other where they are right above each other. */
  via: 'floor' | 'overhead' | 'straight'
  /** Square to the walls, never across. */
  wayMm: number
  /** The way with slack. */
  leadMm: number
}

/** How long a cable has to be for a way, with slack in per cent of it; whole millimetres. */
export const addSlack = (wayMm: number, slackPercent: number): number =>
  roundHalfAwayFromZero((wayMm * (100 + slackPercent)) / 100)

/** From this height on a lead between two such ends runs overhead; nobody brings it down to the floor and up again. */
const OVERHEAD_MM = 2_000
/** So far aside a lead still goes straight from the socket to the spot above or under it. */
const ASIDE_MM = 300

/**
 * The lead that each socket would take to reach a spot, shortest first. Common practice: down to the floor, along it
 * square to the walls, up again, and some slack; overhead where both ends are high; straight where the spot is right above or
 * under the socket.
 */
export function listLeadWays(sockets: readonly Socket[], spot: Spot, slackPercent: number): LeadWay[] {
  return sockets
    .map(({ id, name, circuitId, xMm, yMm, zMm }): LeadWay => {
      const across = Math.abs(spot.xMm - xMm) + Math.abs(spot.yMm - yMm)
      const isHigh = Math.min(zMm, spot.zMm) >= OVERHEAD_MM
      const via = across <= ASIDE_MM ? 'straight' : isHigh ? 'overhead' : 'floor'
      const wayMm = across + (via === 'floor' ? zMm + spot.zMm : Math.abs(spot.zMm - zMm))
      const leadMm = addSlack(wayMm, slackPercent)
      return { socketId: id, name, circuitId, via, wayMm, leadMm }
    })
    .sort((a, b) => a.leadMm - b.leadMm || (a.name < b.name ? -1 : 1))
}
