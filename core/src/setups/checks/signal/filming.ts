import { isKindOf } from '../../../kit/model/category.ts'
import { isItemOf, type PlacedItem } from '../../placed/placed-item.ts'
import { findRole } from '../ideas.ts'
import type { Scene } from '../scene.ts'

/** Whether something is there to film: a phone that shows a script films nothing, and what its role wants decides. */
export function isFilming(item: PlacedItem, scene: Scene): boolean {
  if (!isItemOf(item, 'camera')) return false
  const role = findRole(scene, item.roleId)
  if (!role) return false
  return role.wants ? isKindOf(role.wants, 'camera') : role.group === 'camera' && item.category !== 'phone'
}
