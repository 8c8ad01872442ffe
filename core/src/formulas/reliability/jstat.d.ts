/** What the tests take of it; it ships no types. */
declare module 'jstat' {
  interface Distribution {
    inv(share: number, ...parameters: number[]): number
    cdf(value: number, ...parameters: number[]): number
  }
  const jstat: Record<'chisquare' | 'poisson' | 'binomial' | 'studentt', Distribution>
  export default jstat
}
