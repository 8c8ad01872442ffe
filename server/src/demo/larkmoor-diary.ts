import type { NewBooking } from '@exemplar/core'

/** A booking, its days counted from today. */
export interface DemoBooking {
  id: string
  title: string
  setup: string | null
  loose?: string[]
  place: string | null
  people: string[]
  /** Days from today, and times of day. */
  day: number
  from: string
  to: string
  rig?: number
  strike?: number
  kind?: NewBooking['kind']
  state: 'pencilled' | 'confirmed' | 'out' | 'back'
}

const FIELD_KIT = ['MIC-03', 'LGT-05', 'TRI-02', 'SDC-08']

/** Four weeks around today. */
export const DEMO_BOOKINGS: readonly DemoBooking[] = [
  {
    id: 'b-ferns',
    title: 'Fern house tour',
    setup: 'gi',
    place: 'glasshouse',
    people: ['imke', 'yusra'],
    day: -13,
    from: '10:00',
    to: '12:00',
    state: 'back',
  },
  {
    id: 'b-seeds',
    title: 'Sowing seeds',
    setup: 'pb',
    place: 'studio',
    people: ['bram'],
    day: -11,
    from: '14:00',
    to: '16:00',
    state: 'back',
  },
  {
    id: 'b-autumn',
    title: 'Autumn lecture',
    setup: 'lr',
    place: 'orangery',
    people: ['imke', 'bram', 'yusra'],
    day: -7,
    from: '18:00',
    to: '20:00',
    state: 'back',
  },
  {
    id: 'b-repot',
    title: 'Repotting orchids',
    setup: 'pb',
    place: 'studio',
    people: ['bram'],
    day: -4,
    from: '10:00',
    to: '12:00',
    state: 'back',
  },
  {
    id: 'b-bog',
    title: 'Bog walk',
    setup: null,
    loose: FIELD_KIT,
    place: null,
    people: ['bram'],
    day: -1,
    from: '09:00',
    to: '17:00',
    rig: 0,
    strike: 0,
    state: 'out',
  },
  {
    id: 'b-graft',
    title: 'Grafting',
    setup: 'pb',
    place: 'studio',
    people: ['bram'],
    day: 1,
    from: '14:00',
    to: '16:00',
    state: 'confirmed',
  },
  {
    id: 'b-head',
    title: 'Head gardener',
    setup: 'gi',
    place: 'glasshouse',
    people: ['imke', 'yusra'],
    day: 2,
    from: '09:30',
    to: '12:00',
    state: 'confirmed',
  },
  {
    id: 'b-winter',
    title: 'Winter talk',
    setup: 'lr',
    place: 'orangery',
    people: ['bram'],
    day: 2,
    from: '11:00',
    to: '13:00',
    rig: 60,
    strike: 45,
    state: 'confirmed',
  },
  {
    id: 'b-seedheads',
    title: 'Seed heads, close',
    setup: null,
    loose: ['RAI-01', 'MON-02', 'LEN-08'],
    place: 'studio',
    people: ['yusra'],
    day: 2,
    from: '14:00',
    to: '17:00',
    state: 'pencilled',
  },
  {
    id: 'b-school',
    title: 'School visit, other use',
    setup: null,
    place: 'studio',
    people: [],
    day: 5,
    from: '09:00',
    to: '12:00',
    rig: 0,
    strike: 0,
    kind: 'other-use',
    state: 'confirmed',
  },
  {
    id: 'b-moss',
    title: 'Moss in jars',
    setup: 'pb',
    place: 'studio',
    people: ['bram', 'yusra'],
    day: 7,
    from: '10:00',
    to: '12:30',
    state: 'pencilled',
  },
  {
    id: 'b-curator',
    title: 'Curator’s year',
    setup: 'gi',
    place: 'glasshouse',
    people: ['imke', 'yusra'],
    day: 9,
    from: '10:00',
    to: '12:00',
    state: 'pencilled',
  },
  {
    id: 'b-talk2',
    title: 'Second winter talk',
    setup: 'lr',
    place: 'orangery',
    people: ['imke', 'bram'],
    day: 13,
    from: '18:00',
    to: '20:00',
    rig: 60,
    strike: 45,
    state: 'pencilled',
  },
]
