import { describe, expect, test } from 'vitest'
import { computeSpeechLevel } from '../../../formulas/sound/microphone-level.ts'
import type { Category } from '../../../kit/model/category.ts'
import { makePort } from '../../../kit/model/port.ts'
import type { MoreSpecs } from '../../../kit/model/spec.ts'
import type { TemplateFacts } from '../../../kit/template/template-facts.ts'
import type { AssessmentInput } from '../../placed/assessment-input.ts'
import { makeInput, makeRole, makeStudio } from '../../placed/studio.fixture.ts'
import { newSetupSchema, type Role } from '../../setup/setup.ts'
import { sayFinding } from '../../verdict/finding-sentences.ts'
import { assessSetup } from '../../verdict/readiness.ts'
import { adviseMicrophone } from '../sound/suited-microphone.ts'

const WORDS = { sayInstant: String, sayDay: String }

type Made = Record<string, [Category, Partial<TemplateFacts>, MoreSpecs?]>

function judge(things: Made, roles: Role[], rest: Partial<AssessmentInput> = {}, setup: object = {}) {
  const studio = makeStudio(
    Object.fromEntries(Object.entries(things).map(([tag, [kind, facts]]) => [tag, [kind, facts]])),
  )
  for (const [tag, [, , more]] of Object.entries(things)) {
    const model = studio.models.get(`m-${tag}`)
    if (model && more) studio.models.set(`m-${tag}`, { ...model, specs: { ...model.specs, more } })
  }
  const input = makeInput(studio, roles, rest)
  return assessSetup({ ...input, setup: { ...input.setup, ...setup } })
}

const find = (readiness: ReturnType<typeof judge>, code: string) => readiness.findings.filter((it) => it.code === code)
const place = (rest: Partial<NonNullable<Role['position']>>) => ({
  position: { distanceMm: null, heightMm: null, sideDegrees: null, focalMm: null, ...rest },
})

describe('cameras', () => {
  const SENSOR = { sensorWidthMm: 36, sensorHeightMm: 24 }
  const kit = (circle: number, more: MoreSpecs = {}): Made => ({
    CAM: ['camera', { mount: 'mount-x' }, SENSOR],
    LEN: ['lens', { mount: 'mount-x' }, { focalMinMm: 50, focalMaxMm: 50, imageCircleMm: circle, ...more }],
  })
  const angle = (circle: number, distanceMm: number | null, rest: Partial<AssessmentInput> = {}) =>
    judge(kit(circle), [makeRole('Wide', ['CAM', 'LEN'], place({ distanceMm }))], rest)

  test('each angle has its body, its lens by the joint, and what it frames from there', () => {
    const [camera] = angle(43.3, 2_050).cameras
    expect(camera).toMatchObject({ angle: 'Wide', tag: 'CAM', lens: { tag: 'LEN' }, focalMm: 50 })
    // 36 · (2050 − 50) / 50
    expect(camera?.frameWidthMm).toBeCloseTo(1_440, 6)
  })

  test('a lens behind an adapter is found, and one whose circle is too small warns with what is left', () => {
    const things: Made = {
      ...kit(43.3),
      LEN: ['lens', { mount: 'mount-y' }, { focalMinMm: 18, focalMaxMm: 18, imageCircleMm: 28.4 }],
      ADP: ['lens-adapter', { mount: 'mount-x', frontMount: 'mount-y' }],
    }
    const readiness = judge(things, [makeRole('Wide', ['CAM', 'ADP', 'LEN'])])
    const [finding] = find(readiness, 'circle-small')
    expect(finding).toMatchObject({ level: 'warn', tag: 'CAM', lens: 'LEN', circleMm: 28.4 })
    expect(finding && sayFinding(finding, WORDS).text).toMatch(/cut to 66 % of the width.*1\.52 times closer.*43 %/)
    expect(find(angle(43.3, null), 'circle-small')).toEqual([])
  })

  test('a way to record that crops the sensor frames less, and then the small circle covers', () => {
    const things = kit(28.4)
    const studio = makeStudio({
      CAM: things.CAM?.[0] ? ['camera', { mount: 'mount-x' }] : ['camera', {}],
      LEN: ['lens', { mount: 'mount-x' }],
    })
    const camera = studio.models.get('m-CAM')
    const lens = studio.models.get('m-LEN')
    if (!camera || !lens) throw new Error('no models')
    const modes = [
      { id: 'full', label: 'Full', kilobitsPerSecond: 1 },
      { id: 'crop', label: 'Cropped', kilobitsPerSecond: 1, activeWidthMm: 23.6 },
    ]
    studio.models.set('m-CAM', { ...camera, recordingModes: modes, specs: { ...camera.specs, more: SENSOR } })
    studio.models.set('m-LEN', {
      ...lens,
      specs: { ...lens.specs, more: { focalMinMm: 50, focalMaxMm: 50, imageCircleMm: 28.4 } },
    })
    const role = makeRole('Wide', ['CAM', 'LEN'], place({ distanceMm: 2_050 }))
    const cropped = { ...role, things: role.things.map((it) => ({ ...it, recordingModeId: 'crop' })) }
    const input = makeInput(studio, [cropped], { roomSize: { widthMm: 4_000, depthMm: 6_000, heightMm: 2_500 } })
    const readiness = assessSetup(input)
    expect(find(readiness, 'circle-small')).toEqual([])
    expect(readiness.cameras[0]?.frameWidthMm).toBeCloseTo(944, 6)
    // With 5.5 m before the lens: 36 · 5450 / 50 and 23.6 · 5450 / 50.
    expect(readiness.cameras[0]?.modes.map((it) => it.widestInRoomMm)).toEqual([3_924, 2_572.4])
    expect(find(assessSetup({ ...input, setup: { ...input.setup, roles: [role] } }), 'circle-small')).toHaveLength(1)
  })

  test('[V17] no lens frames more of a room than its longest wall', () => {
    const widest = (focalMm: number) => {
      const modes = [{ id: 'full', label: 'Full', kilobitsPerSecond: 1 }]
      const own = makeStudio({ CAM: ['camera', { mount: 'mount-x' }], LEN: ['lens', { mount: 'mount-x' }] })
      const camera = own.models.get('m-CAM')
      const lens = own.models.get('m-LEN')
      if (!camera || !lens) throw new Error('no models')
      own.models.set('m-CAM', { ...camera, recordingModes: modes, specs: { ...camera.specs, more: SENSOR } })
      own.models.set('m-LEN', {
        ...lens,
        specs: { ...lens.specs, more: { focalMinMm: focalMm, focalMaxMm: focalMm } },
      })
      const room = { roomSize: { widthMm: 9_000, depthMm: 7_000, heightMm: 2_700 } }
      return assessSetup(makeInput(own, [makeRole('Wide', ['CAM', 'LEN'])], room)).cameras[0]?.modes[0]?.widestInRoomMm
    }
    // 36 · (8,500 − 14) / 14 is 21.8 m: across 7 m of wall, or from the short side across 9 m of it.
    expect(widest(14)).toBe(9_000)
    // 36 · (8,500 − 50) / 50 fits into the 7 m.
    expect(widest(50)).toBe(6_084)
  })

  test('a camera beyond the longest side of the room would stand outside', () => {
    const room = { roomSize: { widthMm: 3_000, depthMm: 4_000, heightMm: 2_500 } }
    expect(find(angle(43.3, 3_500, room), 'beyond-room')).toEqual([])
    expect(find(angle(43.3, 3_501, room), 'beyond-room')).toHaveLength(1)
  })
})

describe('heights', () => {
  const tall = (heightMm: number, more: MoreSpecs = {}) =>
    find(
      judge(
        {
          LGT: ['light', { massGrams: 1_000 }],
          STD: ['stand', { loadGrams: 4_000 }, { heightMinMm: 900, heightMaxMm: 2_400, ...more }],
        },
        [makeRole('Hair', ['LGT', 'STD'], place({ heightMm }))],
      ),
      'height-out-of-reach',
    )

  test('from its lowest to its highest a stand is fine, one millimetre beyond it is not', () => {
    expect(tall(900)).toEqual([])
    expect(tall(2_400)).toEqual([])
    expect(tall(2_401)).toMatchObject([{ level: 'warn', tag: 'LGT', carriers: ['STD'], highestMm: 2_400 }])
    expect(tall(899)).toHaveLength(1)
  })
})

describe('gain', () => {
  test('speech falls by six decibels with each doubling of the distance', () => {
    expect(computeSpeechLevel(1_000)).toBe(60)
    expect(computeSpeechLevel(500) - computeSpeechLevel(1_000)).toBeCloseTo(6.02, 2)
  })

  const quiet = (boost: number | null, gainDb: number, rest: { sends48?: 'yes' | 'no' } = {}) => {
    const cables = boost === null ? ['C1'] : ['C1', 'C2', 'PRE']
    return judge(
      {
        MIC: ['dynamic-mic', {}, { sensitivityMvPerPa: 1.1, fedBy: 'nothing' }],
        MST: ['mic-stand', {}],
        PRE: ['preamp', {}, { gainDb: boost ?? 0, fedBy: '48 V' }],
        REC: ['mixer', {}, { gainDb, ...rest }],
        C1: ['cable', { endA: 'xlr-3', endB: 'xlr-3' }],
        C2: ['cable', { endA: 'xlr-3', endB: 'xlr-3' }],
      },
      [makeRole('Voice', ['MIC', 'MST', ...cables, 'REC'], place({ distanceMm: 100 }))],
    )
  }

  test('a quiet microphone wants more than the input has, and gets it from a booster', () => {
    // 1.1 mV/Pa is −59.2 dBV; 80 dB SPL at 10 cm: −73.2 dBV; to −10 dBV 63.2 dB.
    const [finding] = find(quiet(null, 55), 'gain-short')
    expect(finding).toMatchObject({ level: 'warn', working: { tag: 'MIC', haveDb: 55 } })
    expect(finding?.code === 'gain-short' && finding.working.wantedDb).toBeCloseTo(63.2, 1)
    const boosted = quiet(25, 55, { sends48: 'yes' })
    expect(find(boosted, 'gain-short')).toEqual([])
    const gain = boosted.workings.find((it) => it.formula === 'microphone-gain')
    expect(gain).toMatchObject({ haveDb: 80, boosters: [{ tag: 'PRE', gainDb: 25 }], isMeasured: true })
  })

  test('a booster wants 48 V: an input that sends none stops, one of which nobody knows is a question', () => {
    expect(find(quiet(25, 55, { sends48: 'no' }), 'feed-missing')).toMatchObject([
      { level: 'stop', tag: 'PRE', input: 'REC' },
    ])
    expect(find(quiet(25, 55), 'feed-unknown')).toMatchObject([{ level: 'unknown' }])
    expect(find(quiet(25, 55, { sends48: 'yes' }), 'feed-missing')).toEqual([])
  })
})

describe('what travels', () => {
  const video = (carriesGbits?: number) =>
    find(
      judge(
        {
          CAM: ['camera', {}, { sendsGbits: 12 }],
          SWI: ['switcher', {}],
          CBL: ['cable', { endA: 'hdmi-a', endB: 'hdmi-a' }, carriesGbits === undefined ? {} : { carriesGbits }],
        },
        [makeRole('Live', ['CAM', 'SWI', 'CBL'])],
      ),
      'cable-slow',
    )

  test('a cable carries what the camera sends, or is too slow, or nobody knows', () => {
    expect(video(12)).toEqual([])
    expect(video(10.2)).toMatchObject([{ level: 'warn', tags: ['CBL'], wantedGbits: 12, haveGbits: 10.2 }])
    expect(video()).toMatchObject([{ level: 'unknown', haveGbits: null }])
    for (const it of [...video(10.2), ...video()]) expect(sayFinding(it, WORDS).title).toContain('CBL')
  })

  test('plug-in power from an input that gives none is a stop, like 48 V', () => {
    const fed = (sendsPlugIn: 'yes' | 'no') =>
      find(
        judge(
          {
            LAV: ['lavalier', {}, { fedBy: 'plug-in power' }],
            CAM: ['camera', {}, { sendsPlugIn }],
          },
          [makeRole('Voice', ['LAV', 'CAM'])],
        ),
        'feed-missing',
      )
    expect(fed('yes')).toEqual([])
    expect(fed('no')).toMatchObject([{ level: 'stop', feed: 'plug-in power', input: 'CAM' }])
  })
})

describe('voices', () => {
  const things: Made = {
    M1: ['lavalier', {}],
    M2: ['lavalier', {}],
    C1: ['cable', { endA: 'trs-35', endB: 'xlr-3' }],
    REC: ['recorder', {}],
  }
  const say = (setup: object) => judge(things, [makeRole('Guests', ['M1', 'M2', 'C1', 'REC'])], {}, setup)

  test('each wants a microphone and an input of its own; as many as there are is enough', () => {
    expect(find(say({ speakers: 2 }), 'microphones-short')).toEqual([])
    expect(find(say({ speakers: 3 }), 'microphones-short')).toMatchObject([{ speakers: 3, have: 2 }])
    expect(find(say({ speakers: 3 }), 'sound-inputs-short')).toMatchObject([{ have: 2, tags: ['REC'] }])
    expect(find(say({ speakers: null }), 'microphones-short')).toEqual([])
  })

  test('which microphone a picture asks for', () => {
    expect(adviseMicrophone('wide', false, false)).toEqual({ way: 'worn', why: 'wide' })
    expect(adviseMicrophone('close', true, false)).toEqual({ way: 'worn', why: 'moves' })
    expect(adviseMicrophone('close', false, false)).toEqual({ way: 'boomed', why: 'close' })
    expect(adviseMicrophone('half', false, true)).toEqual({ way: 'near', why: 'close' })
  })

  test('worn ones suit a wide picture and are spoken of in a close one', () => {
    expect(find(say({ shot: 'wide' }), 'microphone-unsuited')).toEqual([])
    const [finding] = find(say({ shot: 'close' }), 'microphone-unsuited')
    expect(finding && sayFinding(finding, WORDS).title).toBe('A microphone on a boom would suit this picture')
  })
})

describe('one thing, several jobs', () => {
  const shared = { mayShare: true }
  const phone: Made = { PHO: ['phone', {}], TRI: ['tripod', {}] }

  test('it is allowed where every one of its roles shares, and said once with all of them', () => {
    const roles = [
      makeRole('Prompter', ['PHO'], { ...shared, wants: 'prompter' }),
      makeRole('Recorder', ['PHO'], { ...shared, wants: 'recorder', group: 'sound' }),
    ]
    const readiness = judge(phone, roles)
    expect(find(readiness, 'shared-item')).toMatchObject([{ level: 'advise', roles: ['Prompter', 'Recorder'] }])
    const { setup } = makeInput(makeStudio({ PHO: ['phone', {}] }), roles)
    expect(newSetupSchema.safeParse(setup).success).toBe(true)
    const selfish = roles.map((it, at) => (at === 0 ? { ...it, mayShare: false } : it))
    expect(newSetupSchema.safeParse({ ...setup, roles: selfish }).success).toBe(false)
  })

  test('its ends are there once, however many jobs it does', () => {
    const once = judge(phone, [makeRole('A', ['PHO'])])
    const twice = judge(phone, [makeRole('A', ['PHO'], shared), makeRole('B', ['PHO'], shared)])
    expect(find(twice, 'need-unmet')).toHaveLength(find(once, 'need-unmet').length)
    expect(twice.totalMassGrams).toBe(once.totalMassGrams)
  })

  test('two angles on one body are a warning', () => {
    const angle = (id: string) => makeRole(id, ['PHO'], { ...shared, wants: 'camera' })
    expect(find(judge(phone, [angle('Wide'), angle('Close')]), 'shared-item')).toMatchObject([
      { level: 'warn', isOneBody: true },
    ])
  })
})

describe('roles without a thing of their own', () => {
  const role = (providedBy: Role['providedBy']) => makeRole('Self-view', [], { providedBy, importance: 'wanted' })
  const screen = { kind: 'feature', roleId: 'A', feature: 'flipScreen' } as const
  const withCamera = (more: MoreSpecs) =>
    judge({ CAM: ['action-camera', {}, more], SDC: ['card', {}] }, [makeRole('A', ['CAM', 'SDC']), role(screen)])

  test('a feature of another thing fills it where that thing has it', () => {
    expect(find(withCamera({ flipScreen: 'yes' }), 'provided-lacking')).toEqual([])
    expect(find(withCamera({ flipScreen: 'yes' }), 'role-empty')).toEqual([])
    expect(find(withCamera({ flipScreen: 'no' }), 'provided-lacking')).toMatchObject([{ level: 'warn', tags: ['CAM'] }])
    expect(find(withCamera({}), 'provided-lacking')).toMatchObject([{ level: 'unknown', isUnknown: true }])
  })

  test('a surface wants a room', () => {
    const wall = role({ kind: 'surface', name: 'white wall' })
    expect(find(judge({}, [wall]), 'provided-lacking')).toHaveLength(1)
    expect(find(judge({}, [wall], {}, { placeId: 'room' }), 'provided-lacking')).toEqual([])
  })
})

describe('a lamp with what is on it', () => {
  test('the weight of the head is the lamp and its modifier, against the stand', () => {
    const studio = makeStudio({
      LGT: ['light', { massGrams: 2_900, mount: 'mount-x' }],
      MOD: ['modifier', { massGrams: 1_200, mount: 'mount-x' }],
      STD: ['stand', { loadGrams: 4_000 }],
    })
    const roles = (...tags: string[]) => makeInput(studio, [makeRole('Key', tags)])
    expect(find(assessSetup(roles('LGT', 'STD')), 'carried-load')).toEqual([])
    expect(find(assessSetup(roles('LGT', 'MOD', 'STD')), 'carried-load')).toMatchObject([
      { level: 'stop', working: { totalGrams: 4_100, ratedGrams: 4_000 } },
    ])
  })
})

test('a shoe taken by one leaves the other without, and a bracket with a cold shoe carries it', () => {
  const studio = makeStudio({
    CAM: ['camera', { mount: 'mount-x' }],
    MON: ['monitor', {}],
    LIT: ['flash', {}],
    BRK: ['friction-arm', {}],
  })
  const bracket = studio.models.get('m-BRK')
  if (!bracket) throw new Error('no model')
  studio.models.set('m-BRK', {
    ...bracket,
    ports: [
      makePort({ id: 'foot', interfaces: 'shoe', side: 'guest' }),
      makePort({ id: 'shoes', interfaces: 'shoe', side: 'host', count: 2, importance: 'optional' }),
    ],
  })
  const unmet = (...tags: string[]) =>
    find(assessSetup(makeInput(studio, [makeRole('A', tags)])), 'need-unmet').flatMap((it) =>
      it.code === 'need-unmet' && it.interfaces.some((end) => end.code === 'shoe') ? it.tag : [],
    )
  expect(unmet('CAM', 'MON', 'LIT')).toHaveLength(1)
  expect(unmet('CAM', 'MON', 'LIT', 'BRK')).toEqual([])
})
