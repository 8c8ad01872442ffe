import type { Entry } from './entry.ts'
import { isIncome } from './entry.ts'

type Sums = Pick<Entry, 'date' | 'netMinor' | 'taxMinor'>

/** What stands in the way of a refund or of a correction, and at which field. */
export interface RefundFault {
  field: 'date' | 'kind' | 'netMinor' | 'taxMinor'
  sentence: string
}

const sumNet = (all: readonly Sums[]) => all.reduce((sum, it) => sum + it.netMinor, 0)
const sumTax = (all: readonly Sums[]) => all.reduce((sum, it) => sum + it.taxMinor, 0)

/** What may still come back of an entry of which something came back already. */
export function findRefundable(original: Sums, refunds: readonly Sums[]): { netMinor: number; taxMinor: number } {
  return {
    netMinor: original.netMinor - sumNet(refunds),
    taxMinor: original.taxMinor - sumTax(refunds),
  }
}

/**
 * Why money cannot have come back of an entry: more than was paid, in all or of its tax, before it was paid, or of what was
 * itself income. Null where it can.
 */
export function findRefundFault(
  original: Sums & Pick<Entry, 'kind'>,
  others: readonly Sums[],
  refund: Sums,
  say: (minor: number) => string,
): RefundFault | null {
  if (isIncome(original)) return { field: 'kind', sentence: 'Money comes back of what was paid, not of what came in.' }
  if (refund.date < original.date) return { field: 'date', sentence: 'That is before it was paid.' }
  const left = findRefundable(original, others)
  const leftMinor = left.netMinor + left.taxMinor
  if (refund.netMinor + refund.taxMinor === 0) return { field: 'netMinor', sentence: 'How much came back?' }
  if (refund.netMinor + refund.taxMinor > leftMinor) {
    const what = others.length > 0 ? 'was left of it' : 'was paid'
    return { field: 'netMinor', sentence: `No more than ${say(leftMinor)} ${what}, with its tax.` }
  }
  if (refund.taxMinor > left.taxMinor) {
    return { field: 'taxMinor', sentence: `No more than ${say(left.taxMinor)} of it was tax.` }
  }
  return null
}

/** Why an entry cannot be corrected so, as money came back of it. Null where it can. */
export function findCorrectionFault(
  corrected: Sums & Pick<Entry, 'kind'>,
  refunds: readonly Sums[],
  say: (minor: number) => string,
): RefundFault | null {
  if (refunds.length === 0) return null
  if (isIncome(corrected)) return { field: 'kind', sentence: 'Money came back of it, so it was paid.' }
  const first = refunds.map((it) => it.date).sort()[0] ?? corrected.date
  if (corrected.date > first) return { field: 'date', sentence: 'Money came back of it before that.' }
  const [net, tax] = [sumNet(refunds), sumTax(refunds)]
  if (corrected.netMinor + corrected.taxMinor < net + tax) {
    return { field: 'netMinor', sentence: `${say(net + tax)} of it came back already.` }
  }
  if (corrected.taxMinor < tax) {
    return { field: 'taxMinor', sentence: `${say(tax)} of its tax came back already.` }
  }
  return null
}
