import { listInWords } from '../../units/wording.ts'
import type { ChoiceReason, RoleLeft } from './choosing.ts'
import type { OpenEnd } from './connecting.ts'

/** Why a thing was chosen, in a few words. */
export function sayReasons(reasons: readonly ChoiceReason[]): string {
  const words: Record<ChoiceReason, string> = {
    fits: 'fits what stands here',
    'here-already': 'in the room already',
    'same-colour': 'of the colour of the lamps here',
    'same-maker': 'of the same maker',
    unclaimed: 'no other setup counts on it',
    sound: 'nothing known against it',
  }
  return listInWords(reasons.map((it) => words[it]))
}

/** Why a role stays empty. */
export function sayLeft({ role, why, rivals, supply }: RoleLeft): string {
  switch (why) {
    case 'says-nothing':
      return `${role} does not say what it wants.`
    case 'none-free':
      return `Nothing free is ${role}.`
    case 'too-few':
      return `${listInWords([role, ...rivals])} want the same, and there is only ${listInWords(supply)}.`
    default:
      return why satisfies never
  }
}

/** Why an end stays open, and what would change that. */
export function sayOpenEnd(
  { tag, name, interfaces, fitting, lacksCircuit }: OpenEnd,
  labelOf: (code: string) => string,
): string {
  const wants = `${tag} ${name} wants ${listInWords(interfaces.map(labelOf), 'or')}`
  if (lacksCircuit) return `${wants}, and there is no socket: choose the circuit that feeds this setup, then ask again.`
  if (fitting.length === 0) return `${wants}, and nothing free gives it.`
  return `${wants}. ${listInWords(fitting)} would go there, but then something else is missing that is not free.`
}
