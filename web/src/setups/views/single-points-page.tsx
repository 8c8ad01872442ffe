import type { ResilienceReply } from '@exemplar/core'
import { sayNumber } from '@exemplar/core'
import { Link } from 'react-router'
import { Mark } from '../../foundation/parts/mark.tsx'
import { PageHead, Section, Tag, Waiting } from '../../foundation/parts/page-parts.tsx'
import { TapeStrip } from '../../foundation/parts/tape.tsx'
import { useWholeResilience } from '../resilience-api.ts'

/** Single points of failure: if it dies, which setups stop, and what could take its place. */
export function ResiliencePage() {
  const { data, error, refetch, isUnfinished } = useWholeResilience()
  if (!data) return <Waiting what="what hangs on what" error={error} onRetry={refetch} />
  const { points, setups } = data
  const worst = points[0]
  return (
    <>
      <PageHead
        title="Single points of failure"
        aside={`${sayNumber(setups.length, 'setup')}, each thing taken out and judged anew`}
      />
      {isUnfinished && <Progress done={data.done} of={data.of} />}
      {isUnfinished && error && <Waiting what="the rest" error={error} onRetry={refetch} />}
      <div className="px-4 pb-8 md:px-5">
        <p className="my-3 text-verdict font-bold tracking-tight">{sayVerdict(data, worst)}</p>
        {points.length > 0 && (
          <Section title="Nothing could stand in" aside={points.length}>
            <ul>
              {points.map((point) => (
                <li
                  key={point.unitId}
                  className="flex flex-wrap items-center gap-3 border-b border-rule py-2 text-[13px]"
                >
                  <Link to={`/kit/${point.unitId}`} className="min-w-56 flex-1">
                    <Tag>{point.tag}</Tag> {point.name}
                  </Link>
                  {point.isHandMade && <Mark level="warn">made by hand: nobody sells another</Mark>}
                  <span className="flex flex-wrap gap-1">
                    {point.setups.map((it) => (
                      <SetupTape key={it.id} id={it.id} role={it.role} setups={setups} />
                    ))}
                  </span>
                </li>
              ))}
            </ul>
          </Section>
        )}
        {setups.map((setup) => (
          <Section key={setup.id} title={setup.name} aside={sayLosses(setup)}>
            <ul>
              {setup.losses.map((loss) => (
                <li
                  key={loss.unitId}
                  className="flex flex-wrap items-center gap-3 border-b border-rule py-1.5 text-[13px]"
                >
                  <span className="w-36 font-semibold">{loss.role}</span>
                  <Link to={`/kit/${loss.unitId}`} className="min-w-48 flex-1">
                    <Tag>{loss.tag}</Tag> {loss.name}
                  </Link>
                  {loss.standIns.length === 0 ? (
                    <Mark level="warn">no stand-in</Mark>
                  ) : (
                    <Mark level="ok">
                      {loss.standIns
                        .slice(0, 3)
                        .map((it) => it.tag)
                        .join(', ')}{' '}
                      could stand in
                    </Mark>
                  )}
                </li>
              ))}
            </ul>
            {setup.covered.map((it) => (
              <p key={it.unitId} className="flex flex-wrap items-center gap-3 py-1.5 text-[13px]">
                <span className="w-36 font-semibold">{it.role}</span>
                <Link to={`/kit/${it.unitId}`} className="min-w-48 flex-1">
                  <Tag>{it.tag}</Tag> {it.name}
                </Link>
                <Mark level="ok">{it.standIns.map((one) => one.tag || one.name).join(', ')} stands by in it</Mark>
              </p>
            ))}
            {setup.losses.length === 0 && setup.covered.length === 0 && setup.isDone && (
              <p className="py-1.5 text-[13px] text-quiet">It stops as it stands, or nothing in it is essential.</p>
            )}
          </Section>
        ))}
      </div>
    </>
  )
}

function sayLosses({ losses, isDone }: ResilienceReply['setups'][number]): string {
  if (!isDone && losses.length === 0) return 'nothing found so far'
  return `${sayNumber(losses.length, 'thing')} it stops without${isDone ? '' : ', so far'}`
}

function Progress({ done, of }: Pick<ResilienceReply, 'done' | 'of'>) {
  return (
    <p role="status" className="flex items-center gap-3 px-4 pt-3 text-[13px] text-quiet md:px-5">
      <progress className="w-40 accent-(--ink)" value={done} max={of} aria-label="Things looked at" />
      {done} of {of} things looked at
    </p>
  )
}

function sayVerdict({ points, done, of }: ResilienceReply, worst: ResilienceReply['points'][number] | undefined) {
  const isDone = done === of
  if (!worst)
    return isDone
      ? 'Everything that is essential has something to stand in for it.'
      : 'So far nothing is without something to stand in for it.'
  const stops = worst.setups.length === 1 ? 'one setup stops' : `${worst.setups.length} setups stop`
  const have = points.length === 1 ? 'thing has' : 'things have'
  return `${isDone ? '' : 'So far '}${points.length} ${have} no stand-in. If ${worst.tag} dies, ${stops}.`
}

function SetupTape({ id, role, setups }: { id: string; role: string; setups: ResilienceReply['setups'] }) {
  const setup = setups.find((it) => it.id === id)
  if (!setup) return null
  return (
    <Link to={`/setups/${id}`} title={role} className="inline-flex">
      <TapeStrip code={setup.code} tape={setup.tape} name={role} size="small" />
    </Link>
  )
}
