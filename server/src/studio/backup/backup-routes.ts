import { Readable } from 'node:stream'
import { ProblemError } from '../../foundation/base/problem.ts'
import { defineRoute, RawReply } from '../../foundation/http/route.ts'
import { countLost, keepUpload, listBackups, openBackup, restoreBackup, takeBackup } from './backup.ts'
import { exportEverything } from './export.ts'

export const backupRoutes = [
  defineRoute('get /backups', (_, { volume }) => {
    const state = volume.practice?.state ?? null
    if (state === 'gone') return { backups: [], practice: state, isThere: false }
    return { backups: listBackups(volume), practice: state, isThere: true }
  }),
  defineRoute('post /backups', (_, app) =>
    takeBackup(
      { client: app.db.$client, dataFolder: app.config.dataFolder, volume: app.volume, now: app.now() },
      'hand',
    ),
  ),
  defineRoute('post /backups/upload', ({ body }, app) => {
    const bytes = body as unknown as Buffer
    return keepUpload(app, bytes, () => Readable.from(bytes))
  }),
  defineRoute('get /backups/:name/check', async ({ params }, app) => {
    const opened = await openBackup(app.volume.read(params.name ?? ''))
    opened.close()
    const { takenAt, units, files, lastChangeAt } = opened.manifest
    return { takenAt, units, files: files.length, lastChangeAt, lost: countLost(app, opened.manifest) }
  }),
  defineRoute('get /backups/:name/file', ({ params }, { volume }) => {
    const name = params.name ?? ''
    return new RawReply('application/zip', volume.read(name), {
      'Content-Disposition': `attachment; filename="${name}"`,
    })
  }),
  defineRoute('post /backups/:name/restore', async ({ params, body, actor }, app) => {
    const opened = await openBackup(app.volume.read(params.name ?? ''))
    try {
      return await restoreBackup(app, actor, opened, body.lost)
    } finally {
      opened.close()
    }
  }),
  defineRoute('delete /backups/:name', ({ params }, { volume }) => {
    const newest = listBackups(volume)[0]
    if (newest?.name === params.name)
      throw new ProblemError(409, 'The newest', 'The newest backup stays. Take another one first.')
    volume.remove(params.name ?? '')
  }),
  defineRoute('put /backups/practice', ({ body }, { volume }) => {
    if (!volume.practice) throw new ProblemError(409, 'Not for practice', 'This volume cannot pretend.')
    volume.practice.state = body.state
    return { state: body.state }
  }),
  defineRoute(
    'get /export',
    (_, app) =>
      new RawReply('application/zip', exportEverything(app.db), {
        'Content-Disposition': 'attachment; filename="exemplar-export.zip"',
      }),
  ),
]
