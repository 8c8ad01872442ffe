import type { Purchase } from '../checks/check.ts'
import type { Store } from '../placed/store.ts'
import { type Finding, recordOf } from '../verdict/finding.ts'

/** What stops a setup and can only be bought, as the store has nothing of it. Nothing is tried out for it. */
export function listShoppingNeeds(
  findings: readonly Finding[],
  store: Pick<Store, 'units' | 'stock'>,
): { finding: Finding; buy: Purchase }[] {
  return findings.flatMap((finding) => {
    const buy = finding.level === 'stop' ? recordOf(finding).toBuy?.(finding, store) : null
    return buy ? [{ finding, buy }] : []
  })
}
