import type { Readiness, ReadinessFinding } from './readiness.ts'

/** What is different between two judgements of one setup, such as here and in another room. */
export interface ReadinessChange {
  gone: ReadinessFinding[]
  added: ReadinessFinding[]
  /** The same finding with another level or other figures. */
  changed: { before: ReadinessFinding; after: ReadinessFinding }[]
}

export function compareReadiness(before: Readiness, after: Readiness): ReadinessChange {
  const was = new Map(before.findings.map((it) => [it.key, it]))
  const is = new Map(after.findings.map((it) => [it.key, it]))
  return {
    gone: before.findings.filter((it) => !is.has(it.key)),
    added: after.findings.filter((it) => !was.has(it.key)),
    changed: after.findings.flatMap((it) => {
      const old = was.get(it.key)
      return old && JSON.stringify(withoutWays(old)) !== JSON.stringify(withoutWays(it))
        ? [{ before: old, after: it }]
        : []
    }),
  }
}

function withoutWays({ remedies: _, ...finding }: ReadinessFinding): object {
  return finding
}
