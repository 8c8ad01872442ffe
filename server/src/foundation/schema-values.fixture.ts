import type { z } from 'zod'
import { z as zod } from 'zod'

/** The parts of a JSON schema (2020-12) that values are made from. */
interface Shape {
  type?: string | string[]
  properties?: Record<string, Shape>
  required?: string[]
  additionalProperties?: Shape | boolean
  items?: Shape
  prefixItems?: Shape[]
  anyOf?: Shape[]
  oneOf?: Shape[]
  allOf?: Shape[]
  enum?: unknown[]
  const?: unknown
  pattern?: string
  minimum?: number
  maximum?: number
  exclusiveMinimum?: number
  minLength?: number
  maxLength?: number
  minItems?: number
  maxItems?: number
}

export type Random = () => number

/** A generator that can be played again from its seed (Park and Miller's minimal standard). */
export function makeRandom(seed: number): Random {
  let state = seed % 2_147_483_647
  return () => {
    state = (state * 48_271) % 2_147_483_647
    return state / 2_147_483_647
  }
}

export const pick = <T>(random: Random, list: readonly T[]): T => list[Math.floor(random() * list.length)] as T

const WORDS = ['Lamp', 'x', '  padded ', 'Ünïcode ☘', '=1+1', '<b>bold</b>', "Robert'); --", '0', '-', 'a'.repeat(120)]
const TIMES = [
  '2026-12-01',
  '2026-12-01T10:00',
  '2026-12-01T12:30',
  '2027-02-28',
  '1999-12-31',
  '08:30',
  'Europe/London',
]
const JUNK: readonly unknown[] = [
  null,
  '',
  -1,
  1e15,
  0.5,
  true,
  [],
  {},
  '\u0000',
  '__proto__',
  '2026-02-30',
  [[]],
  'x'.repeat(3_000),
]

const shapes = new WeakMap<z.ZodType, Shape>()
function shapeOf(schema: z.ZodType): Shape {
  const known = shapes.get(schema) ?? (zod.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as Shape)
  shapes.set(schema, known)
  return known
}

/** A value such as a schema takes it, as far as its JSON schema tells; `names` are texts that are there, such as ids. */
export function makeValue(schema: z.ZodType, random: Random, names: readonly string[]): unknown {
  return makeFrom(shapeOf(schema), random, names, 0)
}

function makeFrom(shape: Shape, random: Random, names: readonly string[], depth: number): unknown {
  const make = (it: Shape) => makeFrom(it, random, names, depth + 1)
  if (shape.const !== undefined) return shape.const
  if (shape.enum) return pick(random, shape.enum)
  const options = shape.anyOf ?? shape.oneOf
  if (options) return make(pick(random, options))
  if (shape.allOf) return Object.assign({}, ...shape.allOf.map(make))
  const type = Array.isArray(shape.type) ? pick(random, shape.type) : shape.type
  switch (type) {
    case 'object':
      return makeObject(shape, random, make)
    case 'array':
      return shape.prefixItems ? shape.prefixItems.map(make) : makeList(shape, random, make, depth)
    case 'string':
      return makeText(shape, random, names)
    case 'integer':
    case 'number':
      return makeNumber(shape, random, type)
    case 'boolean':
      return random() < 0.5
    case 'null':
      return null
    default:
      return pick(random, names)
  }
}

function makeObject(shape: Shape, random: Random, make: (it: Shape) => unknown): Record<string, unknown> {
  const wanted = new Set(shape.required)
  return Object.fromEntries(
    Object.entries(shape.properties ?? {})
      .filter(([key]) => wanted.has(key) || random() < 0.5)
      .map(([key, it]) => [key, make(it)]),
  )
}

function makeList(shape: Shape, random: Random, make: (it: Shape) => unknown, depth: number): unknown[] {
  const least = shape.minItems ?? 0
  const most = Math.min(shape.maxItems ?? 4, depth > 4 ? 1 : 4)
  const length = Math.max(least, Math.floor(random() * (most + 1)))
  return Array.from({ length }, () => make(shape.items ?? {}))
}

function makeText(shape: Shape, random: Random, names: readonly string[]): string {
  const isTaken = (text: string) =>
    text.length >= (shape.minLength ?? 0) &&
    text.length <= (shape.maxLength ?? 5_000) &&
    (shape.pattern === undefined || new RegExp(shape.pattern, 'u').test(text))
  for (let attempt = 0; attempt < 12; attempt++) {
    const text = pick(random, random() < 0.6 ? names : random() < 0.5 ? TIMES : WORDS)
    if (isTaken(text)) return text
  }
  return [...names, ...TIMES, ...WORDS].find(isTaken) ?? 'x'.repeat(Math.max(1, shape.minLength ?? 1))
}

function makeNumber(shape: Shape, random: Random, type: 'integer' | 'number'): number {
  const least = shape.minimum ?? (shape.exclusiveMinimum === undefined ? -3 : shape.exclusiveMinimum + 1)
  const most = Math.min(shape.maximum ?? 1_000, Number.MAX_SAFE_INTEGER)
  const [low, high] = [Math.max(least, -Number.MAX_SAFE_INTEGER), most]
  const value = pick(random, [low, high, low + random() * (Math.min(high, low + 1_000) - low)])
  return type === 'integer' ? Math.round(value) : value
}

/** The value broken in one place, however deep: another thing there, or nothing. */
export function breakValue(value: unknown, random: Random): unknown {
  if (typeof value !== 'object' || value === null || random() < 0.25) return pick(random, JUNK)
  const copy: Record<string, unknown> | unknown[] = Array.isArray(value) ? [...value] : { ...value }
  const keys = Object.keys(copy)
  if (keys.length === 0) return pick(random, JUNK)
  const key = pick(random, keys)
  const record = copy as Record<string, unknown>
  if (random() < 0.2) delete record[key]
  else record[key] = breakValue(record[key], random)
  return copy
}
