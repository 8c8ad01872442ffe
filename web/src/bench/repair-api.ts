import type { BodyOf, ReplyOf } from '@exemplar/core'
import { api, type Versioned } from '../foundation/api/api.ts'
import { readsOf } from '../foundation/api/reads.ts'
import { request } from '../foundation/api/request.ts'

const repairApi = api.injectEndpoints({
  endpoints: (build) => ({
    repairs: build.query<ReplyOf<'get /repairs'>, void>({
      query: () => request('get /repairs'),
      providesTags: readsOf('repairs'),
    }),
    beginRepair: build.mutation<
      ReplyOf<'post /units/:id/repairs'>,
      { unitId: string; body: BodyOf<'post /units/:id/repairs'> }
    >({
      query: ({ unitId, body }) => request('post /units/:id/repairs', { id: unitId, body }),
    }),
    moveRepair: build.mutation<ReplyOf<'put /repairs/:id'>, Versioned<BodyOf<'put /repairs/:id'>>>({
      query: ({ id, version, body }) => request('put /repairs/:id', { id, version, body }),
    }),
    keepThing: build.mutation<ReplyOf<'post /units/:id/keep'>, Versioned<BodyOf<'post /units/:id/keep'>>>({
      query: ({ id, version, body }) => request('post /units/:id/keep', { id, version, body }),
    }),
  }),
})

export const { useRepairsQuery, useBeginRepairMutation, useMoveRepairMutation, useKeepThingMutation } = repairApi
