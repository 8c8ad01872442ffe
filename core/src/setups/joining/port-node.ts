import type { Port } from '../../kit/model/port.ts'
import type { PlacedItem } from '../placed/placed-item.ts'

/** One end that can join one other: a port of count 2 gives two, the ports of an exclusive group give one. */
export interface PortNode {
  thing: PlacedItem
  /** The ports that this end can act as; more than one only in an exclusive group. */
  ports: Port[]
  priority: number | null
  /** All that it goes into, each once. */
  codes: readonly string[]
}
