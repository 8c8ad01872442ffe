import type { BodyOf, QueryOf, ReplyOf } from '@exemplar/core'
import { api } from '../../foundation/api/api.ts'
import { readsOf } from '../../foundation/api/reads.ts'
import { request } from '../../foundation/api/request.ts'

type Version = { id: string; version: number }

const wishApi = api.injectEndpoints({
  endpoints: (build) => ({
    wishes: build.query<ReplyOf<'get /wishes'>, void>({
      query: () => request('get /wishes'),
      providesTags: readsOf('wishes'),
    }),
    wishPlaces: build.query<ReplyOf<'get /wishes/places'>, QueryOf<'get /wishes/places'>>({
      query: (query) => request('get /wishes/places', { query }),
      providesTags: readsOf('wishPlaces'),
    }),
    hindrances: build.query<ReplyOf<'get /ledger/hindrances'>, void>({
      query: () => request('get /ledger/hindrances'),
      providesTags: readsOf('hindrances'),
    }),
    upgradePlan: build.query<ReplyOf<'get /ledger/upgrade-plan'>, QueryOf<'get /ledger/upgrade-plan'>>({
      query: (query) => request('get /ledger/upgrade-plan', { query }),
      providesTags: readsOf('upgradePlan'),
    }),
    addWish: build.mutation<ReplyOf<'post /wishes'>, BodyOf<'post /wishes'>>({
      query: (body) => request('post /wishes', { body }),
    }),
    changeWish: build.mutation<ReplyOf<'put /wishes/:id'>, Version & { body: BodyOf<'put /wishes/:id'> }>({
      query: ({ id, version, body }) => request('put /wishes/:id', { id, version, body }),
    }),
    orderWish: build.mutation<
      ReplyOf<'post /wishes/:id/ordered'>,
      Version & { body: BodyOf<'post /wishes/:id/ordered'> }
    >({ query: ({ id, version, body }) => request('post /wishes/:id/ordered', { id, version, body }) }),
    receiveWish: build.mutation<
      ReplyOf<'post /wishes/:id/arrived'>,
      Version & { body: BodyOf<'post /wishes/:id/arrived'> }
    >({ query: ({ id, version, body }) => request('post /wishes/:id/arrived', { id, version, body }) }),
    cancelWish: build.mutation<ReplyOf<'post /wishes/:id/not-delivered'>, Version>({
      query: ({ id, version }) => request('post /wishes/:id/not-delivered', { id, version }),
    }),
  }),
})

export const {
  useWishesQuery,
  useWishPlacesQuery,
  useHindrancesQuery,
  useUpgradePlanQuery,
  useAddWishMutation,
  useChangeWishMutation,
  useOrderWishMutation,
  useReceiveWishMutation,
  useCancelWishMutation,
} = wishApi
