const KEPT = 6
const keyOf = (list: string) => `exemplar.recent.${list}`

/** What was chosen last from a list on this device, the newest first. Nothing where the browser keeps nothing. */
export function readRecent(list: string): string[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(keyOf(list)) ?? '[]')
    return Array.isArray(kept) ? kept.filter((it) => typeof it === 'string') : []
  } catch {
    return []
  }
}

export function rememberRecent(list: string, value: string): void {
  try {
    const kept = [value, ...readRecent(list).filter((it) => it !== value)].slice(0, KEPT)
    localStorage.setItem(keyOf(list), JSON.stringify(kept))
  } catch {
    // A browser that keeps nothing only forgets what was chosen last.
  }
}
