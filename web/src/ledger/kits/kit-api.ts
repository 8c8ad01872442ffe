import type { BodyOf, ReplyOf } from '@exemplar/core'
import { api } from '../../foundation/api/api.ts'
import { readsOf } from '../../foundation/api/reads.ts'
import { request } from '../../foundation/api/request.ts'

type Change<K extends 'put /kit-plans/:id' | 'post /kit-plans/:id/options' | 'post /kit-plans/:id/taken'> = {
  id: string
  version: number
  body: BodyOf<K>
}

const kitApi = api.injectEndpoints({
  endpoints: (build) => ({
    kitPlans: build.query<ReplyOf<'get /kit-plans'>, void>({
      query: () => request('get /kit-plans'),
      providesTags: readsOf('kitPlans'),
    }),
    kitPlan: build.query<ReplyOf<'get /kit-plans/:id'>, string>({
      query: (id) => request('get /kit-plans/:id', { id }),
      providesTags: readsOf('kitPlan'),
    }),
    kits: build.query<ReplyOf<'get /kit-plans/:id/kits'>, string>({
      query: (id) => request('get /kit-plans/:id/kits', { id }),
      providesTags: readsOf('kits'),
    }),
    addKitPlan: build.mutation<ReplyOf<'post /kit-plans'>, BodyOf<'post /kit-plans'>>({
      query: (body) => request('post /kit-plans', { body }),
    }),
    changeKitPlan: build.mutation<ReplyOf<'put /kit-plans/:id'>, Change<'put /kit-plans/:id'>>({
      query: ({ id, version, body }) => request('put /kit-plans/:id', { id, version, body }),
    }),
    removeKitPlan: build.mutation<ReplyOf<'delete /kit-plans/:id'>, { id: string; version: number }>({
      query: ({ id, version }) => request('delete /kit-plans/:id', { id, version }),
    }),
    addKitOption: build.mutation<ReplyOf<'post /kit-plans/:id/options'>, Change<'post /kit-plans/:id/options'>>({
      query: ({ id, version, body }) => request('post /kit-plans/:id/options', { id, version, body }),
    }),
    takeKit: build.mutation<ReplyOf<'post /kit-plans/:id/taken'>, Change<'post /kit-plans/:id/taken'>>({
      query: ({ id, version, body }) => request('post /kit-plans/:id/taken', { id, version, body }),
    }),
  }),
})

export const {
  useKitPlansQuery,
  useKitPlanQuery,
  useKitsQuery,
  useAddKitPlanMutation,
  useChangeKitPlanMutation,
  useRemoveKitPlanMutation,
  useAddKitOptionMutation,
  useTakeKitMutation,
} = kitApi
