import { api, change } from '../foundation/api/api.ts'
import type { UnitRow } from '../foundation/api/replies.ts'

export interface OrderRow {
  id: string
  version: number
  tag: string
  name: string
  party: string | null
  dueOn: string | null
  isLate: boolean
  usedIn: UnitRow['usedIn']
}

const ordersApi = api.injectEndpoints({
  endpoints: (build) => ({
    orders: build.query<OrderRow[], void>({ query: () => '/orders', providesTags: ['All'] }),
    cancelOrder: build.mutation<{ id: string }, { id: string; version: number }>({
      query: ({ id, version }) => ({
        url: `/orders/${id}/cancelled`,
        method: 'POST',
        body: {},
        headers: change(version),
      }),
      invalidatesTags: ['All'],
    }),
  }),
})

export const { useOrdersQuery, useCancelOrderMutation } = ordersApi
