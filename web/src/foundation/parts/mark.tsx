import type { FindingLevel } from '@exemplar/core'
import type { ReactNode } from 'react'

const WORDS: Record<FindingLevel, string> = {
  stop: 'stop',
  warn: 'warning',
  advise: 'advice',
  unknown: 'cannot tell',
  'unknown-stop': 'cannot tell, and it could stop the shoot',
  ok: 'fine',
}

/** The colour of each level, and its weight. */
export const LEVEL_TONES: Record<FindingLevel, string> = {
  stop: 'text-stop',
  warn: 'text-warn',
  advise: 'text-advise',
  unknown: 'text-quiet',
  'unknown-stop': 'text-ink font-bold',
  ok: 'text-ok',
}

/** A level as shape, colour and word. Without children the word is there for screen readers only. */
export function Mark({ level, children }: { level: FindingLevel; children?: ReactNode }) {
  return (
    <span
      data-level={level}
      className={`inline-flex items-center gap-1.5 text-[12.5px] font-semibold ${LEVEL_TONES[level]}`}
    >
      <i className="mark-shape" aria-hidden />
      {children ?? <span className="sr-only">{WORDS[level]}</span>}
    </span>
  )
}
