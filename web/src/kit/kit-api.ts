import type {
  Bundle,
  CableAnswer,
  CableKind,
  Fit,
  Interface,
  KitColumn,
  KitFilter,
  ManyChanges,
  Model,
  NewInterface,
  NewModel,
  Port,
  SavedView,
  Sharing,
  SnapshotDifference,
  StocktakeLine,
  Tape,
  UseFigures,
} from '@exemplar/core'
import { api, change, type Versioned } from '../foundation/api/api.ts'
import { readsOf } from '../foundation/api/reads.ts'
import type { SetupName } from '../foundation/api/replies.ts'

export interface ModelRow {
  id: string
  maker: string
  name: string
  category: Model['category']
  aliases: string[]
  version: number
  things: number
}

export interface ManyReply {
  changed: number
  unchanged: number
  obstacles: number
  lines: {
    id: string
    tag: string
    name: string
    changes: { field: string; before: string; after: string }[]
    obstacle: string | null
  }[]
}

export interface Many {
  ids: string[] | null
  filter: KitFilter
  changes: ManyChanges
}

export interface StocktakeRow {
  id: string
  placeId: string | null
  place: string | null
  startedAt: number
  closedAt: number | null
  seen: number
  version: number
}

export interface StocktakePageReply extends Omit<StocktakeRow, 'seen'> {
  seen: { tag: string; quantity: number | null }[]
  lines: StocktakeLine[]
}

export interface SnapshotRow {
  id: string
  name: string
  takenAt: number
  things: number
  setups: number
  version: number
}

export interface ScheduleRow {
  id: string
  tag: string
  name: string
  kind: string
  serial: string | null
  acquisition: string
  isOthers: boolean
  acquiredOn: string | null
  place: string | null
  priceMinor: number | null
  valueMinor: number | null
  insuredMinor: number | null
  warrantyUntil: string | null
}

interface Named {
  id: string
  tag: string
  name: string
}

export interface DutiesReply {
  duties: (Named & { what: string; dueOn: string | null })[]
  disclosures: (Named & { text: string; until: string | null })[]
  gifts: { year: number; things: number; valueMinor: number | null }[]
  goingBack: (Named & { dueOn: string | null; from: string | null })[]
}

export interface FiguresReply {
  use: (Named & UseFigures & { reason: string; resaleMinor: number | null; isRisk: boolean })[]
  demand: (Named & { owned: number; peak: number; peakAt: number | null; allAtOnce: number })[]
  setups: {
    id: string
    code: string
    tape: Tape
    name: string
    paidMinor: number | null
    worthMinor: number | null
    replacementMinor: number | null
    unknown: number
    shared: number
  }[]
  capacities: { label: string; pieces: number; megabytes: number; milliwattHours: number }[]
}

export type InterfaceRow = Interface & { isStandard: boolean }
export interface InterfaceFits {
  interface: Interface
  hosts: Fit[]
  guests: Fit[]
}
export type PortFits = { port: Port; fits: (Fit & { isOwned: boolean })[] }

export interface CableQuestion {
  fromUnitId: string
  fromPortId: string
  toUnitId: string
  toPortId: string
  neededMm?: number
}

const kitApi = api.injectEndpoints({
  endpoints: (build) => ({
    riders: build.query<RidersReply[], string>({
      query: (id) => `/units/${id}/riders`,
      providesTags: readsOf('riders'),
    }),
    models: build.query<ModelRow[], void>({ query: () => '/models', providesTags: readsOf('models') }),
    cableWays: build.query<CableAnswer, CableQuestion>({
      query: (params) => ({ url: '/cable-ways', params }),
      providesTags: readsOf('cableWays'),
    }),
    cableStock: build.query<CableKind[], void>({ query: () => '/cable-stock', providesTags: readsOf('cableStock') }),
    modelFits: build.query<PortFits[], string>({
      query: (id) => `/models/${id}/fits`,
      providesTags: readsOf('modelFits'),
    }),
    changeModel: build.mutation<Model, Versioned<NewModel>>({
      query: ({ id, version, body }) => ({ url: `/models/${id}`, method: 'PUT', body, headers: change(version) }),
    }),
    mergeModel: build.mutation<void, { id: string; version: number; intoId: string }>({
      query: ({ id, version, intoId }) => ({
        url: `/models/${id}/merge`,
        method: 'POST',
        body: { intoId },
        headers: change(version),
      }),
    }),
    mergeUnit: build.mutation<{ id: string }, { id: string; version: number; intoId: string }>({
      query: ({ id, version, intoId }) => ({
        url: `/units/${id}/merge`,
        method: 'POST',
        body: { intoId },
        headers: change(version),
      }),
    }),
    duplicateUnit: build.mutation<{ id: string; tag: string }[], { id: string; count: number }>({
      query: ({ id, count }) => ({ url: `/units/${id}/duplicate`, method: 'POST', body: { count } }),
    }),
    restoreUnit: build.mutation<void, { id: string; version: number }>({
      query: ({ id, version }) => ({
        url: `/units/${id}/restore`,
        method: 'POST',
        body: {},
        headers: change(version),
      }),
    }),
    previewMany: build.query<ManyReply, Many>({
      query: (body) => ({ url: '/units/change-many/preview', method: 'POST', body }),
      providesTags: readsOf('previewMany'),
    }),
    changeMany: build.mutation<ManyReply, Many>({
      query: (body) => ({ url: '/units/change-many', method: 'POST', body }),
    }),
    kitViews: build.query<SavedView[], void>({ query: () => '/kit-views', providesTags: readsOf('kitViews') }),
    keepView: build.mutation<SavedView, { name: string; filter: KitFilter; columns: KitColumn[] }>({
      query: (body) => ({ url: '/kit-views', method: 'POST', body }),
    }),
    dropView: build.mutation<void, { id: string; version: number }>({
      query: ({ id, version }) => ({ url: `/kit-views/${id}`, method: 'DELETE', headers: change(version) }),
    }),
    ownInterfaces: build.query<InterfaceRow[], void>({
      query: () => '/interfaces',
      providesTags: readsOf('ownInterfaces'),
    }),
    interfaceFits: build.query<InterfaceFits, string>({
      query: (code) => `/interfaces/${code}/fits`,
      providesTags: readsOf('interfaceFits'),
    }),
    addInterface: build.mutation<Interface, NewInterface>({
      query: (body) => ({ url: '/interfaces', method: 'POST', body }),
    }),
    changeInterface: build.mutation<Interface, Versioned<NewInterface>>({
      query: ({ id, version, body }) => ({ url: `/interfaces/${id}`, method: 'PUT', body, headers: change(version) }),
    }),
    addStock: build.mutation<
      { id: string; tag: string },
      { category: string; name: string; quantity: number; reorderLevel: number; placeId: string | null }
    >({
      query: (body) => ({ url: '/stock', method: 'POST', body }),
    }),
    changeStock: build.mutation<unknown, Versioned<{ reorderLevel: number; placeId: string | null }>>({
      query: ({ id, version, body }) => ({ url: `/stock/${id}`, method: 'PATCH', body, headers: change(version) }),
    }),
    stocktakes: build.query<StocktakeRow[], void>({ query: () => '/stocktakes', providesTags: readsOf('stocktakes') }),
    stocktake: build.query<StocktakePageReply, string>({
      query: (id) => `/stocktakes/${id}`,
      providesTags: readsOf('stocktake'),
    }),
    beginStocktake: build.mutation<{ id: string }, { placeId: string | null }>({
      query: (body) => ({ url: '/stocktakes', method: 'POST', body }),
    }),
    noteSeen: build.mutation<unknown, { id: string; tag: string; quantity: number | null; isSeen: boolean }>({
      query: ({ id, ...body }) => ({ url: `/stocktakes/${id}/seen`, method: 'POST', body }),
    }),
    settleStocktake: build.mutation<{ settled: number }, { id: string; version: number; lost: string[] }>({
      query: ({ id, version, lost }) => ({
        url: `/stocktakes/${id}/settle`,
        method: 'POST',
        body: { lost },
        headers: change(version),
      }),
    }),
    snapshots: build.query<SnapshotRow[], void>({ query: () => '/snapshots', providesTags: readsOf('snapshots') }),
    snapshotDifference: build.query<SnapshotDifference & { from: string; to: string }, { from: string; to: string }>({
      query: (params) => ({ url: '/snapshots/difference', params }),
      providesTags: readsOf('snapshotDifference'),
    }),
    takeSnapshot: build.mutation<{ id: string }, { name: string }>({
      query: (body) => ({ url: '/snapshots', method: 'POST', body }),
    }),
    dropSnapshot: build.mutation<void, { id: string; version: number }>({
      query: ({ id, version }) => ({ url: `/snapshots/${id}`, method: 'DELETE', headers: change(version) }),
    }),
    receiveBundle: build.mutation<{ tags: string[]; missing: string[] }, Bundle>({
      query: (body) => ({ url: '/bundles', method: 'POST', body }),
    }),
    schedule: build.query<{ rows: ScheduleRow[] }, void>({
      query: () => '/kit-schedule',
      providesTags: readsOf('schedule'),
    }),
    figures: build.query<FiguresReply, Sharing>({
      query: (sharing) => ({ url: '/kit-figures', params: { sharing } }),
      providesTags: readsOf('figures'),
    }),
    duties: build.query<DutiesReply, void>({ query: () => '/kit-duties', providesTags: readsOf('duties') }),
    previewKitFile: build.mutation<KitFileReport, string>({
      query: (text) => ({ url: '/import/kit-file/preview', method: 'POST', body: text, headers: JSON_TEXT }),
    }),
    importKitFile: build.mutation<KitFileReport, string>({
      query: (text) => ({ url: '/import/kit-file', method: 'POST', body: text, headers: JSON_TEXT }),
    }),
  }),
})

/** The text of a file goes as it is; as JSON it would be quoted once more. */
const JSON_TEXT = { 'content-type': 'text/plain' }

export interface KitFileReport {
  fresh: Record<string, number>
  changed: Record<string, number>
  unchanged: number
}

export const {
  useRidersQuery,
  useModelsQuery,
  useCableStockQuery,
  useCableWaysQuery,
  useModelFitsQuery,
  useChangeModelMutation,
  useMergeModelMutation,
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

export interface RidersReply {
  setup: SetupName
  riders: { tag: string; name: string; massGrams: number | null }[]
  ratedGrams: number | null
}
