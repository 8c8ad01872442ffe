import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { useMay } from '../../foundation/api/session.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { SelectField } from '../../foundation/form/field.tsx'
import { PlaceOptions } from '../../foundation/form/options.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Empty, PageHead, Section, Waiting } from '../../foundation/parts/page-parts.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { useBeginStocktakeMutation, useStocktakesQuery } from '../kit-api.ts'

/** Counts of places: begin one, go on with one, look at what was settled. */
export function CountsPage() {
  const { data, error, refetch } = useStocktakesQuery()
  const [placeId, setPlaceId] = useState('')
  const [begin] = useBeginStocktakeMutation()
  const run = useTold()
  const may = useMay()
  const navigate = useNavigate()
  const words = useTimeWords()
  if (!data) return <Waiting what="the counts" error={error} onRetry={refetch} />
  return (
    <>
      <PageHead title="Count a place" aside="what is there, against what is said to be there" />
      <div className="px-4 pt-3 pb-8 md:px-5">
        {may('count-stock') && (
          <form
            className="flex max-w-[460px] items-end gap-3"
            onSubmit={(event) => {
              event.preventDefault()
              run(
                begin({ placeId: placeId || null })
                  .unwrap()
                  .then(({ id }) => navigate(`/kit/count/${id}`)),
                'The count began.',
              )
            }}
          >
            <div className="flex-1">
              <SelectField label="Where" value={placeId} onChange={(event) => setPlaceId(event.target.value)}>
                <PlaceOptions none="Everywhere" />
              </SelectField>
            </div>
            <Button look="act" type="submit" className="h-9">
              Begin to count
            </Button>
          </form>
        )}
        <Section title="Counts so far">
          {data.length === 0 && (
            <Empty title="Nothing was counted yet">
              Walk to a shelf with your phone, begin a count and scan what you see. What is missing, what turned up and
              what is in another place is settled at the end.
            </Empty>
          )}
          <ul>
            {data.map((it) => (
              <li key={it.id} className="flex flex-wrap items-center gap-3 border-b border-rule py-2 text-[13px]">
                <Link to={`/kit/count/${it.id}`} className="font-medium">
                  {it.place ?? 'Everywhere'}
                </Link>
                <span className="flex-1 text-quiet">
                  begun {words.sayInstant(it.startedAt)}, {it.seen} seen
                </span>
                {it.closedAt === null ? <Mark level="advise">under way</Mark> : <Mark level="ok">settled</Mark>}
              </li>
            ))}
          </ul>
        </Section>
      </div>
    </>
  )
}
