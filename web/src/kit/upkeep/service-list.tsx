import type { ServiceLine } from '@exemplar/core'
import { Link } from 'react-router'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Tag } from '../../foundation/parts/page-parts.tsx'
import { sayDayWithYear } from '../../foundation/words/calendar-words.ts'
import { sayDaysLeft, sayNotDue, sayReached } from './service-words.ts'

export const keyOf = ({ unitId, planId }: Pick<ServiceLine, 'unitId' | 'planId'>) => `${unitId}/${planId ?? ''}`

/** Things to be serviced, each with by what it is due; ticked where somebody may. */
export function ServiceList({
  lines,
  ticked,
  onTick,
}: {
  lines: readonly ServiceLine[]
  ticked: ReadonlySet<string>
  onTick: ((key: string) => void) | null
}) {
  return (
    <ul>
      {lines.map((it) => (
        <li key={keyOf(it)} className="border-b border-rule py-2 text-[13px]">
          <div className="flex items-start gap-3">
            {onTick && (
              <input
                type="checkbox"
                aria-label={`${it.plan}, ${it.tag}`}
                className="mt-0.5 size-5 shrink-0 accent-(--ink)"
                checked={ticked.has(keyOf(it))}
                onChange={() => onTick(keyOf(it))}
              />
            )}
            <span className="min-w-0 flex-1">
              <b className="font-semibold">{it.plan}</b>{' '}
              <Link to={`/kit/${it.unitId}`}>
                <Tag>{it.tag}</Tag> {it.name}
              </Link>
              <span className="block">
                <Standing line={it} />
              </span>
              {it.booked && (
                <span className="block text-quiet">
                  {it.booked.isOut
                    ? `Out for ${it.booked.title}`
                    : `Booked ${sayDayWithYear(it.booked.day)}: ${it.booked.title}`}
                </span>
              )}
              {(it.steps || it.parts || it.who) && (
                <details className="mt-0.5 text-quiet">
                  <summary className="cursor-pointer">What is done</summary>
                  {it.steps && <p className="whitespace-pre-line">{it.steps}</p>}
                  {it.parts && <p>Wants {it.parts}.</p>}
                  {it.who && <p>By {it.who}.</p>}
                </details>
              )}
            </span>
          </div>
        </li>
      ))}
    </ul>
  )
}

function Standing({ line }: { line: ServiceLine }) {
  const { dueOn, daysLeft, isDue, isLate, lastOn, place } = line
  const last = lastOn ? `last ${sayDayWithYear(lastOn)}` : 'never recorded'
  const where = place ? ` · ${place}` : ''
  if (dueOn === null || daysLeft === null) {
    return <span className="text-quiet">{[last, sayNotDue(line)].filter(Boolean).join(' · ') + where}</span>
  }
  const reached = sayReached(line)
  return (
    <>
      <Mark level={isLate ? 'stop' : isDue ? 'warn' : 'advise'}>
        {isDue ? 'due ' : ''}
        {sayDayWithYear(dueOn)}, {sayDaysLeft(daysLeft)}
      </Mark>{' '}
      <span className="text-quiet">
        {reached && `· ${reached} `}· {last}
        {where}
      </span>
    </>
  )
}
