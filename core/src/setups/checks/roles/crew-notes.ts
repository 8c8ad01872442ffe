import { listInWords } from '../../../units/wording.ts'
import { defineCheck, ofItem } from '../check.ts'
import { plain } from '../finding-words.ts'
import { listStandInsFor } from '../ideas.ts'

type CrewNote =
  | { code: 'part-missing'; unitId: string; tag: string; name: string; parts: string[] }
  | { code: 'work-around'; tag: string; name: string; text: string }

/** A part that is not there makes a thing incomplete, and a work-around that the crew saw is a need like any other. */
export const crewNotes = defineCheck<CrewNote>({
  find: ({ items, missingParts }) =>
    items.flatMap((item) => {
      const { unit } = item
      if (!unit) return []
      const parts = missingParts?.get(unit.id) ?? []
      const seen = unit.remarks.filter((it) => it.kind === 'work-around' && it.source === 'seen')
      return [
        ...(parts.length > 0
          ? [{ ...ofItem(item), level: 'warn' as const, code: 'part-missing' as const, unitId: unit.id, parts }]
          : []),
        ...seen.map(({ text }) => ({
          ...ofItem(item),
          about: [unit.id, text],
          level: 'advise' as const,
          code: 'work-around' as const,
          text,
        })),
      ]
    }),
  codes: {
    'part-missing': {
      say: ({ tag, name, parts }) =>
        plain(
          `${tag} is incomplete`,
          `${name} is without ${listInWords(parts)}. Find it, or see whether it works without.`,
        ),
      deciding: ({ parts }) => parts,
      ideas: ({ unitId }, context) => listStandInsFor([unitId], context),
      replaceable: ({ unitId }) => [unitId],
    },
    'work-around': {
      say: ({ tag, name, text }) =>
        plain(`${tag}: ${text}`, `The crew knows this of ${name}. Plan for it, or take another.`),
      deciding: ({ text }) => [text],
    },
  },
})
