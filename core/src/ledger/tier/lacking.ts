import { z } from 'zod'
import { nameModel } from '../../kit/model/model.ts'
import type { AssessmentInput } from '../../setups/placed/assessment-input.ts'
import { type Finding, findingSchema } from '../../setups/verdict/finding.ts'
import type { PlugSystemCode } from '../../studio/places/plug-systems.ts'
import type { SolveProgram } from '../../units/integer-program.ts'
import { aimAt } from '../plan/plan-program.ts'
import { type KitItem, listModes, placeItem } from './kit-items.ts'
import { buildKitProgram, type KitPick, type KitQuestion, readKit } from './kit-program.ts'
import { joinItems, type OpenVariable } from './kit-question.ts'
import { listStartersFor } from './starters.ts'

/** Why there is no whole kit, however much money there is. */
export const lackingSchema = z.object({
  /** Roles for which there is nothing. */
  roleIds: z.array(z.string()),
  ends: z.array(
    z.object({
      name: z.string(),
      interfaces: z.array(z.string()),
      /** Kinds of common things that would go there. */
      starters: z.array(z.string()),
      /** Things of the list that have such an end and will not do: they bear too little, or there are too few of them. */
      tooLittle: z.array(z.string()),
    }),
  ),
  /** What a kit that is joined in full would draw from the mains, where that is more than its circuit gives. */
  watts: z.number().nullable(),
  /** What is wrong with the nearest kit. */
  wrong: z.array(findingSchema),
})
export type Lacking = z.infer<typeof lackingSchema>

/** What something of the list would meet is told as lacking last: what that wants in its turn is told first. */
const OFFERED_WEIGHT = 100
/** Before anything is left unjoined that could be joined, it is said that the circuit does not give it. */
const OVERLOAD_WEIGHT = 10

/** Which of the list have an end that would go there. */
const listOffering = ({ interfaces, side, thing }: OpenVariable, items: readonly KitItem[]): KitItem[] =>
  items.filter(
    (item) =>
      item.model.id !== thing.model?.id &&
      placeItem(item, 0).some(({ ports }) =>
        ports.some((port) => port.side !== side && port.interfaces.some((code) => interfaces.includes(code))),
      ),
  )

/**
 * Why there is no kit: the roles without anything for them, else the fewest ends that nothing meets, else the circuit, else what is wrong
 * with the nearest.
 */
export function findLacking(
  { input, items, plugs }: { input: AssessmentInput; items: readonly KitItem[]; plugs: PlugSystemCode },
  question: KitQuestion,
  wrong: Finding[],
  solve: SolveProgram,
): Lacking {
  const nothing = { roleIds: [], ends: [], watts: null, wrong: [] }
  const isFreed = (id: string) => question.roles.find((it) => it.id === id)?.freedBy?.optionIds.length
  const roleIds = question.roles.flatMap(({ id, isRequired }) =>
    isRequired && !isFreed(id) && !question.options.some((it) => it.fills.some((fill) => fill.roleId === id))
      ? [id]
      : [],
  )
  if (roleIds.length > 0) return { ...nothing, roleIds }
  const { joints, opens, overload } = joinItems(input, items, false)
  const built = buildKitProgram({ ...question, makeJoints: () => joints })
  const weights = opens.map((it): [number, number] => [
    it.variable,
    listOffering(it, items).length > 0 ? OFFERED_WEIGHT : 1,
  ])
  const result = solve(aimAt(built.program, overload === null ? weights : [...weights, [overload, OVERLOAD_WEIGHT]]))
  if (result.status !== 'optimal') return { ...nothing, wrong }
  const isSet = (variable: number | null) => Math.round(result.values[variable ?? -1] ?? 0) > 0
  const ends = opens.flatMap((it) =>
    isSet(it.variable)
      ? [
          {
            name: it.thing.tag,
            interfaces: it.interfaces,
            starters: listStartersFor(it.interfaces, it.side, plugs),
            tooLittle: listOffering(it, items).map(({ model }) => nameModel(model)),
          },
        ]
      : [],
  )
  const watts = isSet(overload) ? sumWatts(items, readKit(question, built, result.values)) : null
  return { ...nothing, ends, watts, wrong: ends.length > 0 || watts !== null ? [] : wrong }
}

function sumWatts(items: readonly KitItem[], picks: readonly KitPick[]): number {
  const milliwatts = picks.flatMap((pick) => {
    const item = items.find((it) => it.id === pick.id)
    if (!item) return []
    return listModes(item, pick).map((id) => {
      const mode = item.model.powerModes.find((it) => it.id === id)
      return mode?.source === 'mains' ? (mode.milliwatts ?? 0) : 0
    })
  })
  return Math.ceil(milliwatts.reduce((sum, it) => sum + it, 0) / 1_000)
}
