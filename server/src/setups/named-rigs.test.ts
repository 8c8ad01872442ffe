import type { CableRun, Finding } from '@exemplar/core'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { startApi, type TestApi } from '../foundation/api.fixture.ts'
import { makeCall } from '../foundation/call.fixture.ts'
import { BRIDGED_AND_TETHERED_RIGS } from './bridged-and-tethered-rigs.fixture.ts'
import { HUNG_AND_RELAYED_RIGS } from './hung-and-relayed-rigs.fixture.ts'
import { NAMED_RIGS } from './named-rigs.fixture.ts'
import type { NamedRig } from './rig-parts.fixture.ts'

/** Each rig entered the quick way into an empty instance, and judged through the API. */
let api: TestApi
beforeEach(async () => {
  api = await startApi()
})
afterEach(() => api.close())

const call = makeCall(() => api)

const OWN = { LENS: 'mount', PACK: 'battery', BOX: 'mount', DISK: 'card' } as const
const RIGS = [...NAMED_RIGS, ...HUNG_AND_RELAYED_RIGS, ...BRIDGED_AND_TETHERED_RIGS]

/** Makes the studio's own connectors and gives the codes that quick entry would send. */
async function makeConnectors(): Promise<(facts: object) => object> {
  const codes = new Map<string, string>()
  for (const [name, kind] of Object.entries(OWN)) {
    const ends = { hostName: 'host', guestName: 'guest', standard: null, viaCableOnly: false }
    codes.set(name, (await call('POST', '/interfaces', { ...ends, kind, label: `Larch ${name}` })).code)
  }
  return (facts) =>
    Object.fromEntries(Object.entries(facts).map(([key, value]) => [key, codes.get(value as string) ?? value]))
}

async function enter(rig: NamedRig) {
  const withCodes = await makeConnectors()
  const idOf = new Map<string, string>()
  const placeId = (
    await call('POST', '/places', {
      name: 'Studio',
      kind: 'room',
      parentId: null,
      note: '',
      circuits: [{ id: 'c1', name: 'Wall', volts: 230, amps: 16, outlets: 8, outletInterface: 'mains-bs1363' }],
      ...(rig.bars ? { details: { bars: rig.bars } } : {}),
    })
  ).id
  const tagOf = new Map<string, string>()
  for (const [alias, [category, facts = {}, more]] of Object.entries(rig.things)) {
    const unit = await call('POST', '/units', {
      category,
      maker: '',
      name: alias,
      facts: withCodes(facts),
      ...(more ? { specs: more } : {}),
    })
    idOf.set(alias, unit.id)
    tagOf.set(unit.tag, alias)
  }
  const roleIdOf = new Map(rig.roles.map((it, at) => [it.name, `r${at}`]))
  const setup = {
    code: 'QE',
    name: 'Rig',
    tape: 'fern',
    purpose: '',
    placeId,
    circuitId: 'c1',
    plannedMinutes: 30,
    note: '',
    ...rig.setup,
    roles: rig.roles.map(({ name, wants = null, importance = 'essential', goesWith, heightMm, things }) => ({
      id: roleIdOf.get(name),
      group: 'camera',
      name,
      importance,
      wants,
      detail: '',
      intentionallyEmpty: false,
      goesWith: goesWith ? roleIdOf.get(goesWith) : null,
      position: heightMm === undefined ? null : { distanceMm: null, sideDegrees: null, heightMm, focalMm: null },
      things: things.map((alias) => ({
        unitId: idOf.get(alias),
        stockId: null,
        quantity: 1,
        powerModeId: null,
        recordingModeId: null,
      })),
    })),
  }
  const { id } = await call('POST', '/setups', setup)
  return { id, setup, tagOf }
}

type Entered = Awaited<ReturnType<typeof enter>>

interface Joint {
  host: { key: string; portId: string }
  guest: { key: string; portId: string }
}

/** A joint as somebody states it. */
const state = ({ host, guest }: Joint): CableRun => ({
  from: { unitId: guest.key, portId: guest.portId },
  via: [],
  to: { unitId: host.key, portId: host.portId },
  neededMm: null,
})

/** What is joined to what and what is found beyond advice, by short names. */
async function judge({ id, tagOf }: Entered) {
  const readiness = await call('GET', `/setups/${id}/readiness`)
  const aliasOf = (tag: string) => tagOf.get(tag) ?? tag
  const joints: string[] = readiness.joints.map(
    (it: { host: { tag: string }; guest: { tag: string } }) => `${aliasOf(it.guest.tag)}>${aliasOf(it.host.tag)}`,
  )
  const found: string[] = readiness.findings
    .filter((it: Finding) => it.level !== 'advise' && it.level !== 'ok')
    .map((it: Finding) => `${it.level} ${it.code} ${nameSubject(it, aliasOf)}`.trim())
  return { joints, found: found.sort(), all: readiness.joints as Joint[] }
}

/** What a finding is about, by its short name. */
function nameSubject(finding: Finding, aliasOf: (tag: string) => string): string {
  if ('working' in finding && 'tag' in finding.working) return aliasOf(finding.working.tag)
  return 'tag' in finding ? aliasOf(finding.tag) : ''
}

describe('[V1] [V6] [V8] [V9] [V14] rigs that studios build, from an empty instance', () => {
  test.each(RIGS.map((rig) => [rig.name, rig] as const))('%s', async (_, rig) => {
    const entered = await enter(rig)
    const { joints, found, all } = await judge(entered)
    expect({ found, joints: (rig.joints ?? []).filter((it) => !joints.includes(it)) }).toEqual({
      found: [...rig.found].sort(),
      joints: [],
    })
    expect((rig.never ?? []).filter((it) => joints.includes(it))).toEqual([])

    // Said by somebody it is the same; and with one of them left out in turn, what is left is assumed as it was.
    const links = all.map(state)
    const { version } = await call('GET', `/setups/${entered.id}`)
    const put = (some: readonly CableRun[], nth: number) =>
      call('PUT', `/setups/${entered.id}`, { ...entered.setup, links: some }, version + nth)
    await put(links, 0)
    expect((await judge(entered)).found).toEqual([...rig.found].sort())
    for (const [at, left] of links.entries()) {
      await put(
        links.filter((it) => it !== left),
        at + 1,
      )
      const again = await judge(entered)
      expect([left, again.found]).toEqual([left, [...rig.found].sort()])
    }
  })

  test('there are forty of them and more', () => {
    expect(new Set(RIGS.map((it) => it.name)).size).toBeGreaterThanOrEqual(40)
  })
})
