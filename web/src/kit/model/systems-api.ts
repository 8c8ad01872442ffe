import type { BodyPoints, Conformity, HeadWeight, MakerMix, PolicyRef, Portability, SystemShare } from '@exemplar/core'
import { api } from '../../foundation/api/api.ts'
import { readsOf } from '../../foundation/api/reads.ts'

export interface SystemsReply {
  systems: SystemShare[]
  follows: PolicyRef
  plates: { code: string; label: string }[]
  plate: string
  conformity: Conformity
  portability: Portability[]
  bodies: BodyPoints[]
  mixes: MakerMix[]
  modifiers: HeadWeight[]
}

const systemsApi = api.injectEndpoints({
  endpoints: (build) => ({
    systems: build.query<SystemsReply, { plate?: string; eachMinor: number | null }>({
      query: ({ plate, eachMinor }) => ({
        url: '/systems',
        params: { ...(plate ? { plate } : {}), ...(eachMinor !== null ? { eachMinor } : {}) },
      }),
      providesTags: readsOf('systems'),
    }),
  }),
})

export const { useSystemsQuery } = systemsApi
