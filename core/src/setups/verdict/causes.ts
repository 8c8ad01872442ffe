import { type FindingWords, inMeasures, type TimeWords } from '../checks/finding-words.ts'
import { type Finding, recordOf } from './finding.ts'

/**
 * Findings that come of the same thing, such as a setup that is booked twice, together, in the order of their first, which is the
 * worst of them where they were in that order; every other one by itself. One cause is one thing to settle, however much it touches.
 */
export function groupByCause(findings: readonly Finding[]): Finding[][] {
  const groups = new Map<string, Finding[]>()
  for (const finding of findings) {
    const cause = recordOf(finding).cause?.(finding) ?? null
    const key = cause === null ? finding.key : `${finding.code} of ${cause}`
    const known = groups.get(key)
    if (known) known.push(finding)
    else groups.set(key, [finding])
  }
  return [...groups.values()]
}

/** What several findings of one cause come to, in one sentence. */
export function sayTogether(findings: readonly Finding[], words: TimeWords): FindingWords {
  const [first] = findings
  const say = first && recordOf(first).sayTogether
  if (!first || !say) throw new Error('There is nothing that these findings have in common.')
  return inMeasures(say(findings, words), findings, words.system)
}
