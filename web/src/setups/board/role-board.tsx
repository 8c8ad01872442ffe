import { listInUse, type Readiness, type Role, type SetupReply } from '@exemplar/core'
import { Button } from '../../foundation/parts/button.tsx'
import { Empty } from '../../foundation/parts/page-parts.tsx'
import { GROUP_NAMES, GROUP_ORDER } from '../setup-draft.ts'
import { RoleRow } from './role-row.tsx'

/** The roles of a setup by group, each with its thing and who meets its needs. */
export function RoleBoard({
  setup,
  readiness,
  onOpen,
  onAdd,
}: {
  setup: SetupReply
  readiness: Readiness | undefined
  /** Null for who only looks. */
  onOpen: ((role: Role) => void) | null
  onAdd: (() => void) | null
}) {
  return (
    <>
      {setup.roles.length === 0 && (
        <Empty title="No roles yet">Add the first: A camera, key, main microphone. Exemplar judges as you go.</Empty>
      )}
      {GROUP_ORDER.map((group) => {
        const roles = setup.roles.filter((role) => role.group === group)
        if (roles.length === 0) return null
        const filled = roles.filter(
          (role) => listInUse(role).length > 0 || role.intentionallyEmpty || role.providedBy,
        ).length
        return (
          <section key={group} aria-label={GROUP_NAMES[group]}>
            <h2 className="mt-3.5 mb-0.5 text-[12px]">
              {GROUP_NAMES[group]}{' '}
              <span className="font-normal text-quiet">
                {filled} of {roles.length}
              </span>
            </h2>
            <ul className="border-b border-rule">
              {roles.map((role) => (
                <RoleRow
                  key={role.id}
                  role={role}
                  setup={setup}
                  readiness={readiness}
                  onOpen={onOpen ? () => onOpen(role) : undefined}
                />
              ))}
            </ul>
          </section>
        )
      })}
      <div className="no-print mt-4">{onAdd && <Button onClick={onAdd}>Add a role</Button>}</div>
    </>
  )
}
