import { z } from 'zod'
import { currencySchema } from '../units/money.ts'
import { zoneSchema } from '../units/wall-time.ts'
import { nameSchema, versionSchema } from './identity.ts'

export const UNIT_SYSTEMS = ['metric', 'imperial'] as const

/** How this studio reckons. Every rule that a computation follows is a field here, so that advice can name it. */
export const studioSettingsSchema = z.object({
  name: nameSchema,
  currency: currencySchema,
  zone: zoneSchema,
  /** Share of a circuit, in per cent, that a load of three hours or more may take. 100 turns the rule off. */
  continuousLoadPercent: z.number().int().min(50).max(100),
  /** Share of every card, in per cent, that is kept free. */
  cardHeadroomPercent: z.number().int().min(0).max(50),
  /** Charged packs of each family to have beyond what the sum says. */
  sparePacks: z.number().int().min(0).max(20),
  /** Share of a pack's energy, in per cent, that reaches the device. */
  packEfficiencyPercent: z.number().int().min(50).max(100),
  /** A service that falls due within so many days is shown. */
  serviceNoticeDays: z.number().int().min(0).max(365),
})
export type StudioSettings = z.infer<typeof studioSettingsSchema>

export const studioSchema = studioSettingsSchema.extend({ version: versionSchema })
export type Studio = z.infer<typeof studioSchema>

export const DEFAULT_SETTINGS: StudioSettings = {
  name: 'Our studio',
  currency: 'GBP',
  zone: 'Europe/London',
  continuousLoadPercent: 80,
  cardHeadroomPercent: 10,
  sparePacks: 1,
  packEfficiencyPercent: 90,
  serviceNoticeDays: 14,
}
