import type { BackupRow } from '@exemplar/core'
import type { Volume } from '../../foundation/base/volume.ts'

export type BackupKind = BackupRow['kind']

/** `exemplar-20261124-080000-auto-2.zip`, in UTC: the second of one second. */
export function nameBackup(now: number, kind: BackupKind): (attempt: number) => string {
  const stamp = new Date(now).toISOString().slice(0, 19).replace(/[-:]/g, '').replace('T', '-')
  return (attempt) =>
    `exemplar-${stamp}${kind === 'hand' ? '' : `-${kind}`}${attempt === 0 ? '' : `-${attempt + 1}`}.zip`
}

const NAME = /^exemplar-(\d{4})(\d\d)(\d\d)-(\d\d)(\d\d)(\d\d)(?:-([a-z]+))?(?:-(\d+))?\.zip$/

/** The backups of a volume, newest first. */
export function listBackups(volume: Volume): BackupRow[] {
  return volume
    .list()
    .map(({ name, bytes }) => {
      const [, y, mo, d, h, mi, s, kind, attempt] = NAME.exec(name) ?? []
      const takenAt = Date.UTC(Number(y), Number(mo) - 1, Number(d), Number(h), Number(mi), Number(s))
      return { name, bytes, takenAt, kind: (kind ?? 'hand') as BackupKind, attempt: Number(attempt ?? 1) }
    })
    .sort((a, b) => b.takenAt - a.takenAt || b.attempt - a.attempt || (a.name < b.name ? 1 : -1))
    .map(({ attempt: _, ...it }) => it)
}
