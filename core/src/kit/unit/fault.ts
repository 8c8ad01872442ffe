import { z } from 'zod'
import { idSchema, noteSchema, versionSchema } from '../../studio/identity.ts'
import { amount } from '../../studio/people/secrecy.ts'
import { minorSchema } from '../../units/money.ts'

/**
 * How much a fault is: `unusable` takes the thing out until it is mended; with the others it works on. A symptom says that it will
 * fail, a nuisance costs patience, and what is cosmetic costs nothing.
 */
export const SEVERITY_LABELS = {
  unusable: 'It cannot be used',
  usable: 'It works, with care',
  symptom: 'It works, and something tells that it will fail',
  nuisance: 'It works, and is a nuisance',
  cosmetic: 'It only looks bad',
} as const
export type Severity = keyof typeof SEVERITY_LABELS
export const SEVERITIES = Object.keys(SEVERITY_LABELS) as [Severity, ...Severity[]]

/** How much each weighs where it is asked whether the thing is to be replaced. */
const WEIGHTS: Readonly<Record<Severity, number>> = { unusable: 1, usable: 1, symptom: 0.5, nuisance: 0.5, cosmetic: 0 }

/** Which figure it does not meet any more, where it works on. */
export const FAILING = {
  load: 'What it bears',
  sound: 'Sound',
  picture: 'Picture',
  light: 'Light',
  power: 'Power',
} as const
export type Failing = keyof typeof FAILING
export const FAILING_CODES = Object.keys(FAILING) as [Failing, ...Failing[]]

const faultFields = z.object({
  note: noteSchema.trim().min(1, 'Say in a few words what is wrong.'),
  severity: z.enum(SEVERITIES),
  bookingId: idSchema.nullable(),
  /** In which file and at which time it is heard or seen, where it was noticed in a recording. */
  inFile: z.string().trim().max(200).default(''),
  /** How people get along with it, and what that costs at each use. */
  workAround: z.string().trim().max(200).default(''),
  workAroundMinutes: z.number().int().min(0).max(600).nullable().default(null),
  fails: z.enum(FAILING_CODES).nullable().default(null),
  /** It hums, buzzes or rattles: nothing to have near a microphone. */
  isNoisy: z.boolean().default(false),
  /** It can hurt somebody as it is: swollen, hot, leaking, smelling of burning, a bare conductor. */
  isHazard: z.boolean().default(false),
  /** What it takes off the worth of the thing as long as it is not mended; null where nobody said. */
  valueLossMinor: amount(minorSchema.min(0).nullable().default(null)),
})

const HAZARD_RULE = {
  message: 'What can hurt somebody is not used: say that it cannot be used.',
  path: ['severity'],
}
const isSafe = (it: { isHazard: boolean; severity: Severity }) => !it.isHazard || it.severity === 'unusable'

export const newFaultSchema = faultFields.refine(isSafe, HAZARD_RULE)
/** The same where the booking is known already. */
export const saidFaultSchema = faultFields.omit({ bookingId: true }).refine(isSafe, HAZARD_RULE)
export type NewFault = z.infer<typeof newFaultSchema>

export const faultSchema = faultFields.extend({
  id: idSchema,
  unitId: idSchema,
  reportedAt: z.number().int(),
  mendedAt: z.number().int().nullable(),
  mendNote: noteSchema,
  version: versionSchema,
})
export type Fault = z.infer<typeof faultSchema>

export function isOpen(fault: Fault): boolean {
  return fault.mendedAt === null
}

/** A fault of something that works on, as a setup has to reckon with it. */
export interface OpenFault extends Pick<Fault, 'id' | 'note' | 'severity' | 'fails' | 'isNoisy' | 'workAround'> {
  /** The how manyeth of its thing within a year it is; what only looks bad is none. */
  timesInYear: number
}

/** Why a thing is due for replacement. */
export const REPLACEMENT_REASONS = {
  faults: 'It fails too often',
  repairs: 'Its repairs cost half of another',
  spent: 'The pack is at its end',
  symptom: 'It is expected to fail',
} as const
export type ReplacementReason = keyof typeof REPLACEMENT_REASONS

/** The open fault, if any, that takes a thing out of use: the oldest. */
export function findBlockingFault(faults: readonly Fault[]): Fault | null {
  const blocking = faults.filter((fault) => isOpen(fault) && fault.severity === 'unusable')
  return blocking.sort((a, b) => a.reportedAt - b.reportedAt)[0] ?? null
}

/** So many within a year are enough, a nuisance counting half. Common practice. */
const FAULTS_IN_YEAR = 3
/** Repairs of so much of what the same costs new are enough. Common practice. */
const REPAIR_SHARE = 0.5

export const mendOrReplaceSchema = z.enum(['mend', 'replace-faults', 'replace-cost', 'price-unknown'])
export type MendOrReplace = z.infer<typeof mendOrReplaceSchema>

/**
 * Whether a thing with an open fault is better mended or replaced: by how often it failed within a year, and by what its repairs
 * cost against a new one. Without a price nobody can tell the second; what only looks bad asks for neither.
 */
export function judgeMending(it: {
  /** Of all its faults within a year, this one among them. */
  inYear: readonly Severity[]
  repairMinor: number
  newMinor: number | null
}): MendOrReplace {
  const weight = it.inYear.reduce((sum, severity) => sum + WEIGHTS[severity], 0)
  if (weight >= FAULTS_IN_YEAR) return 'replace-faults'
  if (it.repairMinor === 0) return 'mend'
  if (it.newMinor === null || it.newMinor === 0) return 'price-unknown'
  return it.repairMinor >= REPAIR_SHARE * it.newMinor ? 'replace-cost' : 'mend'
}
