import type { ReplyOf } from '@exemplar/core'
import { api } from '../foundation/api/api.ts'
import { readsOf } from '../foundation/api/reads.ts'
import { request } from '../foundation/api/request.ts'

const withBooking = (bookingId: string | undefined) => (bookingId ? { bookingId } : {})

const rigApi = api.injectEndpoints({
  endpoints: (build) => ({
    minutes: build.query<ReplyOf<'get /setups/:id/minutes'>, string>({
      query: (id) => request('get /setups/:id/minutes', { id }),
      providesTags: readsOf('minutes'),
    }),
    changeOver: build.query<ReplyOf<'get /setups/:id/change-over'>, { id: string; fromId: string }>({
      query: ({ id, fromId }) => request('get /setups/:id/change-over', { id, query: { fromId } }),
      providesTags: readsOf('changeOver'),
    }),
    bookingChangeOver: build.query<ReplyOf<'get /bookings/:id/change-over'>, string>({
      query: (id) => request('get /bookings/:id/change-over', { id }),
      providesTags: readsOf('bookingChangeOver'),
    }),
    cameras: build.query<ReplyOf<'get /cameras'>, void>({
      query: () => request('get /cameras'),
      providesTags: readsOf('cameras'),
    }),
    looks: build.query<ReplyOf<'get /setups/:id/looks'>, string>({
      query: (id) => request('get /setups/:id/looks', { id }),
      providesTags: readsOf('looks'),
    }),
    start: build.query<ReplyOf<'get /setups/:id/start'>, { id: string; bookingId?: string }>({
      query: ({ id, bookingId }) => request('get /setups/:id/start', { id, query: withBooking(bookingId) }),
      providesTags: readsOf('start'),
    }),
    soundRoutes: build.query<ReplyOf<'get /setups/:id/sound-routes'>, { id: string; bookingId?: string }>({
      query: ({ id, bookingId }) => request('get /setups/:id/sound-routes', { id, query: withBooking(bookingId) }),
      providesTags: readsOf('soundRoutes'),
    }),
    swap: build.query<
      ReplyOf<'get /setups/:id/swap'>,
      { id: string; bookingId?: string; unitId: string; byUnitId: string }
    >({
      query: ({ id, bookingId, unitId, byUnitId }) =>
        request('get /setups/:id/swap', { id, query: { unitId, byUnitId, ...withBooking(bookingId) } }),
      providesTags: readsOf('swap'),
    }),
  }),
})

export const {
  useMinutesQuery,
  useChangeOverQuery,
  useBookingChangeOverQuery,
  useCamerasQuery,
  useLooksQuery,
  useStartQuery,
  useSoundRoutesQuery,
  useSwapQuery,
} = rigApi
