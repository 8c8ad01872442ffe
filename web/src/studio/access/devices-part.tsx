import { useSignOutMutation } from '../../foundation/api/session.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { Section } from '../../foundation/parts/page-parts.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { useDropSessionMutation, useSessionsQuery } from '../studio-api.ts'

/** Where one is signed in, and ending it. */
export function DevicesPart() {
  const { data: sessions = [] } = useSessionsQuery()
  const [drop] = useDropSessionMutation()
  const [signOut] = useSignOutMutation()
  const run = useTold()
  const { sayInstant } = useTimeWords()
  return (
    <Section title="Devices" aside={sessions.length > 0 ? `${sessions.length}` : undefined}>
      <ul className="mb-3">
        {sessions.map(({ id, device, createdAt, seenAt, isThis }) => (
          <li key={id} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule py-2">
            <span className="min-w-44 flex-1">
              <b>{isThis ? 'Here, now' : `Last seen ${sayInstant(seenAt)}`}</b>{' '}
              <span className="text-[13px] text-quiet">
                {device ? `a ${device} · ` : ''}signed in {sayInstant(createdAt)}
              </span>
            </span>
            {!isThis && (
              <Button
                size="small"
                aria-label={`Sign out the device last seen ${sayInstant(seenAt)}`}
                onClick={() => run(drop(id).unwrap(), 'That device is signed out.')}
              >
                Sign out there
              </Button>
            )}
          </li>
        ))}
      </ul>
      <p className="mt-2 mb-2 text-[13px] text-quiet">Ends every session of yours, this one too. You sign in again.</p>
      <Button onClick={() => signOut({ everywhere: true })}>Sign out everywhere</Button>
    </Section>
  )
}
