import { type Category, isKindOf } from '../../kit/model/category.ts'
import { judgeAbilities } from '../../kit/unit/ability.ts'
import type { AssessmentInput } from '../../setups/placed/assessment-input.ts'
import type { PlacedItem } from '../../setups/placed/placed-item.ts'
import { isHelperKind, listOwnChoices } from '../../setups/proposals/connect-choices.ts'
import { buildConnectProgram, type Choice, foldAlike } from '../../setups/proposals/connect-program.ts'
import { hasOwnLens } from '../../setups/setup/first-setup.ts'
import { listInUse, type Role, suitsRole } from '../../setups/setup/setup.ts'
import type { Weighting } from '../wish/points.ts'
import { type KitItem, placeItem } from './kit-items.ts'
import type { RoleMust } from './kit-plan.ts'
import type { KitChoice, KitJoints, KitQuestion, KitRole } from './kit-program.ts'

/** What a filled role is worth by how much it is wanted. Ours, for want of a measure. */
const ROLE_POINTS = { essential: 3, wanted: 2, optional: 1 } as const

/** More of these than are joined may be of use: one is changed for another. */
const MAY_LIE: readonly Category[] = ['card', 'drive', 'pack', 'cell']

/** Roles for which something is to be chosen: those that stand empty, and were not left so on purpose. */
export const listOpenRoles = (roles: readonly Role[]): Role[] =>
  roles.filter((role) => listInUse(role).length === 0 && !role.intentionallyEmpty && !role.providedBy)

/** Why an option fills a role, or does not. */
export function findFit(
  role: Role,
  { model, source }: Pick<KitItem, 'model'> & { source?: KitItem['source'] },
  musts: readonly RoleMust[],
): 'yes' | 'no' | 'unknown' {
  if (!suitsRole(role, model, source?.kind === 'units' ? source.units[0]?.id : undefined)) return 'no'
  const wants = musts.filter((it) => it.roleId === role.id).flatMap((it) => it.wants)
  return judgeAbilities(model, wants).answer
}

/** Everything of which a kit may be put together, for the solver. What lacks a figure that a role asks for does not fill it. */
export function makeKitQuestion(
  input: AssessmentInput,
  items: readonly KitItem[],
  musts: readonly RoleMust[],
  weigh: Weighting,
): KitQuestion {
  const roles = listOpenRoles(input.setup.roles)
  const options = items.map(
    (item): KitChoice => ({
      id: item.id,
      costMinor: item.priceMinor,
      most: item.most,
      isMust: item.isMust,
      // What fills no role by its kind lies with what it joins: a lens where the camera's role has it.
      goesBeside: isHelperKind(item.model.category) || !roles.some((role) => suitsRole(role, item.model)),
      fills: roles.flatMap((role) =>
        findFit(role, item, musts) === 'yes'
          ? [{ roleId: role.id, points: ROLE_POINTS[role.importance] * item.grade * weigh(item.model.category) }]
          : [],
      ),
    }),
  )
  return {
    roles: roles.map((role) => describeRole(role, roles, items)),
    options,
    makeJoints: () => joinItems(input, items, true).joints,
  }
}

function describeRole(role: Role, open: readonly Role[], items: readonly KitItem[]): KitRole {
  const { id, goesWith, importance, wants } = role
  const served = open.find((it) => it.id === goesWith)
  const optionIds = items.flatMap((it) => (hasOwnLens(it.model.category) ? [it.id] : []))
  return {
    id,
    isRequired: importance === 'essential',
    freedBy: served && wants === 'lens' ? { roleId: served.id, optionIds } : null,
    // What has to be there whatever else is, is there.
    servesId: served && importance !== 'essential' ? served.id : null,
  }
}

/** An essential end of something that is offered or stands there, and the variable of how many of it stay open. */
export interface OpenVariable {
  thing: PlacedItem
  interfaces: string[]
  side: 'host' | 'guest'
  variable: number
}

/** What joins what among all pieces that could be there. `isWhole`: no essential end stays open. */
export function joinItems(
  input: AssessmentInput,
  items: readonly KitItem[],
  isWhole: boolean,
): { joints: KitJoints; opens: OpenVariable[]; overload: number | null } {
  // What stands there is powered as it is.
  const own = listOwnChoices(input).map(
    ({ choice }): Choice => ({ ...choice, ways: choice.ways.slice(0, 1), costs: [0] }),
  )
  const classes = items.map((item) =>
    Array.from({ length: item.most }, (_, nth): Choice => {
      const ways = placeItem(item, nth)
      return { ways, costs: ways.map(() => 0), isHelper: false, isOffered: true, count: 1 }
    }),
  )
  const folded = foldAlike(own, classes, input.interfaces)
  const rated = input.circuit ? input.circuit.volts * input.circuit.amps * 1000 : null
  const built = buildConnectProgram([...own, ...folded.flat()], input.interfaces, rated)
  const { program } = built
  const pressing = built.opens.filter(({ node }) => node.priority === 0)
  if (isWhole) for (const { variable } of pressing) program.most[variable] = 0
  if (isWhole && built.overload !== null) program.most[built.overload] = 0
  let at = own.length
  const placed = items.map((item, nth) => {
    const choices = folded[nth] ?? []
    const from = at
    at += choices.length
    const indices = choices.map((_, offset) => from + offset)
    const wayCount = choices[0]?.ways.length ?? 1
    const joints = indices.flatMap((it) => built.jointsOf[it] ?? [])
    // What can join nothing, a sandbag, may be wanted all the same.
    const mayLie = joints.length === 0 || MAY_LIE.some((kind) => isKindOf(item.model.category, kind))
    return {
      ways: Array.from({ length: wayCount }, (_, way) => indices.flatMap((it) => built.wayOf[it]?.[way] ?? [])),
      joints: mayLie ? null : joints,
    }
  })
  return {
    overload: built.overload,
    joints: { program, ways: placed.map((it) => it.ways), joints: placed.map((it) => it.joints) },
    opens: pressing.map(({ node, variable }) => ({
      thing: node.thing,
      interfaces: [...node.codes],
      side: node.ports[0]?.side ?? 'guest',
      variable,
    })),
  }
}
