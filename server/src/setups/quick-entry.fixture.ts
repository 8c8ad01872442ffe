import type { Finding } from '@exemplar/core'
import { sayVerdict } from '@exemplar/core'
import { afterEach, beforeEach } from 'vitest'
import { startApi, type TestApi } from '../foundation/api.fixture.ts'
import { makeCall } from '../foundation/call.fixture.ts'

export interface Thing {
  id: string
  tag: string
  modelId: string
  version: number
}

/** As much of a model as tests look at. */
interface KeptModel {
  ports: { id: string; side: string; direction: string; interfaces: string[] }[]
}

export interface RoleSketch {
  name: string
  wants?: string
  importance?: string
  things?: readonly Pick<Thing, 'id'>[]
  stock?: { id: string; quantity: number; isSpare?: boolean }[]
  /** There in case. */
  spares?: readonly Pick<Thing, 'id'>[]
  /** What else the role says: where it is, which other role it goes with. */
  rest?: object
}

const NOTHING = { unitId: null, stockId: null, quantity: 1, powerModeId: null, recordingModeId: null }

/** One role as it is sent. */
export const makeRole = (
  { name, wants, importance = 'essential', things = [], stock = [], spares = [], rest = {} }: RoleSketch,
  at: number,
) => ({
  id: `r${at}`,
  group: 'camera',
  name,
  importance,
  wants: wants ?? null,
  detail: '',
  intentionallyEmpty: false,
  things: [
    ...things.map((it) => ({ ...NOTHING, unitId: it.id })),
    ...stock.map(({ id, quantity, isSpare = false }) => ({ ...NOTHING, stockId: id, quantity, isSpare })),
    ...spares.map((it) => ({ ...NOTHING, unitId: it.id, isSpare: true })),
  ],
  ...rest,
})

/** A setup as it is sent. */
export const makeSetup = (roles: readonly RoleSketch[], rest: object = {}) => ({
  code: 'QE',
  name: 'Quick entry',
  tape: 'fern',
  purpose: '',
  placeId: null,
  circuitId: null,
  plannedMinutes: 30,
  note: '',
  ...rest,
  roles: roles.map(makeRole),
})

/** A booking as it is sent. */
export const makeDraft = (part: object = {}) => ({
  kind: 'shoot',
  title: 'Late roses',
  setupId: null,
  unitIds: [],
  placeId: null,
  personIds: [],
  startsAt: '2026-12-10T10:00',
  endsAt: '2026-12-10T12:00',
  rigMinutes: 0,
  strikeMinutes: 0,
  state: 'confirmed',
  note: '',
  partyId: null,
  feeMinor: null,
  ...part,
})

/** A program as it is sent. */
export const makeSoftware = (part: object = {}) => ({
  kind: 'app',
  name: 'Remote',
  version: '2.1',
  where: '',
  onUnitId: null,
  media: 'download',
  needsWireless: false,
  minimumMemoryGigabytes: null,
  minimumGraphicsGigabytes: null,
  newestVersion: '',
  checkedOn: null,
  ...part,
})

/** What somebody gets who starts from nothing and enters things the quick way: an empty instance for each test. */
export function useQuickEntry() {
  let api: TestApi
  beforeEach(async () => {
    api = await startApi()
  })
  afterEach(() => api.close())
  const call = makeCall(() => api)

  const add = (category: string, name: string, facts: object = {}): Promise<Thing> =>
    call('POST', '/units', { category, maker: '', name, facts })

  /** With specs, and a maker where one is wanted. */
  const tell = (category: string, name: string, facts: object, specs: object = {}, maker = ''): Promise<Thing> =>
    call('POST', '/units', { category, maker, name, facts, specs })

  /** A family of the studio's own: a mount, a pack, a plate; its code. */
  const addFamily = async (label: string, kind: string): Promise<string> => {
    const ends = { hostName: 'body', guestName: 'part' }
    const { code } = await call('POST', '/interfaces', { label, kind, ...ends, standard: null, viaCableOnly: false })
    return code
  }

  /** What a model is, corrected on its page. */
  const changeModel = async (modelId: string, change: object | ((model: KeptModel) => object)) => {
    const { id: _, version, archivedAt: __, ...body } = await call('GET', `/models/${modelId}`)
    return call(
      'PUT',
      `/models/${modelId}`,
      { ...body, ...(typeof change === 'function' ? change(body) : change) },
      version,
    )
  }

  const build = async (roles: readonly RoleSketch[], rest: object = {}): Promise<string> =>
    (await call('POST', '/setups', makeSetup(roles, rest))).id

  /** A room with one circuit, as a setup names them. */
  const addRoom = async (circuit: object = {}) => {
    const wall = { id: 'c1', name: 'Wall', volts: 230, amps: 16, outlets: 6, outletInterface: 'mains-bs1363' }
    const room = { parentId: null, name: 'Studio', kind: 'room', note: '', circuits: [{ ...wall, ...circuit }] }
    const { id: placeId } = await call('POST', '/places', room)
    return { placeId: placeId as string, circuitId: 'c1' }
  }

  async function judge(id: string) {
    const readiness = await call('GET', `/setups/${id}/readiness`)
    const of = (code: string): Finding[] => readiness.findings.filter((it: Finding) => it.code === code)
    const found = readiness.findings.map((it: Finding) => `${it.level} ${it.code}`).sort()
    return { says: sayVerdict(readiness), found: found as string[], of, level: readiness.level }
  }

  const answer = (modelId: string, fact: string, given: object, version = 1) =>
    call('POST', `/models/${modelId}/facts`, { fact, answer: given }, version)

  /** Sessions of some things, one a day, the last of them on a day. */
  async function serve(things: readonly Pick<Thing, 'id'>[], count: number, lastOn = '2026-11-20', rest: object = {}) {
    const last = Date.parse(`${lastOn}T12:00:00Z`)
    for (let n = 0; n < count; n++) {
      const day = new Date(last - n * 86_400_000).toISOString().slice(0, 10)
      const times = { startsAt: `${day}T09:00`, endsAt: `${day}T11:00` }
      const unitIds = things.map((it) => it.id)
      await call('POST', '/bookings', makeDraft({ title: `Session ${n}`, unitIds, ...times, ...rest }))
    }
  }

  /** Writes down some fields of a thing, by its version of now. */
  const change = async (thing: Pick<Thing, 'id'>, part: object) => {
    const { unit } = await call('GET', `/units/${thing.id}`)
    return call('PATCH', `/units/${thing.id}`, part, unit.version)
  }

  return { api: () => api, call, add, change, serve, tell, addFamily, changeModel, addRoom, build, judge, answer }
}
