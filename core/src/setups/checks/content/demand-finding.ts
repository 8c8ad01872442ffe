import type { ContentDemand } from '../../setup/demand.ts'
export type DemandCode =
  | Exclude<ContentDemand, 'alone'>
  | 'remote-start'
  | 'within-reach'
  | 'continuous-light'
  | 'clean-picture'

/** A demand that the things do not meet, or of which nobody can tell: those that stand in the way, or are not known. */
export interface Asked {
  demand: DemandCode
  tags: string[]
  keys: string[]
}

export type DemandFinding = Asked & ({ code: 'demand-unmet' } | { code: 'demand-unknown' })
