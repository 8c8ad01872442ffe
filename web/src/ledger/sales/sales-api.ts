import type { ReplyOf, Sold } from '@exemplar/core'
import { api } from '../../foundation/api/api.ts'
import { readsOf } from '../../foundation/api/reads.ts'
import { request } from '../../foundation/api/request.ts'

const salesApi = api.injectEndpoints({
  endpoints: (build) => ({
    forSale: build.query<ReplyOf<'get /ledger/for-sale'>, void>({
      query: () => request('get /ledger/for-sale'),
      providesTags: readsOf('forSale'),
    }),
    sellUnit: build.mutation<ReplyOf<'post /units/:id/sold'>, { id: string; version: number; body: Sold }>({
      query: ({ id, version, body }) => request('post /units/:id/sold', { id, version, body }),
    }),
    /** The newest version of a thing, for who puts it on the list without having opened it. */
    unitVersion: build.query<ReplyOf<'get /units/:id'>, string>({
      query: (id) => request('get /units/:id', { id }),
      keepUnusedDataFor: 0,
    }),
  }),
})

export const { useForSaleQuery, useSellUnitMutation, useLazyUnitVersionQuery } = salesApi
