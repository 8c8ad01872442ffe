import { isKindOf } from '../../../kit/model/category.ts'
import type { FindingLevel } from '../../../studio/finding.ts'
import type { Holdings } from '../../placed/placed-item.ts'
import type { ProvidedBy } from '../../setup/provided.ts'
import { FEATURES } from '../../setup/provided.ts'
import type { NewSetup } from '../../setup/setup.ts'

export type DutyFinding = { key: string; level: FindingLevel; roleId: string | null } & (
  | { code: 'double-duty'; tag: string; name: string; roles: string[]; isOneBody: boolean }
  | { code: 'given-lacking'; role: string; by: ProvidedBy; tags: string[]; isUnknown: boolean }
)

const LEVEL_OF_IMPORTANCE = { essential: 'stop', wanted: 'warn', optional: 'advise' } as const

/**
 * Things that do several jobs at once, and roles that are filled by something of another role. One thing in two roles is a
 * word of advice, as it can only fail once for all of them; one body cannot take two angles at the same time.
 */
export function checkSharedItems(setup: Pick<NewSetup, 'roles' | 'placeId'>, holdings: Holdings): DutyFinding[] {
  return [...listDoubleDuties(setup, holdings), ...listLackingGifts(setup, holdings)]
}

function listDoubleDuties({ roles }: Pick<NewSetup, 'roles'>, { units, models }: Holdings): DutyFinding[] {
  const jobs = new Map<string, NewSetup['roles']>()
  for (const role of roles) {
    for (const { unitId } of role.things) if (unitId) jobs.set(unitId, [...(jobs.get(unitId) ?? []), role])
  }
  return [...jobs].flatMap(([unitId, own]): DutyFinding[] => {
    const unit = units.get(unitId)
    const model = models.get(unit?.modelId ?? '')
    if (own.length < 2 || !unit || !model) return []
    const angles = own.filter((it) => it.wants !== null && isKindOf(it.wants, 'camera'))
    const isOneBody = isKindOf(model.category, 'camera') && angles.length > 1
    return [
      {
        key: `double-duty/${unitId}`,
        level: isOneBody ? 'warn' : 'advise',
        roleId: own[0]?.id ?? null,
        code: 'double-duty',
        tag: unit.tag,
        name: [model.maker, model.name].filter(Boolean).join(' '),
        roles: own.map(({ name }) => name),
        isOneBody,
      },
    ]
  })
}

/** A role that another role's feature fills is as empty as any other where that thing has not got it. */
function listLackingGifts(
  { roles, placeId }: Pick<NewSetup, 'roles' | 'placeId'>,
  { units, models }: Holdings,
): DutyFinding[] {
  return roles.flatMap((role): DutyFinding[] => {
    const by = role.givenBy
    if (!by || role.things.length > 0) return []
    const common = { key: `given-lacking/${role.id}`, roleId: role.id, code: 'given-lacking', role: role.name } as const
    const level = LEVEL_OF_IMPORTANCE[role.importance]
    if (by.kind === 'surface') return placeId ? [] : [{ ...common, level, by, tags: [], isUnknown: false }]
    const things = (roles.find((it) => it.id === by.roleId)?.things ?? []).flatMap(({ unitId }) => {
      const unit = units.get(unitId ?? '')
      const model = models.get(unit?.modelId ?? '')
      const { of } = FEATURES[by.feature]
      if (!unit || !model || (of !== null && !isKindOf(model.category, of))) return []
      return [{ tag: unit.tag, value: model.specs.more[by.feature] }]
    })
    if (things.some(({ value }) => value === FEATURES[by.feature].yes)) return []
    const unknown = things.filter(({ value }) => value === undefined)
    const tags = (unknown.length > 0 ? unknown : things).map(({ tag }) => tag)
    return [{ ...common, level: unknown.length > 0 ? 'unknown' : level, by, tags, isUnknown: unknown.length > 0 }]
  })
}
