import type { ReplyOf } from '@exemplar/core'
import { api } from '../foundation/api/api.ts'
import { readsOf } from '../foundation/api/reads.ts'
import { request } from '../foundation/api/request.ts'

const ordersApi = api.injectEndpoints({
  endpoints: (build) => ({
    orders: build.query<ReplyOf<'get /orders'>, void>({
      query: () => request('get /orders'),
      providesTags: readsOf('orders'),
    }),
    cancelOrder: build.mutation<ReplyOf<'post /orders/:id/cancelled'>, { id: string; version: number }>({
      query: ({ id, version }) => request('post /orders/:id/cancelled', { id, version }),
    }),
  }),
})

export const { useOrdersQuery, useCancelOrderMutation } = ordersApi
