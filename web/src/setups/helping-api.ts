import type {
  Choosing,
  ConnectPlan,
  FactField,
  FindingLevel,
  ReadinessChange,
  RoleField,
  WorkingChange,
} from '@exemplar/core'
import { api } from '../foundation/api/api.ts'
import { readsOf } from '../foundation/api/reads.ts'

interface Asked {
  id: string
  bookingId?: string
}

export type NamedDifference =
  | { kind: 'role-added' | 'role-gone'; role: string; things: string[] }
  | { kind: 'things'; role: string; gone: string[]; added: string[] }
  | { kind: 'role-changed'; role: string; fields: RoleField[] }
  | { kind: 'fact'; field: FactField; before: string; after: string }

const ask = (id: string, what: string, params: Record<string, string | undefined>) => ({
  url: `/setups/${id}/${what}`,
  params: Object.fromEntries(Object.entries(params).filter(([, value]) => value !== undefined)),
})

const helpingApi = api.injectEndpoints({
  endpoints: (build) => ({
    connectPlan: build.query<ConnectPlan, Asked>({
      query: ({ id, bookingId }) => ask(id, 'connect', { bookingId }),
      providesTags: readsOf('connectPlan'),
    }),
    choosing: build.query<Choosing, Asked>({
      query: ({ id, bookingId }) => ask(id, 'choose', { bookingId }),
      providesTags: readsOf('choosing'),
    }),
    without: build.query<
      { counts: Record<FindingLevel, number>; change: ReadinessChange; empties: string[]; figures: WorkingChange[] },
      Asked & { unitId: string }
    >({
      query: ({ id, bookingId, unitId }) => ask(id, 'without', { bookingId, unitId }),
      providesTags: readsOf('without'),
    }),
    setupDifference: build.query<{ differences: NamedDifference[] }, { id: string; otherId: string }>({
      query: ({ id, otherId }) => ask(id, 'difference', { otherId }),
      providesTags: readsOf('setupDifference'),
    }),
  }),
})

export const { useConnectPlanQuery, useChoosingQuery, useWithoutQuery, useSetupDifferenceQuery } = helpingApi
