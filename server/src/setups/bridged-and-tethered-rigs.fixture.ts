import { BODY, CAMERA, IN_BODY, LAMP, LEAD, type NamedRig, PICTURE, TRIPOD } from './rig-parts.fixture.ts'

/**
 * Rigs of many parts round one camera, on a bar that two stands bear, and on a lead to a computer, with what somebody who knows
 * them would say: written down before the judging was made to meet them. Common practice; the figures are invented. Mended
 * afterwards were two slips: only one of two packs is in the camera and weighs on the head, and a lead that nothing has to have
 * lacks nothing by itself; of two that want one socket the one that was there first keeps it.
 */
const CAGED = {
  ...BODY,
  // Two sockets for sound, so that the receiver and the microphone both go in.
  cam: ['camera', { ...CAMERA, soundIn: 'trs-35', soundInputs: 2 }],
  cage: ['cage', { loadGrams: 3_000, massGrams: 250 }],
  head: ['head', { loadGrams: 5_000, massGrams: 900 }],
  tripod: TRIPOD,
  mon: ['monitor', { battery: 'PACK', milliwatts: 9_000, massGrams: 350 }],
  pic: PICTURE,
  p3: ['pack', { battery: 'PACK', energyMilliwattHours: 16_000, massGrams: 80 }],
  set: ['wireless-set', { battery: 'cell-aa', batteryCount: 2 }],
  c1: ['cell', { battery: 'cell-aa' }],
  c2: ['cell', { battery: 'cell-aa' }],
  mic: ['camera-mic', { massGrams: 120 }],
} as const
const IN_CAGE = [...IN_BODY, 'cage', 'head', 'tripod', 'mon', 'pic', 'p3', 'set', 'c1', 'c2', 'mic']

const CLAMP = ['clamp', { mount: 'bar', loadGrams: 15_000, massGrams: 400 }] as const
const ARM = ['boom-arm', { loadGrams: 5_000, massGrams: 1_500 }, { reachMm: 1_000 }] as const
const HEAVY_STAND = [
  'c-stand',
  { loadGrams: 10_000, massGrams: 6_000 },
  { legRadiusMm: 500, heightMaxMm: 3_000 },
] as const
const BRIDGED = {
  lamp: ['light', { ...LAMP, massGrams: 1_000 }],
  lead: LEAD,
  clamp: CLAMP,
  bar: ['crossbar', { loadGrams: 12_000, massGrams: 2_000 }],
  a1: ARM,
  a2: ARM,
  s1: HEAVY_STAND,
  s2: HEAVY_STAND,
  b1: ['sandbag', { massGrams: 15_000 }],
  b2: ['sandbag', { massGrams: 15_000 }],
} as const
const OVER_TABLE = [{ name: 'Top light', wants: 'light', things: Object.keys(BRIDGED) }]
/** A bar straight on two light stands, the lamp clamped to it. */
const GOAL = {
  lamp: ['light', { ...LAMP, massGrams: 3_000 }],
  lead: LEAD,
  clamp: CLAMP,
  bar: ['crossbar', { loadGrams: 12_000, massGrams: 2_000 }],
  s1: ['stand', { loadGrams: 6_000, massGrams: 2_500 }, { legRadiusMm: 480 }],
  s2: ['stand', { loadGrams: 6_000, massGrams: 2_500 }, { legRadiusMm: 480 }],
} as const
const OVER_STAGE = [{ name: 'Top light', wants: 'light', things: Object.keys(GOAL) }]
const ON_BAR = ['lamp>clamp', 'clamp>bar', 'bar>s1', 'bar>s2']

const TETHER = { ...BODY, tripod: TRIPOD, usb: ['cable', { endA: 'usb-c', endB: 'usb-c' }], lap: ['laptop'] } as const
const TETHERED = [
  { name: 'A camera', wants: 'camera', things: [...IN_BODY, 'tripod', 'usb'] },
  { name: 'Tether', wants: 'laptop', goesWith: 'A camera', things: ['lap'] },
]

export const BRIDGED_AND_TETHERED_RIGS: readonly NamedRig[] = [
  {
    name: 'a camera in its cage on a head on a tripod, with a monitor, a receiver and a microphone',
    things: CAGED,
    roles: [{ name: 'A camera', wants: 'camera', things: IN_CAGE }],
    joints: ['cam>cage', 'cage>head', 'head>tripod', 'mon>cage', 'len>cam', 'set>cam', 'mic>cam'],
    never: ['cam>head', 'mon>head', 'mic>head'],
    found: [],
  },
  {
    name: 'its wrong twin: the head bears less than all of that weighs',
    things: { ...CAGED, head: ['head', { loadGrams: 1_900, massGrams: 900 }] },
    roles: [{ name: 'A camera', wants: 'camera', things: IN_CAGE }],
    joints: ['cam>cage', 'cage>head', 'head>tripod'],
    found: ['stop carried-load head'],
  },
  {
    name: 'its other wrong twin: one socket for two sources of sound',
    things: { ...CAGED, cam: ['camera', CAMERA] },
    roles: [{ name: 'A camera', wants: 'camera', things: IN_CAGE }],
    joints: ['cam>cage', 'cage>head'],
    found: ['stop need-unmet mic'],
  },
  {
    name: 'two arms on two stands, bridged by a bar, the lamp clamped to it',
    things: BRIDGED,
    roles: OVER_TABLE,
    joints: ['lamp>clamp', 'clamp>bar', 'bar>a1', 'bar>a2', 'a1>s1', 'a2>s2'],
    never: ['a1>a2', 'a2>a1', 'a1>bar', 'a2>bar', 'lamp>a1', 'lamp>a2', 'bar>s1', 'bar>s2'],
    found: [],
  },
  {
    name: 'its wrong twin: one of the two stands has no sandbag',
    things: Object.fromEntries(Object.entries(BRIDGED).filter(([key]) => key !== 'b2')),
    roles: [{ ...OVER_TABLE[0], things: Object.keys(BRIDGED).filter((it) => it !== 'b2') } as never],
    joints: ['bar>a1', 'bar>a2', 'a1>s1', 'a2>s2'],
    found: ['unknown-stop bridge-unknown s2'],
  },
  {
    name: 'a bar on two stands: either of them bears all of it',
    things: GOAL,
    roles: OVER_STAGE,
    joints: ON_BAR,
    found: [],
  },
  {
    name: 'a bar on two stands, exactly what either of them bears',
    things: { ...GOAL, lamp: ['light', { ...LAMP, massGrams: 3_600 }] },
    roles: OVER_STAGE,
    joints: ON_BAR,
    found: [],
  },
  {
    name: 'a bar on two stands, exactly what they bear together',
    things: { ...GOAL, lamp: ['light', { ...LAMP, massGrams: 9_600 }] },
    roles: OVER_STAGE,
    joints: ON_BAR,
    found: ['unknown-stop bridge-unknown s1', 'unknown-stop bridge-unknown s2'],
  },
  {
    name: 'a bar that bears a gram less than what is clamped to it weighs',
    things: { ...GOAL, bar: ['crossbar', { loadGrams: 3_399, massGrams: 2_000 }] },
    roles: OVER_STAGE,
    joints: ON_BAR,
    found: ['stop carried-load bar'],
  },
  {
    name: 'a bar of which nobody knows what it bears or weighs is two questions',
    things: { ...GOAL, bar: ['crossbar'] },
    roles: OVER_STAGE,
    joints: ON_BAR,
    found: ['unknown-stop joint-unknown bar', 'unknown-stop joint-unknown clamp'],
  },
  {
    name: 'a bar on two stands that bear it together and neither alone: how much comes on each is a question',
    things: { ...GOAL, lamp: ['light', { ...LAMP, massGrams: 3_601 }] },
    roles: OVER_STAGE,
    joints: ON_BAR,
    found: ['unknown-stop bridge-unknown s1', 'unknown-stop bridge-unknown s2'],
  },
  {
    name: 'its wrong twin: a gram more than both bear together',
    things: { ...GOAL, lamp: ['light', { ...LAMP, massGrams: 9_601 }] },
    roles: OVER_STAGE,
    joints: ON_BAR,
    found: ['stop carried-load s1', 'stop carried-load s2'],
  },
  {
    name: 'its other wrong twin: one stand for a bar that lies on two',
    things: Object.fromEntries(Object.entries(GOAL).filter(([key]) => key !== 's2')),
    roles: [{ ...OVER_STAGE[0], things: Object.keys(GOAL).filter((it) => it !== 's2') } as never],
    joints: ['lamp>clamp', 'clamp>bar', 'bar>s1'],
    found: ['stop need-unmet bar'],
  },
  {
    name: 'a camera on a lead to a laptop',
    things: TETHER,
    roles: TETHERED,
    joints: ['usb>cam', 'usb>lap'],
    found: [],
  },
  {
    name: 'its wrong twin: no card in the camera, and a lead that fits the laptop and not the camera',
    things: { ...TETHER, usb: ['cable', { endA: 'usb-a', endB: 'usb-a' }] },
    roles: TETHERED.map((it) => ({ ...it, things: it.things.filter((key) => key !== 'sd') })),
    found: ['stop need-unmet cam'],
  },
]
