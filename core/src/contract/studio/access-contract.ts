import { z } from 'zod'
import { idSchema, nameSchema } from '../../studio/identity.ts'
import { ACCESS_ROLES, accessRoleSchema, passwordSchema, signInNameSchema } from '../../studio/people/access.ts'
import { SIGN_IN_OUTCOMES } from '../../studio/people/second-factor.ts'
import { defineContract } from '../contract.ts'

export const meReplySchema = z.object({
  person: z
    .object({
      id: z.string(),
      name: z.string(),
    })
    .nullable(),
  role: accessRoleSchema.nullable(),
  isOwner: z.boolean(),
  needsOwner: z.boolean(),
  canStepIn: z.boolean(),
  isEmpty: z.boolean(),
  /** Until when nothing asks once more who it is; null where it would. */
  confirmedUntil: z.number().nullable(),
  hasSecondFactor: z.boolean(),
})
export type MeReply = z.infer<typeof meReplySchema>

export const accountRowSchema = z.object({
  personId: z.string(),
  name: z.string(),
  signInName: z.string(),
  role: accessRoleSchema,
  isOwner: z.boolean(),
  disabledAt: z.number().nullable(),
  hasPassword: z.boolean(),
  hasSecondFactor: z.boolean(),
  version: z.number(),
})
export type AccountRow = z.infer<typeof accountRowSchema>

export const invitationSchema = z.object({
  token: z.string(),
  expiresAt: z.number(),
})
export type Invitation = z.infer<typeof invitationSchema>

export const firstRunSchema = z.object({
  name: nameSchema,
  signInName: signInNameSchema,
  password: passwordSchema,
  start: z.enum(['empty', 'demo']),
  /** Asked where others can reach this address: it stands in the log of the machine. */
  code: z.string().max(80).default(''),
})

/** Six digits of a device, or a code for when it is gone. */
const codeSchema = z.string().max(40).default('')

export const signInSchema = z.object({
  signInName: z.string().max(200),
  password: z.string().max(400),
  code: codeSchema,
})

export const sessionRowSchema = z.object({
  id: z.string(),
  device: z.string(),
  createdAt: z.number(),
  seenAt: z.number(),
  isThis: z.boolean(),
})
export type SessionRow = z.infer<typeof sessionRowSchema>

export const signInRowSchema = z.object({
  id: z.number(),
  at: z.number(),
  name: z.string(),
  person: z.string().nullable(),
  outcome: z.enum(SIGN_IN_OUTCOMES),
  address: z.string(),
  device: z.string(),
})
export type SignInRow = z.infer<typeof signInRowSchema>

/** Routes of signing in and what one may do. */
export const accessContract = defineContract('studio', {
  'get /access/me': {
    summary: 'Who is signed in here, and what can be done without',
    permission: 'open',
    reply: meReplySchema,
  },
  'post /access/first-run': {
    summary: 'Make the owner of a new Exemplar, empty or with the demo',
    permission: 'open',
    body: firstRunSchema,
    reply: meReplySchema,
    status: 201,
  },
  'post /access/sign-in': {
    summary: 'Sign in with a name and a password',
    permission: 'open',
    body: signInSchema,
    reply: meReplySchema,
  },
  'post /access/step-in': {
    summary: 'Sign in to the demo as one of the roles; on this machine only',
    permission: 'open',
    body: z.object({ role: z.enum(ACCESS_ROLES) }),
    reply: meReplySchema,
  },
  'post /access/sign-out': {
    summary: 'Sign out here',
    permission: 'signed-in',
    reply: 'nothing',
  },
  'post /access/sign-out-everywhere': {
    summary: 'Sign out on every device',
    permission: 'signed-in',
    reply: 'nothing',
  },
  'post /access/confirm': {
    summary: 'Show once more that it is you, before what cannot be taken back; holds for ten minutes',
    permission: 'signed-in',
    body: z.object({ password: z.string().max(400), code: codeSchema }),
    reply: z.object({ confirmedUntil: z.number().nullable() }),
  },
  'get /access/sessions': {
    summary: 'Where one is signed in',
    permission: 'signed-in',
    reply: z.array(sessionRowSchema),
  },
  'delete /access/sessions/:id': {
    summary: 'End one of one’s own sessions',
    permission: 'signed-in',
    reply: 'nothing',
  },
  'post /access/second-factor': {
    summary: 'Begin a second factor: what a device that makes codes reads, shown once',
    permission: 'signed-in',
    reply: z.object({ secret: z.string(), uri: z.string(), picture: z.string() }),
    status: 201,
  },
  'put /access/second-factor': {
    summary: 'Turn the second factor on with a first code; gives codes for when the device is gone, once',
    permission: 'signed-in',
    body: z.object({ code: z.string().max(40) }),
    reply: z.object({ recovery: z.array(z.string()) }),
  },
  'delete /access/second-factor': {
    summary: 'Turn one’s second factor off',
    permission: 'signed-in',
    reply: 'nothing',
  },
  'get /access/sign-ins': {
    summary: 'Who came to the door lately, and whether they were let in',
    permission: 'manage-access',
    reply: z.array(signInRowSchema),
  },
  'post /access/password': {
    summary: 'Change one’s own password; other devices are signed out',
    permission: 'signed-in',
    body: z.object({ old: z.string().max(400), password: passwordSchema }),
    reply: meReplySchema,
  },
  'get /access/accounts': {
    summary: 'Who may sign in, and as what',
    permission: 'manage-access',
    reply: z.array(accountRowSchema),
  },
  'post /access/invitations': {
    summary: 'Invite a person of the team: gives back the link’s token, once',
    permission: 'manage-access',
    body: z.object({ personId: idSchema, signInName: signInNameSchema, role: z.enum(ACCESS_ROLES) }),
    reply: invitationSchema,
    status: 201,
  },
  'post /access/accounts/:id/reset': {
    summary: 'Make a new link to set a password; the old password stops at once',
    permission: 'manage-access',
    reply: invitationSchema,
    isChange: true,
  },
  'post /access/accounts/:id/sign-out-everywhere': {
    summary: 'End every session of a person',
    permission: 'manage-access',
    reply: 'nothing',
  },
  'put /access/accounts/:id': {
    summary: 'Change what a person may do, or switch the account off',
    permission: 'manage-access',
    body: z.object({ role: z.enum(ACCESS_ROLES), isDisabled: z.boolean() }),
    reply: z.object({ personId: z.string(), version: z.number() }),
    isChange: true,
  },
  'get /access/invitations/:token': {
    summary: 'Whom a link invites',
    permission: 'open',
    reply: z.object({
      name: z.string(),
      signInName: z.string(),
    }),
  },
  'post /access/invitations/:token': {
    summary: 'Set a password by a link, and sign in',
    permission: 'open',
    body: z.object({ password: passwordSchema }),
    reply: meReplySchema,
  },
})
