import { listTexts, writeImperialAround } from '../../units/imperial.ts'
import { listInWords, sayNumber } from '../../units/wording.ts'
import type { Sum } from '../checks/check.ts'
import { type FindingWords, inMeasures, type TimeWords, type WorkingWords } from '../checks/finding-words.ts'
import type { Remedy } from '../setup/remedy.ts'
import { SUMS, type Working } from './check-list.ts'
import { type Finding, recordOf } from './finding.ts'
import type { Verdict } from './readiness.ts'

/**
 * In four steps: "Cannot run: 2 stops.", "Cannot tell yet: 3 questions.", "Can run.", "Ready to run." What somebody answers for is
 * told with their name, and what can hurt is never ready for it.
 */
export function sayVerdict(verdict: Pick<Verdict, 'counts' | 'taken'>, hasThings = true): string {
  const { counts, taken } = verdict
  const checks = counts.warn + counts.unknown + counts.advise
  const questions = counts['unknown-stop']
  const rest = checks ? ` ${sayNumber(checks, 'thing')} to check.` : ''
  const lacks = taken?.lacks ? ` ${sayNumber(taken.lacks, 'risk')} accepted by ${listInWords(taken.by)}.` : ''
  if (!hasThings) return 'Nothing in it yet.'
  const asked = questions ? ` ${sayNumber(questions, 'question')}.` : ''
  if (counts.stop) {
    return `Cannot run: ${sayNumber(counts.stop, 'stop')}.${asked}${rest}`
  }
  // A question that is open makes nothing of what is known to be able to hurt.
  if (taken?.hazards) return `Cannot run as recorded; ${listInWords(taken.by)} took it on.${asked}${rest}`
  if (questions) return `Cannot tell yet: ${sayNumber(questions, 'question')}.${rest}`
  if (checks) return `Can run.${rest}${lacks}`
  return `Ready to run.${lacks}`
}

export function sayFinding(finding: Finding, words: TimeWords): FindingWords {
  return inMeasures(recordOf(finding).say(finding, words), finding, words.system)
}

/** The same finding without its figures, for who goes by feel: what it means and what to do. */
export function sayPlainly(finding: Finding, text: string): string {
  return recordOf(finding).sayPlainly?.(finding) ?? text
}

export function sayRemedy(remedy: Remedy): string {
  switch (remedy.kind) {
    case 'assign':
      return `Take ${listInWords(remedy.tags)} too`
    case 'assign-stock':
      return `Take ${remedy.quantity} ${remedy.name} from stock`
    case 'replace':
      return `Use ${remedy.tag} instead`
    case 'use-spare':
      return `Use ${remedy.tag}, which is there in case`
    case 'state-joints':
      return `It is so: ${remedy.label}`
    case 'power-mode':
      return `Run ${remedy.tag} from: ${remedy.label.toLowerCase()}`
    case 'recording-mode':
      return `Record ${remedy.tag} at ${remedy.label}`
    case 'surface':
      return `${remedy.name} does it`
    case 'circuit':
      return `Feed it from ${remedy.name}`
    case 'shop':
      return `Put ${remedy.quantity} on the shopping list`
    default:
      return remedy satisfies never
  }
}

/** The formula with the numbers in it. */
export function sayWorking(
  working: Working,
  labelOf: (code: string) => string = (code) => code,
  system: TimeWords['system'] = 'metric',
): WorkingWords {
  const sum = SUMS.find((it) => it.formula === working.formula) as Sum<Working> | undefined
  if (!sum) throw new Error(`There is no sum called ${working.formula}.`)
  const words = sum.say(working, labelOf)
  if (system === 'metric') return words
  const names = listTexts(working)
  const write = (text: string) => writeImperialAround(text, names)
  return {
    ...words,
    title: write(words.title),
    summary: write(words.summary),
    lines: words.lines.map(({ label, sum: own }) => ({ label: write(label), sum: write(own) })),
    assumptions: words.assumptions.map(write),
  }
}
