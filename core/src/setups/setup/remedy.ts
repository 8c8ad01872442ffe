import { makeAssignment, type NewSetup } from './setup.ts'

/** A way out that the interface can carry out. The first six change the setup; `shop` adds to the shopping list. */
export type Remedy =
  | { kind: 'assign'; roleId: string; unitIds: string[]; tags: string[]; name: string }
  | { kind: 'assign-stock'; roleId: string; stockId: string; quantity: number; name: string }
  | { kind: 'replace'; roleId: string; unitId: string; byUnitId: string; tag: string; name: string }
  | { kind: 'power-mode'; roleId: string; unitId: string; tag: string; powerModeId: string; label: string }
  | { kind: 'recording-mode'; roleId: string; unitId: string; tag: string; recordingModeId: string; label: string }
  | { kind: 'circuit'; circuitId: string; name: string }
  | { kind: 'shop'; item: string; quantity: number; stockId: string | null }

/** The setup after a remedy; the same reference where it does not touch the setup. */
export function applyRemedy<T extends NewSetup>(setup: T, remedy: Remedy): T {
  switch (remedy.kind) {
    case 'assign':
      return changeRole(setup, remedy.roleId, (things) => [
        ...things,
        ...remedy.unitIds.map((unitId) => makeAssignment({ unitId })),
      ])
    case 'assign-stock':
      return changeRole(setup, remedy.roleId, (things) => {
        const known = things.find((thing) => thing.stockId === remedy.stockId)
        if (!known) return [...things, makeAssignment({ stockId: remedy.stockId, quantity: remedy.quantity })]
        return things.map((thing) =>
          thing === known ? { ...thing, quantity: thing.quantity + remedy.quantity } : thing,
        )
      })
    case 'replace':
      return changeRole(setup, remedy.roleId, (things) =>
        things.map((thing) =>
          thing.unitId === remedy.unitId
            ? { ...thing, unitId: remedy.byUnitId, powerModeId: null, recordingModeId: null }
            : thing,
        ),
      )
    case 'power-mode':
      return changeRole(setup, remedy.roleId, (things) =>
        things.map((thing) => (thing.unitId === remedy.unitId ? { ...thing, powerModeId: remedy.powerModeId } : thing)),
      )
    case 'recording-mode':
      return changeRole(setup, remedy.roleId, (things) =>
        things.map((thing) =>
          thing.unitId === remedy.unitId ? { ...thing, recordingModeId: remedy.recordingModeId } : thing,
        ),
      )
    case 'circuit':
      return { ...setup, circuitId: remedy.circuitId }
    case 'shop':
      return setup
    default:
      return remedy satisfies never
  }
}

function changeRole<T extends NewSetup>(
  setup: T,
  roleId: string,
  change: (things: NewSetup['roles'][number]['things']) => NewSetup['roles'][number]['things'],
): T {
  return {
    ...setup,
    roles: setup.roles.map((role) => (role.id === roleId ? { ...role, things: change(role.things) } : role)),
  }
}
