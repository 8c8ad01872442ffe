import { type Hanging, type Outlook, type ReliabilityReply, reckonOutlook, sayNumber } from '@exemplar/core'
import { useMemo } from 'react'
import { Link } from 'react-router'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Section, Tag } from '../../foundation/parts/page-parts.tsx'
import { TapeStrip } from '../../foundation/parts/tape.tsx'
import { sayDay } from '../../foundation/words/calendar-words.ts'
import { sayChance } from './reliability-words.ts'

/** So many of the shoots ahead are shown. */
const SHOWN = 30

export interface ShootOutlook extends Outlook {
  shoot: ReliabilityReply['shoots'][number]
  /** What is most likely to stop it: the thing for which nothing works most often. */
  weakest: string | null
  needs: number
}

/** How likely each of some shoots can run. */
export function reckonShoots(hanging: Hanging, shoots: ReliabilityReply['shoots']): ShootOutlook[] {
  const shootOf = new Map(shoots.map((it) => [it.id, it]))
  const readyOf = (id: string) => 1 - (hanging.failsOf.get(id) ?? 0)
  return hanging.shoots.flatMap(({ id, needs }) => {
    const shoot = shootOf.get(id)
    if (!shoot) return []
    const fails = needs.map((it) => ({ it, chance: reckonOutlook([it], readyOf).withStandIns }))
    const weakest = fails.sort((a, b) => a.chance - b.chance)[0]?.it.unitId ?? null
    return [{ shoot, weakest, needs: needs.length, ...reckonOutlook(needs, readyOf) }]
  })
}

const sayHanging = (needs: number) =>
  needs === 0
    ? 'Nothing is known without which it would stop: nobody can tell.'
    : `Hangs on ${sayNumber(needs, 'thing')}; most of all on`

/** The shoots ahead with how likely each can run, with and without what could stand in. */
export function ShootsOutlook({
  outlooks,
  tagOf,
  stopsOf,
}: {
  outlooks: readonly ShootOutlook[]
  tagOf(unitId: string): string
  stopsOf(setupId: string): number
}) {
  const least = useMemo(
    () => Math.min(...outlooks.filter((it) => it.needs > 0).map((it) => it.withStandIns)),
    [outlooks],
  )
  return (
    <Section title="The shoots ahead" aside={sayNumber(outlooks.length, 'shoot')}>
      <ul>
        {outlooks.slice(0, SHOWN).map((it) => {
          const { shoot, weakest, needs, withStandIns } = it
          const stops = stopsOf(shoot.setup?.id ?? '')
          return (
            <li
              key={shoot.id}
              className="flex flex-wrap items-center gap-x-3 gap-y-0.5 border-b border-rule py-2 text-[13px]"
            >
              <span className="w-24 text-quiet">{sayDay(shoot.day)}</span>
              {shoot.setup && <TapeStrip code={shoot.setup.code} tape={shoot.setup.tape} size="small" />}
              <Link to={`/diary/${shoot.id}`} className="min-w-40 flex-1">
                {shoot.title}
              </Link>
              {needs > 0 ? (
                <Chance outlook={it} isLeast={withStandIns === least} />
              ) : (
                <span className="text-quiet">cannot tell</span>
              )}
              <span className="w-full text-[12px] text-quiet">
                {sayHanging(needs)} {weakest !== null && <Tag>{tagOf(weakest)}</Tag>}
              </span>
              {stops > 0 && (
                <span className="w-full text-[12px]">
                  <Mark level="stop">
                    It cannot run as it stands: {sayNumber(stops, 'stop')}. The figure is for when that is cured.
                  </Mark>
                </span>
              )}
            </li>
          )
        })}
      </ul>
      {outlooks.length > SHOWN && (
        <p className="mt-2 text-[12px] text-quiet">{outlooks.length - SHOWN} more further ahead.</p>
      )}
    </Section>
  )
}

function Chance({ outlook: { alone, withStandIns, isAtLeast }, isLeast }: { outlook: Outlook; isLeast: boolean }) {
  return (
    <span className="text-right">
      <span className={isLeast ? 'font-semibold' : ''}>
        {isAtLeast && 'at least '}
        {sayChance(withStandIns)}
      </span>
      {Math.round(alone * 100) !== Math.round(withStandIns * 100) && (
        <span className="text-quiet">, {sayChance(alone)} without what could stand in</span>
      )}
    </span>
  )
}
