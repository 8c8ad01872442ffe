/** A finding in words, for screen, sheet and API alike. */
export interface FindingWords {
  title: string
  text: string
  /** A figure against its limit, for the gauge. */
  gauge: { share: number; limitShare: number; text: string } | null
}

/** A sum with its numbers in it. */
export interface WorkingWords {
  title: string
  /** The figure against its limit, in a few words. */
  summary: string
  lines: { label: string; sum: string }[]
  assumptions: string[]
  source: string
}

export function plain(title: string, text: string): FindingWords {
  return { title, text, gauge: null }
}

export function makeGauge(value: number, limit: number, text: string): FindingWords['gauge'] {
  const full = Math.max(value, limit) * 1.02
  return { share: value / full, limitShare: limit / full, text }
}
