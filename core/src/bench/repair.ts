import { z } from 'zod'
import { idSchema, noteSchema, versionSchema } from '../studio/identity.ts'
import { amount } from '../studio/people/secrecy.ts'
import { minorSchema } from '../units/money.ts'
import { addDays, dateSchema } from '../units/wall-time.ts'

/** How far a repair has come. Something that comes back is tried before it counts again. */
export const REPAIR_STAGES = {
  asked: 'Asked for',
  sent: 'Sent',
  quoted: 'Quoted: yes or no?',
  mending: 'Being mended',
  back: 'Back, to be tried',
  done: 'Mended and tried',
  'given-up': 'Given up',
} as const
export type RepairStage = keyof typeof REPAIR_STAGES
export const REPAIR_STAGE_CODES = Object.keys(REPAIR_STAGES) as [RepairStage, ...RepairStage[]]

/** Who pays for it. */
export const REPAIR_CLAIMS = { own: 'We pay', warranty: 'The warranty', cover: 'The cover' } as const
export type RepairClaim = keyof typeof REPAIR_CLAIMS
export const REPAIR_CLAIM_CODES = Object.keys(REPAIR_CLAIMS) as [RepairClaim, ...RepairClaim[]]

/** In these the thing is not in the house. */
export const AWAY_STAGES: ReadonlySet<RepairStage> = new Set(['sent', 'quoted', 'mending'])
export const ENDED_STAGES: ReadonlySet<RepairStage> = new Set(['done', 'given-up'])

const NEXT: Readonly<Record<RepairStage, readonly RepairStage[]>> = {
  asked: ['sent', 'mending', 'given-up'],
  sent: ['quoted', 'mending', 'back', 'given-up'],
  quoted: ['mending', 'back', 'given-up'],
  mending: ['back', 'given-up'],
  back: ['done', 'sent', 'given-up'],
  done: [],
  'given-up': [],
}

/** What can come next. */
export const listNextStages = (stage: RepairStage): readonly RepairStage[] => NEXT[stage]

const repairFields = z.object({
  stage: z.enum(REPAIR_STAGE_CODES),
  claim: z.enum(REPAIR_CLAIM_CODES),
  partyId: idSchema.nullable(),
  /** The number that the repairer gave it. */
  reference: z.string().trim().max(80).default(''),
  /** When it is hoped back. */
  dueOn: dateSchema.nullable().default(null),
  quoteMinor: amount(minorSchema.min(0).nullable().default(null)),
  costMinor: amount(minorSchema.min(0).nullable().default(null)),
  note: noteSchema,
})

export const newRepairSchema = repairFields
  .omit({ stage: true, quoteMinor: true, costMinor: true })
  .extend({ faultId: idSchema.nullable() })
export type NewRepair = z.infer<typeof newRepairSchema>

export const repairChangeSchema = repairFields.extend({
  /** On which day it came that far. */
  on: dateSchema,
  /** Of what it cost: the net stands in `costMinor`. */
  taxMinor: amount(minorSchema.min(0).nullable().default(null)),
})
export type RepairChange = z.infer<typeof repairChangeSchema>

export const repairSchema = repairFields.extend({
  id: idSchema,
  unitId: idSchema,
  faultId: idSchema.nullable(),
  /** The last day on which it can be claimed; null where nobody knows of one. */
  claimBy: z.string().nullable(),
  askedOn: z.string(),
  sentOn: z.string().nullable(),
  backOn: z.string().nullable(),
  endedOn: z.string().nullable(),
  version: versionSchema,
})
export type Repair = z.infer<typeof repairSchema>

/** What of a thing's papers decides a claim. */
export interface Papers {
  warrantyUntil: string | null
  coverUntil: string | null
  coverAccidents: 'unsaid' | 'yes' | 'no'
  claimDays: number | null
}

/** Whether somebody else pays: what the papers say of it, on a day. */
export type ClaimWord =
  | { claim: 'warranty' | 'cover'; until: string; claimBy: string | null; isSure: boolean }
  | { claim: 'own'; until: null; claimBy: null; isSure: boolean }

/**
 * Who pays for a fault that was noticed on a day: the warranty for what failed of itself, cover for that and, where it says so, for
 * an accident. The last day of either still counts. A claim waits no longer than the papers allow, nor beyond their end.
 */
export function findClaim(papers: Papers, noticedOn: string, wasAccident: boolean): ClaimWord {
  const { warrantyUntil, coverUntil, coverAccidents, claimDays } = papers
  const by = (until: string) => {
    const soon = claimDays === null ? until : addDays(noticedOn, claimDays)
    return soon < until ? soon : until
  }
  if (!wasAccident && warrantyUntil !== null && noticedOn <= warrantyUntil)
    return { claim: 'warranty', until: warrantyUntil, claimBy: by(warrantyUntil), isSure: true }
  if (coverUntil !== null && noticedOn <= coverUntil && (!wasAccident || coverAccidents !== 'no'))
    return {
      claim: 'cover',
      until: coverUntil,
      claimBy: by(coverUntil),
      isSure: !wasAccident || coverAccidents === 'yes',
    }
  const isKnown = warrantyUntil !== null || coverUntil !== null
  return { claim: 'own', until: null, claimBy: null, isSure: isKnown }
}

/** What cover costs against what it is for. */
export interface CoverWorth {
  /** Share of the thing's price that a year of it costs. */
  share: number
  /** It pays if the thing is lost more often than once in so many years. */
  breakEvenYears: number
}

/** What cover costs a year against what it would replace; null where either is not known or nothing. */
export function weighCover(yearMinor: number | null, valueMinor: number | null): CoverWorth | null {
  if (yearMinor === null || valueMinor === null || yearMinor <= 0 || valueMinor <= 0) return null
  return { share: yearMinor / valueMinor, breakEvenYears: valueMinor / yearMinor }
}
