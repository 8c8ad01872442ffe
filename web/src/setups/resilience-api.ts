import type { SinglePoint, SinglePointOfFailure, Tape } from '@exemplar/core'
import { api } from '../foundation/api/api.ts'

export interface ResilienceReply {
  points: SinglePoint[]
  setups: { id: string; code: string; tape: Tape; name: string; losses: SinglePointOfFailure[] }[]
}

const resilienceApi = api.injectEndpoints({
  endpoints: (build) => ({
    resilience: build.query<ResilienceReply, void>({ query: () => '/resilience', providesTags: ['All'] }),
  }),
})

export const { useResilienceQuery } = resilienceApi
