import { z } from 'zod'
import { bookingSchema } from '../../diary/booking.ts'
import { CATEGORY_CODES } from '../../kit/model/category.ts'
import { modelSchema } from '../../kit/model/model.ts'
import { lifeStateSchema } from '../../kit/unit/unit.ts'
import { findingHelpSchema } from '../../setups/proposals/remedies.ts'
import { newSetupSchema, setupSchema } from '../../setups/setup/setup.ts'
import { readinessChangeSchema } from '../../setups/verdict/assessment-change.ts'
import { readinessSchema, verdictSchema } from '../../setups/verdict/readiness.ts'
import { findingLevelSchema } from '../../studio/finding.ts'
import { idSchema } from '../../studio/identity.ts'
import { circuitSchema } from '../../studio/places/place.ts'
import { defineContract } from '../contract.ts'
import { contextQuery, keptModelSchema, keptStockSchema, keptUnitSchema, versionedSchema } from '../replies.ts'

export const setupCardSchema = z.object({
  ...setupSchema.shape,
  ...verdictSchema.shape,
  things: z.number(),
  next: bookingSchema.nullable(),
})
export type SetupCard = z.infer<typeof setupCardSchema>

export const setupReplySchema = z.object({
  ...setupSchema.shape,
  next: bookingSchema.nullable(),
  circuits: z.array(circuitSchema),
  /** Where else its things serve, by thing. */
  usedIn: z.record(
    z.string(),
    z.array(
      z.object({
        code: z.string(),
        role: z.string(),
      }),
    ),
  ),
  /** Tags of things that roles list as taking turns, by id. */
  listed: z.record(z.string(), z.string()),
  /** Attachments that show its things, by thing. */
  photos: z.record(z.string(), z.string()),
  units: z.array(keptUnitSchema.partial({ archivedAt: true })),
  stock: z.array(keptStockSchema.partial({ archivedAt: true })),
  models: z.array(keptModelSchema.partial({ archivedAt: true })),
})
export type SetupReply = z.infer<typeof setupReplySchema>

export const moveCheckReplySchema = z.object({
  placeId: z.string(),
  circuitId: z.string().nullable(),
  counts: z.record(findingLevelSchema, z.number()),
  change: readinessChangeSchema,
  missed: z.array(
    z.object({
      text: z.string(),
    }),
  ),
})
export type MoveCheckReply = z.infer<typeof moveCheckReplySchema>

export const thingChoicesSchema = z.object({
  units: z.array(
    z.object({
      id: z.string(),
      tag: z.string(),
      state: lifeStateSchema,
      maker: z.string(),
      name: z.string(),
      category: modelSchema.shape.category,
    }),
  ),
  stock: z.array(
    z.object({
      id: z.string(),
      tag: z.string(),
      quantity: z.number(),
      maker: z.string(),
      name: z.string(),
      category: modelSchema.shape.category,
    }),
  ),
})
export type ThingChoices = z.infer<typeof thingChoicesSchema>

const { id, code, tape, name, placeId, plannedMinutes, skills } = setupSchema.shape
/** What a list to choose from, a bar of the diary and a label need of a setup: nothing of it is judged. */
export const setupNameSchema = z.object({ id, code, tape, name, placeId, plannedMinutes, skills })
export type SetupName = z.infer<typeof setupNameSchema>

/** Routes of setups and their verdicts. */
export const setupContract = defineContract('setups', {
  'get /setup-names': {
    summary: 'Every setup by its name, tape, room and length, to choose from',
    permission: 'see-studio',
    reply: z.array(setupNameSchema),
  },
  'get /setups': {
    summary: 'Every setup with its verdict and its next booking',
    permission: 'see-studio',
    reply: z.array(setupCardSchema),
  },
  'post /setups': {
    summary: 'Make a setup',
    permission: 'change-setups',
    body: newSetupSchema,
    reply: setupSchema,
    status: 201,
  },
  'get /setups/:id': {
    summary: 'A setup with the things in its roles, by name',
    permission: 'see-studio',
    reply: setupReplySchema,
  },
  'put /setups/:id': {
    summary: 'Change a setup as a whole',
    permission: 'change-setups',
    body: newSetupSchema,
    reply: setupSchema,
    isChange: true,
  },
  'delete /setups/:id': {
    summary: 'Archive a setup; its bookings stay',
    permission: 'change-setups',
    reply: versionedSchema,
    isChange: true,
  },
  'get /setups/:id/readiness': {
    summary: 'Judge a setup for one of its bookings, or as it stands',
    permission: 'see-studio',
    query: z.object({ bookingId: z.string().max(64).optional() }),
    reply: readinessSchema,
  },
  'get /setups/:id/remedies': {
    summary: 'What could be done about one finding: free things, other ways to run it, buying',
    permission: 'see-studio',
    query: contextQuery.extend({ key: z.string().min(1).max(300) }),
    /** With the attachments that show the things that a way out would bring, by thing. */
    reply: findingHelpSchema.extend({ photos: z.record(z.string(), z.string()) }),
  },
  'get /setups/:id/move-check': {
    summary: 'What would be different in another room, and what that room would lack',
    permission: 'see-studio',
    query: z.object({ placeId: idSchema }),
    reply: moveCheckReplySchema,
  },
  'get /things': {
    summary: 'Things and stock to choose from for a role',
    permission: 'see-studio',
    query: z.object({ find: z.string().max(80).default(''), category: z.enum(CATEGORY_CODES).optional() }),
    reply: thingChoicesSchema,
  },
})
