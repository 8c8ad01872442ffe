import type { NewReading, ReplyOf } from '@exemplar/core'
import { api } from '../foundation/api/api.ts'
import { readsOf } from '../foundation/api/reads.ts'
import { request } from '../foundation/api/request.ts'

const readingApi = api.injectEndpoints({
  endpoints: (build) => ({
    readings: build.query<ReplyOf<'get /readings'>, void>({
      query: () => request('get /readings'),
      providesTags: readsOf('readings'),
    }),
    sendReading: build.mutation<ReplyOf<'post /readings'>, NewReading>({
      query: (body) => request('post /readings', { body }),
    }),
  }),
})

export const { useReadingsQuery, useSendReadingMutation } = readingApi
