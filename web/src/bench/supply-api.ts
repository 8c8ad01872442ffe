import type { BodyOf, ReplyOf } from '@exemplar/core'
import { api } from '../foundation/api/api.ts'
import { readsOf } from '../foundation/api/reads.ts'
import { request } from '../foundation/api/request.ts'

const supplyApi = api.injectEndpoints({
  endpoints: (build) => ({
    supplies: build.query<ReplyOf<'get /supplies'>, void>({
      query: () => request('get /supplies'),
      providesTags: readsOf('supplies'),
    }),
    useUpStock: build.mutation<
      ReplyOf<'post /stock/:id/uses'>,
      { stockId: string; body: BodyOf<'post /stock/:id/uses'> }
    >({
      query: ({ stockId, body }) => request('post /stock/:id/uses', { id: stockId, body }),
    }),
  }),
})

export const { useSuppliesQuery, useUseUpStockMutation } = supplyApi
