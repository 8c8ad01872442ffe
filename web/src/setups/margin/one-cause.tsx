import { type Finding, sayTogether } from '@exemplar/core'
import type { ReactNode } from 'react'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Worded } from '../../foundation/parts/worded.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'

/** Findings of one cause as one line that opens: what there is to do about each stands within. */
export function OneCause({ findings, children }: { findings: readonly Finding[]; children: ReactNode }) {
  const words = useTimeWords()
  const { title, text } = sayTogether(findings, words)
  return (
    <li className="border-t border-rule py-2.5">
      <h3 className="flex items-baseline gap-2">
        <span className="relative top-px">
          <Mark level={findings[0]?.level ?? 'stop'} />
        </span>
        <span>
          <Worded>{title}</Worded>
        </span>
      </h3>
      <p className="ml-5 text-[13px] text-quiet">
        <Worded>{text}</Worded>
      </p>
      <details className="mt-1 ml-5">
        <summary className="text-[13px] font-semibold">One by one</summary>
        <ol>{children}</ol>
      </details>
    </li>
  )
}
