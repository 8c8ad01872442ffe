import type { LookReply } from '@exemplar/core'
import { formatMinutes, sayPosition } from '@exemplar/core'
import { useParams } from 'react-router'
import { useMeasures } from '../../foundation/form/measures.tsx'
import { Button, ButtonLink } from '../../foundation/parts/button.tsx'
import { Empty, PageHead, Section, Waiting } from '../../foundation/parts/page-parts.tsx'
import { TapeStrip } from '../../foundation/parts/tape.tsx'
import { Differences } from '../margin/setup-differences.tsx'
import { useChangeOverQuery, useLooksQuery } from '../rig-api.ts'
import { sayFocal } from './cameras-page.tsx'
import { ChangeOverSteps } from './change-over-steps.tsx'

/** A setup and its variants side by side: what is turned, moved or exchanged to get from one look to the next. */
export function LooksPage() {
  const { id = '' } = useParams()
  const { data, error, refetch } = useLooksQuery(id)
  if (!data) return <Waiting what="the looks" error={error} onRetry={refetch} />
  const [root, ...variants] = data
  return (
    <>
      <PageHead
        title="Compare variants"
        aside={root && `${root.name} and ${variants.length} ${variants.length === 1 ? 'variant' : 'variants'}`}
      >
        <ButtonLink to={`/setups/${id}`}>Role board</ButtonLink>
        <Button onClick={() => window.print()}>Print</Button>
      </PageHead>
      <div className="px-4 pb-8 md:px-5">
        {variants.length === 0 && (
          <Empty title="One look so far">
            Make a variant from the menu of the setup: another wall, another focal length, closer. Here they stand side
            by side, with what each frames.
          </Empty>
        )}
        <ul className="mt-4 grid gap-x-6 gap-y-5 md:grid-cols-2 xl:grid-cols-3">
          {data.map((look) => (
            <Look key={look.id} look={look} />
          ))}
        </ul>
        {root &&
          variants.map((it) => (
            <Section
              key={it.id}
              title={`Otherwise in ${it.name}`}
              aside={it.moves === 1 ? '1 difference' : `${it.moves} differences`}
            >
              <Differences id={root.id} otherId={it.id} />
              <TurnTo id={it.id} fromId={root.id} />
            </Section>
          ))}
      </div>
    </>
  )
}

/** The steps from the first look to this one, with their minutes. */
function TurnTo({ id, fromId }: { id: string; fromId: string }) {
  const { data } = useChangeOverQuery({ id, fromId })
  if (!data) return null
  return (
    <details open={data.steps.length <= 8} className="mt-2">
      <summary className="text-[13px] font-semibold">
        To get there: {data.steps.length} steps, {formatMinutes(data.minutes)}
      </summary>
      <ChangeOverSteps plan={data} />
    </details>
  )
}

function Look({ look }: { look: LookReply }) {
  const { sayLength } = useMeasures()
  return (
    <li className="border-t border-rule pt-3 text-[13px]">
      <TapeStrip code={look.code} tape={look.tape} name={look.name} />
      <dl className="mt-2 grid grid-cols-[auto_1fr] gap-x-3 gap-y-1">
        {look.angles.map((it) => (
          <div key={it.roleId} className="contents">
            <dt className="font-semibold">{it.angle}</dt>
            <dd>
              {sayFocal(it)}
              {it.distanceMm !== null && ` from ${sayLength(it.distanceMm)}`}
              {it.frameWidthMm !== null && `, ${sayLength(Math.round(it.frameWidthMm))} across`}
            </dd>
          </div>
        ))}
        <dt className="font-semibold">Behind</dt>
        <dd>{look.backdrops.length > 0 ? look.backdrops.join(', ') : 'nothing recorded'}</dd>
        {look.lights.map((it) => (
          <div key={it.role} className="contents">
            <dt className="font-semibold">{it.role}</dt>
            <dd>
              {[sayPosition(it.position, sayLength) || it.detail, it.things === 0 && 'no lamp']
                .filter(Boolean)
                .join(', ') || 'place not recorded'}
            </dd>
          </div>
        ))}
      </dl>
    </li>
  )
}
