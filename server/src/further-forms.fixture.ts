import { type Form, findIn, NAME } from './record-forms.fixture.ts'

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
  oftenForgotten: true,
  position: { distanceMm: 1_500, sideDegrees: 40, heightMm: 1_900, focalMm: 35, fromLensMm: 120, looksDown: true },
  light: { job: 'fill', lux: 340.5, lossStops: 1.5, tintMired: 12, isColourMeant: true },
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

const SETUP_FORM: Form = {
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
    stage: {
      posture: 'seated',
      eyeMm: 1_180,
      backdropMm: 1_600,
      productMm: 350,
      background: 'white',
      daylight: 'overcast',
      windows: 'tamed',
      faceLux: 420.5,
      backgroundLux: 180,
      readings: [{ id: 'p1', name: 'left edge', lux: 175.5 }],
      houseLights: { 'st-f1': 'off' },
      move: 'pan',
      inPicture: ['shiny'],
      eyesores: [{ id: 'e1', what: 'light switch', cure: 'a fern before it', roleId: 'r2' }],
      whiteBalance: { kelvin: 5_450, on: '2026-11-20', lights: 'abc-12' },
      ratioStops: 1.5,
      correctionMinutes: 40,
      inPlaceId: 'studio',
      fromLeftMm: 1_700,
      fromFrontMm: 2_900,
      facesDegrees: 315,
      composition: 'the shelves lead to the face',
    },
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
  read: (call, { id }) => call('GET', `/setups/${id}`),
}

const RATING = { quantity: 'loadGrams', value: 4_000 }

/** Further forms: of a setup, of what a thing is, of its faults and services, and of what the studio keeps beside them. */
export const FURTHER_FORMS: readonly Form[] = [
  SETUP_FORM,
  {
    key: 'post /units/:id/faults',
    sample: {
      note: 'fan rattles',
      severity: 'unusable',
      bookingId: 'b-head',
      inFile: 'A012, 14:20',
      workAround: 'a second microphone',
      workAroundMinutes: 10,
      fails: 'sound',
      isNoisy: true,
      isHazard: true,
      valueLossMinor: 500,
    },
    send: (call, sent) => call('POST', '/units/LGT-02/faults', sent),
    read: async (call, { id }) =>
      (await call('GET', '/units/LGT-02')).faults.find((it: { id: string }) => it.id === id),
  },
  {
    key: 'post /services',
    // By which of the usual plans of the demo is looked up there.
    sample: { items: [{ unitId: 'CAM-02', planId: 'plan-1' }], on: '2026-11-20', note: 'fan cleaned' },
    send: (call, sent) => call('POST', '/services', sent),
    read: async (call) => {
      const { done } = await call('GET', '/units/CAM-02/upkeep')
      const { plans } = await call('GET', '/services')
      const { on, note, plan } = done[0]
      const planId = plans.find((it: { name: string }) => it.name === plan)?.id
      return { items: [{ unitId: 'CAM-02', planId }], on, note }
    },
  },
  {
    key: 'post /service-plans',
    sample: {
      name: NAME,
      subject: { kind: 'unit', unitId: 'LGT-02' },
      everyDays: 90,
      everyUses: 20,
      everyHours: 200,
      everyCycles: 60,
      healthBelow: 75,
      graceDays: 7,
      minutes: 15,
      steps: 'unplug, let it cool, blow',
      parts: 'a brush',
      who: 'Bram',
    },
    read: async (call, { id }) => (await call('GET', '/services')).plans.find((it: { id: string }) => it.id === id),
  },
  {
    key: 'post /incidents',
    sample: {
      on: '2026-11-20',
      what: 'a lamp fell',
      cause: 'one bag',
      saved: 'its tether',
      lesson: 'two bags',
      lessonFor: { kind: 'category', category: 'stand' },
      hit: [{ unitId: 'LGT-02', severity: 'usable' }],
    },
    read: async (call, { id }) => {
      const it = (await call('GET', '/incidents')).find((other: { id: string }) => other.id === id)
      const { faults } = await call('GET', '/units/LGT-02')
      const { severity } = faults.find((other: { note: string }) => other.note === 'a lamp fell')
      return { ...it, hit: it.hit.map(({ unitId }: { unitId: string }) => ({ unitId, severity })) }
    },
  },
  {
    key: 'post /units/:id/repairs',
    sample: {
      faultId: 'f-tube',
      claim: 'warranty',
      partyId: 'repairer',
      reference: 'R-118',
      dueOn: '2026-12-20',
      note: 'with its lead',
    },
    send: (call, sent) => call('POST', '/units/LGT-07/repairs', sent),
    read: async (call, { id }) => (await call('GET', '/repairs')).repairs.find((it: { id: string }) => it.id === id),
  },
  {
    key: 'put /repairs/:id',
    sample: {
      stage: 'back',
      claim: 'own',
      partyId: 'repairer',
      reference: 'R-7',
      dueOn: '2026-12-07',
      quoteMinor: 4_000,
      costMinor: 4_500,
      note: 'zooms again',
      on: '2026-11-24',
      taxMinor: 900,
    },
    send: async (call, sent) => {
      const { version } = (await call('GET', '/repairs')).repairs.find((it: { id: string }) => it.id === 'repair-zoom')
      return call('PUT', '/repairs/repair-zoom', sent, version)
    },
    // Its day is that of its stage, and its tax is that of the entry that it makes when it is done.
    read: async (call) => {
      const it = (await call('GET', '/repairs')).repairs.find((one: { id: string }) => one.id === 'repair-zoom')
      return { ...it, on: it.backOn, taxMinor: 900 }
    },
  },
  {
    key: 'post /units/:id/keep',
    sample: { because: 'the series', until: '2027-05-01' },
    send: async (call, sent) => call('POST', '/units/LGT-02/keep', sent, (await call('GET', '/units/LGT-02')).version),
    read: async (call) => {
      const { keptBecause, keptUntil } = (await call('GET', '/units/LGT-02')).unit.provenance
      return { because: keptBecause, until: keptUntil }
    },
  },
  {
    key: 'post /units/:id/capacity',
    sample: { on: '2026-11-20', milliwattHours: 44_000, cycles: 400, note: 'the panel at half' },
    send: (call, sent) => call('POST', '/units/PAK-A6/capacity', sent),
    read: async (call, { id }) =>
      (await call('GET', '/units/PAK-A6/upkeep')).runs.find((it: { id: string }) => it.id === id),
  },
  {
    key: 'post /readings',
    sample: {
      deviceId: 'charger',
      number: '7',
      tag: 'PAK-A7',
      at: Date.UTC(2026, 10, 24, 7),
      reading: { kind: 'charger', state: 'full', milliwattHours: 44_000, cycles: 401 },
    },
    read: async (call) => {
      const it = (await call('GET', '/readings')).find((one: { number: string }) => one.number === '7')
      return { ...it, reading: it.told }
    },
  },
  {
    key: 'post /stock/:id/uses',
    sample: { on: '2026-11-20', quantity: 3, note: 'two microphones' },
    send: (call, sent) => call('POST', '/stock/CEL-03/uses', sent),
    read: async (call) => {
      const { usedUp } = (await call('GET', '/supplies')).lines.find((it: { tag: string }) => it.tag === 'CEL-03')
      // Which day and what for stands in the history.
      return { on: '2026-11-20', quantity: usedUp, note: 'two microphones' }
    },
  },
  {
    key: 'post /units/:id/uses',
    sample: { on: '2026-11-20', uses: 2, hours: 3.5, note: 'a test' },
    send: (call, sent) => call('POST', '/units/LGT-02/uses', sent),
    read: async (call, { id }) =>
      (await call('GET', '/units/LGT-02/upkeep')).uses.find((it: { id: string }) => it.id === id),
  },
  {
    key: 'post /charges',
    sample: { unitIds: ['PAK-A6'], state: 'full', on: '2026-11-20' },
    send: (call, sent) => call('POST', '/charges', sent),
    read: async (call) => ({ unitIds: ['PAK-A6'], ...(await call('GET', '/units/PAK-A6')).unit.charge }),
  },
  {
    key: 'post /interfaces',
    sample: {
      label: NAME,
      kind: 'mount',
      hostName: 'body',
      guestName: 'lens',
      standard: 'our own',
      viaCableOnly: true,
    },
    read: async (call) => (await call('GET', '/interfaces')).find((it: { label: string }) => it.label === NAME),
  },
  {
    key: 'put /models/:id',
    sample: {
      maker: 'Larch',
      name: NAME,
      category: 'camera',
      specs: {
        massGrams: 700,
        energyMilliwattHours: 9_000,
        capacityMegabytes: 64_000,
        footprint: { widthMinMm: 100, widthMaxMm: 140, depthMm: 90, heightMm: 80 },
        told: { mount: 'none' },
        usual: ['massGrams'],
        none: ['medium'],
        more: { sensorWidthMm: 36 },
      },
      ports: [
        {
          id: 'foot',
          interfaces: ['thread-1-4'],
          side: 'guest',
          direction: 'none',
          count: 1,
          importance: 'wanted',
          carries: ['sound'],
          forbids: ['distribution'],
          rating: RATING,
          demand: RATING,
          exclusiveGroup: 'support',
        },
      ],
      powerModes: [{ id: 'mains', label: 'Mains', source: 'mains', milliwatts: 9_000, portIds: ['foot'] }],
      recordingModes: [{ id: 'usual', label: 'Usual', kilobitsPerSecond: 100_000, activeWidthMm: 24 }],
      aliases: ['Old one'],
      notInBox: ['A lead'],
      successorId: 'FIRST-MODEL',
      availability: 'at the corner',
      link: 'larch-one',
    },
    send: async (call, sent) => {
      const { modelId } = (await call('GET', '/units/CAM-06')).unit
      await call('PUT', `/models/${modelId}`, sent, (await call('GET', `/models/${modelId}`)).version)
      return { id: modelId }
    },
    read: (call, { id }) => call('GET', `/models/${id}`),
  },
  {
    key: 'patch /stock/:id',
    sample: {
      reorderLevel: 9,
      placeId: 'studio',
      supply: { expiresOn: '2027-01-01', leadDays: 5, source: 'the shop', secondSource: 'the post', perUse: 4 },
    },
    send: async (call, sent) => {
      const row = (await call('GET', '/stock')).find((it: { id: string }) => it.id === 'CEL-01')
      return call('PATCH', '/stock/CEL-01', sent, row.version)
    },
    read: (call) => findIn(call, '/stock', 'CEL-01'),
  },
  {
    key: 'post /kit-views',
    sample: {
      name: NAME,
      filter: {
        find: 'lamp',
        category: 'light',
        group: 'light',
        state: 'in-service',
        only: 'in-setup',
        placeId: 'studio',
        interface: 'spigot-16',
        setupId: 'gi',
        freeOn: '2026-12-01',
        idleMonths: 3,
        sort: 'used',
      },
      columns: ['kind', 'price'],
    },
    read: (call, { id }) => findIn(call, '/kit-views', id),
  },
  {
    key: 'put /ledger/budget',
    sample: { year: 2027, totalMinor: 700_000 },
    // A new budget has none yet.
    except: ['/version'],
    send: (call, sent) => call('PUT', '/ledger/budget', { ...sent, version: 0 }),
    read: async (call) => {
      const { budgetMinor, year } = await call('GET', '/ledger/spending?year=2027')
      return { year: year ?? 2027, totalMinor: budgetMinor }
    },
  },
  {
    key: 'put /wishes/:id',
    sample: {
      quantity: 2,
      defect: 'dark',
      severity: 3,
      reason: 'Too dark by a stop.',
      uses: [{ setupId: 'gi', roleId: 'gi-r3', insteadOfId: 'LGT-01', beside: true, powerModeId: 'mains' }],
      prices: [{ kind: 'quote', netMinor: 40_000, taxMinor: 8_000, on: '2026-11-02', source: 'by letter' }],
      discount: { percent: 12.5, code: 'FERN', until: '2026-12-24' },
      condition: 'used',
      warrantyMonths: 6,
      needsIds: ['w-lead'],
      insteadIds: ['w-cell'],
      sells: [{ unitId: 'LGT-01', askMinor: 9_000 }],
      waitsFor: 'a grant',
      waitsUntil: '2027-03-01',
      meanwhile: 'the old one',
      advice: 'Bram',
      because: 'history',
      tried: 'borrowed for a week',
      reviewOn: '2027-02-01',
      state: 'enough',
    },
    // Said once it is here: needs-of-wishes.test.ts.
    except: ['/outcome'],
    send: async (call, sent) => {
      const { id, version } = await call('POST', '/wishes', { it: { category: 'light', name: NAME } })
      await call('PUT', `/wishes/${id}`, { ...sent, outcome: null }, version)
      return { id }
    },
    read: async (call, { id }) => (await call('GET', '/wishes')).wishes.find((it: { id: string }) => it.id === id),
  },
  {
    key: 'put /kit-plans/:id',
    sample: {
      name: NAME,
      base: 'house',
      isStills: true,
      weighting: 'lens',
      musts: [{ roleId: 'gi-r3', wants: [{ code: 'lights', least: 900 }] }],
      tiers: [{ id: 't1', name: 'First', budgetMinor: 90_000, afterFilms: 2 }],
      options: [
        {
          id: 'o1',
          modelId: 'sallow-120',
          most: 3,
          price: { kind: 'quote', netMinor: 40_000, taxMinor: 8_000, on: '2026-11-02', source: 'by letter' },
          grade: 3,
          use: 'must',
        },
      ],
    },
    send: async (call, sent) => {
      const { id, version } = await call('POST', '/kit-plans', { name: 'Kit', setupId: 'gi', purpose: null })
      await call('PUT', `/kit-plans/${id}`, sent, version)
      return { id }
    },
    read: (call, { id }) => call('GET', `/kit-plans/${id}`),
  },
  {
    key: 'post /snapshots',
    sample: { name: NAME },
    read: async (call) => (await call('GET', '/snapshots')).find((it: { name: string }) => it.name === NAME),
  },
]
