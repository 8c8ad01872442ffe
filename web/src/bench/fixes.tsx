import type { BenchReply } from '@exemplar/core'
import { Link } from 'react-router'
import { Mark } from '../foundation/parts/mark.tsx'
import { Section, Tag } from '../foundation/parts/page-parts.tsx'
import { sayDayWithYear } from '../foundation/words/calendar-words.ts'

/** What is held by tape and the like, and by when somebody looks at it again. */
export function Fixes({ fixes }: Pick<BenchReply, 'fixes'>) {
  if (fixes.length === 0) return null
  return (
    <Section title="Held for the time being" aside={String(fixes.length)}>
      <ul>
        {fixes.map((it) => (
          <li key={`${it.unitId} ${it.text}`} className="border-b border-rule py-2 text-[13px]">
            <Link to={`/kit/${it.unitId}`} className="font-medium">
              <Tag>{it.tag}</Tag> {it.name}
            </Link>
            : {it.text}
            <span className="block">
              <Mark level={it.isDue ? 'warn' : 'advise'}>
                {it.recheckOn === null
                  ? 'nobody said until when it holds'
                  : `${it.isDue ? 'to be looked at since' : 'look at it again by'} ${sayDayWithYear(it.recheckOn)}`}
              </Mark>
              {it.isOnLamp && (
                <Mark level="warn">
                  on a lamp: nothing on its glass or vents, heatproof tape only, look at it while it is on
                </Mark>
              )}
              {it.heldBy && (
                <span className="text-quiet">
                  {' '}
                  held by {it.heldBy.tag} {it.heldBy.name},{' '}
                  {it.heldBy.left === 0 ? 'none left to renew it' : `${it.heldBy.left} left`}
                </span>
              )}
            </span>
          </li>
        ))}
      </ul>
    </Section>
  )
}
