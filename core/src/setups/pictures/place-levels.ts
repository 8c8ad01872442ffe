import { type FindingLevel, findWorstLevel } from '../../studio/finding.ts'
import { PICTURE_KINDS, type PictureKind } from '../joining/picture-kind.ts'
import { type Finding, findShownIn } from '../verdict/finding.ts'
import type { NodeFigure } from './picture.ts'

/** The worst that is found about each thing, by the picture in which it shows. */
export type PlaceLevels = Readonly<Record<PictureKind, ReadonlyMap<string, FindingLevel>>>

/** Where the findings of a verdict are marked. What somebody accepted is marked no more. */
export function readPlaceLevels(findings: readonly Finding[]): PlaceLevels {
  const levelsIn = (kind: PictureKind) => {
    const levels = new Map<string, FindingLevel>()
    for (const finding of findings) {
      if (finding.accepted || findShownIn(finding) !== kind) continue
      // What it is about in the first place; the rest only tells two findings apart.
      const about = finding.key.split('/')[1] ?? ''
      levels.set(about, findWorstLevel([levels.get(about) ?? 'ok', finding.level]))
    }
    return [kind, levels] as const
  }
  return Object.fromEntries(PICTURE_KINDS.map(levelsIn)) as unknown as PlaceLevels
}

/** How bad it is at one place: what is found about the thing there, and what its own figures come to. */
export function rateNode(
  kind: PictureKind,
  key: string,
  figures: readonly NodeFigure[],
  levels: PlaceLevels,
): FindingLevel {
  const own = figures.flatMap((it) => ('level' in it ? [it.level] : []))
  return findWorstLevel([levels[kind].get(key) ?? 'ok', ...own])
}
