import { type Category, isKindOf } from '../kit/model/category.ts'
import type { NewServicePlan, ServicePlan } from './service-plan.ts'

type Sketch = Pick<NewServicePlan, 'name' | 'steps'> & Partial<NewServicePlan> & { category: Category }

/** Plans to start from, each for a kind. Common practice, from memory: makers and local rules come first. */
const SKETCHES: readonly Sketch[] = [
  {
    category: 'camera',
    name: 'Clean glass and contacts',
    everyDays: 180,
    everyUses: 40,
    minutes: 20,
    steps:
      'Front glass or lens mount, screen, contacts. Of a body whose lens comes off look at a plain bright picture at a small aperture: blow the sensor, never wipe it dry.',
  },
  {
    category: 'camera',
    name: 'Check for firmware',
    everyDays: 180,
    minutes: 20,
    steps: 'Only between shoots, on a full pack or the mains. Bodies that are cut together get the same version.',
  },
  {
    category: 'lens',
    name: 'Clean glass and mount',
    everyDays: 180,
    everyUses: 40,
    minutes: 10,
    steps: 'Blow, brush, then cloth. Look for fungus and oil. Turn every ring.',
  },
  {
    category: 'light',
    name: 'Clean, and look over the lead',
    everyDays: 180,
    everyHours: 200,
    minutes: 15,
    steps: 'Unplug and let it cool. Blow out fan and vents, where it has them. Look at plug, lead and strain relief.',
  },
  {
    category: 'light',
    name: 'Electrical safety check',
    everyDays: 365,
    minutes: 15,
    who: 'a competent person',
    steps: 'What plugs into the mains, as local rules ask. Nobody opens a lamp that is plugged in.',
  },
  {
    category: 'strip',
    name: 'Electrical safety check',
    everyDays: 365,
    minutes: 10,
    who: 'a competent person',
    steps: 'As local rules ask. Scorched or loose sockets go at once.',
  },
  {
    category: 'lead',
    name: 'Look over leads',
    everyDays: 365,
    minutes: 5,
    steps:
      'Cuts, kinks, loose plugs. A damaged one is unplugged and out of use at once, marked so that nobody plugs it in.',
  },
  {
    category: 'head',
    name: 'Clean and adjust the head',
    everyDays: 365,
    everyUses: 60,
    minutes: 20,
    steps: 'Drag, lock and plate. Screws tight, no play.',
  },
  {
    category: 'tripod',
    name: 'Clean legs and tighten joints',
    everyDays: 365,
    everyUses: 60,
    minutes: 20,
    steps: 'Sand out, locks dry, feet on. Each lock holds under a hand.',
  },
  {
    category: 'stand',
    name: 'Tighten and look over stands',
    everyDays: 365,
    minutes: 10,
    steps: 'Knobs, rivets, feet. What slips under load goes out.',
  },
  {
    category: 'arm',
    name: 'Adjust springs and knobs',
    everyDays: 180,
    minutes: 10,
    steps: 'Set the tension for what hangs on it, where it can be set. What sags or springs with its load is a fault.',
  },
  {
    category: 'clamp',
    name: 'Look over jaws and screws',
    everyDays: 365,
    minutes: 5,
    steps: 'Cracks, worn pads, bent screws. Overhead ones first.',
  },
  {
    category: 'microphone',
    name: 'Clean and listen',
    everyDays: 180,
    minutes: 15,
    steps: 'Grille and connector clean. Record a minute of silence and of speech, and keep them to compare.',
  },
  {
    category: 'wireless-set',
    name: 'Test reach and contacts',
    everyDays: 180,
    minutes: 20,
    steps: 'Walk the room with it. Clean cell contacts, look at aerials and plugs.',
  },
  {
    category: 'cable',
    name: 'Test cables',
    everyDays: 365,
    everyUses: 100,
    minutes: 5,
    steps: 'Through a tester or a known good chain, moved a little at both ends.',
  },
  {
    category: 'pack',
    name: 'Measure a run',
    everyDays: 180,
    everyCycles: 50,
    minutes: 10,
    steps:
      'Full, onto a known load, note the hours. Swollen, hot or leaking: stop, outdoors and away from what burns, then to a collection point as local rules ask.',
  },
  {
    category: 'pack',
    name: 'Storage charge',
    everyDays: 90,
    minutes: 5,
    steps: 'As its maker says; most lithium packs lie half full and cool. Never empty, never unwatched on a charger.',
  },
  {
    category: 'drive',
    name: 'Restore test',
    everyDays: 180,
    minutes: 30,
    steps: 'Bring one film back from it and play it. Read its own health report.',
  },
  {
    category: 'card',
    name: 'Look over cards',
    everyDays: 365,
    minutes: 5,
    steps: 'Contacts, cracks. One that gave an error twice is retired.',
  },
  {
    category: 'backdrop',
    name: 'Clean and press',
    everyDays: 180,
    minutes: 30,
    steps: 'As its cloth allows. Rolled, where it creases.',
  },
  {
    category: 'monitor',
    name: 'Calibrate the screen',
    everyDays: 180,
    minutes: 30,
    steps: 'Warm for half an hour, measure, write the result down here.',
  },
]

/** The usual plans of the kinds that are here and that nobody took on yet under that name. */
export function listUsualPlans(
  kinds: readonly Category[],
  taken: readonly Pick<ServicePlan, 'name' | 'subject'>[],
): NewServicePlan[] {
  return SKETCHES.filter(
    ({ category, name }) =>
      kinds.some((it) => isKindOf(it, category)) &&
      !taken.some((it) => it.name === name && it.subject.kind === 'category' && it.subject.category === category),
  ).map(({ category, ...sketch }) => ({
    everyDays: null,
    everyUses: null,
    everyHours: null,
    everyCycles: null,
    healthBelow: null,
    graceDays: 0,
    minutes: null,
    parts: '',
    who: '',
    ...sketch,
    subject: { kind: 'category', category },
  }))
}
