import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

const fileOf = (folder: string) => join(folder, 'running.pid')

/** One data folder has one Exemplar: a second one would not tell its changes to the pages of the first. */
export function requireNotRunning(folder: string): void {
  const file = fileOf(folder)
  if (!existsSync(file)) return
  const pid = Number(readFileSync(file, 'utf8'))
  if (!isAlive(pid)) return
  throw new Error(`Exemplar is running on ${folder} already (process ${pid}). Stop it first, or use its own pages.`)
}

export function markRunning(folder: string): void {
  mkdirSync(folder, { recursive: true })
  writeFileSync(fileOf(folder), String(process.pid))
}

function isAlive(pid: number): boolean {
  if (!Number.isInteger(pid) || pid <= 0 || pid === process.pid) return false
  try {
    process.kill(pid, 0)
    return true
  } catch {
    return false
  }
}

/** A failure to start, with what can be done about it. */
export function sayWhatToDo(error: unknown): string {
  const { code, message = String(error) } = (error ?? {}) as { code?: string; message?: string }
  if (code === 'SQLITE_CORRUPT' || code === 'SQLITE_NOTADB') {
    return 'The database is damaged. Restore the newest backup: npm run restore -- <file>. The damaged file is left as it is.'
  }
  if (code === 'SQLITE_BUSY') return 'Another program holds the database. Close it and start again.'
  if (code === 'SQLITE_FULL' || code === 'ENOSPC')
    return 'The disk is full. Make room and start again; nothing was lost.'
  if (code === 'EACCES' || code === 'EROFS' || code === 'SQLITE_CANTOPEN' || code === 'SQLITE_READONLY') {
    return `The data folder cannot be written (${message}). See who may write there.`
  }
  return message
}
