/**
 * The chance of at most `count` events where `expected` are expected: the sum of e^−λ λ^k / k! for k from 0 to `count`. Summed by
 * logarithms, so that a large λ does not lose itself; 0 for a negative count.
 */
export function reckonPoissonAtMost(count: number, expected: number): number {
  if (count < 0) return 0
  if (expected <= 0) return 1
  let sum = 0
  let logTerm = -expected
  for (let k = 0; k <= count; k++) {
    if (k > 0) logTerm += Math.log(expected / k)
    sum += Math.exp(logTerm)
  }
  return Math.min(1, sum)
}

/**
 * The smallest number of spares that is enough with at least the chance `target` (0 to under 1), where `expected` failures are
 * expected before any of them is back. Null where no finite number of spares promises that.
 */
export function countSpares(expected: number, target: number): number | null {
  if (!(target < 1) || !Number.isFinite(expected)) return null
  let spares = 0
  while (reckonPoissonAtMost(spares, expected) < target) spares++
  return spares
}

/**
 * The value that a chi-square of an even number of degrees of freedom 2·`pairs` stays below with the chance `share`. With even
 * degrees of freedom that chance is 1 − Poisson(pairs − 1; x/2), which is halved down to the last bit.
 */
export function findChiSquareOfPairs(share: number, pairs: number): number {
  const below = (x: number) => 1 - reckonPoissonAtMost(pairs - 1, x / 2)
  let [low, high] = [0, 2]
  while (below(high) < share) high *= 2
  for (let step = 0; step < 200 && low < high; step++) {
    const middle = (low + high) / 2
    if (middle === low || middle === high) break
    if (below(middle) < share) low = middle
    else high = middle
  }
  return (low + high) / 2
}
