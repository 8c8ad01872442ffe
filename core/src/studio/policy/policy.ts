import { z } from 'zod'
import { findPractice, PRACTICE_CODES, type PracticeCode, practiceCodeSchema } from './practice.ts'

/** Figures that a purpose or a setup may have of its own. */
export const OVERRIDABLE = [
  'sparePacks',
  'cardHeadroomPercent',
  'packEfficiencyPercent',
  'continuousLoadPercent',
] as const
export type FigureCode = (typeof OVERRIDABLE)[number]

export const schoolsSchema = z
  .partialRecord(z.enum(PRACTICE_CODES), z.string().max(40))
  .superRefine((schools, context) => {
    for (const [code, way] of Object.entries(schools)) {
      if (way !== undefined && way in findPractice(code as PracticeCode).ways) continue
      context.addIssue({ code: 'custom', path: [code], message: 'There is no such way to answer this question.' })
    }
  })
export type Schools = z.infer<typeof schoolsSchema>

export const overridesSchema = z.object({
  figures: z
    .object({
      sparePacks: z.number().int().min(0).max(20),
      cardHeadroomPercent: z.number().int().min(0).max(50),
      packEfficiencyPercent: z.number().int().min(50).max(100),
      continuousLoadPercent: z.number().int().min(50).max(100),
    })
    .partial()
    .default({}),
  schools: schoolsSchema.default({}),
})
export type Overrides = z.infer<typeof overridesSchema>
export const NO_OVERRIDES: Overrides = { figures: {}, schools: {} }
export const figureCodeSchema = z.enum(OVERRIDABLE)

/** Whose word it was: the nearest one wins. */
/** Who chose it; `default` where nobody did. */
export const policySourceSchema = z.enum(['studio', 'purpose', 'setup', 'default'])
export type PolicySource = z.infer<typeof policySourceSchema>

/** A policy that a piece of advice followed, so that it can be named beside it. */
export const policyRefSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('figure'),
    code: figureCodeSchema,
    value: z.number(),
    from: policySourceSchema,
  }),
  z.object({
    kind: z.literal('school'),
    code: practiceCodeSchema,
    way: z.string(),
    from: policySourceSchema,
  }),
])
export type PolicyRef = z.infer<typeof policyRefSchema>
