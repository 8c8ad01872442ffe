import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { z } from 'zod'
import { amount, contactList, hideFrom, pastRecord } from './secrecy.ts'

const schema = z.object({
  unit: z.object({ tag: z.string(), priceMinor: amount(z.number().nullable().default(null)), health: z.number() }),
  entries: z.array(z.object({ netMinor: amount(z.number()), note: z.string() })).readonly(),
  party: z.object({ contacts: contactList(z.array(z.object({ value: z.string() })).default([])) }).nullable(),
  byYear: z.record(z.string(), z.object({ worthMinor: amount(z.number()) })),
  events: z.array(z.object({ data: pastRecord(z.record(z.string(), z.unknown())) })),
})

const reply = {
  unit: { tag: 'CAM-01', priceMinor: 95_000, health: 80 },
  entries: [{ netMinor: 100, note: 'paid' }],
  party: { contacts: [{ value: 'a@b.example' }] },
  byYear: { 2026: { worthMinor: 7 } },
  events: [{ data: { before: { priceMinor: 1 }, after: { priceMinor: 2, contacts: ['x'] } } }],
}

describe('what is hidden', () => {
  test('the manager gets the very reply', () => {
    expect(hideFrom('manager', schema, reply)).toBe(reply)
  })

  test('the crew gets no amount at any depth, and everything else', () => {
    expect(hideFrom('crew', schema, reply)).toEqual({
      unit: { tag: 'CAM-01', priceMinor: null, health: 80 },
      entries: [{ netMinor: null, note: 'paid' }],
      party: { contacts: [{ value: 'a@b.example' }] },
      byYear: { 2026: { worthMinor: null } },
      events: [{ data: { before: { priceMinor: null }, after: { priceMinor: null, contacts: ['x'] } } }],
    })
    expect(reply.unit.priceMinor).toBe(95_000)
  })

  test('the viewer gets no contacts either, and what is not there is not made up', () => {
    const hidden = hideFrom('viewer', schema, reply)
    expect(hidden.party?.contacts).toEqual([])
    expect(hidden.events[0]?.data.after).toEqual({ priceMinor: null, contacts: [] })
    expect(hideFrom('viewer', schema, { ...reply, party: null }).party).toBeNull()
    expect(hideFrom('crew', z.object({ feeMinor: amount(z.number().optional()) }), {})).toEqual({})
  })

  test('in whichever member of a union, and on both sides of an intersection', () => {
    const either = z.discriminatedUnion('kind', [
      z.object({ kind: z.literal('a'), feeMinor: amount(z.number()) }),
      z.object({ kind: z.literal('b'), note: z.string() }),
    ])
    expect(hideFrom('crew', either, { kind: 'a', feeMinor: 3 })).toEqual({ kind: 'a', feeMinor: null })
    expect(hideFrom('crew', either, { kind: 'b', note: 'x' })).toEqual({ kind: 'b', note: 'x' })
    const both = z.object({ aMinor: amount(z.number()) }).and(z.object({ b: z.object({ cMinor: amount(z.number()) }) }))
    expect(hideFrom('crew', both, { aMinor: 1, b: { cMinor: 2 } })).toEqual({ aMinor: null, b: { cMinor: null } })
  })

  test('a mark survives optional, partial and default around it, and a reply without marks comes back as it is', () => {
    const partial = z.object({ priceMinor: amount(z.number()) }).partial()
    expect(hideFrom('crew', partial, { priceMinor: 5 })).toEqual({ priceMinor: null })
    const plain = { deep: [{ x: 1 }] }
    expect(hideFrom('viewer', z.object({ deep: z.array(z.object({ x: z.number() })) }), plain)).toBe(plain)
  })

  test('no amount of a record of the past survives, and nothing but amounts and contacts is touched', () => {
    const past = z.object({ value: pastRecord(z.unknown()) })
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 5 }), fc.integer(), (value, fee) => {
        const hidden = hideFrom('viewer', past, { value: { value, deep: [{ nested: { feeMinor: fee } }] } })
        expect(hidden).toMatchObject({ value: { deep: [{ nested: { feeMinor: null } }] } })
        if (!JSON.stringify(value).match(/Minor"|"contacts"/)) expect(hidden).toMatchObject({ value: { value } })
      }),
      { seed: 11 },
    )
  })
})
