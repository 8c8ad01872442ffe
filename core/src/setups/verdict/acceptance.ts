import type { Acceptance } from '../setup/setup.ts'
import type { ReadinessFinding } from './readiness.ts'

/**
 * A short print of what a finding says: the same figures give the same print. What could mend it does not count, nor how
 * many the store has. FNV-1a over its JSON, which has its keys in the order in which core writes them.
 */
export function computeFingerprint({ remedies: _, accepted: __, roleId: ___, ...finding }: ReadinessFinding): string {
  const text = JSON.stringify({ ...finding, inStore: undefined, away: undefined })
  let hash = 0x811c9dc5
  for (let at = 0; at < text.length; at++) hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193) >>> 0
  return `${hash.toString(16).padStart(8, '0')}-${text.length}`
}

/** A stop is never lived with: whoever wants it gone changes the setup, or how much the role matters. */
export function canAccept(finding: Pick<ReadinessFinding, 'level'>): boolean {
  return finding.level !== 'stop' && finding.level !== 'ok'
}

/** Marks what somebody accepted and what has not changed since. */
export function markAccepted(
  findings: readonly ReadinessFinding[],
  accepted: readonly Acceptance[],
): ReadinessFinding[] {
  const byKey = new Map(accepted.map((it) => [it.key, it]))
  return findings.map((finding) => {
    const known = byKey.get(finding.key)
    return known && canAccept(finding) && known.print === computeFingerprint(finding)
      ? { ...finding, accepted: known }
      : finding
  })
}
