import { z } from 'zod'
import { idSchema, nameSchema } from '../../studio/identity.ts'

/** Features of a thing by which it does the work of another role as well. */
export const FEATURES = {
  flipScreen: { label: 'Its screen turns to the front', yes: 'yes', of: 'camera' },
  remoteStart: { label: 'It starts from afar', yes: 'yes', of: 'camera' },
  autofocus: { label: 'It focuses by itself', yes: 'dependable', of: 'camera' },
  cleanOutput: { label: 'Its picture goes out without menus', yes: 'yes', of: 'camera' },
  /** Of anything that has it. */
  wireless: { label: 'It is wireless', yes: 'yes', of: null },
} as const
export type Feature = keyof typeof FEATURES
export const FEATURE_CODES = Object.keys(FEATURES) as [Feature, ...Feature[]]

/** What fills a role without a thing of its own: a feature of another role's thing, or a surface of the room. */
export const providedBySchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('feature'), roleId: idSchema, feature: z.enum(FEATURE_CODES) }),
  z.object({ kind: z.literal('surface'), name: nameSchema }),
])
export type ProvidedBy = z.infer<typeof providedBySchema>
