// A process that holds the houses of the journeys, one after the other: each on a folder and a port of its own, with the
// same server that people start. A process for each would be three seconds of reading code, forty times over.
import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { routes } from '../server/src/api.ts'
import { makeApp } from '../server/src/app.ts'
import { fillDemo } from '../server/src/demo/fill-demo.ts'
import { readConfig } from '../server/src/foundation/base/config.ts'
import { makeServer } from '../server/src/foundation/base/serving.ts'
import { openHouse } from '../server/src/open-house.ts'
import { ensureStudio } from '../server/src/studio/settings/settings-routes.ts'

/** Asks for a house in a folder, with or without the made-up studio; or for the end of the one that stands. */
export type HostOrder = { open: string; isDemo: boolean } | { close: true }
export type HostAnswer = { url: string } | { closed: true } | { failed: string }

let end: (() => Promise<void>) | null = null

/** The demo as it is filled on this host, copied for each journey. */
let demoFolder: string | null = null

const configOf = (folder: string, isDemo: boolean) =>
  readConfig({ ...process.env, EXEMPLAR_DATA: folder, EXEMPLAR_PORT: '0' }, isDemo ? ['--demo'] : [])

function fillOnce(): string {
  if (demoFolder !== null) return demoFolder
  const folder = mkdtempSync(join(tmpdir(), 'exemplar-journeys-demo-'))
  const app = openHouse(configOf(folder, true))
  fillDemo(app)
  // The last one to close takes what is in the log over into the file.
  app.db.$client.close()
  process.on('exit', () => rmSync(folder, { recursive: true, force: true }))
  demoFolder = folder
  return folder
}

async function open(folder: string, isDemo: boolean): Promise<string> {
  if (isDemo) cpSync(fillOnce(), folder, { recursive: true, filter: (it) => !it.endsWith('running.lock') })
  const config = configOf(folder, isDemo)
  const app = openHouse(config)
  ensureStudio(app)
  const server = makeServer(makeApp(app, routes, config), config)
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
  app.jobs.begin()
  end = () =>
    new Promise((done) => {
      server.close(() => {
        app.db.$client.close()
        done()
      })
      server.closeAllConnections()
    })
  const address = server.address()
  return `http://127.0.0.1:${typeof address === 'object' && address ? address.port : 0}`
}

async function answer(order: HostOrder): Promise<HostAnswer> {
  try {
    if ('open' in order) return { url: await open(order.open, order.isDemo) }
    await end?.()
    end = null
    return { closed: true }
  } catch (error) {
    return { failed: String(error instanceof Error ? error.stack : error) }
  }
}

process.on('message', async (order: HostOrder) => process.send?.(await answer(order)))
process.on('disconnect', () => process.exit(0))
