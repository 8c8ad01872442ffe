import type Sqlite from 'better-sqlite3'
import { listColumns } from '../../foundation/database/change-capture.ts'

type Row = Record<string, unknown>

/** Whose accounts of a backup come with it: none of them, or those that nobody has here. */
export type AccountsOfBackup = 'stay-out' | 'come-along'

/**
 * Writes who may sign in here now into the copy that is to stand here: a restore brings records back, and no rights that
 * were taken, no password that was changed and no other owner. What comes along of the backup's own accounts is never the
 * owner's, where there is one here. Where nobody can sign in here yet, the backup's accounts are taken as they are.
 */
export function carryAccounts(here: Sqlite.Database, copy: Sqlite.Database, those: AccountsOfBackup): void {
  const accounts = here.prepare('SELECT * FROM accounts').all() as Row[]
  if (accounts.length === 0 && those === 'come-along') return
  const ids = accounts.map((it) => it.person_id)
  const names = accounts.map((it) => it.sign_in_name)
  copy.exec('DELETE FROM invitations; DELETE FROM sessions')
  if (those === 'stay-out') copy.exec('DELETE FROM accounts')
  copy
    .prepare(
      'DELETE FROM accounts WHERE person_id IN (SELECT value FROM json_each(?)) OR sign_in_name IN (SELECT value FROM json_each(?))',
    )
    .run(JSON.stringify(ids), JSON.stringify(names))
  copy.exec('UPDATE accounts SET is_owner = 0')
  for (const account of accounts) {
    const person = here.prepare('SELECT * FROM people WHERE id = ?').get(account.person_id) as Row
    insert(copy, 'people', person, 'OR IGNORE')
    insert(copy, 'accounts', account)
  }
}

function insert(client: Sqlite.Database, table: string, row: Row, conflict = ''): void {
  const names = listColumns(client, table).map((it) => it.name)
  client
    .prepare(
      `INSERT ${conflict} INTO "${table}" (${names.map((it) => `"${it}"`).join(', ')}) VALUES (${names.map((it) => `@${it}`).join(', ')})`,
    )
    .run(row)
}
