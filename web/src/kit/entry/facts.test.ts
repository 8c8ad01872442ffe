import { describe, expect, test } from 'vitest'
import { readFacts } from './facts.ts'

describe('facts as typed on quick entry', () => {
  test('are read into whole units, and blanks stay unknown', () => {
    expect(
      readFacts({ massGrams: '1,2 kg', milliwatts: '60', mount: 'mount-larch', outlets: '6', capacityMegabytes: ' ' }),
    ).toEqual({
      facts: { massGrams: 1_200, milliwatts: 60_000, mount: 'mount-larch', outlets: 6 },
      problems: {},
    })
  })

  test('what cannot be read is said at its field, and the others are kept', () => {
    const { facts, problems } = readFacts({ massGrams: 'heavy', outlets: 'six', energyMilliwattHours: '98 Wh' })
    expect(facts).toEqual({ energyMilliwattHours: 98_000 })
    expect(problems).toEqual({
      massGrams: 'Cannot read “heavy”. Write it like 1.2 kg.',
      outlets: 'Write a whole number.',
    })
  })
})
