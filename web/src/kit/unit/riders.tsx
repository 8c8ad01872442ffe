import { Link } from 'react-router'
import { useMeasures } from '../../foundation/form/measures.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Section, Tag } from '../../foundation/parts/page-parts.tsx'
import { TapeStrip } from '../../foundation/parts/tape.tsx'
import { useRidersQuery } from '../kit-api.ts'

/** What rides on a thing in each setup: where it goes, they go; where it stays away, they hang nowhere. */
export function Riders({ unitId, tag, isGone }: { unitId: string; tag: string; isGone: boolean }) {
  const { data } = useRidersQuery(unitId)
  const { sayMass } = useMeasures()
  if (!data || data.length === 0) return null
  return (
    <Section title="What rides on it" aside="moved, lent or sold, it takes them along or leaves them without a place">
      <ul>
        {data.map(({ setup, riders, ratedGrams }) => {
          const mass = riders.reduce((sum, it) => sum + (it.massGrams ?? 0), 0)
          return (
            <li key={setup.id} className="grid gap-1 border-b border-rule py-2 text-[13px]">
              <Link to={`/setups/${setup.id}`} className="w-fit no-underline">
                <TapeStrip code={setup.code} tape={setup.tape} name={setup.name} />
              </Link>
              <span>
                {riders.map((it) => (
                  <span key={it.tag} className="mr-3 inline-block">
                    <Tag>{it.tag}</Tag> {it.name}
                  </span>
                ))}
                <span className="text-quiet whitespace-nowrap">
                  {sayMass(mass)}
                  {ratedGrams !== null && ` of ${sayMass(ratedGrams)}`}
                </span>
              </span>
              {isGone && <Mark level="warn">{`Without ${tag} they want another carrier there.`}</Mark>}
            </li>
          )
        })}
      </ul>
    </Section>
  )
}
