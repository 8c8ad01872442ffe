import { createHash } from 'node:crypto'
import {
  type AssessmentInput,
  countThings,
  isKindOf,
  type LossesSoFar,
  listSinglePoints,
  type ResilienceReply,
  type Setup,
  type Store,
  seekSinglePoints,
} from '@exemplar/core'
import type { AppContext } from '../foundation/database/app-context.ts'
import { minuteOf, remember } from '../foundation/database/cache.ts'
import type { Database } from '../foundation/database/database.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { makePresentContext } from './assessment-context.ts'
import { loadAssessments } from './assessment-store.ts'
import { listFree, loadShelf } from './free-store.ts'
import { loadAllSetups } from './setup-store.ts'

/** So many things of the store are looked at, over all setups. */
const MOST_LOOKED_AT = 5_000

/** So long the search goes on for one request; whoever wants the rest asks again. Milliseconds. */
const A_WHILE = 150

/** How far one setup was looked at, as long as all that decides about it is as it was. */
interface Search extends LossesSoFar {
  /** What it was begun with. */
  fingerprint: string
  steps: Generator<LossesSoFar, LossesSoFar>
  isDone: boolean
}

const NOT_BEGUN: LossesSoFar = { done: 0, losses: [], covered: [], stops: 0 }

/** Of each database how far each setup was looked at: goes with its connection. */
const searches = new WeakMap<Database, Map<string, Search>>()

/**
 * What each setup would stop without, and over all of them what nothing could stand in for. There are hundreds of verdicts in it:
 * it goes on for a while and says how far it has come, and goes on from there when it is asked again. What was found of a setup is
 * kept until something changes that decides about it.
 */
export function loadSinglePoints(app: AppContext, aWhile = A_WHILE): ResilienceReply {
  const questions = remember(app.db, `single-points/${minuteOf(app.now())}`, () => loadQuestions(app))
  const begun = searches.get(app.db) ?? new Map<string, Search>()
  searches.set(app.db, begun)
  for (const id of begun.keys()) if (!questions.some((it) => it.setup.id === id)) begun.delete(id)
  const end = performance.now() + aWhile
  let hasGoneOn = false
  const looked = questions.map((question) => {
    const { setup } = question
    const known = findBegun(begun, question)
    // One is always gone on with, however short the while, so that whoever asks again gets on.
    const goesOn = !known?.isDone && (!hasGoneOn || performance.now() < end)
    hasGoneOn ||= goesOn
    const search = goesOn ? goOn(begun, question, known ?? begin(question), end) : known
    const { losses, covered, stops, done } = search ?? NOT_BEGUN
    const found = { losses: [...losses], covered: [...covered], stops, isDone: search?.isDone ?? false }
    return { setup, found, done, of: countThings(question.input) }
  })
  return {
    points: listSinglePoints(looked.map(({ setup: { id }, found }) => ({ id, losses: found.losses }))),
    setups: looked.map(({ setup: { id, code, tape, name }, found }) => ({ id, code, tape, name, ...found })),
    done: looked.reduce((sum, it) => sum + it.done, 0),
    of: looked.reduce((sum, it) => sum + it.of, 0),
  }
}

/** One setup with all that decides what it would stop without. */
interface Question {
  setup: Pick<Setup, 'id' | 'code' | 'tape' | 'name'>
  input: AssessmentInput
  listFree(): Store
  /** Made when it is first wanted, as it reads everything. */
  fingerprint: string | null
  print(): string
}

function loadQuestions(app: AppContext): Question[] {
  const { db } = app
  const settings = loadStudio(db)
  const all = loadAllSetups(db, 'code')
  const requests = all.map((setup) => ({ setup, context: makePresentContext(app.now(), setup) }))
  const cases = loadAssessments(db, requests, settings)
  const used = cases.flatMap(({ input }) => [...input.holdings.models.values()].map((it) => it.category))
  const kinds = [...new Set(used)]
  const shelf = loadShelf(db, (model) => kinds.some((kind) => isKindOf(model.category, kind)), MOST_LOOKED_AT)
  let shelfPrint: string | null = null
  return all.flatMap((setup, at): Question[] => {
    const own = cases[at]
    if (!own) return []
    const free = () => listFree(shelf, own)
    const print = () => {
      shelfPrint ??= hash(shelf)
      const { units, away, stock } = free()
      const there = [units.map((it) => it.unit.id), away?.map((it) => it.unit.id), stock.map((it) => it.free)]
      return hash({ input: own.input, circuits: own.circuits, there, shelfPrint })
    }
    return [{ setup, input: own.input, listFree: free, fingerprint: null, print }]
  })
}

/** Everything in it as one line; maps as what they hold. */
const hash = (value: unknown) =>
  createHash('sha256')
    .update(JSON.stringify(value, (_, it) => (it instanceof Map ? [...it] : it)))
    .digest('base64')

/** How far it was looked at already, where all that decides is as it was; told also when the while is over. */
function findBegun(begun: ReadonlyMap<string, Search>, question: Question): Search | null {
  const search = begun.get(question.setup.id)
  if (!search) return null
  question.fingerprint ??= question.print()
  return search.fingerprint === question.fingerprint ? search : null
}

function goOn(begun: Map<string, Search>, question: Question, search: Search, end: number): Search {
  begun.set(question.setup.id, search)
  while (!search.isDone) {
    const step = search.steps.next()
    search.isDone = step.done === true
    Object.assign(search, step.value)
    if (performance.now() >= end) break
  }
  return search
}

function begin(question: Question): Search {
  question.fingerprint ??= question.print()
  const { fingerprint } = question
  const steps = seekSinglePoints(question.input, question.listFree())
  return { ...NOT_BEGUN, fingerprint, steps, isDone: false }
}
