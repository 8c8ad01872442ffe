import type { SoundRoutesReply } from '@exemplar/core'
import { type SoundRoute, sayPolicy } from '@exemplar/core'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Section, Tag, Waiting } from '../../foundation/parts/page-parts.tsx'
import { useSoundRoutesQuery } from '../rig-api.ts'

const WAYS: Record<SoundRoute['way'], string> = {
  camera: 'Straight into the camera',
  recorder: 'Into a recorder',
  both: 'Recorder, and the camera listens too',
}

/** For each microphone the three ways to record it: parts, what can fail, the work before and after. */
export function SoundRoutes({ id, bookingId }: { id: string; bookingId: string | undefined }) {
  const { data, error, refetch } = useSoundRoutesQuery({ id, bookingId })
  if (!data) return <Waiting what="the ways for the sound" error={error} onRetry={refetch} />
  if (data.microphones.length === 0)
    return <p className="text-[13px] text-quiet">No microphone is in this setup yet.</p>
  return (
    <div className="text-[13px]">
      <p className="text-quiet">{sayPolicy(data.follows)}</p>
      {data.microphones.map((it) => (
        <Section
          key={it.tag}
          title={
            <>
              <Tag>{it.tag}</Tag> {it.name}
            </>
          }
        >
          <ul>
            {it.routes.map((route) => (
              <Route key={route.way} route={route} follows={data.follows} />
            ))}
          </ul>
        </Section>
      ))}
      <p className="mt-3 text-[12px] text-quiet">
        Failure points are plugs, packs, cells and radios on the way. Minutes afterwards are bringing sound and picture
        together and taking one more card off: as is usual, not measured here.
      </p>
    </div>
  )
}

function Route({ route, follows }: { route: SoundRoute; follows: SoundRoutesReply['follows'] }) {
  const isPolicy = follows.kind === 'school' && follows.way === route.way
  return (
    <li className="grid gap-x-4 border-b border-rule py-2 md:grid-cols-[220px_1fr]">
      <span>
        <b className="font-semibold">{WAYS[route.way]}</b>
        {isPolicy && <span className="block text-[12px] text-quiet">as your policy says</span>}
      </span>
      {route.missing ? (
        <Mark level="unknown">
          {'device' in route.missing
            ? `no ${route.missing.device === 'camera' ? 'camera with a sound input' : 'recorder'} is there`
            : `wants a cable: ${route.missing.from} to ${route.missing.to}`}
        </Mark>
      ) : (
        <span>
          <span className="block">
            {route.parts.length === 0
              ? 'Nothing between'
              : route.parts.map((part) => (
                  <span key={part.tag} className="mr-2 inline-block">
                    <Tag>{part.tag}</Tag>
                    {!part.isInSetup && <span className="text-quiet"> from the store</span>}
                  </span>
                ))}
          </span>
          <span className="text-quiet">
            {route.parts.length} {route.parts.length === 1 ? 'part' : 'parts'} · {route.failurePoints} things that can
            fail · {route.recordings === 2 ? 'two recordings' : 'one recording'}
            {route.isScratch && ', the camera’s own for bringing together'} · {route.rigMinutes} min more to rig,{' '}
            {route.afterwardsMinutes} min afterwards
          </span>
        </span>
      )}
    </li>
  )
}
