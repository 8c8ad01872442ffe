import { z } from 'zod'
import { defineContract } from '../contract.ts'

export const backupRowSchema = z.object({
  name: z.string(),
  bytes: z.number(),
  takenAt: z.number(),
  kind: z.enum(['hand', 'auto', 'before', 'upload']),
})
export type BackupRow = z.infer<typeof backupRowSchema>

export const practiceStateSchema = z.enum(['fine', 'full', 'slow', 'gone'])
export type PracticeState = z.infer<typeof practiceStateSchema>

export const backupCheckReplySchema = z.object({
  takenAt: z.number(),
  units: z.number(),
  files: z.number(),
  lastChangeAt: z.number(),
  lost: z.number(),
})
export type BackupCheckReply = z.infer<typeof backupCheckReplySchema>

export const UPLOAD_LIMIT = 300_000_000

/** Routes of backups. */
export const backupContract = defineContract('studio', {
  'get /backups': {
    summary: 'Backups on the volume, newest first, and how the volume is',
    permission: 'keep-safe',
    reply: z.object({
      backups: z.array(backupRowSchema),
      practice: practiceStateSchema.nullable(),
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
    body: z.object({ lost: z.number().int().min(0).nullable() }),
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
  'put /backups/practice': {
    summary: 'Practise: pretend that the volume is fine, full, slow or gone',
    permission: 'keep-safe',
    body: z.object({ state: z.enum(['fine', 'full', 'slow', 'gone']) }),
    reply: z.object({ state: practiceStateSchema }),
  },
  'get /export': {
    summary: 'Everything as open files: a CSV for each table and one JSON, in a ZIP',
    permission: 'keep-safe',
    reply: 'file',
  },
})
