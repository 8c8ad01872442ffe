import fc from 'fast-check'
import type { PortSketch } from '../../kit/model/port.ts'
import { makeThing } from './things.fixture.ts'

const rating = fc.option(
  fc.record({ quantity: fc.constant('loadGrams' as const), value: fc.constantFrom(1_000, 3_000, 9_000) }),
  { nil: null },
)

const portOf = (index: number) =>
  fc.record({
    id: fc.constant(`p${index}`),
    interfaces: fc.subarray(['mount-x', 'spigot-16', 'xlr-3'], { minLength: 1, maxLength: 2 }),
    side: fc.constantFrom('host' as const, 'guest' as const),
    direction: fc.constantFrom('in' as const, 'out' as const, 'none' as const),
    count: fc.constantFrom(1, 1, 2),
    importance: fc.constantFrom('essential' as const, 'essential' as const, 'optional' as const),
    carries: fc.constantFrom<string[]>([], [], ['distribution']),
    forbids: fc.constantFrom<string[]>([], [], ['distribution']),
  })

/** A small thing at random, with one or two ports. */
export const thingOf = (index: number) =>
  fc
    .record({
      category: fc.constantFrom('camera' as const, 'light' as const, 'cable' as const, 'stand' as const),
      massGrams: fc.constantFrom(null, 900, 3_000, 8_000),
      rating,
      /** The two ports are ways to use one end. */
      isGroup: fc.constantFrom(false, false, false, true),
      ports: fc.tuple(portOf(0), portOf(1)).chain((ports) => fc.subarray(ports, { minLength: 1 })),
    })
    .map(({ ports, isGroup, rating: value, ...rest }) => {
      const [first, second] = ports
      const isPair = isGroup && first && second && first.side === second.side
      // A cable has two ends: what divides is no cable.
      const group = isPair ? { exclusiveGroup: 'g', count: 1 } : rest.category === 'cable' ? { count: 1 } : {}
      const sketches = ports.map(
        (port): PortSketch => ({ ...port, ...group, ...(port.side === 'host' ? { rating: value } : {}) }),
      )
      return makeThing({ key: `T${index}`, ...rest, ports: sketches })
    })
