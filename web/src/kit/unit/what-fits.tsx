import { useState } from 'react'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Section, Waiting } from '../../foundation/parts/page-parts.tsx'
import { useModelFitsQuery } from '../kit-api.ts'

const WHY = {
  rating: 'not good for as much as is asked',
  forbidden: 'not together',
  generation: 'of another generation',
} as const

/** What of the kit meets each port of a model, asked for by a button: it is looked up, not always wanted. */
export function WhatFits({ modelId }: { modelId: string }) {
  const [isAsked, setAsked] = useState(false)
  const { data, error, refetch } = useModelFitsQuery(modelId, { skip: !isAsked })
  if (!isAsked) {
    return (
      <Button className="my-3 mr-2" onClick={() => setAsked(true)}>
        What fits this?
      </Button>
    )
  }
  if (!data) return <Waiting what="what fits" error={error} onRetry={refetch} />
  return (
    <Section title="What fits">
      {data.length === 0 && <p className="py-1.5 text-[13px] text-quiet">Nothing is known of where it meets others.</p>}
      <dl>
        {data.map(({ port, fits }) => (
          <div key={port.id} className="border-b border-rule py-1.5 text-[13px]">
            <dt className="font-semibold">{port.id}</dt>
            <dd className="text-quiet">
              {fits.length === 0 && 'Nothing in the kit.'}
              <ul>
                {fits.slice(0, 12).map((it) => (
                  <li key={it.modelId} className="flex gap-2">
                    <span className={it.isOwned ? 'text-ink' : ''}>{it.name}</span>
                    {!it.isOwned && <span>none here</span>}
                    {it.why && <Mark level="warn">{WHY[it.why]}</Mark>}
                  </li>
                ))}
              </ul>
              {fits.length > 12 && `and ${fits.length - 12} more`}
            </dd>
          </div>
        ))}
      </dl>
    </Section>
  )
}
