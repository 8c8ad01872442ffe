import { apiContract, type Working } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { z } from 'zod'
import { makeDraft, type RoleSketch, type Thing, useQuickEntry } from './setups/quick-entry.fixture.ts'

/**
 * A sum with unknown parts says how many there are, and never shows the same number as if they were nothing: for every sum that
 * the API gives, two things are entered, one of them then loses its figure.
 */
const { call, add, build } = useQuickEntry()

interface Reading {
  sum: number
  /** How many parts of it are told as not known. */
  apart: number
}

interface SumCase {
  name: string
  /** The field of the replies that this is the sum of, by its name in the contract. */
  field: string
  /** Enters two things and gives how the sum is read, and what takes the figure of one of them away. */
  enter(): Promise<{ read(): Promise<Reading>; erase(): Promise<unknown> }>
}

const LAMP = { inlet: 'iec-c13', milliwatts: 100_000, massGrams: 1_800 }
const ROOM = { volts: 230, amps: 16 }

/** Takes a figure of a model back. */
const eraseOf = (modelId: string, change: (model: Record<string, unknown>) => object) => async () => {
  const { id: _, version, ...model } = await call('GET', `/models/${modelId}`)
  return call('PUT', `/models/${modelId}`, { ...model, ...change(model) }, version)
}
const without = (key: string) => (model: Record<string, unknown>) => ({
  specs: { ...(model.specs as object), [key]: null },
})
const withoutWatts = ({ powerModes }: Record<string, unknown>) => ({
  powerModes: (powerModes as object[]).map((it) => ({ ...it, milliwatts: null })),
})

const readSetup = async (id: string) => call('GET', `/setups/${id}/readiness`)
const workingOf = (readiness: { workings: Working[] }, formula: Working['formula']) =>
  readiness.workings.find((it) => it.formula === formula)

async function putUp(things: readonly Thing[], rest: Partial<RoleSketch> = {}) {
  const place = await call('POST', '/places', {
    parentId: null,
    name: 'Studio',
    kind: 'room',
    note: '',
    circuits: [{ id: 'c1', name: 'Wall', outlets: 6, outletInterface: 'mains-bs1363', ...ROOM }],
  })
  return build([{ name: 'Key', wants: 'light', things, ...rest }], { placeId: place.id, circuitId: 'c1' })
}

const twoLamps = async () => [await add('practical', 'One', LAMP), await add('practical', 'Two', LAMP)] as const

const setUnit = async (id: string, change: object) =>
  call('PATCH', `/units/${id}`, change, (await call('GET', `/units/${id}`)).unit.version)

const VALUES = { paidMinor: 'paid', worthMinor: 'worth', replacementMinor: 'anew' } as const
const PROVENANCE_OF = { worthMinor: 'valueMinor', replacementMinor: 'replacementMinor' } as const

const valueCase = (field: keyof typeof VALUES): SumCase => ({
  name: `what the things of a setup come to: ${VALUES[field]}`,
  field,
  async enter() {
    const lamps = await twoLamps()
    const set = async (id: string, amount: number | null) => {
      if (field === 'paidMinor') return setUnit(id, { priceMinor: amount })
      // Paid is something else: what nobody valued is not worth that.
      const { provenance } = (await call('GET', `/units/${id}`)).unit
      return setUnit(id, { priceMinor: 99_900, provenance: { ...provenance, [PROVENANCE_OF[field]]: amount } })
    }
    for (const it of lamps) await set(it.id, 40_000)
    await putUp(lamps)
    return {
      read: async () => {
        const [setup] = (await call('GET', '/kit-figures')).setups
        return { sum: setup[field], apart: setup.unknown[VALUES[field]] }
      },
      erase: () => set(lamps[1].id, null),
    }
  },
})

const capacityCase = (field: string, category: string, fact: string, value: number): SumCase => ({
  name: `what all of one kind hold: ${category}`,
  field,
  async enter() {
    const things = [await add(category, 'One', { [fact]: value }), await add(category, 'Two', { [fact]: value })]
    return {
      read: async () => {
        const [kind] = (await call('GET', '/kit-figures')).capacities
        return { sum: kind[field], apart: kind.unknown }
      },
      erase: eraseOf(things[1]?.modelId ?? '', without(fact)),
    }
  },
})

const SUMS: readonly SumCase[] = [
  {
    name: 'the mass of a setup',
    field: 'totalMassGrams',
    async enter() {
      const lamps = await twoLamps()
      const id = await putUp(lamps)
      return {
        read: async () => {
          const { totalMassGrams, unweighed } = await readSetup(id)
          return { sum: totalMassGrams, apart: unweighed }
        },
        erase: eraseOf(lamps[1].modelId, without('massGrams')),
      }
    },
  },
  {
    name: 'the mass of what a booking takes along',
    field: 'massGrams',
    async enter() {
      const lamps = await twoLamps()
      const setupId = await putUp(lamps)
      const booking = await call('POST', '/bookings', makeDraft({ setupId }))
      return {
        read: async () => {
          const { massGrams, unweighed } = (await call('GET', `/bookings/${booking.id}`)).sheet
          return { sum: massGrams, apart: unweighed }
        },
        erase: eraseOf(lamps[1].modelId, without('massGrams')),
      }
    },
  },
  {
    name: 'the load of a circuit',
    field: 'totalMilliwatts',
    async enter() {
      const lamps = await twoLamps()
      const id = await putUp(lamps)
      return {
        read: async () => {
          const working = workingOf(await readSetup(id), 'circuit-load')
          if (working?.formula !== 'circuit-load') throw new Error('No load was worked out.')
          return { sum: working.totalMilliwatts, apart: working.unknown.length }
        },
        erase: eraseOf(lamps[1].modelId, withoutWatts),
      }
    },
  },
  {
    name: 'what rides on a stand',
    field: 'totalGrams',
    async enter() {
      const arm = await add('boom-arm', 'Arm', { loadGrams: 4_000, massGrams: 900 })
      const stand = await add('stand', 'Stand', { loadGrams: 9_000, massGrams: 3_000 })
      const lamp = await add('light', 'Lamp', LAMP)
      const id = await putUp([lamp, arm, stand])
      return {
        read: async () => {
          const readiness = await readSetup(id)
          const told = [...readiness.workings, ...readiness.findings.map((it: { working?: Working }) => it.working)]
          const working = told.find((it: Working | undefined) => it?.formula === 'carried-load' && it.tag === stand.tag)
          const { totalGrams, riders } = working
          return { sum: totalGrams, apart: riders.filter((it: { massGrams: null }) => it.massGrams === null).length }
        },
        erase: eraseOf(lamp.modelId, without('massGrams')),
      }
    },
  },
  {
    name: 'the floor that a setup takes',
    field: 'squareMm',
    async enter() {
      const things = [
        await add('table', 'One', { widthMinMm: 1_200, widthMaxMm: 1_200, depthMm: 600, heightMm: 740 }),
        await add('table', 'Two', { widthMinMm: 1_200, widthMaxMm: 1_200, depthMm: 600, heightMm: 740 }),
      ]
      const id = await putUp(things)
      return {
        read: async () => {
          const { floor } = await call('GET', `/setups/${id}/minutes`)
          return { sum: floor.squareMm, apart: floor.unknown.length }
        },
        erase: eraseOf(things[1]?.modelId ?? '', ({ specs }) => ({ specs: { ...(specs as object), footprint: null } })),
      }
    },
  },
  valueCase('paidMinor'),
  valueCase('worthMinor'),
  valueCase('replacementMinor'),
  capacityCase('milliwattHours', 'pack', 'energyMilliwattHours', 98_000),
  capacityCase('megabytes', 'card', 'capacityMegabytes', 64_000),
  {
    name: 'what was given in a year',
    field: 'valueMinor',
    async enter() {
      const lamps = await twoLamps()
      const set = async (id: string, valueMinor: number | null) => {
        const { provenance } = (await call('GET', `/units/${id}`)).unit
        const given = { acquisition: 'gift', acquiredOn: '2026-03-01' }
        return setUnit(id, { ...given, provenance: { ...provenance, valueMinor } })
      }
      for (const it of lamps) await set(it.id, 40_000)
      return {
        read: async () => {
          const [year] = (await call('GET', '/kit-duties')).gifts
          return { sum: year.valueMinor, apart: year.unknown }
        },
        erase: () => set(lamps[1].id, null),
      }
    },
  },
]

describe('law 16: unknown is counted apart', () => {
  test.each(SUMS.map((it) => [it.name, it] as const))('%s', async (_, it) => {
    const { read, erase } = await it.enter()
    const whole = await read()
    expect(whole.apart).toBe(0)
    expect(whole.sum).toBeGreaterThan(0)
    await erase()
    const rest = await read()
    // It tells that one part of it is not known, and is at most what the rest comes to.
    expect(rest.apart).toBe(1)
    expect(rest.sum).toBeGreaterThan(0)
    expect(rest.sum).toBeLessThan(whole.sum)
  })
})

/** Fields that are called like a sum, and why no part of them can be unknown. */
const NO_UNKNOWN_PARTS: Readonly<Record<string, string>> = {
  totalMinor:
    'entries and orders have an amount each; a wish without a price has no cost at all, and is left out of plans by name',
  total: 'inputs are counted',
  sum: 'a line of a working in words; where a figure is missing there is no working',
}

const SUM_NAMES = /^(total|sum)([A-Z]|$)/

function listNumbers(shape: unknown, found: Set<string>): void {
  if (typeof shape !== 'object' || shape === null) return
  for (const [key, part] of Object.entries((shape as { properties?: object }).properties ?? {})) {
    if (SUM_NAMES.test(key)) found.add(key)
    listNumbers(part, found)
  }
  for (const [key, part] of Object.entries(shape)) if (key !== 'properties') listNumbers(part, found)
}

test('law 16: every field of the replies that is called a sum is tried here, or cannot have unknown parts', () => {
  const found = new Set<string>()
  for (const { reply } of Object.values(apiContract)) {
    if (reply instanceof z.ZodType) listNumbers(z.toJSONSchema(reply, { unrepresentable: 'any' }), found)
  }
  const tried = new Set(SUMS.map((it) => it.field))
  expect([...found].filter((it) => !tried.has(it) && !(it in NO_UNKNOWN_PARTS))).toEqual([])
  expect(found.size).toBeGreaterThan(4)
})
