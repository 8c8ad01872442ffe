import { isCounted } from '../../kit/model/category.ts'
import { NO_POSITION } from '../setup/setting-card.ts'
import { type Assignment, makeAssignment, type NewSetup, type Role, SETUP_DEFAULTS } from '../setup/setup.ts'
import { suggestIdentity } from '../setup/setup-identity.ts'
import { NO_ROLE_LIGHT, suggestLightJob } from '../setup/stage.ts'
import type { ExampleRole, ExampleStudio, ExampleThing } from './example-studio.ts'

/** Things of an example that are of one model, by their short names. */
export interface ExampleModel {
  thing: ExampleThing
  aliases: string[]
}

/** The models of an example, each with how many of it: things of one kind and name are alike. */
export function listExampleModels({ things }: Pick<ExampleStudio, 'things'>): ExampleModel[] {
  const models = new Map<string, ExampleModel>()
  for (const [alias, thing] of Object.entries(things)) {
    const name = `${thing.category}/${thing.name}`
    const known = models.get(name)
    if (known) known.aliases.push(alias)
    else models.set(name, { thing, aliases: [alias] })
  }
  return [...models.values()]
}

interface Ground {
  placeId: string | null
  circuitId: string | null
  /** Setups that are here already. */
  used: readonly { code: string; tape: string }[]
}

/**
 * The setup of an example with its things in their roles. `idOf` gives the thing, or the stock of what is counted, by its
 * short name.
 */
export function makeExampleSetup(
  example: ExampleStudio,
  { used, ...ground }: Ground,
  idOf: (alias: string) => string,
  newId: () => string,
): NewSetup {
  const roleIds = new Map(example.roles.map((it) => [it.name, newId()]))
  return {
    ...SETUP_DEFAULTS,
    ...ground,
    ...suggestIdentity(example.name, used),
    name: example.name,
    purpose: example.about,
    purposeKind: example.purpose,
    plannedMinutes: example.plannedMinutes,
    speakers: example.speakers ?? null,
    carriers: example.carriers ?? 0,
    note: '',
    roles: example.roles.map((role) => makeRole(role, example, roleIds, idOf)),
  }
}

function makeRole(
  { name, group, wants, importance = 'essential', goesWith, distanceMm, heightMm, things }: ExampleRole,
  example: ExampleStudio,
  roleIds: ReadonlyMap<string, string>,
  idOf: (alias: string) => string,
): Role {
  const isMeasured = distanceMm !== undefined || heightMm !== undefined
  const position = { ...NO_POSITION, distanceMm: distanceMm ?? null, heightMm: heightMm ?? null }
  return {
    id: roleIds.get(name) ?? '',
    group,
    name,
    importance,
    wants,
    detail: '',
    intentionallyEmpty: false,
    goesWith: goesWith ? (roleIds.get(goesWith) ?? null) : null,
    position: isMeasured ? position : null,
    things: listAssignments(things, example, idOf),
    ...(group === 'light' ? { light: { ...NO_ROLE_LIGHT, job: suggestLightJob(name) } } : {}),
  }
}

/** Single things one by one, and so many of what is counted. */
function listAssignments(
  aliases: readonly string[],
  { things }: ExampleStudio,
  idOf: (alias: string) => string,
): Assignment[] {
  const counts = new Map<string, number>()
  const single = aliases.flatMap((alias) => {
    const id = idOf(alias)
    if (!isCounted(things[alias]?.category ?? 'other')) return [makeAssignment({ unitId: id })]
    counts.set(id, (counts.get(id) ?? 0) + 1)
    return []
  })
  return [...single, ...[...counts].map(([stockId, quantity]) => makeAssignment({ stockId, quantity }))]
}
