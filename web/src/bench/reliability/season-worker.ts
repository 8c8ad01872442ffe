import { type Season, simulateSeasons } from '@exemplar/core'

/** Goes through seasons away from the page, and says how far it has come. Whoever wants no more of it ends it. */

export interface SeasonRequest {
  season: Season
  seed: number
  seasons: number
}

self.onmessage = ({ data: { season, seed, seasons } }: MessageEvent<SeasonRequest>) => {
  const steps = simulateSeasons(season, seed, seasons)
  let step = steps.next()
  for (; !step.done; step = steps.next()) self.postMessage({ done: step.value })
  self.postMessage({ outcome: step.value })
}
