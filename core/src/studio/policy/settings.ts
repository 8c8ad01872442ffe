import { z } from 'zod'
import { currencySchema } from '../../units/money.ts'
import { zoneSchema } from '../../units/wall-time.ts'
import { nameSchema, versionSchema } from '../identity.ts'
import { colourSchema } from '../places/place.ts'
import { plugSystemSchema } from '../places/plug-systems.ts'
import { countrySchema } from './countries.ts'
import { overridesSchema, schoolsSchema } from './policy.ts'
import { PURPOSE_CODES } from './purpose.ts'

export const UNIT_SYSTEMS = ['metric', 'imperial'] as const
export type UnitSystem = (typeof UNIT_SYSTEMS)[number]

/**
 * How a load of three hours or more is reckoned: the whole load against the share, only its continuous part taken at
 * the inverse of the share, or no such rule. NFPA 70, 210.20(A) has the second; the first is the cautious reading.
 */
export const LOAD_RULES = ['whole', 'part', 'none'] as const
export type LoadRule = (typeof LOAD_RULES)[number]
export const loadRuleSchema = z.enum(LOAD_RULES)

/** How this studio reckons. Every rule that a computation follows is a field here, so that advice can name it. */
export const studioSettingsSchema = z.object({
  name: nameSchema,
  currency: currencySchema,
  zone: zoneSchema,
  unitSystem: z.enum(UNIT_SYSTEMS).default('metric'),
  /** Where it is, by ISO 3166-1: what is usual there is offered first. */
  country: countrySchema.default('GB'),
  /** The sockets of the house; leads, strips and circuits start from them. */
  plugSystem: plugSystemSchema.default('british'),
  /** What a socket of the house gives; new circuits start from it. */
  mainsVolts: z.number().int().min(90, 'Mains are 90 to 480 volts.').max(480).default(230),
  mainsHertz: z.union([z.literal(50), z.literal(60)], 'Mains have 50 or 60 hertz.').default(50),
  loadRule: z.enum(LOAD_RULES).default('whole'),
  /** Share of a circuit, in per cent, that a load of three hours or more may take. */
  continuousLoadPercent: z.number().int().min(50).max(100),
  /** Drop of voltage along leads, in per cent, from which it is advised against or warned of. */
  dropAdvisePercent: z.number().int().min(1).max(20).default(3),
  dropWarnPercent: z.number().int().min(1).max(20).default(5),
  /** Share of every card, in per cent, that is kept free. */
  cardHeadroomPercent: z.number().int().min(0).max(50),
  /** Charged packs of each family to have beyond what the sum says. */
  sparePacks: z.number().int().min(0).max(20),
  /** Share of a pack's energy, in per cent, that reaches the device. */
  packEfficiencyPercent: z.number().int().min(50).max(100),
  /** What the tax on a gift takes of its value, in hundredths of a per cent; null where nobody said whether there is one. */
  giftTaxBasisPoints: z.number().int().min(0).max(10_000, 'At most 100 %.').nullable().default(null),
  /** By so many degrees eyes may look past the lens before it shows. */
  gazeDegrees: z.number().min(1).max(30).default(5),
  /** A service that falls due within so many days is shown. */
  serviceNoticeDays: z.number().int().min(0).max(365),
  /** Slack added to every lead, in per cent of its way. */
  leadSlackPercent: z.number().int().min(0).max(100).default(15),
  /** Room that people want beside and above a thing that is carried through a door, in millimetres. */
  doorClearanceMm: z.number().int().min(0).max(1000).default(50),
  /** How many automatic backups are kept: the newest of so many days, weeks and months. */
  keepDaily: z.number().int().min(1).max(60).default(7),
  keepWeekly: z.number().int().min(0).max(52).default(4),
  keepMonthly: z.number().int().min(0).max(36).default(6),
  brandColours: z.array(colourSchema).max(8).default([]),
  /** Which way the studio goes where practice disagrees. */
  schools: schoolsSchema.default({}),
  /** What differs for setups of one purpose. */
  purposes: z.partialRecord(z.enum(PURPOSE_CODES), overridesSchema).default({}),
})
export type StudioSettings = z.infer<typeof studioSettingsSchema>

export const studioSchema = studioSettingsSchema.extend({ version: versionSchema })
export type Studio = z.infer<typeof studioSchema>

export const DEFAULT_SETTINGS: StudioSettings = studioSettingsSchema.parse({
  name: 'Our studio',
  currency: 'GBP',
  zone: 'Europe/London',
  continuousLoadPercent: 80,
  cardHeadroomPercent: 10,
  sparePacks: 1,
  packEfficiencyPercent: 90,
  serviceNoticeDays: 14,
})
