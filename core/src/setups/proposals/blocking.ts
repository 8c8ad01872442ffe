import type { IntegerProgram, SolveProgram } from '../../units/integer-program.ts'
import type { PortNode } from '../joining/port-node.ts'
import type { ConnectProgram, ProgramEnd } from './connect-program.ts'

/** More ends than this and the proof would be longer than anybody reads, or waits for. */
const MOST_PROVEN = 60

/** An end and how many of its pieces may stay open. */
export interface Asked {
  end: ProgramEnd
  open: number
}

/**
 * Why the first of some ends stays open though the others are met as asked: those of them that cannot all be met, whatever
 * of the store is added and however things are powered, while without any one of them the rest can. An irreducible
 * infeasible subset, found by leaving one out after the other (deletion filter; Chinneck and Dravnieks, ORSA Journal on
 * Computing 3, 1991). The others can be met together; blank where all can, or where there are too many to tell.
 */
export function findBlocking({ program }: ConnectProgram, asked: readonly Asked[], solve: SolveProgram): PortNode[] {
  if (asked.length > MOST_PROVEN || canMeet(program, asked, solve)) return []
  let needed = asked
  for (const candidate of asked.slice(1)) {
    const fewer = needed.filter((it) => it !== candidate)
    if (!canMeet(program, fewer, solve)) needed = fewer
  }
  return needed.map((it) => it.end.node)
}

/** Whether these ends can all be met at once. What is not proven counts as possible: it proves nothing. */
function canMeet(program: IntegerProgram, asked: readonly Asked[], solve: SolveProgram): boolean {
  const most = [...program.most]
  for (const { end, open } of asked) most[end.variable] = Math.min(most[end.variable] ?? 0, open)
  return solve({ ...program, costs: program.costs.map(() => 0), most }).status !== 'infeasible'
}
