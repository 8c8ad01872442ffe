import { makeShortHash } from '../../units/short-hash.ts'
import type { Scene } from '../checks/scene.ts'
import type { Acceptance } from '../setup/setup.ts'
import { type Finding, recordOf } from './finding.ts'

/** Of which way of making it a fingerprint is. */
const VERSION = '2.'

/**
 * A short hash of what makes a finding this one: its code and its deciding figures, and none that a release adds. The same
 * figures give the same fingerprint. FNV-1a over their JSON, after the number
 * of this way of making it.
 */
export function computeFingerprint(finding: Finding): string {
  // How much an open question weighs follows from its role, and is no figure of its own.
  const level = finding.level === 'unknown-stop' ? 'unknown' : finding.level
  const text = JSON.stringify([finding.code, level, ...recordOf(finding).deciding(finding)])
  return `${VERSION}${makeShortHash(text)}`
}

/** Whatever is found can be accepted; what is well needs it not. */
export function canAccept(finding: Pick<Finding, 'level'>): boolean {
  return finding.level !== 'ok'
}

/** A stop, or what could be one, is accepted by a named person and to an end. */
export function wantsEnd(finding: Pick<Finding, 'level'>): boolean {
  return finding.level === 'stop' || finding.level === 'unknown-stop'
}

/** What of the scene decides whether something is still accepted: its pieces, and the last day that is judged. */
export interface AcceptedAt {
  itemOf: Scene['itemOf']
  lastDay: string | null
}

/** Marks what somebody accepted, what has not changed since and what has not come to its end. */
export function markAccepted(
  findings: readonly Finding[],
  accepted: readonly Acceptance[],
  { itemOf, lastDay }: AcceptedAt = { itemOf: new Map(), lastDay: null },
): Finding[] {
  if (accepted.length === 0) return [...findings]
  const byKey = new Map(accepted.map((it) => [it.key, it]))
  return findings.map((finding) => {
    if (!canAccept(finding)) return finding
    const own = byKey.get(finding.key)
    const holds = (it: Acceptance) => isSigned(it, finding) && !isPast(it, lastDay)
    if (own && own.fingerprint === computeFingerprint(finding) && holds(own)) return { ...finding, accepted: own }
    const early = byKey.get(findEarlyKey(finding, itemOf))
    const isEarly = early && !early.fingerprint.startsWith(VERSION) && holds(early)
    return isEarly ? { ...finding, accepted: early } : finding
  })
}

const isSigned = ({ by, until }: Acceptance, finding: Finding) =>
  !wantsEnd(finding) || (by.trim() !== '' && until !== null)

const isPast = ({ until }: Acceptance, lastDay: string | null) => until !== null && lastDay !== null && until < lastDay

/** What codes were called, and which had tags in their keys, when a fingerprint was made of everything in a finding. */
const EARLY_CODES: Readonly<Record<string, string>> = {
  'shared-item': 'double-duty',
  'provided-lacking': 'given-lacking',
  'demand-unmet': 'demand',
  'demand-unknown': 'demand',
  'cable-slow': 'link-slow',
  'cable-run-trouble': 'link-trouble',
}
const HAD_TAGS = new Set([
  'beyond-room',
  'cable-slow',
  'carried-load',
  'circle-small',
  'gain-short',
  'sound-unrecorded',
])

/**
 * The key that a finding had then. A fingerprint of that time fell with every figure that a release added, so what was
 * accepted then is held for as long as the finding stands, whatever its figures.
 */
function findEarlyKey({ code, key }: Finding, itemOf: Scene['itemOf']): string {
  const [, ...about] = key.split('/')
  const parts = HAD_TAGS.has(code) ? about.map((it) => itemOf.get(it)?.tag ?? it) : about
  return [EARLY_CODES[code] ?? code, ...parts].join('/')
}
