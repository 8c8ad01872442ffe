import { addDays, NO_PROVENANCE, type Provenance, type Unit } from '@exemplar/core'

type Story = Partial<Omit<Unit, 'provenance'>> & { provenance?: Partial<Provenance> }

/** What the crew of Larkmoor knows of its things beyond their records. All invented. */
export function makeStories(today: string): Readonly<Record<string, Story>> {
  return {
    'CAM-01': {
      nickname: 'The good one',
      remarks: [
        { kind: 'strength', text: 'Colours match the L4 bodies without any work', source: 'seen' },
        { kind: 'weakness', text: 'Gets hot after an hour under glass', source: 'seen' },
        { kind: 'weakness', text: 'The next firmware is said to eat batteries', source: 'heard' },
      ],
      provenance: {
        insuredMinor: 160_000,
        warrantyUntil: addDays(today, 30),
        warrantyTerms: 'The vendor repairs; the shutter is left out',
        reason: 'Same mount as the lenses that were here',
      },
    },
    'CAM-06': {
      note: '',
      remarks: [{ kind: 'work-around', text: 'no screen that turns, needs the small monitor', source: 'seen' }],
    },
    'LEN-08': {
      provenance: {
        valueMinor: 72_000,
        valueOn: addDays(today, -260),
        duties: [
          {
            what: 'A film about the spring meadow for the Friends',
            dueOn: addDays(today, 130),
            doneOn: null,
            filmId: null,
          },
        ],
        conditionOnArrival: 'As new, hood missing',
      },
    },
    'RAI-01': { provenance: { conditionOnArrival: 'Two scratches on the left end, photographed' } },
    'LGT-08': { remarks: [{ kind: 'weakness', text: 'Shows as a ring in spectacles', source: 'seen' }], note: '' },
    'LGT-01': { remarks: [{ kind: 'strength', text: 'The strongest we have', source: 'seen' }], note: '' },
    'LED-06': { parentId: 'LGT-07', bond: 'part' },
    'TRI-05': { nickname: 'Grandfather', standsInFor: 'a third camera tripod' },
    'MON-02': { nowPlaceId: 'orangery' },
  }
}

/** A story on top of what a thing starts as. */
export function applyStory<T extends { provenance: Provenance }>(unit: T, story: Story | undefined): T {
  if (!story) return unit
  return { ...unit, ...story, provenance: { ...NO_PROVENANCE, ...story.provenance } }
}
