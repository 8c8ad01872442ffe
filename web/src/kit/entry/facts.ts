import {
  exampleOf,
  FACT_WORDS,
  type FactKey,
  type Measure,
  NO_END,
  readMeasure,
  type TemplateFacts,
  type UnitSystem,
} from '@exemplar/core'

/** Texts as typed, by fact; a connector by its code. */
export type FactTexts = Partial<Record<FactKey, string>>

/** Turns what was typed into facts, or says at which field it cannot be read. Null is what was emptied. */
export function readTypedFacts(
  texts: FactTexts,
  system: UnitSystem,
): { facts: Partial<TemplateFacts>; problems: Record<string, string> } {
  const facts: Partial<Record<FactKey, string | number | null>> = {}
  const problems: Record<string, string> = {}
  for (const [key, typed] of Object.entries(texts) as [FactKey, string][]) {
    const { form } = FACT_WORDS[key]
    const text = typed.trim()
    if (text === '') facts[key] = null
    else if (form.kind === 'connector') facts[key] = text
    else if (form.kind === 'count') {
      const digits = /^v?(\d{1,4})(?:\s*mb\/s)?$/i.exec(text)?.[1]
      if (digits && Number(digits) > 0) facts[key] = Number(digits)
      else problems[key] = 'Write a whole number.'
    } else {
      const reading = readMeasure(text, form.measure, system)
      if (reading.ok) facts[key] = reading.value
      else problems[key] = `Cannot read “${text}”. Write it like ${exampleOf(form.measure, system)}.`
    }
  }
  return { facts: facts as Partial<TemplateFacts>, problems }
}

/** Facts as somebody in such a studio would type them. */
export function writeFacts(facts: Partial<TemplateFacts>, system: UnitSystem): FactTexts {
  return Object.fromEntries(
    (Object.entries(facts) as [FactKey, string | number | null][]).flatMap(([key, value]) => {
      if (value === null || value === undefined) return []
      const { form } = FACT_WORDS[key]
      return [[key, form.kind === 'measure' ? WRITTEN[form.measure](Number(value), system) : String(value)]]
    }),
  )
}

const GRAMS_PER_OUNCE = 28.349523125
const plain = (value: number) => String(Number(value.toFixed(3)))

/** Exact enough to be read back as what it was, to the gram and the millimetre. */
const WRITTEN: Readonly<Record<Measure, (value: number, system: UnitSystem) => string>> = {
  mass: (grams, system) => (system === 'imperial' ? `${plain(grams / GRAMS_PER_OUNCE)} oz` : `${grams} g`),
  length: (mm, system) => (system === 'imperial' ? `${plain(mm / 25.4)} in` : `${mm} mm`),
  power: (milliwatts) => `${milliwatts / 1000} W`,
  energy: (milliwattHours) => `${milliwattHours / 1000} Wh`,
  data: (megabytes) => (megabytes % 1000 === 0 ? `${megabytes / 1000} GB` : `${megabytes} MB`),
  bitRate: (kilobits) => `${kilobits / 1000} Mbit/s`,
  time: (minutes) => `${minutes} min`,
}

/** The choice "it has none", where that is an answer. */
export const NONE_CHOICE = { value: NO_END, label: 'It has none' }
