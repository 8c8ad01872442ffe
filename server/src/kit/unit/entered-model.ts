import {
  changeFacts,
  END_FACTS,
  type FactKey,
  type Model,
  makeModelFromTemplate,
  markUsual,
  type NewModel,
  NO_END,
  nameModel,
  type quickEntrySchema,
  readFacts,
  readUsual,
  SPECS,
  type SpecKey,
  sayFact,
  saySpecValue,
} from '@exemplar/core'
import { and, eq, isNull } from 'drizzle-orm'
import type { z } from 'zod'
import { loadInterfaces } from '../../availability/reference.ts'
import { refuseField } from '../../foundation/base/problem.ts'
import type { Transaction, Writer } from '../../foundation/database/app-context.ts'
import { models } from '../../schema/kit-tables.ts'
import { loadStudio } from '../../studio/settings/settings-routes.ts'

type Entered = Pick<z.infer<typeof quickEntrySchema>, 'category' | 'maker' | 'name' | 'facts' | 'specs' | 'usual'>

/**
 * The model of that kind and name, also by another name of it, or a new one from the template. What is told of a model that is
 * here fills in what was open; what contradicts what is recorded is refused at its field, and nothing is changed. `at` is where in
 * the form these fields stand.
 */
export function findOrMakeModel(writer: Writer, entered: Entered, at = ''): string {
  const { tx, newId, log } = writer
  requireConnectors(tx, entered.facts, at)
  const { plugSystem: plugs } = loadStudio(tx)
  const known = findByName(tx, entered)
  if (known) {
    fillIn(writer, known, entered, at)
    return known.id
  }
  const { category, maker, name, facts, specs: more, usual } = entered
  const model = tx
    .insert(models)
    .values({ ...markUsual(makeModelFromTemplate(category, maker, name, facts, { more, plugs }), usual), id: newId() })
    .returning()
    .get()
  log('created', 'model', model.id, { after: model })
  return model.id
}

const flatten = (text: string) => text.toLowerCase().replace(/\s+/g, ' ').trim()

/** The model of that kind that is called so, by its name or by another one of it. */
export function findByName(tx: Transaction, { category, maker, name }: Pick<Entered, 'category' | 'maker' | 'name'>) {
  const ofKind = tx
    .select()
    .from(models)
    .where(and(isNull(models.archivedAt), eq(models.category, category)))
    .all()
  const whole = flatten(nameModel({ maker, name }))
  const isNamed = (it: Model) => flatten(nameModel(it)) === whole
  const isAlias = (it: Model) => it.aliases.some((alias) => [flatten(name), whole].includes(flatten(alias)))
  return ofKind.find(isNamed) ?? ofKind.find(isAlias)
}

function fillIn({ tx, log }: Writer, known: Model, { facts, specs, usual }: Entered, at: string): void {
  const { plugSystem: plugs, unitSystem } = loadStudio(tx)
  const recorded = readFacts(known)
  // What is told now goes before what is only usual; what is usual never before anything.
  const isOnlyUsual = (key: FactKey) => readUsual(known).some((it) => it === key)
  const told = (Object.entries(facts) as [FactKey, string | number | null | undefined][]).filter(
    ([key, value]) => value !== null && value !== undefined && !(usual.includes(key) && recorded[key] !== null),
  )
  for (const [key, value] of told) {
    const own = recorded[key]
    if (own === null || own === value || isOnlyUsual(key)) continue
    const said = sayFact(key, own, loadInterfaces(tx), unitSystem)
    throw refuseField(
      `${at}/facts/${key}`,
      `${nameModel(known)} is here already, and recorded with ${said}. ${WAY_OUT}`,
    )
  }
  for (const [key, value] of Object.entries(specs) as [SpecKey, string | number][]) {
    const own = known.specs.more[key]
    if (own === undefined || own === value) continue
    throw refuseField(
      `${at}/specs/${key}`,
      `${nameModel(known)} is here already, and recorded with ${SPECS[key].label}: ${saySpecValue(key, own, unitSystem)}. ${WAY_OUT}`,
    )
  }
  const fresh = Object.fromEntries(told.filter(([key]) => recorded[key] === null || isOnlyUsual(key)))
  const more = { ...known.specs.more, ...specs }
  const isFuller = Object.keys(fresh).length > 0 || Object.keys(more).length > Object.keys(known.specs.more).length
  if (!isFuller) return
  const changed = changeFacts<NewModel>(known, fresh, { plugs, usual })
  const after = { ...changed, specs: { ...changed.specs, more } }
  tx.update(models)
    .set({ ...after, version: known.version + 1 })
    .where(eq(models.id, known.id))
    .run()
  log('changed', 'model', known.id, { before: known, after })
}

const WAY_OUT = 'Leave this empty, give this one another name, or correct what it is on its page.'

const CONNECTORS = ['mount', 'frontMount', 'battery', 'inlet', 'endA', 'endB', 'cardForm', 'holes', 'plug'] as const

function requireConnectors(tx: Transaction, facts: Entered['facts'], at: string): void {
  const known = loadInterfaces(tx)
  for (const field of [...CONNECTORS, ...END_FACTS]) {
    const code = facts[field]
    if (!code || known.has(code)) continue
    if (code === NO_END && END_FACTS.some((it) => it === field)) continue
    throw refuseField(`${at}/facts/${field}`, `There is no interface "${code}".`)
  }
}
