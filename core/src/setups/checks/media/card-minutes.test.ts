import { describe, expect, test } from 'vitest'
import { computeCardMinutes, computeMegabytesPerMinute } from '../../../formulas/media/card-time.ts'
import { computeCircuitLimit } from '../../../formulas/power/circuit-limit.ts'
import { computeRuntimeMinutes, countPacks } from '../../../formulas/power/pack-runtime.ts'
import type { PlacedItem } from '../../placed/placed-item.ts'
import { makeThing } from '../../placed/things.fixture.ts'
import { computeCircuitLoad } from '../power/circuit-load.ts'

const whole = (continuousPercent: number) => ({ rule: 'whole' as const, continuousPercent })
const circuit = { id: 'c', name: 'North wall', volts: 230, amps: 10, outlets: 4, outletInterface: 'mains-bs1363' }

function makeMainsLoads(...watts: (number | null)[]) {
  return watts.map((it, index) =>
    makeThing({
      key: `l${index}`,
      powerMode: { id: 'm', label: 'Mains', source: 'mains', milliwatts: it === null ? null : it * 1000, portIds: [] },
    }),
  )
}

describe('watts on a circuit', () => {
  // NFPA 70 (National Electrical Code), 210.20(A): a continuous load takes at most 80 % of the overcurrent device.
  test.each([
    [120, 15, 80, 1_440_000],
    [120, 20, 80, 1_920_000],
    // BS 1363: a 13 A plug at 230 V; CEE 7: a 16 A socket at 230 V.
    [230, 13, 100, 2_990_000],
    [230, 16, 100, 3_680_000],
  ])('%i V and %i A at %i %% give %i mW', (volts, amps, percent, milliwatts) => {
    expect(computeCircuitLimit(volts, amps, percent)).toBe(milliwatts)
  })

  test('equality passes, one watt more does not', () => {
    expect(computeCircuitLoad(makeMainsLoads(2_000, 300), circuit, whole(80), 60).level).toBe('warn')
    expect(computeCircuitLoad(makeMainsLoads(1_840), circuit, whole(80), 600).level).toBe('ok')
    expect(computeCircuitLoad(makeMainsLoads(1_841), circuit, whole(80), 600).level).toBe('stop')
    expect(computeCircuitLoad(makeMainsLoads(2_301), circuit, whole(80), 60).level).toBe('stop')
  })

  test('three hours make a load continuous, on the minute', () => {
    expect(computeCircuitLoad(makeMainsLoads(2_000), circuit, whole(80), 179).level).toBe('warn')
    expect(computeCircuitLoad(makeMainsLoads(2_000), circuit, whole(80), 180).level).toBe('stop')
    expect(computeCircuitLoad(makeMainsLoads(2_000), circuit, whole(100), 180).level).toBe('ok')
  })

  // NFPA 70, 210.20(A) in its finer reading: 125 % of the continuous part plus the rest. 1,200 W for hours and 800 W
  // briefly make 2,300 W, just what 10 A at 230 V carry.
  test('only the continuous part is reckoned higher, and equality passes', () => {
    const part = { rule: 'part' as const, continuousPercent: 80 }
    const [lasting, brief] = makeMainsLoads(1_200, 800)
    const loads = [lasting, { ...brief, runsBriefly: true }] as PlacedItem[]
    expect(computeCircuitLoad(loads, circuit, part, 240)).toMatchObject({ reckonedMilliwatts: 2_300_000, level: 'ok' })
    expect(computeCircuitLoad(makeMainsLoads(1_200, 801), circuit, part, 240).level).toBe('stop')
    expect(computeCircuitLoad(makeMainsLoads(1_200, 801), circuit, part, 60).level).toBe('ok')
  })

  test('no rule leaves the breaker alone to decide', () => {
    const none = { rule: 'none' as const, continuousPercent: 80 }
    expect(computeCircuitLoad(makeMainsLoads(2_300), circuit, none, 600).level).toBe('ok')
    expect(computeCircuitLoad(makeMainsLoads(2_301), circuit, none, 60).level).toBe('stop')
  })

  test('a load without recorded watts is not counted as nothing: it is left out', () => {
    expect(computeCircuitLoad(makeMainsLoads(100, null), circuit, whole(80), 60).loads).toHaveLength(1)
  })
})

describe('battery hours', () => {
  // Wh = V · Ah, by definition: 14.4 V · 6.8 Ah = 97.92 Wh at 48.96 W last two hours.
  test('energy over power is time', () => {
    expect(computeRuntimeMinutes(97_920, 1, 48_960)).toBe(120)
    expect(computeRuntimeMinutes(97_920, 2, 48_960)).toBe(240)
    expect(computeRuntimeMinutes(100_000, 1, 50_000, 80, 90)).toBeCloseTo(86.4, 10)
  })

  // Common practice: packs are swapped whole.
  test.each([
    [120, 1, 120, 1],
    [121, 1, 120, 2],
    [90, 2, 60, 4],
    [360, 1, 120, 3],
  ])('%i minutes, %i at once, %i a fill want %i packs', (minutes, atOnce, runtime, packs) => {
    expect(countPacks(minutes, atOnce, runtime)).toBe(packs)
  })
})

describe('recording minutes', () => {
  // 100 Mbit/s are 12.5 MB/s, 750 MB a minute and 45 GB an hour: bits over eight, decimal prefixes (SI, IEC 80000-13).
  test('a bit rate fills so much', () => {
    expect(computeMegabytesPerMinute(100_000)).toBe(750)
    expect((computeMegabytesPerMinute(100_000) * 60) / 1000).toBe(45)
    expect(computeMegabytesPerMinute(200_000)).toBe(1_500)
  })

  // Common practice: a tenth of the card stays free.
  test('minutes on a card, whole, with headroom', () => {
    expect(computeCardMinutes(45_000, 100_000, 0)).toBe(60)
    expect(computeCardMinutes(50_000, 100_000, 10)).toBe(60)
    expect(computeCardMinutes(49_999, 100_000, 10)).toBe(59)
    expect(computeCardMinutes(128_000, 200_000, 10)).toBe(76)
  })
})
