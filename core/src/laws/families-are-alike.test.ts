import { describe, expect, test } from 'vitest'
import type { Interface } from '../kit/model/interface.ts'
import type { Model } from '../kit/model/model.ts'
import type { AssessmentInput } from '../setups/placed/assessment-input.ts'
import { assessSetup } from '../setups/verdict/readiness.ts'
import { PLUG_SYSTEM_CODES, PLUG_SYSTEMS } from '../studio/places/plug-systems.ts'
import { compareBreaches } from './known-breaches.fixture.ts'
import { CASES, listCases, readCase } from './law-cases.fixture.ts'

/** A member of a family that only the studio knows, as somebody would enter it. */
const own = (code: string, kind: Interface['kind'], hostName: string, guestName: string): Interface => ({
  code,
  label: 'of our own',
  kind,
  hostName,
  guestName,
  standard: null,
  viaCableOnly: false,
  version: 1,
})

/** Two of one family that change places everywhere: what is found may differ by their names alone. */
const EXCHANGES: readonly { one: string; other: string; added?: Interface }[] = [
  { one: 'sd', other: 'micro-sd' },
  { one: 'sd', other: 'cfexpress-b' },
  { one: 'sd', other: 'own-card', added: own('own-card', 'card', 'slot', 'card') },
  { one: 'sd', other: 'cfexpress-a' },
  // Every plug system that a studio may have.
  ...PLUG_SYSTEM_CODES.map((code) => ({ one: 'mains-bs1363', other: PLUG_SYSTEMS[code].socket })).filter(
    ({ one, other }) => one !== other,
  ),
  { one: 'mains-bs1363', other: 'own-plug', added: own('own-plug', 'mains', 'socket', 'plug') },
  { one: 'pack-a', other: 'own-pack', added: own('own-pack', 'battery', 'bay', 'pack') },
  { one: 'mount-x', other: 'own-mount', added: own('own-mount', 'mount', 'body', 'lens') },
  { one: 'screen-75', other: 'screen-100' },
]

type Exchange = (typeof EXCHANGES)[number]

const swapCode = ({ one, other }: Exchange, code: string) => (code === one ? other : code === other ? one : code)

function swapModel(model: Model, exchange: Exchange): Model {
  const ports = model.ports.map((port) => ({
    ...port,
    interfaces: port.interfaces.map((code) => swapCode(exchange, code)),
  }))
  return { ...model, ports }
}

function swapInput(input: AssessmentInput, exchange: Exchange): AssessmentInput {
  const models = new Map([...input.holdings.models].map(([id, model]) => [id, swapModel(model, exchange)]))
  const { circuit } = input
  return {
    ...input,
    holdings: { ...input.holdings, models },
    circuit: circuit && { ...circuit, outletInterface: swapCode(exchange, circuit.outletInterface) },
    interfaces: withOwn(input.interfaces, exchange),
  }
}

const withOwn = (interfaces: AssessmentInput['interfaces'], { added }: Exchange) =>
  added ? new Map([...interfaces, [added.code, added]]) : interfaces

/** What is found and summed, with the codes of the two written as one. */
function tell(input: AssessmentInput, { one, other }: Exchange): string[] {
  const { findings, workings } = assessSetup(input)
  const blank = (text: string) => text.replaceAll(`"${one}"`, '"·"').replaceAll(`"${other}"`, '"·"')
  return [
    ...findings.map(
      (it) =>
        `${it.level} ${it.key
          .split('/')
          .map((part) => (part === one || part === other ? '·' : part))
          .join('/')}`,
    ),
    ...workings.map((it) => blank(JSON.stringify(it))),
  ].sort()
}

describe('law 7: families are alike', () => {
  test.each(EXCHANGES)(
    `$one and $other in each other's place: the same up to names, on ${CASES} seeded setups`,
    (exchange) => {
      const broken = new Set<number>()
      const reasons = new Set<string>()
      let touched = 0
      for (const it of listCases()) {
        const input = readCase(it)
        const uses = [...input.holdings.models.values()].some((model) =>
          model.ports.some((port) => port.interfaces.some((code) => code === exchange.one || code === exchange.other)),
        )
        if (!uses) continue
        touched++
        const before = tell({ ...input, interfaces: withOwn(input.interfaces, exchange) }, exchange)
        const after = tell(swapInput(input, exchange), exchange)
        if (before.join('\n') === after.join('\n')) continue
        broken.add(it.index)
        reasons.add(
          `${it.index}: ${[...before.filter((own) => !after.includes(own)), '→', ...after.filter((own) => !before.includes(own))].join(' | ').slice(0, 300)}`,
        )
      }
      expect(touched).toBeGreaterThan(3)
      expect(compareBreaches('law 7', [...broken]), [...reasons].slice(0, 8).join('\n')).toEqual({
        fresh: [],
        mended: [],
      })
    },
  )
})
