import { z } from 'zod'
import type { Interface } from '../model/interface.ts'
import type { Model, NewModel, Specs } from '../model/model.ts'
import type { NewStock, NewUnit, Unit } from '../unit/unit.ts'
import type { ColumnMapping } from './column-guess.ts'
import type { ImportProblem } from './inventory-file.ts'
export const lineOutcomeSchema = z.enum(['thing', 'stock', 'update', 'same', 'repeat', 'bad', 'left-out'])
export type LineOutcome = z.infer<typeof lineOutcomeSchema>

export interface ImportLine {
  /** Line of the file, the heading being 1. */
  line: number
  outcome: LineOutcome
  tag: string
  name: string
  problems: ImportProblem[]
  /** Places and interfaces that this line brings along. */
  adds: string[]
  /** What it changes of a thing that is here. */
  changes: { field: string; before: string; after: string }[]
  /** What was not written and had to be guessed, or can hardly be right: to be looked at, not in the way. */
  remarks: string[]
}

export interface UnitUpdate {
  id: string
  set: Partial<NewUnit>
  placeKey: string | null
}

export interface ImportPlan {
  /** Problems of the file as a whole; nothing else was read then. */
  fileProblems: ImportProblem[]
  headings: string[]
  columns: ColumnMapping
  /** What was assumed for the whole file. */
  assumptions: string[]
  lines: ImportLine[]
  isClean: boolean
  places: { key: string; name: string }[]
  interfaces: { code: string; label: string; kind: 'mount' | 'battery' }[]
  models: { key: string; model: NewModel }[]
  units: (Omit<NewUnit, 'modelId' | 'placeId'> & { modelKey: string; placeKey: string | null })[]
  stock: (Omit<NewStock, 'modelId' | 'placeId'> & { modelKey: string; placeKey: string | null })[]
  unitUpdates: UnitUpdate[]
  stockUpdates: { id: string; quantity: number; placeKey: string | null }[]
  modelUpdates: { id: string; specs: Partial<Specs> }[]
}

/** What the import needs to know of a thing that is here. */
export type KnownUnit = Pick<
  Unit,
  | 'id'
  | 'tag'
  | 'modelId'
  | 'serial'
  | 'placeId'
  | 'acquisition'
  | 'acquiredOn'
  | 'priceMinor'
  | 'serviceEveryDays'
  | 'note'
  | 'state'
  | 'nickname'
  | 'dueOn'
  | 'provenance'
> & { archivedAt: number | null }

export interface KnownStock {
  id: string
  tag: string
  modelId: string
  quantity: number
  placeId: string | null
}

/** What is here already, so that a line can refer to it. */
export interface ImportContext {
  units: readonly KnownUnit[]
  stock: readonly KnownStock[]
  places: readonly { id: string; name: string }[]
  interfaces: readonly Interface[]
  models: readonly Model[]
  currency: string
  /** How 03/04 is read where nothing in the file tells. */
  isDayFirst: boolean
  /** What headings meant before, by flat heading. */
  remembered: Readonly<Record<string, string>>
}

export interface ImportChoices {
  leaveOut?: readonly number[]
  corrections?: readonly { line: number; column: string; value: string }[]
  columns?: ColumnMapping | null
  /** Lines that are a further piece, although one like it is here. */
  asNew?: readonly number[]
}

/** A plan that brings nothing, to be filled while lines are read. */
export function makeEmptyPlan(): ImportPlan {
  return {
    fileProblems: [],
    headings: [],
    columns: [],
    assumptions: [],
    lines: [],
    isClean: false,
    places: [],
    interfaces: [],
    models: [],
    units: [],
    stock: [],
    unitUpdates: [],
    stockUpdates: [],
    modelUpdates: [],
  }
}

/** Whether carrying the plan out would change anything at all. */
export function changesAnything(plan: ImportPlan): boolean {
  return [plan.units, plan.stock, plan.unitUpdates, plan.stockUpdates, plan.modelUpdates].some((it) => it.length > 0)
}
