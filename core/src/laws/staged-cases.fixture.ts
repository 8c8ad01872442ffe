import type { Category } from '../kit/model/category.ts'
import type { Model } from '../kit/model/model.ts'
import type { MoreSpecs } from '../kit/model/spec.ts'
import { makeModelFromTemplate } from '../kit/template/template.ts'
import type { TemplateFacts } from '../kit/template/template-facts.ts'
import { makeRole } from '../setups/placed/studio.fixture.ts'
import { NO_POSITION } from '../setups/setup/setting-card.ts'
import { type Role, SHOT_CODES } from '../setups/setup/setup.ts'
import {
  BACKGROUND_CODES,
  DAYLIGHT_CODES,
  IN_PICTURE_CODES,
  LIGHT_JOB_CODES,
  MOVE_CODES,
  NO_ROLE_LIGHT,
  NO_STAGE,
  POSTURE_CODES,
  suggestLightJob,
  WINDOW_WAY_CODES,
} from '../setups/setup/stage.ts'
import { NO_DETAILS } from '../studio/places/place.ts'
import { type CaseItem, type Dice, type LawCase, makeDice } from './law-cases.fixture.ts'

/** What only setups can meet of which somebody said where things stand and how they are set. */
export const STAGED_CODES = [
  'move-lacking',
  'move-unknown',
  'screen-untrue',
  'screen-unknown',
  'daylight-short',
  'sun-moves',
  'sun-direct',
  'clouds-break',
  'sun-unknown',
  'foot-dark',
  'lamp-no-room',
  'into-the-eyes',
  'white-balance-old',
  'white-balance-auto',
  'ratio-off',
  'eyesore',
  'aperture-lacking',
  'background-in-wall',
  'camera-at-wall',
  'colour-card-lacking',
  'in-picture',
  'in-wall',
  'stand-outside',
  'backdrop-short',
  'background-dim',
  'background-uneven',
  'background-unlit',
  'beyond-focus',
  'camera-shades',
  'colour-apart',
  'colour-poor',
  'eyes-away',
  'face-near',
  'grid-in-spectacles',
  'held-up-soft',
  'house-light-apart',
  'key-eats',
  'key-near',
  'look-unknown',
  'no-reserve',
  'no-separation',
  'room-shallow',
  'seen-in-spectacles',
  'shadow-seen',
  'too-bright',
  'too-dark',
  'white-grey',
] as const

/** So many; a failing one is named by its number and is the same each time. */
export const STAGED = 300

export const listStagedCases = (): LawCase[] => Array.from({ length: STAGED }, (_, index) => makeStagedCase(index))

type Sketch = readonly [role: string, category: Category, facts: Partial<TemplateFacts>, more: MoreSpecs, name?: string]

/** A person between camera and background, lamps around them, and a screen beside the lens; all of it said, and most of it plausible. */
function makeStagedCase(index: number): LawCase {
  const dice = makeDice(index + 40_000)
  // Of what came later, thrown apart: everything before it stays as it was.
  const later = makeDice(index + 90_000)
  const sketches = [...throwCamera(dice), ...throwLamps(dice), ...throwRest(dice), ...throwMicrophone(later)]
  const items = sketches.map(([roleId, category, facts, more, name = ''], at): CaseItem => {
    const model = makeModelFromTemplate(category, 'Maker', `${name}${category}${at}`, facts)
    const id = `t${at}`
    const known = dice.chance(0.04) ? {} : more
    const whole: Model = {
      ...model,
      specs: { ...model.specs, more: { ...model.specs.more, ...known } },
      id: `m${id}`,
      version: 1,
    }
    return { id, tag: `T${at}`, model: whole, roleId }
  })
  const roles = [...new Set(sketches.map(([role]) => role))].map((id) =>
    throwRole(id, id === MICROPHONE ? later : dice),
  )
  return {
    index,
    kind: 'camera',
    spec: 'focalMinMm',
    items,
    roles,
    rest: {
      roomSize: dice.chance(0.5) ? { widthMm: 4_000, depthMm: 3_000 + dice.upTo(4_000), heightMm: 2_600 } : null,
      crew: dice.chance(0.5) ? makeCrew(dice.chance(0.7)) : null,
      ...(dice.chance(0.5) ? { filming: throwFilming(dice) } : {}),
    },
    setup: {
      plannedMinutes: 10,
      shot: dice.chance(0.6) ? dice.pick(SHOT_CODES) : null,
      demands: [
        ...(dice.chance(0.4) ? (['spectacles'] as const) : []),
        ...(dice.chance(0.3) ? (['true-colour'] as const) : []),
      ],
      stage: { ...throwStage(dice), ...throwStand(later), correctionMinutes: later.pick([null, null, 30]) },
    },
  }
}

function throwFilming(dice: Dice) {
  const start = Date.parse('2026-03-20T05:00:00Z') + dice.upTo(14) * 3_600_000
  const sky = dice.pick(['clear', 'broken', 'overcast', null] as const)
  return { start, end: start + dice.pick([1, 3, 5]) * 3_600_000, zone: 'Europe/London', sky }
}

const makeCrew = (isPlaced: boolean) => ({
  team: [],
  bookedIds: null,
  place: {
    name: 'Room',
    details: {
      ...NO_DETAILS,
      position: isPlaced ? { latitude: 51.5, longitude: 0 } : null,
      windows: [{ id: 'w1', name: 'East', bearingDegrees: 90, widthMm: 1_200, heightMm: 1_500 }],
      fixtures: [{ id: 'tubes', name: 'Tubes', kind: 'light' as const, kelvin: 4000, canSwitchOff: true, note: '' }],
    },
  },
  firstDay: '2026-11-24',
  lastDay: '2026-11-24',
})

function throwCamera(dice: Dice): Sketch[] {
  const focal = dice.pick([24, 35, 50, 85])
  const zoom = dice.chance(0.3)
  const widest = dice.pick([1.8, 2.8, 3.5, 4])
  const lens: MoreSpecs = {
    lensKind: zoom ? 'zoom' : 'prime',
    focalMinMm: focal,
    focalMaxMm: zoom ? focal * 3 : focal,
    widestAperture: widest,
    ...(zoom ? { widestApertureLong: dice.pick([widest, 5.6]) } : {}),
    closestMm: focal * dice.pick([5, 8, 10]),
  }
  const filter = dice.chance(0.3)
  const width = dice.pick([35.9, 23.6, 17.3])
  return [
    [
      'A camera',
      'camera',
      { mount: 'mount-a', cardForm: 'sd' },
      { sensorWidthMm: width, sensorHeightMm: (width * 2) / 3, ...throwFocus(dice) },
    ],
    ['A camera', 'lens', { mount: 'mount-a' }, lens],
    ...(filter
      ? [
          [
            'A camera',
            'filter',
            {},
            { densityStops: dice.pick([1, 3]), ...(dice.chance(0.5) ? { densityMostStops: 6 } : {}) },
          ] as Sketch,
        ]
      : []),
  ]
}

const LAMP_ROLES = ['Key', 'Fill', 'Background', 'Rim', 'Accent'] as const

function throwLamps(dice: Dice): Sketch[] {
  return LAMP_ROLES.filter((name) => name === 'Key' || dice.chance(0.5)).flatMap((role): Sketch[] => {
    const least = dice.pick([2700, 3200, 5600])
    const lamp: MoreSpecs = {
      luxAtOneMetre: 200 + dice.upTo(8_000),
      kelvinMin: least,
      kelvinMax: dice.chance(0.5) ? least : 5600,
      cri: dice.pick([80, 95]),
      dims: dice.pick(['yes', 'no']),
      diameterMm: 100 + dice.upTo(300),
    }
    const kind = dice.chance(0.15) ? 'ring-light' : 'cob'
    const modifier = dice.chance(0.4)
    return [
      [role, kind, { mount: 'mount-b' }, lamp],
      ...(modifier
        ? [
            [
              role,
              dice.pick(['softbox', 'modifier'] as const),
              { mount: 'mount-b' },
              { lossStops: dice.upTo(3), diameterMm: 300 + dice.upTo(900), grid: dice.pick(['yes', 'no']) },
            ] as Sketch,
          ]
        : []),
      ...(dice.chance(0.15)
        ? [[role, 'gel', {}, { shiftMired: dice.pick([-131, 60, 131]), lossStops: 1 }] as Sketch]
        : []),
    ]
  })
}

function throwRest(dice: Dice): Sketch[] {
  return [
    ...(dice.chance(0.6) ? [['Backdrop', 'backdrop', { widthMinMm: 1_350 + dice.upTo(2_500) }, {}] as Sketch] : []),
    ...(dice.chance(0.4)
      ? [['Support', dice.pick(['tripod', 'ball-head', 'head', 'gimbal'] as const), {}, {}] as Sketch]
      : []),
    ...(dice.chance(0.4)
      ? [
          [
            'Screen',
            'monitor',
            {},
            { screenInches: 7, ...(dice.chance(0.6) ? { colourTrusted: dice.pick(['yes', 'no']) } : {}) },
          ] as Sketch,
        ]
      : []),
  ]
}

function throwRole(name: string, dice: Dice): Role {
  const isLamp = LAMP_ROLES.some((it) => it === name)
  const camera = [
    { name: 'Aperture', value: dice.pick(['f/1.8', 'f/2.8', 'f/5.6']) },
    { name: 'Shutter', value: '1/50' },
    ...(dice.chance(0.3) ? [{ name: 'White balance', value: dice.pick(['auto', '5600 K']) }] : []),
    { name: 'ISO', value: dice.pick(['100', '800', '6400']) },
  ]
  const lamp = [
    ...(dice.chance(0.8) ? [{ name: 'Level', value: dice.pick(['full', '50 %', '10 %']) }] : []),
    ...(dice.chance(0.4) ? [{ name: 'Colour', value: dice.pick(['3200 K', '5600 K']) }] : []),
  ]
  return makeRole(name, [], {
    importance: dice.pick(['essential', 'wanted', 'optional'] as const),
    position: {
      ...NO_POSITION,
      distanceMm: reach(name, dice),
      sideDegrees: isLamp ? (dice.chance(0.3) ? dice.upTo(30) - 15 : dice.upTo(360) - 180) : null,
      heightMm: 900 + dice.upTo(1_500),
      focalMm: dice.chance(0.5) ? dice.pick([24, 35, 50, 85]) : null,
      ...(name === 'Screen' ? { fromLensMm: 20 + dice.upTo(500) } : {}),
    },
    settings: name === 'A camera' ? camera : isLamp ? lamp : [],
    ...(isLamp && dice.chance(0.95)
      ? {
          light: {
            ...NO_ROLE_LIGHT,
            job: dice.chance(0.25) ? dice.pick(LIGHT_JOB_CODES) : suggestLightJob(name),
            isColourMeant: dice.chance(0.1),
          },
        }
      : {}),
  })
}

const MICROPHONE = 'Microphone'
const throwMicrophone = (dice: Dice): Sketch[] => (dice.chance(0.5) ? [[MICROPHONE, 'shotgun', {}, {}]] : [])

const throwStand = (dice: Dice) =>
  dice.chance(0.5)
    ? {
        fromLeftMm: 300 + dice.upTo(4_000),
        fromFrontMm: 300 + dice.upTo(5_000),
        facesDegrees: dice.pick([0, 45, 90, 180, 270, 315]),
      }
    : {}

function reach(name: string, dice: Dice): number {
  if (name === MICROPHONE) return 200 + dice.upTo(700)
  return name === 'A camera' ? 350 + dice.upTo(4_000) : 700 + dice.upTo(2_500)
}

function throwStage(dice: Dice) {
  const maybe = <T>(share: number, value: T): T | null => (dice.chance(share) ? value : null)
  return {
    ...NO_STAGE,
    posture: maybe(0.8, dice.pick(POSTURE_CODES)),
    backdropMm: maybe(0.8, 400 + dice.upTo(3_000)),
    productMm: maybe(0.3, 200 + dice.upTo(400)),
    background: maybe(0.8, dice.pick(BACKGROUND_CODES)),
    windows: maybe(0.6, dice.pick(WINDOW_WAY_CODES)),
    daylight: maybe(0.7, dice.chance(0.7) ? ('none' as const) : dice.pick(DAYLIGHT_CODES)),
    faceLux: maybe(0.3, 20 + dice.upTo(4_000)),
    backgroundLux: maybe(0.2, 20 + dice.upTo(2_000)),
    readings: dice.chance(0.4)
      ? [0, 1, 2].map((at) => ({ id: `p${at}`, name: `Point ${at}`, lux: 100 + dice.upTo(400) }))
      : [],
    houseLights: throwHouseLights(dice),
    eyesores: dice.chance(0.2) ? [{ id: 'e1', what: 'Switch', cure: dice.pick(['', 'hide it']), roleId: null }] : [],
    whiteBalance: maybe(0.2, { kelvin: 5600, on: '2026-11-20', lights: 'other' }),
    ratioStops: maybe(0.3, dice.upTo(3)),
    move: maybe(0.4, dice.pick(MOVE_CODES)),
    inPicture: IN_PICTURE_CODES.filter(() => dice.chance(0.3)),
  }
}

function throwHouseLights(dice: Dice): Record<string, 'on' | 'off'> {
  return dice.chance(0.7) ? { tubes: dice.chance(0.6) ? 'off' : 'on' } : {}
}

const throwFocus = (dice: Dice): MoreSpecs =>
  dice.chance(0.7) ? { autofocus: dice.pick(['dependable', 'hunts', 'none']) } : {}
