import type { BenchReply } from '@exemplar/core'
import { Link } from 'react-router'
import { useChangeUnitMutation } from '../foundation/api/api.ts'
import { useMay } from '../foundation/api/session.ts'
import { useTold } from '../foundation/api/use-told.ts'
import { Button } from '../foundation/parts/button.tsx'
import { Section, Tag } from '../foundation/parts/page-parts.tsx'
import { sayDay } from '../foundation/words/calendar-words.ts'
import { Tapes } from './tapes.tsx'

/** What is said to be in repair, of which no repair is written down. */
export function InRepair({ inRepair }: Pick<BenchReply, 'inRepair'>) {
  const [changeUnit] = useChangeUnitMutation()
  const run = useTold()
  const may = useMay()
  if (inRepair.length === 0) return null
  return (
    <Section title="Away to be mended, without a repair written down">
      <ul>
        {inRepair.map((it) => (
          <li key={it.unitId} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule py-2.5">
            <span className="min-w-0 flex-1">
              <Link to={`/kit/${it.unitId}`} className="font-medium">
                <Tag>{it.tag}</Tag> {it.name}
              </Link>
              <span className="block text-[13px] text-quiet">
                {it.dueOn ? `hoped back ${sayDay(it.dueOn)}` : 'no date given'}
                {it.note && ` · ${it.note}`}
              </span>
            </span>
            <Tapes usedIn={it.usedIn} />
            {may('change-kit') && (
              <Button
                size="small"
                onClick={() =>
                  run(
                    changeUnit({
                      id: it.unitId,
                      version: it.unitVersion,
                      body: { state: 'in-service', dueOn: null },
                    }).unwrap(),
                    `${it.tag} is in service again.`,
                  )
                }
              >
                It is back
              </Button>
            )}
          </li>
        ))}
      </ul>
    </Section>
  )
}
