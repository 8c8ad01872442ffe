import { addVariableMutably, makeProgram } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { loadSolver, warmSolver } from './solver.ts'

/** Two pieces of which one is wanted, the second of them cheaper. */
function makeChoice() {
  const program = makeProgram()
  const first = addVariableMutably(program, 3)
  const second = addVariableMutably(program, 2)
  const terms = [
    [first, 1],
    [second, 1],
  ] as const
  program.rows.push({ terms, least: 1, most: null })
  return { program, terms }
}

describe('the solver', () => {
  test('is warmed by something that it has to search for', async () => {
    // A corner lights itself, the next and the seventh: no fewer than a third of 25 will do.
    const found = await warmSolver()
    expect(found).toMatchObject({ status: 'optimal' })
    if (found.status === 'optimal') expect(found.cost).toBeGreaterThanOrEqual(9)
  })

  test('gives the cheapest, and says of what cannot be that it cannot', async () => {
    const solve = await loadSolver()
    const { program, terms } = makeChoice()
    expect(solve(program)).toMatchObject({ status: 'optimal', values: [0, 1], cost: 2 })
    const impossible = { ...program, rows: [...program.rows, { terms, least: null, most: 0 }] }
    expect(solve(impossible)).toEqual({ status: 'infeasible' })
    expect(solve(makeProgram()).status).not.toBe('infeasible')
  })
  test('when the time of a request is used up nothing more is proven, and the next request has its own', async () => {
    const { program } = makeChoice()
    const tired = await loadSolver(0)
    expect(tired(program)).toEqual({ status: 'unproven' })
    expect((await loadSolver())(program).status).toBe('optimal')
  })
})
