import type { Readiness, ReadinessFinding, Working } from './readiness.ts'

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

/** One sum before and after; null where there is none. */
export interface WorkingChange {
  before: Working | null
  after: Working | null
}

/** The sums of which a figure is otherwise, in the order of the first. */
export function compareWorkings(before: readonly Working[], after: readonly Working[]): WorkingChange[] {
  const nameOf = (it: Working) => {
    const subject = 'tag' in it ? it.tag : 'family' in it ? it.family : it.circuit
    return `${it.formula}/${subject}${it.formula === 'carried-load' ? `/${it.riders[0]?.tag}` : ''}`
  }
  const is = new Map(after.map((it) => [nameOf(it), it]))
  const was = new Set(before.map(nameOf))
  const kept = before.map((it): WorkingChange => ({ before: it, after: is.get(nameOf(it)) ?? null }))
  const added = after.filter((it) => !was.has(nameOf(it))).map((it): WorkingChange => ({ before: null, after: it }))
  return [...kept, ...added].filter((it) => JSON.stringify(it.before) !== JSON.stringify(it.after))
}
