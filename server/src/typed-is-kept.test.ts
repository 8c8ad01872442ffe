import { apiContract } from '@exemplar/core'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { z } from 'zod'
import { startApi, type TestApi } from './foundation/api.fixture.ts'
import { makeCall } from './foundation/call.fixture.ts'
import { FURTHER_FORMS } from './further-forms.fixture.ts'
import { NAME, RECORD_FORMS } from './record-forms.fixture.ts'

/** What is typed is kept, for every field of every form: each is filled, sent, and read back as it was. */
let api: TestApi
beforeAll(async () => {
  api = await startApi({ demo: true })
})
afterAll(() => api.close())
const call = makeCall(() => api)

/** The parts of a JSON schema that are walked here. */
interface Shape {
  properties?: Record<string, Shape>
  items?: Shape
  anyOf?: Shape[]
}

const isTold = (value: unknown): boolean =>
  value !== null && value !== undefined && value !== '' && value !== false && !(Array.isArray(value) && !value.length)

/** Fields of a form that a sample leaves open, however deep: one that is new to the form is named here until it is filled. */
function listOpen(shape: Shape, sample: unknown, path = ''): string[] {
  if (!isTold(sample)) return [path]
  const own = shape.anyOf?.find((it) => it.properties || it.items) ?? shape
  if (own.properties) {
    return Object.entries(own.properties).flatMap(([key, part]) =>
      listOpen(part, (sample as Record<string, unknown>)[key], `${path}/${key}`),
    )
  }
  return own.items && Array.isArray(sample) ? listOpen(own.items, sample[0], `${path}/0`) : []
}

const shapeOf = (body: z.ZodType) => z.toJSONSchema(body, { io: 'input', unrepresentable: 'any' }) as Shape

/** The sample with the ids of somebody and some firm that are there. */
async function withIds(sample: object): Promise<Record<string, unknown>> {
  const [person] = await call('GET', '/people')
  const [party] = await call('GET', '/parties')
  const [model] = await call('GET', '/models')
  const film =
    (await call('GET', '/films'))[0] ??
    (await call('POST', '/films', { title: 'Ferns', on: '2026-11-20', setupId: null, copies: [] }))
  const { circuits } = await call('GET', '/places/studio')
  const text = JSON.stringify(sample)
    .replaceAll('FIRST-PERSON', person.id)
    .replaceAll('FIRST-PARTY', party.id)
    .replaceAll('FIRST-FILM', film.id)
    .replaceAll('FIRST-MODEL', model.id)
    .replaceAll('FIRST-CIRCUIT', circuits[0]?.id)
  return JSON.parse(text)
}

const FORMS = [...RECORD_FORMS, ...FURTHER_FORMS]

describe('law 12: what is typed is kept', () => {
  test.each(FORMS)(
    '$key: every field is sent, stored and read back',
    async ({ key, sample, except = [], send, read }) => {
      const { body } = apiContract[key] as { body: z.ZodType }
      expect(listOpen(shapeOf(body), sample).filter((it) => !except.includes(it))).toEqual([])
      const sent = await withIds(sample)
      const made = send ? await send(call, sent) : await call('POST', key.split(' ')[1] ?? '', sent)
      // What is read back may say more beside it.
      expect(await read(call, made)).toMatchObject(sent)
    },
  )

  test('the settings of the studio as well', async () => {
    const { version, now: _now, ...studio } = await call('GET', '/studio')
    const { body } = apiContract['put /studio'] as { body: z.ZodType }
    const sent = {
      ...studio,
      name: NAME,
      currency: 'EUR',
      unitSystem: 'imperial',
      country: 'DE',
      plugSystem: 'continental',
      mainsVolts: 231,
      sparePacks: 2,
      brandColours: ['#2d6b4f'],
    }
    const keys = Object.keys(shapeOf(body).properties ?? {})
    expect(keys.filter((it) => !(it in sent))).toEqual([])
    await call('PUT', '/studio', sent, version)
    const kept = await call('GET', '/studio')
    expect(Object.fromEntries(keys.map((it) => [it, kept[it]]))).toEqual(
      Object.fromEntries(keys.map((it) => [it, sent[it]])),
    )
  })
})

/** What takes no record of its own but a deed, or is tried elsewhere, each with where. */
const NOT_RECORDS: Readonly<Record<string, string>> = {
  'post /faults/:id/mend': 'a deed: mended, with its word in the history',
  'post /bookings/check': 'writes nothing',
  'put /decisions/:id': 'the form of a new decision',
  'post /kit-plans': 'its setup and its name: needs-of-kits.test.ts',
  'post /kit-plans/:id/options': 'the form of a kit, and what it is as of any thing: needs-of-kits.test.ts',
  'post /kit-plans/:id/taken': 'a deed: needs-of-kits.test.ts',
  'post /wishes': 'the form of a change, and what it is as of any thing: needs-of-wishes.test.ts',
  'post /wishes/:id/ordered': 'a deed: needs-of-wishes.test.ts',
  'post /wishes/:id/arrived': 'a deed: needs-of-wishes.test.ts',
  'put /bookings/:id': 'the form of a new booking',
  'put /service-plans/:id': 'the form of a new plan',
  'put /incidents/:id': 'the form of a new one',
  'post /bookings/:id/take-out': 'a deed',
  'post /bookings/:id/bring-back': 'a deed',
  'put /ledger/entries/:id': 'the form of a new entry',
  'post /ledger/entries/:id/refunds': 'its sums and its day: needs-of-money.test.ts',
  'put /shopping/:id/price': 'the price of a new line',
  'post /units/:id/sold': 'a deed: needs-of-sales.test.ts',
  'post /first-hour': 'made into things and setups: first-hour.spec.ts',
  'post /examples/:code': 'made into things and a setup: example-studios.test.ts',
  'put /setups/:id': 'the form of a new setup',
  'post /stocktakes': 'a deed',
  'post /stocktakes/:id/seen': 'a deed',
  'post /stocktakes/:id/settle': 'a deed',
  'post /import/inventory/preview': 'writes nothing',
  'post /import/inventory': 'lists: kept-lists.test.ts',
  'post /import/inventory/told': 'lists: kept-lists.test.ts',
  'put /interfaces/:code': 'the form of a new one',
  'post /models/:id/facts': 'every question of every kind: facts-are-kept.test.ts',
  'post /models/:id/merge': 'a deed',
  'post /bundles': 'what is told of its parts: bundle-facts.test.ts; its price: taking-stock.test.ts',
  'post /units/change-many/preview': 'writes nothing',
  'post /units/change-many': 'fields of the form of a thing',
  'post /stock': 'every question of every kind: facts-are-kept.test.ts and each-kind.test.ts',
  'post /stock/:id/count': 'a deed',
  'post /units': 'every question of every kind: facts-are-kept.test.ts and each-kind.test.ts',
  'post /units/:id/restore': 'a deed',
  'post /units/:id/duplicate': 'a deed',
  'put /units/:id/controllers': 'controllers.test.ts',
  'post /units/:id/merge': 'a deed',
  'post /units/:id/part-requests': 'its line and its remark: needs-of-fitting.test.ts',
  'post /access/first-run': 'access.test.ts',
  'post /access/sign-in': 'a deed',
  'post /access/step-in': 'a deed',
  'post /access/password': 'a deed',
  'post /access/invitations': 'access.test.ts',
  'put /access/accounts/:id': 'access.test.ts',
  'post /access/invitations/:token': 'a deed',
  'post /backups/:name/restore': 'a deed',
  'post /backups/drill': 'a deed',
  'post /access/confirm': 'a deed',
  'put /access/second-factor': 'a deed',
  'put /people/:id': 'the form of a new person',
  'put /parties/:id': 'the form of a new one',
  'put /places/:id': 'the form of a new place',
  'put /films/:id': 'the form of a new film',
  'put /studio': 'the settings, above',
}

test('law 12: every form of the contract is tried, or the list says why it is none', () => {
  const tried = new Set<string>(FORMS.map((it) => it.key))
  const withBody = Object.entries(apiContract).flatMap(([key, route]) => ('body' in route && route.body ? [key] : []))
  expect(withBody.filter((it) => !tried.has(it) && !(it in NOT_RECORDS))).toEqual([])
  expect(Object.keys(NOT_RECORDS).filter((it) => tried.has(it) || !withBody.includes(it))).toEqual([])
})
