import type { RouteContract } from '@exemplar/core'

const isRecord = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null

/** What of a reply is not as its contract says: fields that it lacks or has otherwise, and fields nobody told of. */
export function listReplyFaults(reply: RouteContract['reply'], body: unknown): string[] {
  if (reply === 'file') return []
  if (reply === 'nothing') return body === null ? [] : ['there is a body']
  const { data, error } = reply.safeParse(body)
  if (error) return error.issues.map((it) => `${it.path.join('.')}: ${it.message}`)
  return listStrangers(data, body, '')
}

/** Fields of a body that its schema does not know: what is parsed has only those it knows. */
function listStrangers(parsed: unknown, body: unknown, at: string): string[] {
  if (!isRecord(body) || !isRecord(parsed)) return []
  return Object.keys(body).flatMap((key) =>
    key in parsed ? listStrangers(parsed[key], body[key], `${at}/${key}`) : [`${at}/${key}: not in the contract`],
  )
}
