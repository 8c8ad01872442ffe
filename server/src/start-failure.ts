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
