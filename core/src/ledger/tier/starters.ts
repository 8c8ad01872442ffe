import { STARTER_MODELS } from '../../kit/template/starter-models.ts'
import { makeModelFromTemplate } from '../../kit/template/template.ts'
import { isHelperKind } from '../../setups/proposals/connect-choices.ts'
import { type Role, suitsRole } from '../../setups/setup/setup.ts'
import type { PlugSystemCode } from '../../studio/places/plug-systems.ts'

/** Names of common things that would go to an end, which is of that side, with plugs as they are in the country: first what only joins others, then whatever has such an end. */
export function listStartersFor(
  interfaces: readonly string[],
  side: 'host' | 'guest',
  plugs: PlugSystemCode,
): string[] {
  const fitting = STARTER_MODELS.filter(({ category, name, facts, more }) => {
    const { ports } = makeModelFromTemplate(category, '', name, facts, { more, plugs })
    return ports.some((it) => it.side !== side && it.interfaces.some((code) => interfaces.includes(code)))
  })
  const helpers = fitting.filter((it) => isHelperKind(it.category))
  return [...helpers, ...fitting.filter((it) => !helpers.includes(it))].map((it) => it.name)
}

/** Names of common things that would fill a role by their kind. */
export const listStartersOf = (role: Pick<Role, 'wants' | 'wantsModelId' | 'anyOfUnitIds'>): string[] =>
  STARTER_MODELS.flatMap(({ category, name }) => (suitsRole(role, { id: '', category }) ? [name] : []))
