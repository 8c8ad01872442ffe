import type { ReactNode } from 'react'
import { readProblem } from '../api/problem.ts'
import { Button } from './button.tsx'

export function PageHead({ title, aside, children }: { title: ReactNode; aside?: ReactNode; children?: ReactNode }) {
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2 px-4 pt-4 md:px-5">
      <h1>{title}</h1>
      {aside && <span className="text-[14px] text-quiet">{aside}</span>}
      {children && <div className="no-print flex flex-wrap gap-2 md:ml-auto">{children}</div>}
    </div>
  )
}

export function Loading({ what }: { what: string }) {
  return (
    <p role="status" className="p-5 text-quiet">
      Fetching {what} …
    </p>
  )
}

/** What to show while a query has nothing: words while it runs, the reason and a way on when it failed. */
export function Waiting({ what, error, onRetry }: { what: string; error?: unknown; onRetry?: () => void }) {
  if (!error) return <Loading what={what} />
  return (
    <div className="p-5" role="alert">
      <p>{readProblem(error).detail}</p>
      {onRetry && (
        <Button className="mt-3" onClick={onRetry}>
          Try again
        </Button>
      )}
    </div>
  )
}

export function Empty({ title, children }: { title: string; children: ReactNode }) {
  return (
    <div className="my-4 max-w-[60ch] border border-dashed border-rule-strong p-5">
      <h2>{title}</h2>
      <div className="mt-1 text-[13px] text-quiet">{children}</div>
    </div>
  )
}

export function Section({ title, aside, children }: { title: ReactNode; aside?: ReactNode; children: ReactNode }) {
  return (
    <section className="mt-5">
      <div className="flex items-baseline gap-2 border-b border-rule pb-1">
        <h2>{title}</h2>
        {aside && <span className="text-[12px] text-quiet">{aside}</span>}
      </div>
      {children}
    </section>
  )
}

export function Tag({ children }: { children: ReactNode }) {
  return <span className="font-mono text-[12.5px] whitespace-nowrap text-ink">{children}</span>
}
