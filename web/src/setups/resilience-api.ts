import type { SinglePoint, SinglePointOfFailure, Tape } from '@exemplar/core'
import { api } from '../foundation/api/api.ts'
import { readsOf } from '../foundation/api/reads.ts'

export interface ResilienceReply {
  points: SinglePoint[]
  setups: { id: string; code: string; tape: Tape; name: string; losses: SinglePointOfFailure[] }[]
}

const resilienceApi = api.injectEndpoints({
  endpoints: (build) => ({
    resilience: build.query<ResilienceReply, void>({ query: () => '/resilience', providesTags: readsOf('resilience') }),
  }),
})

export const { useResilienceQuery } = resilienceApi
