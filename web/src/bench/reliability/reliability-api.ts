import type { ReplyOf } from '@exemplar/core'
import { api } from '../../foundation/api/api.ts'
import { readsOf } from '../../foundation/api/reads.ts'
import { request } from '../../foundation/api/request.ts'

const reliabilityApi = api.injectEndpoints({
  endpoints: (build) => ({
    reliability: build.query<ReplyOf<'get /reliability'>, void>({
      query: () => request('get /reliability'),
      providesTags: readsOf('reliability'),
    }),
  }),
})

export const { useReliabilityQuery } = reliabilityApi
