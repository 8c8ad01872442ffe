import type { NewSetup, Role, Setup, SetupReply } from '@exemplar/core'
import type { ReactNode } from 'react'
import { useNavigate } from 'react-router'
import { useArchiveSetupMutation } from '../../foundation/api/api.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { OwnPolicies } from './own-policies.tsx'
import { RoleDialog } from './role-dialog.tsx'
import { SetupForm } from './setup-form.tsx'

/** What is being changed, and the setup as it was when that began. Without a role: the setup itself. */
export interface OpenChange {
  base: SetupReply
  role: Role | null
  isNew: boolean
}

/** The sheets in which a setup and its roles are changed. */
export function SetupEditor({
  setup,
  open,
  clash,
  save,
  onOpen,
  onClose,
}: {
  setup: SetupReply
  open: OpenChange | null
  /** What somebody else did meanwhile. */
  clash: ReactNode
  save(next: NewSetup, text: string, base?: Setup): Promise<Setup | null>
  onOpen(change: OpenChange): void
  onClose(): void
}) {
  const saveRoles = async (roles: Role[], told: string, base: SetupReply) => {
    if (await save({ ...base, roles }, told, base)) onClose()
  }
  const saveRole = ({ base, isNew }: OpenChange, role: Role) =>
    saveRoles(
      isNew ? [...base.roles, role] : base.roles.map((it) => (it.id === role.id ? role : it)),
      `${role.name} saved.`,
      base,
    )
  const removeRole = ({ base }: OpenChange, role: Role) =>
    saveRoles(
      base.roles.filter((it) => it.id !== role.id),
      `${role.name} removed.`,
      base,
    )
  return (
    <>
      {open === null && clash && <div className="p-5">{clash}</div>}
      {open?.role && (
        <RoleDialog
          key={open.role.id}
          role={open.role}
          isNew={open.isNew}
          setup={{ ...setup, roles: open.base.roles }}
          notice={clash}
          onClose={onClose}
          onSave={(role) => saveRole(open, role)}
          onRemove={() => open.role && removeRole(open, open.role)}
        />
      )}
      <SheetDialog open={open !== null && open.role === null} onClose={onClose} title="Change the setup">
        {clash}
        <SetupForm
          draft={open?.base ?? setup}
          act="Save"
          problem={null}
          onSave={({ roles: _, ...facts }) =>
            save({ ...facts, roles: (open?.base ?? setup).roles }, `${facts.name} saved.`, open?.base).then(
              (isSaved) => isSaved && onClose(),
            )
          }
        />
        <OwnPolicies
          setup={setup}
          onSave={async (overrides) => {
            const after = await save({ ...setup, overrides }, 'Its own policies are saved.')
            // The form beside it goes on from there, and does not meet its own other half as somebody else's.
            if (after && open) onOpen({ ...open, base: { ...open.base, overrides, version: after.version } })
          }}
        />
        <ArchiveSetup setup={setup} />
      </SheetDialog>
    </>
  )
}

function ArchiveSetup({ setup: { id, version } }: { setup: SetupReply }) {
  const [archive] = useArchiveSetupMutation()
  const navigate = useNavigate()
  return (
    <div className="mt-4 border-t border-rule pt-3">
      <Button
        size="small"
        onClick={() =>
          archive({ id, version })
            .unwrap()
            .then(() => navigate('/setups'))
            .catch(() => {})
        }
      >
        Archive this setup
      </Button>
    </div>
  )
}
