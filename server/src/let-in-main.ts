import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { eq } from 'drizzle-orm'
import { readConfig } from './foundation/base/config.ts'
import { makeFilesPrivate } from './foundation/base/keep-private.ts'
import { makeSystemActor, openContext, write } from './foundation/database/app-context.ts'
import { DATABASE_FILE } from './foundation/database/database.ts'
import { accounts } from './schema/studio-tables.ts'
import { sayWhatToDo } from './start-failure.ts'
import { makeInvitation } from './studio/access/invitations.ts'

/**
 * `npm run let-in -- <sign-in name>`: for whoever has the machine and cannot come in any more, however the door is shut.
 * Gives a link that sets a new password and takes the second factor off; also while Exemplar runs.
 */
makeFilesPrivate()
const name = (process.argv[2] ?? '').trim().toLowerCase()
const config = readConfig(process.env)
try {
  if (!existsSync(join(config.dataFolder, DATABASE_FILE)))
    throw new Error(`There is no Exemplar in ${config.dataFolder}.`)
  const app = openContext(config)
  const account = app.db.select().from(accounts).where(eq(accounts.signInName, name)).get()
  if (!account) {
    const names = app.db.select({ name: accounts.signInName }).from(accounts).all()
    const known = names.map((it) => it.name).join(', ') || 'nobody yet'
    throw new Error(`Say who: npm run let-in -- <sign-in name>. There are: ${known}.`)
  }
  const { token } = write(app, makeSystemActor(), (writer) => {
    writer.tx
      .update(accounts)
      .set({ secondFactor: null, disabledAt: null, version: account.version + 1 })
      .where(eq(accounts.personId, account.personId))
      .run()
    return makeInvitation(writer, account.personId)
  })
  app.db.$client.close()
  console.log(
    `Open /join/${token} at the address of Exemplar. It works once, within seven days. The password there is the new one.`,
  )
} catch (error) {
  console.error(sayWhatToDo(error))
  process.exit(1)
}
