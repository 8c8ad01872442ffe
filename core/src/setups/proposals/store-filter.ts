import { isKindOf } from '../../kit/model/category.ts'
import type { Model } from '../../kit/model/model.ts'
import type { Seek } from '../checks/check.ts'
import { findPlaced, makeScene, type Scene } from '../checks/scene.ts'
import type { AssessmentInput } from '../placed/assessment-input.ts'
import { type Finding, recordOf } from '../verdict/finding.ts'

/** Which models of a store could be of use for these findings: of a kind that is missing, or with an end that fits. */
export function makeModelFilter(input: AssessmentInput, findings: readonly Finding[]): (model: Model) => boolean {
  const scene = makeScene(input)
  return suitsAny(findings.flatMap((finding) => [...listKindsFor(finding, scene), ...seekOf(finding, scene)]))
}

function listKindsFor(finding: Finding, scene: Scene): Seek[] {
  const keys = recordOf(finding).replaceable?.(finding, scene) ?? []
  return [{ categories: keys.flatMap((key) => findPlaced(scene, key)?.model ?? []).map((it) => it.category) }]
}

function seekOf(finding: Finding, scene: Scene | null): Seek[] {
  const seek = recordOf(finding).seeks?.(finding, scene)
  return seek ? [seek] : []
}

/** Which models have to be there for nothing to be bought. */
export function makeShoppingFilter(findings: readonly Finding[]): (model: Model) => boolean {
  return suitsAny(findings.filter((it) => recordOf(it).toBuy).flatMap((it) => seekOf(it, null)))
}

function suitsAny(seeks: readonly Seek[]): (model: Model) => boolean {
  const kinds = [...new Set(seeks.flatMap((it) => it.categories ?? []))]
  const codes = new Set(seeks.flatMap((it) => it.interfaces ?? []))
  const takesAnything = seeks.some((it) => it.anything)
  return (model) =>
    takesAnything ||
    kinds.some((kind) => isKindOf(model.category, kind)) ||
    model.ports.some((port) => port.interfaces.some((code) => codes.has(code)))
}
