import { type FigureCode, NO_OVERRIDES, OVERRIDABLE, type Overrides, type PolicyRef } from './policy.ts'
import { findPractice, type PracticeCode } from './practice.ts'
import type { Purpose } from './purpose.ts'
import type { StudioSettings } from './settings.ts'
export interface Policies {
  /** The studio's settings with the figures that hold here. */
  settings: StudioSettings
  figure(code: FigureCode): PolicyRef & { kind: 'figure' }
  school(code: PracticeCode): PolicyRef & { kind: 'school' }
}

/** What holds for one setup: its own word, else its purpose's, else the studio's, else the first way of the school. */
export function resolvePolicies(
  studio: StudioSettings,
  purpose: Purpose | null,
  own: Overrides = NO_OVERRIDES,
): Policies {
  const ofPurpose = (purpose && studio.purposes[purpose]) || NO_OVERRIDES
  const figure = (code: FigureCode): PolicyRef & { kind: 'figure' } => {
    const value = own.figures[code] ?? ofPurpose.figures[code] ?? studio[code]
    const from =
      own.figures[code] !== undefined ? 'setup' : ofPurpose.figures[code] !== undefined ? 'purpose' : 'studio'
    return { kind: 'figure', code, value, from }
  }
  const school = (code: PracticeCode): PolicyRef & { kind: 'school' } => {
    const first = Object.keys(findPractice(code).ways)[0] ?? ''
    const way = own.schools[code] ?? ofPurpose.schools[code] ?? studio.schools[code] ?? first
    const from = own.schools[code]
      ? 'setup'
      : ofPurpose.schools[code]
        ? 'purpose'
        : studio.schools[code]
          ? 'studio'
          : 'default'
    return { kind: 'school', code, way, from }
  }
  const figures = Object.fromEntries(OVERRIDABLE.map((code) => [code, figure(code).value]))
  return { settings: { ...studio, ...figures }, figure, school }
}
