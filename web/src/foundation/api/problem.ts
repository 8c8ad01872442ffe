/** What the server said in an RFC 9457 problem, or what kept it from saying anything. */
export interface Problem {
  status: number | null
  detail: string
  /** Message per field, by the last part of its pointer. */
  fields: Record<string, string>
  /** Message per field by its whole pointer, where one form has several of a name: `parts/0/facts/massGrams`. */
  paths?: Record<string, string>
}

interface ProblemBody {
  detail?: string
  errors?: { pointer: string; message: string }[]
}

export function readProblem(error: unknown): Problem {
  const { status, data } = (error ?? {}) as { status?: unknown; data?: ProblemBody }
  if (typeof status !== 'number') {
    return { status: null, detail: 'Exemplar cannot be reached. Nothing was lost; try again in a moment.', fields: {} }
  }
  const fields: Record<string, string> = {}
  const paths: Record<string, string> = {}
  for (const { pointer, message } of data?.errors ?? []) {
    const name = pointer.split('/').pop() ?? ''
    fields[name] ??= message
    paths[pointer.replace(/^\//, '')] ??= message
  }
  return { status, detail: data?.detail ?? 'That did not work.', fields, paths }
}
