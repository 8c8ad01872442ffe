import { z } from 'zod'
import { CONTINUOUS_MINUTES, computeCircuitLimit } from '../../../formulas/power/circuit-limit.ts'
import type { FindingLevel } from '../../../studio/finding.ts'
import { findingLevelSchema } from '../../../studio/finding.ts'
import type { Circuit } from '../../../studio/places/place.ts'
import type { LoadRule } from '../../../studio/policy/settings.ts'
import { loadRuleSchema } from '../../../studio/policy/settings.ts'
import { formatPower, trim } from '../../../units/quantity.ts'
import type { PlacedItem } from '../../placed/placed-item.ts'
import { defineCheck, defineSum, ofItem } from '../check.ts'
import { type FindingWords, makeGauge, plain, type WorkingWords } from '../finding-words.ts'
import { listCircuits, listPowerModes, orderByPower } from '../ideas.ts'
import { factOf, type Scene } from '../scene.ts'
/** The sum on one circuit, with everything that a person needs to check it. Milliwatts throughout. */
export const circuitLoadSchema = z.object({
  formula: z.literal('circuit-load'),
  circuit: z.string(),
  volts: z.number(),
  amps: z.number(),
  loads: z.array(
    z.object({
      tag: z.string(),
      name: z.string(),
      milliwatts: z.number(),
      isContinuous: z.boolean(),
    }),
  ),
  totalMilliwatts: z.number(),
  /** Tags of what runs from the mains and draws nobody knows what: they are in no sum. */
  unknown: z.array(z.string()),
  /** Volts times amperes: what the breaker lets through. */
  ratedMilliwatts: z.number(),
  /** What may be drawn for hours: the rated power times the studio's share. */
  continuousMilliwatts: z.number(),
  continuousPercent: z.number(),
  rule: loadRuleSchema,
  /** With the rule for the continuous part: that part over the share, and the rest as it is. */
  reckonedMilliwatts: z.number(),
  isContinuous: z.boolean(),
  level: findingLevelSchema,
})
export type CircuitLoad = z.infer<typeof circuitLoadSchema>
type CircuitFinding =
  | { code: 'circuit-load'; working: CircuitLoad }
  | { code: 'circuit-missing'; milliwatts: number }
  | { code: 'watts-unknown'; tag: string; name: string; modelId: string | null }

/** What runs from the mains, against the circuit that feeds it. */
export const circuitLoad = defineCheck<CircuitFinding>({
  shownIn: 'power',
  find: (scene) => [...listUnknownWatts(scene), ...checkCircuit(scene)],
  codes: {
    'circuit-load': {
      isHazard: true,
      say: ({ working }) => sayOverload(working),
      sayPlainly: () =>
        'Too much is plugged into one circuit: it may go dark in the middle of a take. Local codes and a licensed electrician decide.',
      deciding: ({ working }) => [working.totalMilliwatts, working.ratedMilliwatts, working.continuousPercent],
      ideas: (_, { scene, store }) => orderByPower(scene, listCircuits(scene, store), listPowerModes(scene, 'packs')),
      isSmaller: (after, before) => after.working.totalMilliwatts < before.working.totalMilliwatts,
    },
    'circuit-missing': {
      couldStop: true,
      say: ({ milliwatts }) =>
        plain(
          'Cannot tell whether the circuit holds',
          `${formatPower(milliwatts)} run from the mains. Choose the circuit that feeds this setup.`,
        ),
      deciding: ({ milliwatts }) => [milliwatts],
      ideas: (_, { scene, store }) => listCircuits(scene, store),
    },
    'watts-unknown': {
      couldStop: true,
      say: ({ tag, name }) =>
        plain(
          `Cannot tell what ${tag} draws`,
          `The power of ${name} is not recorded, so it is missing from every sum. It stands on the label.`,
        ),
      deciding: () => [],
      asks: ({ modelId }) => (modelId === null ? null : { modelId, fact: 'watts' }),
    },
  },
})

export const circuitLoadSum = defineSum<CircuitLoad>({
  formula: 'circuit-load',
  list: (scene) => factOf(scene, findCircuitLoad) ?? [],
  say: sayWorking,
  follows: ({ figure }) => [figure('continuousLoadPercent')],
})

const isOnMains = ({ powerMode }: PlacedItem) => powerMode?.source === 'mains'

/** The load of the setup on its circuit; null where there is no circuit, or nothing on it. */
function findCircuitLoad({ items, circuit, policies: { settings }, setup }: Scene): CircuitLoad[] | null {
  if (!circuit || !items.some(isOnMains)) return null
  const policy = { rule: settings.loadRule, continuousPercent: settings.continuousLoadPercent }
  return [computeCircuitLoad(items, circuit, policy, setup.plannedMinutes)]
}

function listUnknownWatts({ items }: Scene) {
  return items
    .filter(({ powerMode }) => powerMode && powerMode.source !== 'cells' && powerMode.milliwatts === null)
    .map((item) => {
      const modelId = item.model?.id ?? null
      return { ...ofItem(item), level: 'unknown' as const, code: 'watts-unknown' as const, modelId }
    })
}

function checkCircuit(scene: Scene) {
  const onMains = scene.items.filter(isOnMains)
  if (onMains.length === 0) return []
  const common = { about: [], roleId: null }
  const [working] = factOf(scene, findCircuitLoad) ?? []
  if (working)
    return working.level === 'ok' ? [] : [{ ...common, level: working.level, code: 'circuit-load' as const, working }]
  const milliwatts = onMains.reduce((sum, it) => sum + (it.powerMode?.milliwatts ?? 0), 0)
  return [{ ...common, level: 'unknown' as const, code: 'circuit-missing' as const, milliwatts }]
}

export interface LoadPolicy {
  rule: LoadRule
  continuousPercent: number
}

/**
 * Adds up what runs from the mains. Equality passes. Above the rated power: stop. With the rule for the whole load,
 * above the share: stop where the load runs three hours or more, else a warning. With the rule for its continuous
 * part: stop where that part over the share, and the rest as it is, pass the rated power (NFPA 70, 210.20(A)). Things
 * without recorded watts are left out and reported by the caller.
 */
export function computeCircuitLoad(
  things: readonly PlacedItem[],
  circuit: Circuit,
  { rule, continuousPercent }: LoadPolicy,
  runMinutes: number,
): CircuitLoad {
  const isContinuous = runMinutes >= CONTINUOUS_MINUTES
  const loads = things.flatMap((thing) =>
    thing.powerMode?.source === 'mains' && thing.powerMode.milliwatts !== null
      ? [
          {
            tag: thing.tag,
            name: thing.name,
            milliwatts: thing.powerMode.milliwatts,
            isContinuous: isContinuous && !thing.runsBriefly,
          },
        ]
      : [],
  )
  const totalMilliwatts = loads.reduce((sum, load) => sum + load.milliwatts, 0)
  const ratedMilliwatts = computeCircuitLimit(circuit.volts, circuit.amps, 100)
  const continuousMilliwatts = computeCircuitLimit(circuit.volts, circuit.amps, continuousPercent)
  const lasting = loads.reduce((sum, load) => sum + (load.isContinuous ? load.milliwatts : 0), 0)
  const reckonedMilliwatts = Math.ceil((lasting * 100) / continuousPercent) + totalMilliwatts - lasting
  return {
    formula: 'circuit-load',
    circuit: circuit.name,
    volts: circuit.volts,
    amps: circuit.amps,
    loads: loads.sort((a, b) => b.milliwatts - a.milliwatts),
    totalMilliwatts,
    unknown: things.flatMap((it) => (isOnMains(it) && it.powerMode?.milliwatts === null ? it.tag : [])),
    ratedMilliwatts,
    continuousMilliwatts,
    continuousPercent,
    rule,
    reckonedMilliwatts,
    isContinuous,
    level: judge(rule, totalMilliwatts, ratedMilliwatts, continuousMilliwatts, reckonedMilliwatts, isContinuous),
  }
}

function judge(
  rule: LoadRule,
  total: number,
  rated: number,
  continuous: number,
  reckoned: number,
  isContinuous: boolean,
): FindingLevel {
  if (total > rated) return 'stop'
  if (rule === 'none') return 'ok'
  if (rule === 'part') return reckoned > rated ? 'stop' : 'ok'
  if (total > continuous) return isContinuous ? 'stop' : 'warn'
  return 'ok'
}

function sayOverload(working: CircuitLoad): FindingWords {
  const byShare = working.rule === 'whole' && (working.level === 'warn' || working.isContinuous)
  const limit = byShare ? working.continuousMilliwatts : working.ratedMilliwatts
  const value = working.rule === 'part' ? working.reckonedMilliwatts : working.totalMilliwatts
  const isBelowRated = working.totalMilliwatts <= working.ratedMilliwatts
  const usual =
    working.rule === 'part' && isBelowRated
      ? `What runs three hours or more is reckoned at ${trim(10_000 / working.continuousPercent, 0)} %.`
      : working.level === 'warn'
        ? `Above ${working.continuousPercent} % of the circuit: fine for less than three hours, no longer.`
        : working.isContinuous && isBelowRated
          ? `For three hours or more, usual practice loads a circuit to ${working.continuousPercent} %.`
          : 'The breaker may open in the middle of a take.'
  return {
    title: `${working.circuit} is overloaded`,
    text: `${usual} Local codes and a licensed electrician decide.`,
    gauge: makeGauge(value, limit, `${trim(value / 1000, 0)} of ${trim(limit / 1000, 0)} W`),
  }
}

function sayLoadRule(working: CircuitLoad): { label: string; sum: string }[] {
  const { rule, ratedMilliwatts, continuousPercent, continuousMilliwatts, totalMilliwatts } = working
  if (rule === 'none') return []
  if (rule === 'whole') {
    const sum = `${formatPower(ratedMilliwatts)} × ${continuousPercent} % = ${formatPower(continuousMilliwatts)}`
    return [{ label: 'for hours', sum }]
  }
  const lasting = working.loads.reduce((sum, it) => sum + (it.isContinuous ? it.milliwatts : 0), 0)
  const sum = `${formatPower(lasting)} / ${continuousPercent} % + ${formatPower(totalMilliwatts - lasting)} = ${formatPower(working.reckonedMilliwatts)}`
  return [{ label: 'reckoned', sum }]
}

function sayWorking(working: CircuitLoad): WorkingWords {
  const { isContinuous, rule, continuousMilliwatts, ratedMilliwatts, totalMilliwatts, volts, amps } = working
  const limit = isContinuous && rule === 'whole' ? continuousMilliwatts : ratedMilliwatts
  return {
    title: `Load on ${working.circuit}`,
    summary: `${working.unknown.length > 0 ? 'at least ' : ''}${trim(totalMilliwatts / 1000, 0)} of ${trim(limit / 1000, 0)} W`,
    lines: [
      ...working.loads.map((load) => ({ label: load.tag, sum: formatPower(load.milliwatts) })),
      ...working.unknown.map((label) => ({ label, sum: 'not recorded' })),
      { label: 'together', sum: `${working.unknown.length > 0 ? 'at least ' : ''}${formatPower(totalMilliwatts)}` },
      { label: 'circuit', sum: `${volts} V × ${trim(amps, 1)} A = ${formatPower(ratedMilliwatts)}` },
      ...sayLoadRule(working),
    ],
    assumptions: [
      'Recorded watts are taken; the current at switching on and the power factor are not.',
      {
        whole: `The ${working.continuousPercent} % rule is applied to the whole load when it runs three hours or more.`,
        part: 'Only what runs three hours or more is reckoned higher; what is marked as running briefly is not.',
        none: 'No rule for long loads is applied here; your own code may ask for one.',
      }[rule],
    ],
    source: 'P = V·I; NFPA 70, 210.20(A) for continuous loads',
  }
}
