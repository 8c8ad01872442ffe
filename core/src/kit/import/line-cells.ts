import { readMoney } from '../../units/money.ts'
import { type Measure, readQuantity } from '../../units/quantity.ts'
import { readCardSpeed } from '../model/card-speed.ts'
import type { TemplateFacts } from '../template/template-facts.ts'
import {
  ACQUISITION_CODES,
  ACQUISITIONS,
  type Acquisition,
  LIFE_STATE_CODES,
  LIFE_STATES,
  type LifeState,
} from '../unit/unit.ts'
import type { InventoryColumn } from './inventory-columns.ts'
import type { ImportProblemCode } from './inventory-file.ts'
import { type DateOrder, readListDate } from './list-dates.ts'

export type Report = (
  code: ImportProblemCode,
  column: InventoryColumn | null,
  received: string,
  expected: string,
) => unknown

/** What people write where they know nothing. */
const NOTHING: ReadonlySet<string> = new Set([
  '',
  '-',
  '–',
  '—',
  '?',
  '??',
  'n/a',
  'na',
  'none',
  'unknown',
  'tbd',
  'tbc',
  '.',
  'x',
])

/**
 * A number of pieces, with the word that people put behind it. Three digits behind a mark are thousands: nobody counts pieces to
 * the thousandth.
 */
const WHOLE =
  /^(\d{1,3}(?:[.,]\d{3})+|\d{1,9})(?:[.,]0{1,2})?\s*(?:x|pcs?\.?|pieces?|ea\.?|each|off|units?|rolls?|stk\.?|stück|pz\.?|days?)?$/i

/** So many characters a note has at most. */
export const MOST_NOTE = 2000

/** The cells of one line, by our columns. A cell in which somebody wrote that they do not know is blank. */
export class LineCells {
  private readonly cells: ReadonlyMap<InventoryColumn, string>
  private readonly unitOf: ReadonlyMap<string, string>
  private readonly report: Report

  /** `unitOf` has the units that stand in the headings, for figures that are written bare. */
  constructor(cells: ReadonlyMap<InventoryColumn, string>, unitOf: ReadonlyMap<string, string>, report: Report) {
    this.cells = cells
    this.unitOf = unitOf
    this.report = report
  }

  get(column: InventoryColumn): string {
    const text = (this.cells.get(column) ?? '').replace(/\s+/g, ' ').trim()
    return column !== 'note' && NOTHING.has(text.toLowerCase())
      ? ''
      : column === 'note'
        ? (this.cells.get(column) ?? '').trim()
        : text
  }

  /** Reports what is too long or holds what cannot be shown. */
  check(): void {
    for (const [column, value] of this.cells) {
      const most = column === 'note' ? MOST_NOTE : column === 'nickname' || column === 'serial' ? 80 : 120
      if (value.length > most) this.report('too-long', column, value, `at most ${most} characters`)
      // biome-ignore lint/suspicious/noControlCharactersInRegex: control characters are what is looked for
      if (/[\u0001-\u0008\u000b\u000c\u000e-\u001f\u007f]/.test(value))
        this.report('bad-characters', column, '', 'plain text')
    }
  }

  readWhole(column: InventoryColumn): number | null {
    const text = this.get(column)
    if (text === '') return null
    const [, digits] = WHOLE.exec(text) ?? []
    if (digits) return Number(digits.replace(/[.,]/g, ''))
    this.report('bad-number', column, text, 'a whole number')
    return null
  }

  /** An amount; in a list that counts in another currency it is put aside as it is written. */
  readMoney(column: InventoryColumn, currency: string, asideMutably: string[] | null = null): number | null {
    const text = this.withUnit(column)
    if (text === '') return null
    if (asideMutably) {
      asideMutably.push(`${column}: ${text}`)
      return null
    }
    const reading = readMoney(text.replace(/[.,]?[-–]+$/, ''), currency)
    if (!reading.ok) this.report('bad-money', column, reading.received, `an amount in ${currency}, such as 86.50`)
    else if (reading.minor < 0) this.report('bad-money', column, text, 'an amount that is not negative')
    else return reading.minor
    return null
  }

  readDate(column: InventoryColumn, order: DateOrder): string | null {
    const text = this.get(column)
    if (text === '') return null
    const date = readListDate(text, order)
    if (date === null) this.report('bad-date', column, text, 'a day such as 2024-03-14')
    return date
  }

  readAcquisition(): Acquisition | null {
    const text = this.get('acquisition')
    if (text === '') return null
    const wanted = text.toLowerCase().replace(/[\s-]+/g, ' ')
    const found =
      ACQUISITION_CODES.find(
        (code) => code.replace(/-/g, ' ') === wanted || ACQUISITIONS[code].toLowerCase() === wanted,
      ) ?? OTHER_ACQUISITIONS[wanted]
    if (!found)
      this.report('unknown-acquisition', 'acquisition', text, 'bought new, bought used, gift, loan in, rented …')
    return found ?? null
  }

  readState(): LifeState | null {
    const text = this.get('state')
    if (text === '') return null
    const wanted = text.toLowerCase().replace(/[\s-]+/g, ' ')
    const found =
      LIFE_STATE_CODES.find(
        (code) => code.replace(/-/g, ' ') === wanted || LIFE_STATES[code].label.toLowerCase() === wanted,
      ) ?? OTHER_STATES[wanted]
    if (!found) this.report('unknown-state', 'state', text, 'in service, standby, in repair, lent, retired …')
    return found ?? null
  }

  readFacts(): Partial<TemplateFacts> {
    const facts: Partial<TemplateFacts> = {}
    for (const [column, measure, fact, expected] of MEASURED) {
      const text = this.withUnit(column)
      if (text === '') continue
      const reading = readQuantity(text, measure)
      if (reading.ok && !(fact === 'kilobitsPerSecond' && reading.value === 0))
        Object.assign(facts, { [fact]: reading.value })
      else this.report('bad-measure', column, text, expected)
    }
    const speedText = this.get('card speed')
    const speed = readCardSpeed(speedText)
    if (speed !== null) facts.cardMegabytesPerSecond = speed
    else if (speedText !== '') this.report('bad-measure', 'card speed', speedText, 'a speed class such as V30, or MB/s')
    const count = this.readWhole('batteries')
    if (count !== null) facts.batteryCount = Math.min(8, Math.max(1, count))
    const outlets = this.readWhole('outlets')
    if (outlets !== null) facts.outlets = Math.min(64, Math.max(1, outlets))
    const [endA, endB] = this.get('ends')
      .split(' to ')
      .map((end) => end.trim())
    const named = { mount: this.get('mount'), battery: this.get('battery'), inlet: this.get('inlet'), endA, endB }
    for (const [key, value] of Object.entries(named)) if (value) Object.assign(facts, { [key]: value })
    return { ...facts, ...this.readCapacity() }
  }

  private readCapacity(): Partial<TemplateFacts> {
    const capacity = this.withUnit('capacity')
    if (capacity === '') return {}
    const measure: Measure = /wh$/i.test(capacity) ? 'energy' : 'data'
    const reading = readQuantity(capacity, measure)
    if (reading.ok)
      return measure === 'energy' ? { energyMilliwattHours: reading.value } : { capacityMegabytes: reading.value }
    this.report('bad-measure', 'capacity', reading.received, 'gigabytes or watt hours, such as 128 GB or 98 Wh')
    return {}
  }

  withUnit(column: InventoryColumn): string {
    const text = this.get(column)
    const unit = this.unitOf.get(column)
    return unit && /^[\d.,\s]+$/.test(text) && text !== '' ? `${text} ${unit}` : text
  }
}

const MEASURED: readonly [InventoryColumn, Measure, keyof TemplateFacts, string][] = [
  ['mass', 'mass', 'massGrams', 'a mass, such as 1.2 kg or 450 g'],
  ['power', 'power', 'milliwatts', 'watts, such as 60 W'],
  ['bears', 'mass', 'loadGrams', 'a mass, such as 8 kg'],
  ['bit rate', 'bitRate', 'kilobitsPerSecond', 'a bit rate, such as 100 Mbit/s'],
]

/** Other words for how a thing came and how it is, as lists have them. */
const OTHER_ACQUISITIONS: Readonly<Record<string, Acquisition>> = {
  new: 'bought-new',
  bought: 'bought-new',
  purchased: 'bought-new',
  used: 'bought-used',
  exchange: 'exchanged',
  'in exchange': 'exchanged',
  'part exchange': 'exchanged',
  'second hand': 'bought-used',
  secondhand: 'bought-used',
  present: 'gift',
  donated: 'gift',
  loan: 'loan-in',
  borrowed: 'loan-in',
  'on loan': 'loan-in',
  rental: 'rented',
  hired: 'rented',
  hire: 'rented',
  private: 'personal',
  own: 'personal',
  home: 'household',
  'home made': 'hand-made',
  homemade: 'hand-made',
  diy: 'hand-made',
  bundle: 'bundled',
  kit: 'bundled',
}

const OTHER_STATES: Readonly<Record<string, LifeState>> = {
  ok: 'in-service',
  good: 'in-service',
  working: 'in-service',
  'in use': 'in-service',
  active: 'in-service',
  spare: 'standby',
  storage: 'standby',
  repair: 'in-repair',
  broken: 'in-repair',
  defective: 'in-repair',
  'lent out': 'lent',
  old: 'retired',
  'to sell': 'for-sale',
  missing: 'lost',
  gone: 'lost',
}
