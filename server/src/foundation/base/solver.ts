import {
  addVariableMutably,
  type IntegerProgram,
  keepsRows,
  makeProgram,
  type ProgramResult,
  type SolveProgram,
  writeProgram,
} from '@exemplar/core'
import loadHighs, { type LegacyHighs } from 'highs'

/** For one program, and for all that one request asks. Longer nobody waits for a button, and others wait meanwhile. */
const MOST_SECONDS = 5
const MOST_SECONDS_IN_ALL = 10

let highs: Promise<LegacyHighs> | null = null

/**
 * HiGHS (MIT), a solver for linear and integer programs, as WebAssembly. Read once, when it is first asked. What comes back
 * is for one request: when its time is used up, whatever is asked further is unproven.
 */
export async function loadSolver(
  secondsInAll = MOST_SECONDS_IN_ALL,
  secondsEach = MOST_SECONDS,
): Promise<SolveProgram> {
  highs ??= loadHighs()
  const solver = await highs
  let left = secondsInAll
  return (program, mostSeconds = secondsEach) => {
    if (left <= 0) return { status: 'unproven' }
    const start = performance.now()
    const result = solveWith(solver, program, Math.min(left, mostSeconds, secondsEach))
    const seconds = (performance.now() - start) / 1000
    left -= seconds
    return result.status === 'optimal' ? { ...result, seconds } : result
  }
}

/** Every other corner of a ring of so many: odd, so that halves will not do and the solver has to search. */
const CORNERS = 25

/** Reads the solver and has it solve something small, so that the first who asks does not wait for it to be translated. */
export async function warmSolver(): Promise<ProgramResult> {
  const program = makeProgram()
  for (let at = 0; at < CORNERS; at++) addVariableMutably(program, 1)
  for (let at = 0; at < CORNERS; at++) {
    const terms = [at, (at + 1) % CORNERS, (at + 7) % CORNERS].map((it): [number, number] => [it, 1])
    program.rows.push({ terms, least: 1, most: null })
  }
  return (await loadSolver())(program)
}

function solveWith(solver: LegacyHighs, program: IntegerProgram, seconds: number): ProgramResult {
  const { Status, Columns, ObjectiveValue } = askHighs(solver, writeProgram(program), seconds)
  if (Status === 'Infeasible') return { status: 'infeasible' }
  const values = program.costs.map((_, at) => Columns[`x${at}`]?.Primal ?? 0)
  if (Status === 'Optimal') return { status: 'optimal', values, cost: ObjectiveValue }
  // What it had found when its time was up, unless that is nothing.
  return keepsRows(program, values) ? { status: 'unproven', values } : { status: 'unproven' }
}

/** What HiGHS says; that it gave up with an error is no answer either. */
function askHighs(solver: LegacyHighs, text: string, seconds: number): ReturnType<LegacyHighs['solve']> {
  try {
    return solver.solve(text, {
      mip_rel_gap: 0,
      // Costs are whole numbers, so what is less than one apart is the same.
      mip_abs_gap: 0.9,
      time_limit: seconds,
      random_seed: 1,
      output_flag: false,
    })
  } catch {
    // The module is not to be trusted after that: the next who asks reads it anew.
    highs = null
    return { Status: 'Unknown', ObjectiveValue: Number.NaN, Columns: {}, Rows: [] } as never
  }
}
