import { z } from 'zod'
import { readUsual } from '../../kit/template/usual-facts.ts'
import { type FindingLevel, findingLevelSchema, findWorstLevel, LEVELS_WORST_FIRST } from '../../studio/finding.ts'
import { policyRefSchema } from '../../studio/policy/policy.ts'
import { cameraAngleSchema, listCameraAngles } from '../checks/picture/camera-angles.ts'
import { listUncharged } from '../checks/power/charges.ts'
import { factOf, makeScene, type Scene } from '../checks/scene.ts'
import { countInputs, inputUseSchema } from '../checks/signal/inputs.ts'
import { signalsSchema, traceSignals } from '../checks/signal/signals.ts'
import { jointSchema } from '../joining/completeness.ts'
import type { AssessmentInput } from '../placed/assessment-input.ts'
import { isLight } from '../placed/placed-item.ts'
import { markAccepted, wantsEnd } from './acceptance.ts'
import { groupByCause } from './causes.ts'
import { SUMS, type Working, workingSchema } from './check-list.ts'
import { type Finding, findingSchema, findQuestion, listFindings, recordOf } from './finding.ts'
import { hasUsual, withoutUsual } from './usual-findings.ts'
/** The worst that is found about one role. */
export const roleStandingSchema = z.object({
  roleId: z.string(),
  level: findingLevelSchema,
})
export type RoleStanding = z.infer<typeof roleStandingSchema>

/** What a list shows of a setup: its worst level, and how many of each. */
export const verdictSchema = z.object({
  level: findingLevelSchema,
  counts: z.record(findingLevelSchema, z.number()),
  /** Stops that somebody answers for: who, and whether any of them can hurt. Absent where there is none. */
  taken: z.object({ by: z.array(z.string()), lacks: z.number(), hazards: z.number() }).optional(),
})
export type Verdict = z.infer<typeof verdictSchema>

export const readinessSchema = z.object({
  ...verdictSchema.shape,
  findings: z.array(findingSchema),
  roles: z.array(roleStandingSchema),
  /** Who met whose need, for the board: "16 mm spigot from STD-03". */
  joints: z.array(jointSchema),
  /** Every sum that was made, also where it came out well. */
  workings: z.array(workingSchema),
  totalMassGrams: z.number(),
  /** How many things nobody weighed: they are in no sum. */
  unweighed: z.number(),
  /** Tags of things of which some figure is no more than usual. */
  usual: z.array(z.string()),
  /** Each camera with its lens and what it frames. */
  cameras: z.array(cameraAngleSchema),
  /** Tags of what is to be charged first, or of which nobody said lately that it is. */
  uncharged: z.array(z.string()),
  /** Where every signal goes, along the cables that are in the setup. */
  signals: signalsSchema,
  /** Inputs in use of inputs there are. */
  inputs: z.array(inputUseSchema),
  /** Which policies each sum followed. */
  follows: z.record(
    z.enum(['circuit-load', 'pack-hours', 'card-minutes', 'carried-load', 'tipping', 'microphone-gain']),
    z.array(policyRefSchema),
  ),
})
export type Readiness = z.infer<typeof readinessSchema>

/** Judges a setup as it stands: who is missing, what does not fit, and whether the sums come out. */
export function assessSetup(input: AssessmentInput): Readiness {
  return assessScene(makeScene(input))
}

/** The same of a scene that was made already. */
export function assessScene(scene: Scene): Readiness {
  const { setup, items, joints, policies } = scene
  const findings = markAccepted(withoutDoubles(listFindings(scene)), setup.accepted, {
    itemOf: scene.itemOf,
    lastDay: scene.crew?.lastDay ?? null,
  }).sort(byLevel)
  const open = findings.filter((it) => !it.accepted)
  const taken = sumTaken(findings)
  return {
    // Whoever took a hazard on has not made it less of one.
    level: taken?.hazards ? 'stop' : findWorstLevel(open.map((finding) => finding.level)),
    counts: countLevels(open),
    ...(taken ? { taken } : {}),
    findings,
    roles: setup.roles.map((role) => ({
      roleId: role.id,
      level: findWorstLevel(open.filter((it) => it.roleId === role.id).map((it) => it.level)),
    })),
    joints,
    workings: listWorkings(scene),
    usual: [...new Set(items.flatMap((it) => (readUsual(it.model).length > 0 ? [it.tag] : [])))],
    uncharged: listUncharged(scene),
    cameras: factOf(scene, listCameraAngles),
    totalMassGrams: items.reduce((sum, item) => sum + (item.massGrams ?? 0), 0),
    unweighed: items.filter((item) => item.model && item.massGrams === null && !isLight(item)).length,
    signals: factOf(scene, traceSignals),
    inputs: countInputs(scene),
    follows: Object.fromEntries(SUMS.map((sum) => [sum.formula, sum.follows(policies)])) as Readiness['follows'],
  }
}

/** Every sum; what can fall over somebody is never shown as coming out well by what is only usual. */
function listWorkings(scene: Scene): Working[] {
  const recorded = hasUsual(scene) ? withoutUsual(scene) : scene
  return SUMS.flatMap((sum): readonly Working[] => sum.list(sum.formula === 'tipping' ? recorded : scene))
}

/** Stops that somebody accepted, by whom. */
function sumTaken(findings: readonly Finding[]): Verdict['taken'] {
  const taken = findings.filter((it) => it.accepted && wantsEnd(it))
  if (taken.length === 0) return undefined
  const hazards = taken.filter((it) => recordOf(it).isHazard).length
  return {
    by: [...new Set(taken.flatMap((it) => it.accepted?.by ?? []))],
    lacks: taken.length - hazards,
    hazards,
  }
}

/** What is found twice under one key is told once, at its worst; and so is what one answer would settle. */
function withoutDoubles(findings: readonly Finding[]): Finding[] {
  const first = new Map<string, Finding>()
  for (const finding of [...findings].sort(byLevel)) {
    const asked = findQuestion(finding)
    const key = asked ? `${asked.modelId}/${asked.fact}` : finding.key
    if (!first.has(key)) first.set(key, finding)
  }
  return [...first.values()]
}

function byLevel(a: Finding, b: Finding): number {
  return (
    Number(a.accepted !== undefined) - Number(b.accepted !== undefined) ||
    LEVELS_WORST_FIRST.indexOf(a.level) - LEVELS_WORST_FIRST.indexOf(b.level) ||
    (a.key < b.key ? -1 : a.key > b.key ? 1 : 0)
  )
}

function countLevels(findings: readonly Finding[]): Record<FindingLevel, number> {
  const counts = { stop: 0, 'unknown-stop': 0, warn: 0, unknown: 0, advise: 0, ok: 0 }
  // What comes of one cause is one thing to settle.
  for (const [first] of groupByCause(findings)) if (first) counts[first.level]++
  return counts
}
