import type { BodyOf, ReplyOf } from '@exemplar/core'
import { api } from '../foundation/api/api.ts'
import { request } from '../foundation/api/request.ts'

export type FirstAnswers = BodyOf<'post /first-hour'>

const firstHourApi = api.injectEndpoints({
  endpoints: (build) => ({
    begin: build.mutation<ReplyOf<'post /first-hour'>, FirstAnswers>({
      query: (body) => request('post /first-hour', { body }),
    }),
    startExample: build.mutation<
      ReplyOf<'post /examples/:code'>,
      { code: string; body: BodyOf<'post /examples/:code'> }
    >({
      query: ({ code, body }) => request('post /examples/:code', { code, body }),
    }),
  }),
})

export const { useBeginMutation, useStartExampleMutation } = firstHourApi
