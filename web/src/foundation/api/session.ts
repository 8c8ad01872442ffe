import { type AccessRole, type Action, may } from '@exemplar/core'
import { api } from './api.ts'
import { TAGS } from './reads.ts'

export interface MeReply {
  person: { id: string; name: string } | null
  role: AccessRole | null
  isOwner: boolean
  needsOwner: boolean
  canStepIn: boolean
  isEmpty: boolean
}

export interface FirstRun {
  name: string
  signInName: string
  password: string
  start: 'empty' | 'demo'
  code: string
}

const sessionApi = api.injectEndpoints({
  endpoints: (build) => ({
    me: build.query<MeReply, void>({ query: () => '/access/me', providesTags: ['Me'] }),
    firstRun: build.mutation<MeReply, FirstRun>({
      query: (body) => ({ url: '/access/first-run', method: 'POST', body }),
      invalidatesTags: TAGS,
    }),
    signIn: build.mutation<MeReply, { signInName: string; password: string }>({
      query: (body) => ({ url: '/access/sign-in', method: 'POST', body }),
      invalidatesTags: TAGS,
    }),
    stepIn: build.mutation<MeReply, AccessRole>({
      query: (role) => ({ url: '/access/step-in', method: 'POST', body: { role } }),
      invalidatesTags: TAGS,
    }),
    signOut: build.mutation<void, { everywhere: boolean }>({
      query: ({ everywhere }) => ({
        url: everywhere ? '/access/sign-out-everywhere' : '/access/sign-out',
        method: 'POST',
        body: {},
      }),
      invalidatesTags: ['Me'],
    }),
    invitation: build.query<{ name: string; signInName: string }, string>({
      query: (token) => `/access/invitations/${token}`,
    }),
    join: build.mutation<MeReply, { token: string; password: string }>({
      query: ({ token, password }) => ({ url: `/access/invitations/${token}`, method: 'POST', body: { password } }),
      invalidatesTags: TAGS,
    }),
    undoChange: build.mutation<{ changeId: number }, number>({
      query: (id) => ({ url: `/changes/${id}/undo`, method: 'POST', body: {} }),
    }),
  }),
})

export const {
  useMeQuery,
  useFirstRunMutation,
  useSignInMutation,
  useStepInMutation,
  useSignOutMutation,
  useInvitationQuery,
  useJoinMutation,
  useUndoChangeMutation,
} = sessionApi
export const undoChange = sessionApi.endpoints.undoChange

/** Asks what the person who is signed in may do; pages show no button that would be refused. */
export function useMay(): (action: Action) => boolean {
  const { data } = useMeQuery()
  return (action) => may(data?.role ?? null, action)
}
