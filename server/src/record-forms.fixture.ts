import type { apiContract } from '@exemplar/core'
import type { makeCall } from './foundation/call.fixture.ts'

export type Call = ReturnType<typeof makeCall>

/** One form as it is sent, with every field told, and the record as it is read back. */
export interface Form {
  key: keyof typeof apiContract
  /** Fields that are none of this record's own, or that another record excludes, with the reason. */
  except?: readonly string[]
  /** How it is sent, where not as a new record. */
  send?(call: Call, sent: Record<string, unknown>): Promise<{ id: string }>
  sample: Record<string, unknown>
  /** The record as it is read back. */
  read(call: Call, made: { id: string }): Promise<unknown>
}

export const findIn = async (call: Call, path: string, id: string) =>
  (await call('GET', path)).find((it: { id: string }) => it.id === id)

export const NAME = 'Written down'
const CONTACT = { kind: 'mail', value: 'desk@larkmoor.example' }

export const RECORD_FORMS: readonly Form[] = [
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
    read: (call, { id }) => findIn(call, '/people', id),
  },
  {
    key: 'post /parties',
    sample: { name: NAME, kind: 'lender', note: 'closed on Mondays', contacts: [CONTACT] },
    read: (call, { id }) => findIn(call, '/parties', id),
  },
  {
    key: 'post /films',
    sample: { title: NAME, on: '2026-11-01', setupId: 'gi', copies: [{ unitId: 'CAM-01', folder: '/films/one' }] },
    read: (call, { id }) => findIn(call, '/films', id),
  },
  {
    key: 'post /shopping',
    sample: {
      item: NAME,
      quantity: 3,
      reason: 'one is torn',
      stockId: null,
      setupId: 'gi',
      partOfId: 'sallow-dome',
      group: 'light',
      wants: [{ code: 'holds', least: 1_000_000 }],
      noneBecause: 'too small',
      price: { kind: 'quote', netMinor: 5_400, taxMinor: 1_080, on: '2026-11-20', source: 'Sorrel, by post' },
    },
    // A line is for a setup or to fill up a stock.
    except: ['/stockId'],
    read: (call, { id }) => findIn(call, '/shopping', id),
  },
  {
    key: 'post /decisions',
    sample: {
      calculator: 'pay-back',
      about: NAME,
      figures: { cost: 40_000, earning: 5_000, spending: 1_000, sessions: 3 },
      way: 'Buy it',
      reason: 'Back within the year.',
      on: '2026-11-24',
    },
    read: (call, { id }) => findIn(call, '/decisions', id),
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
    read: (call, { id }) => findIn(call, '/ledger/entries?year=2026', id),
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
        doors: [{ id: 'd1', name: 'Door', widthMm: 900, heightMm: 2_000, wall: 'left', fromMm: 1_200 }],
        windows: [
          { id: 'w1', name: 'North', bearingDegrees: 10, widthMm: 1_200, heightMm: 1_000, wall: 'back', fromMm: 700 },
        ],
        sockets: [{ id: 's1', name: 'By the door', circuitId: 'c1', xMm: 100, yMm: 200, zMm: 300 }],
        bars: [{ id: 'b1', name: 'Bar', kind: 'bar', heightMm: 2_400, loadGrams: 20_000 }],
        fixtures: [
          {
            id: 'f1',
            name: 'Tubes',
            kind: 'light',
            kelvin: 4_000,
            canSwitchOff: true,
            note: 'by the door',
            xMm: 900,
            yMm: 600,
          },
        ],
        wishes: [{ id: 'x1', text: 'A blind', costMinor: 9_000, isDone: true }],
        colours: ['#2d6b4f'],
        position: { latitude: 51.52, longitude: -3.18 },
        otherUses: 'seed sorting on Fridays',
        accessTerms: 'key at the gate',
        accessUntil: '2027-06-30',
        massLimitGrams: 500_000,
      },
    },
    read: (call, { id }) => findIn(call, '/places', id),
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
      needsFloor: true,
      sky: 'broken',
    },
    read: async (call, { id }) => {
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
          newestVersion: '2.2',
          checkedOn: '2026-11-20',
        },
      ],
      nickname: 'Old sun',
      nowPlaceId: 'studio',
      parentId: 'CAM-01',
      bond: 'rider',
      standsInFor: 'a window',
      remarks: [{ kind: 'temporary-fix', text: 'fan', source: 'seen', recheckOn: '2026-12-01', heldById: 'CEL-01' }],
      provenance: {
        taxMinor: 20,
        valueMinor: 9_000,
        valueOn: '2026-01-01',
        replacementMinor: 20_000,
        insuredMinor: 15_000,
        askMinor: 9_000,
        warrantyUntil: '2027-02-01',
        warrantyTerms: 'parts alone',
        coverUntil: '2028-02-01',
        coverAccidents: 'yes',
        coverYearMinor: 1_200,
        claimSteps: 'the invoice',
        claimDays: 14,
        keptBecause: 'the series',
        keptUntil: '2027-05-01',
        duties: [{ what: 'a film', dueOn: '2026-12-01', doneOn: '2026-11-20', filmId: 'FIRST-FILM' }],
        disclosure: 'Given to us.',
        interest: 'code FERN',
        interestKind: 'viewers-save',
        interestUntil: '2026-12-31',
        viewerCode: { code: 'FERN10', percent: 10, until: '2026-12-24' },
        paidInFull: true,
        conditionOnArrival: 'a dent',
        reason: 'quiet',
      },
      fills: [{ on: '2026-11-01', usedMegabytes: 1_000 }],
      season: { from: 3, to: 5 },
      banks: [{ bank: 'C1', setupId: 'gi', roleId: 'key', print: '{}', storedOn: '2026-11-01' }],
      charge: { state: 'full', on: '2026-11-20' },
    },
    // Which model it is, its page of identifying says.
    except: ['/modelId'],
    send: async (call, sent) => call('PATCH', '/units/LGT-06', sent, (await call('GET', '/units/LGT-06')).unit.version),
    read: async (call) => (await call('GET', '/units/LGT-06')).unit,
  },
]
