import { hasSkill, type Person } from '../../../studio/people/person.ts'
import { listInWords } from '../../../units/wording.ts'
import { defineCheck, type Found } from '../check.ts'
import { plain } from '../finding-words.ts'

type SkillFinding =
  | { code: 'skill-missing'; skill: string; knownBy: string[]; isBooked: boolean }
  | { code: 'skill-single'; skill: string; person: string }

/** Skills that a setup asks for, against who has them. */
export const skills = defineCheck<SkillFinding>({
  find({ setup, crew }) {
    if (!crew) return []
    const { team, bookedIds } = crew
    const booked = bookedIds === null ? null : team.filter((it) => bookedIds.includes(it.id))
    return setup.skills.flatMap((skill) => checkSkill(skill, team, booked))
  },
  codes: {
    'skill-missing': {
      say: ({ skill, knownBy, isBooked }) =>
        isBooked
          ? plain(
              `Nobody booked can do: ${skill}`,
              `${listInWords(knownBy)} can. Ask, and put the name on the booking.`,
            )
          : plain(`Nobody can do: ${skill}`, 'Nobody of the team has this skill recorded.'),
      deciding: ({ knownBy, isBooked }) => [...knownBy, isBooked],
    },
    'skill-single': {
      say: ({ person, skill }) =>
        plain(`Only ${person} can do: ${skill}`, 'If that person is ill, this cannot run. Show it to somebody else.'),
      deciding: ({ person }) => [person],
    },
  },
})

/** Nobody at all: stop. Nobody who is booked: a warning, as somebody may still be asked. One person only: worth saying. */
function checkSkill(skill: string, team: readonly Person[], booked: readonly Person[] | null): Found<SkillFinding>[] {
  const knownBy = team.filter((it) => hasSkill(it, skill)).map((it) => it.name)
  const common = { about: [skill], roleId: null, skill }
  const [only] = knownBy
  if (!only) return [{ ...common, level: 'stop', code: 'skill-missing', knownBy, isBooked: false }]
  if (booked && booked.length > 0 && !booked.some((it) => hasSkill(it, skill))) {
    return [{ ...common, level: 'warn', code: 'skill-missing', knownBy, isBooked: true }]
  }
  return knownBy.length > 1 ? [] : [{ ...common, level: 'advise', code: 'skill-single', person: only }]
}
