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
  /** Down from the socket, along both walls' directions, up to the spot: leads lie square, never across. */
  wayMm: number
  /** The way with slack. */
  leadMm: number
}

/**
 * The lead that each socket would take to reach a spot, shortest first. Common practice: down to the floor, along it
 * square to the walls, up again, and some slack.
 */
export function listLeadWays(sockets: readonly Socket[], spot: Spot, slackPercent: number): LeadWay[] {
  return sockets
    .map(({ id, name, circuitId, xMm, yMm, zMm }): LeadWay => {
      const wayMm = zMm + Math.abs(spot.xMm - xMm) + Math.abs(spot.yMm - yMm) + spot.zMm
      const leadMm = roundHalfAwayFromZero((wayMm * (100 + slackPercent)) / 100)
      return { socketId: id, name, circuitId, wayMm, leadMm }
    })
    .sort((a, b) => a.leadMm - b.leadMm || (a.name < b.name ? -1 : 1))
}
