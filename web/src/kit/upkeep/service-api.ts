import type { BodyOf, NewServicePlan, NewServices, ReplyOf } from '@exemplar/core'
import { api, type Versioned } from '../../foundation/api/api.ts'
import { readsOf } from '../../foundation/api/reads.ts'
import { request } from '../../foundation/api/request.ts'

const serviceApi = api.injectEndpoints({
  endpoints: (build) => ({
    services: build.query<ReplyOf<'get /services'>, void>({
      query: () => request('get /services'),
      providesTags: readsOf('services'),
    }),
    upkeep: build.query<ReplyOf<'get /units/:id/upkeep'>, string>({
      query: (id) => request('get /units/:id/upkeep', { id }),
      providesTags: readsOf('upkeep'),
    }),
    makePlan: build.mutation<ReplyOf<'post /service-plans'>, NewServicePlan>({
      query: (body) => request('post /service-plans', { body }),
    }),
    changePlan: build.mutation<ReplyOf<'put /service-plans/:id'>, Versioned<NewServicePlan>>({
      query: ({ id, version, body }) => request('put /service-plans/:id', { id, version, body }),
    }),
    endPlan: build.mutation<ReplyOf<'post /service-plans/:id/end'>, { id: string; version: number }>({
      query: ({ id, version }) => request('post /service-plans/:id/end', { id, version }),
    }),
    recordServices: build.mutation<ReplyOf<'post /services'>, NewServices>({
      query: (body) => request('post /services', { body }),
    }),
    measureCapacity: build.mutation<
      ReplyOf<'post /units/:id/capacity'>,
      { unitId: string; body: BodyOf<'post /units/:id/capacity'> }
    >({
      query: ({ unitId, body }) => request('post /units/:id/capacity', { id: unitId, body }),
    }),
    recordUse: build.mutation<
      ReplyOf<'post /units/:id/uses'>,
      { unitId: string; body: BodyOf<'post /units/:id/uses'> }
    >({
      query: ({ unitId, body }) => request('post /units/:id/uses', { id: unitId, body }),
    }),
  }),
})

export const {
  useServicesQuery,
  useUpkeepQuery,
  useMakePlanMutation,
  useChangePlanMutation,
  useEndPlanMutation,
  useRecordServicesMutation,
  useRecordUseMutation,
  useMeasureCapacityMutation,
} = serviceApi
