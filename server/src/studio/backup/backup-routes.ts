import { Readable } from 'node:stream'
import { z } from 'zod'
import { ProblemError } from '../../foundation/base/problem.ts'
import { defineRoute, RawReply } from '../../foundation/http/route.ts'
import { countLost, keepUpload, listBackups, openBackup, restoreBackup, takeBackup } from './backup.ts'
import { exportEverything } from './export.ts'

const room = 'studio'
const UPLOAD_LIMIT = 300_000_000

export const backupRoutes = [
  defineRoute({
    method: 'get',
    path: '/backups',
    permission: 'keep-safe',
    room,
    summary: 'Backups on the volume, newest first, and how the volume is',
    handle: (_, { volume }) => {
      const state = volume.practice?.state ?? null
      if (state === 'gone') return { backups: [], practice: state, isThere: false }
      return { backups: listBackups(volume), practice: state, isThere: true }
    },
  }),
  defineRoute({
    method: 'post',
    path: '/backups',
    permission: 'keep-safe',
    room,
    summary: 'Take a backup now, while everybody goes on working',
    status: 201,
    handle: (_, app) =>
      takeBackup(
        { client: app.db.$client, dataFolder: app.config.dataFolder, volume: app.volume, now: app.now() },
        'hand',
      ),
  }),
  defineRoute({
    method: 'post',
    path: '/backups/upload',
    permission: 'keep-safe',
    room,
    summary: 'Bring a backup from elsewhere; it is looked at and put among the others',
    rawLimit: UPLOAD_LIMIT,
    status: 201,
    handle: ({ body }, app) => {
      const bytes = body as unknown as Buffer
      return keepUpload(app, bytes, () => Readable.from(bytes))
    },
  }),
  defineRoute({
    method: 'get',
    path: '/backups/:name/check',
    permission: 'keep-safe',
    room,
    summary: 'Look at every byte of a backup, and say what restoring it would lose',
    handle: async ({ params }, app) => {
      const opened = await openBackup(app.volume.read(params.name ?? ''))
      opened.close()
      const { takenAt, units, files, lastChangeAt } = opened.manifest
      return { takenAt, units, files: files.length, lastChangeAt, lost: countLost(app, opened.manifest) }
    },
  }),
  defineRoute({
    method: 'get',
    path: '/backups/:name/file',
    permission: 'keep-safe',
    room,
    summary: 'A backup to keep elsewhere',
    handle: ({ params }, { volume }) => {
      const name = params.name ?? ''
      return new RawReply('application/zip', volume.read(name), {
        'Content-Disposition': `attachment; filename="${name}"`,
      })
    },
  }),
  defineRoute({
    method: 'post',
    path: '/backups/:name/restore',
    permission: 'keep-safe',
    room,
    summary: 'Put a backup in the place of what is here; `lost` says how many newer changes that costs',
    body: z.object({ lost: z.number().int().min(0).nullable() }),
    handle: async ({ params, body, actor }, app) => {
      const opened = await openBackup(app.volume.read(params.name ?? ''))
      try {
        return await restoreBackup(app, actor, opened, body.lost)
      } finally {
        opened.close()
      }
    },
  }),
  defineRoute({
    method: 'delete',
    path: '/backups/:name',
    permission: 'keep-safe',
    room,
    summary: 'Delete a backup; the newest one stays',
    handle: ({ params }, { volume }) => {
      const newest = listBackups(volume)[0]
      if (newest?.name === params.name)
        throw new ProblemError(409, 'The newest', 'The newest backup stays. Take another one first.')
      volume.remove(params.name ?? '')
    },
  }),
  defineRoute({
    method: 'put',
    path: '/backups/practice',
    permission: 'keep-safe',
    room,
    summary: 'Practise: pretend that the volume is fine, full, slow or gone',
    body: z.object({ state: z.enum(['fine', 'full', 'slow', 'gone']) }),
    handle: ({ body }, { volume }) => {
      if (!volume.practice) throw new ProblemError(409, 'Not for practice', 'This volume cannot pretend.')
      volume.practice.state = body.state
      return { state: body.state }
    },
  }),
  defineRoute({
    method: 'get',
    path: '/export',
    permission: 'keep-safe',
    room,
    summary: 'Everything as open files: a CSV for each table and one JSON, in a ZIP',
    handle: (_, app) =>
      new RawReply('application/zip', exportEverything(app.db), {
        'Content-Disposition': 'attachment; filename="exemplar-export.zip"',
      }),
  }),
]
