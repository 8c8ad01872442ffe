import type { Finding } from '@exemplar/core'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { startApi, type TestApi } from '../foundation/api.fixture.ts'
import { makeCall } from '../foundation/call.fixture.ts'
import { NAMED_RIGS, type NamedRig } from './named-rigs.fixture.ts'

/** Each rig entered the quick way into an empty instance, and judged through the API. */
let api: TestApi
beforeEach(async () => {
  api = await startApi()
})
afterEach(() => api.close())

const call = makeCall(() => api)

const OWN = { LENS: 'mount', PACK: 'battery', BOX: 'mount' } as const

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
  const { id } = await call('POST', '/setups', {
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
  })
  const readiness = await call('GET', `/setups/${id}/readiness`)
  const aliasOf = (tag: string) => tagOf.get(tag) ?? tag
  const joints: string[] = readiness.joints.map(
    (it: { host: { tag: string }; guest: { tag: string } }) => `${aliasOf(it.guest.tag)}>${aliasOf(it.host.tag)}`,
  )
  const found: string[] = readiness.findings
    .filter((it: Finding) => it.level !== 'advise' && it.level !== 'ok')
    .map((it: Finding) => `${it.level} ${it.code} ${nameSubject(it, aliasOf)}`.trim())
  return { joints, found: found.sort() }
}

/** What a finding is about, by its short name. */
function nameSubject(finding: Finding, aliasOf: (tag: string) => string): string {
  if ('working' in finding && 'tag' in finding.working) return aliasOf(finding.working.tag)
  return 'tag' in finding ? aliasOf(finding.tag) : ''
}

describe('[V1] [V6] [V8] [V9] [V14] rigs that studios build, from an empty instance', () => {
  test.each(NAMED_RIGS.map((rig) => [rig.name, rig] as const))('%s', async (_, rig) => {
    const { joints, found } = await enter(rig)
    expect({ found, joints: (rig.joints ?? []).filter((it) => !joints.includes(it)) }).toEqual({
      found: [...rig.found].sort(),
      joints: [],
    })
    expect((rig.never ?? []).filter((it) => joints.includes(it))).toEqual([])
  })
})
