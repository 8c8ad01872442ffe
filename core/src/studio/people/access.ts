import { z } from 'zod'

/** What somebody who signs in may be. Who is nobody's yet may do nothing: the default is refuse. */
export const ACCESS_ROLES = ['manager', 'crew', 'viewer'] as const
export type AccessRole = (typeof ACCESS_ROLES)[number]
export const accessRoleSchema = z.enum(ACCESS_ROLES)

export const ACCESS_ROLE_NAMES: Readonly<Record<AccessRole, { label: string; text: string }>> = {
  manager: { label: 'Manager', text: 'Sees and changes everything.' },
  crew: { label: 'Crew', text: 'Takes out, brings back, reports faults and pencils bookings. Sees no money.' },
  viewer: { label: 'Viewer', text: 'Looks, and changes nothing. Sees no money and no contacts.' },
}

interface ActionFacts {
  label: string
  roles: readonly AccessRole[]
}

/** The one table of permissions: the API, the pages and docs/access.md all read it. */
export const ACTIONS = {
  'see-studio': { label: 'See things, setups, the diary, the bench and places', roles: ['manager', 'crew', 'viewer'] },
  'see-contacts': { label: 'See telephone numbers and addresses', roles: ['manager', 'crew'] },
  'see-money': { label: 'See prices, spending and budgets', roles: ['manager'] },
  'change-kit': { label: 'Add, change, import and archive things', roles: ['manager'] },
  'count-stock': { label: 'Count stock', roles: ['manager', 'crew'] },
  'change-setups': { label: 'Make and change setups', roles: ['manager'] },
  'book-pencilled': { label: 'Pencil a booking, change or cancel a pencilled one', roles: ['manager', 'crew'] },
  'change-bookings': { label: 'Confirm and change every booking', roles: ['manager'] },
  'take-out': { label: 'Take things out', roles: ['manager', 'crew'] },
  'bring-back': { label: 'Bring things back', roles: ['manager', 'crew'] },
  'report-fault': { label: 'Report a fault', roles: ['manager', 'crew'] },
  'attach-files': { label: 'Attach photos and papers', roles: ['manager', 'crew'] },
  mend: { label: 'Close faults and record services', roles: ['manager'] },
  'ask-to-buy': { label: 'Put something on the shopping list', roles: ['manager', 'crew'] },
  'change-ledger': { label: 'Record spending, budgets and purchases', roles: ['manager'] },
  'change-directory': { label: 'Change people, places, vendors and lenders', roles: ['manager'] },
  'change-settings': { label: 'Change settings and policies', roles: ['manager'] },
  'manage-access': { label: 'Invite people, change roles, reset passwords', roles: ['manager'] },
  'keep-safe': { label: 'Back up, restore and export', roles: ['manager'] },
  'undo-own': { label: 'Take back one’s own changes', roles: ['manager', 'crew'] },
  'undo-any': { label: 'Take back anybody’s changes', roles: ['manager'] },
} as const satisfies Record<string, ActionFacts>
export type Action = keyof typeof ACTIONS
export const ACTION_CODES = Object.keys(ACTIONS) as Action[]

/** Whether a role may do something; nobody (null) may do nothing. */
export function may(role: AccessRole | null, action: Action): boolean {
  const { roles }: ActionFacts = ACTIONS[action]
  return role !== null && roles.includes(role)
}

/** The table as Markdown, for docs/access.md. */
export function describeAccess(): string {
  const head = ['what', ...ACCESS_ROLES.map((role) => ACCESS_ROLE_NAMES[role].label.toLowerCase())]
  const rows = ACTION_CODES.map((action) => [
    ACTIONS[action].label,
    ...ACCESS_ROLES.map((role) => (may(role, action) ? 'yes' : '–')),
  ])
  return [head, head.map(() => '---'), ...rows].map((cells) => `| ${cells.join(' | ')} |`).join('\n')
}

/** A pass phrase of some length is worth more than rules about its letters (NIST SP 800-63B, 5.1.1.2). */
export const passwordSchema = z
  .string()
  .min(10, 'A password has at least 10 characters. Four plain words do well.')
  .max(200, 'A password has at most 200 characters.')

export const signInNameSchema = z
  .string()
  .trim()
  .toLowerCase()
  .regex(/^[a-z0-9][a-z0-9._@+-]{1,79}$/, 'A sign-in name has 2 to 80 letters and digits; a mail address will do.')
