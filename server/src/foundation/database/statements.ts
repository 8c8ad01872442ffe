import type Sqlite from 'better-sqlite3'
import type { Database } from './database.ts'

const statementsOf = new WeakMap<Sqlite.Database, Map<string, Sqlite.Statement>>()
const MOST_KEPT = 400

/** A statement made ready once and kept with its connection: what is asked often is parsed once. */
export function prepare({ $client }: Pick<Database, '$client'>, sql: string): Sqlite.Statement {
  let statements = statementsOf.get($client)
  if (!statements || statements.size > MOST_KEPT) {
    statements = new Map()
    statementsOf.set($client, statements)
  }
  let statement = statements.get(sql)
  if (!statement) {
    statement = $client.prepare(sql)
    statements.set(sql, statement)
  }
  return statement
}
