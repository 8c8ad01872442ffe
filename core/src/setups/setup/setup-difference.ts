import { z } from 'zod'
import type { Assignment, NewSetup, Role } from './setup.ts'
import { type Stage, stageSchema } from './stage.ts'

/** One difference between two setups, role by role: by the name of the role, as ids are each setup's own. */
export type SetupDifference =
  | { kind: 'role-added' | 'role-gone'; role: string; things: Assignment[] }
  | { kind: 'things'; role: string; gone: Assignment[]; added: Assignment[] }
  | { kind: 'role-changed'; role: string; fields: RoleField[] }
  | { kind: 'stage'; fields: StageField[] }
  | { kind: 'fact'; field: FactField; before: string; after: string }

const FACTS = [
  'placeId',
  'circuitId',
  'plannedMinutes',
  'purposeKind',
  'speakers',
  'shot',
  'carriers',
  'isMirrored',
] as const
export type FactField = (typeof FACTS)[number]

const FIELDS = [
  'importance',
  'wants',
  'wantsModelId',
  'anyOfUnitIds',
  'providedBy',
  'detail',
  'position',
  'light',
  'settings',
  'intentionallyEmpty',
  'goesWith',
  'mayShare',
  'oftenForgotten',
  'stays',
  'rigMinutes',
] as const
export type RoleField = (typeof FIELDS)[number]
export type StageField = keyof Stage
export const stageFieldSchema = stageSchema.keyof()
export const factFieldSchema = z.enum(FACTS)

export const roleFieldSchema = z.enum(FIELDS)

/** What is otherwise in `after`: roles are the same where their names are, the first with the first. */
export function compareSetups(before: NewSetup, after: NewSetup): SetupDifference[] {
  const facts = FACTS.filter((field) => before[field] !== after[field]).map(
    (field): SetupDifference => ({
      kind: 'fact',
      field,
      before: String(before[field] ?? ''),
      after: String(after[field] ?? ''),
    }),
  )
  const fields = stageFieldSchema.options.filter((field) => !isAlike(before.stage[field], after.stage[field]))
  const stage: SetupDifference[] = fields.length > 0 ? [{ kind: 'stage', fields }] : []
  const old = groupByName(before.roles)
  const fresh = groupByName(after.roles)
  const names = [...new Set([...old.keys(), ...fresh.keys()])]
  return [
    ...facts,
    ...stage,
    ...names.flatMap((name) => compareNamed(name, old.get(name) ?? [], fresh.get(name) ?? [])),
  ]
}

function groupByName(roles: readonly Role[]): Map<string, Role[]> {
  const groups = new Map<string, Role[]>()
  for (const role of roles) groups.set(role.name, [...(groups.get(role.name) ?? []), role])
  return groups
}

function compareNamed(name: string, old: readonly Role[], fresh: readonly Role[]): SetupDifference[] {
  return Array.from({ length: Math.max(old.length, fresh.length) }, (_, at) => at).flatMap((at): SetupDifference[] => {
    const before = old[at]
    const after = fresh[at]
    if (!before || !after) {
      const there = before ?? after
      return there ? [{ kind: before ? 'role-gone' : 'role-added', role: name, things: there.things }] : []
    }
    const gone = before.things.filter((it) => !after.things.some((other) => isSame(it, other)))
    const added = after.things.filter((it) => !before.things.some((other) => isSame(it, other)))
    const fields = FIELDS.filter((field) => !isAlike(simplify(before, field), simplify(after, field)))
    return [
      ...(gone.length + added.length > 0 ? [{ kind: 'things' as const, role: name, gone, added }] : []),
      ...(fields.length > 0 ? [{ kind: 'role-changed' as const, role: name, fields }] : []),
    ]
  })
}

/** Nothing said is the same as said to be nothing: an empty list, or a thing that is not shared. */
function simplify(role: Role, field: RoleField): unknown {
  const value = role[field]
  if (Array.isArray(value) && value.length === 0) return null
  return field === 'mayShare' || field === 'oftenForgotten' ? value === true : (value ?? null)
}

const isAlike = (a: unknown, b: unknown) => JSON.stringify(sortFields(a)) === JSON.stringify(sortFields(b))

/** The same facts in one order, however they were written down. */
function sortFields(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sortFields)
  if (value === null || typeof value !== 'object') return value
  const fields = Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1))
  return Object.fromEntries(fields.map(([key, it]) => [key, sortFields(it)]))
}

function isSame(a: Assignment, b: Assignment): boolean {
  return (
    a.unitId === b.unitId &&
    a.stockId === b.stockId &&
    a.quantity === b.quantity &&
    a.powerModeId === b.powerModeId &&
    a.recordingModeId === b.recordingModeId
  )
}
