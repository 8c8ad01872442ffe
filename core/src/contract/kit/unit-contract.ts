import { z } from 'zod'
import { factsSchema, usualSchema } from '../../kit/entry/told.ts'
import { CATEGORY_CODES } from '../../kit/model/category.ts'
import { moreSpecsSchema } from '../../kit/model/spec.ts'
import { archiveSpaceSchema } from '../../kit/unit/archive-space.ts'
import { faultSchema } from '../../kit/unit/fault.ts'
import { kitFilterSchema } from '../../kit/unit/kit-filter.ts'
import { softwareFindingSchema } from '../../kit/unit/software-fit.ts'
import { bondSchema, remarkSchema, tagSchema, unitChangeSchema } from '../../kit/unit/unit.ts'
import { entrySchema } from '../../ledger/entry.ts'
import { idSchema, nameSchema } from '../../studio/identity.ts'
import { defineContract } from '../contract.ts'
import { keptModelSchema, keptUnitSchema, serveSchema, unitRowSchema, versionedSchema } from '../replies.ts'

export const unitListQuery = kitFilterSchema.extend({
  /** Where the page before ended, as it said. */
  after: z.string().max(300).optional(),
  limit: z.coerce.number().int().min(1).max(500).default(100),
})

/** One page of the list of things. */
export const unitPageReplySchema = z.object({
  rows: z.array(unitRowSchema),
  next: z.string().nullable(),
  isNear: z.boolean(),
})
export type UnitPageReply = z.infer<typeof unitPageReplySchema>

export const unitReplySchema = z.object({
  unit: keptUnitSchema,
  model: keptModelSchema,
  name: z.string(),
  place: z.string().nullable(),
  party: z.string().nullable(),
  /** The person of the team whose own it is. */
  owner: z.string().nullable(),
  /** Where it is, where that is not where it lives. */
  nowPlace: z.string().nullable(),
  recorded: z.object({
    percent: z.number(),
    missing: z.array(z.string()),
  }),
  disclosure: z.string().nullable(),
  /** Where another of it comes from, where that is no shop: it was made by hand, with or without a drawing of it kept. */
  remake: z.enum(['from-drawing', 'no-drawing']).nullable(),
  /** Parts of its model that are on the shopping list. */
  askedFor: z.array(z.object({ id: z.string(), item: z.string(), reason: z.string() })),
  successor: z.string().nullable(),
  /** How full it is and when it will be; null where it holds nothing or nobody read it off. */
  space: archiveSpaceSchema.nullable(),
  /** What keeps its programs, and those that run on it, from their work. */
  software: z.array(softwareFindingSchema),
  parent: z
    .object({
      id: z.string(),
      tag: z.string(),
      name: z.string(),
    })
    .nullable(),
  parts: z.array(
    z.object({
      id: z.string(),
      tag: z.string(),
      name: z.string(),
      bond: bondSchema,
      /** It controls this one, and goes with another or by itself. */
      isElsewhere: z.boolean(),
      state: z.string(),
      place: z.string().nullable(),
      isMissing: z.boolean(),
      massGrams: z.number().nullable(),
      version: z.number(),
    }),
  ),
  /** What it controls beside what it goes with. */
  controls: z.array(z.object({ id: z.string(), tag: z.string(), name: z.string() })),
  version: z.number(),
  usedIn: z.array(serveSchema),
  faults: z.array(faultSchema),
  entries: z.array(entrySchema),
})
export type UnitReply = z.infer<typeof unitReplySchema>

/** A thing of which something is only heard, with all that is said of it; hearsay decides nothing until somebody saw it. */
export const hearsaySchema = z.object({
  unitId: z.string(),
  tag: z.string(),
  name: z.string(),
  version: z.number(),
  remarks: z.array(remarkSchema),
})
export type Hearsay = z.infer<typeof hearsaySchema>

/** Quick entry: three fields make a thing and, where it is the first of its kind, its model. */
export const quickEntrySchema = z.object({
  category: z.enum(CATEGORY_CODES),
  maker: z.string().trim().max(120).default(''),
  name: nameSchema,
  placeId: idSchema.nullable().default(null),
  tag: tagSchema.nullable().default(null),
  /** So many alike, each with a tag of its own; the first is answered. */
  count: z.number().int().min(1, 'At least one.').max(60, 'At most 60 at once.').default(1),
  facts: factsSchema.default({}),
  specs: moreSpecsSchema.default({}),
  /** Which of the facts are only what is usual of such things. */
  usual: usualSchema,
  nickname: z.string().trim().max(80).default(''),
})

/** Routes of things. */
export const unitContract = defineContract('kit', {
  'get /units': {
    summary: 'One page of things by tag, filtered',
    permission: 'see-studio',
    query: unitListQuery,
    reply: unitPageReplySchema,
  },
  'get /units/heard': {
    summary: 'Things of which something is only heard and wants to be tried',
    permission: 'see-studio',
    reply: z.array(hearsaySchema),
  },
  'get /units/count': {
    summary: 'How many things of how many models',
    permission: 'see-studio',
    query: kitFilterSchema,
    reply: z.object({
      units: z.number(),
      models: z.number(),
    }),
  },
  'post /units': {
    summary: 'Add a thing by quick entry',
    permission: 'change-kit',
    body: quickEntrySchema,
    reply: keptUnitSchema,
    status: 201,
  },
  'get /units/:id': {
    summary: 'A thing with its model, where it serves, its faults and its money',
    permission: 'see-studio',
    reply: unitReplySchema,
  },
  'patch /units/:id': {
    summary: 'Change a thing',
    permission: 'change-kit',
    body: unitChangeSchema,
    reply: keptUnitSchema,
    isChange: true,
  },
  'delete /units/:id': {
    summary: 'Archive a thing; its history stays',
    permission: 'change-kit',
    reply: versionedSchema,
    isChange: true,
  },
  'post /units/:id/restore': {
    summary: 'Bring a thing back from the archive',
    permission: 'change-kit',
    body: z.object({}),
    reply: versionedSchema,
    isChange: true,
  },
  'post /units/:id/duplicate': {
    summary: 'Add further pieces like a thing: all but its tag, serial, nickname and remarks',
    permission: 'change-kit',
    body: z.object({ count: z.number().int().min(1, 'At least one.').max(50, 'At most 50 at once.') }),
    reply: z.array(
      z.object({
        id: z.string(),
        tag: z.string(),
      }),
    ),
    status: 201,
  },
  'put /units/:id/controllers': {
    summary: 'What controls a thing beside what goes with it: one controller may run several things',
    permission: 'change-kit',
    body: z.object({ unitIds: z.array(idSchema).max(20, 'At most 20.') }),
    reply: z.object({ id: z.string(), version: z.number() }),
    isChange: true,
  },
  'post /units/:id/merge': {
    summary: 'Two records of one thing become one: this one goes into another, with all that names it',
    permission: 'change-kit',
    body: z.object({ intoId: idSchema }),
    reply: z.object({
      id: z.string(),
    }),
    isChange: true,
  },
})
