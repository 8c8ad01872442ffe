import { z } from 'zod'
import type { TimeWords } from '../setups/checks/finding-words.ts'
import { type Finding, findingSchema, recordOf } from '../setups/verdict/finding.ts'
import { LEVELS_WORST_FIRST } from '../studio/finding.ts'

/** One thing that holds the work back: what is found, and every setup in which it is. */
export const hindranceSchema = z.object({
  /** As it is found in the first of its setups. */
  finding: findingSchema,
  setups: z.array(z.object({ setupId: z.string(), shoots: z.number() })),
  /** Shoots of all of them. */
  shoots: z.number(),
  /** Wishes that would do away with it, in any of these setups. */
  wishIds: z.array(z.string()),
})
export type Hindrance = z.infer<typeof hindranceSchema>

/** What was found of one setup, how many shoots it has, and which wishes cure which finding of it, by key. */
export interface HeldSetup {
  /** Of the setup at that time: what is away for some of its shoots makes two of it. */
  id: string
  setupId: string
  shoots: number
  findings: readonly Finding[]
  curedBy: ReadonlyMap<string, readonly string[]>
}

const LEVELS = ['stop', 'unknown-stop', 'warn'] as const
const isHazard = (it: Finding) => it.level === 'stop' && recordOf(it).isHazard === true
/** Titles name things, never days. */
const PLAIN_TIME: TimeWords = { sayDay: (date) => date, sayInstant: String }

/**
 * What holds the work back, whatever school one is of: stops first, then what nobody can tell yet, then what is to be checked; of each
 * what touches the most shoots. What somebody accepted is left out, unless it can hurt, and what is found in several setups in the same words is one.
 */
export function listHindrances(setups: readonly HeldSetup[]): Hindrance[] {
  const all = new Map<string, Hindrance & { cases: Set<string> }>()
  for (const { id, setupId, shoots, findings, curedBy } of setups) {
    for (const finding of findings) {
      if ((finding.accepted && !isHazard(finding)) || !LEVELS.some((level) => level === finding.level)) continue
      const record = recordOf(finding)
      const cause = record.cause?.(finding) ?? null
      const about = cause === null ? record.say(finding, PLAIN_TIME).title : cause
      const key = JSON.stringify([finding.level, finding.code, about])
      const known = all.get(key) ?? { finding, setups: [], shoots: 0, wishIds: [], cases: new Set<string>() }
      all.set(key, known)
      if (!known.cases.has(id)) {
        known.cases.add(id)
        known.shoots += shoots
        const same = known.setups.find((it) => it.setupId === setupId)
        if (same) same.shoots += shoots
        else known.setups.push({ setupId, shoots })
      }
      known.wishIds = [...new Set([...known.wishIds, ...(curedBy.get(finding.key) ?? [])])]
    }
  }
  const rank = ({ finding }: Hindrance) => LEVELS_WORST_FIRST.indexOf(finding.level)
  const list = [...all.values()].map(
    ({ cases: _, ...it }): Hindrance => ({
      ...it,
      setups: [...it.setups].sort((a, b) => b.shoots - a.shoots),
    }),
  )
  return list.sort((a, b) => rank(a) - rank(b) || b.shoots - a.shoots || b.setups.length - a.setups.length)
}
