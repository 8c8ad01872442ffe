import { formatMass } from '../../units/quantity.ts'
import type { Interface } from './interface.ts'
import type { Port } from './port.ts'

type Named = Pick<Interface, 'label' | 'hostName' | 'guestName' | 'kind'>

const DIRECTIONS = { in: 'signal in', out: 'signal out', both: 'both ways', none: '' } as const

/** `a` or `an`, as it is spoken. */
const withArticle = (word: string) => `${/^[aeiou]/i.test(word) ? 'an' : 'a'} ${word}`

/** `SD card slot`, and not `16 mm spigot spigot` where the connector is called by that side of it already; `British 13 A plug`. */
function nameSide(label: string, side: string): string {
  if (side === 'plug' && label.endsWith(' socket')) return label.replace(/socket$/, side)
  // Couplers have a name of their own on each side: `C8 inlet`.
  if (/^C\d/.test(side)) return side
  return label.toLowerCase().endsWith(side.toLowerCase()) ? label : `${label} ${side}`
}

/** What one side of a connector is, and what meets it there: `SD card slot, for a card`. */
export function saySide({ label, hostName, guestName }: Named, side: Port['side']): string {
  const [own, other] = side === 'host' ? [hostName, guestName] : [guestName, hostName]
  return `${nameSide(label, own)}, for ${withArticle(other)}`
}

/** One end of a thing as a sentence: `2 × HDMI type A socket, for a plug, signal out`. */
export function sayEnd(
  port: Pick<Port, 'interfaces' | 'side' | 'direction' | 'count' | 'rating' | 'demand'>,
  interfaces: ReadonlyMap<string, Named>,
  system: 'metric' | 'imperial' = 'metric',
): string {
  const [first, ...others] = port.interfaces
  const own = interfaces.get(first ?? '')
  const alternatives = others.map((code) => interfaces.get(code)?.label ?? code)
  return [
    `${port.count > 1 ? `${port.count} × ` : ''}${own ? saySide(own, port.side) : (first ?? '')}`,
    alternatives.length > 0 ? `also ${alternatives.join(', ')}` : '',
    own?.kind === 'signal' ? DIRECTIONS[port.direction] : '',
    sayRating(port.rating, 'good for', system),
    sayRating(port.demand, 'asks for', system),
  ]
    .filter(Boolean)
    .join(', ')
}

function sayRating(rating: Port['rating'], how: string, system: 'metric' | 'imperial'): string {
  if (!rating) return ''
  const said = {
    loadGrams: (value: number) => formatMass(value, system),
    cardMegabytesPerSecond: (value: number) => `${value} MB/s`,
    amps: (value: number) => `${value} A`,
  }
  return `${how} ${said[rating.quantity](rating.value)}`
}
