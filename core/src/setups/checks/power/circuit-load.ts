import type { FindingLevel } from '../../../studio/finding.ts'
import type { Circuit } from '../../../studio/places/place.ts'
import type { LoadRule } from '../../../studio/policy/settings.ts'
import type { PlacedItem } from '../../placed/placed-item.ts'

/** A load that runs three hours or more is continuous in the sense of NFPA 70, 210.20(A). */
export const CONTINUOUS_MINUTES = 180

/** The sum on one circuit, with everything that a person needs to check it. Milliwatts throughout. */
export interface CircuitLoad {
  formula: 'circuit-load'
  circuit: string
  volts: number
  amps: number
  loads: { tag: string; name: string; milliwatts: number; isContinuous: boolean }[]
  totalMilliwatts: number
  /** Volts times amperes: what the breaker lets through. */
  ratedMilliwatts: number
  /** What may be drawn for hours: the rated power times the studio's share. */
  continuousMilliwatts: number
  continuousPercent: number
  rule: LoadRule
  /** With the rule for the continuous part: that part over the share, and the rest as it is. */
  reckonedMilliwatts: number
  isContinuous: boolean
  level: FindingLevel
}

/** P = V·I for what a circuit gives. 15 A at 120 V with the 80 % rule is 1,440 W. */
export function computeCircuitLimit(volts: number, amps: number, percent: number): number {
  // Tenths of an ampere and whole per cent keep the product whole: 13 A · 230 V = 2,990,000 mW exactly.
  return Math.round(volts * Math.round(amps * 10) * percent)
}

export interface LoadPolicy {
  rule: LoadRule
  continuousPercent: number
}

/**
 * Adds up what runs from the mains. Equality passes. Above the rated power: stop. With the rule for the whole load,
 * above the share: stop where the load runs three hours or more, else a warning. With the rule for its continuous
 * part: stop where that part over the share, and the rest as it is, pass the rated power (NFPA 70, 210.20(A)). Things
 * without recorded watts are left out and reported by the caller.
 */
export function computeCircuitLoad(
  things: readonly PlacedItem[],
  circuit: Circuit,
  { rule, continuousPercent }: LoadPolicy,
  runMinutes: number,
): CircuitLoad {
  const isContinuous = runMinutes >= CONTINUOUS_MINUTES
  const loads = things.flatMap((thing) =>
    thing.powerMode?.source === 'mains' && thing.powerMode.milliwatts !== null
      ? [
          {
            tag: thing.tag,
            name: thing.name,
            milliwatts: thing.powerMode.milliwatts,
            isContinuous: isContinuous && !thing.runsBriefly,
          },
        ]
      : [],
  )
  const totalMilliwatts = loads.reduce((sum, load) => sum + load.milliwatts, 0)
  const ratedMilliwatts = computeCircuitLimit(circuit.volts, circuit.amps, 100)
  const continuousMilliwatts = computeCircuitLimit(circuit.volts, circuit.amps, continuousPercent)
  const lasting = loads.reduce((sum, load) => sum + (load.isContinuous ? load.milliwatts : 0), 0)
  const reckonedMilliwatts = Math.ceil((lasting * 100) / continuousPercent) + totalMilliwatts - lasting
  return {
    formula: 'circuit-load',
    circuit: circuit.name,
    volts: circuit.volts,
    amps: circuit.amps,
    loads: loads.sort((a, b) => b.milliwatts - a.milliwatts || a.tag.localeCompare(b.tag)),
    totalMilliwatts,
    ratedMilliwatts,
    continuousMilliwatts,
    continuousPercent,
    rule,
    reckonedMilliwatts,
    isContinuous,
    level: judge(rule, totalMilliwatts, ratedMilliwatts, continuousMilliwatts, reckonedMilliwatts, isContinuous),
  }
}

function judge(
  rule: LoadRule,
  total: number,
  rated: number,
  continuous: number,
  reckoned: number,
  isContinuous: boolean,
): FindingLevel {
  if (total > rated) return 'stop'
  if (rule === 'none') return 'ok'
  if (rule === 'part') return reckoned > rated ? 'stop' : 'ok'
  if (total > continuous) return isContinuous ? 'stop' : 'warn'
  return 'ok'
}
