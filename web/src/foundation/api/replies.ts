import type {
  Absence,
  ArchiveSpace,
  Bond,
  Booking,
  BookingItem,
  Circuit,
  ColumnMapping,
  Entry,
  Fault,
  FindingLevel,
  Interface,
  LifeState,
  LineOutcome,
  Model,
  PackSheet,
  Person,
  Place,
  ReadinessChange,
  Setup,
  ShoppingLine,
  SoftwareFinding,
  Spending,
  Stock,
  Studio,
  Tape,
  TodayItem,
  TodaySection,
  Unit,
} from '@exemplar/core'

/** Replies that the server composes for a page; the parts are core's own types. */
export type StudioReply = Studio & { now: number }

export interface Serve {
  id: string
  code: string
  tape: string
  role: string
}

export interface UnitRow {
  id: string
  tag: string
  name: string
  category: Model['category']
  nickname: string
  maker: string
  place: string | null
  isAtHome: boolean
  state: LifeState
  fault: string | null
  serial: string | null
  massGrams: number | null
  acquiredOn: string | null
  priceMinor: number | null
  lastOutAt: number | null
  version: number
  usedIn: Serve[]
}

export interface UnitPage {
  unit: Unit & { archivedAt: number | null }
  model: Model
  name: string
  place: string | null
  party: string | null
  /** The person of the team whose own it is. */
  owner: string | null
  /** Where it is, where that is not where it lives. */
  nowPlace: string | null
  recorded: { percent: number; missing: string[] }
  disclosure: string | null
  successor: string | null
  /** How full it is and when it will be; null where it holds nothing or nobody read it off. */
  space: ArchiveSpace | null
  /** What keeps its programs, and those that run on it, from their work. */
  software: SoftwareFinding[]
  parent: { id: string; tag: string; name: string } | null
  parts: {
    id: string
    tag: string
    name: string
    bond: Bond
    state: string
    place: string | null
    isMissing: boolean
    massGrams: number | null
    version: number
  }[]
  version: number
  usedIn: Serve[]
  faults: Fault[]
  entries: Entry[]
}

export interface EventRow {
  id: number
  at: number
  kind: string
  data: Record<string, unknown>
  person: string | null
  changeId: number | null
  isUndone: boolean
  canUndo: boolean
}

export type StockRow = Stock & { name: string; category: Model['category']; place: string | null }

export interface ImportReport {
  isClean: boolean
  fileProblems: string[]
  headings: string[]
  columns: ColumnMapping
  assumptions: string[]
  counts: {
    things: number
    stock: number
    models: number
    places: number
    updates: number
    same: number
    repeats: number
    bad: number
    leftOut: number
  }
  lines: {
    line: number
    outcome: LineOutcome
    tag: string
    name: string
    adds: string[]
    changes: { field: string; before: string; after: string }[]
    remarks: string[]
    problems: { column: string | null; received: string; text: string }[]
  }[]
}

export type SetupCard = Setup & {
  level: FindingLevel
  counts: Record<FindingLevel, number>
  things: number
  next: Booking | null
}

export type SetupPage = Setup & {
  next: Booking | null
  circuits: Circuit[]
  /** Where else its things serve, by thing. */
  usedIn: Record<string, { code: string; role: string }[]>
  /** Tags of things that roles list as taking turns, by id. */
  listed: Record<string, string>
  units: Unit[]
  stock: Stock[]
  models: Model[]
}

export interface MoveCheckReply {
  placeId: string
  circuitId: string | null
  counts: Record<FindingLevel, number>
  change: ReadinessChange
  missed: { text: string }[]
}

export interface ThingChoices {
  units: { id: string; tag: string; state: LifeState; maker: string; name: string; category: string }[]
  stock: { id: string; tag: string; quantity: number; maker: string; name: string; category: string }[]
}

export interface CollisionRow {
  subject: 'unit' | 'place' | 'person'
  subjectId: string
  label: string
  interval: { start: number; end: number }
  bookings: { id: string; title: string }[]
}

export interface DiaryReply {
  start: number
  end: number
  bookings: (Booking & { holdStart: number; holdEnd: number })[]
  collisions: CollisionRow[]
}

export interface BookingCheck {
  interval: { start: number; end: number }
  movedMinutes: { start: number; end: number }
  busy: { personId: string; title: string }[]
  troubles: {
    unitId: string
    tag: string
    name: string
    absence: Absence
    standIns: { unitId: string; tag: string; name: string }[]
  }[]
  clashes: { subject: 'place' | 'person'; label: string; title: string; interval: { start: number; end: number } }[]
}

export type BookingPage = Booking & {
  setup: { id: string; code: string; name: string; tape: string } | null
  place: string | null
  people: string[]
  sheet: PackSheet
}

export interface BenchReply {
  today: string
  serviceNoticeDays: number
  services: {
    unitId: string
    tag: string
    name: string
    unitVersion: number
    serviceEveryDays: number | null
    lastServicedOn: string | null
    dueOn: string
    daysLeft: number
    isDue: boolean
  }[]
  faults: (Fault & { tag: string; name: string; usedIn: Serve[] })[]
  inRepair: {
    unitId: string
    tag: string
    name: string
    dueOn: string | null
    note: string
    unitVersion: number
    usedIn: Serve[]
  }[]
}

export type SpendingReply = Spending & {
  budgetVersion: number
  /** Over all years, and from when on. */
  everMinor: number
  since: string | null
}
export type EntryRow = Entry & { tag: string | null; party: string | null }

export interface TodayReply {
  date: string
  sections: Record<TodaySection, TodayItem[]>
}

export interface FindHit {
  key: string
  kind: 'unit' | 'stock' | 'setup' | 'booking' | 'person' | 'place' | 'party' | 'action'
  id: string
  title: string
  text: string
  path: string
}

export interface FindReply {
  hits: FindHit[]
}

export type { Booking, BookingItem, Interface, Person, Place, ShoppingLine }

export interface SetupName {
  id: string
  code: string
  tape: Tape
  name: string
}
