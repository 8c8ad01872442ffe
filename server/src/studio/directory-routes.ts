import {
  newPartySchema,
  newPersonSchema,
  newPlaceSchema,
  partySchema,
  personSchema,
  placeSchema,
  SUBJECT_TYPES,
} from '@exemplar/core'
import { and, desc, eq } from 'drizzle-orm'
import { z } from 'zod'
import { requireVersion, write } from '../foundation/house.ts'
import { refuseField } from '../foundation/problem.ts'
import { defineRoute } from '../foundation/route.ts'
import { events, parties, people, places } from './tables.ts'

const room = 'studio'

/** People, parties and places: who and where. */
export const directoryRoutes = [
  defineRoute({
    method: 'get',
    path: '/people',
    room,
    summary: 'Everybody of the team',
    reply: z.array(personSchema),
    handle: (_, { db }) => db.select().from(people).orderBy(people.name).all(),
  }),
  defineRoute({
    method: 'post',
    path: '/people',
    room,
    summary: 'Add a person',
    body: newPersonSchema,
    reply: personSchema,
    status: 201,
    handle: ({ body, personId }, house) =>
      write(house, personId, ({ tx, newId, log }) => {
        const person = tx
          .insert(people)
          .values({ ...body, id: newId() })
          .returning()
          .get()
        log('created', 'person', person.id, { after: person })
        return person
      }),
  }),
  defineRoute({
    method: 'put',
    path: '/people/:id',
    room,
    summary: 'Change a person',
    body: newPersonSchema,
    reply: personSchema,
    isChange: true,
    handle: ({ params, body, version, personId }, house) =>
      write(house, personId, ({ tx, log }) => {
        const id = params.id ?? ''
        const before = requireVersion(tx.select().from(people).where(eq(people.id, id)).get(), version, 'person')
        const after = { ...body, version: before.version + 1 }
        log('changed', 'person', id, { before, after })
        return tx.update(people).set(after).where(eq(people.id, id)).returning().get()
      }),
  }),
  defineRoute({
    method: 'get',
    path: '/parties',
    room,
    summary: 'Vendors, lenders, clients and repairers',
    reply: z.array(partySchema),
    handle: (_, { db }) => db.select().from(parties).orderBy(parties.name).all(),
  }),
  defineRoute({
    method: 'post',
    path: '/parties',
    room,
    summary: 'Add a vendor, lender, client or repairer',
    body: newPartySchema,
    reply: partySchema,
    status: 201,
    handle: ({ body, personId }, house) =>
      write(house, personId, ({ tx, newId, log }) => {
        const party = tx
          .insert(parties)
          .values({ ...body, id: newId() })
          .returning()
          .get()
        log('created', 'party', party.id, { after: party })
        return party
      }),
  }),
  defineRoute({
    method: 'get',
    path: '/places',
    room,
    summary: 'Rooms, stores, shelves, cases and bags',
    reply: z.array(placeSchema),
    handle: (_, { db }) => db.select().from(places).orderBy(places.name).all(),
  }),
  defineRoute({
    method: 'post',
    path: '/places',
    room,
    summary: 'Add a place',
    body: newPlaceSchema,
    reply: placeSchema,
    status: 201,
    handle: ({ body, personId }, house) =>
      write(house, personId, ({ tx, newId, log }) => {
        const place = tx
          .insert(places)
          .values({ ...body, id: newId() })
          .returning()
          .get()
        log('created', 'place', place.id, { after: place })
        return place
      }),
  }),
  defineRoute({
    method: 'put',
    path: '/places/:id',
    room,
    summary: 'Change a place and its circuits',
    body: newPlaceSchema,
    reply: placeSchema,
    isChange: true,
    handle: ({ params, body, version, personId }, house) =>
      write(house, personId, ({ tx, log }) => {
        const id = params.id ?? ''
        const before = requireVersion(tx.select().from(places).where(eq(places.id, id)).get(), version, 'place')
        if (body.parentId === id) throw refuseField('/parentId', 'A place cannot stand inside itself.')
        const after = { ...body, version: before.version + 1 }
        log('changed', 'place', id, { before, after })
        return tx.update(places).set(after).where(eq(places.id, id)).returning().get()
      }),
  }),
  defineRoute({
    method: 'get',
    path: '/events',
    room,
    summary: 'What happened to one subject, newest first',
    query: z.object({ subjectType: z.enum(SUBJECT_TYPES), subjectId: z.string().max(64) }),
    handle: ({ query }, { db }) =>
      db
        .select({ id: events.id, at: events.at, kind: events.kind, data: events.data, person: people.name })
        .from(events)
        .leftJoin(people, eq(people.id, events.personId))
        .where(and(eq(events.subjectType, query.subjectType), eq(events.subjectId, query.subjectId)))
        .orderBy(desc(events.id))
        .limit(100)
        .all(),
  }),
]
