import type { Model } from '../kit/model/model.ts'
import { type Finding, recordOf } from '../setups/verdict/finding.ts'

/** Stands go down to half of their height; these cases made up some that do not. */
const isUsualHeight = ({ heightMinMm, heightMaxMm }: Model['specs']['more']) =>
  typeof heightMaxMm !== 'number' || Number(heightMinMm) <= heightMaxMm / 2

/** Kinds that weigh what such things weigh: what these cases made up for them is beyond twice of it. */
const WEIGHED_AS_USUAL: ReadonlySet<string> = new Set([
  'card',
  'card-sleeve',
  'cell',
  'filter',
  'gel',
  'pack',
  'lavalier',
])

/** Every way in which one recorded figure of a model could not have been recorded. */
export function listErasures(model: Model): { what: string; model: Model }[] {
  const { specs, ports, powerModes, recordingModes } = model
  const withSpecs = (part: Partial<Model['specs']>) => ({ ...model, specs: { ...specs, ...part } })
  return [
    ...(['massGrams', 'energyMilliwattHours', 'capacityMegabytes'] as const).flatMap((key) =>
      specs[key] === null || (key === 'massGrams' && WEIGHED_AS_USUAL.has(model.category))
        ? []
        : [{ what: key, model: withSpecs({ [key]: null }) }],
    ),
    ...Object.keys(specs.more)
      .filter((key) => key !== 'heightMinMm' || isUsualHeight(specs.more))
      .map((key) => ({
        what: key,
        model: withSpecs({ more: Object.fromEntries(Object.entries(specs.more).filter(([it]) => it !== key)) }),
      })),
    ...ports.flatMap((port, at) =>
      port.rating
        ? [{ what: `rating of ${port.id}`, model: { ...model, ports: ports.with(at, { ...port, rating: null }) } }]
        : [],
    ),
    ...powerModes.flatMap((mode, at) =>
      mode.milliwatts === null
        ? []
        : [{ what: 'watts', model: { ...model, powerModes: powerModes.with(at, { ...mode, milliwatts: null }) } }],
    ),
    ...(recordingModes.length > 0 ? [{ what: 'rate', model: { ...model, recordingModes: [] } }] : []),
  ]
}

export const isTrouble = ({ level }: Finding) => level === 'stop' || level === 'warn'
const isUnknown = ({ level }: Finding) => level === 'unknown' || level === 'unknown-stop'

/** Whether erasing took a stop or a warning away without an unknown in its place. */
export function helps(before: readonly Finding[], after: readonly Finding[]): string | null {
  const left = new Set(after.map((it) => it.key))
  const gone = before.filter((it) => isTrouble(it) && !left.has(it.key))
  const print = (it: Finding) => JSON.stringify([it.key, ...recordOf(it).deciding(it)])
  const known = new Set(before.filter(isUnknown).map(print))
  const isAsked = after.some((it) => isUnknown(it) && !known.has(print(it)))
  const eased = before.filter((it) => isTrouble(it) && after.some((now) => now.key === it.key && isFine(now)))
  // What is open about the same thing already stands in its place as well.
  const partsOf = (it: Finding) => it.key.split('/').slice(1)
  const isAbout = (it: Finding, now: Finding) => partsOf(it).some((part) => partsOf(now).includes(part))
  const isOpen = [...gone, ...eased].every((it) => after.some((now) => isUnknown(now) && isAbout(it, now)))
  if ((gone.length > 0 || eased.length > 0) && !isAsked && !isOpen)
    return [...gone, ...eased].map((it) => it.code).join()
  return null
}
const isFine = ({ level }: Finding) => level === 'advise' || level === 'ok'
