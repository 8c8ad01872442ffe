import { networkInterfaces } from 'node:os'
import { routes } from './api.ts'
import { makeApp } from './app.ts'
import { fillDemo } from './demo/fill-demo.ts'
import { readConfig } from './foundation/base/config.ts'
import { keepPrivate, makeFilesPrivate } from './foundation/base/keep-private.ts'
import { makeLog } from './foundation/base/log.ts'
import { letPhonesIn, listLanAddresses, listReached, sayPhones } from './foundation/base/phones.ts'
import { makeServer } from './foundation/base/serving.ts'
import { openHouse } from './open-house.ts'
import { sayWhatToDo } from './start-failure.ts'
import { startBackupClock } from './studio/backup/backup-clock.ts'
import { ensureStudio } from './studio/settings/settings-routes.ts'

const BEGIN_JOBS_MS = 300

makeFilesPrivate()
const asked = readConfig(process.env, process.argv)
const addresses = asked.forPhones ? listReached(asked, listLanAddresses(networkInterfaces())) : []
const config = asked.forPhones ? await letPhonesIn(asked, addresses, Date.now()) : asked
const log = makeLog(process.env.EXEMPLAR_LOG ?? 'warn')
const app = open()
startBackupClock(app, log)

const server = makeServer(makeApp(app, routes, { ...config, log }), config)
server.on('error', (error: NodeJS.ErrnoException) => {
  const isTaken = error.code === 'EADDRINUSE'
  giveUp(isTaken ? `Port ${config.port} is taken. Choose another with EXEMPLAR_PORT.` : error.message)
})
server.listen(config.port, config.host, () => {
  const address = server.address()
  const port = typeof address === 'object' && address ? address.port : config.port
  console.log(
    `Exemplar is at ${config.isSecure ? 'https' : 'http'}://${config.host}:${port} (data in ${config.dataFolder})`,
  )
  if (config.forPhones) {
    const { firstRunCode, isLoopback } = config
    const isOwnCertificate = asked.tls === null
    const isTerminal = process.stdout.isTTY
    sayPhones({ addresses, port, firstRunCode, isLoopback, isOwnCertificate, isTerminal }).then(console.log)
  } else if (config.firstRunCode)
    console.log(`Where there is no owner yet, whoever becomes it is asked for this code: ${config.firstRunCode}`)
  if (!config.isLoopback && !config.isSecure) {
    console.log(
      'Note: without EXEMPLAR_TLS_CERT and EXEMPLAR_TLS_KEY passwords cross the network unprotected, and phones cannot scan with their camera.',
    )
  }
})

// Once it answers, and before anybody has got to a page that waits for long work.
setTimeout(() => app.jobs.begin(), BEGIN_JOBS_MS).unref()

for (const signal of ['SIGTERM', 'SIGINT'] as const) process.on(signal, stop)

function open() {
  try {
    keepPrivate(config.dataFolder)
    const opened = openHouse(config)
    if (config.isDemo) fillDemo(opened)
    ensureStudio(opened)
    return opened
  } catch (error) {
    return giveUp(sayWhatToDo(error))
  }
}

function giveUp(why: string): never {
  console.error(why)
  process.exit(1)
}

/** Lets running answers end, closes the database so that the WAL is folded in, and goes. */
function stop(): void {
  server.close(() => {
    app.db.$client.close()
    process.exit(0)
  })
  server.closeIdleConnections()
  // Streams of events never end by themselves; their pages come back to the next start by themselves.
  setTimeout(() => server.closeAllConnections(), 500).unref()
}
