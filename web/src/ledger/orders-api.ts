import { api, change } from '../foundation/api/api.ts'
import { readsOf } from '../foundation/api/reads.ts'
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
    orders: build.query<OrderRow[], void>({ query: () => '/orders', providesTags: readsOf('orders') }),
    cancelOrder: build.mutation<{ id: string }, { id: string; version: number }>({
      query: ({ id, version }) => ({
        url: `/orders/${id}/cancelled`,
        method: 'POST',
        body: {},
        headers: change(version),
      }),
    }),
  }),
})

export const { useOrdersQuery, useCancelOrderMutation } = ordersApi
