import type { PlugSystemCode } from '../../studio/places/plug-systems.ts'
import type { Category } from '../model/category.ts'
import type { NewModel } from '../model/model.ts'
import { readFacts } from './known-facts.ts'
import { makeModelFromTemplate } from './template.ts'
import type { TemplateFacts } from './template-facts.ts'
import { dropUsual, markUsual, readUsual } from './usual-facts.ts'

interface Options {
  plugs: PlugSystemCode
  category?: Category
  /** Of which of the facts only what is usual is told. */
  usual?: readonly string[]
}

/**
 * A model with some facts told anew, in the words in which they were asked; null takes one back. What follows from a fact that
 * changed is made anew; everything that somebody changed by hand at the ends stays as it is (a three-way merge of what the template makes
 * of the facts before, what it makes of them now, and the model as it stands).
 */
export function changeFacts<T extends NewModel>(
  model: T,
  change: Partial<TemplateFacts>,
  { plugs, category = model.category, usual = [] }: Options,
): T {
  const before = readFacts(model)
  const after = { ...before, ...change }
  const { maker, name, specs } = model
  const made = (kind: Category, facts: TemplateFacts) => makeModelFromTemplate(kind, maker, name, facts, { plugs })
  const [base, next] = [made(model.category, before), made(category, after)]
  const ports = mergeRows(base.ports, next.ports, model.ports)
  const has = new Set(ports.map((it) => it.id))
  const powerModes = mergeRows(base.powerModes, next.powerModes, model.powerModes)
  const { told: _told, ...ownSpecs } = specs
  const changed: T = {
    ...model,
    category,
    ports,
    powerModes: powerModes.map((it) => ({ ...it, portIds: it.portIds.filter((id) => has.has(id)) })),
    recordingModes: mergeRows(base.recordingModes, next.recordingModes, model.recordingModes),
    specs: {
      ...ownSpecs,
      massGrams: next.specs.massGrams,
      energyMilliwattHours: next.specs.energyMilliwattHours,
      capacityMegabytes: next.specs.capacityMegabytes,
      footprint: next.specs.footprint,
      ...(next.specs.told ? { told: next.specs.told } : {}),
    },
  }
  const recorded = dropUsual(changed, change)
  return markUsual(recorded, [...readUsual(recorded), ...usual.filter((it) => it in change)])
}

/** Rows by their ids: what the two drafts disagree about is as the later one has it, all else as it stands. */
function mergeRows<Row extends { id: string }>(base: readonly Row[], next: readonly Row[], own: readonly Row[]): Row[] {
  const baseOf = new Map(base.map((it) => [it.id, it]))
  const nextOf = new Map(next.map((it) => [it.id, it]))
  const kept = own.flatMap((row) => {
    const [was, is] = [baseOf.get(row.id), nextOf.get(row.id)]
    if (!was) return [row]
    return is ? [mergeFields(was, is, row)] : []
  })
  const known = new Set(own.map((it) => it.id))
  // What somebody took away stays away, unless the facts bring it now.
  return [...kept, ...next.filter((it) => !known.has(it.id) && !isSame(baseOf.get(it.id), it))]
}

const isSame = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)

function mergeFields<Row extends object>(was: Row, is: Row, own: Row): Row {
  const changed = (Object.keys(is) as (keyof Row)[]).filter((field) => !isSame(was[field], is[field]))
  return changed.length === 0 ? own : { ...own, ...Object.fromEntries(changed.map((field) => [field, is[field]])) }
}
