/** One linear condition over the variables of a program; null leaves a side open. */
export interface ProgramRow {
  terms: readonly (readonly [variable: number, factor: number])[]
  least: number | null
  most: number | null
}

/** A minimisation over variables from 0 to `most`, whole where `isWhole` says so. Costs are whole numbers. */
export interface IntegerProgram {
  costs: number[]
  most: number[]
  isWhole: boolean[]
  rows: ProgramRow[]
}

export type ProgramResult =
  /** `seconds` is how long it took, where that was measured. */
  | { status: 'optimal'; values: number[]; cost: number; seconds?: number }
  | { status: 'infeasible' }
  /** It was not proven within the time that was given; the best that was found by then, which keeps every row, if any was. */
  | { status: 'unproven'; values?: number[] }

/** Solves a program to proven optimality, in so many seconds at most. Comes in from outside, as core has no solver of its own. */
export type SolveProgram = (program: IntegerProgram, mostSeconds?: number) => ProgramResult

/** So far off a bound a solver may leave a row: its usual tolerance. */
const TOLERANCE = 1e-6

/** Whether values are whole where they have to be and keep every bound and row. */
export function keepsRows({ most, isWhole, rows }: IntegerProgram, values: readonly number[]): boolean {
  const isKept = values.every((value, at) => {
    const isRound = !isWhole[at] || Math.abs(value - Math.round(value)) <= TOLERANCE
    return Number.isFinite(value) && isRound && value >= -TOLERANCE && value <= (most[at] ?? 1) + TOLERANCE
  })
  return (
    isKept &&
    values.length === most.length &&
    rows.every(({ terms, least, most: limit }) => {
      const sum = terms.reduce((all, [at, factor]) => all + factor * (values[at] ?? 0), 0)
      const slack = TOLERANCE * (1 + terms.reduce((all, [, factor]) => all + Math.abs(factor), 0))
      return (least === null || sum >= least - slack) && (limit === null || sum <= limit + slack)
    })
  )
}

/** The same program with nothing whole: what it costs no whole one undercuts. */
export const relax = (program: IntegerProgram): IntegerProgram => ({
  ...program,
  isWhole: program.isWhole.map(() => false),
})

export function makeProgram(): IntegerProgram {
  return { costs: [], most: [], isWhole: [], rows: [] }
}

export function addVariableMutably(program: IntegerProgram, cost: number, isWhole = true, most = 1): number {
  program.costs.push(cost)
  program.most.push(most)
  program.isWhole.push(isWhole)
  return program.costs.length - 1
}

/** The program in the CPLEX LP text format, which solvers read: variables are x0, x1, … */
export function writeProgram({ costs, most, isWhole, rows }: IntegerProgram): string {
  const sum = (terms: ProgramRow['terms']) =>
    terms.length === 0
      ? '0 x0'
      : terms.map(([at, factor]) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} x${at}`).join('\n ')
  const objective = costs.flatMap((cost, at): [number, number][] => (cost === 0 ? [] : [[at, cost]]))
  const conditions = rows.flatMap(({ terms, least, most: limit }, at) => [
    ...(least === null ? [] : [`l${at}: ${sum(terms)} >= ${least}`]),
    ...(limit === null ? [] : [`m${at}: ${sum(terms)} <= ${limit}`]),
  ])
  const whole = isWhole.flatMap((it, at) => (it ? [`x${at}`] : []))
  return [
    'Minimize',
    `obj: ${sum(objective)}`,
    'Subject To',
    ...(conditions.length > 0 ? conditions : ['none: 0 x0 >= 0']),
    'Bounds',
    ...most.map((limit, at) => `0 <= x${at} <= ${limit}`),
    ...(whole.length > 0 ? ['General', ...whole] : []),
    'End',
  ].join('\n')
}
