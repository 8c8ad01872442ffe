import type { ReplyOf } from '@exemplar/core'
import { useEffect } from 'react'
import { api } from '../foundation/api/api.ts'
import { readsOf } from '../foundation/api/reads.ts'
import { request } from '../foundation/api/request.ts'

const resilienceApi = api.injectEndpoints({
  endpoints: (build) => ({
    resilience: build.query<ReplyOf<'get /resilience'>, void>({
      query: () => request('get /resilience'),
      providesTags: readsOf('resilience'),
    }),
  }),
})

const { useResilienceQuery } = resilienceApi

/** It is hundreds of verdicts: what was found so far is told, and the rest asked for until all of it is there. */
export function useWholeResilience() {
  const query = useResilienceQuery()
  const { data, error, isFetching, refetch } = query
  const isUnfinished = data !== undefined && data.done < data.of
  useEffect(() => {
    if (isUnfinished && !isFetching && !error) refetch()
  }, [isUnfinished, isFetching, error, refetch])
  return { ...query, isUnfinished }
}
