/** Decimal megabytes a minute: 100 Mbit/s fill 750 MB a minute, which is 45 GB an hour. */
export function computeMegabytesPerMinute(kilobitsPerSecond: number): number {
  return (kilobitsPerSecond * 60) / 8 / 1000
}

/** Whole minutes that fit; headroom stays free on the card. */
export function computeCardMinutes(megabytes: number, kilobitsPerSecond: number, headroomPercent: number): number {
  return Math.floor((megabytes * (100 - headroomPercent) * 8000) / (kilobitsPerSecond * 60 * 100))
}
