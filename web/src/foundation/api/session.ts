import { type AccessRole, type Action, may, type ReplyOf } from '@exemplar/core'
import { api } from './api.ts'
import { TAGS } from './reads.ts'
import { request } from './request.ts'

export interface FirstRun {
  name: string
  signInName: string
  password: string
  start: 'empty' | 'demo'
  code: string
}

const sessionApi = api.injectEndpoints({
  endpoints: (build) => ({
    me: build.query<ReplyOf<'get /access/me'>, void>({ query: () => request('get /access/me'), providesTags: ['Me'] }),
    firstRun: build.mutation<ReplyOf<'post /access/first-run'>, FirstRun>({
      query: (body) => request('post /access/first-run', { body }),
      invalidatesTags: TAGS,
    }),
    signIn: build.mutation<ReplyOf<'post /access/sign-in'>, { signInName: string; password: string; code: string }>({
      query: (body) => request('post /access/sign-in', { body }),
      invalidatesTags: TAGS,
    }),
    confirm: build.mutation<ReplyOf<'post /access/confirm'>, { password: string; code: string }>({
      query: (body) => request('post /access/confirm', { body }),
      invalidatesTags: ['Me'],
    }),
    stepIn: build.mutation<ReplyOf<'post /access/step-in'>, AccessRole>({
      query: (role) => request('post /access/step-in', { body: { role } }),
      invalidatesTags: TAGS,
    }),
    signOut: build.mutation<void, { everywhere: boolean }>({
      query: ({ everywhere }) => request(everywhere ? 'post /access/sign-out-everywhere' : 'post /access/sign-out'),
      invalidatesTags: ['Me'],
    }),
    invitation: build.query<ReplyOf<'get /access/invitations/:token'>, string>({
      query: (token) => request('get /access/invitations/:token', { token }),
    }),
    join: build.mutation<ReplyOf<'post /access/invitations/:token'>, { token: string; password: string }>({
      query: ({ token, password }) => request('post /access/invitations/:token', { token, body: { password } }),
      invalidatesTags: TAGS,
    }),
    undoChange: build.mutation<ReplyOf<'post /changes/:id/undo'>, number>({
      query: (id) => request('post /changes/:id/undo', { id }),
    }),
  }),
})

export const {
  useMeQuery,
  useFirstRunMutation,
  useSignInMutation,
  useConfirmMutation,
  useStepInMutation,
  useSignOutMutation,
  useInvitationQuery,
  useJoinMutation,
  useUndoChangeMutation,
} = sessionApi
/** Asks anew who is signed in, past what is remembered. */
export const askMe = () => sessionApi.endpoints.me.initiate(undefined, { forceRefetch: true, subscribe: false })
export const undoChange = sessionApi.endpoints.undoChange

/** Asks what the person who is signed in may do; pages show no button that would be refused. */
export function useMay(): (action: Action) => boolean {
  const { data } = useMeQuery()
  return (action) => may(data?.role ?? null, action)
}
