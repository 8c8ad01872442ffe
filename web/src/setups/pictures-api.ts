import type { ReplyOf } from '@exemplar/core'
import { api } from '../foundation/api/api.ts'
import { readsOf } from '../foundation/api/reads.ts'
import { request } from '../foundation/api/request.ts'

interface Occasion {
  id: string
  bookingId: string | undefined
}

const withBooking = (bookingId: string | undefined) => (bookingId ? { bookingId } : {})

const picturesApi = api.injectEndpoints({
  endpoints: (build) => ({
    pictureAndLight: build.query<ReplyOf<'get /setups/:id/picture-and-light'>, Occasion>({
      query: ({ id, bookingId }) => request('get /setups/:id/picture-and-light', { id, query: withBooking(bookingId) }),
      providesTags: readsOf('pictureAndLight'),
    }),
    pictures: build.query<ReplyOf<'get /setups/:id/pictures'>, Occasion>({
      query: ({ id, bookingId }) => request('get /setups/:id/pictures', { id, query: withBooking(bookingId) }),
      providesTags: readsOf('pictures'),
    }),
    joints: build.query<ReplyOf<'get /setups/:id/joints'>, Occasion & { key: string }>({
      query: ({ id, bookingId, key }) =>
        request('get /setups/:id/joints', { id, query: { key, ...withBooking(bookingId) } }),
      providesTags: readsOf('joints'),
    }),
    pictureChanges: build.query<
      ReplyOf<'get /setups/:id/picture-changes'>,
      Occasion & { otherId: string; otherBookingId?: string }
    >({
      query: ({ id, bookingId, ...other }) =>
        request('get /setups/:id/picture-changes', { id, query: { ...other, ...withBooking(bookingId) } }),
      providesTags: readsOf('pictureChanges'),
    }),
  }),
})

export const { usePictureAndLightQuery, usePicturesQuery, useJointsQuery, usePictureChangesQuery } = picturesApi

/** Asks once what a thing could join, as while it is dragged; nobody waits for it to change. */
export const askJoints = (asked: Occasion & { key: string }) =>
  picturesApi.endpoints.joints.initiate(asked, { subscribe: false, forceRefetch: false })
