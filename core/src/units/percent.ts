import { splitDecimal } from './money.ts'

/** A share as people write it (`17,5 %`, `8`, `8.875%`) in hundredths of a per cent; null for what is none, or above 100. */
export function readPercent(text: string): number | null {
  const parts = splitDecimal(text.replace(/[\s%]/g, ''), 3)
  if (!parts || parts.sign < 0) return null
  const points = Math.round(Number(`${parts.whole}.${parts.fraction || '0'}`) * 100)
  return points <= 10_000 ? points : null
}

/** `17.5 %` of 1750 hundredths of a per cent. */
export const writePercent = (basisPoints: number): string => `${basisPoints / 100} %`
