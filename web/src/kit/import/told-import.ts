import type { ImportReport } from '@exemplar/core'
import type { ImportRequest } from '../../foundation/api/api.ts'
import { api } from '../../foundation/api/api.ts'
import { noteChange } from '../../foundation/api/last-change.ts'
import { TAGS } from '../../foundation/api/reads.ts'
import type { AppDispatch } from '../../foundation/api/store.ts'

interface Told {
  done?: number
  total?: number
  report?: ImportReport
  changeId?: number | null
  problem?: { detail: string }
}

/**
 * Brings a list in and tells how far it is. Aborting the signal breaks it off, and nothing is left of it; then null.
 * Throws a sentence where the list is refused.
 */
export async function bringIn(
  request: ImportRequest,
  signal: AbortSignal,
  tell: (share: number) => void,
  dispatch: AppDispatch,
): Promise<ImportReport | null> {
  try {
    const reply = await fetch('/api/import/inventory/told', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(request),
      signal,
    })
    if (!reply.ok || !reply.body) throw new Error((await reply.json()).detail)
    let report: ImportReport | null = null
    for await (const line of readLines(reply.body)) {
      const told = JSON.parse(line) as Told
      if (told.problem) throw new Error(told.problem.detail)
      if (told.done && told.total) tell(told.done / told.total)
      if (!told.report) continue
      report = told.report
      noteChange(report, told.changeId ? String(told.changeId) : null)
    }
    dispatch(api.util.invalidateTags([...TAGS]))
    return report
  } catch (error) {
    if (signal.aborted) return null
    throw error
  }
}

async function* readLines(body: ReadableStream<Uint8Array>): AsyncGenerator<string> {
  const reader = body.pipeThrough(new TextDecoderStream() as ReadableWritablePair<string, Uint8Array>).getReader()
  let rest = ''
  for (;;) {
    const { done, value } = await reader.read()
    if (done) break
    const lines = (rest + value).split('\n')
    rest = lines.pop() ?? ''
    yield* lines
  }
  if (rest) yield rest
}
