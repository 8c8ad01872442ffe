import { z } from 'zod'

export const workingWordsSchema = z.object({
  title: z.string(),
  summary: z.string(),
  lines: z.array(z.object({ label: z.string(), sum: z.string() })),
  assumptions: z.array(z.string()),
  source: z.string(),
})

/** One thing that picture or light come to, in words, with its working; or what has to be known before anybody can say. */
export const lookLineSchema = z.object({
  code: z.string(),
  label: z.string(),
  /** Metric; whoever shows it turns it into the measures of the studio. */
  says: z.string(),
  isKnown: z.boolean(),
  working: workingWordsSchema.nullable(),
})
export type LookLine = z.infer<typeof lookLineSchema>

interface Worked {
  sums?: readonly (readonly [label: string, sum: string])[]
  assumptions?: readonly string[]
  source: string
}

export function sayLine(code: string, label: string, says: string, worked?: Worked): LookLine {
  const working = worked && {
    title: label,
    summary: says,
    lines: (worked.sums ?? []).map(([name, sum]) => ({ label: name, sum })),
    assumptions: [...(worked.assumptions ?? [])],
    source: worked.source,
  }
  return { code, label, says, isKnown: true, working: working ?? null }
}

/** What is missing before it can be told. */
export function sayOpen(code: string, label: string, wanting: readonly string[]): LookLine {
  return { code, label, says: `Not known yet: ${wanting.join(', ')}.`, isKnown: false, working: null }
}
