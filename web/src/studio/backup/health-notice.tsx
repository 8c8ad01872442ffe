import { Mark } from '../../foundation/parts/mark.tsx'
import { useHealthQuery } from '../studio-api.ts'

/** What ails the house, with what to do; nothing where all is well. */
export function HealthNotice() {
  const { data } = useHealthQuery()
  if (!data || data.ok) return null
  return (
    <ul className="mt-4 grid gap-1" aria-label="Health">
      {data.problems.map((it) => (
        <li key={it.code}>
          <Mark level="warn">{it.text}</Mark>
        </li>
      ))}
    </ul>
  )
}
