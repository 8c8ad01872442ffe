import { describe, expect, test } from 'vitest'
import type { PlacedItem } from '../placed/placed-item.ts'
import { INTERFACES, makeThing } from '../placed/things.fixture.ts'
import { checkCompleteness } from './completeness.ts'

const judge = (...things: PlacedItem[]) => checkCompleteness(things, INTERFACES)
const names = (...things: PlacedItem[]) => judge(...things).unmet.map((need) => `${need.thing.tag}/${need.portId}`)

const body = (key = 'CAM', mount = 'mount-x') =>
  makeThing({ key, category: 'camera', ports: [{ id: 'mount', interfaces: mount, side: 'host' }] })
const lens = (key = 'LEN', mount = 'mount-x') =>
  makeThing({ key, category: 'lens', ports: [{ id: 'rear', interfaces: mount, side: 'guest' }] })
const adapter = makeThing({
  key: 'ADP',
  category: 'lens-adapter',
  ports: [
    { id: 'rear', interfaces: 'mount-x', side: 'guest' },
    { id: 'front', interfaces: 'mount-y', side: 'host' },
  ],
})

describe('completeness', () => {
  test('a body wants a lens and a lens wants a body', () => {
    expect(names(body())).toEqual(['CAM/mount'])
    expect(names(lens())).toEqual(['LEN/rear'])
    expect(names(body(), lens())).toEqual([])
  })

  test('an adapter alone completes nothing: its far end stays open', () => {
    expect(names(body(), adapter)).toEqual(['ADP/front'])
    expect(names(body(), adapter, lens('LEN', 'mount-y'))).toEqual([])
    expect(names(body(), lens('LEN', 'mount-y'))).toEqual(['CAM/mount', 'LEN/rear'])
  })

  test('each offer is used once, and the Hall set names who competes for what', () => {
    const lamp = (key: string) => makeThing({ key, ports: [{ id: 'bay', interfaces: 'pack-a', side: 'host' }] })
    const pack = (key: string) =>
      makeThing({ key, ports: [{ id: 'pack', interfaces: 'pack-a', side: 'guest', importance: 'optional' }] })
    const [need] = judge(lamp('L1'), lamp('L2'), lamp('L3'), pack('P1'), pack('P2')).unmet
    expect(need).toMatchObject({ missing: 1, supply: ['P1', 'P2'] })
    expect([need?.thing.tag, ...(need?.rivals ?? [])].sort()).toEqual(['L1', 'L2', 'L3'])
  })

  test('a combined socket takes either plug', () => {
    const socket = makeThing({
      key: 'REC',
      category: 'recorder',
      ports: [{ id: 'in', interfaces: ['xlr-3', 'trs-35'], side: 'host', direction: 'in' }],
    })
    const cable = (interfaces: string) =>
      makeThing({ key: 'CBL', category: 'cable', ports: [{ id: 'to', interfaces, side: 'guest', direction: 'out' }] })
    expect(names(socket, cable('xlr-3'))).toEqual([])
    expect(names(socket, cable('trs-35'))).toEqual([])
    expect(names(socket, cable('bnc'))).toHaveLength(2)
  })

  test('a reversible end is used one way or the other, never both', () => {
    const stud = makeThing({
      key: 'STU',
      ports: [
        { id: 'thin', interfaces: 'thread-1-4', side: 'host', exclusiveGroup: 'end', importance: 'optional' },
        { id: 'thick', interfaces: 'thread-3-8', side: 'host', exclusiveGroup: 'end', importance: 'optional' },
      ],
    })
    const head = (key: string, interfaces: string) =>
      makeThing({ key, ports: [{ id: 'foot', interfaces, side: 'guest' }] })
    expect(names(stud, head('A', 'thread-1-4'))).toEqual([])
    expect(names(stud, head('A', 'thread-1-4'), head('B', 'thread-3-8'))).toEqual(['B/foot'])
  })

  test('two lamps on two stands of unequal rating go the right way round', () => {
    const stand = (key: string, value: number) =>
      makeThing({
        key,
        ports: [
          {
            id: 'top',
            interfaces: 'spigot-16',
            side: 'host',
            importance: 'optional',
            rating: { quantity: 'loadGrams', value },
          },
        ],
      })
    const lamp = (key: string, massGrams: number) =>
      makeThing({ key, massGrams, ports: [{ id: 'receiver', interfaces: 'spigot-16', side: 'guest' }] })
    const { joints, unmet } = judge(stand('S10', 10_000), stand('S4', 4_000), lamp('L9', 9_000), lamp('L3', 3_000))
    expect(unmet).toEqual([])
    expect(joints.map((it) => `${it.guest.tag} on ${it.host.tag}`).sort()).toEqual(['L3 on S4', 'L9 on S10'])
    // Equality passes a rating.
    expect(judge(stand('S9', 9_000), lamp('L9', 9_000)).unmet).toEqual([])
    // One gram above it is joined all the same, and told as too much.
    expect(judge(stand('S8', 8_999), lamp('L9', 9_000)).joints).toHaveLength(1)
  })

  test('a mass nobody recorded is reported, not taken as fine', () => {
    const stand = makeThing({
      key: 'S',
      ports: [
        {
          id: 'top',
          interfaces: 'spigot-16',
          side: 'host',
          importance: 'optional',
          rating: { quantity: 'loadGrams', value: 4_000 },
        },
      ],
    })
    const lamp = makeThing({ key: 'L', ports: [{ id: 'receiver', interfaces: 'spigot-16', side: 'guest' }] })
    expect(judge(stand, lamp).unknown).toMatchObject([{ fact: 'mass', thing: { tag: 'L' }, other: { tag: 'S' } }])
  })

  // SD Association: V30 sustains 30 MB/s, V60 sustains 60 MB/s.
  test('a card below the class that is required goes in only where no faster one does', () => {
    const slot = makeThing({
      key: 'CAM',
      ports: [
        { id: 'slot', interfaces: 'sd', side: 'host', demand: { quantity: 'cardMegabytesPerSecond', value: 60 } },
      ],
    })
    const card = (value: number) =>
      makeThing({
        key: `V${value}`,
        ports: [
          {
            id: 'card',
            interfaces: 'sd',
            side: 'guest',
            importance: 'optional',
            rating: { quantity: 'cardMegabytesPerSecond', value },
          },
        ],
      })
    const inSlot = (...cards: PlacedItem[]) => judge(slot, ...cards).joints.map((it) => it.guest.tag)
    expect(inSlot(card(30))).toEqual(['V30'])
    expect(inSlot(card(30), card(60))).toEqual(['V60'])
    expect(inSlot(card(90), card(30))).toEqual(['V90'])
  })

  test('a microphone reaches a recorder only through a cable, and an output never meets an output', () => {
    const mic = makeThing({
      key: 'MIC',
      category: 'microphone',
      ports: [{ id: 'out', interfaces: 'xlr-3', side: 'guest', direction: 'out' }],
    })
    const recorder = makeThing({
      key: 'REC',
      category: 'recorder',
      ports: [{ id: 'in', interfaces: 'xlr-3', side: 'host', direction: 'in', importance: 'optional' }],
    })
    const cable = makeThing({
      key: 'CBL',
      category: 'cable',
      ports: [
        { id: 'from', interfaces: 'xlr-3', side: 'host', direction: 'in' },
        { id: 'to', interfaces: 'xlr-3', side: 'guest', direction: 'out' },
      ],
    })
    expect(names(mic, recorder)).toEqual(['MIC/out'])
    expect(names(mic, cable, recorder)).toEqual([])
    expect(names(mic, cable)).toEqual(['CBL/to'])
  })

  // Common practice and the makers' own instructions: an extension strip is not plugged into another.
  test('a strip does not feed a strip', () => {
    const strip = (key: string) =>
      makeThing({
        key,
        category: 'strip',
        ports: [
          { id: 'plug', interfaces: 'mains-bs1363', side: 'guest', carries: ['distribution'] },
          {
            id: 'socket',
            interfaces: 'mains-bs1363',
            side: 'host',
            count: 4,
            importance: 'optional',
            forbids: ['distribution'],
          },
        ],
      })
    const wall = makeThing({
      key: 'ROOM',
      category: 'room',
      ports: [{ id: 'socket', interfaces: 'mains-bs1363', side: 'host', importance: 'optional' }],
    })
    expect(names(wall, strip('A'))).toEqual([])
    expect(names(wall, strip('A'), strip('B'))).toEqual(['B/plug'])
  })

  test('what hangs on a role that is only wanted warns, on an optional one advises', () => {
    expect(judge({ ...body(), roleImportance: 'wanted' }).unmet[0]?.level).toBe('warn')
    expect(judge({ ...body(), roleImportance: 'optional' }).unmet[0]?.level).toBe('advise')
    expect(judge(body()).unmet[0]?.level).toBe('stop')
  })
})
