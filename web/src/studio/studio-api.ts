import type {
  AccessRole,
  Attachment,
  Film,
  FindingLevel,
  LifeState,
  NewFilm,
  NewParty,
  NewPerson,
  NewPlace,
  Party,
  Person,
  Place,
  PlaceFinding,
  PlaceKind,
} from '@exemplar/core'
import { api, change, type Versioned } from '../foundation/api/api.ts'
import { readsOf, TAGS } from '../foundation/api/reads.ts'

export interface PlacePageReply extends Place {
  findings: PlaceFinding[]
  living: { unitId: string; tag: string; name: string; massGrams: number | null }[]
  inside: { id: string; name: string; kind: PlaceKind }[]
  ahead: { id: string; title: string; startsAt: string; endsAt: string; kind: string }[]
  fits: {
    unitId: string
    tag: string
    name: string
    standsIn: boolean | null
    widestMm: number | null
    throughDoor: string | false | null
  }[]
}

export interface PartyPageReply extends Party {
  entries: { id: string; date: string; description: string; netMinor: number | null; taxMinor: number | null }[]
  units: { id: string; tag: string; acquisition: string; dueOn: string | null; state: LifeState }[]
}

export interface AccountRow {
  personId: string
  name: string
  signInName: string
  role: AccessRole
  isOwner: boolean
  disabledAt: number | null
  hasPassword: boolean
  version: number
}

export interface ChangeRow {
  id: number
  at: number
  person: string | null
  undoes: number | null
  events: { kind: string; subjectType: string; subjectId: string; name: string; data: Record<string, unknown> }[]
  more: number
  isUndone: boolean
  canUndo: boolean
}

export interface BackupRow {
  name: string
  bytes: number
  takenAt: number
  kind: 'hand' | 'auto' | 'before' | 'upload'
}
export type PracticeState = 'fine' | 'full' | 'slow' | 'gone'

export interface BackupCheck {
  takenAt: number
  units: number
  files: number
  lastChangeAt: number
  lost: number
}

export interface Invitation {
  token: string
  expiresAt: number
}

export interface HealthReply {
  ok: boolean
  problems: { code: string; text: string }[]
}

export type FilmRow = Omit<Film, 'copies'> & { copies: (Film['copies'][number] & { tag: string })[] }
export type AttachmentRow = Attachment & { level?: FindingLevel }

const studioApi = api.injectEndpoints({
  endpoints: (build) => ({
    addPerson: build.mutation<Person, NewPerson>({
      query: (body) => ({ url: '/people', method: 'POST', body }),
    }),
    changePerson: build.mutation<Person, Versioned<NewPerson>>({
      query: ({ id, version, body }) => ({ url: `/people/${id}`, method: 'PUT', body, headers: change(version) }),
    }),
    archivePerson: build.mutation<void, { id: string; version: number }>({
      query: ({ id, version }) => ({ url: `/people/${id}`, method: 'DELETE', headers: change(version) }),
    }),
    party: build.query<PartyPageReply, string>({ query: (id) => `/parties/${id}`, providesTags: readsOf('party') }),
    addParty: build.mutation<Party, NewParty>({
      query: (body) => ({ url: '/parties', method: 'POST', body }),
    }),
    changeParty: build.mutation<Party, Versioned<NewParty>>({
      query: ({ id, version, body }) => ({ url: `/parties/${id}`, method: 'PUT', body, headers: change(version) }),
    }),
    archiveParty: build.mutation<void, { id: string; version: number }>({
      query: ({ id, version }) => ({ url: `/parties/${id}`, method: 'DELETE', headers: change(version) }),
    }),
    place: build.query<PlacePageReply, string>({ query: (id) => `/places/${id}`, providesTags: readsOf('place') }),
    addPlace: build.mutation<Place, NewPlace>({
      query: (body) => ({ url: '/places', method: 'POST', body }),
    }),
    changePlace: build.mutation<Place, Versioned<NewPlace>>({
      query: ({ id, version, body }) => ({ url: `/places/${id}`, method: 'PUT', body, headers: change(version) }),
    }),
    archivePlace: build.mutation<void, { id: string; version: number }>({
      query: ({ id, version }) => ({ url: `/places/${id}`, method: 'DELETE', headers: change(version) }),
    }),
    films: build.query<FilmRow[], void>({ query: () => '/films', providesTags: readsOf('films') }),
    addFilm: build.mutation<Film, NewFilm>({
      query: (body) => ({ url: '/films', method: 'POST', body }),
    }),
    changeFilm: build.mutation<Film, Versioned<NewFilm>>({
      query: ({ id, version, body }) => ({ url: `/films/${id}`, method: 'PUT', body, headers: change(version) }),
    }),
    accounts: build.query<AccountRow[], void>({ query: () => '/access/accounts', providesTags: readsOf('accounts') }),
    invite: build.mutation<Invitation, { personId: string; signInName: string; role: AccessRole }>({
      query: (body) => ({ url: '/access/invitations', method: 'POST', body }),
    }),
    resetAccount: build.mutation<Invitation, { id: string; version: number }>({
      query: ({ id, version }) => ({
        url: `/access/accounts/${id}/reset`,
        method: 'POST',
        body: {},
        headers: change(version),
      }),
    }),
    changeAccount: build.mutation<unknown, Versioned<{ role: AccessRole; isDisabled: boolean }>>({
      query: ({ id, version, body }) => ({
        url: `/access/accounts/${id}`,
        method: 'PUT',
        body,
        headers: change(version),
      }),
    }),
    endSessions: build.mutation<void, string>({
      query: (id) => ({ url: `/access/accounts/${id}/sign-out-everywhere`, method: 'POST', body: {} }),
      invalidatesTags: ['people'],
    }),
    changePassword: build.mutation<unknown, { old: string; password: string }>({
      query: (body) => ({ url: '/access/password', method: 'POST', body }),
    }),
    changes: build.query<ChangeRow[], { before?: number }>({
      query: (params) => ({ url: '/changes', params }),
      providesTags: readsOf('changes'),
    }),
    backups: build.query<{ backups: BackupRow[]; practice: PracticeState | null; isThere: boolean }, void>({
      query: () => '/backups',
      providesTags: readsOf('backups'),
    }),
    takeBackup: build.mutation<BackupRow, void>({
      query: () => ({ url: '/backups', method: 'POST', body: {} }),
      invalidatesTags: ['backups'],
    }),
    uploadBackup: build.mutation<BackupRow, File>({
      query: (file) => ({
        url: '/backups/upload',
        method: 'POST',
        body: file,
        headers: { 'Content-Type': 'application/zip' },
      }),
      invalidatesTags: ['backups'],
    }),
    checkBackup: build.query<BackupCheck, string>({ query: (name) => `/backups/${name}/check` }),
    restoreBackup: build.mutation<{ lost: number; safety: BackupRow }, { name: string; lost: number }>({
      query: ({ name, lost }) => ({ url: `/backups/${name}/restore`, method: 'POST', body: { lost } }),
      invalidatesTags: TAGS,
    }),
    dropBackup: build.mutation<void, string>({
      query: (name) => ({ url: `/backups/${name}`, method: 'DELETE' }),
      invalidatesTags: ['backups'],
    }),
    practise: build.mutation<unknown, PracticeState>({
      query: (state) => ({ url: '/backups/practice', method: 'PUT', body: { state } }),
      invalidatesTags: ['backups'],
    }),
    health: build.query<HealthReply, void>({ query: () => '/health', providesTags: readsOf('health') }),
    attachments: build.query<Attachment[], { subjectType: string; subjectId: string }>({
      query: (params) => ({ url: '/attachments', params }),
      providesTags: readsOf('attachments'),
    }),
    attach: build.mutation<Attachment, { subjectType: string; subjectId: string; file: File }>({
      query: ({ subjectType, subjectId, file }) => ({
        url: '/attachments',
        method: 'POST',
        params: { subjectType, subjectId, name: file.name },
        body: file,
        headers: { 'Content-Type': file.type || 'application/octet-stream' },
      }),
    }),
    detach: build.mutation<void, { id: string; version: number }>({
      query: ({ id, version }) => ({ url: `/attachments/${id}`, method: 'DELETE', headers: change(version) }),
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
  usePractiseMutation,
  useHealthQuery,
  useAttachmentsQuery,
  useAttachMutation,
  useDetachMutation,
} = studioApi
