import type { Category } from '../../kit/model/category.ts'
import { STANDARD_INTERFACES } from '../../kit/model/interface.ts'
import { makePort, type PortSketch } from '../../kit/model/port.ts'
import { NOTHING_KNOWN, type PlacedItem } from './placed-item.ts'

export const INTERFACES = new Map(
  [
    ...STANDARD_INTERFACES,
    ...(['mount-x', 'mount-y', 'pack-a'] as const).map((code) => ({
      code,
      label: code,
      kind: code === 'pack-a' ? ('battery' as const) : ('mount' as const),
      hostName: code === 'pack-a' ? 'bay' : 'body',
      guestName: code === 'pack-a' ? 'pack' : 'lens',
      standard: null,
      viaCableOnly: false,
      version: 1,
    })),
  ].map((it) => [it.code, it]),
)

/** A thing for tests, with only what the test is about. */
export function makeThing({
  ports = [],
  key,
  ...rest
}: Partial<Omit<PlacedItem, 'ports'>> & { key: string; ports?: PortSketch[] }): PlacedItem {
  return {
    key,
    tag: key,
    name: key,
    category: 'other' as Category,
    roleId: key,
    roleImportance: 'essential',
    ...NOTHING_KNOWN,
    ...rest,
    ports: ports.map(makePort),
  }
}
