import type { PlacedItem } from '../placed/placed-item.ts'
import { makeInput, makeStudio } from '../placed/studio.fixture.ts'
import { joinScene, type Scene } from './scene.ts'

/** A scene of pieces that a test placed itself, joined. */
export function makeSceneOf(items: readonly PlacedItem[], part: Partial<Scene> = {}): Scene {
  return { ...joinScene(makeInput(makeStudio({}), [], { circuit: null }), items), ...part }
}
