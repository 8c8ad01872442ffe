/** Minutes to copy so much: data over the slowest of card, reader, disk and link, all in decimal MB and MB/s. */
export function computeOffloadMinutes(megabytes: number, megabytesPerSecond: readonly number[]): number {
  return megabytes / Math.min(...megabytesPerSecond) / 60
}
