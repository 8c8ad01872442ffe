import { type Measure, readQuantity, type TemplateFacts } from '@exemplar/core'

export type FactKey = keyof TemplateFacts
type FactKind =
  | { kind: 'interface'; of: string[] }
  | { kind: 'measure'; measure: Measure; example: string }
  | { kind: 'count' }

const MOUNT: FactKind = { kind: 'interface', of: ['mount'] }
const LENGTH: FactKind = { kind: 'measure', measure: 'length', example: '1.4 m' }
const END: FactKind = { kind: 'interface', of: ['signal'] }

/** How each fact is called and typed. */
export const FACTS: Record<FactKey, { label: string } & FactKind> = {
  mount: { label: 'Mount', ...MOUNT },
  frontMount: { label: 'Mount at the front', ...MOUNT },
  battery: { label: 'Battery family or cell', kind: 'interface', of: ['battery'] },
  batteryCount: { label: 'How many at once', kind: 'count' },
  inlet: { label: 'Mains lead', kind: 'interface', of: ['mains'] },
  milliwatts: { label: 'Draws', kind: 'measure', measure: 'power', example: '60 W' },
  massGrams: { label: 'Mass', kind: 'measure', measure: 'mass', example: '1.2 kg' },
  loadGrams: { label: 'Bears', kind: 'measure', measure: 'mass', example: '8 kg' },
  energyMilliwattHours: { label: 'Energy', kind: 'measure', measure: 'energy', example: '48 Wh' },
  capacityMegabytes: { label: 'Capacity', kind: 'measure', measure: 'data', example: '128 GB' },
  cardMegabytesPerSecond: { label: 'Card speed, MB/s sustained', kind: 'count' },
  kilobitsPerSecond: { label: 'Records at', kind: 'measure', measure: 'bitRate', example: '100 Mbit/s' },
  endA: { label: 'One end', ...END },
  endB: { label: 'Other end', ...END },
  outlets: { label: 'Outlets or bays', kind: 'count' },
  cardForm: { label: 'Form of the card', kind: 'interface', of: ['card'] },
  holes: { label: 'Holes at the back', kind: 'interface', of: ['carry'] },
  widthMinMm: { label: 'Width, at its narrowest', ...LENGTH },
  widthMaxMm: { label: 'Width, at its widest', ...LENGTH },
  depthMm: { label: 'Depth', ...LENGTH },
  heightMm: { label: 'Height', ...LENGTH },
}

/** Texts as typed, by fact. */
export type FactTexts = Partial<Record<FactKey, string>>

/** Turns what was typed into facts, or says at which field it cannot be read. */
export function readFacts(texts: FactTexts): {
  facts: Record<string, string | number>
  problems: Record<string, string>
} {
  const facts: Record<string, string | number> = {}
  const problems: Record<string, string> = {}
  for (const [key, text] of Object.entries(texts) as [FactKey, string][]) {
    const spec = FACTS[key]
    if (text.trim() === '') continue
    if (spec.kind === 'interface') {
      facts[key] = text
    } else if (spec.kind === 'count') {
      if (/^\d{1,4}$/.test(text.trim()) && Number(text) > 0) facts[key] = Number(text)
      else problems[key] = 'Write a whole number.'
    } else {
      const reading = readQuantity(text, spec.measure)
      if (reading.ok) facts[key] = reading.value
      else problems[key] = `Cannot read “${text}”. Write it like ${spec.example}.`
    }
  }
  return { facts, problems }
}

/** Facts as somebody would type them. */
export function writeFacts(facts: Partial<TemplateFacts>): FactTexts {
  return Object.fromEntries(
    Object.entries(facts).flatMap(([key, value]) => {
      if (value === null || value === undefined) return []
      const spec = FACTS[key as FactKey]
      const typed = spec.kind === 'measure' ? WRITTEN[spec.measure]?.(Number(value)) : String(value)
      return typed === undefined ? [] : [[key, typed]]
    }),
  )
}

const WRITTEN: Readonly<Partial<Record<Measure, (value: number) => string>>> = {
  mass: (grams) => `${grams} g`,
  length: (mm) => `${mm} mm`,
  power: (milliwatts) => `${milliwatts / 1000} W`,
  energy: (milliwattHours) => `${milliwattHours / 1000} Wh`,
  data: (megabytes) => `${megabytes} MB`,
  bitRate: (kilobits) => `${kilobits} kbit/s`,
}
