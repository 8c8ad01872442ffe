import type { BodyOf, ReplyOf } from '@exemplar/core'
import { api } from '../../foundation/api/api.ts'
import { readsOf } from '../../foundation/api/reads.ts'
import { request } from '../../foundation/api/request.ts'

const decisionApi = api.injectEndpoints({
  endpoints: (build) => ({
    decisions: build.query<ReplyOf<'get /decisions'>, void>({
      query: () => request('get /decisions'),
      providesTags: readsOf('decisions'),
    }),
    keepDecision: build.mutation<ReplyOf<'post /decisions'>, BodyOf<'post /decisions'>>({
      query: (body) => request('post /decisions', { body }),
    }),
    correctDecision: build.mutation<
      ReplyOf<'put /decisions/:id'>,
      { id: string; version: number; body: BodyOf<'put /decisions/:id'> }
    >({ query: ({ id, version, body }) => request('put /decisions/:id', { id, version, body }) }),
  }),
})

export const { useDecisionsQuery, useKeepDecisionMutation, useCorrectDecisionMutation } = decisionApi
