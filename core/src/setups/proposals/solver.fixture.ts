import loadHighs from 'highs'
import { type ProgramResult, type SolveProgram, writeProgram } from '../../units/integer-program.ts'

/** HiGHS for tests, asked as the server asks it. */
export async function loadTestSolver(): Promise<SolveProgram> {
  const highs = await loadHighs()
  return (program): ProgramResult => {
    const { Status, Columns, ObjectiveValue } = highs.solve(writeProgram(program), {
      mip_rel_gap: 0,
      mip_abs_gap: 0.9,
      output_flag: false,
    })
    if (Status !== 'Optimal') return { status: Status === 'Infeasible' ? 'infeasible' : 'unproven' }
    return {
      status: 'optimal',
      values: program.costs.map((_, at) => Columns[`x${at}`]?.Primal ?? 0),
      cost: ObjectiveValue,
    }
  }
}
