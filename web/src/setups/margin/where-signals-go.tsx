import type { CableRun, Signals } from '@exemplar/core'
import { Button } from '../../foundation/parts/button.tsx'

/** Each signal from its device to the next, with the cables between, and what records each microphone. */
export function WhereSignalsGo({
  signals: { chains, sound, isDoubleSystem },
  links,
  onLetGo,
}: {
  signals: Signals
  links: readonly CableRun[]
  /** Null for who only looks. */
  onLetGo: ((link: CableRun) => void) | null
}) {
  if (chains.length === 0) return null
  /** The run as somebody made it, where the chain is one. */
  const findLink = (from: string, to: string) =>
    links.find((it) => it.from.unitId === from && it.to.unitId === to) ??
    links.find((it) => it.from.unitId === to && it.to.unitId === from)
  const recordedAt = new Map(sound.map((it) => [it.tag, it.recordedAt]))
  return (
    <details className="border-t border-rule py-2">
      <summary className="text-[13px] font-semibold">Where signals go ({chains.length})</summary>
      <ol className="mt-1">
        {chains.map(({ from, via, to }) => {
          const link = findLink(from.key, to.key)
          return (
            <li key={[from.key, ...via, to.key].join()} className="py-1 text-[13px]">
              <span className="flex flex-wrap items-center gap-x-1.5">
                <b className="font-mono font-medium">{from.tag}</b>
                <span aria-hidden className="text-quiet">
                  ──
                </span>
                <span className="font-mono text-[12px] text-quiet">
                  {via.length > 0 ? via.join(' ── ') : 'plugged in'}
                </span>
                <span className="text-quiet">→</span>
                <b className="font-mono font-medium">{to.tag}</b>
                {link && <span className="text-[12px] text-quiet">as made</span>}
                {link && onLetGo && (
                  <Button size="small" aria-label={`Let ${from.tag} to ${to.tag} go`} onClick={() => onLetGo(link)}>
                    Let go
                  </Button>
                )}
              </span>
              {(recordedAt.get(from.tag) ?? []).length > 0 && (
                <span className="block text-[12px] text-quiet">recorded by {recordedAt.get(from.tag)?.join(', ')}</span>
              )}
            </li>
          )
        })}
      </ol>
      {isDoubleSystem && (
        <p className="mt-1 text-[12px] text-quiet">
          Picture and sound are recorded apart: clap at the start of each take, and bring them together afterwards.
        </p>
      )}
    </details>
  )
}
