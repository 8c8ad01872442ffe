/**
 * Rigs that studios build, with what somebody who knows them would say: what rides on what, and the verdict. Written down
 * before the judging was made to meet them, all but `gain-unknown`: how loud a microphone comes in was not thought of, and is
 * an honest question where nobody recorded its sensitivity. All of it is common practice; the figures are invented.
 */
export interface NamedRig {
  name: string
  /** By a short name: kind, what is typed on quick entry, and further figures. */
  things: Readonly<Record<string, readonly [category: string, facts?: object, more?: object]>>
  /** Roles with what stands in them, in any order; what a role wants is its first thing's kind unless it is said. */
  roles: readonly RigRole[]
  setup?: object
  /** `rider>carrier`, over signal and mains as well: `plug>socket`. Those that matter here, not all. */
  joints?: readonly string[]
  /** Joints that nobody would make. */
  never?: readonly string[]
  /** What is found beyond advice, `level code thing`; nothing where it is ready. */
  found: readonly string[]
}

export interface RigRole {
  name: string
  wants?: string | null
  importance?: string
  goesWith?: string
  heightMm?: number
  things: readonly string[]
}

const CAMERA = { mount: 'LENS', battery: 'PACK', milliwatts: 8_000, kilobitsPerSecond: 50_000, massGrams: 700 }
const BODY = {
  cam: ['camera', CAMERA],
  len: ['lens', { mount: 'LENS', massGrams: 400 }],
  sd: ['card', { capacityMegabytes: 128_000 }],
  p1: ['pack', { battery: 'PACK', energyMilliwattHours: 16_000, massGrams: 80 }],
  p2: ['pack', { battery: 'PACK', energyMilliwattHours: 16_000, massGrams: 80 }],
} as const
const IN_BODY = ['cam', 'len', 'sd', 'p1', 'p2'] as const
const LAMP = { inlet: 'iec-c13', milliwatts: 100_000, massGrams: 1_800 }
const LEAD = ['lead', { inlet: 'iec-c13' }] as const
const STAND = ['stand', { loadGrams: 6_000, massGrams: 2_500 }, { legRadiusMm: 480, heightMaxMm: 2_600 }] as const
const XLR = ['cable', { endA: 'xlr-3', endB: 'xlr-3' }] as const
const PICTURE = ['cable', { endA: 'hdmi-a', endB: 'hdmi-a' }] as const
const SCREEN = { inlet: 'iec-c13', milliwatts: 40_000 }
const RECORDER = {
  rec: ['recorder', { battery: 'cell-aa', batteryCount: 2, kilobitsPerSecond: 2_304 }],
  rsd: ['card', { capacityMegabytes: 32_000 }],
  c1: ['cell', { battery: 'cell-aa' }],
  c2: ['cell', { battery: 'cell-aa' }],
} as const
const IN_RECORDER = ['rec', 'rsd', 'c1', 'c2'] as const
const TRIPOD = ['tripod', { loadGrams: 8_000, massGrams: 3_000 }] as const
const MIC = ['dynamic-mic', { massGrams: 400 }] as const

export const NAMED_RIGS: readonly NamedRig[] = [
  {
    name: 'a lamp on a stand',
    things: { lamp: ['light', LAMP], lead: LEAD, stand: STAND },
    roles: [{ name: 'Key', wants: 'light', things: ['lamp', 'lead', 'stand'] }],
    joints: ['lamp>stand'],
    found: [],
  },
  {
    name: 'its wrong twin: a lamp that is heavier than its stand bears is told as that, and not as hanging nowhere',
    things: { lamp: ['light', { ...LAMP, massGrams: 6_001 }], lead: LEAD, stand: STAND },
    roles: [{ name: 'Key', wants: 'light', things: ['lamp', 'lead', 'stand'] }],
    joints: ['lamp>stand'],
    found: ['stop carried-load stand'],
  },
  {
    name: 'a lamp with its softbox',
    things: {
      lamp: ['cob', { ...LAMP, mount: 'BOX' }],
      lead: LEAD,
      box: ['modifier', { mount: 'BOX', massGrams: 1_200 }],
      stand: STAND,
    },
    roles: [{ name: 'Key', wants: 'light', things: ['box', 'stand', 'lead', 'lamp'] }],
    joints: ['lamp>stand', 'box>lamp'],
    found: [],
  },
  {
    name: 'a camera on a head on a tripod',
    things: { ...BODY, head: ['head', { loadGrams: 5_000, massGrams: 900 }], tripod: ['tripod', { loadGrams: 8_000 }] },
    roles: [{ name: 'A camera', wants: 'camera', things: ['tripod', 'head', ...IN_BODY] }],
    joints: ['cam>head', 'head>tripod', 'len>cam'],
    found: [],
  },
  {
    name: 'a screen in the shoe of the camera whose role it is in',
    things: {
      ...BODY,
      tripod: TRIPOD,
      mon: ['monitor', { battery: 'PACK', milliwatts: 9_000, massGrams: 350 }],
      pic: PICTURE,
      p3: ['pack', { battery: 'PACK', energyMilliwattHours: 16_000, massGrams: 80 }],
    },
    roles: [{ name: 'A camera', wants: 'camera', things: [...IN_BODY, 'tripod', 'mon', 'pic', 'p3'] }],
    joints: ['mon>cam', 'cam>tripod'],
    found: [],
  },
  {
    name: 'a television that stands by itself beside a camera: never in its shoe, never on its tripod',
    things: {
      ...BODY,
      tripod: TRIPOD,
      tv: ['television', { ...SCREEN, massGrams: 9_000 }],
      lead: LEAD,
      pic: PICTURE,
    },
    roles: [
      { name: 'A camera', wants: 'camera', things: [...IN_BODY, 'tripod'] },
      { name: 'For the guests', wants: 'monitor', things: ['tv', 'lead', 'pic'] },
    ],
    joints: ['cam>tripod'],
    never: ['tv>cam', 'tv>tripod'],
    found: [],
  },
  {
    name: 'a monitor that was entered with a screw under it, too heavy for any shoe: it never goes there',
    things: { ...BODY, tripod: TRIPOD, mon: ['monitor', { ...SCREEN, massGrams: 4_000 }], lead: LEAD, pic: PICTURE },
    roles: [
      { name: 'A camera', wants: 'camera', things: [...IN_BODY, 'tripod'] },
      { name: 'Monitor', wants: 'monitor', things: ['mon', 'lead', 'pic'] },
    ],
    joints: ['cam>tripod'],
    never: ['mon>cam', 'mon>tripod'],
    found: ['stop need-unmet mon'],
  },
  {
    name: 'a desk monitor on its arm on the desk',
    things: {
      mon: ['monitor', { ...SCREEN, holes: 'screen-100', massGrams: 4_000 }],
      arm: ['screen-arm', { holes: 'screen-100', loadGrams: 8_000, massGrams: 3_000 }],
      lead: LEAD,
    },
    roles: [{ name: 'Monitor', wants: 'monitor', things: ['mon', 'arm', 'lead'] }],
    joints: ['mon>arm'],
    found: ['warn need-unmet mon'],
  },
  {
    name: 'its wrong twin: the arm bears less than the screen weighs',
    things: {
      mon: ['monitor', { ...SCREEN, holes: 'screen-100', massGrams: 8_001 }],
      arm: ['screen-arm', { holes: 'screen-100', loadGrams: 8_000, massGrams: 3_000 }],
      lead: LEAD,
    },
    roles: [{ name: 'Monitor', wants: 'monitor', things: ['mon', 'arm', 'lead'] }],
    joints: ['mon>arm'],
    found: ['stop carried-load arm', 'warn need-unmet mon'],
  },
  {
    name: 'a phone in its clamp on a tripod',
    things: {
      phone: ['phone', { massGrams: 190, capacityMegabytes: 64_000, kilobitsPerSecond: 50_000 }],
      holder: ['phone-holder', { massGrams: 90 }],
      tripod: TRIPOD,
    },
    roles: [{ name: 'Camera', wants: 'camera', things: ['tripod', 'phone', 'holder'] }],
    joints: ['phone>holder', 'holder>tripod'],
    found: [],
  },
  {
    name: 'its wrong twin: the clamp in nothing',
    things: {
      phone: ['phone', { massGrams: 190, capacityMegabytes: 64_000, kilobitsPerSecond: 50_000 }],
      holder: ['phone-holder', { massGrams: 90 }],
    },
    roles: [{ name: 'Camera', wants: 'camera', things: ['phone', 'holder'] }],
    joints: ['phone>holder'],
    found: ['stop need-unmet holder'],
  },
  {
    name: 'a camera on a plate that stands on nothing',
    things: { ...BODY, plate: ['plate', { loadGrams: 3_000, massGrams: 150 }] },
    roles: [{ name: 'A camera', wants: 'camera', things: [...IN_BODY, 'plate'] }],
    joints: ['cam>plate'],
    found: ['stop stands-on-nothing plate'],
  },
  {
    name: 'two cameras with their tripods and a lamp with its stand: each with its own, whatever the order',
    things: {
      ...BODY,
      cam2: ['camera', CAMERA],
      len2: ['lens', { mount: 'LENS', massGrams: 400 }],
      sd2: ['card', { capacityMegabytes: 128_000 }],
      p3: ['pack', { battery: 'PACK', energyMilliwattHours: 16_000 }],
      t1: TRIPOD,
      t2: ['tripod', { loadGrams: 4_000, massGrams: 1_500 }],
      lamp: ['light', LAMP],
      lead: LEAD,
      stand: STAND,
    },
    roles: [
      { name: 'B camera', wants: 'camera', things: ['t2', 'cam2', 'len2', 'sd2', 'p3'] },
      { name: 'Key', wants: 'light', things: ['lamp', 'lead', 'stand'] },
      { name: 'A camera', wants: 'camera', things: ['t1', ...IN_BODY] },
    ],
    joints: ['cam>t1', 'cam2>t2', 'len>cam', 'len2>cam2', 'lamp>stand'],
    found: [],
  },
  {
    name: 'supports in a role of their own go with the role that they serve',
    things: {
      ...BODY,
      tripod: TRIPOD,
      phone: ['phone', { massGrams: 190, capacityMegabytes: 64_000, kilobitsPerSecond: 50_000 }],
      holder: ['phone-holder', { massGrams: 90 }],
      small: ['tripod', { loadGrams: 8_000, massGrams: 900 }],
    },
    roles: [
      { name: 'A camera', wants: 'camera', things: [...IN_BODY] },
      { name: 'Phone', wants: 'camera', things: ['phone', 'holder'] },
      { name: 'Phone support', wants: 'tripod', goesWith: 'Phone', things: ['small'] },
      { name: 'Camera support', wants: 'tripod', goesWith: 'A camera', things: ['tripod'] },
    ],
    joints: ['cam>tripod', 'holder>small'],
    found: [],
  },
  {
    name: 'a microphone on its stand, by a cable into a recorder',
    things: { mic: MIC, stand: ['mic-stand', { loadGrams: 2_000 }], xlr: XLR, ...RECORDER },
    roles: [
      { name: 'Voice', wants: 'microphone', things: ['mic', 'stand', 'xlr'] },
      { name: 'Recorder', wants: 'recorder', things: [...IN_RECORDER] },
    ],
    joints: ['mic>stand', 'mic>xlr', 'xlr>rec', 'rsd>rec'],
    found: ['unknown gain-unknown mic'],
  },
  {
    name: 'its wrong twin: the recorder without a card',
    things: { mic: MIC, stand: ['mic-stand', { loadGrams: 2_000 }], xlr: XLR, ...RECORDER },
    roles: [
      { name: 'Voice', wants: 'microphone', things: ['mic', 'stand', 'xlr'] },
      { name: 'Recorder', wants: 'recorder', things: ['rec', 'c1', 'c2'] },
    ],
    found: ['stop need-unmet rec', 'unknown gain-unknown mic'],
  },
  {
    name: 'a microphone into a mixer from which nothing goes on',
    things: {
      mic: MIC,
      stand: ['mic-stand', { loadGrams: 2_000 }],
      xlr: XLR,
      mix: ['mixer', { inlet: 'iec-c13', milliwatts: 20_000 }],
      lead: LEAD,
    },
    roles: [
      { name: 'Voice', wants: 'microphone', things: ['mic', 'stand', 'xlr'] },
      { name: 'Desk', wants: 'mixer', things: ['mix', 'lead'] },
    ],
    joints: ['mic>xlr', 'xlr>mix'],
    found: ['stop sound-unrecorded mic', 'unknown gain-unknown mic'],
  },
  {
    name: 'a booster between the dynamic microphone and the interface, into a computer; the condenser goes in by itself',
    things: {
      mic: MIC,
      con: ['microphone', { massGrams: 300 }, { fedBy: '48 V' }],
      s1: ['mic-stand', { loadGrams: 2_000 }],
      s2: ['mic-stand', { loadGrams: 2_000 }],
      boost: ['preamp', {}, { gainDb: 25, fedBy: '48 V' }],
      x1: XLR,
      x2: XLR,
      aif: ['audio-interface', {}, { sends48: 'yes' }],
      usb: ['cable', { endA: 'usb-c', endB: 'usb-c' }],
      com: ['computer'],
    },
    roles: [
      { name: 'Guest', wants: 'microphone', things: ['con', 's2', 'x2'] },
      { name: 'Host', wants: 'microphone', things: ['mic', 's1', 'x1', 'boost'] },
      { name: 'Recording', wants: 'audio-interface', things: ['aif', 'usb', 'com'] },
    ],
    joints: ['mic>boost', 'con>x2', 'boost>x1'],
    never: ['con>boost'],
    found: ['unknown gain-unknown mic'],
  },
  {
    name: 'sound passed on by a recorder into the camera is in both',
    things: {
      ...BODY,
      tripod: TRIPOD,
      mic: MIC,
      stand: ['mic-stand', { loadGrams: 2_000 }],
      xlr: XLR,
      ...RECORDER,
      jack: ['cable', { endA: 'trs-35', endB: 'trs-35' }],
    },
    roles: [
      { name: 'A camera', wants: 'camera', things: [...IN_BODY, 'tripod'] },
      { name: 'Voice', wants: 'microphone', things: ['mic', 'stand', 'xlr'] },
      { name: 'Recorder', wants: 'recorder', things: [...IN_RECORDER, 'jack'] },
    ],
    joints: ['xlr>rec', 'jack>rec', 'jack>cam'],
    found: ['unknown gain-unknown mic'],
  },
  {
    name: 'an on-camera microphone: in the shoe, by its own lead into the camera',
    things: { ...BODY, tripod: TRIPOD, mic: ['camera-mic', { massGrams: 120 }] },
    roles: [
      { name: 'A camera', wants: 'camera', things: [...IN_BODY, 'tripod'] },
      { name: 'Sound', wants: 'microphone', things: ['mic'] },
    ],
    joints: ['mic>cam'],
    found: [],
  },
  {
    name: 'a wireless set: its receiver by its own lead into the camera',
    things: { ...BODY, tripod: TRIPOD, set: ['wireless-set', { battery: 'cell-aa', batteryCount: 2 }], ...RECORDER },
    roles: [
      { name: 'A camera', wants: 'camera', things: [...IN_BODY, 'tripod'] },
      { name: 'Sound', wants: 'microphone', things: ['set', 'c1', 'c2'] },
    ],
    joints: ['set>cam'],
    found: [],
  },
  {
    name: 'a camera-top input unit with two microphones',
    things: {
      ...BODY,
      tripod: TRIPOD,
      unit: ['input-unit', { massGrams: 250 }],
      m1: MIC,
      m2: MIC,
      s1: ['mic-stand', { loadGrams: 2_000 }],
      s2: ['mic-stand', { loadGrams: 2_000 }],
      x1: XLR,
      x2: XLR,
    },
    roles: [
      { name: 'A camera', wants: 'camera', things: [...IN_BODY, 'tripod', 'unit'] },
      { name: 'Host', wants: 'microphone', things: ['m1', 's1', 'x1'] },
      { name: 'Guest', wants: 'microphone', things: ['m2', 's2', 'x2'] },
    ],
    joints: ['x1>unit', 'x2>unit', 'unit>cam'],
    found: ['unknown gain-unknown m1', 'unknown gain-unknown m2'],
  },
  {
    name: 'a web camera and a USB microphone at a computer',
    things: {
      web: ['webcam', { massGrams: 150 }],
      mic: ['usb-mic', { massGrams: 500 }],
      arm: ['desk-arm', { loadGrams: 2_000 }],
      usb: ['cable', { endA: 'usb-c', endB: 'usb-c' }],
      com: ['computer'],
    },
    roles: [
      { name: 'Camera', wants: 'camera', things: ['web'] },
      { name: 'Voice', wants: 'microphone', things: ['mic', 'arm', 'usb'] },
      { name: 'Computer', wants: 'computer', things: ['com'] },
    ],
    joints: ['web>com', 'mic>arm'],
    never: ['web>arm'],
    found: [],
  },
  {
    name: 'three cameras into a switcher, its programme on a screen and into a computer',
    things: {
      ...BODY,
      t1: TRIPOD,
      w1: ['webcam', { massGrams: 150 }],
      cc1: ['camcorder', { battery: 'PACK', milliwatts: 8_000, kilobitsPerSecond: 50_000, massGrams: 1_200 }],
      cc2: ['camcorder', { battery: 'PACK', milliwatts: 8_000, kilobitsPerSecond: 50_000, massGrams: 1_200 }],
      t2: TRIPOD,
      t3: TRIPOD,
      sd2: ['card', { capacityMegabytes: 128_000 }],
      sd3: ['card', { capacityMegabytes: 128_000 }],
      p3: ['pack', { battery: 'PACK', energyMilliwattHours: 16_000 }],
      p4: ['pack', { battery: 'PACK', energyMilliwattHours: 16_000 }],
      v1: PICTURE,
      v2: PICTURE,
      v3: PICTURE,
      v4: PICTURE,
      swi: ['switcher', { inlet: 'iec-c13', milliwatts: 20_000 }],
      tv: ['television', { ...SCREEN, massGrams: 9_000 }],
      l1: LEAD,
      l2: LEAD,
    },
    roles: [
      { name: 'A camera', wants: 'camera', things: [...IN_BODY, 't1', 'v1'] },
      { name: 'B camera', wants: 'camera', things: ['cc1', 't2', 'sd2', 'p3', 'v2'] },
      { name: 'C camera', wants: 'camera', things: ['cc2', 't3', 'sd3', 'p4', 'v3'] },
      { name: 'Return', wants: 'monitor', things: ['tv', 'l2', 'v4'] },
      { name: 'Switcher', wants: 'switcher', things: ['swi', 'l1'] },
    ],
    joints: ['v1>cam', 'v1>swi', 'v2>cc1', 'v2>swi', 'v3>cc2', 'v3>swi', 'v4>swi', 'v4>tv'],
    found: [],
  },
  {
    name: 'its wrong twin: only one of the three is cut',
    things: {
      ...BODY,
      t1: TRIPOD,
      cc1: ['camcorder', { battery: 'PACK', milliwatts: 8_000, kilobitsPerSecond: 50_000, massGrams: 1_200 }],
      t2: TRIPOD,
      sd2: ['card', { capacityMegabytes: 128_000 }],
      p3: ['pack', { battery: 'PACK', energyMilliwattHours: 16_000 }],
      v1: PICTURE,
      swi: ['switcher', { inlet: 'iec-c13', milliwatts: 20_000 }],
      l1: LEAD,
    },
    roles: [
      { name: 'A camera', wants: 'camera', things: [...IN_BODY, 't1', 'v1'] },
      { name: 'B camera', wants: 'camera', things: ['cc1', 't2', 'sd2', 'p3'] },
      { name: 'Switcher', wants: 'switcher', things: ['swi', 'l1'] },
    ],
    joints: ['v1>cam', 'v1>swi'],
    found: ['stop camera-not-cut cc1'],
  },
  {
    name: 'a lamp on a boom on a stand with its sandbags holds',
    things: {
      lamp: ['light', { ...LAMP, massGrams: 1_000 }],
      lead: LEAD,
      boom: ['boom-arm', { loadGrams: 5_000, massGrams: 1_500 }, { reachMm: 1_200 }],
      stand: ['c-stand', { loadGrams: 10_000, massGrams: 6_000 }, { legRadiusMm: 500, heightMaxMm: 3_000 }],
      bag: ['sandbag', { massGrams: 10_000 }],
    },
    roles: [{ name: 'Hair', wants: 'light', things: ['lamp', 'lead', 'boom', 'stand', 'bag'] }],
    joints: ['lamp>boom', 'boom>stand'],
    found: [],
  },
  {
    name: 'its wrong twin: 1.7 kg on a boom of 2.1 m on a light stand falls over',
    things: {
      lamp: ['light', { ...LAMP, massGrams: 1_700 }],
      lead: LEAD,
      boom: ['boom-arm', { loadGrams: 5_000, massGrams: 4_500 }, { reachMm: 2_100 }],
      stand: ['stand', { loadGrams: 9_000, massGrams: 5_200 }, { legRadiusMm: 320, heightMaxMm: 3_000 }],
    },
    roles: [{ name: 'Hair', wants: 'light', things: ['lamp', 'lead', 'boom', 'stand'] }],
    joints: ['lamp>boom', 'boom>stand'],
    found: ['stop tips-over stand'],
  },
  {
    name: 'a boom of which nobody wrote down how far it reaches is a question',
    things: {
      lamp: ['light', { ...LAMP, massGrams: 1_700 }],
      lead: LEAD,
      boom: ['boom-arm', { loadGrams: 5_000, massGrams: 4_500 }],
      stand: ['stand', { loadGrams: 9_000, massGrams: 5_200 }, { legRadiusMm: 320 }],
    },
    roles: [{ name: 'Hair', wants: 'light', things: ['lamp', 'lead', 'boom', 'stand'] }],
    joints: ['lamp>boom', 'boom>stand'],
    found: ['unknown-stop tipping-unknown stand'],
  },
]
