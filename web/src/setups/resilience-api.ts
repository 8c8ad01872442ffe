import type { ReplyOf } from '@exemplar/core'
import { api } from '../foundation/api/api.ts'
import { readsOf } from '../foundation/api/reads.ts'
import { request } from '../foundation/api/request.ts'

const resilienceApi = api.injectEndpoints({
  endpoints: (build) => ({
    resilience: build.query<ReplyOf<'get /resilience'>, void>({
      query: () => request('get /resilience'),
      providesTags: readsOf('resilience'),
    }),
  }),
})

export const { useResilienceQuery } = resilienceApi
