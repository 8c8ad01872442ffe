import { Readable } from 'node:stream'
import type { BackupRow } from '@exemplar/core'
import type { AppContext } from '../../foundation/database/app-context.ts'
import { nameBackup } from './backup-names.ts'
import { takeTurn } from './backup-turn.ts'
import { prepareCopy } from './check-copy.ts'
import { openBackup } from './open-backup.ts'

/** Keeps what was uploaded as a backup among the others, once it was found whole and such as could stand here. */
export function keepUpload(app: AppContext, bytes: Buffer): Promise<BackupRow> {
  const { disk, houseKey: key, config, volume } = app
  return takeTurn(config.dataFolder, async () => {
    const opened = await openBackup(Readable.from([bytes]), { dataFolder: config.dataFolder, disk, key })
    try {
      prepareCopy(opened.folder, opened.isOwn)
    } finally {
      opened.close()
    }
    const kept = await volume.write(nameBackup(app.now(), 'upload'), Readable.from([bytes]))
    return { ...kept, takenAt: opened.manifest.takenAt, kind: 'upload' }
  })
}
