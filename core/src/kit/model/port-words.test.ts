import { expect, test } from 'vitest'
import { STANDARD_INTERFACES } from './interface.ts'
import { makePort, type PortSketch } from './port.ts'
import { sayEnd } from './port-words.ts'

const INTERFACES = new Map(STANDARD_INTERFACES.map((it) => [it.code, it]))

test.each<[PortSketch, string]>([
  [
    { id: 'a', interfaces: 'hdmi-a', side: 'host', direction: 'out', count: 2 },
    '2 × HDMI type A socket, for a plug, signal out',
  ],
  [{ id: 'a', interfaces: 'trs-35', side: 'guest', direction: 'out' }, '3.5 mm jack plug, for a socket, signal out'],
  [{ id: 'a', interfaces: 'sd', side: 'host' }, 'SD card slot, for a card'],
  [{ id: 'a', interfaces: 'sd', side: 'guest' }, 'SD card, for a slot'],
  [
    { id: 'a', interfaces: 'spigot-16', side: 'host', rating: { quantity: 'loadGrams', value: 8_000 } },
    '16 mm spigot, for a receiver, good for 8 kg',
  ],
  [
    { id: 'a', interfaces: ['thread-1-4', 'thread-3-8'], side: 'guest' },
    '1/4-20 thread hole, for a screw, also 3/8-16 thread',
  ],
  [{ id: 'a', interfaces: 'iec-c7', side: 'host' }, 'C8 inlet, for a C7 connector'],
  [{ id: 'a', interfaces: 'mains-bs1363', side: 'guest' }, 'British 13 A plug, for a socket'],
])('an end in words: %j', (sketch, words) => expect(sayEnd(makePort(sketch), INTERFACES)).toBe(words))

test('[M12] an end of the studio’s own is not called a mount mount, and loads are as the studio writes them', () => {
  const own = { label: 'Larch mount', kind: 'mount', hostName: 'mount', guestName: 'lens' } as const
  const port = makePort({ id: 'a', interfaces: 'larch', side: 'host', rating: { quantity: 'loadGrams', value: 2_268 } })
  expect(sayEnd(port, new Map([['larch', own]]), 'imperial')).toBe('Larch mount, for a lens, good for 5 lb')
})
