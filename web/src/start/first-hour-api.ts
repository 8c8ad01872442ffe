import type { BodyOf, ReplyOf } from '@exemplar/core'
import { api } from '../foundation/api/api.ts'
import { request } from '../foundation/api/request.ts'

export type FirstAnswers = BodyOf<'post /first-hour'>

const firstHourApi = api.injectEndpoints({
  endpoints: (build) => ({
    begin: build.mutation<ReplyOf<'post /first-hour'>, FirstAnswers>({
      query: (body) => request('post /first-hour', { body }),
    }),
  }),
})

export const { useBeginMutation } = firstHourApi
