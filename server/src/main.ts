import { createServer } from 'node:http'
import { routes } from './api.ts'
import { fillDemo } from './demo/fill-demo.ts'
import { makeApp } from './foundation/app.ts'
import { readConfig } from './foundation/config.ts'
import { openHouse } from './foundation/house.ts'
import { ensureStudio } from './studio/studio-routes.ts'

const config = readConfig(process.env)
const house = openHouse(config)
if (process.argv.includes('--demo')) fillDemo(house)
ensureStudio(house)

const server = createServer(makeApp(house, routes, config.pagesFolder).callback())
server.requestTimeout = 30_000
server.on('error', (error: NodeJS.ErrnoException) => {
  const isTaken = error.code === 'EADDRINUSE'
  console.error(isTaken ? `Port ${config.port} is taken. Choose another with EXEMPLAR_PORT.` : error.message)
  process.exit(1)
})
server.listen(config.port, config.host, () => {
  const address = server.address()
  const port = typeof address === 'object' && address ? address.port : config.port
  console.log(`Exemplar is at http://${config.host}:${port} (data in ${config.dataFolder})`)
  if (!['127.0.0.1', 'localhost', '::1'].includes(config.host)) {
    console.log('Note: there is no sign-in yet. Everybody who can reach this address can read and change everything.')
  }
})

for (const signal of ['SIGTERM', 'SIGINT'] as const) process.on(signal, stop)

/** Lets running answers end, closes the database so that the WAL is folded in, and goes. */
function stop(): void {
  server.close(() => {
    house.db.$client.close()
    process.exit(0)
  })
  server.closeIdleConnections()
  setTimeout(() => server.closeAllConnections(), 3000).unref()
}
