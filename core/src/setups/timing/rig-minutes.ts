import { z } from 'zod'
import { type Category, isKindOf } from '../../kit/model/category.ts'
import type { Policies } from '../../studio/policy/resolved-policies.ts'
import type { Holdings } from '../placed/placed-item.ts'
import { listInUse, listUnitIds, type NewSetup, type Role } from '../setup/setup.ts'

/** Minutes to bring a thing of a kind, set it up and set it right, by one person. Common practice, from memory. */
const RIG_MINUTES: Readonly<Partial<Record<Category, number>>> = {
  camera: 4,
  phone: 2,
  lens: 1,
  'lens-adapter': 1,
  filter: 1,
  monitor: 3,
  prompter: 8,
  switcher: 8,
  capture: 3,
  light: 4,
  practical: 2,
  modifier: 4,
  flag: 3,
  gel: 2,
  microphone: 3,
  lavalier: 4,
  'wireless-set': 5,
  recorder: 3,
  mixer: 6,
  'audio-interface': 4,
  tripod: 3,
  stand: 2,
  'mic-stand': 2,
  arm: 4,
  'backdrop-support': 8,
  backdrop: 4,
  strip: 2,
  cable: 2,
  computer: 5,
  furniture: 5,
  acoustics: 4,
  prop: 2,
}
const SMALL_MINUTES = 1

/** Taking down goes faster than setting up: nothing is set right. Common practice. */
const STRIKE_SHARE = 0.6

export function findRigMinutes(category: Category): number {
  const own = RIG_MINUTES[category]
  if (own !== undefined) return own
  const wider = (Object.keys(RIG_MINUTES) as Category[]).find((kind) => isKindOf(category, kind))
  return wider ? (RIG_MINUTES[wider] ?? SMALL_MINUTES) : SMALL_MINUTES
}

export const findStrikeMinutes = (rigMinutes: number): number => Math.ceil(rigMinutes * STRIKE_SHARE)
/** What one role costs in minutes each time, and what it would save if it stayed. */
export const rigStepSchema = z.object({
  roleId: z.string(),
  role: z.string(),
  tags: z.array(z.string()),
  stays: z.boolean(),
  /** Whether that is said of the role itself, or follows the policy. */
  isSaid: z.boolean(),
  rigMinutes: z.number(),
  strikeMinutes: z.number(),
  /** Whether somebody took the time, or it is what its kinds usually take. */
  isTimed: z.boolean(),
})
export type RigStep = z.infer<typeof rigStepSchema>

export const rigTimeSchema = z.object({
  /** In the order in which staying would save most. */
  steps: z.array(rigStepSchema),
  /** Until it can record, with what stays standing. */
  toRecordMinutes: z.number(),
  strikeMinutes: z.number(),
  /** With everything struck each time. */
  fromNothingMinutes: z.number(),
  /** Correcting colours after each film; null where nobody said. */
  correctionMinutes: z.number().nullable(),
})
export type RigTime = z.infer<typeof rigTimeSchema>

/** What staying or striking costs in a month. Minutes. */
export const standingCostSchema = z.object({
  sessionsPerMonth: z.number(),
  /** Rigging and striking of what does not stay. */
  packingMinutes: z.number(),
  /** What that would be with everything struck each time. */
  packingAllMinutes: z.number(),
  /** Hours in which somebody else uses the room, while what stays is in it. */
  inTheWayMinutes: z.number(),
})
export type StandingCost = z.infer<typeof standingCostSchema>
const STAYS_HALF: readonly Category[] = ['camera', 'lens', 'backdrop', 'backdrop-support']

/**
 * Adds up what it takes until one can record: every role that is not standing yet, with the time it takes or usually takes.
 * `below` tells what each thing rides on: what carries something that stays, stays with it.
 */
export function computeRigTime(
  setup: Pick<NewSetup, 'roles' | 'stage'>,
  holdings: Holdings,
  policies: Policies,
  below: ReadonlyMap<string, readonly string[]> = new Map(),
): RigTime {
  const school = policies.school('standing').way
  // What is there in case is not rigged.
  const roles = setup.roles.map((role) => ({ ...role, things: listInUse(role) }))
  const alone = roles.filter((role) => role.things.length > 0).map((role) => makeStep(role, holdings, school, roles))
  const unitsOf = ({ roleId }: RigStep) => listUnitIds({ roles: roles.filter((it) => it.id === roleId) })
  const carrying = new Set(
    alone
      .filter((it) => it.stays)
      .flatMap(unitsOf)
      .flatMap((id) => below.get(id) ?? []),
  )
  const steps = alone.map((it) =>
    !it.isSaid && !it.stays && unitsOf(it).some((id) => carrying.has(id)) ? { ...it, stays: true } : it,
  )
  const sum = (those: readonly RigStep[], of: (it: RigStep) => number) => those.reduce((all, it) => all + of(it), 0)
  const struck = steps.filter((it) => !it.stays)
  return {
    steps: [...steps].sort(
      (a, b) => b.rigMinutes + b.strikeMinutes - a.rigMinutes - a.strikeMinutes || (a.role < b.role ? -1 : 1),
    ),
    toRecordMinutes: sum(struck, (it) => it.rigMinutes),
    strikeMinutes: sum(struck, (it) => it.strikeMinutes),
    fromNothingMinutes: sum(steps, (it) => it.rigMinutes),
    correctionMinutes: setup.stage.correctionMinutes,
  }
}

function makeStep(role: Role, { units, stock, models }: Holdings, school: string, roles: readonly Role[]): RigStep {
  const things = role.things.flatMap(({ unitId, stockId, quantity }) => {
    const it = units.get(unitId ?? '') ?? stock.get(stockId ?? '')
    const category = models.get(it?.modelId ?? '')?.category
    return it && category ? [{ tag: it.tag, category, quantity }] : []
  })
  const usual = sumMinutes(things)
  const rigMinutes = role.rigMinutes ?? usual
  return {
    roleId: role.id,
    role: role.name,
    tags: things.map(({ tag }) => tag),
    stays: role.stays ?? followsSchool(role, things, school, roles),
    isSaid: role.stays != null,
    rigMinutes,
    strikeMinutes: findStrikeMinutes(rigMinutes),
    isTimed: role.rigMinutes != null,
  }
}

/** Small things of one role go in together: three of them in a minute. */
const SMALL_AT_ONCE = 3

function sumMinutes(things: readonly { category: Category; quantity: number }[]): number {
  const isSmall = (it: { category: Category }) => findRigMinutes(it.category) === SMALL_MINUTES
  const large = things.filter((it) => !isSmall(it))
  const small = things.filter(isSmall).reduce((sum, it) => sum + it.quantity, 0)
  const minutes = large.reduce((sum, it) => sum + findRigMinutes(it.category) * it.quantity, 0)
  return minutes + Math.ceil(small / SMALL_AT_ONCE) * SMALL_MINUTES
}

/** Half standing is: key, cameras and backdrop. */
function followsSchool(
  role: Role,
  things: readonly { category: Category }[],
  school: string,
  roles: readonly Role[],
): boolean {
  if (school !== 'half') return school === 'standing'
  const key = roles.find((it) => it.group === 'light' && it.importance === 'essential')
  return role === key || things.some(({ category }) => STAYS_HALF.some((kind) => isKindOf(category, kind)))
}

export function computeStandingCost(
  time: RigTime,
  sessionsPerMonth: number,
  otherUseMinutesPerMonth: number,
): StandingCost {
  const all = time.fromNothingMinutes + time.steps.reduce((sum, it) => sum + it.strikeMinutes, 0)
  const stays = time.steps.some((it) => it.stays)
  return {
    sessionsPerMonth,
    packingMinutes: (time.toRecordMinutes + time.strikeMinutes) * sessionsPerMonth,
    packingAllMinutes: all * sessionsPerMonth,
    inTheWayMinutes: stays ? otherUseMinutesPerMonth : 0,
  }
}
