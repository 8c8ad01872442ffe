import { CATEGORIES, type Category } from '../model/category.ts'
import { type Model, nameModel } from '../model/model.ts'
import type { ImportContext, KnownStock, KnownUnit } from './import-plan.ts'

/** One name for a model, however it is written. */
export function identifyModel(category: Category, name: string): string {
  return `${category}/${name.toLowerCase().replace(/\s+/g, ' ').trim()}`
}

/** What is in the kit, in the ways in which the line of a list can mean it. Each thing is meant by one line only. */
export class KnownKit {
  readonly unitByTag: ReadonlyMap<string, KnownUnit>
  readonly stockByTag: ReadonlyMap<string, KnownStock>
  readonly modelById: ReadonlyMap<string, Model>
  private readonly unitBySerial: ReadonlyMap<string, KnownUnit>
  private readonly unitsByModel = new Map<string, KnownUnit[]>()
  private readonly stockByModel = new Map<string, KnownStock[]>()
  private readonly modelIds = new Map<string, string>()
  private readonly meant = new Set<string>()
  private readonly reserved = new Set<string>()
  private readonly highest = new Map<string, number>()

  constructor({ units, stock, models }: ImportContext) {
    this.modelById = new Map(models.map((it) => [it.id, it]))
    this.unitByTag = new Map(units.map((it) => [it.tag, it]))
    this.stockByTag = new Map(stock.map((it) => [it.tag, it]))
    this.unitBySerial = new Map(units.flatMap((it) => (it.serial ? [[it.serial.toLowerCase(), it]] : [])))
    // What is archived is meant only by its tag or serial, never as one of its kind.
    for (const it of units) {
      if (it.archivedAt !== null) continue
      const alike = this.unitsByModel.get(it.modelId)
      if (alike) alike.push(it)
      else this.unitsByModel.set(it.modelId, [it])
    }
    for (const it of stock) this.stockByModel.set(it.modelId, [...(this.stockByModel.get(it.modelId) ?? []), it])
    for (const model of models) {
      for (const name of [nameModel(model), model.name, ...model.aliases]) {
        const identity = identifyModel(model.category, name)
        if (name === nameModel(model) || !this.modelIds.has(identity)) this.modelIds.set(identity, model.id)
      }
    }
    for (const it of [...units, ...stock]) this.noteTagMutably(it.tag)
  }

  /** The model of that kind and name, by its full name or an alias; with a maker given, never another maker's. */
  findModel(category: Category, maker: string, name: string): Model | null {
    const full = nameModel({ maker, name })
    const model = this.modelById.get(this.modelIds.get(identifyModel(category, full)) ?? '')
    if (!model) return null
    return maker === '' || model.maker.toLowerCase() === maker.toLowerCase() || model.aliases.includes(full)
      ? model
      : null
  }

  findBySerial(serial: string): KnownUnit | null {
    return this.unitBySerial.get(serial.toLowerCase()) ?? null
  }

  /** Marks a thing as meant, so that no other line means it too; false where one did. */
  claimMutably(id: string): boolean {
    if (this.meant.has(id)) return false
    this.meant.add(id)
    return true
  }

  /** Keeps a thing for the line that names it, so that no line without a tag takes it first. */
  reserveMutably(id: string): void {
    this.reserved.add(id)
  }

  /**
   * A piece of a model that no line means yet and that the line can mean: one that agrees with it if there is one, else
   * the first by tag.
   */
  findUnclaimed(
    modelId: string,
    suits: (unit: KnownUnit) => boolean,
    agrees: (unit: KnownUnit) => boolean,
  ): KnownUnit | null {
    const list = this.unitsByModel.get(modelId) ?? []
    const isTaken = (it: KnownUnit) => this.meant.has(it.id) || this.reserved.has(it.id)
    // Pieces are mostly meant in their order, so the front is what is taken.
    while (list[0] && isTaken(list[0])) list.shift()
    const isFree = (it: KnownUnit) => !isTaken(it) && suits(it)
    return list.find((it) => isFree(it) && agrees(it)) ?? list.find(isFree) ?? null
  }

  findStock(modelId: string, agrees: (stock: KnownStock) => boolean): KnownStock | null {
    const free = (this.stockByModel.get(modelId) ?? []).filter((it) => !this.meant.has(it.id))
    return free.find(agrees) ?? free[0] ?? null
  }

  noteTagMutably(tag: string): void {
    const match = /^(.+)-(\d{1,9})$/.exec(tag)
    if (match?.[1]) this.highest.set(match[1], Math.max(this.highest.get(match[1]) ?? 0, Number(match[2])))
  }

  /** The next tag of a kind, one after the highest in use. */
  takeNextTagMutably(category: Category): string {
    const { prefix } = CATEGORIES[category]
    const tag = `${prefix}-${String((this.highest.get(prefix) ?? 0) + 1).padStart(2, '0')}`
    this.noteTagMutably(tag)
    return tag
  }
}
