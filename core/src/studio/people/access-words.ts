import { ACCESS_ROLE_NAMES, type AccessRole } from './access.ts'
export function sayAccessRole(role: AccessRole): string {
  return ACCESS_ROLE_NAMES[role].label
}
