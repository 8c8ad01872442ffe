import { type NewSetup, SETUP_DEFAULTS, sayNumber, sayVerdict } from '@exemplar/core'
import { Link, useNavigate, useSearchParams } from 'react-router'
import { useAddSetupMutation, useSetupsQuery } from '../../foundation/api/api.ts'
import { readProblem } from '../../foundation/api/problem.ts'
import { useMay } from '../../foundation/api/session.ts'
import { Button, ButtonLink } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Empty, PageHead, Waiting } from '../../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { TapeStrip } from '../../foundation/parts/tape.tsx'
import { sayWall } from '../../foundation/words/calendar-words.ts'
import { SetupForm } from './setup-form.tsx'

const BLANK: NewSetup = {
  code: '',
  name: '',
  tape: 'fern',
  purpose: '',
  placeId: null,
  circuitId: null,
  ...SETUP_DEFAULTS,
  plannedMinutes: 60,
  note: '',
  roles: [],
}

export function SetupsPage() {
  const { data, error, refetch } = useSetupsQuery()
  const [params, setParams] = useSearchParams()
  const [add, adding] = useAddSetupMutation()
  const navigate = useNavigate()
  const may = useMay()
  if (!data) return <Waiting what="the setups" error={error} onRetry={refetch} />
  return (
    <>
      <PageHead title="Setups" aside={data.length ? `${data.length} on tape` : undefined}>
        <ButtonLink to="/setups/examples">Examples</ButtonLink>
        {data.length > 0 && <ButtonLink to="/setups/cameras">Cameras and angles</ButtonLink>}
        {data.length > 0 && <ButtonLink to="/setups/resilience">Single points of failure</ButtonLink>}
        {may('change-setups') && (
          <Button look="act" onClick={() => setParams({ add: 'setup' })}>
            New setup
          </Button>
        )}
      </PageHead>
      <div className="px-4 pt-4 pb-8 md:px-5">
        {data.length === 0 && (
          <Empty title="No setup yet">
            A setup is one purpose with everything it takes: an interview, a table seen from above, a lecture. Name the
            first one, give it roles, and Exemplar says what is missing. Or start from an{' '}
            <Link to="/setups/examples">example</Link> that comes near to it.
          </Empty>
        )}
        <ul className="grid gap-x-6 md:grid-cols-2 xl:grid-cols-3">
          {data.map((setup) => (
            <li key={setup.id} className="border-t border-rule py-4">
              <Link to={`/setups/${setup.id}`} className="block no-underline">
                <TapeStrip code={setup.code} tape={setup.tape} name={setup.name} />
                <p className="mt-2 text-[13px] text-quiet">
                  {setup.purpose || 'No purpose written'} · {setup.plannedMinutes} min ·{' '}
                  {sayNumber(setup.things, 'thing')}
                </p>
                <p className="mt-2">
                  <Mark level={setup.things === 0 ? 'unknown' : setup.level}>
                    {sayVerdict(setup, setup.things > 0)}
                  </Mark>
                </p>
                <p className="mt-1 text-[13px]">
                  {setup.next ? (
                    `${setup.next.title}, ${sayWall(setup.next.startsAt)}`
                  ) : (
                    <span className="text-quiet">Not booked</span>
                  )}
                </p>
              </Link>
            </li>
          ))}
        </ul>
      </div>
      <SheetDialog open={params.get('add') === 'setup'} onClose={() => setParams({})} title="New setup">
        <SetupForm
          draft={BLANK}
          act="Make it"
          isNew
          problem={adding.error ? readProblem(adding.error) : null}
          onSave={(draft) =>
            add(draft)
              .unwrap()
              .then((setup) => navigate(`/setups/${setup.id}`))
              .catch(() => {})
          }
        />
      </SheetDialog>
    </>
  )
}
