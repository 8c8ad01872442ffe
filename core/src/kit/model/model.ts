import { z } from 'zod'
import { idSchema, nameSchema, versionSchema } from '../../studio/identity.ts'
import { CATEGORY_CODES } from './category.ts'
import { portSchema } from './port.ts'
import { moreSpecsSchema } from './spec.ts'

const wholeSchema = z.number().int().min(0).max(1e12)

/** What can be answered by "it has none": somebody looked, and there is nothing to record. */
export const NONE_FACTS = ['mount', 'thread', 'medium', 'power', 'memory'] as const
export type NoneFact = (typeof NONE_FACTS)[number]
const noneFactSchema = z.enum(NONE_FACTS)

/** One way to power a model ("mains lead" or "two packs"). Its ports count only while it is the chosen one. */
export const powerModeSchema = z.object({
  id: idSchema,
  label: nameSchema,
  source: z.enum(['mains', 'packs', 'cells']),
  milliwatts: wholeSchema.nullable(),
  portIds: z.array(idSchema).max(12),
})
export type PowerMode = z.infer<typeof powerModeSchema>

export const recordingModeSchema = z.object({
  id: idSchema,
  label: nameSchema,
  kilobitsPerSecond: wholeSchema.min(1),
  /** How much of the sensor's width is used in it; absent where it is all of it. */
  activeWidthMm: z.number().min(1).max(100).nullable().optional(),
})
export type RecordingMode = z.infer<typeof recordingModeSchema>

/** Whole units, null where nobody has recorded it: unknown is never taken as fine. */
export const specsSchema = z.object({
  massGrams: wholeSchema.nullable(),
  /** Energy of a pack when new, in milliwatt hours. */
  energyMilliwattHours: wholeSchema.nullable(),
  /** Decimal megabytes of a card or drive. */
  capacityMegabytes: wholeSchema.nullable(),
  /** Outside measures of what stands in a room; a width that can be set has two ends. */
  footprint: z
    .object({
      widthMinMm: wholeSchema.min(1),
      widthMaxMm: wholeSchema.min(1),
      depthMm: wholeSchema.min(1),
      heightMm: wholeSchema.min(1),
    })
    .refine((it) => it.widthMinMm <= it.widthMaxMm, {
      path: ['widthMaxMm'],
      message: 'The widest setting is not narrower than the narrowest.',
    })
    .nullable()
    .default(null),
  /** What was told when it was entered and has no place at any of its ends yet, under the names of the questions. */
  told: z.record(z.string(), z.union([z.string(), z.number()])).optional(),
  /** Of which figures only what is usual of such things stands here, until somebody looks. */
  usual: z
    .array(z.enum(['loadGrams', 'massGrams', 'milliwatts', 'energyMilliwattHours', 'kilobitsPerSecond']))
    .optional(),
  /** What somebody looked for and it has not: a mount, a card slot, a way to feed it. */
  none: z.array(noneFactSchema).default([]),
  more: moreSpecsSchema.default({}),
})
export type Specs = z.infer<typeof specsSchema>

export const NO_SPECS: Specs = {
  massGrams: null,
  energyMilliwattHours: null,
  capacityMegabytes: null,
  footprint: null,
  none: [],
  more: {},
}

export const newModelSchema = z
  .object({
    maker: z.string().trim().max(120),
    name: nameSchema,
    category: z.enum(CATEGORY_CODES),
    specs: specsSchema,
    ports: z.array(portSchema).max(64),
    powerModes: z.array(powerModeSchema).max(8),
    recordingModes: z.array(recordingModeSchema).max(24),
    /** What else it is called, in other countries or by the crew. */
    aliases: z.array(nameSchema).max(20).default([]),
    /** What one has to buy beside it, as it comes without. */
    notInBox: z.array(nameSchema).max(20).default([]),
    /** The model that took its place, where it is no longer made, and where it is sold. */
    successorId: idSchema.nullable().default(null),
    availability: z.string().trim().max(200).default(''),
    /** Under which it was found in the apps and drivers made for it. */
    link: z.string().trim().max(300).default(''),
  })
  .superRefine((model, context) => {
    const known = new Set(model.ports.map((port) => port.id))
    if (known.size !== model.ports.length) {
      context.addIssue({ code: 'custom', path: ['ports'], message: 'Two ports have the same id.' })
    }
    for (const [index, mode] of model.powerModes.entries()) {
      const missing = mode.portIds.find((id) => !known.has(id))
      if (missing) {
        const message = `The way of powering "${mode.label}" names a port "${missing}" that is not there.`
        context.addIssue({ code: 'custom', path: ['powerModes', index, 'portIds'], message })
      }
    }
    const sides = new Map<string, string>()
    for (const [index, port] of model.ports.entries()) {
      if (!port.exclusiveGroup) continue
      const side = sides.get(port.exclusiveGroup) ?? port.side
      sides.set(port.exclusiveGroup, side)
      if (side !== port.side || port.count !== 1) {
        const message = 'Ports that exclude each other are single and of one side.'
        context.addIssue({ code: 'custom', path: ['ports', index, 'exclusiveGroup'], message })
      }
    }
  })
export type NewModel = z.infer<typeof newModelSchema>

export const modelSchema = newModelSchema.safeExtend({ id: idSchema, version: versionSchema })
export type Model = z.infer<typeof modelSchema>

/** What most models have nothing to say about. */
export const EMPTY_MODEL = {
  aliases: [],
  notInBox: [],
  successorId: null,
  availability: '',
  link: '',
} satisfies Partial<NewModel>

export function nameModel(model: Pick<Model, 'maker' | 'name'>): string {
  return model.maker ? `${model.maker} ${model.name}` : model.name
}
