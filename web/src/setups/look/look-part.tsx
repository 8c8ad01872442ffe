import type { LookLine, LookPart } from '@exemplar/core'
import type { ReactNode } from 'react'
import { Button } from '../../foundation/parts/button.tsx'
import { Tag } from '../../foundation/parts/page-parts.tsx'
import { WorkingPaper } from '../../foundation/parts/working-paper.tsx'

/** One camera or lamp: what it comes to, line by line, and a way to set it. */
export function LookPartView({ part, onSet }: { part: LookPart; onSet: (() => void) | null }) {
  return (
    <section aria-label={part.role} className="border-b border-rule py-3">
      <div className="flex items-baseline gap-3">
        <h3 className="min-w-0 flex-1 text-[14px]">
          {part.role} <Tag>{part.tag}</Tag>{' '}
          <span className="text-[13px] font-normal text-quiet">
            {part.name}
            {part.beside && `, with ${part.beside}`}
          </span>
        </h3>
        {onSet && (
          <Button size="small" className="no-print" aria-label={`Set ${part.role}`} onClick={onSet}>
            Set
          </Button>
        )}
      </div>
      <LookLines lines={part.lines} />
    </section>
  )
}

/** Each with its working; what is not known yet stands quiet. */
export function LookLines({ lines, aside }: { lines: readonly LookLine[]; aside?: ReactNode }) {
  return (
    <dl className="mt-1.5 grid gap-y-1.5 text-[13px] md:grid-cols-[minmax(130px,190px)_1fr] md:gap-x-4">
      {lines.map((line) => (
        <div key={line.code + line.label} className="contents">
          <dt className="font-semibold max-md:mt-1">{line.label}</dt>
          <dd className={line.isKnown ? '' : 'text-quiet'}>
            {line.says} {line.working && <WorkingPaper isInline words={line.working} />}
          </dd>
        </div>
      ))}
      {aside}
    </dl>
  )
}
