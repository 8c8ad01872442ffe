import { readDefused } from '../units/csv.ts'
import { formatMoney } from '../units/money.ts'
import { formatData, formatEnergy, formatMass } from '../units/quantity.ts'
import { CATEGORIES, type Category, guessCategory, isCounted, readCategory } from './category.ts'
import { findHeadingUnit } from './column-guess.ts'
import {
  type ImportChoices,
  type ImportContext,
  type ImportLine,
  type ImportPlan,
  type KnownUnit,
  makeEmptyPlan,
} from './import-plan.ts'
import {
  type ImportProblem,
  type ImportProblemCode,
  type InventoryColumn,
  readHeading,
  readRows,
} from './inventory-file.ts'
import { identifyModel, KnownKit } from './known-kit.ts'
import { LineCells, type Report } from './line-cells.ts'
import { type DateOrder, findDateOrder, isAmbiguousDate } from './list-dates.ts'
import { type Model, nameModel, type Specs } from './model.ts'
import { findDoubts } from './plausibility.ts'
import { makeModelFromTemplate } from './template.ts'
import type { TemplateFacts } from './template-facts.ts'
import { ACQUISITIONS, EMPTY_UNIT, LIFE_STATES, type NewUnit, tagSchema } from './unit.ts'
import { sayDoubt } from './words.ts'

/**
 * Reads an inventory list (RFC 4180, semicolons or tabs too) and says what it would bring, line by line. Writes nothing.
 * A line that means a thing that is here changes that thing where it says otherwise, so the same list again changes
 * nothing. The plan is clean when every line that is not left out is right; only a clean plan may be carried out.
 */
export function planInventoryImport(csv: string, context: ImportContext, choices: ImportChoices = {}): ImportPlan {
  const steps = planInventorySteps(csv, context, choices)
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
  }
}

/** The same in steps, line after line, so that whoever waits can be told how far it is and can break it off. */
export function* planInventorySteps(
  csv: string,
  context: ImportContext,
  choices: ImportChoices = {},
): Generator<{ done: number; total: number }, ImportPlan> {
  const plan = makeEmptyPlan()
  const rows = readRows(csv)
  if ('problem' in rows) return { ...plan, fileProblems: [rows.problem] }
  plan.headings = (rows.rows[0]?.cells ?? []).map((it) => it.trim())
  const heading = readHeading(plan.headings, choices.columns ?? null, context.remembered)
  plan.columns = heading.columns
  if ('problem' in heading) return { ...plan, fileProblems: [heading.problem] }
  const corrections = new Map((choices.corrections ?? []).map((it) => [`${it.line}/${it.column}`, it.value]))
  const lines = rows.rows.slice(1).map((row) => ({
    line: row.line,
    cells: new Map(
      heading.columns.flatMap((column, at): [InventoryColumn, string][] =>
        column === '' ? [] : [[column, corrections.get(`${row.line}/${column}`) ?? readDefused(row.cells[at] ?? '')]],
      ),
    ),
    hasTooMany: row.cells.slice(heading.columns.length).some((cell) => cell.trim() !== ''),
  }))
  // A correction may stand in a column that the file does not have: the kind of a thing that no word tells.
  for (const { line, column, value } of choices.corrections ?? []) {
    lines.find((it) => it.line === line)?.cells.set(column as InventoryColumn, value)
  }
  const reader = new LineReader(plan, context, choices, lines)
  for (const [index, { line, cells, hasTooMany }] of lines.entries()) {
    reader.readMutably(line, cells, hasTooMany)
    yield { done: index + 1, total: lines.length }
  }
  reader.finishMutably()
  plan.isClean =
    plan.lines.every((line) => line.outcome !== 'bad') && plan.lines.some((line) => line.outcome !== 'left-out')
  return plan
}

interface Row {
  line: number
  cells: Map<InventoryColumn, string>
}

/** What a line says of a thing: only what it says, so that a blank cell never wipes anything. */
interface Given {
  fields: Partial<Pick<NewUnit, (typeof COMPARED)[number]>>
  valueMinor: number | null
  insuredMinor: number | null
  warrantyUntil: string | null
  placeKey: string | null
}

const COMPARED = [
  'serial',
  'acquisition',
  'acquiredOn',
  'priceMinor',
  'serviceEveryDays',
  'note',
  'state',
  'nickname',
  'dueOn',
] as const

const FIELD_NAMES: Readonly<Record<(typeof COMPARED)[number], string>> = {
  serial: 'serial',
  acquisition: 'acquisition',
  acquiredOn: 'acquired on',
  priceMinor: 'price',
  serviceEveryDays: 'service every',
  note: 'note',
  state: 'state',
  nickname: 'nickname',
  dueOn: 'due on',
}

type SummedSpec = 'massGrams' | 'energyMilliwattHours' | 'capacityMegabytes'
const SUMMED: readonly [SummedSpec, label: string, say: (value: number) => string][] = [
  ['massGrams', 'mass', formatMass],
  ['energyMilliwattHours', 'energy', formatEnergy],
  ['capacityMegabytes', 'capacity', formatData],
]

interface ModelDraft {
  key: string
  category: Category
  maker: string
  name: string
  facts: Partial<TemplateFacts>
  entry: ImportLine
}

/** Reads lines one after another, so that the second camera of a model finds the model that the first one brought. */
class LineReader {
  private readonly plan: ImportPlan
  private readonly context: ImportContext
  private readonly kit: KnownKit
  private readonly leaveOut: ReadonlySet<number>
  private readonly asNew: ReadonlySet<number>
  private readonly dateOrder: DateOrder
  private readonly unitOf: ReadonlyMap<string, string>
  private readonly lineOfTag = new Map<string, { line: number; text: string }>()
  private readonly lineOfSerial = new Map<string, { line: number; text: string }>()
  private readonly placeKeys = new Map<string, string>()
  private readonly placeNames = new Map<string, string>()
  private readonly interfaceCodes = new Map<string, string>()
  private readonly drafts = new Map<string, ModelDraft>()
  private readonly categories = new Map<string, Category | null>()
  /** What the lines of a model say of its figures; where they do not agree, none of them counts. */
  private readonly said = new Map<string, Map<SummedSpec, { values: Set<number>; entry: ImportLine }>>()

  constructor(plan: ImportPlan, context: ImportContext, choices: ImportChoices, rows: readonly Row[]) {
    this.plan = plan
    this.context = context
    this.kit = new KnownKit(context)
    this.leaveOut = new Set(choices.leaveOut ?? [])
    this.asNew = new Set(choices.asNew ?? [])
    for (const place of context.places) {
      this.placeKeys.set(place.name.toLowerCase(), place.id)
      this.placeNames.set(place.id, place.name)
    }
    for (const it of context.interfaces) {
      this.interfaceCodes.set(it.code.toLowerCase(), it.code)
      this.interfaceCodes.set(it.label.toLowerCase(), it.code)
    }
    this.unitOf = new Map(
      plan.columns.flatMap((column, at): [string, string][] => {
        const unit = findHeadingUnit(plan.headings[at] ?? '')
        return column !== '' && unit !== null ? [[column, unit]] : []
      }),
    )
    this.dateOrder = this.settleDatesMutably(rows)
    this.reserveMutably(rows)
  }

  private settleDatesMutably(rows: readonly Row[]): DateOrder {
    const columns: readonly InventoryColumn[] = ['acquired on', 'warranty until', 'due on']
    const cells = rows.flatMap((row) => columns.flatMap((column) => row.cells.get(column) ?? []))
    const order = findDateOrder(cells)
    if (order !== 'unclear') return order
    const example = cells.find(isAmbiguousDate)
    const assumed = this.context.isDayFirst ? 'day-first' : 'month-first'
    if (example) {
      const [first, second] = this.context.isDayFirst ? ['day', 'month'] : ['month', 'day']
      this.plan.assumptions.push(
        `Dates such as ${example.trim()} are read with the ${first} first and the ${second} second.`,
      )
    }
    return assumed
  }

  /** Every tag and serial that stands in the file belongs to its own line, wherever that comes. */
  private reserveMutably(rows: readonly Row[]): void {
    for (const { line, cells } of rows) {
      if (this.leaveOut.has(line)) continue
      const tag = (cells.get('tag') ?? '').trim().toUpperCase()
      const serial = (cells.get('serial') ?? '').trim()
      const unit = this.kit.unitByTag.get(tag) ?? (serial ? this.kit.findBySerial(serial) : null)
      if (unit) this.kit.reserveMutably(unit.id)
      else if (tagSchema.safeParse(tag).success) this.kit.noteTagMutably(tag)
    }
  }

  readMutably(line: number, cells: ReadonlyMap<InventoryColumn, string>, hasTooMany: boolean): void {
    const problems: ImportProblem[] = []
    const report = (code: ImportProblemCode, column: string | null, received: string, expected: string) =>
      problems.push({ code, column, received: received.slice(0, 80), expected })
    const row = new LineCells(cells, this.unitOf, report)
    const [maker, name] = [row.get('maker'), row.get('model')]
    const title = [maker, name].filter(Boolean).join(' ')
    const entry: ImportLine = {
      line,
      outcome: 'bad',
      tag: '',
      name: title,
      problems,
      adds: [],
      changes: [],
      remarks: [],
    }
    this.plan.lines.push(entry)
    if (this.leaveOut.has(line)) {
      entry.outcome = 'left-out'
      return
    }
    row.check()
    if (hasTooMany)
      report(
        'too-many-cells',
        null,
        String(cells.size),
        'no more cells than the heading has; a comma in a value wants quotation marks',
      )
    if (name === '') report('missing-value', 'model', '', 'a name for the thing')
    const text = [...cells.values()].map((it) => it.trim()).join('\u001f')
    const tag = this.readTag(row, entry, text, report)
    const serial = row.get('serial')
    if (this.isRepeatedSerial(serial, title, entry, text, report)) return
    if (entry.outcome === 'repeat') return
    const facts = row.readFacts()
    const quantity = row.readWhole('quantity')
    const given = this.readGiven(row, serial, report)
    const known = this.findNamed(tag, serial, maker, name, report)
    const category = known
      ? (this.kit.modelById.get(known.modelId)?.category ?? null)
      : this.readCategory(row, entry, report)
    if (quantity !== null && quantity > 100_000) report('bad-number', 'quantity', String(quantity), 'at most 100,000')
    const isStock =
      !known && category !== null && (isCounted(category) || (quantity ?? 1) > 1 || this.kit.stockByTag.has(tag))
    if (quantity === 0 && !isStock) report('bad-number', 'quantity', '0', 'at least 1, or leave it blank')
    if (problems.length > 0 || !category) return
    given.placeKey = this.findPlaceMutably(row.get('place'), entry)
    if (known) this.updateMutably(known, given, facts, tag, entry)
    else if (isStock) this.takeStockMutably(category, maker, name, facts, quantity, given, tag, entry)
    else this.takeThingMutably(category, maker, name, facts, given, tag, entry)
  }

  /** Makes the models from all that their lines said, and settles what the lines say of models that are here. */
  finishMutably(): void {
    for (const { key, category, maker, name, facts, entry } of this.drafts.values()) {
      const agreed = { ...facts, ...this.listAgreed(key) }
      const model = makeModelFromTemplate(category, maker, name, this.resolveInterfacesMutably(agreed, entry))
      this.plan.models.push({ key, model })
      entry.remarks.push(...findDoubts(category, model.specs, agreed).map(sayDoubt))
    }
    for (const [id] of this.said) {
      const model = this.kit.modelById.get(id)
      if (model) this.updateModelMutably(model)
    }
  }

  private updateModelMutably(model: Model): void {
    const specs: Partial<Specs> = {}
    for (const [key, label, say] of SUMMED) {
      const said = this.said.get(model.id)?.get(key)
      const [value] = said?.values ?? []
      if (!said || value === undefined || said.values.size !== 1 || model.specs[key] === value) continue
      specs[key] = value
      const before = model.specs[key]
      said.entry.changes.push({
        field: `${label} of ${nameModel(model)}`,
        before: before === null ? '' : say(before),
        after: say(value),
      })
      if (said.entry.outcome === 'same') said.entry.outcome = 'update'
    }
    if (Object.keys(specs).length > 0) this.plan.modelUpdates.push({ id: model.id, specs })
  }

  private listAgreed(key: string): Partial<Record<SummedSpec, number>> {
    const agreed: Partial<Record<SummedSpec, number>> = {}
    for (const [spec, { values }] of this.said.get(key) ?? []) {
      const [first] = values
      if (first !== undefined) agreed[spec] = first
    }
    return agreed
  }

  private noteSaidMutably(key: string, facts: Partial<TemplateFacts>, entry: ImportLine): void {
    for (const [spec] of SUMMED) {
      const value = facts[spec]
      if (typeof value !== 'number') continue
      const ofModel = this.said.get(key) ?? new Map<SummedSpec, { values: Set<number>; entry: ImportLine }>()
      this.said.set(key, ofModel)
      const known = ofModel.get(spec)
      if (!known) ofModel.set(spec, { values: new Set([value]), entry })
      else if (known.values.size > 0 && !known.values.has(value)) {
        known.values.add(value)
        entry.remarks.push(`Other lines of ${entry.name} say otherwise, so the first counts where nothing was known.`)
      }
    }
  }

  private readTag(row: LineCells, entry: ImportLine, text: string, report: Report): string {
    const tag = row.get('tag').toUpperCase()
    entry.tag = tag
    if (tag === '') return ''
    if (!tagSchema.safeParse(tag).success)
      report('bad-tag', 'tag', row.get('tag'), 'letters, digits and dashes, such as CAM-02')
    const twin = this.lineOfTag.get(tag)
    if (!twin) this.lineOfTag.set(tag, { line: entry.line, text })
    else if (twin.text === text) this.repeatMutably(entry, twin.line)
    else report('tag-twice', 'tag', tag, `another tag: line ${twin.line} has it`)
    return tag
  }

  private isRepeatedSerial(serial: string, title: string, entry: ImportLine, text: string, report: Report): boolean {
    if (serial === '' || entry.outcome === 'repeat') return false
    const key = `${title.toLowerCase()}/${serial.toLowerCase()}`
    const twin = this.lineOfSerial.get(key)
    if (!twin) this.lineOfSerial.set(key, { line: entry.line, text })
    else if (twin.text === text) return this.repeatMutably(entry, twin.line)
    else report('serial-twice', 'serial', serial, `another one, or leave this line out: line ${twin.line} has it`)
    return false
  }

  private repeatMutably(entry: ImportLine, line: number): true {
    entry.outcome = 'repeat'
    entry.problems.length = 0
    entry.remarks.push(`Says the same as line ${line}, so it counts once.`)
    return true
  }

  private readCategory(row: LineCells, entry: ImportLine, report: Report): Category | null {
    const written = row.get('category')
    const exact = written === '' ? null : this.readOnce(written, readCategory)
    if (exact) return exact
    const guess =
      (written === '' ? null : this.readOnce(written, guessCategory)) ?? this.readOnce(row.get('model'), guessCategory)
    if (guess) entry.remarks.push(`Taken to be: ${CATEGORIES[guess].label.toLowerCase()}.`)
    else report('unknown-category', 'category', written, 'a kind such as camera, light or stand')
    return guess
  }

  /** Lists say the same few kinds over and over. */
  private readOnce(text: string, read: (text: string) => Category | null): Category | null {
    const key = `${read.name}/${text}`
    const known = this.categories.get(key)
    if (known !== undefined) return known
    const category = read(text)
    this.categories.set(key, category)
    return category
  }

  private readGiven(row: LineCells, serial: string, report: Report): Given {
    const { currency } = this.context
    const serviceEveryDays = row.readWhole('service every')
    if (serviceEveryDays !== null && (serviceEveryDays < 1 || serviceEveryDays > 3650)) {
      report('bad-number', 'service every', String(serviceEveryDays), 'days from 1 to 3650')
    }
    const all = {
      serial: serial || null,
      acquisition: row.readAcquisition(),
      acquiredOn: row.readDate('acquired on', this.dateOrder),
      priceMinor: row.readMoney('price', currency),
      serviceEveryDays,
      note: row.get('note') || null,
      state: row.readState(),
      nickname: row.get('nickname') || null,
      dueOn: row.readDate('due on', this.dateOrder),
    }
    return {
      fields: Object.fromEntries(Object.entries(all).filter(([, value]) => value !== null)),
      valueMinor: row.readMoney('value', currency),
      insuredMinor: row.readMoney('insured for', currency),
      warrantyUntil: row.readDate('warranty until', this.dateOrder),
      placeKey: null,
    }
  }

  /** The thing that a line names by its tag, else by its serial and model. */
  private findNamed(tag: string, serial: string, maker: string, name: string, report: Report): KnownUnit | null {
    const byTag = this.kit.unitByTag.get(tag)
    if (byTag) {
      if (!this.isCalled(byTag, maker, name)) report('tag-of-other', 'tag', tag, 'another tag, or leave the line out')
      return byTag
    }
    const bySerial = serial === '' ? null : this.kit.findBySerial(serial)
    return bySerial && this.isCalled(bySerial, maker, name) ? bySerial : null
  }

  private isCalled(unit: KnownUnit, maker: string, name: string): boolean {
    const model = this.kit.modelById.get(unit.modelId)
    if (!model) return false
    if (unit.nickname !== '' && unit.nickname.toLowerCase() === name.toLowerCase()) return true
    return this.kit.findModel(model.category, maker, name)?.id === model.id
  }

  private takeThingMutably(
    category: Category,
    maker: string,
    name: string,
    facts: Partial<TemplateFacts>,
    given: Given,
    tag: string,
    entry: ImportLine,
  ): void {
    const model = this.kit.findModel(category, maker, name)
    const serial = given.fields.serial
    if (model && tag === '' && !this.asNew.has(entry.line)) {
      // A line with a serial of its own is another piece than one whose serial is known.
      const suits = (it: KnownUnit) => serial === undefined || it.serial === null
      const known = this.kit.findUnclaimed(model.id, suits, (it) => this.listChanges(it, given).length === 0)
      if (known) {
        this.updateMutably(known, given, facts, '', entry)
        return
      }
    }
    entry.outcome = 'thing'
    entry.tag = tag || this.kit.takeNextTagMutably(category)
    const { fields, valueMinor, insuredMinor, warrantyUntil, placeKey } = given
    this.plan.units.push({
      ...EMPTY_UNIT,
      ...fields,
      provenance: { ...EMPTY_UNIT.provenance, valueMinor, insuredMinor, warrantyUntil },
      tag: entry.tag,
      modelKey: this.findModelMutably(category, maker, name, facts, entry),
      placeKey,
    })
  }

  private takeStockMutably(
    category: Category,
    maker: string,
    name: string,
    facts: Partial<TemplateFacts>,
    quantity: number | null,
    given: Given,
    tag: string,
    entry: ImportLine,
  ): void {
    const model = this.kit.findModel(category, maker, name)
    const known =
      this.kit.stockByTag.get(tag) ??
      (model && tag === '' && !this.asNew.has(entry.line)
        ? this.kit.findStock(model.id, (it) => given.placeKey === null || it.placeId === given.placeKey)
        : null)
    if (known) {
      this.kit.claimMutably(known.id)
      entry.tag = known.tag
      this.noteSaidMutably(known.modelId, facts, entry)
      const isMoved = given.placeKey !== null && given.placeKey !== known.placeId
      const isCountedAnew = quantity !== null && quantity !== known.quantity
      entry.outcome = isMoved || isCountedAnew ? 'update' : 'same'
      if (isCountedAnew)
        entry.changes.push({ field: 'quantity', before: String(known.quantity), after: String(quantity) })
      if (isMoved) entry.changes.push(this.describeMove(known.placeId, given.placeKey))
      if (entry.outcome === 'update')
        this.plan.stockUpdates.push({
          id: known.id,
          quantity: quantity ?? known.quantity,
          placeKey: given.placeKey ?? known.placeId,
        })
      return
    }
    entry.outcome = 'stock'
    entry.tag = tag || this.kit.takeNextTagMutably(category)
    const modelKey = this.findModelMutably(category, maker, name, facts, entry)
    this.plan.stock.push({
      tag: entry.tag,
      modelKey,
      placeKey: given.placeKey,
      quantity: quantity ?? 0,
      reorderLevel: 0,
    })
  }

  private updateMutably(
    unit: KnownUnit,
    given: Given,
    facts: Partial<TemplateFacts>,
    tag: string,
    entry: ImportLine,
  ): void {
    this.kit.claimMutably(unit.id)
    const renames = tag !== '' && tag !== unit.tag
    entry.tag = unit.tag
    entry.changes = this.listChanges(unit, given)
    if (renames) entry.changes.push({ field: 'tag', before: unit.tag, after: tag })
    entry.outcome = entry.changes.length > 0 ? 'update' : 'same'
    this.noteSaidMutably(unit.modelId, facts, entry)
    if (entry.outcome === 'same') return
    const { fields, valueMinor, insuredMinor, warrantyUntil, placeKey } = given
    const papers = Object.fromEntries(
      Object.entries({ valueMinor, insuredMinor, warrantyUntil }).filter(([, value]) => value !== null),
    )
    const provenance = Object.keys(papers).length > 0 ? { provenance: { ...unit.provenance, ...papers } } : {}
    this.plan.unitUpdates.push({
      id: unit.id,
      set: { ...fields, ...provenance, ...(renames ? { tag } : {}) },
      placeKey: placeKey ?? unit.placeId,
    })
  }

  private listChanges(unit: KnownUnit, given: Given): ImportLine['changes'] {
    const changes: ImportLine['changes'] = []
    for (const field of COMPARED) {
      const after = given.fields[field]
      if (after === undefined || after === unit[field]) continue
      changes.push({ field: FIELD_NAMES[field], before: this.say(field, unit[field]), after: this.say(field, after) })
    }
    const papers = [
      ['value', unit.provenance.valueMinor, given.valueMinor],
      ['insured for', unit.provenance.insuredMinor, given.insuredMinor],
      ['warranty until', unit.provenance.warrantyUntil, given.warrantyUntil],
    ] as const
    for (const [field, before, after] of papers) {
      if (after === null || after === before) continue
      const say = (it: string | number | null) =>
        typeof it === 'number' ? formatMoney(it, this.context.currency) : (it ?? '')
      changes.push({ field, before: say(before), after: say(after) })
    }
    if (given.placeKey !== null && given.placeKey !== unit.placeId)
      changes.push(this.describeMove(unit.placeId, given.placeKey))
    return changes
  }

  private describeMove(before: string | null, after: string | null): ImportLine['changes'][number] {
    const nameOf = (key: string | null) => this.placeNames.get(key ?? '') ?? ''
    return { field: 'place', before: nameOf(before), after: nameOf(after) }
  }

  private say(field: (typeof COMPARED)[number], value: unknown): string {
    if (value === null || value === '') return ''
    if (field === 'priceMinor') return formatMoney(Number(value), this.context.currency)
    if (field === 'acquisition') return ACQUISITIONS[value as keyof typeof ACQUISITIONS]
    if (field === 'state') return LIFE_STATES[value as keyof typeof LIFE_STATES].label
    return String(value)
  }

  private findPlaceMutably(name: string, entry: ImportLine): string | null {
    if (name === '') return null
    const known = this.placeKeys.get(name.toLowerCase())
    if (known) return known
    const key = `new-place-${this.plan.places.length + 1}`
    this.placeKeys.set(name.toLowerCase(), key)
    this.placeNames.set(key, name)
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
      const stem = name
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-+|-+$/g, '')
        .slice(0, 40)
      const taken = new Set(this.interfaceCodes.values())
      let code = `${kind}-${stem || 'own'}`
      for (let n = 2; taken.has(code); n++) code = `${kind}-${stem || 'own'}-${n}`
      this.interfaceCodes.set(name.toLowerCase(), code)
      this.plan.interfaces.push({ code, label: name, kind })
      entry.adds.push(`${kind} ${name}`)
      return code
    }
    const find = (name: string | null | undefined) =>
      name ? (this.interfaceCodes.get(name.toLowerCase()) ?? null) : null
    return {
      ...facts,
      mount: resolve(facts.mount, 'mount'),
      battery: resolve(facts.battery, 'battery'),
      inlet: find(facts.inlet) ?? findInlet(facts.inlet ?? ''),
      endA: find(facts.endA),
      endB: find(facts.endB),
    }
  }

  private findModelMutably(
    category: Category,
    maker: string,
    name: string,
    facts: Partial<TemplateFacts>,
    entry: ImportLine,
  ): string {
    const known = this.kit.findModel(category, maker, name)
    const identity = identifyModel(category, nameModel({ maker, name }))
    const draft = this.drafts.get(identity)
    const key = known?.id ?? draft?.key ?? `new-model-${this.drafts.size + 1}`
    this.noteSaidMutably(key, facts, entry)
    if (known) return key
    // What an earlier line left open, a later one of the same model may tell.
    if (draft) draft.facts = { ...facts, ...draft.facts }
    else this.drafts.set(identity, { key, category, maker, name, facts, entry })
    return key
  }
}

/** Both ends of a coupler are named alike: C7 on the lead, C8 on the device. */
function findInlet(text: string): string | null {
  if (/^(iec )?c ?[78]$/i.test(text)) return 'iec-c7'
  if (/^(iec )?c ?1[34]$/i.test(text)) return 'iec-c13'
  return null
}
