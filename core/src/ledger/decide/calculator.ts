/** What a field of a calculator takes. Amounts are whole minor units, shares are per cent. */
export type FieldKind = 'money' | 'count' | 'percent'

export interface CalculatorField {
  label: string
  kind: FieldKind
  /** What it is where nobody says: an even guess that may be wrong is told, an amount never guessed. */
  start: number | null
  most?: number
  hint?: string
}

/** Figures by the names of the fields; null where nobody said. */
export type Figures<K extends string = string> = Readonly<Record<K, number | null>>

/** What comes of the figures, in words, with the sums that led there. */
export interface Reckoning {
  says: string
  lines: { label: string; sum: string }[]
  assumptions: string[]
  source: string
}

/** A question about money that comes up again and again, with the figures that decide it. */
export interface Calculator<K extends string = string> {
  title: string
  /** Between what it decides. */
  ways: readonly [string, string]
  fields: Readonly<Record<K, CalculatorField>>
  /** Null while a figure lacks without which nothing can be told. `say` writes an amount. */
  work(figures: Readonly<Record<K, number>>, say: (minor: number) => string): Reckoning | null
}

export const money = (label: string, hint?: string): CalculatorField => ({
  label,
  kind: 'money',
  start: null,
  ...(hint ? { hint } : {}),
})
export const whole = (label: string, start: number | null, most: number, hint?: string): CalculatorField => ({
  label,
  kind: 'count',
  start,
  most,
  ...(hint ? { hint } : {}),
})
export const share = (label: string, start: number | null, hint?: string): CalculatorField => ({
  label,
  kind: 'percent',
  start,
  most: 100,
  ...(hint ? { hint } : {}),
})
/** An amount that is nothing where nobody says so: what is optional, never what decides. */
export const orNothing = (label: string, hint?: string): CalculatorField => ({ ...money(label, hint), start: 0 })
