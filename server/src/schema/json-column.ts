import { customType } from 'drizzle-orm/sqlite-core'
import type { z } from 'zod'

/** What was read of each text, until there are so many: most rows hold the same few, such as an empty list. */
const MOST_KEPT = 20_000

/**
 * A column of JSON that is read by its schema, so that a row of an earlier release gets what came since by default. What is
 * read is frozen, and the same text gives the same value: whoever changes a row makes another value. What the schema does
 * not take is given as it stands, as a page with an old oddity is better than none.
 */
export function json<S extends z.ZodType>(name: string, schema: S) {
  const known = new Map<string, z.output<S>>()
  const read = (text: string): z.output<S> => {
    if (oddities !== null) return readStrictly(name, schema, text, oddities)
    const value = known.get(text)
    if (value !== undefined || known.has(text)) return value as z.output<S>
    const raw: unknown = JSON.parse(text)
    const parsed = schema.safeParse(raw)
    const made = freeze((parsed.success ? parsed.data : raw) as z.output<S>)
    if (known.size >= MOST_KEPT) known.clear()
    known.set(text, made)
    return made
  }
  return customType<{ data: z.output<S>; driverData: string }>({
    dataType: () => 'text',
    toDriver: (value) => JSON.stringify(value),
    fromDriver: read,
  })(name)
}

/** Where columns that do not hold what they should are listed, while somebody asks. */
let oddities: string[] | null = null

/** Does work that reads rows, and lists the columns of JSON that their schema does not take, one entry for each row. */
export function listOddJson(work: () => void): string[] {
  const found: string[] = []
  oddities = found
  try {
    work()
  } finally {
    oddities = null
  }
  return found
}

function readStrictly<S extends z.ZodType>(name: string, schema: S, text: string, found: string[]): z.output<S> {
  const raw: unknown = JSON.parse(text)
  const parsed = schema.safeParse(raw)
  if (!parsed.success) found.push(name)
  return (parsed.success ? parsed.data : raw) as z.output<S>
}

function freeze<T>(value: T): T {
  if (typeof value !== 'object' || value === null || Object.isFrozen(value)) return value
  for (const it of Object.values(value)) freeze(it)
  return Object.freeze(value)
}
