import { resolve } from 'node:path'
import { existsSync } from 'node:fs'
import { createApp } from './app.ts'
import { stopGently } from './stop.ts'

/*
 * npm start [-- --empty]
 * PORT (default 5173) and HOST (default 127.0.0.1: nothing beyond this machine unless asked) come from the environment.
 */
const DEFAULT_PORT = 5173
const port = Number(process.env.PORT ?? DEFAULT_PORT)
if (!Number.isInteger(port) || port < 0 || port > 65535) {
  process.stderr.write(`PORT must be a whole number from 0 to 65535, not "${process.env.PORT}".\n`)
  process.exit(2)
}
const host = process.env.HOST ?? '127.0.0.1'
const start = process.argv.includes('--empty') ? 'empty' : 'demo'
if (!existsSync(resolve('dist', 'index.html'))) {
  process.stderr.write('The application is not built. "npm start" builds it; "npm run build" does only that.\n')
  process.exit(1)
}
const server = createApp({ dist: resolve('dist'), start }).listen(port, host)

server.on('listening', () => {
  const address = server.address()
  const shown = typeof address === 'object' && address ? address.port : port
  process.stdout.write(`Tack Loft is open at http://${host}:${shown}/${start === 'empty' ? '  (empty store)' : ''}\n`)
})
server.on('error', (e: NodeJS.ErrnoException) => {
  process.stderr.write(
    e.code === 'EADDRINUSE' ? `Port ${port} is taken. Choose another: PORT=5180 npm start\n` : `${e.message}\n`,
  )
  process.exit(1)
})

for (const signal of ['SIGTERM', 'SIGINT'] as const)
  process.on(signal, () => void stopGently(server).then(() => process.exit(0)))
