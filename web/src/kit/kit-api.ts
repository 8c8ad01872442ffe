import {
  type BodyOf,
  type Bundle,
  type KitColumn,
  type KitFilter,
  type ManyChanges,
  type NewInterface,
  type NewModel,
  type ReplyOf,
  type Sharing,
  type WantedAbility,
  writeWants,
} from '@exemplar/core'
import { api, type Versioned } from '../foundation/api/api.ts'
import { readsOf } from '../foundation/api/reads.ts'
import { request } from '../foundation/api/request.ts'

export interface Many {
  ids: string[] | null
  filter: KitFilter
  changes: ManyChanges
}

export interface CableQuestion {
  fromUnitId: string
  fromPortId: string
  toUnitId: string
  toPortId: string
  upMm?: number
  alongMm?: number
  downMm?: number
}

const kitApi = api.injectEndpoints({
  endpoints: (build) => ({
    heard: build.query<ReplyOf<'get /units/heard'>, void>({
      query: () => request('get /units/heard'),
      providesTags: readsOf('heard'),
    }),
    able: build.query<ReplyOf<'get /able'>, WantedAbility[]>({
      query: (wants) => request('get /able', { query: { wants: writeWants(wants) } }),
      providesTags: readsOf('able'),
    }),
    thingWants: build.query<ReplyOf<'get /units/:id/wants'>, string>({
      query: (id) => request('get /units/:id/wants', { id }),
      providesTags: readsOf('thingWants'),
    }),
    riders: build.query<ReplyOf<'get /units/:id/riders'>, string>({
      query: (id) => request('get /units/:id/riders', { id }),
      providesTags: readsOf('riders'),
    }),
    models: build.query<ReplyOf<'get /models'>, void>({
      query: () => request('get /models'),
      providesTags: readsOf('models'),
    }),
    cableWays: build.query<ReplyOf<'get /cable-ways'>, CableQuestion>({
      query: (params) => request('get /cable-ways', { query: params }),
      providesTags: readsOf('cableWays'),
    }),
    cableStock: build.query<ReplyOf<'get /cable-stock'>, void>({
      query: () => request('get /cable-stock'),
      providesTags: readsOf('cableStock'),
    }),
    modelQuestions: build.query<ReplyOf<'get /models/questions'>, void>({
      query: () => request('get /models/questions'),
      providesTags: readsOf('modelQuestions'),
    }),
    model: build.query<ReplyOf<'get /models/:id'>, string>({
      query: (id) => request('get /models/:id', { id }),
      providesTags: readsOf('model'),
    }),
    modelFits: build.query<ReplyOf<'get /models/:id/fits'>, string>({
      query: (id) => request('get /models/:id/fits', { id }),
      providesTags: readsOf('modelFits'),
    }),
    changeModel: build.mutation<ReplyOf<'put /models/:id'>, Versioned<NewModel>>({
      query: ({ id, version, body }) => request('put /models/:id', { id, version, body }),
    }),
    answerFact: build.mutation<
      ReplyOf<'post /models/:id/facts'>,
      { id: string; version: number; body: BodyOf<'post /models/:id/facts'> }
    >({
      query: ({ id, version, body }) => request('post /models/:id/facts', { id, version, body }),
    }),
    mergeModel: build.mutation<ReplyOf<'post /models/:id/merge'>, { id: string; version: number; intoId: string }>({
      query: ({ id, version, intoId }) => request('post /models/:id/merge', { id, version, body: { intoId } }),
    }),
    mergeUnit: build.mutation<ReplyOf<'post /units/:id/merge'>, { id: string; version: number; intoId: string }>({
      query: ({ id, version, intoId }) => request('post /units/:id/merge', { id, version, body: { intoId } }),
    }),
    setControllers: build.mutation<
      ReplyOf<'put /units/:id/controllers'>,
      { id: string; version: number; unitIds: string[] }
    >({
      query: ({ id, version, unitIds }) => request('put /units/:id/controllers', { id, version, body: { unitIds } }),
    }),
    duplicateUnit: build.mutation<ReplyOf<'post /units/:id/duplicate'>, { id: string; count: number }>({
      query: ({ id, count }) => request('post /units/:id/duplicate', { id, body: { count } }),
    }),
    restoreUnit: build.mutation<ReplyOf<'post /units/:id/restore'>, { id: string; version: number }>({
      query: ({ id, version }) => request('post /units/:id/restore', { id, version }),
    }),
    previewMany: build.query<ReplyOf<'post /units/change-many/preview'>, Many>({
      query: (body) => request('post /units/change-many/preview', { body }),
      providesTags: readsOf('previewMany'),
    }),
    changeMany: build.mutation<ReplyOf<'post /units/change-many'>, Many>({
      query: (body) => request('post /units/change-many', { body }),
    }),
    kitViews: build.query<ReplyOf<'get /kit-views'>, void>({
      query: () => request('get /kit-views'),
      providesTags: readsOf('kitViews'),
    }),
    keepView: build.mutation<ReplyOf<'post /kit-views'>, { name: string; filter: KitFilter; columns: KitColumn[] }>({
      query: (body) => request('post /kit-views', { body }),
    }),
    dropView: build.mutation<ReplyOf<'delete /kit-views/:id'>, { id: string; version: number }>({
      query: ({ id, version }) => request('delete /kit-views/:id', { id, version }),
    }),
    ownInterfaces: build.query<ReplyOf<'get /interfaces'>, void>({
      query: () => request('get /interfaces'),
      providesTags: readsOf('ownInterfaces'),
    }),
    interfaceFits: build.query<ReplyOf<'get /interfaces/:code/fits'>, string>({
      query: (code) => request('get /interfaces/:code/fits', { code }),
      providesTags: readsOf('interfaceFits'),
    }),
    addInterface: build.mutation<ReplyOf<'post /interfaces'>, NewInterface>({
      query: (body) => request('post /interfaces', { body }),
    }),
    changeInterface: build.mutation<ReplyOf<'put /interfaces/:code'>, Versioned<NewInterface>>({
      query: ({ id, version, body }) => request('put /interfaces/:code', { code: id, version, body }),
    }),
    addStock: build.mutation<ReplyOf<'post /stock'>, BodyOf<'post /stock'>>({
      query: (body) => request('post /stock', { body }),
    }),
    changeStock: build.mutation<
      ReplyOf<'patch /stock/:id'>,
      Versioned<{ reorderLevel: number; placeId: string | null }>
    >({
      query: ({ id, version, body }) => request('patch /stock/:id', { id, version, body }),
    }),
    stocktakes: build.query<ReplyOf<'get /stocktakes'>, void>({
      query: () => request('get /stocktakes'),
      providesTags: readsOf('stocktakes'),
    }),
    stocktake: build.query<ReplyOf<'get /stocktakes/:id'>, string>({
      query: (id) => request('get /stocktakes/:id', { id }),
      providesTags: readsOf('stocktake'),
    }),
    beginStocktake: build.mutation<ReplyOf<'post /stocktakes'>, { placeId: string | null }>({
      query: (body) => request('post /stocktakes', { body }),
    }),
    noteSeen: build.mutation<
      ReplyOf<'post /stocktakes/:id/seen'>,
      { id: string; tag: string; quantity: number | null; isSeen: boolean }
    >({
      query: ({ id, ...body }) => request('post /stocktakes/:id/seen', { id, body }),
    }),
    settleStocktake: build.mutation<
      ReplyOf<'post /stocktakes/:id/settle'>,
      { id: string; version: number; lost: string[] }
    >({
      query: ({ id, version, lost }) => request('post /stocktakes/:id/settle', { id, version, body: { lost } }),
    }),
    snapshots: build.query<ReplyOf<'get /snapshots'>, void>({
      query: () => request('get /snapshots'),
      providesTags: readsOf('snapshots'),
    }),
    snapshotDifference: build.query<ReplyOf<'get /snapshots/difference'>, { from: string; to: string }>({
      query: (params) => request('get /snapshots/difference', { query: params }),
      providesTags: readsOf('snapshotDifference'),
    }),
    takeSnapshot: build.mutation<ReplyOf<'post /snapshots'>, { name: string }>({
      query: (body) => request('post /snapshots', { body }),
    }),
    dropSnapshot: build.mutation<ReplyOf<'delete /snapshots/:id'>, { id: string; version: number }>({
      query: ({ id, version }) => request('delete /snapshots/:id', { id, version }),
    }),
    receiveBundle: build.mutation<ReplyOf<'post /bundles'>, Bundle>({
      query: (body) => request('post /bundles', { body }),
    }),
    schedule: build.query<ReplyOf<'get /kit-schedule'>, void>({
      query: () => request('get /kit-schedule'),
      providesTags: readsOf('schedule'),
    }),
    figures: build.query<ReplyOf<'get /kit-figures'>, Sharing>({
      query: (sharing) => request('get /kit-figures', { query: { sharing } }),
      providesTags: readsOf('figures'),
    }),
    duties: build.query<ReplyOf<'get /kit-duties'>, void>({
      query: () => request('get /kit-duties'),
      providesTags: readsOf('duties'),
    }),
    previewKitFile: build.mutation<ReplyOf<'post /import/kit-file/preview'>, string>({
      query: (text) => request('post /import/kit-file/preview', { body: text, headers: JSON_TEXT }),
    }),
    importKitFile: build.mutation<ReplyOf<'post /import/kit-file'>, string>({
      query: (text) => request('post /import/kit-file', { body: text, headers: JSON_TEXT }),
    }),
  }),
})

/** The text of a file goes as it is; as JSON it would be quoted once more. */
const JSON_TEXT = { 'content-type': 'text/plain' }
export const {
  useRidersQuery,
  useHeardQuery,
  useAbleQuery,
  useThingWantsQuery,
  useLazyThingWantsQuery,
  useModelsQuery,
  useCableStockQuery,
  useCableWaysQuery,
  useModelFitsQuery,
  useModelQuery,
  useModelQuestionsQuery,
  useChangeModelMutation,
  useAnswerFactMutation,
  useMergeModelMutation,
  useSetControllersMutation,
  useMergeUnitMutation,
  useDuplicateUnitMutation,
  useRestoreUnitMutation,
  usePreviewManyQuery,
  useChangeManyMutation,
  useKitViewsQuery,
  useKeepViewMutation,
  useDropViewMutation,
  useOwnInterfacesQuery,
  useInterfaceFitsQuery,
  useAddInterfaceMutation,
  useChangeInterfaceMutation,
  useAddStockMutation,
  useChangeStockMutation,
  useStocktakesQuery,
  useStocktakeQuery,
  useBeginStocktakeMutation,
  useNoteSeenMutation,
  useSettleStocktakeMutation,
  useSnapshotsQuery,
  useSnapshotDifferenceQuery,
  useTakeSnapshotMutation,
  useDropSnapshotMutation,
  useReceiveBundleMutation,
  useScheduleQuery,
  useDutiesQuery,
  useFiguresQuery,
  usePreviewKitFileMutation,
  useImportKitFileMutation,
} = kitApi
