import { z } from 'zod'
import type { Working } from './check-list.ts'
import { workingSchema } from './check-list.ts'
import { findingSchema } from './finding.ts'
import type { Readiness } from './readiness.ts'
/** What is different between two judgements of one setup, such as here and in another room. */
export const readinessChangeSchema = z.object({
  gone: z.array(findingSchema),
  added: z.array(findingSchema),
  /** The same finding with another level or other figures. */
  changed: z.array(
    z.object({
      before: findingSchema,
      after: findingSchema,
    }),
  ),
})
export type ReadinessChange = z.infer<typeof readinessChangeSchema>

/** One sum before and after; null where there is none. */
export const workingChangeSchema = z.object({
  before: workingSchema.nullable(),
  after: workingSchema.nullable(),
})
export type WorkingChange = z.infer<typeof workingChangeSchema>

export function compareReadiness(before: Readiness, after: Readiness): ReadinessChange {
  const was = new Map(before.findings.map((it) => [it.key, it]))
  const is = new Map(after.findings.map((it) => [it.key, it]))
  return {
    gone: before.findings.filter((it) => !is.has(it.key)),
    added: after.findings.filter((it) => !was.has(it.key)),
    changed: after.findings.flatMap((it) => {
      const old = was.get(it.key)
      return old && JSON.stringify(old) !== JSON.stringify(it) ? [{ before: old, after: it }] : []
    }),
  }
}

/**
 * The sums of which a figure is otherwise, in the order of the first. A support is the same whatever rides on it; of one
 * with several ends the first is compared with the first.
 */
export function compareWorkings(before: readonly Working[], after: readonly Working[]): WorkingChange[] {
  const is = nameWorkings(after)
  const was = nameWorkings(before)
  const kept = [...was].map(([name, it]): WorkingChange => ({ before: it, after: is.get(name) ?? null }))
  const added = [...is].filter(([name]) => !was.has(name)).map(([, it]): WorkingChange => ({ before: null, after: it }))
  return [...kept, ...added].filter((it) => showFigures(it.before) !== showFigures(it.after))
}

function nameWorkings(workings: readonly Working[]): Map<string, Working> {
  const named = new Map<string, Working>()
  for (const it of workings) {
    const subject = 'key' in it ? it.key : 'family' in it ? it.family : it.circuit
    let name = `${it.formula}/${subject}`
    while (named.has(name)) name += '+'
    named.set(name, it)
  }
  return named
}

/** Other riders of the same mass are no other figure. */
function showFigures(working: Working | null): string {
  if (working?.formula === 'carried-load') return `${working.totalGrams} of ${working.ratedGrams}`
  return JSON.stringify(working)
}
