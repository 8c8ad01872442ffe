import { Link } from 'react-router'
import { useMay } from '../foundation/api/session.ts'
import { useTold } from '../foundation/api/use-told.ts'
import { Button } from '../foundation/parts/button.tsx'
import { Mark } from '../foundation/parts/mark.tsx'
import { Tag } from '../foundation/parts/page-parts.tsx'
import { sayDay } from '../foundation/words/calendar-words.ts'
import { useCancelOrderMutation, useOrdersQuery } from './orders-api.ts'

/** What is ordered and not here: which setups wait for it, and what to do when the seller will not deliver. */
export function Orders() {
  const { data } = useOrdersQuery()
  const [cancel, { isLoading }] = useCancelOrderMutation()
  const run = useTold()
  const may = useMay()
  if (!data || data.length === 0) return null
  return (
    <section className="mt-4">
      <h2 className="border-b border-rule pb-1">On order</h2>
      <ul>
        {data.map((it) => (
          <li key={it.id} className="border-b border-rule py-2 text-[13px]">
            <Link to={`/kit/${it.id}`}>
              <Tag>{it.tag}</Tag> {it.name}
            </Link>
            <span className="block text-quiet">
              {[it.party, it.dueOn && `due ${sayDay(it.dueOn)}`].filter(Boolean).join(', ') ||
                'nobody noted when it is due'}
            </span>
            {it.isLate && (
              <span className="block">
                <Mark level="warn">It should be here by now</Mark>
              </span>
            )}
            {it.usedIn.length > 0 && (
              <span className="block">
                {it.usedIn.map((serve) => `${serve.code} waits for it as ${serve.role}`).join('; ')}
              </span>
            )}
            {may('change-ledger') && (
              <Button
                size="small"
                className="mt-1"
                disabled={isLoading}
                aria-label={`${it.tag} was cancelled by the seller`}
                onClick={() =>
                  run(cancel({ id: it.id, version: it.version }).unwrap(), `${it.name} is wished for again.`)
                }
              >
                Cancelled by the seller
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  )
}
