import { z } from 'zod'
import { placeSunSchema } from '../../formulas/room/place-sun.ts'
import { lifeStateSchema } from '../../kit/unit/unit.ts'
import { entrySchema } from '../../ledger/entry.ts'
import { newPartySchema, newPersonSchema, partySchema, personSchema } from '../../studio/people/person.ts'
import { vendorRecordSchema } from '../../studio/people/vendor-record.ts'
import { newPlaceSchema, placeKindSchema, placeSchema } from '../../studio/places/place.ts'
import { placeFindingSchema } from '../../studio/places/place-findings.ts'
import { dateSchema } from '../../units/wall-time.ts'
import { defineContract } from '../contract.ts'
import { versionedSchema } from '../replies.ts'

export const partyPageReplySchema = z.object({
  ...partySchema.shape,
  /** How their things and repairs did. */
  record: vendorRecordSchema,
  entries: z.array(entrySchema),
  units: z.array(
    z.object({
      id: z.string(),
      tag: z.string(),
      acquisition: z.string(),
      dueOn: z.string().nullable(),
      state: lifeStateSchema,
    }),
  ),
})
export type PartyPageReply = z.infer<typeof partyPageReplySchema>

export const placePageReplySchema = z.object({
  ...placeSchema.shape,
  findings: z.array(placeFindingSchema),
  living: z.array(
    z.object({
      unitId: z.string(),
      tag: z.string(),
      name: z.string(),
      massGrams: z.number().nullable(),
    }),
  ),
  inside: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      kind: placeKindSchema,
    }),
  ),
  ahead: z.array(
    z.object({
      id: z.string(),
      title: z.string(),
      startsAt: z.string(),
      endsAt: z.string(),
      kind: z.string(),
    }),
  ),
  fits: z.array(
    z.object({
      unitId: z.string(),
      tag: z.string(),
      name: z.string(),
      standsIn: z.boolean().nullable(),
      widestMm: z.number().nullable(),
      throughDoor: z.union([z.string(), z.literal(false)]).nullable(),
    }),
  ),
})
export type PlacePageReply = z.infer<typeof placePageReplySchema>

/** Routes of people, parties and places. */
export const directoryContract = defineContract('studio', {
  'get /people': {
    summary: 'Everybody of the team',
    permission: 'see-studio',
    reply: z.array(personSchema),
  },
  'post /people': {
    summary: 'Add a person',
    permission: 'change-directory',
    body: newPersonSchema,
    reply: personSchema,
    status: 201,
  },
  'put /people/:id': {
    summary: 'Change a person',
    permission: 'change-directory',
    body: newPersonSchema,
    reply: personSchema,
    isChange: true,
  },
  'delete /people/:id': {
    summary: 'Archive a person; what they did stays',
    permission: 'change-directory',
    reply: versionedSchema,
    isChange: true,
  },
  'get /parties': {
    summary: 'Vendors, lenders, clients and repairers',
    permission: 'see-studio',
    reply: z.array(partySchema),
  },
  'get /parties/:id': {
    summary: 'A vendor, lender, client or repairer with what they did here',
    permission: 'see-studio',
    reply: partyPageReplySchema,
  },
  'post /parties': {
    summary: 'Add a vendor, lender, client or repairer',
    permission: 'change-directory',
    body: newPartySchema,
    reply: partySchema,
    status: 201,
  },
  'put /parties/:id': {
    summary: 'Change a vendor, lender, client or repairer',
    permission: 'change-directory',
    body: newPartySchema,
    reply: partySchema,
    isChange: true,
  },
  'delete /parties/:id': {
    summary: 'Archive a vendor, lender, client or repairer; what they did stays',
    permission: 'change-directory',
    reply: versionedSchema,
    isChange: true,
  },
  'get /places': {
    summary: 'Rooms, stores, shelves, cases and bags',
    permission: 'see-studio',
    reply: z.array(placeSchema),
  },
  'get /places/:id': {
    summary: 'A place with what lives in it, what it asks, what stands booked there and what fits',
    permission: 'see-studio',
    reply: placePageReplySchema,
  },
  'get /places/:id/sun': {
    summary:
      'What the sun does at the windows of a room on a day and over the year, and how long there is daylight to film by',
    permission: 'see-studio',
    query: z.object({ date: dateSchema.optional() }),
    reply: placeSunSchema,
  },
  'post /places': {
    summary: 'Add a place',
    permission: 'change-directory',
    body: newPlaceSchema,
    reply: placeSchema,
    status: 201,
  },
  'put /places/:id': {
    summary: 'Change a place and all that is known of it',
    permission: 'change-directory',
    body: newPlaceSchema,
    reply: placeSchema,
    isChange: true,
  },
  'delete /places/:id': {
    summary: 'Archive a place that nothing counts on',
    permission: 'change-directory',
    reply: versionedSchema,
    isChange: true,
  },
})
