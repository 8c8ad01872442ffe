import { z } from 'zod'
import { idSchema, nameSchema, noteSchema, versionSchema } from '../../studio/identity.ts'
import { amount } from '../../studio/people/secrecy.ts'
import { minorSchema } from '../../units/money.ts'
import { dateSchema } from '../../units/wall-time.ts'
import { fillSchema } from './archive-space.ts'
import { chargeSchema } from './charge.ts'
import { seasonSchema } from './season.ts'

/** How a thing came here: the one list, used everywhere. */
export const ACQUISITIONS = {
  'bought-new': 'Bought new',
  'bought-used': 'Bought used',
  bundled: 'Bundled',
  gift: 'Gift',
  sample: 'Sample with duty',
  sponsored: 'Sponsored',
  exchanged: 'In exchange',
  'loan-in': 'On loan to us',
  rented: 'Rented',
  venue: 'The venue’s own',
  household: 'Household',
  personal: 'Personal',
  'hand-made': 'Hand-made',
  found: 'Found',
} as const
export type Acquisition = keyof typeof ACQUISITIONS
export const ACQUISITION_CODES = Object.keys(ACQUISITIONS) as [Acquisition, ...Acquisition[]]

/** A thing's life, and whether a setup can count on it in that state. */
export const LIFE_STATES = {
  wished: { label: 'Wished', usable: false },
  ordered: { label: 'Ordered', usable: false },
  'in-service': { label: 'In service', usable: true },
  standby: { label: 'Standby', usable: true },
  'in-repair': { label: 'In repair', usable: false },
  lent: { label: 'Lent', usable: false },
  retired: { label: 'Retired', usable: false },
  'for-sale': { label: 'For sale', usable: false },
  sold: { label: 'Sold', usable: false },
  returned: { label: 'Returned', usable: false },
  lost: { label: 'Lost', usable: false },
  'written-off': { label: 'Written off', usable: false },
} as const satisfies Record<string, { label: string; usable: boolean }>
export type LifeState = keyof typeof LIFE_STATES
export const LIFE_STATE_CODES = Object.keys(LIFE_STATES) as [LifeState, ...LifeState[]]

export const tagSchema = z
  .string()
  .trim()
  .regex(/^[A-Z0-9][A-Z0-9-]{0,23}$/, 'A tag has capital letters, digits and dashes, such as CAM-02.')

/** A program, driver or firmware that a thing wants, and where it is. */
export const softwareSchema = z.object({
  kind: z.enum(['app', 'driver', 'firmware']),
  name: nameSchema,
  version: z.string().trim().max(40),
  /** Where it is installed: "the store laptop". */
  where: z.string().trim().max(120),
  /** The computer on which it runs, where that is one of ours. */
  onUnitId: idSchema.nullable().default(null),
  media: z.enum(['download', 'disc']).default('download'),
  /** Talks to its device by wireless alone. */
  needsWireless: z.boolean().default(false),
  minimumMemoryGigabytes: z.number().min(0.5, 'At least half a gigabyte.').max(4096).nullable().default(null),
  minimumGraphicsGigabytes: z.number().min(0.5, 'At least half a gigabyte.').max(512).nullable().default(null),
  /** The newest version that there is, and on which day somebody looked. */
  newestVersion: z.string().trim().max(40).default(''),
  checkedOn: dateSchema.nullable().default(null),
})
export type Software = z.infer<typeof softwareSchema>

/** What the crew says of a thing, and whether they saw it themselves: hearsay never counts against it. */
export const remarkSchema = z.object({
  kind: z.enum(['strength', 'weakness', 'work-around', 'temporary-fix']),
  text: z.string().trim().min(1, 'Say it in a few words.').max(300),
  source: z.enum(['seen', 'heard']),
  /** By when a temporary fix is to be looked at again; null where nobody said. */
  recheckOn: dateSchema.nullable().optional(),
  /** The counted thing by which it is held: tape, ties. */
  heldById: idSchema.nullable().optional(),
})
export type Remark = z.infer<typeof remarkSchema>
/** So much is said of one thing at most. */
export const MOST_REMARKS = 40
export const REMARK_KINDS = {
  strength: 'Strength',
  weakness: 'Weakness',
  'work-around': 'Work-around',
  'temporary-fix': 'Temporary fix',
} as const

/** Something promised for a thing that was given or lent: a film about it, by a day. */
export const dutySchema = z.object({
  what: z.string().trim().min(1, 'Say what was promised.').max(300),
  dueOn: dateSchema.nullable(),
  doneOn: dateSchema.nullable(),
  /** The film by which it was done; null where it was something else, or nobody said. */
  filmId: idSchema.nullable().default(null),
})
export type Duty = z.infer<typeof dutySchema>

/** Whom it serves that a thing is sold: nothing is said to be an earning that nobody called one. */
export const INTEREST_KINDS = {
  unsaid: 'Not said',
  'we-earn': 'We earn by it',
  'viewers-save': 'Viewers save by it',
} as const
export type InterestKind = keyof typeof INTEREST_KINDS
export const INTEREST_KIND_CODES = Object.keys(INTEREST_KINDS) as [InterestKind, ...InterestKind[]]

/** A code by which viewers pay less for the same. */
export const viewerCodeSchema = z.object({
  code: z.string().trim().min(1, 'Which code?').max(40),
  percent: z.number().min(0.1, 'More than nothing.').max(100, 'At most 100 %.').nullable(),
  until: dateSchema.nullable(),
})

/** Whether cover pays for what falls or is spilt on. */
export const COVER_ACCIDENTS = {
  unsaid: 'Not said',
  yes: 'Accidents are covered',
  no: 'Accidents are not covered',
} as const
export type CoverAccidents = keyof typeof COVER_ACCIDENTS
const COVER_ACCIDENT_CODES = Object.keys(COVER_ACCIDENTS) as [CoverAccidents, ...CoverAccidents[]]

/** What came with a thing besides the thing: papers, promises, cover. What nobody recorded is null or blank. */
export const provenanceSchema = z.object({
  taxMinor: amount(minorSchema.min(0).nullable().default(null)),
  /** What it is worth for the books and the tax, and as of when: a gift has a value and no price. */
  valueMinor: amount(minorSchema.min(0).nullable().default(null)),
  valueOn: dateSchema.nullable().default(null),
  /** What the same or its successor costs today. */
  replacementMinor: amount(minorSchema.min(0).nullable().default(null)),
  insuredMinor: amount(minorSchema.min(0).nullable().default(null)),
  /** What is asked for it, where it is for sale. */
  askMinor: amount(minorSchema.min(0).nullable().default(null)),
  warrantyUntil: dateSchema.nullable().default(null),
  warrantyTerms: z.string().trim().max(300).default(''),
  /** Cover that was bought beside the warranty: until when, what it costs a year, and whether accidents are in it. */
  coverUntil: dateSchema.nullable().default(null),
  coverAccidents: z.enum(COVER_ACCIDENT_CODES).default('unsaid'),
  coverYearMinor: amount(minorSchema.min(0).nullable().default(null)),
  /** What to do when something happens, and within how many days. */
  claimSteps: z.string().trim().max(600).default(''),
  claimDays: z.number().int().min(0, 'Not negative.').max(730, 'At most two years.').nullable().default(null),
  /** Kept although it is due for replacement: why, and until when that holds. */
  keptBecause: z.string().trim().max(300).default(''),
  keptUntil: dateSchema.nullable().default(null),
  duties: z.array(dutySchema).max(10).default([]),
  /** The sentence to show with a film in which it is seen. */
  disclosure: z.string().trim().max(300).default(''),
  /** A sales interest or a code for viewers, whom it serves, and until when it holds. */
  interest: z.string().trim().max(200).default(''),
  interestKind: z.enum(INTEREST_KIND_CODES).default('unsaid'),
  interestUntil: dateSchema.nullable().default(null),
  viewerCode: viewerCodeSchema.nullable().default(null),
  /** Bought at the price that anybody pays: nothing was let off. */
  paidInFull: z.boolean().default(false),
  conditionOnArrival: z.string().trim().max(300).default(''),
  /** Why this one was chosen, or is kept. */
  reason: z.string().trim().max(300).default(''),
})
export type Provenance = z.infer<typeof provenanceSchema>
export const NO_PROVENANCE: Provenance = provenanceSchema.parse({})

/** A memory bank of a camera, recorder or lamp: which role's settings it holds, and since when. */
export const bankSchema = z.object({
  bank: nameSchema,
  setupId: idSchema,
  roleId: idSchema,
  /** The settings as they were when they were stored. */
  print: z.string().max(4000),
  storedOn: dateSchema,
})
export type Bank = z.infer<typeof bankSchema>

/** How a thing belongs to another: with it always, or packed and lent together. */
export const BONDS = {
  part: 'Part of it',
  controller: 'Controls it',
  rider: 'Rides on it',
  set: 'Moves with it',
} as const
export type Bond = keyof typeof BONDS
export const lifeStateSchema = z.enum(LIFE_STATE_CODES)

export const bondSchema = z.enum(Object.keys(BONDS) as [Bond, ...Bond[]])

/** One physical piece. */
export const newUnitSchema = z.object({
  tag: tagSchema,
  modelId: idSchema,
  serial: z.string().trim().max(80).nullable(),
  state: z.enum(LIFE_STATE_CODES),
  placeId: idSchema.nullable(),
  acquisition: z.enum(ACQUISITION_CODES),
  acquiredOn: dateSchema.nullable(),
  priceMinor: amount(minorSchema.min(0).nullable()),
  partyId: idSchema.nullable(),
  /** When a borrowed or rented thing goes back, or a repaired or lent one returns. */
  dueOn: dateSchema.nullable(),
  /** Energy that a pack still holds, in per cent of new; null where it was never measured. */
  healthPercent: z.number().int().min(1).max(100).nullable(),
  serviceEveryDays: z.number().int().min(1).max(3650).nullable(),
  lastServicedOn: dateSchema.nullable(),
  note: noteSchema,
  /** Whose it is, where it belongs to somebody of the team, and whether they agreed that it works here. */
  ownerId: idSchema.nullable().default(null),
  ownerAgreed: z.boolean().default(false),
  software: z.array(softwareSchema).max(20).default([]),
  /** What the crew calls it, while nobody knows what it is or because nobody calls it otherwise. */
  nickname: z.string().trim().max(80).default(''),
  /** Where it is now, where that is not where it lives. */
  nowPlaceId: idSchema.nullable().default(null),
  /** The thing with which it goes. */
  parentId: idSchema.nullable().default(null),
  bond: z.enum(Object.keys(BONDS) as [Bond, ...Bond[]]).default('part'),
  /** What it does instead of a thing that was made for that. */
  standsInFor: z.string().trim().max(120).default(''),
  remarks: z.array(remarkSchema).max(MOST_REMARKS).default([]),
  provenance: provenanceSchema.default(NO_PROVENANCE),
  /** How full a drive was, on which days. */
  fills: z.array(fillSchema).max(60).default([]),
  /** When a prop or backdrop is shown; null all the year. */
  season: seasonSchema.nullable().default(null),
  banks: z.array(bankSchema).max(12).default([]),
  /** Whether it is charged, where somebody said so. */
  charge: chargeSchema.nullable().default(null),
})
export type NewUnit = z.infer<typeof newUnitSchema>

/**
 * A change of some fields of a thing. Not simply the partial of the above: there a field that is not sent would take its
 * default and so be wiped.
 */
export const unitChangeSchema = z.object(
  Object.fromEntries(
    Object.entries(newUnitSchema.shape).map(([key, schema]) => [
      key,
      (schema instanceof z.ZodDefault ? schema.unwrap() : (schema as z.ZodType)).optional(),
    ]),
  ),
) as unknown as z.ZodType<Partial<NewUnit>>

export const unitSchema = newUnitSchema.extend({ id: idSchema, version: versionSchema })
export type Unit = z.infer<typeof unitSchema>

/** More of one kind is no studio's shelf, but a slip. */
export const MOST_COUNTED = 100_000
const SAY_MOST_COUNTED = 'At most 100,000 of one kind.'

/** How more of a counted thing is come by, and how it goes; what nobody recorded is null or blank. */
export const supplySchema = z.object({
  /** The last day on which what is there is good. */
  expiresOn: dateSchema.nullable().default(null),
  /** Days from ordering until it is here. */
  leadDays: z.number().int().min(0, 'Not negative.').max(730, 'At most two years.').nullable().default(null),
  source: z.string().trim().max(160).default(''),
  /** Where to turn when the first has none. */
  secondSource: z.string().trim().max(160).default(''),
  /** Pieces that are used up each time it serves; null where nobody said, 0 where none is. */
  perUse: z.number().min(0, 'Not negative.').max(10_000).nullable().default(null),
})
export type Supply = z.infer<typeof supplySchema>
export const NO_SUPPLY: Supply = supplySchema.parse({})

/** Counted things: sandbags, clamps, cells, tape. */
export const newStockSchema = z.object({
  tag: tagSchema,
  modelId: idSchema,
  quantity: z.number().int().min(0).max(MOST_COUNTED, SAY_MOST_COUNTED),
  reorderLevel: z.number().int().min(0).max(MOST_COUNTED, SAY_MOST_COUNTED),
  placeId: idSchema.nullable(),
  supply: supplySchema.default(NO_SUPPLY),
})
export const stockSchema = newStockSchema.extend({ id: idSchema, version: versionSchema })
export type Stock = z.infer<typeof stockSchema>
export type NewStock = z.infer<typeof newStockSchema>

export const EMPTY_UNIT: Omit<NewUnit, 'tag' | 'modelId'> = {
  serial: null,
  state: 'in-service',
  placeId: null,
  acquisition: 'bought-new',
  acquiredOn: null,
  priceMinor: null,
  partyId: null,
  dueOn: null,
  healthPercent: null,
  serviceEveryDays: null,
  lastServicedOn: null,
  note: '',
  ownerId: null,
  ownerAgreed: false,
  software: [],
  nickname: '',
  nowPlaceId: null,
  parentId: null,
  bond: 'part',
  standsInFor: '',
  remarks: [],
  provenance: NO_PROVENANCE,
  fills: [],
  season: null,
  banks: [],
  charge: null,
}
