import { z } from 'zod'
import { accessRoleSchema } from '../../studio/people/access.ts'
import { defineContract } from '../contract.ts'

export const backupRowSchema = z.object({
  name: z.string(),
  bytes: z.number(),
  takenAt: z.number(),
  kind: z.enum(['hand', 'auto', 'before', 'upload']),
})
export type BackupRow = z.infer<typeof backupRowSchema>

/** How a pretended volume fails in a drill. */
export const drillFaultSchema = z.enum(['full', 'short', 'unsure', 'slow', 'gone'])
export type DrillFault = z.infer<typeof drillFaultSchema>
export const drillReplySchema = z.object({ fault: drillFaultSchema, isKept: z.boolean(), said: z.string() })
export type DrillReply = z.infer<typeof drillReplySchema>

export const backupAccountSchema = z.object({ name: z.string(), signInName: z.string(), role: accessRoleSchema })
export type BackupAccount = z.infer<typeof backupAccountSchema>

export const backupCheckReplySchema = z.object({
  takenAt: z.number(),
  units: z.number(),
  files: z.number(),
  lastChangeAt: z.number(),
  /** Changes of here that are not in it. */
  lost: z.number(),
  /** This house made it, and nobody changed it since. */
  isOwn: z.boolean(),
  /** Attachments that were missing when it was taken. */
  missingFiles: z.number(),
  /** Who could sign in there; of a foreign one only. */
  accounts: z.array(backupAccountSchema),
  /** What it would replace. */
  here: z.object({ units: z.number(), changes: z.number(), lastChangeAt: z.number() }),
})
export type BackupCheckReply = z.infer<typeof backupCheckReplySchema>

export const UPLOAD_LIMIT = 300_000_000

/** Routes of backups. */
export const backupContract = defineContract('studio', {
  'get /backups': {
    summary: 'Backups on the volume, newest first, and whether the volume is there',
    permission: 'keep-safe',
    reply: z.object({
      backups: z.array(backupRowSchema),
      isThere: z.boolean(),
    }),
  },
  'post /backups': {
    summary: 'Take a backup now, while everybody goes on working',
    permission: 'keep-safe',
    reply: backupRowSchema,
    status: 201,
  },
  'post /backups/upload': {
    summary: 'Bring a backup from elsewhere; it is looked at and put among the others',
    permission: 'keep-safe',
    rawLimit: UPLOAD_LIMIT,
    reply: backupRowSchema,
    status: 201,
  },
  'get /backups/:name/check': {
    summary: 'Look at every byte of a backup, and say what restoring it would lose',
    permission: 'keep-safe',
    reply: backupCheckReplySchema,
  },
  'get /backups/:name/file': {
    summary: 'A backup to keep elsewhere',
    permission: 'keep-safe',
    reply: 'file',
  },
  'post /backups/:name/restore': {
    summary: 'Put a backup in the place of what is here; `lost` says how many newer changes that costs',
    permission: 'keep-safe',
    body: z.object({
      lost: z.number().int().min(0).nullable(),
      /** Of a foreign backup: whether those who could sign in there can sign in here. The owner's word. */
      withAccounts: z.boolean().default(false),
    }),
    reply: z.object({
      lost: z.number(),
      safety: backupRowSchema,
    }),
  },
  'delete /backups/:name': {
    summary: 'Delete a backup; the newest one stays',
    permission: 'keep-safe',
    reply: 'nothing',
  },
  'post /backups/drill': {
    summary: 'A drill: take a backup on a pretended volume that fails, and see what comes of it. Nothing is kept',
    permission: 'keep-safe',
    body: z.object({ fault: drillFaultSchema }),
    reply: drillReplySchema,
  },
  'get /export': {
    summary: 'Everything as open files: a CSV for each table and one JSON, in a ZIP',
    permission: 'keep-safe',
    reply: 'file',
  },
})
