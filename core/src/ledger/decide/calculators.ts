import { z } from 'zod'
import { idSchema, versionSchema } from '../../studio/identity.ts'
import { dateSchema } from '../../units/wall-time.ts'
import {
  accessoryShare,
  cheapOrGood,
  coverOrRisk,
  licenceOrSubscription,
  newOrUsed,
  payBack,
  rentOrBuy,
  rivalPrice,
} from './buying.ts'
import type { Calculator, Figures, Reckoning } from './calculator.ts'
import { acceptGift, keepOrSell } from './keeping.ts'

/** Every calculator by its code, in the order of the page. */
export const CALCULATORS = {
  'cheap-or-good': cheapOrGood,
  'new-or-used': newOrUsed,
  'rent-or-buy': rentOrBuy,
  'keep-or-sell': keepOrSell,
  'rival-price': rivalPrice,
  'pay-back': payBack,
  licence: licenceOrSubscription,
  cover: coverOrRisk,
  accessories: accessoryShare,
  gift: acceptGift,
} as const satisfies Record<string, Calculator<never>>
export type CalculatorCode = keyof typeof CALCULATORS
export const CALCULATOR_CODES = Object.keys(CALCULATORS) as [CalculatorCode, ...CalculatorCode[]]

const calculatorOf = (code: CalculatorCode) => CALCULATORS[code] as unknown as Calculator

/** Labels of figures without which nothing can be told. */
export function listLacking(code: CalculatorCode, figures: Figures): string[] {
  return Object.entries(calculatorOf(code).fields).flatMap(([key, { label, start }]) =>
    (figures[key] ?? start) === null ? [label] : [],
  )
}

/** What comes of some figures; null where one lacks. */
export function reckon(code: CalculatorCode, figures: Figures, say: (minor: number) => string): Reckoning | null {
  if (listLacking(code, figures).length > 0) return null
  const { fields, work } = calculatorOf(code)
  return work(
    Object.fromEntries(Object.entries(fields).map(([key, { start }]) => [key, figures[key] ?? start ?? 0])),
    say,
  )
}

/** A question that was decided: the figures as they were then, which way, and why. */
export const newDecisionSchema = z.object({
  calculator: z.enum(CALCULATOR_CODES),
  /** What it was about. */
  about: z.string().trim().min(1, 'Say what it is about.').max(120),
  figures: z.record(z.string().max(40), z.number().min(-1e12).max(1e12).nullable()),
  way: z.string().trim().min(1, 'Which way?').max(80),
  reason: z.string().trim().min(1, 'Say why.').max(300),
  on: dateSchema,
})
export const decisionSchema = newDecisionSchema.extend({ id: idSchema, version: versionSchema })
export type Decision = z.infer<typeof decisionSchema>
