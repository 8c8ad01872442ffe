import { z } from 'zod'
import { findingLevelSchema } from '../../studio/finding.ts'
import { jointSchema } from '../joining/completeness.ts'
import { pictureKindSchema } from '../joining/picture-kind.ts'

/** A figure that arises at one place of a picture. Levels are those of the sums; `ok` where nothing is judged. */
export const nodeFigureSchema = z.discriminatedUnion('figure', [
  z.object({ figure: z.literal('mass'), grams: z.number().nullable() }),
  z.object({
    figure: z.literal('load'),
    totalGrams: z.number(),
    ratedGrams: z.number(),
    /** Of something on it nobody knows what it weighs. */
    isAtLeast: z.boolean(),
    level: findingLevelSchema,
  }),
  z.object({ figure: z.literal('tipping'), safety: z.number(), level: findingLevelSchema }),
  z.object({ figure: z.literal('draws'), milliwatts: z.number().nullable() }),
  z.object({
    figure: z.literal('circuit'),
    milliwatts: z.number(),
    ratedMilliwatts: z.number(),
    isAtLeast: z.boolean(),
    level: findingLevelSchema,
  }),
  z.object({ figure: z.literal('holds'), milliwattHours: z.number().nullable() }),
  z.object({ figure: z.literal('runs'), minutes: z.number(), packs: z.number(), level: findingLevelSchema }),
  z.object({ figure: z.literal('room'), megabytes: z.number().nullable() }),
  z.object({
    figure: z.literal('records'),
    minutes: z.number(),
    plannedMinutes: z.number(),
    isUsual: z.boolean(),
    level: findingLevelSchema,
  }),
  z.object({ figure: z.literal('gain'), haveDb: z.number(), wantedDb: z.number(), level: findingLevelSchema }),
  z.object({ figure: z.literal('length'), mm: z.number().nullable() }),
])
export type NodeFigure = z.infer<typeof nodeFigureSchema>

/** Where a branch of a picture begins. */
export const ROOTS = {
  nothing: 'On nothing',
  floor: 'Floor',
  bars: 'Bars and ceiling',
  people: 'People',
  down: 'Set down',
  mains: 'Mains',
  unfed: 'Fed by nothing',
  packs: 'Packs and cells',
  own: 'Feeds itself',
  sources: 'Sources',
  'goes-nowhere': 'Goes nowhere',
  loose: 'Joined to nothing',
  spare: 'There in case',
  away: 'Not there',
} as const
export type Root = keyof typeof ROOTS

/** What stands there joins nothing on this occasion, and can be put on nothing: it has to be there and in use first. */
export const NOT_IN_USE: Readonly<Partial<Record<Root, string>>> = {
  spare: 'It is there in case. Put into use in its role, it is joined as any other.',
  away: 'It is not there on this occasion. What it joins is seen on a day when it is.',
}
export const rootSchema = z.enum(Object.keys(ROOTS) as [Root, ...Root[]])

export const pictureNodeSchema = z.object({
  /** Of several alike pieces of one stock that are drawn as one, the first. */
  key: z.string(),
  /** All of them; one for a single thing. */
  keys: z.array(z.string()),
  tag: z.string(),
  name: z.string(),
  /** Its kind; `room` for what the venue gives. */
  category: z.string(),
  roleId: z.string().nullable(),
  /** It runs on power here, whatever from. */
  isPowered: z.boolean(),
  /** Drawn small: a cable, an adapter, a lead, as it only passes on, and a card or a cell. */
  isSmall: z.boolean(),
  figures: z.array(nodeFigureSchema),
  /** The worst that is found about it here; `ok` where nothing is. */
  level: findingLevelSchema,
})
export type PictureNode = z.infer<typeof pictureNodeSchema>

/** One joint, from the node of what carries, sends or feeds to the node of what is carried, gets or is fed. */
export const pictureJointSchema = jointSchema.extend({ from: z.string(), to: z.string(), label: z.string() })
export type PictureJoint = z.infer<typeof pictureJointSchema>

/** All that hangs together over one root. */
export const pictureGroupSchema = z.object({
  root: rootSchema,
  nodes: z.array(pictureNodeSchema),
  joints: z.array(pictureJointSchema),
})
export type PictureGroup = z.infer<typeof pictureGroupSchema>

export const pictureSchema = z.object({
  kind: pictureKindSchema,
  groups: z.array(pictureGroupSchema),
  /** The key of the worst place; null where nothing is found. */
  worst: z.string().nullable(),
})
export type Picture = z.infer<typeof pictureSchema>
