import type { Assignment, Category, Group, NewSetup, Role, Tape } from '@exemplar/core'
import { makeAssignment, NO_ROLE_LIGHT, NO_STAGE, SETUP_DEFAULTS, suggestLightJob } from '@exemplar/core'

/** `TAG`, `TAG@power-mode` for a thing; `3×TAG` for some of a stock. */
type Short = string

interface ShortRole {
  group: Group
  name: string
  wants: Category | null
  things: Short[]
  /** The number of the role that it serves. */
  with?: number
  detail?: string
  importance?: Role['importance']
  none?: boolean
  rest?: Partial<Role>
}

function makeRole(setup: string, index: number, role: ShortRole): Role {
  return {
    id: `${setup}-r${index + 1}`,
    group: role.group,
    name: role.name,
    importance: role.importance ?? 'essential',
    wants: role.wants,
    detail: role.detail ?? '',
    intentionallyEmpty: role.none ?? false,
    things: role.things.map(readShort),
    ...(role.group === 'light' ? { light: { ...NO_ROLE_LIGHT, job: suggestLightJob(role.name) } } : {}),
    ...(role.with ? { goesWith: `${setup}-r${role.with}` } : {}),
    ...role.rest,
  }
}

export const at = (distanceMm: number, heightMm: number | null = null, sideDegrees: number | null = null) => ({
  position: { distanceMm, heightMm, sideDegrees, focalMm: null },
})

/** Demo ids of units and stock are their tags. */
function readShort(short: Short): Assignment {
  const counted = /^(\d+)×(.+)$/.exec(short)
  if (counted) return makeAssignment({ stockId: counted[2] ?? '', quantity: Number(counted[1]) })
  const [tag = '', powerModeId = null] = short.split('@')
  return { ...makeAssignment({ unitId: tag }), powerModeId }
}

export function makeSetup(
  id: string,
  tape: Tape,
  name: string,
  purpose: string,
  placeId: string | null,
  circuitId: string | null,
  plannedMinutes: number,
  roles: ShortRole[],
  rest: Partial<NewSetup> = {},
): NewSetup & { id: string } {
  const code = id.toUpperCase()
  return {
    id,
    code,
    name,
    tape,
    purpose,
    ...SETUP_DEFAULTS,
    ...rest,
    placeId,
    circuitId,
    plannedMinutes,
    note: '',
    roles: roles.map((role, index) => makeRole(id, index, role)),
  }
}

/** `RIDER/end>CARRIER/end`: what the crew said stands on what. */
export const stated = (...joints: string[]): Pick<NewSetup, 'links'> => ({
  links: joints.map((joint) => {
    const [from, to] = joint.split('>').map((end) => {
      const [unitId = '', portId = ''] = end.split('/')
      return { unitId, portId }
    })
    if (!from || !to) throw new Error(`No joint: ${joint}`)
    return { from, via: [], to, neededMm: null }
  }),
})

export const DEMO_SETUPS: readonly (NewSetup & { id: string })[] = [
  makeSetup(
    'gi',
    'fern',
    'Glasshouse interview',
    'Two-person interview, two cameras',
    'glasshouse',
    'gh-1',
    75,
    [
      {
        group: 'camera',
        name: 'A camera',
        wants: 'camera',
        detail: '2.1 m, seated',
        things: ['CAM-01', 'LEN-01', 'SDC-01'],
        rest: {
          ...at(2_100, 1_200),
          settings: [
            { name: 'Aperture', value: 'f/2.8' },
            { name: 'Shutter', value: '1/50' },
            { name: 'ISO', value: '400' },
            { name: 'Frame rate', value: '25' },
            { name: 'White balance', value: '5600 K' },
          ],
        },
      },
      {
        group: 'camera',
        name: 'B camera',
        wants: 'camera',
        detail: '1.6 m, close, 25° right',
        things: ['CAM-02', 'LEN-02', 'SDC-02'],
        rest: at(1_600, 1_200, 25),
      },
      {
        group: 'light',
        name: 'Key',
        wants: 'light',
        detail: '1.5 m, 40° left',
        things: ['LGT-01', 'LED-01', 'STD-01'],
        rest: {
          ...at(1_500, 1_900, -40),
          settings: [
            { name: 'Level', value: '50 %' },
            { name: 'Colour', value: '5600 K' },
          ],
        },
      },
      { group: 'light', name: 'Fill', wants: null, detail: 'white wall, right', things: [], none: true },
      {
        group: 'light',
        name: 'Hair',
        wants: 'light',
        detail: 'behind, 2.2 m high',
        importance: 'wanted',
        things: ['LGT-06', 'STD-02'],
        rest: {
          ...at(1_400, 2_200, 145),
          settings: [
            { name: 'Level', value: '30 %' },
            { name: 'Colour', value: '5600 K' },
          ],
        },
      },
      {
        group: 'sound',
        name: 'Main microphone',
        wants: 'microphone',
        detail: 'boom, 45 cm',
        things: ['MIC-01', 'MST-01', 'CBL-01'],
        rest: at(450, 1_640, 0),
      },
      { group: 'sound', name: 'Backup microphone', wants: 'microphone', detail: 'worn', things: ['MIC-02', 'CBL-02'] },
      { group: 'sound', name: 'Recorder', wants: 'recorder', things: ['REC-01', 'SDC-07', '4×CEL-01'] },
      { group: 'support', name: 'A support', wants: 'tripod', detail: 'fluid head', things: ['TRI-01'], with: 1 },
      { group: 'support', name: 'B support', wants: 'tripod', detail: 'locked off', things: ['TRI-04'], with: 2 },
      { group: 'support', name: 'Sandbags', wants: 'sandbag', importance: 'wanted', things: ['3×BAG-01'] },
      {
        group: 'power',
        name: 'Packs',
        wants: 'pack',
        detail: 'family Fenn A',
        things: ['PAK-A1', 'PAK-A2', 'PAK-A3', 'PAK-A4', 'PAK-A5'],
      },
      { group: 'power', name: 'Strip', wants: 'strip', things: ['STR-01'] },
    ],
    {
      purposeKind: 'interview',
      skills: ['camera'],
      shot: 'half',
      stage: {
        ...NO_STAGE,
        posture: 'seated',
        backdropMm: 1_800,
        background: 'lit',
        faceLux: 260,
        backgroundLux: 90,
        inPlaceId: 'glasshouse',
        fromLeftMm: 3_300,
        fromFrontMm: 2_000,
        facesDegrees: 90,
        composition: 'The gutter of the roof leads to the guest; ferns at both edges.',
      },
      ...stated(
        'CAM-01/foot>TRI-01/carries',
        'CAM-02/foot>TRI-04/carries',
        'LGT-01/receiver>STD-01/carries',
        'LGT-06/receiver>STD-02/carries',
        'MIC-01/clip>MST-01/carries',
      ),
    },
  ),
  makeSetup(
    'pb',
    'clay',
    'Potting-bench top-down',
    'Table demonstration from above',
    'studio',
    'st-1',
    45,
    [
      {
        group: 'camera',
        name: 'Top-down camera',
        wants: 'camera',
        detail: '1.1 m above the bench',
        things: ['CAM-06', 'LEN-03', 'SDC-06'],
        rest: { position: { ...at(1_100).position, looksDown: true } },
      },
      { group: 'light', name: 'Key', wants: 'light', detail: 'left, 45°', things: ['LGT-04', 'LED-05', 'STD-03'] },
      { group: 'light', name: 'Fill', wants: 'light', detail: 'right, half', things: ['LGT-03', 'STD-05'] },
      { group: 'support', name: 'Overhead arm', wants: 'arm', things: ['ARM-01'], with: 1 },
      { group: 'support', name: 'Sandbags', wants: 'sandbag', importance: 'wanted', things: ['2×BAG-01'] },
      { group: 'power', name: 'Packs', wants: 'pack', detail: 'family Fenn A', things: ['PAK-A6', 'PAK-A7'] },
      { group: 'set', name: 'Clamps', wants: 'clamp', importance: 'optional', things: ['4×CLP-01'] },
    ],
    { purposeKind: 'top-down' },
  ),
  makeSetup(
    'lr',
    'sky',
    'Lecture, three cameras',
    'Lecture with live switcher',
    'orangery',
    'or-1',
    95,
    [
      {
        group: 'camera',
        name: 'A camera',
        wants: 'camera',
        detail: 'back of the hall, lectern',
        things: ['CAM-03', 'LEN-04', 'SDC-03'],
      },
      {
        group: 'camera',
        name: 'B camera',
        wants: 'camera',
        detail: 'side, close',
        things: ['CAM-04', 'LEN-05', 'SDC-04'],
      },
      {
        group: 'camera',
        name: 'C camera',
        wants: 'camera',
        detail: 'wide with audience',
        things: ['CAM-05', 'LEN-07', 'SDC-05'],
      },
      { group: 'camera', name: 'Switcher', wants: 'switcher', things: ['SWI-01', 'LED-03'] },
      { group: 'camera', name: 'Presenter’s monitor', wants: 'monitor', importance: 'wanted', things: ['MON-01'] },
      { group: 'sound', name: 'Lectern microphone', wants: 'microphone', things: ['MIC-04', 'MST-02', 'CBL-03'] },
      { group: 'sound', name: 'Mixer', wants: 'mixer', things: ['MIX-01', 'LED-04', 'CBL-04'] },
      { group: 'support', name: 'A support', wants: 'tripod', detail: 'pans, fluid head', things: ['TRI-01'], with: 1 },
      { group: 'support', name: 'B support', wants: 'tripod', things: ['TRI-03'], with: 2 },
      { group: 'support', name: 'C support', wants: 'tripod', things: ['TRI-05'], with: 3 },
      {
        group: 'power',
        name: 'Packs',
        wants: 'pack',
        detail: 'family Fenn B',
        things: ['PAK-B1', 'PAK-B2', 'PAK-B3', 'PAK-B4'],
      },
      { group: 'power', name: 'Strip', wants: 'strip', things: ['STR-02'] },
      {
        group: 'media',
        name: 'Video runs',
        wants: 'cable',
        detail: '8 m each',
        things: ['CBL-05', 'CBL-06', 'CBL-07', 'CBL-08'],
      },
    ],
    {
      purposeKind: 'lecture',
      skills: ['switcher'],
      ...stated(
        'CAM-03/foot>TRI-01/carries',
        'CAM-04/foot>TRI-03/carries',
        'CAM-05/foot>TRI-05/carries',
        'MON-01/foot>CAM-03/shoe',
        'MIC-04/clip>MST-02/carries',
      ),
    },
  ),
]
