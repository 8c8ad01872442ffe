import type { AssessmentInput } from '../../setups/placed/assessment-input.ts'
import { type Finding, recordOf } from '../../setups/verdict/finding.ts'
import { makeJudge } from '../../setups/verdict/incremental.ts'
import type { Readiness } from '../../setups/verdict/readiness.ts'
import { type Candidate, placeCandidates } from './candidate.ts'

/** So many verdicts are asked of one setup, and so many wishes are put together for it. */
const MOST_VERDICTS = 400
const MOST_TOGETHER = 5

/** What some wishes together do to one setup. */
export interface Trial {
  stops: number
  /** Questions of which the answer could be that it does not run. */
  questions: number
  cured: Finding[]
  /** What is found only with them: a plate that lacks, a circuit that is overloaded. */
  added: Finding[]
}

/**
 * The wishes of one setup at one time: what it is then, and with which of them nothing stops it. What is away for some of its shoots and
 * there for others makes two of it: see `groupShoots`.
 */
export interface SetupCures {
  /** Of the setup at that time. */
  id: string
  setupId: string
  stops: number
  questions: number
  /** Everything that is found of it now. */
  findings: readonly Finding[]
  /** Each the fewest wishes that will do: none of them can be left out. Empty where nothing stops it, or no wishes help. */
  sets: (Pick<Trial, 'questions'> & { wishIds: string[] })[]
  /** Each wish by itself, with what it needs, where it is tried in this setup. */
  alone: Map<string, Trial>
  /** More combinations could be tried than were. */
  isCutShort: boolean
}

/** A lack that somebody accepted stops nothing; whoever took a hazard on has not made it less of one. */
const isOpenStop = (it: Finding) => it.level === 'stop' && (!it.accepted || recordOf(it).isHazard === true)
const isOpenQuestion = (it: Finding) => it.level === 'unknown-stop' && !it.accepted
const count = (all: Readiness, is: (it: Finding) => boolean) => all.findings.filter(is).length

/**
 * Tries wishes in a setup that they name, each with what it needs and then together, fewest first, until nothing stops it. Every
 * combination is judged as the setup itself is judged: what a new thing asks for is found as of any other. `needs` are the wishes that
 * one brings along; `excludes` says whether two are never bought together.
 */
export function findCures(
  input: AssessmentInput,
  { id, setupId }: Pick<SetupCures, 'id' | 'setupId'>,
  candidates: readonly Candidate[],
  needs: ReadonlyMap<string, readonly string[]>,
  excludes: (a: string, b: string) => boolean,
): SetupCures {
  const own = candidates.filter((it) => it.uses.some((use) => use.setupId === setupId))
  const judge = makeJudge()
  const before = judge.assess(input)
  const tryWith = (ids: ReadonlySet<string>): Trial => {
    const placed = own.filter((it) => ids.has(it.id))
    const after = judge.assess(placeCandidates(input, setupId, placed))
    const was = new Set(before.findings.map((it) => it.key))
    const is = new Set(after.findings.map((it) => it.key))
    return {
      stops: count(after, isOpenStop),
      questions: count(after, isOpenQuestion),
      cured: before.findings.filter((it) => !is.has(it.key) && !it.accepted),
      added: after.findings.filter((it) => !was.has(it.key)),
    }
  }
  const withNeeds = (ids: readonly string[]) => new Set(ids.flatMap((id) => [id, ...listNeeds(id, needs)]))
  // What finds no place there any more does nothing there.
  const serves = (it: Candidate) => placeCandidates(input, setupId, [it]).setup !== input.setup
  const serving = own.filter(serves)
  const alone = new Map(serving.map((it) => [it.id, tryWith(withNeeds([it.id]))]))
  const found: SetupCures = {
    id,
    setupId,
    stops: count(before, isOpenStop),
    questions: count(before, isOpenQuestion),
    findings: before.findings,
    sets: [],
    alone,
    isCutShort: false,
  }
  if (found.stops === 0) return found
  let asked = 0
  const ids = serving.map((it) => it.id)
  for (let size = 1; size <= ids.length; size++) {
    if (size > MOST_TOGETHER) {
      found.isCutShort = true
      break
    }
    for (const some of listChoices(ids, size)) {
      const whole = withNeeds(some)
      // What one brings along is not counted as chosen by itself.
      if (some.some((id) => some.some((other) => other !== id && listNeeds(other, needs).includes(id)))) continue
      if (some.some((id, at) => some.slice(at + 1).some((other) => excludes(id, other)))) continue
      if (found.sets.some((known) => known.wishIds.every((id) => whole.has(id)))) continue
      if (asked++ >= MOST_VERDICTS) return tryAll({ ...found, isCutShort: true }, ids, tryWith, withNeeds, excludes)
      const { stops, questions } = some.length === 1 ? (alone.get(some[0] ?? '') as Trial) : tryWith(whole)
      if (stops === 0) found.sets.push({ wishIds: [...whole].sort(), questions })
    }
  }
  return tryAll(found, ids, tryWith, withNeeds, excludes)
}

/**
 * Where few wishes together were not enough and more were not tried: all of them at once, as a whole kit takes, and then each left out
 * that can be.
 */
function tryAll(
  found: SetupCures,
  ids: readonly string[],
  tryWith: (ids: ReadonlySet<string>) => Trial,
  withNeeds: (ids: readonly string[]) => Set<string>,
  excludes: (a: string, b: string) => boolean,
): SetupCures {
  if (!found.isCutShort || found.sets.length > 0) return found
  if (ids.some((id, at) => ids.slice(at + 1).some((other) => excludes(id, other)))) return found
  let all = [...ids]
  if (tryWith(withNeeds(all)).stops > 0) return found
  for (const id of ids) {
    const without = all.filter((it) => it !== id)
    if (tryWith(withNeeds(without)).stops === 0) all = without
  }
  const whole = withNeeds(all)
  return { ...found, sets: [{ wishIds: [...whole].sort(), questions: tryWith(whole).questions }] }
}

/** Everything that a wish brings along, over whatever that brings along; a ring ends where it began. */
export function listNeeds(id: string, needs: ReadonlyMap<string, readonly string[]>): string[] {
  const found = new Set<string>()
  const open = [...(needs.get(id) ?? [])]
  for (let next = open.pop(); next !== undefined; next = open.pop()) {
    if (next === id || found.has(next)) continue
    found.add(next)
    open.push(...(needs.get(next) ?? []))
  }
  return [...found]
}

/** Every choice of so many of a list, in the order of the list. */
function* listChoices<T>(list: readonly T[], size: number, from = 0): Generator<T[]> {
  if (size === 0) {
    yield []
    return
  }
  for (let at = from; at <= list.length - size; at++) {
    for (const rest of listChoices(list, size - 1, at + 1)) yield [list[at] as T, ...rest]
  }
}
