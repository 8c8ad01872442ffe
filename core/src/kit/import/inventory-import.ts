import { readDefused } from '../../units/csv.ts'
import { CATEGORIES, type Category, isCounted } from '../model/category.ts'
import { guessCategory, readCategory } from '../model/category-words.ts'
import type { TemplateFacts } from '../template/template-facts.ts'
import { EMPTY_UNIT, NO_SUPPLY, tagSchema } from '../unit/unit.ts'
import { findHeadingUnit } from './column-guess.ts'
import {
  type ImportChoices,
  type ImportContext,
  type ImportLine,
  type ImportPlan,
  type KnownUnit,
  makeEmptyPlan,
} from './import-plan.ts'
import type { InventoryColumn } from './inventory-columns.ts'
import {
  type ImportProblem,
  type ImportProblemCode,
  MOST_HEADING_LETTERS,
  readHeading,
  readRows,
} from './inventory-file.ts'
import { KnownKit } from './known-kit.ts'
import { LineCells, MOST_NOTE, type Report } from './line-cells.ts'
import { describeMove, type Given, listChanges, type Naming } from './line-changes.ts'
import type { DateOrder } from './list-dates.ts'
import { findDateHabit, isForeignMoney, sayForeignMoney } from './list-habits.ts'
import { ModelDrafts } from './model-drafts.ts'

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
  plan.headings = (rows.rows[0]?.cells ?? []).map((it) => it.trim().slice(0, MOST_HEADING_LETTERS))
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
  const byNumber = new Map(lines.map((it) => [it.line, it]))
  for (const { line, column, value } of choices.corrections ?? []) {
    byNumber.get(line)?.cells.set(column as InventoryColumn, value)
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

const DATE_COLUMNS: readonly InventoryColumn[] = ['acquired on', 'warranty until', 'due on']
const MONEY_COLUMNS: readonly InventoryColumn[] = ['price', 'value', 'insured for']

/** Reads lines one after another, so that the second camera of a model finds the model that the first one brought. */
class LineReader {
  private readonly plan: ImportPlan
  private readonly context: ImportContext
  private readonly kit: KnownKit
  private readonly leaveOut: ReadonlySet<number>
  private readonly asNew: ReadonlySet<number>
  private readonly dateOrder: DateOrder
  private readonly isForeign: boolean
  private readonly unitOf: ReadonlyMap<string, string>
  private readonly lineOfTag = new Map<string, { line: number; text: string }>()
  private readonly lineOfSerial = new Map<string, { line: number; text: string }>()
  private readonly placeKeys = new Map<string, string>()
  private readonly placeNames = new Map<string, string>()
  private readonly models: ModelDrafts
  private readonly naming: Naming
  private readonly categories = new Map<string, Category | null>()

  constructor(plan: ImportPlan, context: ImportContext, choices: ImportChoices, rows: readonly Row[]) {
    this.plan = plan
    this.context = context
    this.kit = new KnownKit(context)
    this.models = new ModelDrafts(plan, this.kit, context.interfaces)
    this.naming = { currency: context.currency, nameOfPlace: (key) => this.placeNames.get(key ?? '') ?? '' }
    this.leaveOut = new Set(choices.leaveOut ?? [])
    this.asNew = new Set(choices.asNew ?? [])
    for (const place of context.places) {
      this.placeKeys.set(place.name.toLowerCase(), place.id)
      this.placeNames.set(place.id, place.name)
    }
    this.unitOf = new Map(
      plan.columns.flatMap((column, at): [string, string][] => {
        const unit = findHeadingUnit(plan.headings[at] ?? '')
        return column !== '' && unit !== null ? [[column, unit]] : []
      }),
    )
    const lines = rows.map(({ cells }) => new LineCells(cells, this.unitOf, () => null))
    const dateCells = lines.flatMap((it) => DATE_COLUMNS.map((column) => it.get(column)))
    const moneyCells = lines.flatMap((it) => MONEY_COLUMNS.map((column) => it.withUnit(column)))
    const dates = findDateHabit(dateCells, context.isDayFirst)
    this.dateOrder = dates.order
    this.isForeign = isForeignMoney(moneyCells, context.currency)
    if (dates.assumed) plan.assumptions.push(dates.assumed)
    if (this.isForeign) plan.assumptions.push(sayForeignMoney(context.currency))
    this.reserveMutably(rows)
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
    const report = (code: ImportProblemCode, column: InventoryColumn | null, received: string, expected: string) =>
      problems.push({ code, column, received: received.slice(0, 80), expected })
    const row = new LineCells(cells, this.unitOf, report)
    const maker = row.get('maker')
    const name = dropMaker(row.get('model'), maker)
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
    this.models.finishMutably()
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
    const aside: string[] = []
    const readMoney = (column: InventoryColumn) => row.readMoney(column, currency, this.isForeign ? aside : null)
    const [priceMinor, valueMinor, insuredMinor] = [readMoney('price'), readMoney('value'), readMoney('insured for')]
    const serviceEveryDays = row.readWhole('service every')
    if (serviceEveryDays !== null && (serviceEveryDays < 1 || serviceEveryDays > 3650)) {
      report('bad-number', 'service every', String(serviceEveryDays), 'days from 1 to 3650')
    }
    const note = [row.get('note'), ...aside].filter(Boolean).join('; ')
    if (note.length > MOST_NOTE) {
      report('too-long', 'note', note, `at most ${MOST_NOTE} characters, with the amounts that are kept there`)
    }
    const all = {
      serial: serial || null,
      acquisition: row.readAcquisition(),
      acquiredOn: row.readDate('acquired on', this.dateOrder),
      priceMinor,
      serviceEveryDays,
      note: note || null,
      state: row.readState(),
      nickname: row.get('nickname') || null,
      dueOn: row.readDate('due on', this.dateOrder),
    }
    return {
      fields: Object.fromEntries(Object.entries(all).filter(([, value]) => value !== null)),
      valueMinor,
      insuredMinor,
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
      const known = this.kit.findUnclaimed(model.id, suits, (it) => listChanges(it, given, this.naming).length === 0)
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
      modelKey: this.models.findMutably(category, maker, name, facts, entry),
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
      this.models.noteSaidMutably(known.modelId, facts, entry)
      const isMoved = given.placeKey !== null && given.placeKey !== known.placeId
      const isCountedAnew = quantity !== null && quantity !== known.quantity
      entry.outcome = isMoved || isCountedAnew ? 'update' : 'same'
      if (isCountedAnew)
        entry.changes.push({ field: 'quantity', before: String(known.quantity), after: String(quantity) })
      if (isMoved) entry.changes.push(describeMove(known.placeId, given.placeKey, this.naming))
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
    const modelKey = this.models.findMutably(category, maker, name, facts, entry)
    this.plan.stock.push({
      tag: entry.tag,
      modelKey,
      placeKey: given.placeKey,
      quantity: quantity ?? 0,
      reorderLevel: 0,
      supply: NO_SUPPLY,
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
    entry.changes = listChanges(unit, given, this.naming)
    if (renames) entry.changes.push({ field: 'tag', before: unit.tag, after: tag })
    entry.outcome = entry.changes.length > 0 ? 'update' : 'same'
    this.models.noteSaidMutably(unit.modelId, facts, entry)
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
}

/** Lists with a column for the maker often say it in the name once more. */
function dropMaker(name: string, maker: string): string {
  const isTwice = maker !== '' && name.toLowerCase().startsWith(`${maker.toLowerCase()} `)
  return isTwice ? name.slice(maker.length + 1).trim() : name
}
