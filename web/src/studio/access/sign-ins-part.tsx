import type { SignInRow } from '@exemplar/core'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Section } from '../../foundation/parts/page-parts.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { useSignInsQuery } from '../studio-api.ts'

const OUTCOMES: Record<SignInRow['outcome'], { level: 'ok' | 'warn' | 'stop'; text: string }> = {
  in: { level: 'ok', text: 'came in' },
  confirmed: { level: 'ok', text: 'showed once more who it is' },
  wrong: { level: 'warn', text: 'wrong name or password' },
  'wrong-code': { level: 'warn', text: 'right password, wrong code' },
  limited: { level: 'stop', text: 'too many tries' },
  'switched-off': { level: 'warn', text: 'switched off' },
}

/** Who came to the door lately, and whether they were let in. */
export function SignInsPart() {
  const { data: rows = [] } = useSignInsQuery()
  const { sayInstant } = useTimeWords()
  return (
    <Section title="At the door lately">
      {rows.length === 0 && <p className="py-2 text-[13px] text-quiet">Nobody yet.</p>}
      <ul>
        {rows.slice(0, 30).map(({ id, at, name, person, outcome, address, device }) => (
          <li key={id} className="flex flex-wrap items-baseline gap-x-4 border-b border-rule py-1.5 text-[13px]">
            <span className="min-w-52 flex-1">
              <b>{person ?? name}</b>{' '}
              <span className="text-quiet">
                {sayInstant(at)} · {address}
                {device ? ` · ${device}` : ''}
              </span>
            </span>
            <Mark level={OUTCOMES[outcome].level}>{OUTCOMES[outcome].text}</Mark>
          </li>
        ))}
      </ul>
    </Section>
  )
}
