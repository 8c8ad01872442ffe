import { z } from 'zod'
import { idSchema } from '../../studio/identity.ts'

/** By what a piece is known in a setup: a thing, `stock:<id>:<n>`, a bar, the sockets of the room, or hands. */
const keySchema = z.string().regex(/^[A-Za-z0-9_:-]{1,96}$/, 'This names no piece of a setup.')
const endSchema = z.object({ unitId: keySchema, portId: idSchema })

/** A joint or a run as somebody stated it: from which end, over which pieces in a row, to which end; one joint has none between. */
export const cableRunSchema = z.object({
  from: endSchema,
  via: z.array(keySchema).max(6),
  to: endSchema,
  /** How long the way is, slack included; null where nobody measured. */
  neededMm: z.number().int().min(0).max(1_000_000).nullable(),
})
export type CableRun = z.infer<typeof cableRunSchema>

/** The keys of everything in a run, in a row. */
export const listChain = ({ from, via, to }: CableRun) => [from.unitId, ...via, to.unitId]

/** Runs all of whose things stand in the setup; the others bind nobody. */
export function listWholeRuns(runs: readonly CableRun[], items: readonly { key: string }[]): CableRun[] {
  const keys = new Set(items.map((it) => it.key))
  return runs.filter((run) => listChain(run).every((key) => keys.has(key)))
}

const isSameEnd = (a: CableRun['from'], b: CableRun['from']) => a.unitId === b.unitId && a.portId === b.portId

/** Whether a run with these ends over these pieces was made already, however long its way. */
export function hasCableRun(runs: readonly CableRun[], { from, via, to }: CableRun): boolean {
  return runs.some((it) => isSameEnd(it.from, from) && isSameEnd(it.to, to) && it.via.join() === via.join())
}

/**
 * The runs with one more. A piece is in one run, and so is a socket of which there is one: what was made with them before
 * gives way. `countEnd` says how many there are of an end, such as the four inputs of a switcher.
 */
export function addCableRun(
  runs: readonly CableRun[],
  run: CableRun,
  countEnd: (end: CableRun['from']) => number,
): CableRun[] {
  const single = [run.from, run.to].filter((end) => countEnd(end) <= 1)
  const others = runs.filter(
    (it) =>
      !it.via.some((piece) => run.via.includes(piece)) &&
      !single.some((end) => isSameEnd(it.from, end) || isSameEnd(it.to, end)),
  )
  return [...others, run]
}
