import {
  type Category,
  FACT_WORDS,
  type FactKey,
  type Finding,
  type Interface,
  isCounted,
  OWN_ANSWERS,
  type Readiness,
  type SpecKey,
} from '@exemplar/core'
import type { KindCase, Typed } from './each-kind.fixture.ts'
import { readTypedFacts } from './facts.ts'
import { findCompany } from './kind-company.fixture.ts'
import { readSpecs } from './specs.ts'

// biome-ignore lint/suspicious/noExplicitAny: replies of every shape
type Call = (method: string, path: string, body?: unknown) => Promise<any>

/** The fields of the form in two: what is asked of every such thing, and its further figures. */
export function splitTyped(told: Typed): { facts: [FactKey, string][]; specs: [SpecKey, string][] } {
  const all = Object.entries(told) as [FactKey | SpecKey, string][]
  const isFact = (key: string): key is FactKey => key in FACT_WORDS
  return {
    facts: all.flatMap(([key, text]) => (isFact(key) ? [[key, text] as [FactKey, string]] : [])),
    specs: all.flatMap(([key, text]) => (isFact(key) ? [] : [[key, text] as [SpecKey, string]])),
  }
}

/** What the form sends for what was typed; a mount or family that the studio has not is made on the way, as in the form. */
async function readEntry(call: Call, category: Category, name: string, told: Typed) {
  const { facts: typed, specs: figures } = splitTyped(told)
  const texts: Record<string, string> = {}
  for (const [key, text] of typed) {
    texts[key] = FACT_WORDS[key].form.kind === 'connector' ? await findConnector(call, key, text) : text
  }
  const { facts, problems } = readTypedFacts(texts, 'metric')
  const { specs, problems: unread } = readSpecs(Object.fromEntries(figures), 'metric')
  const all = Object.entries({ ...problems, ...unread })
  if (all.length > 0) throw new Error(`${category}: ${all.join('; ')}`)
  return { category, maker: '', name, facts, specs }
}

async function findConnector(call: Call, fact: FactKey, label: string): Promise<string> {
  const interfaces: Interface[] = await call('GET', '/interfaces')
  const known = interfaces.find((it) => it.label === label)
  if (known) return known.code
  const ends = { hostName: 'host', guestName: 'guest', standard: null, viaCableOnly: false }
  return (await call('POST', '/interfaces', { ...ends, kind: OWN_ANSWERS[fact], label })).code
}

/** Enters a thing, or one piece of a stock of it, as the form would send it. */
export async function enterThing(call: Call, kind: Category, name: string, told: Typed): Promise<{ id: string }> {
  const body = await readEntry(call, kind, name, told)
  return isCounted(kind)
    ? call('POST', '/stock', { ...body, quantity: 1 })
    : call('POST', '/units', { ...body, count: 1 })
}

/** A room with one circuit, as a setup names them. */
export async function addGround(call: Call): Promise<{ placeId: string; circuitId: string }> {
  const circuit = { id: 'c1', name: 'Wall', volts: 230, amps: 16, outlets: 8, outletInterface: 'mains-bs1363' }
  const room = { parentId: null, name: 'Room', kind: 'room', note: '', circuits: [circuit] }
  return { placeId: (await call('POST', '/places', room)).id, circuitId: circuit.id }
}

const NOTHING = { unitId: null, stockId: null, quantity: 1, powerModeId: null, recordingModeId: null }
const ROLE = { group: 'camera', importance: 'essential', detail: '', intentionallyEmpty: false }

/** Puts a thing that is here into the setup of its kind, without one sort of its company where that is said, and judges it. */
export async function judgeKind(
  call: Call,
  it: { kind: Category; id: string; isStock: boolean },
  { setup, hands = 0 }: KindCase,
  { code, without, ...ground }: { code: string; placeId: string; circuitId: string; without?: string },
) {
  const roles = []
  for (const [at, names] of setup.split('|').entries()) {
    const things = []
    for (const name of names.trim().split(' ')) {
      if (name === without) continue
      const own = name === 'it' ? null : findCompany(name)
      const { id } = own ? await enterThing(call, own.kind, name, own.told) : it
      const isStock = own ? isCounted(own.kind) : it.isStock
      things.push({ ...NOTHING, ...(isStock ? { stockId: id } : { unitId: id }) })
    }
    const [first = ''] = names.trim().split(' ')
    const wants = first === 'it' ? it.kind : findCompany(first).kind
    roles.push({ ...ROLE, id: `r${at}`, name: `Role ${at + 1}`, wants, things })
  }
  const { id } = await call('POST', '/setups', {
    ...ground,
    code,
    name: `Setup ${code}`,
    tape: 'fern',
    purpose: '',
    plannedMinutes: 30,
    carriers: hands,
    note: '',
    roles,
  })
  const { level, findings }: Readiness = await call('GET', `/setups/${id}/readiness`)
  return { level, found: findings.filter(isBeyondAdvice).map((own) => `${own.level} ${own.code}`) }
}

const isBeyondAdvice = ({ level }: Finding) => level !== 'advise' && level !== 'ok'
