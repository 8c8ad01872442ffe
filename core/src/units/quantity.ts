import { splitDecimal } from './money.ts'
import { numberFormat } from './number-format.ts'
import { roundHalfAwayFromZero } from './rounding.ts'

/**
 * The measures that people type, with the whole unit in which each is kept. Integers, so that a limit of 8.0 kg or
 * 100 Wh is decided exactly.
 */
export type Measure = 'mass' | 'length' | 'power' | 'energy' | 'data' | 'bitRate' | 'time'

interface MeasureUnits {
  /** What a bare number means. */
  bare: string
  /** Factor from the typed unit to the stored whole unit. */
  factors: Readonly<Record<string, number>>
}

const MEASURES: Readonly<Record<Measure, MeasureUnits>> = {
  // grams; avoirdupois pound and ounce by the international agreement of 1959 (0.45359237 kg)
  mass: {
    bare: 'kg',
    factors: {
      g: 1,
      gr: 1,
      gram: 1,
      grams: 1,
      kg: 1000,
      kilo: 1000,
      kilos: 1000,
      t: 1_000_000,
      lb: 453.59237,
      lbs: 453.59237,
      pound: 453.59237,
      pounds: 453.59237,
      oz: 28.349523125,
      ounce: 28.349523125,
      ounces: 28.349523125,
    },
  },
  // millimetres; the international inch is 25.4 mm
  length: {
    bare: 'm',
    factors: {
      mm: 1,
      cm: 10,
      m: 1000,
      metre: 1000,
      metres: 1000,
      in: 25.4,
      inch: 25.4,
      inches: 25.4,
      '"': 25.4,
      '″': 25.4,
      '”': 25.4,
      ft: 304.8,
      foot: 304.8,
      feet: 304.8,
      "'": 304.8,
      '′': 304.8,
      '’': 304.8,
      yd: 914.4,
    },
  },
  power: { bare: 'w', factors: { mw: 1, w: 1000, kw: 1_000_000 } }, // milliwatts
  energy: { bare: 'wh', factors: { mwh: 1, wh: 1000, kwh: 1_000_000 } }, // milliwatt hours
  data: { bare: 'gb', factors: { mb: 1, gb: 1000, tb: 1_000_000 } }, // decimal megabytes
  bitRate: { bare: 'mbit/s', factors: { 'kbit/s': 1, 'mbit/s': 1000, mbps: 1000, 'gbit/s': 1_000_000 } }, // kilobits a second
  time: { bare: 'min', factors: { min: 1, mins: 1, m: 1, h: 60, hr: 60, hrs: 60, hours: 60, hour: 60 } }, // minutes
}

export type QuantityReading =
  | { ok: true; value: number }
  | {
      ok: false
      problem: 'not-a-number' | 'unknown-unit' | 'negative' | 'too-large' | 'no-unit'
      received: string
      units: string[]
    }

/**
 * Reads a measure as typed (`1,2 kg`, `6'6"`, `98Wh`, `1 h 30 min`) into whole grams, millimetres, milliwatts,
 * milliwatt hours, megabytes, kilobits a second or minutes. Several parts add up. A bare number takes the usual unit.
 */
export function readQuantity(text: string, measure: Measure): QuantityReading {
  const { bare, factors } = MEASURES[measure]
  const received = text.trim()
  const units = Object.keys(factors)
  const fail = (problem: 'not-a-number' | 'unknown-unit' | 'negative' | 'too-large'): QuantityReading => ({
    ok: false,
    problem,
    received,
    units,
  })
  if (/^[-−]/.test(received)) return fail('negative')
  if (measure === 'energy') {
    const product = readVoltAmpereHours(received)
    if (product !== null) return { ok: true, value: product }
  }
  const body = writeOutFractions(received)
  const parts = [...body.matchAll(/(\d[\d.,]*|[.,]\d+)\s*([a-zA-Z/"'′″’”]*)\s*/g)]
  if (parts.length === 0 || parts.map((part) => part[0]).join('') !== body) return fail('not-a-number')
  let total = 0
  let lastUnit = bare
  for (const [index, part] of parts.entries()) {
    const decimal = splitDecimal(part[1] ?? '', 3)
    if (!decimal) return fail('not-a-number')
    const unit = (part[2] ?? '').toLowerCase() || (index === 0 ? bare : nextSmaller(lastUnit))
    const factor = factors[unit]
    if (factor === undefined) return fail('unknown-unit')
    lastUnit = unit
    total += Number(`${decimal.whole}.${decimal.fraction || '0'}`) * factor
  }
  // Six digits of head room over the largest thing a studio owns; past that it is a slip of the unit.
  if (!Number.isFinite(total) || total > 1e12) return fail('too-large')
  return { ok: true, value: roundHalfAwayFromZero(Number(total.toPrecision(15))) }
}

/** `1 h 30` means minutes after hours, `6' 6` inches after feet, `3 lb 4` ounces after pounds. */
function nextSmaller(unit: string): string {
  if (/^h/.test(unit)) return 'min'
  if (/^(ft|foot|feet|['′’])$/.test(unit)) return 'in'
  if (/^(lbs?|pounds?)$/.test(unit)) return 'oz'
  return unit
}

const WRITTEN_FRACTIONS: Readonly<Record<string, string>> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅓': '1/3',
  '⅛': '1/8',
}

/** `1/4 in` and `6 1/2"` as decimals: a fraction stands alone or after a whole number. */
function writeOutFractions(text: string): string {
  const spelled = text.replace(/[½¼¾⅓⅛]/g, (sign) => ` ${WRITTEN_FRACTIONS[sign]}`).trim()
  return spelled.replace(/(?:(\d+)[\s-]+)?(\d+)\s*\/\s*(\d+)/g, (all, whole, above, below) => {
    const value = Number(whole ?? 0) + Number(above) / Number(below)
    return Number(below) > 0 ? String(Number(value.toFixed(6))) : all
  })
}

/** What stands on a pack, `14.4 V 6.8 Ah` in either order, in milliwatt hours: volts times ampere hours. Null for anything else. */
function readVoltAmpereHours(text: string): number | null {
  const figure = String.raw`(\d+(?:[.,]\d+)?)`
  const joint = String.raw`\s*[,×x*·/]?\s*`
  const volts = new RegExp(`^${figure}\\s*v${joint}${figure}\\s*(m?)ah$`, 'i').exec(text)
  const hours = new RegExp(`^${figure}\\s*(m?)ah${joint}${figure}\\s*v$`, 'i').exec(text)
  const [v, ah, milli] = volts ? [volts[1], volts[2], volts[3]] : hours ? [hours[3], hours[1], hours[2]] : []
  if (!v || !ah) return null
  const product = Number(v.replace(',', '.')) * Number(ah.replace(',', '.')) * (milli ? 1 : 1000)
  return roundHalfAwayFromZero(Number(product.toPrecision(12)))
}

const EXAMPLES: Readonly<Record<Measure, string>> = {
  mass: '8 kg or 750 g',
  length: '2.4 m or 90 cm',
  power: '60 W',
  energy: '98 Wh, or 14.4 V 6.8 Ah',
  data: '128 GB',
  bitRate: '100 Mbit/s',
  time: '1 h 30 min',
}

/** A measure as somebody in such a studio would write it, for hints and for what could not be read. */
export function exampleOf(measure: Measure, system: 'metric' | 'imperial'): string {
  if (system === 'imperial' && measure === 'mass') return '18 lb or 12 oz'
  return system === 'imperial' && measure === 'length' ? '6 ft 6 in or 35 in' : EXAMPLES[measure]
}

/** The units that somebody in such a studio may mean by a bare number, the smaller first; one alone is nothing to choose. */
const UNITS_MEANT: Readonly<Record<Measure, readonly string[] | Record<'metric' | 'imperial', readonly string[]>>> = {
  mass: { metric: ['g', 'kg'], imperial: ['oz', 'lb'] },
  length: { metric: ['mm', 'cm', 'm'], imperial: ['in', 'ft'] },
  power: ['mW', 'W', 'kW'],
  energy: ['mWh', 'Wh', 'kWh'],
  data: ['MB', 'GB', 'TB'],
  bitRate: ['kbit/s', 'Mbit/s', 'Gbit/s'],
  time: ['min', 'h'],
}

/** What to ask in which unit a bare number is; none where a unit was written, or nothing that is a number. */
export function listUnitsMeant(text: string, measure: Measure, system: 'metric' | 'imperial'): readonly string[] {
  if (!/^[\d.,]+$/.test(text.trim())) return []
  const units = UNITS_MEANT[measure]
  const meant = 'metric' in units ? units[system] : units
  return meant.filter((unit) => readQuantity(`${text.trim()} ${unit}`, measure).ok)
}

/** Above so many metres or kilograms a bare number is a slip of the unit: `750` on a table is millimetres. */
const MOST_BARE: Readonly<Partial<Record<Measure, number>>> = { length: 30, mass: 200 }

/**
 * Reads a measure as somebody in such a studio means it. Of a length or a mass a bare number is metres or kilograms in a metric
 * studio, up to what that can sensibly be; elsewhere it is asked in which unit it is, and not guessed.
 */
export function readMeasure(text: string, measure: Measure, system: 'metric' | 'imperial'): QuantityReading {
  const reading = readQuantity(text, measure)
  const most = MOST_BARE[measure]
  if (!reading.ok || most === undefined || !/^[\d.,\s/½¼¾⅓⅛]+$/.test(text.trim())) return reading
  const isSlip = system === 'imperial' || reading.value > most * 1000
  if (!isSlip || reading.value === 0) return reading
  return { ok: false, problem: 'no-unit', received: text.trim(), units: Object.keys(MEASURES[measure].factors) }
}

/** Pounds and ounces in imperial studios: 2.5 lb, 5 oz. */
export function formatMass(grams: number, system: 'metric' | 'imperial' = 'metric'): string {
  if (system === 'imperial') {
    const ounces = grams / 28.349523125
    return ounces < 16 ? `${trim(ounces, 1)} oz` : `${trim(ounces / 16, 2)} lb`
  }
  return grams < 1000 ? `${trim(grams, 0)} g` : `${trim(grams / 1000, 2)} kg`
}

/** Feet and inches in imperial studios: 6′ 7″, to the nearest inch; under a foot to the quarter. */
export function formatLength(mm: number, system: 'metric' | 'imperial' = 'metric'): string {
  if (system === 'imperial') {
    const inches = mm / 25.4
    if (inches < 12) return `${trim(Math.round(inches * 4) / 4, 2)}″`
    const whole = Math.round(inches)
    return whole % 12 ? `${Math.floor(whole / 12)}′ ${whole % 12}″` : `${whole / 12}′`
  }
  return mm < 1000 ? `${trim(mm / 10, 1)} cm` : `${trim(mm / 1000, 2)} m`
}

/** Square metres, or square feet in imperial studios. */
export function formatArea(squareMm: number, system: 'metric' | 'imperial' = 'metric'): string {
  return system === 'imperial' ? `${trim(squareMm / 304.8 ** 2, 0)} sq ft` : `${trim(squareMm / 1_000_000, 2)} m²`
}

export function formatPower(milliwatts: number): string {
  return `${trim(milliwatts / 1000, 1)} W`
}

export function formatEnergy(milliwattHours: number): string {
  return `${trim(milliwattHours / 1000, 1)} Wh`
}

export function formatData(megabytes: number): string {
  if (megabytes >= 1_000_000) return `${trim(megabytes / 1_000_000, 2)} TB`
  return megabytes >= 1000 ? `${trim(megabytes / 1000, 1)} GB` : `${trim(megabytes, 0)} MB`
}

export function formatMinutes(minutes: number): string {
  if (minutes < 120) return `${trim(minutes, 0)} min`
  const hours = Math.floor(minutes / 60)
  const rest = Math.round(minutes - hours * 60)
  return rest ? `${hours} h ${rest} min` : `${hours} h`
}

/** At most so many decimals, thousands grouped, no trailing zeros. */
export function trim(value: number, decimals: number): string {
  return numberFormat({ maximumFractionDigits: decimals }).format(Number(value.toPrecision(12)))
}
