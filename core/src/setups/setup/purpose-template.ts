import type { Category, Group } from '../../kit/model/category.ts'
import { isKindOf } from '../../kit/model/category.ts'
import type { Importance } from '../../kit/model/port.ts'
import type { Purpose } from '../../studio/policy/purpose.ts'
import type { ContentDemand } from './demand.ts'
import { NO_POSITION } from './setting-card.ts'
import type { Ask, NewSetup, Role } from './setup.ts'
import { type LightJob, NO_ROLE_LIGHT } from './stage.ts'

interface RoleSketch {
  group: Group
  name: string
  wants: Category
  importance: Importance
  /** Where and how: distances as they are usual, to be moved from there. */
  detail: string
  /** What a lamp of it is for. */
  job?: LightJob
  /** A camera of it hangs above and looks down. */
  looksDown?: true
}

/** A sound start for a purpose. Distances and roles are common practice, from memory. */
export interface PurposeTemplate {
  advice: string
  plannedMinutes: number
  demands: ContentDemand[]
  asks: Ask[]
  skills: string[]
  /** Who holds or wears something of it. */
  carriers?: number
  roles: RoleSketch[]
}

const sketch =
  (group: Group, importance: Importance) =>
  (name: string, wants: Category, detail = ''): RoleSketch => ({ group, name, wants, importance, detail })

const camera = sketch('camera', 'essential')
const lens = sketch('camera', 'essential')
const second = sketch('camera', 'wanted')
const screen = sketch('camera', 'wanted')
const optionalCamera = sketch('camera', 'optional')
const optionalSound = sketch('sound', 'optional')
const light = sketch('light', 'essential')
const moreLight = sketch('light', 'wanted')
const extraLight = sketch('light', 'optional')
const sound = sketch('sound', 'essential')
const moreSound = sketch('sound', 'wanted')
const support = sketch('support', 'essential')
const set = sketch('set', 'wanted')
const extraSet = sketch('set', 'optional')

const lit = (job: LightJob, role: RoleSketch): RoleSketch => ({ ...role, job })
const above = (role: RoleSketch): RoleSketch => ({ ...role, looksDown: true })

const KEY = lit('key', light('Key', 'light', '1.2 m away, 45° to the side, a little above the eyes'))
const FILL = lit('fill', moreLight('Fill', 'light', 'on the other side, two stops below the key'))
const RIM = lit('separation', extraLight('Rim', 'light', 'from behind, out of frame'))
const BACKGROUND = lit(
  'background',
  moreLight('Background light', 'light', 'on what is behind; not where it is to be dark'),
)
const RECORDER = moreSound(
  'Recorder',
  'recorder',
  'where the camera takes no such microphone, or as a second recording',
)
const HEADPHONES = moreSound('Headphones', 'headphones', 'somebody listens before it counts')

export const PURPOSE_TEMPLATES: Readonly<Record<Exclude<Purpose, 'other'>, PurposeTemplate>> = {
  'talking-head': {
    advice: 'Light one soft key first; see whether a white wall fills before a second lamp does.',
    plannedMinutes: 60,
    demands: ['steady-focus'],
    asks: [],
    skills: [],
    roles: [
      camera('A camera', 'camera', 'at eye height, 2 m away'),
      lens('A lens', 'lens', 'longer than normal, so that faces keep their shape'),
      KEY,
      FILL,
      RIM,
      BACKGROUND,
      sound('Main microphone', 'microphone', 'as near as the frame allows'),
      RECORDER,
      HEADPHONES,
      support('Camera support', 'tripod'),
      lit(
        'fill',
        extraLight(
          'Lamp at the lens',
          'light',
          'on the camera or round the lens, 0° from it; a soft key off the axis is kinder',
        ),
      ),
      optionalCamera('Prompter', 'prompter', 'before the lens, with somebody or a phone to run it'),
      extraSet('Backdrop', 'backdrop', '2 m behind the person'),
    ],
  },
  interview: {
    advice: 'Two sizes of one face cut together; two cameras on one line do not.',
    plannedMinutes: 90,
    demands: ['long-take'],
    asks: [],
    skills: [],
    roles: [
      camera('A camera', 'camera', 'on the guest, beside whoever asks'),
      lens('A lens', 'lens'),
      second('B camera', 'camera', 'the other size, on the same side of the line'),
      second('B lens', 'lens'),
      KEY,
      FILL,
      RIM,
      BACKGROUND,
      sound('Guest’s microphone', 'microphone', 'worn, or on a boom above'),
      moreSound('Second microphone', 'microphone', 'for whoever asks'),
      moreSound('Recorder', 'recorder', 'a second recording that shares nothing with the first'),
      HEADPHONES,
      support('A support', 'tripod'),
      second('B support', 'tripod'),
    ],
  },
  'top-down': {
    advice: 'Straight down and level: a mirror on the table shows the lens in its middle.',
    plannedMinutes: 45,
    demands: ['close-up'],
    asks: [],
    skills: [],
    roles: [
      above(camera('Top camera', 'camera', 'straight above the work, 90 cm over it')),
      lens('Top lens', 'lens', 'wide enough for the table from there'),
      support('Overhead arm', 'arm', 'bears more than the camera weighs, with a weight on its foot'),
      lit('key', light('Key', 'light', 'low from one side, so that shapes show')),
      lit('fill', moreLight('Fill', 'light', 'from the other side')),
      moreSound('Main microphone', 'microphone', 'below the face, as it looks down'),
      RECORDER,
      screen('Monitor', 'monitor', 'where the hands can see it'),
      set('Table', 'furniture'),
    ],
  },
  demonstration: {
    advice: 'The hands decide: light the table, then the face.',
    plannedMinutes: 90,
    demands: ['close-up', 'self-view'],
    asks: ['standing'],
    skills: [],
    roles: [
      camera('A camera', 'camera', 'on the person behind the table'),
      lens('A lens', 'lens'),
      above(second('Top camera', 'camera', 'straight above the table')),
      second('Top lens', 'lens'),
      sketch('support', 'wanted')('Overhead arm', 'arm'),
      KEY,
      lit('work', moreLight('Table light', 'light', 'on the hands, without glare')),
      sound('Main microphone', 'microphone', 'worn, as heads turn'),
      RECORDER,
      screen('Monitor', 'monitor', 'below the lens'),
      support('A support', 'tripod'),
      set('Table', 'furniture'),
    ],
  },
  panel: {
    advice: 'Count inputs first: cameras at the switcher, voices at the mixer.',
    plannedMinutes: 90,
    demands: ['long-take'],
    asks: [],
    skills: ['switcher', 'sound'],
    roles: [
      camera('Wide camera', 'camera', 'all of them'),
      lens('Wide lens', 'lens'),
      camera('Left camera', 'camera'),
      lens('Left lens', 'lens'),
      second('Right camera', 'camera'),
      second('Right lens', 'lens'),
      camera('Switcher', 'switcher'),
      screen('Monitor', 'monitor', 'where the one at the switcher sees it'),
      lit('key', light('Key', 'light', 'high, along the front')),
      lit('key', moreLight('Second key', 'light')),
      sound('First microphone', 'microphone'),
      sound('Second microphone', 'microphone'),
      moreSound('Third microphone', 'microphone'),
      optionalSound('Producer’s microphone', 'microphone', 'off camera, on an input and at a level of its own'),
      optionalCamera('Screen for pages', 'monitor', 'what is shown to them, on an input of its own'),
      sound('Mixer', 'mixer'),
      moreSound('Backup recorder', 'recorder'),
      support('Wide support', 'tripod'),
      support('Left support', 'tripod'),
      sketch('support', 'wanted')('Right support', 'tripod'),
    ],
  },
  lecture: {
    advice: 'Take the slides as a signal, not as a picture of the wall.',
    plannedMinutes: 90,
    demands: ['long-take'],
    asks: ['standing'],
    skills: [],
    roles: [
      camera('A camera', 'camera', 'from the back of the room, over the heads'),
      lens('A lens', 'lens', 'long'),
      screen('Slides in', 'capture', 'from the speaker’s computer'),
      sound('Speaker’s microphone', 'microphone', 'worn'),
      moreSound('Room microphone', 'microphone', 'for what is asked'),
      sound('Recorder', 'recorder'),
      HEADPHONES,
      support('A support', 'tripod'),
    ],
  },
  'green-screen': {
    advice: 'Two metres between person and screen keep the green off the skin; light the screen by itself.',
    plannedMinutes: 60,
    demands: ['steady-focus'],
    asks: [],
    skills: [],
    roles: [
      camera('A camera', 'camera'),
      lens('A lens', 'lens'),
      KEY,
      FILL,
      lit('separation', moreLight('Rim', 'light', 'parts the person from the screen')),
      lit('background', light('Screen left', 'light', 'even, at half a metre from the edge')),
      lit('background', light('Screen right', 'light', 'the same')),
      sound('Main microphone', 'microphone'),
      RECORDER,
      support('A support', 'tripod'),
      sketch('set', 'essential')('Green screen', 'backdrop', '2 m behind the person'),
    ],
  },
  'close-up': {
    advice: 'Work from far enough that the lamp gets in: a longer close-up lens gives room.',
    plannedMinutes: 60,
    demands: ['close-up', 'true-colour'],
    asks: [],
    skills: [],
    roles: [
      camera('A camera', 'camera'),
      lens('Close-up lens', 'lens', 'focuses at 25 cm or nearer'),
      lit('key', light('Key', 'light', 'large and near')),
      lit('separation', moreLight('Edge', 'light', 'from behind, grazing')),
      support('A support', 'tripod'),
      extraSet('Colour card', 'colour-card', 'one frame of it in each light'),
      set('Table', 'furniture'),
    ],
  },
  'voice-over': {
    advice: 'The room is heard before the microphone is: blankets first.',
    plannedMinutes: 60,
    demands: [],
    asks: [],
    skills: [],
    roles: [
      sound('Main microphone', 'microphone', 'a hand’s breadth away, a little to the side'),
      sound('Recorder', 'recorder'),
      sketch('support', 'essential')('Microphone stand', 'mic-stand'),
      HEADPHONES,
      set('Blankets or panels', 'acoustics', 'behind whoever speaks'),
    ],
  },
  'walk-and-talk': {
    advice: 'What is carried for an hour is weighed first.',
    plannedMinutes: 45,
    demands: ['steady-focus', 'alone'],
    asks: ['standing', 'worn-microphone'],
    skills: [],
    carriers: 1,
    roles: [
      camera('A camera', 'camera'),
      lens('Wide lens', 'lens', 'at arm’s length it has to take in the face'),
      sound('Worn microphone', 'microphone'),
      sketch('support', 'wanted')('Gimbal or grip', 'gimbal'),
      extraLight('Small lamp', 'light'),
      extraSet('Grey card', 'colour-card'),
    ],
  },
  'live-stream': {
    advice: 'A wire before wireless, and somebody who only watches.',
    plannedMinutes: 120,
    demands: ['long-take'],
    asks: [],
    skills: ['switcher'],
    roles: [
      camera('A camera', 'camera'),
      lens('A lens', 'lens'),
      second('B camera', 'camera'),
      second('B lens', 'lens'),
      sketch('camera', 'wanted')('Switcher', 'switcher'),
      sketch('media', 'essential')('Computer that sends', 'computer'),
      KEY,
      FILL,
      sound('Main microphone', 'microphone'),
      moreSound('Mixer or interface', 'mixer'),
      support('A support', 'tripod'),
      sketch('support', 'wanted')('B support', 'tripod'),
    ],
  },
  location: {
    advice: 'Carry half of what fear would: one of each that stops the day, and its spare.',
    plannedMinutes: 120,
    demands: [],
    asks: [],
    skills: [],
    roles: [
      camera('A camera', 'camera'),
      lens('A lens', 'lens'),
      sketch('camera', 'optional')('Filter', 'filter', 'takes light away where the sun is too much'),
      moreLight('Lamp on packs', 'light', 'there may be no socket'),
      sound('Main microphone', 'microphone'),
      HEADPHONES,
      support('A support', 'tripod'),
      sketch('set', 'wanted')('Bag', 'case'),
      extraSet('Grey card', 'colour-card'),
    ],
  },
}

/** The setup with the roles and demands of a purpose; what it has already stays, and only an empty board gets roles. */
export function applyTemplate<T extends NewSetup>(setup: T, purpose: Purpose, newId: () => string): T {
  if (purpose === 'other') return { ...setup, purposeKind: purpose }
  const { plannedMinutes, demands, asks, skills, carriers = 0, roles } = PURPOSE_TEMPLATES[purpose]
  const isBlank = setup.roles.length === 0
  return {
    ...setup,
    purposeKind: purpose,
    plannedMinutes: isBlank ? plannedMinutes : setup.plannedMinutes,
    demands: isBlank ? demands : setup.demands,
    asks: isBlank ? asks : setup.asks,
    skills: isBlank ? skills : setup.skills,
    carriers: isBlank ? carriers : setup.carriers,
    roles: isBlank ? linkToCameras(roles.map((role) => makeRole(role, newId()))) : setup.roles,
  }
}

function makeRole({ job, looksDown, ...role }: RoleSketch, id: string): Role {
  return {
    ...role,
    id,
    intentionallyEmpty: false,
    things: [],
    ...(job ? { light: { ...NO_ROLE_LIGHT, job } } : {}),
    ...(looksDown ? { position: { ...NO_POSITION, looksDown } } : {}),
  }
}

/** Lenses and supports go with the camera that is called alike ("A support"), or with the only one there is. */
function linkToCameras(roles: readonly Role[]): Role[] {
  const cameras = roles.filter(({ wants }) => wants !== null && isKindOf(wants, 'camera'))
  const firstWord = ({ name }: Role) => name.split(' ')[0]
  return roles.map((role) => {
    if (role.group !== 'support' && role.wants !== 'lens') return role
    if (role.wants === 'mic-stand' || role.wants === 'sandbag') return role
    const own = cameras.find((it) => firstWord(it) === firstWord(role)) ?? (cameras.length === 1 ? cameras[0] : null)
    return own ? { ...role, goesWith: own.id } : role
  })
}

/** A copy under another code: the same roles, with the things or without, and without the risks that were accepted. */
export function copySetup(
  setup: NewSetup,
  name: string,
  code: string,
  withThings: boolean,
  variantOf: string | null,
): NewSetup {
  return {
    ...setup,
    name,
    code,
    variantOf,
    accepted: [],
    links: withThings ? setup.links : [],
    roles: setup.roles.map((role) => ({ ...role, things: withThings ? role.things : [] })),
  }
}

/** What one more person takes: a microphone, a chair, and a frame that holds both. Common practice. */
export function addGuest<T extends NewSetup>(setup: T, newId: () => string): T {
  const role = (group: Group, name: string, wants: Category, importance: Importance, detail: string): Role => ({
    id: newId(),
    group,
    name,
    wants,
    importance,
    detail,
    intentionallyEmpty: false,
    things: [],
  })
  // Where the lens has no role of its own it is in that of its camera.
  const framing: Category = setup.roles.some((it) => it.wants === 'lens') ? 'lens' : 'camera'
  const wider = (it: Role): Role =>
    it.wants !== null && isKindOf(it.wants, framing)
      ? { ...it, detail: [it.detail, 'wide enough for two'].filter(Boolean).join('; ') }
      : it
  return {
    ...setup,
    speakers: Math.max(setup.speakers ?? 1, 1) + 1,
    shot: setup.shot === 'close' ? 'half' : setup.shot,
    roles: [
      ...setup.roles.map(wider),
      role('sound', 'Guest’s microphone', 'microphone', 'essential', 'worn, or on a stand of its own'),
      role('set', 'Guest’s chair', 'seat', 'wanted', 'half turned to the other one'),
    ],
  }
}
