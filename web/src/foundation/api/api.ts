import type {
  BodyOf,
  EntryChange,
  KitFilter,
  NewBooking,
  NewCharges,
  NewEntry,
  NewFault,
  NewRefund,
  NewSetup,
  NewShoppingLine,
  NewUnit,
  PartRequest,
  QueryOf,
  ReplyOf,
  StudioSettings,
} from '@exemplar/core'
import {
  type BaseQueryFn,
  createApi,
  type FetchArgs,
  type FetchBaseQueryError,
  fetchBaseQuery,
} from '@reduxjs/toolkit/query/react'
import { askConfirmation } from './confirmation.ts'
import { noteChange } from './last-change.ts'
import { readsOf, readTags, TAGS } from './reads.ts'
import { request } from './request.ts'

export interface Versioned<T> {
  id: string
  version: number
  body: T
}

export type ImportRequest = Required<BodyOf<'post /import/inventory'>>

export type UnitFilter = KitFilter & { limit?: number; after?: string }

export type QuickEntry = BodyOf<'post /units'>

const bare = fetchBaseQuery({ baseUrl: '/api' })

/**
 * Notes which change a write was and has all that follows from what it touched loaded again; where the session is over, asks
 * anew who is signed in, which shows the way back.
 */
const ask: BaseQueryFn<string | FetchArgs, unknown, FetchBaseQueryError> = async (args, store, extra) => {
  const first = await bare(args, store, extra)
  // What cannot be taken back asks once more who it is; then it is sent again as it was.
  const isConfirmed = wantsConfirmation(first.error) && (await askConfirmation())
  const result = isConfirmed ? await bare(args, store, extra) : first
  const headers = result.meta?.response?.headers
  const changeId = noteChange(result.data, headers?.get('x-exemplar-change') ?? null)
  if (changeId !== null) store.dispatch(api.util.invalidateTags(readTags(headers?.get('x-exemplar-subjects') ?? '')))
  if (result.error?.status === 401 && store.endpoint !== 'me' && store.endpoint !== 'signIn') {
    store.dispatch(api.util.invalidateTags(['Me']))
  }
  return result
}

function wantsConfirmation(error: FetchBaseQueryError | undefined): boolean {
  const { report } = (error?.data ?? {}) as { report?: { needsConfirmation?: boolean } }
  return error?.status === 403 && report?.needsConfirmation === true
}

export const api = createApi({
  reducerPath: 'api',
  baseQuery: ask,
  tagTypes: TAGS,
  refetchOnFocus: true,
  refetchOnReconnect: true,
  endpoints: (build) => ({
    studio: build.query<ReplyOf<'get /studio'>, void>({
      query: () => request('get /studio'),
      providesTags: readsOf('studio'),
    }),
    changeStudio: build.mutation<ReplyOf<'put /studio'>, { version: number; body: StudioSettings }>({
      query: ({ version, body }) => request('put /studio', { version, body }),
    }),
    people: build.query<ReplyOf<'get /people'>, void>({
      query: () => request('get /people'),
      providesTags: readsOf('people'),
    }),
    parties: build.query<ReplyOf<'get /parties'>, void>({
      query: () => request('get /parties'),
      providesTags: readsOf('parties'),
    }),
    places: build.query<ReplyOf<'get /places'>, void>({
      query: () => request('get /places'),
      providesTags: readsOf('places'),
    }),
    events: build.query<ReplyOf<'get /events'>, QueryOf<'get /events'>>({
      query: (params) => request('get /events', { query: params }),
      providesTags: (_reply, _error, { subjectType }) => readsOf(subjectType === 'setup' ? 'setupEvents' : 'events'),
    }),
    interfaces: build.query<ReplyOf<'get /interfaces'>, void>({
      query: () => request('get /interfaces'),
      providesTags: readsOf('interfaces'),
    }),
    units: build.query<ReplyOf<'get /units'>, UnitFilter>({
      query: (params) => request('get /units', { query: params }),
      providesTags: readsOf('units'),
    }),
    unitPages: build.infiniteQuery<ReplyOf<'get /units'>, UnitFilter, string | null>({
      infiniteQueryOptions: { initialPageParam: null, getNextPageParam: (last) => last.next ?? undefined },
      query: ({ queryArg, pageParam }) =>
        request('get /units', { query: pageParam === null ? queryArg : { ...queryArg, after: pageParam } }),
      providesTags: readsOf('units'),
    }),
    unitCount: build.query<ReplyOf<'get /units/count'>, KitFilter>({
      query: (params) => request('get /units/count', { query: params }),
      providesTags: readsOf('unitCount'),
    }),
    unit: build.query<ReplyOf<'get /units/:id'>, string>({
      query: (id) => request('get /units/:id', { id }),
      providesTags: readsOf('unit'),
    }),
    addUnit: build.mutation<ReplyOf<'post /units'>, QuickEntry>({
      query: (body) => request('post /units', { body }),
    }),
    changeUnit: build.mutation<ReplyOf<'patch /units/:id'>, Versioned<Partial<NewUnit>>>({
      query: ({ id, version, body }) => request('patch /units/:id', { id, version, body }),
    }),
    archiveUnit: build.mutation<ReplyOf<'delete /units/:id'>, { id: string; version: number }>({
      query: ({ id, version }) => request('delete /units/:id', { id, version }),
    }),
    stock: build.query<ReplyOf<'get /stock'>, void>({
      query: () => request('get /stock'),
      providesTags: readsOf('stock'),
    }),
    countStock: build.mutation<ReplyOf<'post /stock/:id/count'>, Versioned<{ quantity: number }>>({
      query: ({ id, version, body }) => request('post /stock/:id/count', { id, version, body }),
    }),
    previewImport: build.mutation<ReplyOf<'post /import/inventory/preview'>, ImportRequest>({
      query: (body) => request('post /import/inventory/preview', { body }),
    }),
    setups: build.query<ReplyOf<'get /setups'>, void>({
      query: () => request('get /setups'),
      providesTags: readsOf('setups'),
    }),
    setupNames: build.query<ReplyOf<'get /setup-names'>, void>({
      query: () => request('get /setup-names'),
      providesTags: readsOf('setupNames'),
    }),
    setup: build.query<ReplyOf<'get /setups/:id'>, string>({
      query: (id) => request('get /setups/:id', { id }),
      providesTags: readsOf('setup'),
    }),
    addSetup: build.mutation<ReplyOf<'post /setups'>, NewSetup>({
      query: (body) => request('post /setups', { body }),
    }),
    changeSetup: build.mutation<ReplyOf<'put /setups/:id'>, Versioned<NewSetup>>({
      query: ({ id, version, body }) => request('put /setups/:id', { id, version, body }),
    }),
    archiveSetup: build.mutation<ReplyOf<'delete /setups/:id'>, { id: string; version: number }>({
      query: ({ id, version }) => request('delete /setups/:id', { id, version }),
    }),
    remedies: build.query<ReplyOf<'get /setups/:id/remedies'>, { id: string; bookingId?: string; key: string }>({
      query: ({ id, bookingId, key }) =>
        request('get /setups/:id/remedies', { id, query: bookingId ? { bookingId, key } : { key } }),
      providesTags: readsOf('remedies'),
    }),
    readiness: build.query<ReplyOf<'get /setups/:id/readiness'>, { id: string; bookingId?: string }>({
      query: ({ id, bookingId }) => request('get /setups/:id/readiness', { id, query: bookingId ? { bookingId } : {} }),
      providesTags: readsOf('readiness'),
    }),
    moveCheck: build.query<ReplyOf<'get /setups/:id/move-check'>, { id: string; placeId: string }>({
      query: ({ id, placeId }) => request('get /setups/:id/move-check', { id, query: { placeId } }),
      providesTags: readsOf('moveCheck'),
    }),
    things: build.query<ReplyOf<'get /things'>, QueryOf<'get /things'>>({
      query: (params) => request('get /things', { query: params }),
      providesTags: readsOf('things'),
    }),
    photos: build.query<ReplyOf<'get /photos'>, void>({
      query: () => request('get /photos'),
      providesTags: readsOf('photos'),
    }),
    diary: build.query<ReplyOf<'get /bookings'>, { from: string; days: number }>({
      query: (params) => request('get /bookings', { query: params }),
      providesTags: readsOf('diary'),
    }),
    booking: build.query<ReplyOf<'get /bookings/:id'>, string>({
      query: (id) => request('get /bookings/:id', { id }),
      providesTags: readsOf('booking'),
    }),
    bookingTroubles: build.query<ReplyOf<'get /bookings/:id/check'>, string>({
      query: (id) => request('get /bookings/:id/check', { id }),
      providesTags: readsOf('bookingTroubles'),
    }),
    checkBooking: build.query<ReplyOf<'post /bookings/check'>, { body: NewBooking; except?: string }>({
      query: ({ body, except }) => request('post /bookings/check', { query: except ? { except } : {}, body }),
      providesTags: readsOf('checkBooking'),
    }),
    addBooking: build.mutation<ReplyOf<'post /bookings'>, NewBooking>({
      query: (body) => request('post /bookings', { body }),
    }),
    changeBooking: build.mutation<ReplyOf<'put /bookings/:id'>, Versioned<NewBooking>>({
      query: ({ id, version, body }) => request('put /bookings/:id', { id, version, body }),
    }),
    takeOut: build.mutation<
      ReplyOf<'post /bookings/:id/take-out'>,
      Versioned<{ items: { unitId: string | null; stockId: string | null }[]; takeOver: boolean }>
    >({
      query: ({ id, version, body }) => request('post /bookings/:id/take-out', { id, version, body }),
    }),
    bringBack: build.mutation<
      ReplyOf<'post /bookings/:id/bring-back'>,
      Versioned<{
        items: {
          unitId: string | null
          stockId: string | null
          fault?: Omit<NewFault, 'bookingId'> | null
        }[]
        isFinished: boolean
      }>
    >({
      query: ({ id, version, body }) => request('post /bookings/:id/bring-back', { id, version, body }),
    }),
    bench: build.query<ReplyOf<'get /bench'>, void>({
      query: () => request('get /bench'),
      providesTags: readsOf('bench'),
    }),
    reportFault: build.mutation<ReplyOf<'post /units/:id/faults'>, { unitId: string; body: NewFault }>({
      query: ({ unitId, body }) => request('post /units/:id/faults', { id: unitId, body }),
    }),
    mendFault: build.mutation<ReplyOf<'post /faults/:id/mend'>, Versioned<{ note: string }>>({
      query: ({ id, version, body }) => request('post /faults/:id/mend', { id, version, body }),
    }),
    sayCharges: build.mutation<ReplyOf<'post /charges'>, NewCharges>({
      query: (body) => request('post /charges', { body }),
    }),
    spending: build.query<ReplyOf<'get /ledger/spending'>, number>({
      query: (year) => request('get /ledger/spending', { query: { year } }),
      providesTags: readsOf('spending'),
    }),
    entries: build.query<ReplyOf<'get /ledger/entries'>, number>({
      query: (year) => request('get /ledger/entries', { query: { year } }),
      providesTags: readsOf('entries'),
    }),
    changeEntry: build.mutation<ReplyOf<'put /ledger/entries/:id'>, Versioned<EntryChange>>({
      query: ({ id, version, body }) => request('put /ledger/entries/:id', { id, version, body }),
    }),
    addEntry: build.mutation<ReplyOf<'post /ledger/entries'>, NewEntry>({
      query: (body) => request('post /ledger/entries', { body }),
    }),
    addRefund: build.mutation<ReplyOf<'post /ledger/entries/:id/refunds'>, Versioned<Omit<NewRefund, 'description'>>>({
      query: ({ id, version, body }) => request('post /ledger/entries/:id/refunds', { id, version, body }),
    }),
    setBudget: build.mutation<ReplyOf<'put /ledger/budget'>, { year: number; totalMinor: number; version: number }>({
      query: (body) => request('put /ledger/budget', { body }),
    }),
    shopping: build.query<ReplyOf<'get /shopping'>, void>({
      query: () => request('get /shopping'),
      providesTags: readsOf('shopping'),
    }),
    addShoppingLine: build.mutation<
      ReplyOf<'post /shopping'>,
      Omit<NewShoppingLine, 'partOfId' | 'wants' | 'noneBecause' | 'price'> &
        Partial<Pick<NewShoppingLine, 'wants' | 'noneBecause'>>
    >({
      query: (body) => request('post /shopping', { body }),
    }),
    askForPart: build.mutation<
      ReplyOf<'post /units/:id/part-requests'>,
      { id: string; version: number; body: PartRequest }
    >({
      query: ({ id, version, body }) => request('post /units/:id/part-requests', { id, version, body }),
    }),
    priceShoppingLine: build.mutation<ReplyOf<'put /shopping/:id/price'>, Versioned<Pick<NewShoppingLine, 'price'>>>({
      query: ({ id, version, body }) => request('put /shopping/:id/price', { id, version, body }),
    }),
    markBought: build.mutation<ReplyOf<'post /shopping/:id/bought'>, { id: string; version: number }>({
      query: ({ id, version }) => request('post /shopping/:id/bought', { id, version }),
    }),
    today: build.query<ReplyOf<'get /today'>, void>({
      query: () => request('get /today'),
      providesTags: readsOf('today'),
    }),
    find: build.query<ReplyOf<'get /find'>, string>({
      query: (q) => request('get /find', { query: { q } }),
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
  useSetupNamesQuery,
  useSetupsQuery,
  useLazySetupQuery,
  useSetupQuery,
  useAddSetupMutation,
  useChangeSetupMutation,
  useArchiveSetupMutation,
  useReadinessQuery,
  useRemediesQuery,
  useMoveCheckQuery,
  usePhotosQuery,
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
  useSayChargesMutation,
  useSpendingQuery,
  useEntriesQuery,
  useChangeEntryMutation,
  useAddEntryMutation,
  useAddRefundMutation,
  useSetBudgetMutation,
  useShoppingQuery,
  useAddShoppingLineMutation,
  useAskForPartMutation,
  usePriceShoppingLineMutation,
  useMarkBoughtMutation,
  useTodayQuery,
  useFindQuery,
} = api
