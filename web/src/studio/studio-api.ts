import type {
  AccessRole,
  Attachment,
  DrillFault,
  FindingLevel,
  NewFilm,
  NewParty,
  NewPerson,
  NewPlace,
  QueryOf,
  ReplyOf,
} from '@exemplar/core'
import { api, type Versioned } from '../foundation/api/api.ts'
import { readsOf, TAGS } from '../foundation/api/reads.ts'
import { request } from '../foundation/api/request.ts'
export type AttachmentRow = Attachment & { level?: FindingLevel }

const studioApi = api.injectEndpoints({
  endpoints: (build) => ({
    addPerson: build.mutation<ReplyOf<'post /people'>, NewPerson>({
      query: (body) => request('post /people', { body }),
    }),
    changePerson: build.mutation<ReplyOf<'put /people/:id'>, Versioned<NewPerson>>({
      query: ({ id, version, body }) => request('put /people/:id', { id, version, body }),
    }),
    archivePerson: build.mutation<ReplyOf<'delete /people/:id'>, { id: string; version: number }>({
      query: ({ id, version }) => request('delete /people/:id', { id, version }),
    }),
    party: build.query<ReplyOf<'get /parties/:id'>, string>({
      query: (id) => request('get /parties/:id', { id }),
      providesTags: readsOf('party'),
    }),
    addParty: build.mutation<ReplyOf<'post /parties'>, NewParty>({
      query: (body) => request('post /parties', { body }),
    }),
    changeParty: build.mutation<ReplyOf<'put /parties/:id'>, Versioned<NewParty>>({
      query: ({ id, version, body }) => request('put /parties/:id', { id, version, body }),
    }),
    archiveParty: build.mutation<ReplyOf<'delete /parties/:id'>, { id: string; version: number }>({
      query: ({ id, version }) => request('delete /parties/:id', { id, version }),
    }),
    place: build.query<ReplyOf<'get /places/:id'>, string>({
      query: (id) => request('get /places/:id', { id }),
      providesTags: readsOf('place'),
    }),
    placeSun: build.query<ReplyOf<'get /places/:id/sun'>, { id: string; date?: string | undefined }>({
      query: ({ id, date }) => request('get /places/:id/sun', { id, query: date ? { date } : {} }),
      providesTags: readsOf('placeSun'),
    }),
    addPlace: build.mutation<ReplyOf<'post /places'>, NewPlace>({
      query: (body) => request('post /places', { body }),
    }),
    changePlace: build.mutation<ReplyOf<'put /places/:id'>, Versioned<NewPlace>>({
      query: ({ id, version, body }) => request('put /places/:id', { id, version, body }),
    }),
    archivePlace: build.mutation<ReplyOf<'delete /places/:id'>, { id: string; version: number }>({
      query: ({ id, version }) => request('delete /places/:id', { id, version }),
    }),
    films: build.query<ReplyOf<'get /films'>, void>({
      query: () => request('get /films'),
      providesTags: readsOf('films'),
    }),
    addFilm: build.mutation<ReplyOf<'post /films'>, NewFilm>({
      query: (body) => request('post /films', { body }),
    }),
    changeFilm: build.mutation<ReplyOf<'put /films/:id'>, Versioned<NewFilm>>({
      query: ({ id, version, body }) => request('put /films/:id', { id, version, body }),
    }),
    accounts: build.query<ReplyOf<'get /access/accounts'>, void>({
      query: () => request('get /access/accounts'),
      providesTags: readsOf('accounts'),
    }),
    invite: build.mutation<
      ReplyOf<'post /access/invitations'>,
      { personId: string; signInName: string; role: AccessRole }
    >({
      query: (body) => request('post /access/invitations', { body }),
    }),
    resetAccount: build.mutation<ReplyOf<'post /access/accounts/:id/reset'>, { id: string; version: number }>({
      query: ({ id, version }) => request('post /access/accounts/:id/reset', { id, version }),
    }),
    changeAccount: build.mutation<
      ReplyOf<'put /access/accounts/:id'>,
      Versioned<{ role: AccessRole; isDisabled: boolean }>
    >({
      query: ({ id, version, body }) => request('put /access/accounts/:id', { id, version, body }),
    }),
    endSessions: build.mutation<void, string>({
      query: (id) => request('post /access/accounts/:id/sign-out-everywhere', { id }),
      invalidatesTags: ['people'],
    }),
    changePassword: build.mutation<ReplyOf<'post /access/password'>, { old: string; password: string }>({
      query: (body) => request('post /access/password', { body }),
    }),
    changes: build.query<ReplyOf<'get /changes'>, { before?: number }>({
      query: (params) => request('get /changes', { query: params }),
      providesTags: readsOf('changes'),
    }),
    backups: build.query<ReplyOf<'get /backups'>, void>({
      query: () => request('get /backups'),
      providesTags: readsOf('backups'),
    }),
    takeBackup: build.mutation<ReplyOf<'post /backups'>, void>({
      query: () => request('post /backups'),
      invalidatesTags: ['backups'],
    }),
    uploadBackup: build.mutation<ReplyOf<'post /backups/upload'>, File>({
      query: (file) => request('post /backups/upload', { body: file, headers: { 'Content-Type': 'application/zip' } }),
      invalidatesTags: ['backups'],
    }),
    checkBackup: build.query<ReplyOf<'get /backups/:name/check'>, string>({
      query: (name) => request('get /backups/:name/check', { name }),
    }),
    restoreBackup: build.mutation<
      ReplyOf<'post /backups/:name/restore'>,
      { name: string; lost: number; withAccounts: boolean }
    >({
      query: ({ name, ...body }) => request('post /backups/:name/restore', { name, body }),
      invalidatesTags: TAGS,
    }),
    dropBackup: build.mutation<void, string>({
      query: (name) => request('delete /backups/:name', { name }),
      invalidatesTags: ['backups'],
    }),
    drill: build.mutation<ReplyOf<'post /backups/drill'>, DrillFault>({
      query: (fault) => request('post /backups/drill', { body: { fault } }),
    }),
    sessions: build.query<ReplyOf<'get /access/sessions'>, void>({
      query: () => request('get /access/sessions'),
      providesTags: ['Me'],
    }),
    dropSession: build.mutation<void, string>({
      query: (id) => request('delete /access/sessions/:id', { id }),
      invalidatesTags: ['Me'],
    }),
    signIns: build.query<ReplyOf<'get /access/sign-ins'>, void>({
      query: () => request('get /access/sign-ins'),
      providesTags: ['Me', 'history'],
    }),
    beginSecondFactor: build.mutation<ReplyOf<'post /access/second-factor'>, void>({
      query: () => request('post /access/second-factor'),
    }),
    turnSecondFactorOn: build.mutation<ReplyOf<'put /access/second-factor'>, string>({
      query: (code) => request('put /access/second-factor', { body: { code } }),
      invalidatesTags: ['Me'],
    }),
    turnSecondFactorOff: build.mutation<void, void>({
      query: () => request('delete /access/second-factor'),
      invalidatesTags: ['Me'],
    }),
    health: build.query<ReplyOf<'get /health'>, void>({
      query: () => request('get /health'),
      providesTags: readsOf('health'),
    }),
    attachments: build.query<ReplyOf<'get /attachments'>, QueryOf<'get /attachments'>>({
      query: (params) => request('get /attachments', { query: params }),
      providesTags: readsOf('attachments'),
    }),
    attach: build.mutation<ReplyOf<'post /attachments'>, QueryOf<'get /attachments'> & { file: File }>({
      query: ({ subjectType, subjectId, file }) =>
        request('post /attachments', {
          query: { subjectType, subjectId, name: file.name },
          body: file,
          headers: { 'Content-Type': file.type || 'application/octet-stream' },
        }),
    }),
    detach: build.mutation<ReplyOf<'delete /attachments/:id'>, { id: string; version: number }>({
      query: ({ id, version }) => request('delete /attachments/:id', { id, version }),
    }),
  }),
})

export const {
  useAddPersonMutation,
  useChangePersonMutation,
  useArchivePersonMutation,
  usePartyQuery,
  useAddPartyMutation,
  useChangePartyMutation,
  useArchivePartyMutation,
  usePlaceQuery,
  usePlaceSunQuery,
  useAddPlaceMutation,
  useChangePlaceMutation,
  useArchivePlaceMutation,
  useFilmsQuery,
  useAddFilmMutation,
  useChangeFilmMutation,
  useAccountsQuery,
  useInviteMutation,
  useResetAccountMutation,
  useChangeAccountMutation,
  useEndSessionsMutation,
  useChangePasswordMutation,
  useChangesQuery,
  useBackupsQuery,
  useTakeBackupMutation,
  useUploadBackupMutation,
  useLazyCheckBackupQuery,
  useRestoreBackupMutation,
  useDropBackupMutation,
  useDrillMutation,
  useSessionsQuery,
  useDropSessionMutation,
  useSignInsQuery,
  useBeginSecondFactorMutation,
  useTurnSecondFactorOnMutation,
  useTurnSecondFactorOffMutation,
  useHealthQuery,
  useAttachmentsQuery,
  useAttachMutation,
  useDetachMutation,
} = studioApi
