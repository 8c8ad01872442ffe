import { z } from 'zod'
import type { NeededFact } from '../../kit/template/needed-facts.ts'
import { type FindingLevel, findingLevelSchema } from '../../studio/finding.ts'
import { type CodeRecord, type Envelope, type Found, LEVEL_OF_IMPORTANCE } from '../checks/check.ts'
import type { TimeWords } from '../checks/finding-words.ts'
import { tipping } from '../checks/rigging/tipping.ts'
import type { Scene } from '../checks/scene.ts'
import type { PictureKind } from '../joining/picture-kind.ts'
import { acceptanceSchema } from '../setup/setup.ts'
import { CHECKS, type FoundFact } from './check-list.ts'
import { hasUsual, listNeverCleared, listUsualDoubts, withoutUsual } from './usual-findings.ts'

/** One thing found about a setup: its code and figures in the envelope that all findings share. */
export type Finding = FoundFact extends infer F ? (F extends unknown ? Envelope & F : never) : never

/** As it goes over the wire: the envelope, and with it the figures that the check of its code states. */
export const findingSchema = z.looseObject({
  code: z.string(),
  key: z.string(),
  level: findingLevelSchema,
  roleId: z.string().nullable(),
  accepted: acceptanceSchema.optional(),
}) as unknown as z.ZodType<Finding>

export type FindingCode = Finding['code']

/** The finding of one code. */
export type FindingOf<C extends FindingCode> = Extract<Finding, { code: C }>

const RECORDS = Object.assign({}, ...CHECKS.map((it) => it.codes)) as Record<FindingCode, CodeRecord<FoundFact>>

/** All that is to be said and done about a finding's code. */
export function recordOf<F extends { code: FindingCode }>(finding: F): CodeRecord<F> {
  return RECORDS[finding.code] as unknown as CodeRecord<F>
}

const SHOWN = new Map(CHECKS.flatMap((it) => Object.keys(it.codes).map((code) => [code, it.shownIn] as const)))

/** The picture of the setup in which a finding is marked; null where nobody would look for it in one. */
export function findShownIn(finding: Finding): PictureKind | null {
  const shown = SHOWN.get(finding.code) as PictureKind | ((it: Finding) => PictureKind | null) | undefined
  return typeof shown === 'function' ? shown(finding) : (shown ?? null)
}

/** Whether something could be tried or bought about it. */
export function canHelp(finding: Finding): boolean {
  return recordOf(finding).ideas !== undefined
}

/** The fact that would answer a finding, and of which model; null where no single one would. */
export function findQuestion(finding: Finding): { modelId: string; fact: NeededFact } | null {
  return recordOf(finding).asks?.(finding) ?? null
}

export const FINDING_CODES = Object.keys(RECORDS) as FindingCode[]

type AnyCheck = (typeof CHECKS)[number]

/** Judged without what is only usual: what can fall over somebody is never cleared by it. */
const NEVER_BY_USUAL: readonly AnyCheck[] = [tipping]
const BY_USUAL: readonly AnyCheck[] = CHECKS.filter((it) => !NEVER_BY_USUAL.includes(it))

/** Everything that the checks find in a scene, in its envelope; what hangs on a figure that is only usual is a question. */
export function listFindings(scene: Scene): Finding[] {
  if (!hasUsual(scene)) return runChecks(scene, CHECKS)
  const found = runChecks(scene, BY_USUAL)
  const doubts = listUsualDoubts(scene, found, {
    find: (own) => runChecks(own, BY_USUAL),
    findAgain: ({ code }, own) =>
      runChecks(
        own,
        BY_USUAL.filter((it) => code in it.codes),
      ),
    say: (it) => recordOf(it).say(it, PLAIN_TIME).title,
  })
  const isDoubtful = new Set(doubts.map((it) => it.finding.key))
  const put = makeEnvelope(scene)
  return [
    ...found.filter((it) => !isDoubtful.has(it.key)),
    ...runChecks(withoutUsual(scene), NEVER_BY_USUAL),
    ...listNeverCleared(scene).map((it) => put({ ...it, level: 'unknown-stop' } as Found<FoundFact>)),
    ...doubts.map(({ finding, unsure }) =>
      put({ ...unsure, level: finding.level === 'stop' ? 'unknown-stop' : 'unknown' } as Found<FoundFact>),
    ),
  ]
}

function runChecks(scene: Scene, checks: readonly AnyCheck[]): Finding[] {
  const put = makeEnvelope(scene)
  return checks.flatMap((check) => (check.find(scene) as Found<FoundFact>[]).map(put))
}

/** Titles of what is in doubt name things, never days. */
const PLAIN_TIME: TimeWords = { sayDay: (date) => date, sayInstant: String }

function makeEnvelope(scene: Scene): (found: Found<FoundFact>) => Finding {
  const importanceOf = new Map(scene.setup.roles.map((role) => [role.id, role.importance]))
  const findLevel = ({ code, level, roleId }: Found<FoundFact>): FindingLevel => {
    const importance = importanceOf.get(roleId ?? '') ?? 'optional'
    if (level !== 'unknown') return level ?? LEVEL_OF_IMPORTANCE[importance]
    return RECORDS[code].couldStop && (roleId === null || importance === 'essential') ? 'unknown-stop' : 'unknown'
  }
  return (told) => {
    const { about, level: _, ...found } = told
    return Object.assign(found as unknown as FoundFact, {
      key: [told.code, ...about].join('/'),
      level: findLevel(told),
      roleId: told.roleId,
    })
  }
}
