import { splitDecimal } from '../../units/money.ts'
import { exampleOf, formatLength, formatMass, readMeasure, trim } from '../../units/quantity.ts'
import { type MoreSpecs, SPECS, type SpecFacts, type SpecKey } from './spec.ts'

type System = 'metric' | 'imperial'

/**
 * Lengths that the trade writes in millimetres everywhere: of lenses, sensors and filters. All other lengths and masses are
 * written as the studio writes them.
 */
const DESIGNATIONS: ReadonlySet<SpecKey> = new Set([
  'focalMinMm',
  'focalMaxMm',
  'imageCircleMm',
  'filterMm',
  'sensorWidthMm',
  'sensorHeightMm',
])

/** How a figure is typed: as a length or mass of the studio, or as a plain number in the unit that its label names. */
export function findSpecMeasure(key: SpecKey): 'length' | 'mass' | null {
  const facts: SpecFacts = SPECS[key]
  if (facts.kind !== 'figure' || DESIGNATIONS.has(key)) return null
  if (facts.unit === 'mm') return 'length'
  return facts.unit === 'g' ? 'mass' : null
}

/** The label, with its unit where a plain number is meant. */
export function labelSpec(key: SpecKey): string {
  const facts: SpecFacts = SPECS[key]
  const unit = facts.kind === 'figure' && findSpecMeasure(key) === null && facts.unit ? `, ${facts.unit}` : ''
  return `${facts.label}${unit}`
}

export type SpecReading = { ok: true; value: number | string } | { ok: false; problem: string }

/** Reads a figure or a word as typed. The unit may stand with the number (`10 A`, `f/2.8`, `5600 K`); lengths and masses need theirs. */
export function readSpec(key: SpecKey, text: string, system: System): SpecReading {
  const facts: SpecFacts = SPECS[key]
  const value = text.trim()
  if (facts.kind === 'text') return { ok: true, value }
  if (facts.kind === 'choice') {
    const own = facts.options.find((it) => it.toLowerCase() === value.toLowerCase())
    return own ? { ok: true, value: own } : { ok: false, problem: `One of: ${facts.options.join(', ')}.` }
  }
  const measure = findSpecMeasure(key)
  if (measure) {
    const reading = readMeasure(value, measure, system)
    if (reading.ok) return { ok: true, value: reading.value }
    return { ok: false, problem: `Write it with its unit, such as ${exampleOf(measure, system)}.` }
  }
  const figure = readFigure(value, facts.unit)
  if (figure !== null) return { ok: true, value: figure }
  return { ok: false, problem: `Write a number${facts.unit ? ` in ${facts.unit}` : ''}.` }
}

/** A number with or without its unit, with a point or a comma, thousands grouped or not; null where it is none. */
function readFigure(text: string, unit: string): number | null {
  const flat = (it: string) => it.toLowerCase().replace(/\s/g, '')
  let body = flat(text).replace(/^f\/?/, '').replace(/−/g, '-')
  const own = flat(unit)
  if (own && body.endsWith(own)) body = body.slice(0, -own.length)
  const parts = splitDecimal(body, 2)
  if (!parts) return null
  return parts.sign * Number(`${parts.whole}.${parts.fraction || '0'}`)
}

/** A figure as somebody in such a studio would type it. */
export function writeSpec(key: SpecKey, value: number | string, system: System): string {
  const measure = findSpecMeasure(key)
  if (typeof value !== 'number' || !measure) return String(value)
  if (system === 'metric') return measure === 'length' ? `${value} mm` : `${value} g`
  return sayMeasure(measure, value, system)
}

export function writeSpecs(specs: MoreSpecs, system: System): Partial<Record<SpecKey, string>> {
  const entries = Object.entries(specs) as [SpecKey, number | string][]
  return Object.fromEntries(entries.map(([key, value]) => [key, writeSpec(key, value, system)]))
}

const sayMeasure = (measure: 'length' | 'mass', value: number, system: System) =>
  measure === 'length' ? formatLength(value, system) : formatMass(value, system)

/** A recorded figure in words: `24 mm`, `f/2.8`, `2.4 m`. */
export function saySpecValue(key: SpecKey, value: number | string, system: System): string {
  const facts: SpecFacts = SPECS[key]
  if (facts.kind !== 'figure') return String(value)
  const measure = findSpecMeasure(key)
  if (measure) return sayMeasure(measure, Number(value), system)
  const amount = trim(Number(value), 2)
  return facts.label.endsWith('f/') ? `f/${amount}` : `${amount}${facts.unit ? ` ${facts.unit}` : ''}`
}
