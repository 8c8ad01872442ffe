import {
  FACT_WORDS,
  type FactKey,
  formatPower,
  labelFact,
  labelSpec,
  type Model,
  readFacts,
  readUsual,
  type SpecKey,
  sayFact,
  saySpecValue,
} from '@exemplar/core'
import { useInterfacesQuery, useStudioQuery } from '../../foundation/api/api.ts'
import { listAskedFacts } from '../entry/facts-fields.tsx'

/** Everything that was told of a model and is no end of it, and what it was asked and nobody told. */
export function ModelFigures({ model }: { model: Model }) {
  const { data: list = [] } = useInterfacesQuery()
  const { data: studio } = useStudioQuery()
  const system = studio?.unitSystem ?? 'metric'
  const interfaces = new Map(list.map((it) => [it.code, it]))
  const facts = readFacts(model)
  const told: readonly string[] = Object.keys(model.specs.told ?? {})
  // Connectors are told by the ends; what has no end yet is told here.
  const isFigure = (key: FactKey) => FACT_WORDS[key].form.kind === 'measure' || told.includes(key)
  const isUsual = (key: FactKey) => readUsual(model).some((it) => it === key)
  const draws = model.powerModes.length > 1
  const rows = [
    ...(Object.entries(facts) as [FactKey, string | number | null][]).flatMap(([key, value]) =>
      value === null || !isFigure(key) || (key === 'milliwatts' && draws)
        ? []
        : [
            [
              labelFact(key, model.category),
              `${sayFact(key, value, interfaces, system)}${isUsual(key) ? ', as is usual' : ''}`,
            ] as const,
          ],
    ),
    ...(draws ? model.powerModes : []).map(
      (it) =>
        [
          `Draws, ${it.label.toLowerCase()}`,
          it.milliwatts === null ? 'not recorded' : formatPower(it.milliwatts),
        ] as const,
    ),
    ...(Object.entries(model.specs.more) as [SpecKey, string | number][]).map(
      ([key, value]) => [labelSpec(key).replace(/, .*$/, ''), saySpecValue(key, value, system)] as const,
    ),
  ]
  const open = listAskedFacts(model.category).filter((key) => facts[key] === null && !isAnsweredOtherwise(model, key))
  return (
    <>
      {rows.length > 0 && (
        <dl className="grid grid-cols-[max-content_minmax(0,1fr)] gap-x-4 gap-y-0.5">
          {rows.map(([label, value]) => (
            <div key={label} className="contents">
              <dt>{label}</dt>
              <dd className="figures text-ink">{value}</dd>
            </div>
          ))}
        </dl>
      )}
      {open.length > 0 && (
        <p className="mt-1">
          Not recorded: {open.map((key) => labelFact(key, model.category).toLowerCase()).join(', ')}.
        </p>
      )}
    </>
  )
}

/** "It has none" is an answer, and so is that its ways of powering draw differently. */
function isAnsweredOtherwise({ powerModes, specs }: Model, fact: FactKey): boolean {
  if (fact === 'milliwatts') return powerModes.some((it) => it.milliwatts !== null)
  if (fact === 'mount') return specs.none.includes('mount')
  if (fact === 'cardForm') return specs.none.includes('medium')
  if (fact === 'battery' || fact === 'inlet') return powerModes.length > 0 || specs.none.includes('power')
  if (fact === 'batteryCount') return true
  return false
}
