import { Button } from '../parts/button.tsx'

/** What the server sends when somebody was quicker: what stands now, and what was sent. */
export interface Conflict {
  current: Record<string, unknown>
  yours: Record<string, unknown>
}

export function readConflict(error: unknown): Conflict | null {
  const { status, data } = (error ?? {}) as { status?: unknown; data?: Partial<Conflict> }
  if (status !== 409 || typeof data?.current !== 'object' || typeof data.yours !== 'object') return null
  return { current: data.current, yours: data.yours }
}

const HIDDEN = new Set(['id', 'version', 'archivedAt', 'now'])

function say(value: unknown): string {
  if (value === null || value === undefined || value === '') return '–'
  if (Array.isArray(value))
    return value.length === 0
      ? '–'
      : value.every((it) => typeof it === 'string')
        ? value.join(', ')
        : `${value.length} entries`
  if (typeof value === 'object') return JSON.stringify(value).slice(0, 80)
  return String(value)
}

const sayField = (field: string) => field.replace(/([A-Z])/g, ' $1').toLowerCase()

/** Both versions in place, field by field where they differ, and the two ways on. Nothing typed is lost. */
export function ConflictPanel({
  conflict: { current, yours },
  onMine,
  onTheirs,
}: {
  conflict: Conflict
  onMine(version: number): void
  onTheirs(): void
}) {
  const fields = Object.keys(yours).filter(
    (field) =>
      !HIDDEN.has(field) && field in current && JSON.stringify(current[field]) !== JSON.stringify(yours[field]),
  )
  const version = Number(current.version)
  return (
    <section role="alert" className="border-l-4 border-warn bg-warn-wash px-3 py-2.5 text-[13px]">
      <p className="font-semibold">
        Somebody else changed this while you were at it. Nothing of yours was written yet.
      </p>
      {fields.length > 0 ? (
        <table className="my-2">
          <thead>
            <tr>
              <th scope="col">Field</th>
              <th scope="col">Theirs</th>
              <th scope="col">Yours</th>
            </tr>
          </thead>
          <tbody>
            {fields.map((field) => (
              <tr key={field}>
                <th scope="row">{sayField(field)}</th>
                <td>{say(current[field])}</td>
                <td>{say(yours[field])}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : (
        <p className="my-2">Both say the same in every field.</p>
      )}
      <div className="flex flex-wrap gap-2">
        <Button size="small" look="act" onClick={() => onMine(version)}>
          Save mine over theirs
        </Button>
        <Button size="small" onClick={onTheirs}>
          Keep theirs
        </Button>
      </div>
    </section>
  )
}
