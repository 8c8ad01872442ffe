/** A key as it came, and when. */
export interface Stroke {
  key: string
  at: number
}

/** A scanner that types is quicker than any hand: so many milliseconds between two keys at the most. */
const QUICKEST_HAND_MS = 35
const FEWEST_KEYS = 3

/**
 * What a scanner typed, once its closing Enter has come; null while it may still be a hand. Keys that came slowly are
 * somebody's, and only what followed them quickly counts.
 */
export function readWedge(strokes: readonly Stroke[]): string | null {
  const last = strokes[strokes.length - 1]
  if (last?.key !== 'Enter') return null
  let text = ''
  let next = last.at
  for (const { key, at } of strokes.slice(0, -1).reverse()) {
    // Scanners press it for every capital.
    if (key === 'Shift') continue
    if (key.length !== 1 || next - at > QUICKEST_HAND_MS) break
    text = key + text
    next = at
  }
  return text.length >= FEWEST_KEYS ? text : null
}
