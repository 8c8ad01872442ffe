import {
  addDays,
  DEFAULT_SETTINGS,
  type NewParty,
  type NewPerson,
  type NewPlace,
  NO_DETAILS,
  type PlaceDetails,
  type StudioSettings,
} from '@exemplar/core'

export const DEMO_SETTINGS: StudioSettings = {
  ...DEFAULT_SETTINGS,
  name: 'Larkmoor Botanic Garden, film unit',
  brandColours: ['#4a7546', '#e8dcc0'],
  schools: { 'buy-first': 'sound', standing: 'half', 'sound-path': 'recorder' },
  purposes: { lecture: { figures: {}, schools: { redundancy: 'spare' } } },
}

const CONSENT_GIVEN = { state: 'given' as const, on: '2025-03-01', note: '' }

export function makeDemoPeople(today: string): (NewPerson & { id: string })[] {
  return [
    {
      id: 'imke',
      name: 'Imke Harrow',
      skills: ['camera', 'light', 'switcher'],
      note: 'Studio manager',
      contacts: [{ kind: 'telephone', value: '01632 960 101' }],
      traits: [],
      consent: CONSENT_GIVEN,
    },
    {
      id: 'bram',
      name: 'Bram Okeld',
      skills: ['camera', 'sound'],
      note: '',
      contacts: [{ kind: 'telephone', value: '01632 960 102' }],
      traits: [{ trait: 'no-lifting', until: addDays(today, 20), note: 'Sprained wrist' }],
      consent: CONSENT_GIVEN,
    },
    {
      id: 'yusra',
      name: 'Yusra Vane',
      skills: ['presenting', 'camera'],
      note: 'Presents most films',
      contacts: [{ kind: 'telephone', value: '01632 960 103' }],
      traits: [{ trait: 'wears-spectacles', until: null, note: '' }],
      consent: CONSENT_GIVEN,
    },
  ]
}

export const DEMO_PARTIES: readonly (NewParty & { id: string })[] = [
  {
    id: 'herbarium',
    name: 'Larkmoor herbarium',
    kind: 'lender',
    note: '',
    contacts: [{ kind: 'other', value: 'Second floor, ask for the key' }],
  },
  { id: 'friends', name: 'Friends of the garden', kind: 'lender', note: '', contacts: [] },
  {
    id: 'vendor',
    name: 'Pellow & Dace, film supplies',
    kind: 'vendor',
    note: 'Answers within a day',
    contacts: [{ kind: 'mail', value: 'desk@pellowdace.example' }],
  },
  {
    id: 'repairer',
    name: 'Cobb’s lens bench',
    kind: 'repairer',
    note: 'Four weeks, usually',
    contacts: [{ kind: 'telephone', value: '01632 960 140' }],
  },
]

const outletInterface = 'mains-bs1363'

export function makeDemoPlaces(today: string): (NewPlace & { id: string })[] {
  const bare = (
    id: string,
    name: string,
    kind: NewPlace['kind'],
    parentId: string | null,
    details: Partial<PlaceDetails> = {},
  ) => ({
    id,
    name,
    kind,
    parentId,
    circuits: [],
    note: '',
    details: { ...NO_DETAILS, ...details },
  })
  return [
    {
      ...bare('glasshouse', 'Glasshouse corner', 'room', null, {
        size: { widthMm: 5200, depthMm: 4100, heightMm: 3400 },
        doors: [{ id: 'gh-d1', name: 'Garden door', widthMm: 860, heightMm: 2000, wall: 'left', fromMm: 3000 }],
        windows: [
          {
            id: 'gh-w1',
            name: 'East glass',
            bearingDegrees: 85,
            widthMm: 4800,
            heightMm: 2600,
            wall: 'back',
            fromMm: 200,
          },
        ],
        sockets: [
          { id: 'gh-s1', name: 'Bench, left', circuitId: 'gh-1', xMm: 300, yMm: 0, zMm: 900 },
          { id: 'gh-s2', name: 'Bench, right', circuitId: 'gh-1', xMm: 3100, yMm: 0, zMm: 900 },
        ],
        fixtures: [
          { id: 'gh-f1', name: 'Vent fan', kind: 'noise', kelvin: null, canSwitchOff: true, note: '' },
          {
            id: 'gh-f2',
            name: 'Heating pipe',
            kind: 'heat',
            kelvin: null,
            canSwitchOff: false,
            note: '',
            xMm: 5000,
            yMm: 400,
          },
        ],
        position: { latitude: 51.5, longitude: -2.6 },
        colours: ['#5d8a54', '#cfd8c0'],
        otherUses: 'Seedlings on the bench from March to May',
      }),
      circuits: [{ id: 'gh-1', name: 'Bench sockets', volts: 230, amps: 10, outlets: 2, outletInterface }],
      note: 'East glass: sun until about noon.',
    },
    {
      ...bare('studio', 'Studio', 'room', null, {
        size: { widthMm: 6100, depthMm: 5400, heightMm: 2700 },
        doors: [{ id: 'st-d1', name: 'Corridor door', widthMm: 910, heightMm: 2040 }],
        sockets: [
          { id: 'st-s1', name: 'North, low', circuitId: 'st-1', xMm: 800, yMm: 5400, zMm: 300 },
          { id: 'st-s2', name: 'South, low', circuitId: 'st-2', xMm: 4200, yMm: 0, zMm: 300 },
          { id: 'st-s3', name: 'Ceiling, middle', circuitId: 'st-1', xMm: 3000, yMm: 2700, zMm: 2650 },
        ],
        bars: [{ id: 'st-b1', name: 'Bar over the bench', kind: 'bar', heightMm: 2500, loadGrams: 25_000 }],
        fixtures: [
          { id: 'st-f1', name: 'Ceiling tubes', kind: 'light', kelvin: 4000, canSwitchOff: true, note: '' },
          {
            id: 'st-f2',
            name: 'Air handling',
            kind: 'noise',
            kelvin: null,
            canSwitchOff: true,
            note: 'Panel by the door',
          },
        ],
        colours: ['#e9e4d8', '#4a7546'],
      }),
      circuits: [
        { id: 'st-1', name: 'North wall', volts: 230, amps: 16, outlets: 4, outletInterface },
        { id: 'st-2', name: 'South wall', volts: 230, amps: 16, outlets: 4, outletInterface },
      ],
    },
    {
      ...bare('orangery', 'Orangery hall', 'room', null, {
        size: { widthMm: 14_000, depthMm: 8200, heightMm: 4800 },
        doors: [{ id: 'or-d1', name: 'Double door', widthMm: 1700, heightMm: 2300 }],
        colours: ['#efe3c8'],
        otherUses: 'Concerts on Saturdays',
        accessTerms: 'From the events office, while the café is shut',
        accessUntil: addDays(today, 75),
      }),
      circuits: [{ id: 'or-1', name: 'Stage left', volts: 230, amps: 10, outlets: 4, outletInterface }],
    },
    {
      ...bare('booth', 'Potting-shed booth', 'room', null, {
        size: { widthMm: 2200, depthMm: 1900, heightMm: 2200 },
        doors: [{ id: 'bo-d1', name: 'Shed door', widthMm: 780, heightMm: 1950 }],
        fixtures: [{ id: 'bo-f1', name: 'Water pump', kind: 'noise', kelvin: null, canSwitchOff: true, note: '' }],
      }),
      circuits: [{ id: 'bo-1', name: 'Shed socket', volts: 230, amps: 10, outlets: 2, outletInterface }],
    },
    {
      ...bare('seed-room', 'Seed room', 'room', null, {
        size: { widthMm: 3600, depthMm: 2900, heightMm: 2500 },
        doors: [{ id: 'sr-d1', name: 'Seed-room door', widthMm: 820, heightMm: 1990 }],
        colours: ['#f2efe6'],
      }),
      circuits: [{ id: 'sr-1', name: 'Bench strip', volts: 230, amps: 16, outlets: 4, outletInterface }],
    },
    bare('store', 'Store', 'store', null),
    ...[1, 2, 3, 4, 5].map((n) =>
      bare(`case-${n}`, `Case ${n}`, 'case', 'store', n === 2 ? { massLimitGrams: 18_000 } : {}),
    ),
    bare('shelf-a', 'Shelf A', 'shelf', 'studio'),
    bare('shelf-b', 'Shelf B', 'shelf', 'store'),
    bare('shelf-c', 'Shelf C', 'shelf', 'store'),
    bare('bag-2', 'Meadow bag', 'bag', 'store', { massLimitGrams: 9_000 }),
    bare('bag-1', 'Field bag', 'bag', 'store', { massLimitGrams: 9_000 }),
  ]
}
