import { z } from 'zod'
import { idSchema, nameSchema } from '../../studio/identity.ts'
import { sizeSchema } from '../../studio/places/place.ts'
import { countrySchema } from '../../studio/policy/countries.ts'
import { PURPOSE_CODES } from '../../studio/policy/purpose.ts'
import { defineContract } from '../contract.ts'

/** The three answers with which a studio begins: what is filmed, where, and with what. */
export const firstHourSchema = z.object({
  purposes: z
    .array(z.enum(PURPOSE_CODES))
    .min(1, 'Choose at least one.')
    .max(6, 'At most six to begin with.')
    .refine((it) => new Set(it).size === it.length, 'Each once.'),
  country: countrySchema,
  room: z.object({ name: nameSchema, size: sizeSchema.nullable() }),
  things: z
    .array(z.object({ starter: nameSchema, count: z.number().int().min(1).max(60) }))
    .max(120)
    .default([]),
})

/** Where an example is to stand: in a room that is here, or in one of its own. */
export const startExampleSchema = z.object({ placeId: idSchema.nullable().default(null) })

/** The first hour of a studio. */
export const firstHourContract = defineContract('setups', {
  'post /first-hour': {
    summary: 'Begin with three answers: room, common things, and a setup for each purpose',
    permission: 'change-settings',
    body: firstHourSchema,
    reply: z.object({ setupIds: z.array(z.string()), things: z.number() }),
    status: 201,
  },
  'post /examples/:code': {
    summary: 'Start from an example studio: its things, and a setup with them in their roles',
    permission: 'change-settings',
    body: startExampleSchema,
    reply: z.object({ setupId: z.string(), things: z.number() }),
    status: 201,
  },
})
