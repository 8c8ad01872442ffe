import { z } from 'zod'
import { type AccessRole, may } from './access.ts'

/** What a field of a reply holds that not everybody may see. */
export type Secret = 'money' | 'contacts'
type Mark = Secret | 'by-name'

/** The marks. A wrapper made from a marked schema has none of its own, so a field is marked last. */
const secrets = z.registry<{ secret: Mark }>()

function mark<S extends z.ZodType>(schema: S, secret: Mark): S {
  const own = schema.clone() as S
  secrets.add(own, { secret })
  return own
}

/** Marks a field as an amount of money: null for whoever may not see money. */
export function amount<S extends z.ZodType>(schema: S): S {
  return mark(schema, 'money')
}

/** Marks a field as telephone numbers and addresses: an empty list for whoever may not see them. */
export function contactList<S extends z.ZodType>(schema: S): S {
  return mark(schema, 'contacts')
}

/** Marks records of the past, whose shape is whatever it was then: what is hidden there is told by the names of fields. */
export function pastRecord<S extends z.ZodType>(schema: S): S {
  return mark(schema, 'by-name')
}

const HIDDEN: Readonly<Record<Secret, unknown>> = { money: null, contacts: [] }

type Hide = (value: unknown) => unknown
/** What hides in a part of a schema. */
type Below = (schema: z.core.$ZodType) => Hide | null

/** Takes out of a reply what a role may not see, as its schema marks it. The same value comes back where nothing is hidden. */
export function hideFrom<T>(role: AccessRole | null, schema: z.ZodType, reply: T): T {
  const hidden: Secret[] = []
  if (!may(role, 'see-money')) hidden.push('money')
  if (!may(role, 'see-contacts')) hidden.push('contacts')
  if (hidden.length === 0) return reply
  const hide = findHide(schema, hidden)
  return hide ? (hide(reply) as T) : reply
}

const known = new Map<string, WeakMap<z.core.$ZodType, Hide | null>>()

/** The same of a record as it lies in the house, such as the one that stands where somebody came too late. */
export function hideInRecord(role: AccessRole | null, record: unknown): unknown {
  return hideFrom(role, RECORD, record)
}

const RECORD = pastRecord(z.unknown())

/** What hides below a schema, or null where nothing is hidden; worked out once for each schema. */
function findHide(schema: z.core.$ZodType, hidden: readonly Secret[]): Hide | null {
  const key = hidden.join()
  const kept = known.get(key) ?? new WeakMap<z.core.$ZodType, Hide | null>()
  known.set(key, kept)
  if (!kept.has(schema))
    kept.set(
      schema,
      makeHide(schema as z.core.$ZodTypes, (it) => findHide(it, hidden), hidden),
    )
  return kept.get(schema) ?? null
}

function makeHide(schema: z.core.$ZodTypes, below: Below, hidden: readonly Secret[]): Hide | null {
  const mark = secrets.get(schema)?.secret
  if (mark === 'by-name') return (value) => hideByName(value, hidden)
  if (mark && hidden.includes(mark)) return () => HIDDEN[mark]
  const { def } = schema._zod
  switch (def.type) {
    case 'object':
      return hideInObject(def.shape, below)
    case 'array':
      return hideInEach(below(def.element))
    case 'record':
      return hideInValues(below(def.valueType))
    case 'union':
      return hideInAll(def.options, below)
    case 'intersection':
      return hideInAll([def.left, def.right], below)
    case 'optional':
    case 'nullable':
    case 'default':
    case 'prefault':
    case 'nonoptional':
    case 'readonly':
    case 'catch':
      return below(def.innerType)
    case 'pipe':
      return below(def.out)
    default:
      return null
  }
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

function hideInObject(shape: Readonly<Record<string, z.core.$ZodType>>, below: Below): Hide | null {
  const hides = Object.entries(shape).flatMap(([name, it]) => {
    const hide = below(it)
    return hide ? [[name, hide] as const] : []
  })
  if (hides.length === 0) return null
  return (value) => {
    if (!isRecord(value)) return value
    const shown = { ...value }
    for (const [name, hide] of hides) if (name in shown) shown[name] = hide(shown[name])
    return shown
  }
}

function hideInEach(hide: Hide | null): Hide | null {
  return hide && ((value) => (Array.isArray(value) ? value.map(hide) : value))
}

function hideInValues(hide: Hide | null): Hide | null {
  if (!hide) return null
  return (value) =>
    isRecord(value) ? Object.fromEntries(Object.entries(value).map(([name, it]) => [name, hide(it)])) : value
}

/** Whichever member of a union a value is, and on both sides of an intersection: what any of them hides goes. */
function hideInAll(schemas: readonly z.core.$ZodType[], below: Below): Hide | null {
  const hides = schemas.flatMap((it) => below(it) ?? [])
  return hides.length === 0 ? null : (value) => hides.reduce((shown, hide) => hide(shown), value)
}

function hideByName(value: unknown, hidden: readonly Secret[]): unknown {
  if (Array.isArray(value)) return value.map((it) => hideByName(it, hidden))
  if (!isRecord(value)) return value
  return Object.fromEntries(
    Object.entries(value).map(([name, it]) => {
      const secret: Secret | null = name.endsWith('Minor') ? 'money' : name === 'contacts' ? 'contacts' : null
      return [name, secret && hidden.includes(secret) ? HIDDEN[secret] : hideByName(it, hidden)]
    }),
  )
}
