import { nameModel } from '../../../kit/model/model.ts'
import { findRoom } from '../../../studio/places/place-findings.ts'
import type { Role } from '../../setup/setup.ts'
import type { AssessmentInput, ReadinessFinding } from '../../verdict/readiness.ts'

const LEVEL_OF_IMPORTANCE = { essential: 'stop', wanted: 'warn', optional: 'advise' } as const

/** Roles that nothing fills, unless they are left empty on purpose or nobody would miss them. */
export function listEmptyRoles(roles: readonly Role[]): ReadinessFinding[] {
  return roles
    .filter((role) => role.things.length === 0 && !role.deliberatelyNone && !role.givenBy)
    .filter((role) => role.importance !== 'optional')
    .map((role) => ({
      key: `role-empty/${role.id}`,
      level: LEVEL_OF_IMPORTANCE[role.importance],
      roleId: role.id,
      remedies: [],
      code: 'role-empty',
      role: role.name,
    }))
}

/** Roles that must have a spare, or had better, and for whose thing nothing free of its kind lies in the store. */
export function listMissingSpares({ setup, holdings, spares }: AssessmentInput): ReadinessFinding[] {
  if (!spares) return []
  return setup.roles.flatMap((role) =>
    role.things.flatMap(({ unitId }): ReadinessFinding[] => {
      const unit = holdings.units.get(unitId ?? '')
      const model = holdings.models.get(unit?.modelId ?? '')
      const policy = role.spare ?? 'none'
      if (policy === 'none' || !unit || !model || spares.get(unit.id) !== 0) return []
      const common = { key: `spare-missing/${unit.id}`, roleId: role.id, remedies: [], tag: unit.tag, policy }
      const level = policy === 'must' ? 'warn' : 'advise'
      return [{ ...common, level, code: 'spare-missing', name: nameModel(model), role: role.name }]
    }),
  )
}

/** What is the venue's own stays in its room: a setup elsewhere cannot count on it. */
export function listBoundElsewhere({ setup, holdings, where }: AssessmentInput): ReadinessFinding[] {
  const here = where && findRoom(where.placeId, where.places)
  if (!where || !here) return []
  return setup.roles.flatMap((role) =>
    role.things.flatMap(({ unitId }): ReadinessFinding[] => {
      const unit = holdings.units.get(unitId ?? '')
      const room = unit?.acquisition === 'venue' ? findRoom(unit.placeId, where.places) : null
      if (!unit || !room || room.id === here.id) return []
      const model = holdings.models.get(unit.modelId)
      return [
        {
          key: `bound-elsewhere/${unit.id}`,
          level: LEVEL_OF_IMPORTANCE[role.importance],
          roleId: role.id,
          remedies: [],
          code: 'bound-elsewhere',
          unitId: unit.id,
          tag: unit.tag,
          name: model ? nameModel(model) : unit.tag,
          room: room.name,
          here: here.name,
        },
      ]
    }),
  )
}

/** A part that is not there makes a thing incomplete, and a work-around that the crew saw is a need like any other. */
export function listWhatTheCrewSays({ setup, holdings, missingParts }: AssessmentInput): ReadinessFinding[] {
  return setup.roles.flatMap((role) =>
    role.things.flatMap(({ unitId }): ReadinessFinding[] => {
      const unit = holdings.units.get(unitId ?? '')
      const model = holdings.models.get(unit?.modelId ?? '')
      if (!unit || !model) return []
      const common = { roleId: role.id, remedies: [], tag: unit.tag, name: nameModel(model) }
      const parts = missingParts?.get(unit.id) ?? []
      const advice = unit.remarks
        .filter((it) => it.kind === 'work-around' && it.source === 'seen')
        .map(
          ({ text }): ReadinessFinding => ({
            ...common,
            key: `work-around/${unit.id}/${text}`,
            level: 'advise',
            code: 'work-around',
            text,
          }),
        )
      if (parts.length === 0) return advice
      return [
        { ...common, key: `part-missing/${unit.id}`, level: 'warn', code: 'part-missing', unitId: unit.id, parts },
        ...advice,
      ]
    }),
  )
}

/** Things that stand in a role and will not be there. */
export function listAbsences({ setup, holdings, absences }: AssessmentInput): ReadinessFinding[] {
  return setup.roles.flatMap((role) =>
    role.things.flatMap(({ unitId }): ReadinessFinding[] => {
      const absence = unitId ? absences.get(unitId) : undefined
      const unit = unitId ? holdings.units.get(unitId) : undefined
      if (!absence || !unit) return []
      const model = holdings.models.get(unit.modelId)
      return [
        {
          key: `thing-absent/${unit.id}`,
          // Whoever is late may still be back in time: that is asked after, it does not stop the shoot yet.
          level:
            absence.reason === 'late' && role.importance === 'essential'
              ? 'warn'
              : LEVEL_OF_IMPORTANCE[role.importance],
          roleId: role.id,
          remedies: [],
          code: 'thing-absent',
          unitId: unit.id,
          tag: unit.tag,
          name: model ? [model.maker, model.name].filter(Boolean).join(' ') : unit.tag,
          absence,
        },
      ]
    }),
  )
}

/** Stock of which more is put in than is free. */
export function listShortStock({ setup, holdings, freeStock }: AssessmentInput): ReadinessFinding[] {
  const wanted = new Map<string, { quantity: number; role: Role }>()
  for (const role of setup.roles) {
    for (const { stockId, quantity } of role.things) {
      if (!stockId) continue
      const known = wanted.get(stockId)
      wanted.set(stockId, { quantity: (known?.quantity ?? 0) + quantity, role: known?.role ?? role })
    }
  }
  return [...wanted].flatMap(([stockId, { quantity, role }]): ReadinessFinding[] => {
    const have = freeStock.get(stockId) ?? 0
    const stock = holdings.stock.get(stockId)
    if (have >= quantity || !stock) return []
    return [
      {
        key: `stock-short/${stockId}`,
        level: LEVEL_OF_IMPORTANCE[role.importance],
        roleId: role.id,
        remedies: [],
        code: 'stock-short',
        stockId,
        tag: stock.tag,
        name: holdings.models.get(stock.modelId)?.name ?? stock.tag,
        wanted: quantity,
        have,
      },
    ]
  })
}
