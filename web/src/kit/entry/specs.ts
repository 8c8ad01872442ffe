import { type MoreSpecs, readSpec, type SpecKey, type UnitSystem } from '@exemplar/core'

/** Texts as typed, by figure. */
export type SpecTexts = Partial<Record<SpecKey, string>>

/** Turns what was typed into figures, or says at which field it cannot be read. What was emptied is not there. */
export function readSpecs(
  texts: SpecTexts,
  system: UnitSystem,
): { specs: MoreSpecs; problems: Record<string, string> } {
  const specs: Record<string, number | string> = {}
  const problems: Record<string, string> = {}
  for (const [key, text] of Object.entries(texts) as [SpecKey, string][]) {
    if (text.trim() === '') continue
    const reading = readSpec(key, text, system)
    if (reading.ok) specs[key] = reading.value
    else problems[key] = reading.problem
  }
  return { specs: specs as MoreSpecs, problems }
}
