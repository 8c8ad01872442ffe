import type {
  CameraAngle,
  ChangeOver,
  FindingLevel,
  FloorSpace,
  LikeFraming,
  PolicyRef,
  Position,
  PowerSource,
  ReadinessChange,
  RigTime,
  Size,
  SoundRoute,
  StandingCost,
  StartLine,
  WorkingChange,
} from '@exemplar/core'
import { api } from '../foundation/api/api.ts'
import { readsOf } from '../foundation/api/reads.ts'
import type { SetupName } from '../foundation/api/replies.ts'

export interface MinutesReply {
  time: RigTime
  floor: FloorSpace
  follows: PolicyRef
  cost: StandingCost
  room: { name: string; otherUses: string; size: Size | null } | null
  base: { name: string; floor: FloorSpace } | null
}

export type ChangeOverReply = ChangeOver & { lies: Record<string, string> }

export type AngleReply = CameraAngle & { alike: { unitId: string; tag: string; like: LikeFraming | null }[] }

export interface LookReply extends SetupName {
  angles: AngleReply[]
  backdrops: string[]
  lights: { role: string; detail: string; position: Position | null; things: number }[]
  moves: number
}

export interface StartReply {
  setup: SetupName
  lines: StartLine[]
  sources: { tag: string; name: string; source: PowerSource }[]
}

export interface SoundRoutesReply {
  follows: PolicyRef
  microphones: { tag: string; name: string; routes: SoundRoute[] }[]
}

export interface SwapReply {
  counts: Record<FindingLevel, number>
  change: ReadinessChange
  figures: WorkingChange[]
  orphans: { tag: string; name: string }[]
}

const withBooking = (bookingId: string | undefined) => (bookingId ? { bookingId } : {})

const rigApi = api.injectEndpoints({
  endpoints: (build) => ({
    minutes: build.query<MinutesReply, string>({
      query: (id) => `/setups/${id}/minutes`,
      providesTags: readsOf('minutes'),
    }),
    changeOver: build.query<ChangeOverReply & { changesPerMonth: number }, { id: string; fromId: string }>({
      query: ({ id, fromId }) => ({ url: `/setups/${id}/change-over`, params: { fromId } }),
      providesTags: readsOf('changeOver'),
    }),
    bookingChangeOver: build.query<
      {
        before:
          | (ChangeOverReply & { from: { title: string; setupId: string; endsAt: string }; rigMinutes: number })
          | null
      },
      string
    >({ query: (id) => `/bookings/${id}/change-over`, providesTags: readsOf('bookingChangeOver') }),
    cameras: build.query<(SetupName & { angles: AngleReply[] })[], void>({
      query: () => '/cameras',
      providesTags: readsOf('cameras'),
    }),
    looks: build.query<LookReply[], string>({ query: (id) => `/setups/${id}/looks`, providesTags: readsOf('looks') }),
    start: build.query<StartReply, { id: string; bookingId?: string }>({
      query: ({ id, bookingId }) => ({ url: `/setups/${id}/start`, params: withBooking(bookingId) }),
      providesTags: readsOf('start'),
    }),
    soundRoutes: build.query<SoundRoutesReply, { id: string; bookingId?: string }>({
      query: ({ id, bookingId }) => ({ url: `/setups/${id}/sound-routes`, params: withBooking(bookingId) }),
      providesTags: readsOf('soundRoutes'),
    }),
    swap: build.query<SwapReply, { id: string; bookingId?: string; unitId: string; byUnitId: string }>({
      query: ({ id, bookingId, unitId, byUnitId }) => ({
        url: `/setups/${id}/swap`,
        params: { unitId, byUnitId, ...withBooking(bookingId) },
      }),
      providesTags: readsOf('swap'),
    }),
  }),
})

export const {
  useMinutesQuery,
  useChangeOverQuery,
  useBookingChangeOverQuery,
  useCamerasQuery,
  useLooksQuery,
  useStartQuery,
  useSoundRoutesQuery,
  useSwapQuery,
} = rigApi
