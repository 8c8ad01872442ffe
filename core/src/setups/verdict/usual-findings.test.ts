import { describe, expect, test } from 'vitest'
import type { Model } from '../../kit/model/model.ts'
import { answerFact } from '../../kit/template/needed-facts.ts'
import { readUsual } from '../../kit/template/usual-facts.ts'
import { makeInput, makeRole, makeStudio } from '../placed/studio.fixture.ts'
import { assessSetup } from './readiness.ts'

type Usual = NonNullable<Model['specs']['usual']>

/** A lamp on mains on a stand: what each weighs, bears and draws, and which of it is only usual. */
function assessLamp({ mass = 1_000, bears = 6_000, watts = 60_000, usual = {} as Record<string, Usual> }) {
  const studio = makeStudio({
    'LGT-01': ['panel', { inlet: 'iec-c7', milliwatts: watts, massGrams: mass }],
    'STD-01': ['stand', { loadGrams: bears, massGrams: 2_000 }],
    'LED-01': ['lead', { inlet: 'iec-c7' }],
  })
  for (const [tag, facts] of Object.entries(usual)) {
    const model = studio.models.get(`m-${tag}`)
    if (model) studio.models.set(`m-${tag}`, { ...model, specs: { ...model.specs, usual: facts } })
  }
  return { studio, found: assess(studio) }
}

function assess(studio: ReturnType<typeof makeStudio>) {
  const role = makeRole('key', ['LGT-01', 'STD-01', 'LED-01'], { wants: 'light', group: 'light' })
  return assessSetup(makeInput(studio, [role]))
    .findings.filter((it) => it.level !== 'ok' && it.level !== 'advise' && it.code !== 'lead-rating-unknown')
    .map((it) => `${it.level} ${it.key}`)
}

describe('a figure that is only usual', () => {
  test('passes where the true one could be twice as bad, and is exactly at the limit there', () => {
    expect(assessLamp({ mass: 3_000, usual: { 'LGT-01': ['massGrams'] } }).found).toEqual([])
    expect(assessLamp({ mass: 3_001, usual: { 'LGT-01': ['massGrams'] } }).found).toEqual([
      'unknown-stop usual-unsure/m-LGT-01/massGrams',
    ])
  })

  test('of what bears is asked of the carrier', () => {
    expect(assessLamp({ mass: 3_001, usual: { 'STD-01': ['loadGrams'] } }).found).toEqual([
      'unknown-stop usual-unsure/m-STD-01/loadGrams',
    ])
    expect(assessLamp({ mass: 3_000, usual: { 'STD-01': ['loadGrams'] } }).found).toEqual([])
  })

  test('never stops by itself either: too much by what is usual is a question', () => {
    expect(assessLamp({ mass: 7_000, usual: { 'STD-01': ['loadGrams'] } }).found).toEqual([
      'unknown-stop usual-unsure/m-STD-01/loadGrams',
    ])
    // Beyond twice the usual nothing that such a stand could bear would hold it.
    expect(assessLamp({ mass: 12_001, usual: { 'STD-01': ['loadGrams'] } }).found).toEqual([
      'stop carried-load/STD-01/LGT-01',
    ])
  })

  test('recorded figures are judged as before', () => {
    expect(assessLamp({ mass: 6_000 }).found).toEqual([])
    expect(assessLamp({ mass: 6_001 }).found[0]).toMatch(/^stop/)
  })

  test('of a load on the circuit is asked in watts', () => {
    const { found } = assessLamp({ watts: 1_500_000, usual: { 'LGT-01': ['milliwatts'] } })
    expect(found).toEqual(['unknown-stop usual-unsure/m-LGT-01/milliwatts'])
  })

  test('is answered in place, and then is recorded', () => {
    const { studio } = assessLamp({ mass: 3_001, usual: { 'STD-01': ['loadGrams'] } })
    const stand = studio.models.get('m-STD-01') as Model
    const told = answerFact(stand, 'load-limit', { kind: 'figure', value: 4_000 })
    expect(readUsual(told)).toEqual([])
    expect(told.ports.find((it) => it.id === 'carries')?.rating).toEqual({ quantity: 'loadGrams', value: 4_000 })
    studio.models.set('m-STD-01', told)
    expect(assess(studio)).toEqual([])
  })
})
