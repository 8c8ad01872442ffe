import type { Acceptance, NewSetup } from '@exemplar/core'
import { eq } from 'drizzle-orm'
import type { Actor, Writer } from '../foundation/database/app-context.ts'
import { people } from '../schema/studio-tables.ts'

const isSame = (a: Acceptance, b: Acceptance) => JSON.stringify(a) === JSON.stringify(b)

/** What is newly accepted is accepted by whoever is signed in, whatever name was sent; what was accepted stays as it was. */
export function signAcceptances({ tx }: Writer, actor: Actor, body: NewSetup, before: readonly Acceptance[]): NewSetup {
  if (body.accepted.every((it) => before.some((old) => isSame(old, it)))) return body
  const row = actor.personId
    ? tx.select({ name: people.name }).from(people).where(eq(people.id, actor.personId)).get()
    : undefined
  const by = row?.name ?? ''
  return { ...body, accepted: body.accepted.map((it) => (before.some((old) => isSame(old, it)) ? it : { ...it, by })) }
}
