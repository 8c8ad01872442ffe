import { z } from 'zod'
import { cableRunSchema } from './cable-run.ts'
import { makeAssignment, type NewSetup } from './setup.ts'
import { moveLinks } from './swapped-ends.ts'
/** A way out that the interface can carry out. All but the last change the setup; `shop` adds to the shopping list. */
export const remedySchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('assign'),
    roleId: z.string(),
    unitIds: z.array(z.string()),
    tags: z.array(z.string()),
    name: z.string(),
  }),
  z.object({
    kind: z.literal('assign-stock'),
    roleId: z.string(),
    stockId: z.string(),
    quantity: z.number(),
    name: z.string(),
  }),
  z.object({
    kind: z.literal('replace'),
    roleId: z.string(),
    unitId: z.string(),
    byUnitId: z.string(),
    tag: z.string(),
    name: z.string(),
    /** Which end of it takes the place of which: what was stated of the one goes over to the other. */
    ends: z.record(z.string(), z.string()).optional(),
  }),
  z.object({
    kind: z.literal('use-spare'),
    roleId: z.string(),
    unitId: z.string().nullable(),
    stockId: z.string().nullable(),
    tag: z.string(),
  }),
  z.object({
    kind: z.literal('state-joints'),
    links: z.array(cableRunSchema),
    /** What stands on what, as it is said. */
    label: z.string(),
  }),
  z.object({
    kind: z.literal('power-mode'),
    roleId: z.string(),
    unitId: z.string(),
    tag: z.string(),
    powerModeId: z.string(),
    label: z.string(),
  }),
  z.object({
    kind: z.literal('recording-mode'),
    roleId: z.string(),
    unitId: z.string(),
    tag: z.string(),
    recordingModeId: z.string(),
    label: z.string(),
  }),
  z.object({
    kind: z.literal('surface'),
    roleId: z.string(),
    /** What of the room does it, such as a white wall. */
    name: z.string(),
  }),
  z.object({
    kind: z.literal('circuit'),
    circuitId: z.string(),
    name: z.string(),
  }),
  z.object({
    kind: z.literal('shop'),
    item: z.string(),
    quantity: z.number(),
    stockId: z.string().nullable(),
  }),
])
export type Remedy = z.infer<typeof remedySchema>

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
      return changeRole({ ...setup, links: moveLinks(setup.links, remedy) }, remedy.roleId, (things) =>
        things.map((thing) =>
          thing.unitId === remedy.unitId
            ? { ...thing, unitId: remedy.byUnitId, powerModeId: null, recordingModeId: null }
            : thing,
        ),
      )
    case 'use-spare':
      return changeRole(setup, remedy.roleId, (things) =>
        things.map((thing) =>
          thing.isSpare && thing.unitId === remedy.unitId && thing.stockId === remedy.stockId
            ? { ...thing, isSpare: false }
            : thing,
        ),
      )
    case 'state-joints':
      // What is assumed meets no end that somebody stated already.
      return { ...setup, links: [...setup.links, ...remedy.links] }
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
    case 'surface':
      return {
        ...setup,
        roles: setup.roles.map((role) =>
          role.id === remedy.roleId ? { ...role, providedBy: { kind: 'surface', name: remedy.name } } : role,
        ),
      }
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
