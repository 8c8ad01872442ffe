import { type IntegerProgram, type ProgramResult, type SolveProgram, writeProgram } from '@exemplar/core'
import loadHighs, { type LegacyHighs } from 'highs'

/** Longer than this nobody waits for a button. */
const MOST_SECONDS = 8

let highs: Promise<LegacyHighs> | null = null

/** HiGHS (MIT), a solver for linear and integer programs, as WebAssembly. Read once, when it is first asked. */
export async function loadSolver(): Promise<SolveProgram> {
  highs ??= loadHighs()
  const solver = await highs
  return (program) => solveWith(solver, program)
}

function solveWith(solver: LegacyHighs, program: IntegerProgram): ProgramResult {
  const { Status, Columns, ObjectiveValue } = solver.solve(writeProgram(program), {
    mip_rel_gap: 0,
    // Costs are whole numbers, so what is less than one apart is the same.
    mip_abs_gap: 0.9,
    time_limit: MOST_SECONDS,
    random_seed: 1,
    output_flag: false,
  })
  if (Status === 'Optimal') {
    const values = program.costs.map((_, at) => Columns[`x${at}`]?.Primal ?? 0)
    return { status: 'optimal', values, cost: ObjectiveValue }
  }
  return { status: Status === 'Infeasible' ? 'infeasible' : 'unproven' }
}
