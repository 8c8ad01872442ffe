import { describe, expect, test } from 'vitest'
import type { Model } from '../kit/model/model.ts'
import { makeScene } from '../setups/checks/scene.ts'
import type { AssessmentInput } from '../setups/placed/assessment-input.ts'
import type { CableRun } from '../setups/setup/cable-run.ts'
import { type Finding, recordOf } from '../setups/verdict/finding.ts'
import { assessSetup } from '../setups/verdict/readiness.ts'
import { compareBreaches } from './known-breaches.fixture.ts'
import { CASES, listCases, readCase } from './law-cases.fixture.ts'

/** The setup with all its joints stated, so that what is erased does not move them. */
function hold(input: AssessmentInput): AssessmentInput {
  const links = makeScene(input).joints.map(({ host, guest }): CableRun => {
    const end = ({ key, portId }: { key: string; portId: string }) => ({ unitId: key, portId })
    return { from: end(guest), via: [], to: end(host), neededMm: null }
  })
  return { ...input, setup: { ...input.setup, links } }
}

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
function listErasures(model: Model): { what: string; model: Model }[] {
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

const isTrouble = ({ level }: Finding) => level === 'stop' || level === 'warn'
const isUnknown = ({ level }: Finding) => level === 'unknown' || level === 'unknown-stop'

/** Whether erasing took a stop or a warning away without an unknown in its place. */
function helps(before: readonly Finding[], after: readonly Finding[]): string | null {
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

describe('law 2: unknown never helps', () => {
  test(`no figure that is erased takes a stop or a warning away without a question, on ${CASES} seeded setups`, () => {
    const reasons = new Map<string, number[]>()
    const broken = new Set<number>()
    let erased = 0
    for (const it of listCases()) {
      const input = hold(readCase(it))
      const before = assessSetup(input).findings
      if (!before.some(isTrouble)) continue
      for (const item of it.items) {
        for (const { what, model } of listErasures(item.model)) {
          erased++
          const models = new Map([...input.holdings.models, [model.id, model]])
          const after = assessSetup({ ...input, holdings: { ...input.holdings, models } }).findings
          const lost = helps(before, after)
          if (!lost) continue
          broken.add(it.index)
          const why = `${what} of a ${model.category}: ${lost}`
          reasons.set(why, [...(reasons.get(why) ?? []), it.index])
        }
      }
    }
    expect(erased).toBeGreaterThan(2_000)
    expect(compareBreaches('law 2', [...broken]), [...reasons].join('\n')).toEqual({ fresh: [], mended: [] })
  })
})
