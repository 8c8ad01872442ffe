/**
 * The chance that at least `needed` of some things are ready, where each is so with a chance of its own: the sums of the binomial
 * distribution where all are alike (Σ C(n,i) pⁱ (1 − p)ⁿ⁻ⁱ for i ≥ k), and of its generalisation where they are not.
 */
export function reckonEnough(needed: number, chances: readonly number[]): number {
  // How likely exactly so many are ready, one thing taken in after the other.
  let exactly = [1]
  for (const chance of chances) {
    const next = new Array<number>(exactly.length + 1).fill(0)
    for (const [count, share] of exactly.entries()) {
      next[count] = (next[count] ?? 0) + share * (1 - chance)
      next[count + 1] = (next[count + 1] ?? 0) + share * chance
    }
    exactly = next
  }
  return Math.min(
    1,
    exactly.slice(Math.max(0, needed)).reduce((sum, it) => sum + it, 0),
  )
}
