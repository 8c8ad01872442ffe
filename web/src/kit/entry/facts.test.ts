import { describe, expect, test } from 'vitest'
import { readTypedFacts, writeFacts } from './facts.ts'

describe('facts as typed on quick entry', () => {
  test('are read into whole units, and blanks stay unknown', () => {
    expect(
      readTypedFacts(
        { massGrams: '1,2 kg', milliwatts: '60', mount: 'mount-larch', outlets: '6', capacityMegabytes: ' ' },
        'metric',
      ),
    ).toEqual({
      facts: { massGrams: 1_200, milliwatts: 60_000, mount: 'mount-larch', outlets: 6, capacityMegabytes: null },
      problems: {},
    })
  })

  test('what cannot be read is said at its field, and the others are kept', () => {
    const { facts, problems } = readTypedFacts(
      { massGrams: 'heavy', outlets: 'six', energyMilliwattHours: '98 Wh' },
      'metric',
    )
    expect(facts).toEqual({ energyMilliwattHours: 98_000 })
    expect(problems).toEqual({
      massGrams: 'Cannot read “heavy”. Write it like 8 kg or 750 g.',
      outlets: 'Write a whole number.',
    })
  })

  test.each(['metric', 'imperial'] as const)('what is shown in a %s studio reads back as what it was', (system) => {
    const facts = { massGrams: 1_237, heightMm: 743, energyMilliwattHours: 97_920, kilobitsPerSecond: 3_070 }
    expect(readTypedFacts(writeFacts(facts, system), system)).toEqual({ facts, problems: {} })
  })

  test('a card is told as it is printed on it', () => {
    expect(readTypedFacts({ cardMegabytesPerSecond: 'V30' }, 'metric').facts).toEqual({ cardMegabytesPerSecond: 30 })
  })
})
