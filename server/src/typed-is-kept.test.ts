import { apiContract } from '@exemplar/core'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { z } from 'zod'
import { startApi, type TestApi } from './foundation/api.fixture.ts'
import { makeCall } from './foundation/call.fixture.ts'

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

interface Form {
  key: keyof typeof apiContract
  /** Fields that are none of this record's own, or that another record excludes, with the reason. */
  except?: readonly string[]
  version?: number
  sample: Record<string, unknown>
  /** The record as it is read back. */
  read(made: { id: string }): Promise<unknown>
}

const findIn = async (path: string, id: string) => (await call('GET', path)).find((it: { id: string }) => it.id === id)

const NAME = 'Written down'
const CONTACT = { kind: 'mail', value: 'desk@larkmoor.example' }

const FORMS: Form[] = [
  {
    key: 'post /people',
    sample: {
      name: NAME,
      skills: ['focus'],
      note: 'left-handed',
      contacts: [CONTACT],
      traits: [{ trait: 'stays-seated', until: '2026-12-20', note: 'knee' }],
      consent: { state: 'given', on: '2026-11-01', note: 'not on the web' },
    },
    read: ({ id }) => findIn('/people', id),
  },
  {
    key: 'post /parties',
    sample: { name: NAME, kind: 'lender', note: 'closed on Mondays', contacts: [CONTACT] },
    read: ({ id }) => findIn('/parties', id),
  },
  {
    key: 'post /films',
    sample: { title: NAME, on: '2026-11-01', setupId: 'gi', copies: [{ unitId: 'CAM-01', folder: '/films/one' }] },
    read: ({ id }) => findIn('/films', id),
  },
  {
    key: 'post /shopping',
    sample: { item: NAME, quantity: 3, reason: 'one is torn', stockId: null, setupId: 'gi', group: 'light' },
    // A line is for a setup or to fill up a stock.
    except: ['/stockId'],
    read: ({ id }) => findIn('/shopping', id),
  },
  {
    key: 'post /ledger/entries',
    sample: {
      date: '2026-11-02',
      kind: 'repair',
      category: 'light',
      description: NAME,
      netMinor: 4_200,
      taxMinor: 840,
      partyId: 'FIRST-PARTY',
      unitId: 'LGT-06',
    },
    read: ({ id }) => findIn('/ledger/entries?year=2026', id),
  },
  {
    key: 'post /places',
    sample: {
      name: NAME,
      kind: 'room',
      parentId: 'studio',
      circuits: [{ id: 'c1', name: 'Wall', volts: 230, amps: 13, outlets: 4, outletInterface: 'mains-bs1363' }],
      note: 'cold in winter',
      details: {
        size: { widthMm: 4_000, depthMm: 5_000, heightMm: 2_500 },
        doors: [{ id: 'd1', name: 'Door', widthMm: 900, heightMm: 2_000 }],
        windows: [{ id: 'w1', name: 'North', bearingDegrees: 10, widthMm: 1_200, heightMm: 1_000 }],
        sockets: [{ id: 's1', name: 'By the door', circuitId: 'c1', xMm: 100, yMm: 200, zMm: 300 }],
        bars: [{ id: 'b1', name: 'Bar', kind: 'bar', heightMm: 2_400, loadGrams: 20_000 }],
        fixtures: [{ id: 'f1', name: 'Tubes', kind: 'light', kelvin: 4_000, canSwitchOff: true, note: 'by the door' }],
        wishes: [{ id: 'x1', text: 'A blind', costMinor: 9_000, isDone: true }],
        colours: ['#2d6b4f'],
        otherUses: 'seed sorting on Fridays',
        accessTerms: 'key at the gate',
        accessUntil: '2027-06-30',
        massLimitGrams: 500_000,
      },
    },
    read: ({ id }) => findIn('/places', id),
  },
  {
    key: 'post /bookings',
    sample: {
      kind: 'shoot',
      title: NAME,
      setupId: 'gi',
      unitIds: ['LGT-06'],
      placeId: 'studio',
      personIds: ['FIRST-PERSON'],
      startsAt: '2027-03-10T10:00',
      endsAt: '2027-03-10T12:00',
      rigMinutes: 30,
      strikeMinutes: 20,
      state: 'pencilled',
      note: 'bring cake',
      partyId: 'FIRST-PARTY',
      feeMinor: 12_000,
    },
    read: async ({ id }) => {
      const reply = await call('GET', `/bookings/${id}`)
      return reply.booking ?? reply
    },
  },
  {
    key: 'patch /units/:id',
    sample: {
      tag: 'LGT-99',
      serial: 'DA-0001',
      state: 'standby',
      placeId: 'studio',
      acquisition: 'gift',
      acquiredOn: '2025-02-01',
      priceMinor: 100,
      partyId: 'FIRST-PARTY',
      dueOn: '2027-01-05',
      healthPercent: 91,
      serviceEveryDays: 180,
      lastServicedOn: '2026-08-01',
      note: 'hums',
      ownerId: 'FIRST-PERSON',
      ownerAgreed: true,
      software: [
        {
          kind: 'app',
          name: 'Lamp app',
          version: '2.1',
          where: 'store laptop',
          onUnitId: 'CAM-01',
          media: 'disc',
          needsWireless: true,
          minimumMemoryGigabytes: 8,
          minimumGraphicsGigabytes: 2,
        },
      ],
      nickname: 'Old sun',
      nowPlaceId: 'studio',
      parentId: 'CAM-01',
      bond: 'rider',
      standsInFor: 'a window',
      remarks: [{ kind: 'weakness', text: 'fan', source: 'seen' }],
      provenance: {
        taxMinor: 20,
        valueMinor: 9_000,
        valueOn: '2026-01-01',
        replacementMinor: 20_000,
        insuredMinor: 15_000,
        warrantyUntil: '2027-02-01',
        warrantyTerms: 'parts alone',
        duties: [{ what: 'a film', dueOn: '2026-12-01', doneOn: '2026-11-20' }],
        disclosure: 'Given to us.',
        interest: 'code FERN',
        interestKind: 'viewers-save',
        interestUntil: '2026-12-31',
        conditionOnArrival: 'a dent',
        reason: 'quiet',
      },
      fills: [{ on: '2026-11-01', usedMegabytes: 1_000 }],
      season: { from: 3, to: 5 },
      banks: [{ bank: 'C1', setupId: 'gi', roleId: 'key', print: '{}', storedOn: '2026-11-01' }],
    },
    // Which model it is, its page of identifying says.
    except: ['/modelId'],
    version: 1,
    read: async () => (await call('GET', '/units/LGT-06')).unit,
  },
]

/** A setup with every field of every part told, and a second role for the first to name. */
const SETUP_ROLE = {
  id: 'r1',
  group: 'light',
  name: 'Key',
  importance: 'wanted',
  wants: 'light',
  wantsModelId: 'FIRST-MODEL',
  detail: '1.5 m, 40° left',
  spare: 'nice',
  intentionallyEmpty: true,
  anyOfUnitIds: ['LGT-02', 'LGT-03'],
  providedBy: { kind: 'feature', roleId: 'r2', feature: 'flipScreen' },
  goesWith: 'r2',
  mayShare: true,
  position: { distanceMm: 1_500, sideDegrees: 40, heightMm: 1_900, focalMm: 35 },
  settings: [{ name: 'level', value: '40 %' }],
  stays: true,
  rigMinutes: 7,
  things: [
    {
      unitId: 'LGT-02',
      stockId: null,
      quantity: 1,
      powerModeId: 'mains',
      recordingModeId: 'usual',
      runsBriefly: true,
      isSpare: true,
    },
  ],
}

FORMS.push({
  key: 'post /setups',
  sample: {
    code: 'ZY',
    name: NAME,
    tape: 'plum',
    purpose: 'one person at a bench',
    purposeKind: 'interview',
    skills: ['focus'],
    asks: ['standing'],
    demands: ['self-view'],
    accepted: [
      {
        key: 'joins-nothing/x',
        fingerprint: 'f',
        reason: 'fine',
        on: '2026-11-24', // Whoever is signed in, whatever is sent.
        by: 'Imke Harrow',
        until: '2026-12-24',
      },
    ],
    variantOf: 'gi',
    links: [
      {
        from: { unitId: 'LGT-02', portId: 'receiver' },
        via: ['CAB-01'],
        to: { unitId: 'STD-01', portId: 'top' },
        neededMm: 900,
      },
    ],
    isMirrored: true,
    speakers: 2,
    shot: 'half',
    carriers: 1,
    overrides: {
      figures: { sparePacks: 2, cardHeadroomPercent: 20, packEfficiencyPercent: 80, continuousLoadPercent: 70 },
      schools: { redundancy: 'lean' },
    },
    placeId: 'studio',
    circuitId: 'FIRST-CIRCUIT',
    plannedMinutes: 45,
    note: 'quiet please',
    roles: [SETUP_ROLE, { ...SETUP_ROLE, id: 'r2', name: 'Camera', things: [], providedBy: null, goesWith: null }],
  },
  // One thing, or some of a stock.
  except: ['/roles/0/things/0/stockId'],
  read: ({ id }) => call('GET', `/setups/${id}`),
})

/** The sample with the ids of somebody and some firm that are there. */
async function withIds(sample: object): Promise<Record<string, unknown>> {
  const [person] = await call('GET', '/people')
  const [party] = await call('GET', '/parties')
  const [model] = await call('GET', '/models')
  const { circuits } = await call('GET', '/places/studio')
  const text = JSON.stringify(sample)
    .replaceAll('FIRST-PERSON', person.id)
    .replaceAll('FIRST-PARTY', party.id)
    .replaceAll('FIRST-MODEL', model.id)
    .replaceAll('FIRST-CIRCUIT', circuits[0]?.id)
  return JSON.parse(text)
}

describe('law 12: what is typed is kept', () => {
  test.each(FORMS)('$key: every field is sent, stored and read back', async ({ key, sample, except = [], read }) => {
    const { body } = apiContract[key] as { body: z.ZodType }
    expect(listOpen(shapeOf(body), sample).filter((it) => !except.includes(it))).toEqual([])
    const sent = await withIds(sample)
    const [method = '', path = ''] = key.split(' ')
    const isChange = method === 'patch'
    const version = isChange ? (await call('GET', '/units/LGT-06')).unit.version : undefined
    const made = await call(method.toUpperCase(), path.replace(':id', 'LGT-06'), sent, version)
    // What is read back may say more beside it.
    expect(await read(made)).toMatchObject(sent)
  })

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
