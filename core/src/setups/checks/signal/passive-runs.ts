import { PASSIVE_LIMITS_MM } from '../../../formulas/signal/passive-limits.ts'
import { listInWords } from '../../../units/wording.ts'
import { type PlacedItem, readFigure } from '../../placed/placed-item.ts'
import { defineCheck, type Found } from '../check.ts'
import { type FindingWords, makeGauge, metres } from '../finding-words.ts'
import { factOf, type Scene } from '../scene.ts'
import { type SignalChain, traceSignals } from './signals.ts'

interface LongRun {
  code: 'run-long'
  from: string
  to: string
  via: string[]
  lengthMm: number
  limitMm: number
}

/**
 * Runs of cables that are longer than such a signal goes without a repeater. A word of advice and no more: an active cable
 * carries further, and nobody records which one is.
 */
export const passiveRuns = defineCheck<LongRun>({
  shownIn: 'signals',
  find: (scene) => factOf(scene, traceSignals).chains.flatMap((chain) => checkChain(chain, scene)),
  codes: {
    'run-long': {
      say: sayLong,
      deciding: ({ lengthMm, limitMm }) => [lengthMm, limitMm],
    },
  },
})

function checkChain({ from, via, to }: SignalChain, { items, itemOf }: Scene): Found<LongRun>[] {
  const pieces = via.flatMap((tag) => items.find((it) => it.tag === tag && it.category === 'cable') ?? [])
  const lengthMm = pieces.reduce((sum, it) => sum + (readFigure(it, 'lengthMm') ?? 0), 0)
  const limitMm = Math.min(...pieces.flatMap(listLimits))
  if (pieces.length === 0 || lengthMm <= limitMm) return []
  const roleId = itemOf.get(from.key)?.roleId ?? null
  const figures = { from: from.tag, to: to.tag, via, lengthMm, limitMm }
  return [{ about: [from.key, to.key], roleId, level: 'advise', code: 'run-long', ...figures }]
}

const listLimits = ({ ports }: PlacedItem) =>
  ports.flatMap((port) => port.interfaces.map((code) => PASSIVE_LIMITS_MM[code] ?? Number.POSITIVE_INFINITY))

function sayLong({ from, to, via, lengthMm, limitMm }: LongRun): FindingWords {
  return {
    title: `The run from ${from} to ${to} is long`,
    text: `${listInWords(via)} ${via.length === 1 ? 'is' : 'are together'} ${metres(lengthMm)} long. Without a repeater or an active cable such a signal goes about ${metres(limitMm)}: try it before the day.`,
    gauge: makeGauge(lengthMm, limitMm, `${metres(lengthMm)} of ${metres(limitMm)}`),
  }
}
