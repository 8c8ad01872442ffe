/**
 * Minimum sustained write in MB/s that a speed class promises (SD Association, speed class standards). A bus such as
 * UHS-I is no promise: it says how fast a card may be read, not how slowly it may write.
 */
export const SUSTAINED_WRITE: Readonly<Record<string, number>> = {
  C2: 2,
  C4: 4,
  C6: 6,
  C10: 10,
  U1: 10,
  U3: 30,
  V6: 6,
  V10: 10,
  V30: 30,
  V60: 60,
  V90: 90,
}

/** Reads `V30`, `U3`, `30` or `30 MB/s` as MB/s of sustained write; null where it is none of these. */
export function readCardSpeed(text: string): number | null {
  const named = SUSTAINED_WRITE[text.trim().toUpperCase()]
  if (named !== undefined) return named
  const figure = /^(\d{1,4})(?:\s*MB\/s)?$/i.exec(text.trim())
  return figure ? Number(figure[1]) : null
}
