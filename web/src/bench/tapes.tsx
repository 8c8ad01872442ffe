import type { Serve } from '@exemplar/core'
import { Link } from 'react-router'
import { TapeStrip } from '../foundation/parts/tape.tsx'

/** The setups that something serves. */
export function Tapes({ usedIn }: { usedIn: readonly Serve[] }) {
  return (
    <span className="flex flex-wrap gap-1">
      {usedIn.map((it) => (
        <Link key={it.id} to={`/setups/${it.id}`} title={it.role}>
          <TapeStrip code={it.code} tape={it.tape} size="small" />
        </Link>
      ))}
    </span>
  )
}
