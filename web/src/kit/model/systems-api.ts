import type { ReplyOf } from '@exemplar/core'
import { api } from '../../foundation/api/api.ts'
import { readsOf } from '../../foundation/api/reads.ts'
import { request } from '../../foundation/api/request.ts'

const systemsApi = api.injectEndpoints({
  endpoints: (build) => ({
    systems: build.query<ReplyOf<'get /systems'>, { plate?: string; eachMinor: number | null }>({
      query: ({ plate, eachMinor }) =>
        request('get /systems', {
          query: { ...(plate ? { plate } : {}), ...(eachMinor !== null ? { eachMinor } : {}) },
        }),
      providesTags: readsOf('systems'),
    }),
  }),
})

export const { useSystemsQuery } = systemsApi
