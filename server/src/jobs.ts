import { computeFigures } from './kit/worth/kit-figures.ts'
import { planConnectionsFor } from './setups/connection-plan.ts'
import { loadSinglePoints } from './setups/single-points.ts'

/** Long work by name: what it needs comes as plain values, and what comes of it goes back as plain values. */
export const JOBS = {
  figures: computeFigures,
  connections: planConnectionsFor,
  'single-points': loadSinglePoints,
}
export type JobName = keyof typeof JOBS
