import type { ThingWant } from '@exemplar/core'
import { useAddShoppingLineMutation } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Section, Tag } from '../../foundation/parts/page-parts.tsx'
import { useThingWantsQuery } from '../kit-api.ts'

/**
 * What a thing wants before it works, told the day it comes: what here would do, and what is to be bought. Above all that is known of
 * it where something is to be bought, else below.
 */
export function ThingWants({ unitId, tag, isAbove }: { unitId: string; tag: string; isAbove: boolean }) {
  const { data } = useThingWantsQuery(unitId)
  if (!data || data.length === 0 || data.some((it) => it.buy !== null) !== isAbove) return null
  return (
    <Section title="What it wants before it works">
      <ul>
        {data.map((it) => (
          <li key={it.key} className="border-b border-rule py-1.5 text-[13px]">
            <Mark level={it.buy ? 'warn' : 'advise'}>{it.says}</Mark>
            <span className="mt-0.5 block pl-4.5">
              <Answer want={it} tag={tag} />
            </span>
          </li>
        ))}
      </ul>
    </Section>
  )
}

function Answer({ want: { says, spare, inSetups, away, buy }, tag }: { want: ThingWant; tag: string }) {
  const [addLine] = useAddShoppingLineMutation()
  const run = useTold()
  const may = useMay()
  const here =
    spare.length > 0 ? (
      <Named title="Here, and in no setup:" those={spare} />
    ) : inSetups.length > 0 ? (
      <Named title="Here, and serves a setup already:" those={inSetups} />
    ) : away.length > 0 ? (
      <Named title="Ours, and not here now:" those={away} />
    ) : (
      'Nothing in the kit fits.'
    )
  if (!buy) return here
  const line = { ...buy, reason: `${says}.`, setupId: null, group: null }
  return (
    <span className="flex flex-wrap items-center gap-2">
      {here}
      {may('ask-to-buy') && (
        <Button
          size="small"
          aria-label={`Put on the shopping list, for ${tag}: ${buy.item}`}
          onClick={() => run(addLine(line).unwrap(), `${buy.item} is on the shopping list.`)}
        >
          Put on the shopping list: {buy.quantity > 1 && `${buy.quantity} × `}
          {buy.item}
        </Button>
      )}
    </span>
  )
}

function Named({ title, those }: { title: string; those: ThingWant['spare'] }) {
  return (
    <>
      {title}{' '}
      {those.map((it) => (
        <span key={it.tag} className="mr-3 inline-block">
          <Tag>{it.tag}</Tag> {it.name}
        </span>
      ))}
    </>
  )
}
