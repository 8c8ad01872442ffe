import type {
  Entry,
  FindingHelp,
  Interface,
  InventoryColumn,
  KitFilter,
  NewBooking,
  NewEntry,
  NewFault,
  NewSetup,
  NewShoppingLine,
  NewUnit,
  Party,
  Person,
  Place,
  Readiness,
  Setup,
  ShoppingLine,
  StudioSettings,
  Unit,
} from '@exemplar/core'
import {
  type BaseQueryFn,
  createApi,
  type FetchArgs,
  type FetchBaseQueryError,
  fetchBaseQuery,
} from '@reduxjs/toolkit/query/react'
import { noteChange } from './last-change.ts'
import { readsOf, readTags, TAGS } from './reads.ts'
import type {
  BenchReply,
  Booking,
  BookingCheck,
  BookingPage,
  DiaryReply,
  EntryRow,
  EventRow,
  FindReply,
  ImportReport,
  MoveCheckReply,
  SetupCard,
  SetupPage,
  SpendingReply,
  StockRow,
  StudioReply,
  ThingChoices,
  TodayReply,
  UnitPage,
  UnitRow,
} from './replies.ts'

/** One page of the list of things. */
export interface UnitPageReply {
  rows: UnitRow[]
  next: string | null
  isNear: boolean
}

export interface Versioned<T> {
  id: string
  version: number
  body: T
}

export interface ImportRequest {
  csv: string
  leaveOut: number[]
  /** Lines that are a further piece, although one like it is here. */
  asNew: number[]
  columns: (InventoryColumn | '')[] | null
  corrections: { line: number; column: string; value: string }[]
}

export type UnitFilter = KitFilter & { limit?: number; after?: string }

export interface QuickEntry {
  category: string
  maker: string
  name: string
  placeId: string | null
  facts: Record<string, string | number | null>
  specs?: Record<string, string | number>
  nickname?: string
}

export const change = (version: number) => ({ 'If-Match': `"${version}"` })

const bare = fetchBaseQuery({ baseUrl: '/api' })

/**
 * Notes which change a write was and has all that follows from what it touched loaded again; where the session is over, asks
 * anew who is signed in, which shows the way back.
 */
const ask: BaseQueryFn<string | FetchArgs, unknown, FetchBaseQueryError> = async (args, store, extra) => {
  const result = await bare(args, store, extra)
  const headers = result.meta?.response?.headers
  const changeId = noteChange(result.data, headers?.get('x-exemplar-change') ?? null)
  if (changeId !== null) store.dispatch(api.util.invalidateTags(readTags(headers?.get('x-exemplar-subjects') ?? '')))
  if (result.error?.status === 401 && store.endpoint !== 'me' && store.endpoint !== 'signIn') {
    store.dispatch(api.util.invalidateTags(['Me']))
  }
  return result
}

export const api = createApi({
  reducerPath: 'api',
  baseQuery: ask,
  tagTypes: TAGS,
  refetchOnFocus: true,
  refetchOnReconnect: true,
  endpoints: (build) => ({
    studio: build.query<StudioReply, void>({ query: () => '/studio', providesTags: readsOf('studio') }),
    changeStudio: build.mutation<StudioReply, { version: number; body: StudioSettings }>({
      query: ({ version, body }) => ({ url: '/studio', method: 'PUT', body, headers: change(version) }),
    }),
    people: build.query<Person[], void>({ query: () => '/people', providesTags: readsOf('people') }),
    parties: build.query<Party[], void>({ query: () => '/parties', providesTags: readsOf('parties') }),
    places: build.query<Place[], void>({ query: () => '/places', providesTags: readsOf('places') }),
    events: build.query<EventRow[], { subjectType: string; subjectId: string }>({
      query: (params) => ({ url: '/events', params }),
      providesTags: (_reply, _error, { subjectType }) => readsOf(subjectType === 'setup' ? 'setupEvents' : 'events'),
    }),
    interfaces: build.query<Interface[], void>({ query: () => '/interfaces', providesTags: readsOf('interfaces') }),
    units: build.query<UnitPageReply, UnitFilter>({
      query: (params) => ({ url: '/units', params }),
      providesTags: readsOf('units'),
    }),
    unitPages: build.infiniteQuery<UnitPageReply, UnitFilter, string | null>({
      infiniteQueryOptions: { initialPageParam: null, getNextPageParam: (last) => last.next ?? undefined },
      query: ({ queryArg, pageParam }) => ({
        url: '/units',
        params: pageParam === null ? queryArg : { ...queryArg, after: pageParam },
      }),
      providesTags: readsOf('units'),
    }),
    unitCount: build.query<{ units: number; models: number }, KitFilter>({
      query: (params) => ({ url: '/units/count', params }),
      providesTags: readsOf('unitCount'),
    }),
    unit: build.query<UnitPage, string>({ query: (id) => `/units/${id}`, providesTags: readsOf('unit') }),
    addUnit: build.mutation<Unit, QuickEntry>({
      query: (body) => ({ url: '/units', method: 'POST', body }),
    }),
    changeUnit: build.mutation<Unit, Versioned<Partial<NewUnit>>>({
      query: ({ id, version, body }) => ({ url: `/units/${id}`, method: 'PATCH', body, headers: change(version) }),
    }),
    archiveUnit: build.mutation<void, { id: string; version: number }>({
      query: ({ id, version }) => ({ url: `/units/${id}`, method: 'DELETE', headers: change(version) }),
    }),
    stock: build.query<StockRow[], void>({ query: () => '/stock', providesTags: readsOf('stock') }),
    countStock: build.mutation<StockRow, Versioned<{ quantity: number }>>({
      query: ({ id, version, body }) => ({ url: `/stock/${id}/count`, method: 'POST', body, headers: change(version) }),
    }),
    previewImport: build.mutation<ImportReport, ImportRequest>({
      query: (body) => ({ url: '/import/inventory/preview', method: 'POST', body }),
    }),
    setups: build.query<SetupCard[], void>({ query: () => '/setups', providesTags: readsOf('setups') }),
    setup: build.query<SetupPage, string>({ query: (id) => `/setups/${id}`, providesTags: readsOf('setup') }),
    addSetup: build.mutation<Setup, NewSetup>({
      query: (body) => ({ url: '/setups', method: 'POST', body }),
    }),
    changeSetup: build.mutation<Setup, Versioned<NewSetup>>({
      query: ({ id, version, body }) => ({ url: `/setups/${id}`, method: 'PUT', body, headers: change(version) }),
    }),
    archiveSetup: build.mutation<void, { id: string; version: number }>({
      query: ({ id, version }) => ({ url: `/setups/${id}`, method: 'DELETE', headers: change(version) }),
    }),
    remedies: build.query<FindingHelp, { id: string; bookingId?: string; key: string }>({
      query: ({ id, bookingId, key }) => ({
        url: `/setups/${id}/remedies`,
        params: bookingId ? { bookingId, key } : { key },
      }),
      providesTags: readsOf('remedies'),
    }),
    readiness: build.query<Readiness, { id: string; bookingId?: string }>({
      query: ({ id, bookingId }) => ({ url: `/setups/${id}/readiness`, params: bookingId ? { bookingId } : {} }),
      providesTags: readsOf('readiness'),
    }),
    moveCheck: build.query<MoveCheckReply, { id: string; placeId: string }>({
      query: ({ id, placeId }) => ({ url: `/setups/${id}/move-check`, params: { placeId } }),
      providesTags: readsOf('moveCheck'),
    }),
    things: build.query<ThingChoices, { find: string; category?: string }>({
      query: (params) => ({ url: '/things', params }),
      providesTags: readsOf('things'),
    }),
    diary: build.query<DiaryReply, { from: string; days: number }>({
      query: (params) => ({ url: '/bookings', params }),
      providesTags: readsOf('diary'),
    }),
    booking: build.query<BookingPage, string>({ query: (id) => `/bookings/${id}`, providesTags: readsOf('booking') }),
    bookingTroubles: build.query<BookingCheck, string>({
      query: (id) => `/bookings/${id}/check`,
      providesTags: readsOf('bookingTroubles'),
    }),
    checkBooking: build.query<BookingCheck, { body: NewBooking; except?: string }>({
      query: ({ body, except }) => ({ url: '/bookings/check', method: 'POST', body, params: except ? { except } : {} }),
      providesTags: readsOf('checkBooking'),
    }),
    addBooking: build.mutation<Booking, NewBooking>({
      query: (body) => ({ url: '/bookings', method: 'POST', body }),
    }),
    changeBooking: build.mutation<Booking, Versioned<NewBooking>>({
      query: ({ id, version, body }) => ({ url: `/bookings/${id}`, method: 'PUT', body, headers: change(version) }),
    }),
    takeOut: build.mutation<Booking, Versioned<{ items: { unitId: string | null; stockId: string | null }[] }>>({
      query: ({ id, version, body }) => ({
        url: `/bookings/${id}/take-out`,
        method: 'POST',
        body,
        headers: change(version),
      }),
    }),
    bringBack: build.mutation<
      Booking,
      Versioned<{
        items: {
          unitId: string | null
          stockId: string | null
          fault?: { note: string; severity: 'usable' | 'unusable' } | null
        }[]
        isFinished: boolean
      }>
    >({
      query: ({ id, version, body }) => ({
        url: `/bookings/${id}/bring-back`,
        method: 'POST',
        body,
        headers: change(version),
      }),
    }),
    bench: build.query<BenchReply, void>({ query: () => '/bench', providesTags: readsOf('bench') }),
    reportFault: build.mutation<unknown, { unitId: string; body: NewFault }>({
      query: ({ unitId, body }) => ({ url: `/units/${unitId}/faults`, method: 'POST', body }),
    }),
    mendFault: build.mutation<unknown, Versioned<{ note: string }>>({
      query: ({ id, version, body }) => ({ url: `/faults/${id}/mend`, method: 'POST', body, headers: change(version) }),
    }),
    recordService: build.mutation<unknown, Versioned<{ on: string; note: string }>>({
      query: ({ id, version, body }) => ({
        url: `/units/${id}/services`,
        method: 'POST',
        body,
        headers: change(version),
      }),
    }),
    spending: build.query<SpendingReply, number>({
      query: (year) => ({ url: '/ledger/spending', params: { year } }),
      providesTags: readsOf('spending'),
    }),
    entries: build.query<EntryRow[], number>({
      query: (year) => ({ url: '/ledger/entries', params: { year } }),
      providesTags: readsOf('entries'),
    }),
    changeEntry: build.mutation<Entry, Versioned<NewEntry>>({
      query: ({ id, version, body }) => ({
        url: `/ledger/entries/${id}`,
        method: 'PUT',
        body,
        headers: change(version),
      }),
    }),
    addEntry: build.mutation<unknown, NewEntry>({
      query: (body) => ({ url: '/ledger/entries', method: 'POST', body }),
    }),
    setBudget: build.mutation<unknown, { year: number; totalMinor: number; version: number }>({
      query: (body) => ({ url: '/ledger/budget', method: 'PUT', body }),
    }),
    shopping: build.query<ShoppingLine[], void>({ query: () => '/shopping', providesTags: readsOf('shopping') }),
    addShoppingLine: build.mutation<ShoppingLine, NewShoppingLine>({
      query: (body) => ({ url: '/shopping', method: 'POST', body }),
    }),
    markBought: build.mutation<unknown, { id: string; version: number }>({
      query: ({ id, version }) => ({
        url: `/shopping/${id}/bought`,
        method: 'POST',
        body: {},
        headers: change(version),
      }),
    }),
    today: build.query<TodayReply, void>({ query: () => '/today', providesTags: readsOf('today') }),
    find: build.query<FindReply, string>({
      query: (q) => ({ url: '/find', params: { q } }),
      providesTags: readsOf('find'),
    }),
  }),
})

export const {
  useStudioQuery,
  useChangeStudioMutation,
  usePeopleQuery,
  usePartiesQuery,
  usePlacesQuery,
  useEventsQuery,
  useInterfacesQuery,
  useUnitsQuery,
  useUnitPagesInfiniteQuery,
  useLazyStockQuery,
  useLazyUnitsQuery,
  useUnitCountQuery,
  useUnitQuery,
  useAddUnitMutation,
  useChangeUnitMutation,
  useArchiveUnitMutation,
  useStockQuery,
  useCountStockMutation,
  usePreviewImportMutation,
  useSetupsQuery,
  useSetupQuery,
  useAddSetupMutation,
  useChangeSetupMutation,
  useArchiveSetupMutation,
  useReadinessQuery,
  useRemediesQuery,
  useMoveCheckQuery,
  useThingsQuery,
  useDiaryQuery,
  useBookingQuery,
  useBookingTroublesQuery,
  useCheckBookingQuery,
  useAddBookingMutation,
  useChangeBookingMutation,
  useTakeOutMutation,
  useBringBackMutation,
  useBenchQuery,
  useReportFaultMutation,
  useMendFaultMutation,
  useRecordServiceMutation,
  useSpendingQuery,
  useEntriesQuery,
  useChangeEntryMutation,
  useAddEntryMutation,
  useSetBudgetMutation,
  useShoppingQuery,
  useAddShoppingLineMutation,
  useMarkBoughtMutation,
  useTodayQuery,
  useFindQuery,
} = api
