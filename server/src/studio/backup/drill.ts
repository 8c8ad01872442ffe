import { join } from 'node:path'
import type { DrillReply } from '@exemplar/core'
import { realDisk } from '../../foundation/base/disk.ts'
import { ProblemError } from '../../foundation/base/problem.ts'
import { makeVolume } from '../../foundation/base/volume.ts'
import { makeWorkFolder } from '../../foundation/base/work-folder.ts'
import type { AppContext } from '../../foundation/database/app-context.ts'
import { takeTurn } from './backup-turn.ts'
import { type DiskFault, makeFailingDisk } from './failing-disk.ts'
import { makeBackup, sourceOf } from './take-backup.ts'

/**
 * A drill: takes a backup on a pretended volume that fails, and tells what came of it. The pretended volume is a folder of
 * its own that goes when the drill is over; the real one hears nothing of it.
 */
export function drill(app: AppContext, fault: DiskFault): Promise<DrillReply> {
  return takeTurn(app.config.dataFolder, async () => {
    const { folder, remove } = makeWorkFolder(app.config.dataFolder, 'drill')
    const volume = makeVolume(join(folder, 'pretended'), makeFailingDisk(realDisk, fault))
    try {
      await makeBackup({ ...sourceOf(app), volume }, 'hand')
      return { fault, isKept: true, said: 'The backup was taken, and was found whole.' }
    } catch (error) {
      if (!(error instanceof ProblemError)) throw error
      return { fault, isKept: false, said: error.message }
    } finally {
      remove()
    }
  })
}
