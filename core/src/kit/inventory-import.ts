import { readMoney } from '../units/money.ts'
import { type Measure, readQuantity } from '../units/quantity.ts'
import { isDate } from '../units/wall-time.ts'
import { readCardSpeed } from './card-speed.ts'
import { CATEGORIES, type Category, readCategory } from './category.ts'
import type { Interface } from './interface.ts'
import {
  type ImportProblem,
  type ImportProblemCode,
  type InventoryColumn,
  readHeading,
  readRows,
} from './inventory-file.ts'
import { type Model, type NewModel, nameModel } from './model.ts'
import { makeNextTag } from './tagging.ts'
import { makeModelFromTemplate } from './template.ts'
import type { TemplateFacts } from './template-facts.ts'
import {
  ACQUISITION_CODES,
  ACQUISITIONS,
  type Acquisition,
  EMPTY_UNIT,
  type NewStock,
  type NewUnit,
  tagSchema,
} from './unit.ts'

export interface ImportLine {
  /** Line of the file, the heading being 1. */
  line: number
  outcome: 'thing' | 'stock' | 'bad' | 'left-out'
  tag: string
  name: string
  problems: ImportProblem[]
  /** Places and interfaces that this line brings along. */
  adds: string[]
}

export interface ImportPlan {
  /** Problems of the file as a whole; nothing else was read then. */
  fileProblems: ImportProblem[]
  unknownColumns: string[]
  lines: ImportLine[]
  isClean: boolean
  places: { key: string; name: string }[]
  interfaces: { code: string; label: string; kind: 'mount' | 'battery' }[]
  models: { key: string; model: NewModel }[]
  units: (Omit<NewUnit, 'modelId' | 'placeId'> & { modelKey: string; placeKey: string | null })[]
  stock: (Omit<NewStock, 'modelId' | 'placeId'> & { modelKey: string; placeKey: string | null })[]
}

/** What is here already, so that a line can refer to it. */
export interface ImportContext {
  tags: Iterable<string>
  places: readonly { id: string; name: string }[]
  interfaces: readonly Interface[]
  models: readonly Model[]
  currency: string
}

export interface ImportChoices {
  leaveOut?: readonly number[]
  corrections?: readonly { line: number; column: string; value: string }[]
}

const STOCK_CATEGORIES: ReadonlySet<Category> = new Set(['sandbag', 'cell', 'clamp', 'consumable'])

/**
 * Reads an inventory file (RFC 4180) and says what it would bring, line by line. Writes nothing. The plan is clean when
 * every line that is not left out is right; only a clean plan may be carried out.
 */
export function planInventoryImport(csv: string, context: ImportContext, choices: ImportChoices = {}): ImportPlan {
  const plan: ImportPlan = {
    fileProblems: [],
    unknownColumns: [],
    lines: [],
    isClean: false,
    places: [],
    interfaces: [],
    models: [],
    units: [],
    stock: [],
  }
  const rows = readRows(csv)
  if ('problem' in rows) return { ...plan, fileProblems: [rows.problem] }
  const heading = readHeading(rows.rows[0]?.cells ?? [])
  if ('problem' in heading) return { ...plan, fileProblems: [heading.problem] }
  plan.unknownColumns = heading.unknown
  const reader = new LineReader(plan, context)
  const leaveOut = new Set(choices.leaveOut ?? [])
  for (const row of rows.rows.slice(1)) {
    const cells = new Map(heading.columns.map((column, at) => [column, (row.cells[at] ?? '').trim()]))
    for (const it of choices.corrections ?? []) if (it.line === row.line) cells.set(it.column, it.value.trim())
    if (leaveOut.has(row.line)) {
      plan.lines.push({
        line: row.line,
        outcome: 'left-out',
        tag: '',
        name: cells.get('model') ?? '',
        problems: [],
        adds: [],
      })
      continue
    }
    reader.readMutably(
      row.line,
      cells,
      row.cells.slice(heading.columns.length).some((cell) => cell.trim() !== ''),
    )
  }
  plan.isClean =
    plan.lines.every((line) => line.outcome !== 'bad') && plan.lines.some((line) => line.outcome !== 'left-out')
  return plan
}

const MEASURED: readonly [InventoryColumn, Measure, keyof TemplateFacts, string][] = [
  ['mass', 'mass', 'massGrams', 'a mass, such as 1.2 kg or 450 g'],
  ['power', 'power', 'milliwatts', 'watts, such as 60 W'],
  ['bears', 'mass', 'loadGrams', 'a mass, such as 8 kg'],
  ['bit rate', 'bitRate', 'kilobitsPerSecond', 'a bit rate, such as 100 Mbit/s'],
]

/** Reads lines one after another, so that the second camera of a model finds the model that the first one brought. */
class LineReader {
  private readonly plan: ImportPlan
  private readonly context: ImportContext
  private readonly existingTags: Set<string>
  private readonly fileTags = new Map<string, number>()
  private readonly placeKeys = new Map<string, string>()
  private readonly interfaceCodes = new Map<string, string>()
  private readonly modelKeys = new Map<string, string>()

  constructor(plan: ImportPlan, context: ImportContext) {
    this.plan = plan
    this.context = context
    this.existingTags = new Set(context.tags)
    for (const place of context.places) this.placeKeys.set(place.name.toLowerCase(), place.id)
    for (const it of context.interfaces) {
      this.interfaceCodes.set(it.code.toLowerCase(), it.code)
      this.interfaceCodes.set(it.label.toLowerCase(), it.code)
    }
    for (const model of context.models) this.modelKeys.set(identify(model.category, nameModel(model)), model.id)
  }

  readMutably(line: number, cells: ReadonlyMap<string, string>, hasTooMany: boolean): void {
    const problems: ImportProblem[] = []
    const report = (code: ImportProblemCode, column: string | null, received: string, expected: string) =>
      problems.push({ code, column, received: received.slice(0, 80), expected })
    if (hasTooMany)
      report(
        'too-many-cells',
        null,
        String(cells.size),
        'no more cells than the heading has; a comma in a value wants quotation marks',
      )
    for (const [column, value] of cells) checkText(column, value, report)
    const name = cells.get('model') ?? ''
    if (name === '') report('missing-value', 'model', '', 'a name for the thing')
    const category = readCategory(cells.get('category') ?? '')
    if (!category)
      report('unknown-category', 'category', cells.get('category') ?? '', 'a kind such as camera, light or stand')
    const facts = this.readFacts(cells, report)
    const tag = this.readTag(cells.get('tag') ?? '', category, report)
    const quantity = readWhole(cells.get('quantity') ?? '', 'quantity', report)
    const price = cells.get('price') ? readMoney(cells.get('price') ?? '', this.context.currency) : null
    if (price && !price.ok)
      report('bad-money', 'price', price.received, `an amount in ${this.context.currency}, such as 86.50`)
    if (price?.ok && price.minor < 0)
      report('bad-money', 'price', cells.get('price') ?? '', 'an amount that is not negative')
    const acquiredOn = readDate(cells.get('acquired on') ?? '', report)
    const acquisition = readAcquisition(cells.get('acquisition') ?? '', report)
    const serviceEveryDays = readWhole(cells.get('service every') ?? '', 'service every', report)
    if (serviceEveryDays !== null && (serviceEveryDays < 1 || serviceEveryDays > 3650)) {
      report('bad-number', 'service every', String(serviceEveryDays), 'days from 1 to 3650')
    }
    const isStock = category !== null && (STOCK_CATEGORIES.has(category) || (quantity ?? 1) > 1)
    if (quantity !== null && quantity > 100_000) report('bad-number', 'quantity', String(quantity), 'at most 100,000')
    if (quantity === 0 && !isStock) report('bad-number', 'quantity', '0', 'at least 1, or leave it blank')
    const entry: ImportLine = {
      line,
      outcome: 'bad',
      tag,
      name: [cells.get('maker'), name].filter(Boolean).join(' '),
      problems,
      adds: [],
    }
    this.plan.lines.push(entry)
    if (problems.length > 0 || !category) return
    entry.outcome = isStock ? 'stock' : 'thing'
    this.fileTags.set(tag, line)
    const placeKey = this.findPlaceMutably(cells.get('place') ?? '', entry)
    const known = this.resolveInterfacesMutably(facts, entry)
    const modelKey = this.findModelMutably(category, cells.get('maker') ?? '', name, known)
    if (isStock) {
      this.plan.stock.push({ tag, modelKey, placeKey, quantity: quantity ?? 0, reorderLevel: 0 })
      return
    }
    this.plan.units.push({
      ...EMPTY_UNIT,
      tag,
      modelKey,
      placeKey,
      serial: cells.get('serial') || null,
      acquisition,
      acquiredOn,
      priceMinor: price?.ok ? price.minor : null,
      serviceEveryDays,
      note: cells.get('note') ?? '',
    })
  }

  private readTag(text: string, category: Category | null, report: Report): string {
    if (text === '') {
      if (!category) return ''
      return makeNextTag(CATEGORIES[category].prefix, [...this.existingTags, ...this.fileTags.keys()])
    }
    const tag = text.toUpperCase()
    if (!tagSchema.safeParse(tag).success) report('bad-tag', 'tag', text, 'letters, digits and dashes, such as CAM-02')
    else if (this.existingTags.has(tag)) report('tag-in-use', 'tag', tag, 'a tag that no other thing has')
    else if (this.fileTags.has(tag))
      report('tag-twice', 'tag', tag, `another tag: line ${this.fileTags.get(tag)} has it`)
    return tag
  }

  private readFacts(cells: ReadonlyMap<string, string>, report: Report): Partial<TemplateFacts> {
    const facts: Partial<TemplateFacts> = {}
    for (const [column, measure, fact, expected] of MEASURED) {
      const text = cells.get(column) ?? ''
      if (text === '') continue
      const reading = readQuantity(text, measure)
      if (reading.ok) Object.assign(facts, { [fact]: reading.value })
      else report('bad-measure', column, reading.received, expected)
    }
    const capacity = cells.get('capacity') ?? ''
    if (capacity !== '') {
      const measure: Measure = /wh$/i.test(capacity) ? 'energy' : 'data'
      const reading = readQuantity(capacity, measure)
      if (!reading.ok)
        report('bad-measure', 'capacity', reading.received, 'gigabytes or watt hours, such as 128 GB or 98 Wh')
      else if (measure === 'energy') facts.energyMilliwattHours = reading.value
      else facts.capacityMegabytes = reading.value
    }
    const speedText = cells.get('card speed') ?? ''
    const speed = readCardSpeed(speedText)
    if (speed !== null) facts.cardMegabytesPerSecond = speed
    else if (speedText !== '') report('bad-measure', 'card speed', speedText, 'a speed class such as V30, or MB/s')
    const count = readWhole(cells.get('batteries') ?? '', 'batteries', report)
    if (count !== null) facts.batteryCount = Math.min(8, Math.max(1, count))
    const outlets = readWhole(cells.get('outlets') ?? '', 'outlets', report)
    if (outlets !== null) facts.outlets = Math.min(64, Math.max(1, outlets))
    const [endA, endB] = (cells.get('ends') ?? '').split(' to ').map((end) => end.trim())
    return {
      ...facts,
      mount: cells.get('mount') || null,
      battery: cells.get('battery') || null,
      inlet: cells.get('inlet') || null,
      endA: endA || null,
      endB: endB || null,
    }
  }

  private findPlaceMutably(name: string, entry: ImportLine): string | null {
    if (name === '') return null
    const known = this.placeKeys.get(name.toLowerCase())
    if (known) return known
    const key = `new-place-${this.plan.places.length + 1}`
    this.placeKeys.set(name.toLowerCase(), key)
    this.plan.places.push({ key, name })
    entry.adds.push(`place ${name}`)
    return key
  }

  /** Names of mounts and battery families become codes; a name nobody knows becomes one of the studio's own. */
  private resolveInterfacesMutably(facts: Partial<TemplateFacts>, entry: ImportLine): Partial<TemplateFacts> {
    const resolve = (name: string | null | undefined, kind: 'mount' | 'battery'): string | null => {
      if (!name) return null
      const known = this.interfaceCodes.get(name.toLowerCase())
      if (known) return known
      const code = `${kind}-${name
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .slice(0, 40)}`
      this.interfaceCodes.set(name.toLowerCase(), code)
      this.plan.interfaces.push({ code, label: name, kind })
      entry.adds.push(`${kind} ${name}`)
      return code
    }
    return {
      ...facts,
      mount: resolve(facts.mount, 'mount'),
      battery: resolve(facts.battery, 'battery'),
      inlet: facts.inlet ? (this.interfaceCodes.get(facts.inlet.toLowerCase()) ?? findInlet(facts.inlet)) : null,
      endA: facts.endA ? (this.interfaceCodes.get(facts.endA.toLowerCase()) ?? null) : null,
      endB: facts.endB ? (this.interfaceCodes.get(facts.endB.toLowerCase()) ?? null) : null,
    }
  }

  private findModelMutably(category: Category, maker: string, name: string, facts: Partial<TemplateFacts>): string {
    const model = makeModelFromTemplate(category, maker, name, facts)
    const identity = identify(category, nameModel(model))
    const known = this.modelKeys.get(identity)
    if (known) return known
    const key = `new-model-${this.plan.models.length + 1}`
    this.modelKeys.set(identity, key)
    this.plan.models.push({ key, model })
    return key
  }
}

type Report = (code: ImportProblemCode, column: string | null, received: string, expected: string) => unknown

function identify(category: Category, name: string): string {
  return `${category}/${name.toLowerCase().replace(/\s+/g, ' ')}`
}

/** Both ends of a coupler are named alike: C7 on the lead, C8 on the device. */
function findInlet(text: string): string | null {
  if (/^c ?[78]$/i.test(text)) return 'iec-c7'
  if (/^c ?1[34]$/i.test(text)) return 'iec-c13'
  return null
}

function checkText(column: string, value: string, report: Report): void {
  const most = column === 'note' ? 2000 : 120
  if (value.length > most) report('too-long', column, value, `at most ${most} characters`)
  // biome-ignore lint/suspicious/noControlCharactersInRegex: control characters are what is looked for
  if (/[\u0001-\u0008\u000b\u000c\u000e-\u001f\u007f]/.test(value)) report('bad-characters', column, '', 'plain text')
}

function readWhole(text: string, column: string, report: Report): number | null {
  if (text === '') return null
  if (/^\d{1,9}$/.test(text)) return Number(text)
  report('bad-number', column, text, 'a whole number')
  return null
}

function readDate(text: string, report: Report): string | null {
  if (text === '') return null
  if (/^\d{4}-\d{2}-\d{2}$/.test(text) && isDate(text)) return text
  report('bad-date', 'acquired on', text, 'a day such as 2024-03-14')
  return null
}

function readAcquisition(text: string, report: Report): Acquisition {
  if (text === '') return 'bought-new'
  const wanted = text.toLowerCase().replace(/[\s-]+/g, ' ')
  const found = ACQUISITION_CODES.find(
    (code) => code.replace(/-/g, ' ') === wanted || ACQUISITIONS[code].toLowerCase() === wanted,
  )
  if (!found) report('unknown-acquisition', 'acquisition', text, 'bought new, bought used, gift, loan in, rented …')
  return found ?? 'bought-new'
}
