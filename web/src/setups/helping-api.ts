import type { ReplyOf } from '@exemplar/core'
import { api } from '../foundation/api/api.ts'
import { readsOf } from '../foundation/api/reads.ts'
import { request } from '../foundation/api/request.ts'

interface Asked {
  id: string
  bookingId?: string
}

const helpingApi = api.injectEndpoints({
  endpoints: (build) => ({
    connectPlan: build.query<ReplyOf<'get /setups/:id/connect'>, Asked>({
      query: ({ id, bookingId }) => request('get /setups/:id/connect', { id, query: { bookingId } }),
      providesTags: readsOf('connectPlan'),
    }),
    choosing: build.query<ReplyOf<'get /setups/:id/choose'>, Asked>({
      query: ({ id, bookingId }) => request('get /setups/:id/choose', { id, query: { bookingId } }),
      providesTags: readsOf('choosing'),
    }),
    without: build.query<ReplyOf<'get /setups/:id/without'>, Asked & { unitId: string }>({
      query: ({ id, bookingId, unitId }) => request('get /setups/:id/without', { id, query: { bookingId, unitId } }),
      providesTags: readsOf('without'),
    }),
    setupDifference: build.query<ReplyOf<'get /setups/:id/difference'>, { id: string; otherId: string }>({
      query: ({ id, otherId }) => request('get /setups/:id/difference', { id, query: { otherId } }),
      providesTags: readsOf('setupDifference'),
    }),
  }),
})

export const {
  useConnectPlanQuery,
  useLazyConnectPlanQuery,
  useChoosingQuery,
  useLazyChoosingQuery,
  useWithoutQuery,
  useSetupDifferenceQuery,
} = helpingApi
