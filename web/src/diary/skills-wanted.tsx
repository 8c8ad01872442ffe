import { hasSkill, type Person } from '@exemplar/core'
import { Mark } from '../foundation/parts/mark.tsx'

/** Skills that the setup wants and nobody booked has, with who has them. */
export function SkillsWanted({
  skills,
  people,
  booked,
}: {
  skills: readonly string[]
  people: readonly Person[]
  booked: readonly string[]
}) {
  const missing = skills.filter((skill) => !people.some((it) => booked.includes(it.id) && hasSkill(it, skill)))
  if (missing.length === 0) return null
  return (
    <ul className="grid gap-1">
      {missing.map((skill) => {
        const knowing = people.filter((it) => hasSkill(it, skill)).map((it) => it.name)
        return (
          <li key={skill}>
            <Mark level={knowing.length ? 'advise' : 'stop'}>
              {knowing.length ? `Wants somebody for ${skill}: ${knowing.join(' or ')}` : `Nobody can do: ${skill}`}
            </Mark>
          </li>
        )
      })}
    </ul>
  )
}
