import { formatLength, formatMass, trim } from './quantity.ts'

const NUMBER = String.raw`\d{1,3}(?:,\d{3})+(?:\.\d+)?|\d+(?:\.\d+)?`
/** `2 of 6 kg`, `1 to 3 m`: one unit for two figures. */
const PAIR = new RegExp(
  String.raw`(?<![\d.,])(${NUMBER})( of | to | and | or |–)(${NUMBER}) (kg|g|cm|m)(?![\w²³/])`,
  'g',
)
const SINGLE = new RegExp(String.raw`(?<![\d.,])(${NUMBER}) (kg|g|cm|m|m²)(?![\w²³/])`, 'g')

const read = (text: string) => Number(text.replace(/,/g, ''))
/** The international foot of 1959: 0.3048 m. */
const SQUARE_METRES_PER_SQUARE_FOOT = 0.3048 ** 2

function write(amount: number, unit: string): string {
  switch (unit) {
    case 'kg':
      return formatMass(amount * 1000, 'imperial')
    case 'g':
      return formatMass(amount, 'imperial')
    case 'm':
      return formatLength(amount * 1000, 'imperial')
    case 'cm':
      return formatLength(amount * 10, 'imperial')
    case 'm²':
      return `${trim(amount / SQUARE_METRES_PER_SQUARE_FOOT, 0)} sq ft`
    default:
      return `${amount} ${unit}`
  }
}

/** A sentence with its lengths, masses and areas as an imperial studio writes them. Millimetres are trade designations and stay. */
export function writeImperial(text: string): string {
  return text
    .replace(PAIR, (_, one: string, between: string, other: string, unit: string) =>
      [write(read(one), unit), write(read(other), unit)].join(between),
    )
    .replace(SINGLE, (_, amount: string, unit: string) => write(read(amount), unit))
}

/** The same, with what somebody called a thing left as it is: a “stand, 2.6 m” keeps its name. */
export function writeImperialAround(text: string, names: readonly string[]): string {
  const kept = names.filter((it) => /\d/.test(it) && text.includes(it)).sort((a, b) => b.length - a.length)
  const masked = kept.reduce((own, name, at) => own.replaceAll(name, `\u0001${'x'.repeat(at + 1)}\u0001`), text)
  return kept.reduce(
    (own, name, at) => own.replaceAll(`\u0001${'x'.repeat(at + 1)}\u0001`, name),
    writeImperial(masked),
  )
}

/** Every text inside a value, however deep. */
export function listTexts(value: unknown): string[] {
  if (typeof value === 'string') return [value]
  if (Array.isArray(value)) return value.flatMap(listTexts)
  return value !== null && typeof value === 'object' ? Object.values(value).flatMap(listTexts) : []
}
