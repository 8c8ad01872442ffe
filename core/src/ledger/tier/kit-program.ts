import { addVariableMutably, type IntegerProgram, makeProgram, type ProgramRow } from '../../units/integer-program.ts'

/** A role that something may be chosen for. */
export interface KitRole {
  id: string
  isRequired: boolean
  /** It falls away where one of these options fills another role, as that of a lens does with a phone. */
  freedBy: { roleId: string; optionIds: readonly string[] } | null
  /** Filled only where this one is: nobody wants the second tripod without the second camera. */
  servesId: string | null
}

/** Something that may be chosen, alike pieces of it under one. */
export interface KitChoice {
  id: string
  /** What one piece costs; whole minor units. */
  costMinor: number
  /** So many pieces at most. */
  most: number
  /** Points of one piece in each role that it would fill. */
  fills: readonly { roleId: string; points: number }[]
  /** Pieces may go beside, in no role of their own: a lead, a card. */
  goesBeside: boolean
  /** One piece at least is in. */
  isMust: boolean
}

/** What is chosen of one option. */
export interface KitPick {
  id: string
  roleIds: string[]
  beside: number
  /** Pieces in each way of powering, in the order of the option's ways. */
  ways: number[]
}

/** What joins what, as rows over variables that count the pieces of each option in each way. */
export interface KitJoints {
  program: IntegerProgram
  /** For each option, for each way: variables of which the sum is how many pieces are there in it. */
  ways: readonly (readonly (readonly number[])[])[]
  /** For each option: variables of the joints that its pieces make; null where they may lie unjoined, as a second card may. */
  joints: readonly (readonly number[] | null)[]
}

export interface KitQuestion {
  roles: readonly KitRole[]
  options: readonly KitChoice[]
  /** A new one each time it is asked, as it is written into; null where nothing has to be joined. */
  makeJoints: (() => KitJoints) | null
}

export interface KitProgram {
  program: IntegerProgram
  points: ProgramRow['terms']
  costs: ProgramRow['terms']
  /** Every variable that tells one choice from another: each is 0 or 1. */
  choosing: number[]
  /** For each option: 1 where it fills that role. */
  fills: { roleId: string; variable: number }[][]
  /** For each option and way: the n-th is 1 where there are n pieces and more. */
  counts: number[][][]
}

/**
 * Which pieces to choose, as an integer program: a role that has to be filled by one option, any other by one at most; every piece either
 * fills a role or goes beside, where its kind may; what goes beside joins something. Costs are left for the caller to set.
 */
export function buildKitProgram({ roles, options, makeJoints }: KitQuestion): KitProgram {
  const joined = makeJoints?.() ?? null
  const program = joined?.program ?? makeProgram()
  const choosing: number[] = []
  const choose = () => {
    const variable = addVariableMutably(program, 0)
    choosing.push(variable)
    return variable
  }
  const points: [number, number][] = []
  const costs: [number, number][] = []
  const fills = options.map((option) =>
    option.fills.map(({ roleId, points: worth }) => {
      const variable = choose()
      if (worth !== 0) points.push([variable, worth])
      return { roleId, variable }
    }),
  )
  const counts = options.map(({ costMinor, most }, at) =>
    (joined?.ways[at] ?? [[]]).map((variables) => {
      const steps = Array.from({ length: most }, choose)
      for (const step of steps) if (costMinor !== 0) costs.push([step, costMinor])
      // The n-th piece is there only where the one before is.
      for (const [nth, step] of steps.entries()) {
        const before = steps[nth - 1]
        if (before !== undefined)
          program.rows.push({
            terms: [
              [before, 1],
              [step, -1],
            ],
            least: 0,
            most: null,
          })
      }
      if (joined) program.rows.push({ terms: [...ones(variables), ...ones(steps, -1)], least: 0, most: 0 })
      return steps
    }),
  )
  for (const [at, { most, goesBeside, isMust }] of options.entries()) {
    const pieces = ones((counts[at] ?? []).flat())
    const inRoles = ones((fills[at] ?? []).map((it) => it.variable))
    program.rows.push({ terms: pieces, least: isMust ? 1 : null, most })
    program.rows.push({
      terms: [...pieces, ...minus(inRoles)],
      least: 0,
      most: goesBeside ? null : 0,
    })
    const joints = joined?.joints[at]
    if (joints) program.rows.push({ terms: [...ones(joints), ...minus(pieces), ...inRoles], least: 0, most: null })
  }
  const fillsOf = (id: string) =>
    ones(fills.flatMap((it) => it.flatMap(({ roleId, variable }) => (roleId === id ? [variable] : []))))
  for (const { id, isRequired, freedBy, servesId } of roles) {
    const own = fillsOf(id)
    if (servesId !== null) program.rows.push({ terms: [...fillsOf(servesId), ...minus(own)], least: 0, most: null })
    const freeing = ones(
      options.flatMap((option, at) =>
        freedBy?.optionIds.includes(option.id)
          ? (fills[at] ?? []).flatMap((it) => (it.roleId === freedBy.roleId ? [it.variable] : []))
          : [],
      ),
    )
    program.rows.push({ terms: [...own, ...freeing], least: isRequired ? 1 : null, most: 1 })
  }
  return { program, points, costs, choosing, fills, counts }
}

const ones = (variables: readonly number[], factor = 1): [number, number][] => variables.map((it) => [it, factor])
const minus = (terms: readonly (readonly [number, number])[]): [number, number][] =>
  terms.map(([variable, factor]) => [variable, -factor])

/** What a solution chooses. */
export function readKit({ options }: KitQuestion, { fills, counts }: KitProgram, values: readonly number[]): KitPick[] {
  const isSet = (variable: number) => Math.round(values[variable] ?? 0) === 1
  return options.flatMap(({ id }, at): KitPick[] => {
    const ways = (counts[at] ?? []).map((steps) => steps.filter(isSet).length)
    const pieces = ways.reduce((sum, it) => sum + it, 0)
    if (pieces === 0) return []
    const roleIds = (fills[at] ?? []).flatMap((it) => (isSet(it.variable) ? [it.roleId] : []))
    return [{ id, roleIds, beside: pieces - roleIds.length, ways }]
  })
}

/** What is chosen costs so much, and is worth so many points; exact, in whole numbers. */
export function weighKit({ options }: Pick<KitQuestion, 'options'>, picks: readonly KitPick[]) {
  let costMinor = 0
  let points = 0
  for (const { id, roleIds, ways } of picks) {
    const option = options.find((it) => it.id === id)
    costMinor += (option?.costMinor ?? 0) * ways.reduce((sum, it) => sum + it, 0)
    for (const fill of option?.fills ?? []) if (roleIds.includes(fill.roleId)) points += fill.points
  }
  return { costMinor, points }
}

/** Leaves out exactly these values of what was chosen: the next solution differs in one of them at least. */
export function leaveOut(built: KitProgram, variables: readonly number[], values: readonly number[]): void {
  const terms = variables.map((it): [number, number] => [it, Math.round(values[it] ?? 0) === 1 ? -1 : 1])
  const set = terms.filter(([, factor]) => factor < 0).length
  built.program.rows.push({ terms, least: 1 - set, most: null })
}
