import type { FindingLevel } from '../../../studio/finding.ts'
import type { Holdings, PlacedItem } from '../../placed/placed-item.ts'
import type { SignalChain } from './signals.ts'

export interface RateFinding {
  key: string
  level: FindingLevel
  roleId: string | null
  code: 'link-slow'
  from: string
  to: string
  /** The pieces that carry too little, or of which nobody knows. */
  tags: string[]
  wantedGbits: number
  /** The least that is known of the pieces; null where it is known of none. */
  haveGbits: number | null
}

/**
 * Holds what a device sends against what the cables and adapters on the way carry: a picture in high resolution or many
 * frames does not come through an older cable. Where it is not recorded what a device sends, nothing is said.
 */
export function judgeSignalRates(
  things: readonly PlacedItem[],
  chains: readonly SignalChain[],
  { units, models }: Holdings,
): RateFinding[] {
  const keyOf = new Map(things.map((it) => [it.tag, it.key]))
  const read = (key: string, what: 'sendsGbits' | 'carriesGbits') => {
    const value = models.get(units.get(key)?.modelId ?? '')?.specs.more[what]
    return typeof value === 'number' ? value : null
  }
  return chains.flatMap(({ from, via, to }): RateFinding[] => {
    const wantedGbits = read(from.key, 'sendsGbits')
    if (wantedGbits === null || via.length === 0) return []
    const pieces = via.map((tag) => ({ tag, gbits: read(keyOf.get(tag) ?? '', 'carriesGbits') }))
    const slow = pieces.filter(({ gbits }) => gbits !== null && gbits < wantedGbits)
    const unknown = pieces.filter(({ gbits }) => gbits === null)
    if (slow.length + unknown.length === 0) return []
    const known = pieces.flatMap(({ gbits }) => gbits ?? [])
    return [
      {
        key: `link-slow/${from.tag}/${to.tag}`,
        level: slow.length > 0 ? 'warn' : 'unknown',
        roleId: things.find((it) => it.key === from.key)?.roleId ?? null,
        code: 'link-slow',
        from: from.tag,
        to: to.tag,
        tags: (slow.length > 0 ? slow : unknown).map(({ tag }) => tag),
        wantedGbits,
        haveGbits: known.length > 0 ? Math.min(...known) : null,
      },
    ]
  })
}
