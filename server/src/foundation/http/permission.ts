import { ACTIONS, type AccessRole, may, type Permission } from '@exemplar/core'
import { ProblemError } from '../base/problem.ts'

/** Lets pass who may, else refuses: 401 for nobody, 403 for somebody who may not. The table in core decides. */
export function requirePermission(permission: Permission, role: AccessRole | null): void {
  if (permission === 'open') return
  if (role === null) throw new ProblemError(401, 'Not signed in', 'Sign in first.')
  if (permission === 'signed-in' || may(role, permission)) return
  const detail = `Your access does not allow this: ${ACTIONS[permission].label.toLowerCase()}. A manager can do it, or change what you may do.`
  throw new ProblemError(403, 'Not allowed', detail)
}
